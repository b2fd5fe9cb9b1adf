import { atMinute, logged } from '../testing/logged.js';
import type { EntryBody } from './entry.js';
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

  it('names the step that stands in its way, and when that was', () => {
    const why = impossibleTime(batch, ORDER, step('cool'), atMinute(90), atMinute(200));
    expect(why).toEqual({ is: 'out of order', stageId: 'starter', atMs: atMinute(60) });
  });
});
