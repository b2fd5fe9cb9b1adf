import { HttpErrorResponse } from '@angular/common/http';
import type { BackupRun, Safekeeping } from '@oat-crock/contract/api';
import { say } from '@oat-crock/core';
import { BackupActions } from '../../state/backups.feature';
import { ApiClient } from '../../state/api-client';
import { NOW } from '../../testing/soured-makes';
import { pageOf } from '../../testing/page';
import { until } from '../../testing/until';
import { Shell } from '../../shell/shell';
import { Backups } from './backups';

const SOUND: BackupRun = {
  atMs: NOW - 3_600_000,
  why: 'daily',
  name: 'dairy-2026-05-05T03-00-00Z-daily.sqlite',
  ...{ bytes: 3_421_000, makes: 75, lines: 2101, wrong: [] },
};
const BROKEN: BackupRun = {
  ...{ atMs: NOW, why: 'daily', name: null, bytes: 0, makes: 0, lines: 0 },
  wrong: [say('safe.trouble.full', { file: '/backups' }), say('safe.trouble.makeSpace')],
};
const safe = (more: Partial<Safekeeping> = {}): Safekeeping => ({
  ...{ file: '/data/dairy.sqlite', folder: '/data/backups', daily: true, share: null, last: SOUND },
  backups: [{ name: SOUND.name!, atMs: SOUND.atMs, why: 'daily', bytes: SOUND.bytes }],
  ...more,
});

/** Opens the panel over a server that answers so. */
async function panel(backups: () => Promise<Safekeeping>) {
  const asked: string[] = [];
  const wire = { backups, backUp: () => (asked.push('made'), Promise.resolve(SOUND)) };
  const page = await pageOf(Backups, [], NOW, {}, [{ provide: ApiClient, useValue: wire }]);
  await until(() => page.element.textContent!.trim() !== '');
  return { ...page, asked, text: () => page.element.textContent!.replace(/\s+/g, ' ') };
}

describe('the backups of a dairy', () => {
  it('say when the last was made, what was read back out of it, where they are and how to go back to one', async () => {
    const { text, element } = await panel(() => Promise.resolve(safe()));
    expect(text()).toMatch(/The last, .*: sound, 75 makes, 2,?101 lines, 3.4 MB\./);
    expect(text()).toContain(`npm run restore -- "/data/backups/${SOUND.name}"`);
    expect(text()).toContain('Never copy /data/dairy.sqlite by itself');
    expect(element.querySelector('a')!.getAttribute('href')).toBe(`/api/v1/backups/${SOUND.name}`);
  });

  it('are made at a touch, once, and say how far one is', async () => {
    const { element, store, asked, text, fixture } = await panel(() => Promise.resolve(safe()));
    const button = element.querySelector('button')!;
    button.click();
    expect(asked).toEqual(['made']);
    store.dispatch(BackupActions.received({ safekeeping: safe({ share: 0.314 }) }));
    await fixture.whenStable();
    expect([button.disabled, text().includes('Being made: 31 %')]).toEqual([true, true]);
  });

  it('that cannot be relied on say why and what to do, here and at the head of every page', async () => {
    const { text } = await panel(() => Promise.resolve(safe({ last: BROKEN, backups: [] })));
    expect(text()).toMatch(/cannot be relied on\. ?There is no room left where \/backups is\. ?Free some space/);
    const told = [BackupActions.lastReceived({ last: BROKEN })];
    const shell = await pageOf(Shell, [], NOW, {}, [], told);
    const line = [...shell.element.querySelectorAll('.line-lost')].find((l) => l.textContent!.includes('backup'))!;
    expect(line.textContent).toContain('no room left');
    expect(line.querySelector('a')!.getAttribute('href')).toBe('/ledger/archive');
    shell.store.dispatch(BackupActions.lastReceived({ last: SOUND }));
    await shell.fixture.whenStable();
    expect(shell.element.textContent).not.toContain('no room left');
  });

  it('that cannot be shown say why', async () => {
    const answers = [
      [404, 'keeps its data in memory'],
      [500, 'could not be read just now'],
    ] as const;
    for (const [status, said] of answers) {
      const { text } = await panel(() => Promise.reject(new HttpErrorResponse({ status })));
      expect(text()).toContain(said);
    }
  });
});
