import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { methodById, replay } from '@oat-crock/core';
import { entriesUntil, START_MS } from '../testing/followed';
import { pageOf } from '../testing/page';
import { Logger } from './logger';

@Component({ template: '' })
class Nothing {}

const BATCH = entriesUntil(0)[0]!.batchId;

async function logging() {
  const page = await pageOf(Nothing, entriesUntil(100), START_MS + 100 * 60_000);
  return { ...page, logger: TestBed.inject(Logger) };
}

describe('writing to the log', () => {
  it('puts the kitchen’s time on a line unless another is given', async () => {
    const { logger, written } = await logging();
    logger.write(BATCH, { type: 'note', text: 'calm' });
    logger.write(BATCH, { type: 'note', text: 'earlier' }, START_MS + 60_000);
    expect(written().map((e) => e.atMs)).toEqual([START_MS + 100 * 60_000, START_MS + 60_000]);
    expect(written().every((e) => e.source === 'hand' && e.batchId === BATCH)).toBeTrue();
  });

  it('makes ids that sort in the order of writing, however fast', async () => {
    const { logger, written } = await logging();
    const ids = Array.from({ length: 200 }, (_, i) => logger.write(BATCH, { type: 'note', text: `${i}` }).id);
    expect([...ids].sort()).toEqual(ids);
    expect(new Set(ids).size).toBe(200);
    expect(written().length).toBe(200);
  });

  it('takes back the newest hand entry by a correction, then the one before', async () => {
    const { logger, written } = await logging();
    const first = logger.write(BATCH, { type: 'note', text: 'one' });
    const second = logger.write(BATCH, { type: 'note', text: 'two' });
    const now = () => replay([...entriesUntil(100), ...written()])!;
    expect(logger.undo(now())!.id).toBe(second.id);
    expect(logger.undo(now())!.id).toBe(first.id);
    expect(now().notes).toEqual([]);
  });

  it('starts a make under an id of its own', async () => {
    const { logger, written } = await logging();
    const id = logger.start(methodById('strained-yogurt'), { massG: 2000 }, 'Small');
    expect(written()[0]!.batchId).toBe(id);
    expect(replay(written())!.choices).toEqual({ massG: 2000 });
  });
});
