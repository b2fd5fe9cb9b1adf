import { say } from '@oat-crock/core';
import express, { type Express } from 'express';
import { existsSync, readFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { notFound } from './errors.js';

/** The main script, as a built page names it. */
const MAIN_SCRIPT = /src="(main[\w-]*\.js)"/;

/** The name of the main script of a built page; null where there is no page. */
export function mainScript(webRoot: string | null): string | null {
  const index = webRoot && join(webRoot, 'index.html');
  return index && existsSync(index) ? (MAIN_SCRIPT.exec(readFileSync(index, 'utf8'))?.[1] ?? null) : null;
}

/**
 * Gives the page. Files with a fingerprint in their name never change; the page itself is always asked for. It stands at every address
 * but those of files: a script that is missing is missing, and no page to be run.
 */
export function servePage(app: Express, webRoot: string): void {
  app.use(
    express.static(webRoot, {
      index: false,
      setHeaders: (response, path) => {
        const lasting = /-[A-Z0-9]{8}\.\w+$/.test(path);
        response.setHeader('cache-control', lasting ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (request, response, next) => {
    if (extname(request.path) !== '') {
      next(notFound(say('server.http.routes.address', { method: request.method, originalUrl: request.originalUrl })));
      return;
    }
    response.setHeader('cache-control', 'no-cache');
    response.sendFile(join(webRoot, 'index.html'));
  });
}
