import { atMinute, logged } from '../testing/logged.js';
import type { EntryBody } from './entry.js';
import { replay } from './replay.js';
import { impossibleTime } from './impossible-time.js';

const ORDER = ['blend', 'heat', 'hold', 'cool', 'starter', 'warm'];
const batch = logged('scalded-yogurt', {}, [
  [10, 'heat'],
  [60, 'starter'],
]);
const step = (stageId: string): EntryBody => ({ type: 'step', stageId });
const note: EntryBody = { type: 'note', text: 'x' };
const is = (body: EntryBody, minute: number, nowMin = 200) =>
  impossibleTime(batch, ORDER, body, atMinute(minute), atMinute(nowMin))?.is ?? null;

describe('a time that cannot have been', () => {
  it('is one that has not come: a minute ahead is a clock, more is a future', () => {
    expect([is(note, 200), is(note, 201), is(note, 202)]).toEqual([null, null, 'future']);
  });

  it('is one before the make was begun, to the very moment', () => {
    expect([is(note, 0), is(note, -1)]).toEqual([null, 'before the start']);
  });

  it('of a step is one before a step that comes before it, or after one that comes after it', () => {
    expect([is(step('hold'), 10), is(step('hold'), 9)]).toEqual([null, 'out of order']);
    expect([is(step('hold'), 60), is(step('hold'), 61)]).toEqual([null, 'out of order']);
    expect(is(step('warm'), 59)).toBe('out of order');
    expect(is(step('warm'), 60)).toBeNull();
    // what is no step can have been at any time of the make
    expect(is(note, 5)).toBeNull();
  });

  it('of what goes out is one before it was finished, to the very moment', () => {
    const finished: EntryBody = { type: 'finished', productG: 900, wheyG: null, heldBackG: null, score: null, pots: 2 };
    const entries = [
      ...batch.log.map((l) => l.entry),
      { ...batch.log[0]!.entry, id: 'END', atMs: atMinute(300), body: finished },
    ];
    const made = replay(entries)!;
    const sold: EntryBody = { type: 'issued', how: 'sold', pots: 1 };
    const at = (minute: number, body: EntryBody = sold) =>
      impossibleTime(made, ORDER, body, atMinute(minute), atMinute(400))?.is ?? null;
    expect([at(300), at(299.99), at(299.99, note)]).toEqual([null, 'before the end', null]);
  });

  it('names the step that stands in its way, and when that was', () => {
    const why = impossibleTime(batch, ORDER, step('cool'), atMinute(90), atMinute(200));
    expect(why).toEqual({ is: 'out of order', stageId: 'starter', atMs: atMinute(60) });
  });
});
