import { check, dryRunSchema, InputRefused } from '@oat-crock/contract';
import { say } from '@oat-crock/core';
import { Router, type Request, type Response } from 'express';
import { createWriteStream } from 'node:fs';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { dayWord } from '@oat-crock/calendar';
import { csvText, tablesOf } from '../archive/csv.js';
import { takeArchiveIn, tryArchive } from '../archive/take-in.js';
import { writeArchive } from '../archive/write.js';
import type { Kitchen } from '../kitchen.js';
import { notFound } from './errors.js';

/** What is written bit by bit is sent so: squeezing it on the way would hold it back. */
const AS_IT_IS = { 'cache-control': 'no-store, no-transform' };

/** No archive that is sent is larger, bytes. */
const LARGEST = 4 * 1024 ** 3;

/** The whole dairy as one open file, out and in; and its tables one by one, for a spreadsheet. */
export function archiveRoutes(kitchen: Kitchen): Router {
  const router = Router();
  const today = () => dayWord(kitchen.clock.now(), kitchen.household.settings().settings.zone);

  router.get('/archive', async (_request, response) => {
    response.attachment(`oat-crock-${today()}.zip`).type('application/zip').set(AS_IT_IS);
    await writeArchive(kitchen, (bytes) => written(response, bytes));
    response.end();
  });

  router.post('/archive', async (request, response) => {
    const { dry } = check(dryRunSchema, request.query);
    const folder = await mkdtemp(join(tmpdir(), 'oat-crock-'));
    try {
      const path = join(folder, 'archive.zip');
      await pipeline(bounded(request), createWriteStream(path));
      const report = await (dry ? tryArchive : takeArchiveIn)(kitchen, path);
      if (!dry) kitchen.events.tell({ type: 'renewed' });
      response.json(report);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });

  router.get('/tables/:name.csv', async (request, response) => {
    const table = tablesOf(kitchen).find(({ name }) => name === request.params.name);
    if (!table) throw notFound(say('server.http.archiveRoutes.table'));
    response.attachment(`oat-crock-${table.name}-${today()}.csv`).type('text/csv').set(AS_IT_IS);
    await written(response, Buffer.from(`\ufeff${csvText(table, [], true)}`));
    for (const rows of table.rows()) await written(response, Buffer.from(csvText(table, rows, false)));
    response.end();
  });
  return router;
}

/** Writes on once whoever reads has taken enough of what was written; where they have gone, it is no use to write on. */
async function written(response: Response, bytes: Uint8Array): Promise<void> {
  if (response.destroyed) throw new Error('whoever was reading has gone');
  if (response.write(bytes)) return;
  await new Promise<void>((resolve) => {
    const goOn = () => {
      response.off('drain', goOn).off('close', goOn);
      resolve();
    };
    response.on('drain', goOn).on('close', goOn);
  });
}

async function* bounded(request: Request): AsyncIterable<Buffer> {
  let size = 0;
  for await (const bytes of request as AsyncIterable<Buffer>) {
    size += bytes.length;
    if (size > LARGEST) {
      const fault = {
        field: 'archive',
        message: say('server.archive.tooLarge'),
        remedy: say('server.archive.takeAnother'),
      };
      throw new InputRefused([fault]);
    }
    yield bytes;
  }
}
