import { Component } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { methodById, replay } from '@oat-crock/core';
import { entriesUntil, START_MS } from '../testing/followed';
import { pageOf } from '../testing/page';
import { ClockActions } from './clock.feature';
import type { StoredEntry } from '@oat-crock/contract/api';
import { LogActions } from './log.feature';
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
    logger.write(BATCH, { type: 'note', text: 'earlier' }, START_MS + 60_000.4);
    expect(written().map((e) => e.atMs)).toEqual([START_MS + 100 * 60_000, START_MS + 60_000]);
    expect(written().every((e) => e.source === 'hand' && e.batchId === BATCH)).toBeTrue();
  });

  it('takes Done that is pressed twice for one step, until it is taken back', async () => {
    const { logger, written } = await logging();
    const stageId = 'chill';
    const one = logger.write(BATCH, { type: 'step', stageId });
    expect(logger.write(BATCH, { type: 'step', stageId }).id).toBe(one.id);
    expect(written().length).toBe(1);
    logger.undo();
    expect(logger.write(BATCH, { type: 'step', stageId }).id).not.toBe(one.id);
  });

  it('gives a line back the time it had when that was changed', async () => {
    const { logger, written } = await logging();
    const line = logger.write(BATCH, { type: 'note', text: 'calm' });
    const body = { type: 'note', text: 'calm' } as const;
    logger.write(BATCH, { type: 'correction', replaces: line.id, body, atMs: START_MS + 60_000 });
    const noteMs = () => replay([...entriesUntil(100), ...written()])!.notes[0]!.atMs;
    expect(noteMs()).toBe(START_MS + 60_000);
    logger.undo();
    expect(noteMs()).toBe(line.atMs);
    logger.redo();
    expect(noteMs()).toBe(START_MS + 60_000);
  });

  it('makes ids that sort in the order of writing, however fast', async () => {
    const { logger, written } = await logging();
    const ids = Array.from({ length: 200 }, (_, i) => logger.write(BATCH, { type: 'note', text: `${i}` }).id);
    expect([...ids].sort()).toEqual(ids);
    expect(new Set(ids).size).toBe(200);
    expect(written().length).toBe(200);
  });

  it('takes back what this page wrote, the newest first, and no line that it has not written', async () => {
    const { logger, written } = await logging();
    const before = written().length;
    expect(logger.undo()).toBeNull();
    expect(written().length).toBe(before);
    const first = logger.write(BATCH, { type: 'note', text: 'one' });
    const second = logger.write(BATCH, { type: 'note', text: 'two' });
    const now = () => replay([...entriesUntil(100), ...written()])!;
    expect(logger.undo()!.lineId).toBe(second.id);
    expect(logger.undo()!.lineId).toBe(first.id);
    expect(now().notes).toEqual([]);
    expect(logger.undo()).toBeNull();
    expect(now().steps).toEqual(replay(entriesUntil(100))!.steps);
  });

  it('writes again what was taken back, until something else is written', async () => {
    const { logger, written } = await logging();
    logger.write(BATCH, { type: 'note', text: 'one' });
    const notes = () => replay([...entriesUntil(100), ...written()])!.notes.map((n) => n.text);
    logger.undo();
    expect(notes()).toEqual([]);
    expect(logger.redo()!.is).toEqual({ type: 'note', text: 'one' });
    expect(notes()).toEqual(['one']);
    expect(logger.redo()).toBeNull();
    logger.undo();
    logger.write(BATCH, { type: 'note', text: 'other' });
    expect(logger.redo()).toBeNull();
    expect(notes()).toEqual(['other']);
  });

  it('takes a correction back to what stood there before', async () => {
    const { logger, written } = await logging();
    const line = logger.write(BATCH, { type: 'note', text: 'one' });
    logger.write(BATCH, { type: 'correction', replaces: line.id, body: { type: 'note', text: 'two' } });
    const notes = () => replay([...entriesUntil(100), ...written()])!.notes.map((n) => n.text);
    expect(notes()).toEqual(['two']);
    logger.undo();
    expect(notes()).toEqual(['one']);
    logger.redo();
    expect(notes()).toEqual(['two']);
    logger.write(BATCH, { type: 'correction', replaces: line.id, body: null });
    expect(notes()).toEqual([]);
    logger.undo();
    expect(notes()).toEqual(['two']);
  });

  it('leaves alone what somebody else has changed since', async () => {
    const { logger, store } = await logging();
    const line = logger.write(BATCH, { type: 'note', text: 'one' });
    const theirs: StoredEntry = {
      id: `7${line.id.slice(1)}`,
      seq: 999,
      batchId: BATCH,
      atMs: START_MS,
      source: 'hand',
      body: { type: 'correction', replaces: line.id, body: { type: 'note', text: 'theirs' } },
    };
    store.dispatch(LogActions.arrived({ entries: [theirs] }));
    expect(logger.undo()).toBeNull();
  });

  it('does not take back that a make was begun, nor what it took then', async () => {
    const { logger } = await logging();
    logger.start(methodById('quark'), {}, 'Pot', {
      stocks: [],
      gear: [],
      takings: [{ lotId: BATCH, massG: 5 }],
    });
    expect(logger.undo()).toBeNull();
  });

  it('sorts behind what is there even where the clock was set back, so that a correction counts', async () => {
    const note = [90, { type: 'note', text: 'calm' }] as const;
    const page = await pageOf(Nothing, entriesUntil(100, note), START_MS + 100 * 60_000);
    const logger = TestBed.inject(Logger);
    const line = logger.write(BATCH, { type: 'note', text: 'before' });
    const clock = { rate: 0, realMs: 0, kitchenMs: START_MS - 5 * 86_400_000, adjustable: true };
    page.store.dispatch(ClockActions.received({ clock }));
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
