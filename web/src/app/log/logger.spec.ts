import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { methodById, replay } from '@oat-crock/core';
import { entriesUntil, START_MS } from '../testing/followed';
import { pageOf } from '../testing/page';
import { ClockActions } from '../state/clock.feature';
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

  it('sorts behind what is there even where the clock was set back, so that a correction counts', async () => {
    const note = [90, { type: 'note', text: 'calm' }] as const;
    const page = await pageOf(Nothing, entriesUntil(100, note), START_MS + 100 * 60_000);
    const logger = TestBed.inject(Logger);
    const line = logger.write(BATCH, { type: 'note', text: 'before' });
    const clock = { rate: 0, realMs: 0, kitchenMs: START_MS - 5 * 86_400_000, adjustable: true };
    page.store.dispatch(ClockActions.told({ clock }));
    await page.fixture.whenStable();
    const correction = logger.write(BATCH, {
      type: 'correction',
      replaces: line.id,
      body: { type: 'note', text: 'one' },
    });
    const again = logger.write(BATCH, { type: 'correction', replaces: line.id, body: { type: 'note', text: 'two' } });
    expect([line.id, correction.id, again.id]).toEqual([line.id, correction.id, again.id].sort());
    expect(replay([...entriesUntil(100, note), ...page.written()])!.notes.map((n) => n.text)).toContain('two');
  });

  it('starts a make under an id of its own', async () => {
    const { logger, written } = await logging();
    const id = logger.start(methodById('strained-yogurt'), { massG: 2000 }, 'Small');
    expect(written()[0]!.batchId).toBe(id);
    expect(replay(written())!.choices).toEqual({ massG: 2000 });
  });
});
