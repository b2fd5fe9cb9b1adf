import { DEMO_TIME } from '../testing/kitchen.js';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { openKitchen } from '../kitchen.js';
import { openDb } from '../store/open.js';
import { createApp } from './app.js';

describe('the page', () => {
  const folder = mkdtempSync(join(tmpdir(), 'oat-crock-web-'));
  writeFileSync(
    join(folder, 'index.html'),
    '<!doctype html><title>Oat Crock</title><script src="main-ABCDEF12.js" type="module"></script>',
  );
  writeFileSync(join(folder, 'main-ABCDEF12.js'), 'export {};');
  const kitchen = openKitchen(openDb(':memory:'), pino({ level: 'silent' }), DEMO_TIME);
  const app = createApp(kitchen, folder);
  afterAll(() => {
    kitchen.events.close();
    kitchen.db.close();
    rmSync(folder, { recursive: true });
  });

  it('is given for any address of its own, and always asked for anew', async () => {
    for (const path of ['/', '/today', '/make/01J0000000000000000000000A']) {
      const answer = await request(app).get(path);
      expect(answer.status).toBe(200);
      expect(answer.text).toContain('Oat Crock');
      expect(answer.headers['cache-control']).toBe('no-cache');
    }
  });

  it('keeps files with a fingerprint for good', async () => {
    const answer = await request(app).get('/main-ABCDEF12.js');
    expect(answer.headers['cache-control']).toContain('immutable');
  });

  it('stands in for no file that is missing: what is not there is 404', async () => {
    for (const path of ['/main-GONE0001.js', '/chunk-GONE0001.js', '/styles-GONE0001.css', '/icons/gone.png']) {
      const answer = await request(app).get(path).set('accept', '*/*');
      expect(answer.status).withContext(path).toBe(404);
      expect(answer.text).not.toContain('<title>');
    }
  });

  it('is named in what a page begins with, so that an older one knows', async () => {
    expect((await request(app).get('/api/v1/snapshot')).body.page).toBe('main-ABCDEF12.js');
    expect((await request(createApp(kitchen, null)).get('/api/v1/snapshot')).body.page).toBeNull();
  });

  it('may run nothing but its own, nor be put into a frame', async () => {
    const policy = (await request(app).get('/')).headers['content-security-policy']!;
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toContain('unsafe-eval');
    expect(policy).toContain("frame-ancestors 'none'");
    expect((await request(app).get('/')).headers['x-powered-by']).toBeUndefined();
  });

  it('is not given in place of the interface', async () => {
    const answer = await request(app).get('/api/v1/today');
    expect(answer.status).toBe(404);
    expect(answer.headers['content-type']).toContain('problem+json');
  });
});
