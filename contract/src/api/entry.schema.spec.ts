import { check, type InputRefused } from '../problem.js';
import { entriesSchema, entryBodySchema } from './entry.schema.js';

const ID = '01J0000000000000000000000A';
const sent = (body: unknown, more: object = {}) => ({
  entries: [{ id: ID, batchId: ID, atMs: Date.UTC(2026, 1, 1), source: 'hand', body, ...more }],
});

function wrongFields(input: unknown): string[] {
  try {
    check(entriesSchema, input);
    return [];
  } catch (error) {
    return (error as InputRefused).errors.map((e) => e.field);
  }
}

describe('an entry on the wire', () => {
  it('may say anything a log holds', () => {
    for (const body of [
      { type: 'started', methodId: 'strained-yogurt', choices: { fatPct: 5, texture: 'firm' }, name: 'Pot' },
      { type: 'step', stageId: 'heat' },
      { type: 'reading', quantity: 'ph', value: 4.6, by: 'strip' },
      { type: 'cue', cue: 'set', answer: 'wobbles' },
      { type: 'note', text: 'calm' },
      { type: 'finished', productG: 1900, wheyG: null, heldBackG: 120, score: null },
      {
        type: 'finished',
        productG: 1,
        wheyG: 2,
        heldBackG: 3,
        score: { sourness: 1, thickness: 5, smoothness: 3, taste: 4 },
      },
      {
        type: 'finished',
        productG: 1900,
        wheyG: null,
        heldBackG: null,
        score: null,
        pots: 4,
        useBy: '2028-02-29',
        openDays: 3,
      },
      { type: 'issued', how: 'sold', pots: 2, to: 'The quay' },
      { type: 'issued', how: 'used', massG: 400.5 },
      { type: 'stored', where: 'frozen', pots: 1 },
      { type: 'discarded', reason: 'gas' },
      { type: 'complaint', fault: 'stringy' },
      { type: 'correction', replaces: ID, body: null },
      { type: 'correction', replaces: ID, body: { type: 'note', text: 'calmer' } },
    ]) {
      expect(wrongFields(sent(body)))
        .withContext(body.type)
        .toEqual([]);
    }
  });

  it('is refused where a day is none of the calendar, or what goes out is counted twice, in parts or not at all', () => {
    const finished = { type: 'finished', productG: 1900, wheyG: null, heldBackG: null, score: null };
    expect(wrongFields(sent({ ...finished, useBy: '2026-02-31' }))).toEqual(['entries.0.body.useBy']);
    expect(wrongFields(sent({ ...finished, useBy: '2026-13-01' }))).toEqual(['entries.0.body.useBy']);
    for (const wrong of [{}, { pots: 1, massG: 100 }, { pots: 1.5 }, { pots: 0 }, { massG: 0 }])
      expect(wrongFields(sent({ type: 'issued', how: 'sold', ...wrong })))
        .withContext(JSON.stringify(wrong))
        .not.toEqual([]);
    expect(wrongFields(sent({ type: 'issued', how: 'lost', pots: 1 }))).toEqual(['entries.0.body.how']);
  });

  it('is refused with the field that is wrong', () => {
    expect(wrongFields(sent({ type: 'reading', quantity: 'ph', value: 2, by: 'meter' }))).toEqual([
      'entries.0.body.value',
    ]);
    expect(wrongFields(sent({ type: 'reading', quantity: 'tempC', value: 120, by: 'thermometer' }))).toEqual([
      'entries.0.body.value',
    ]);
    expect(wrongFields(sent({ type: 'reading', quantity: 'wheyG', value: -1, by: 'scale' }))).toEqual([
      'entries.0.body.value',
    ]);
    expect(wrongFields(sent({ type: 'dance' }))).toEqual(['entries.0.body.type']);
    expect(wrongFields(sent({ type: 'note', text: '' }))).toEqual(['entries.0.body.text']);
    expect(wrongFields(sent({ type: 'note', text: 'a' }, { id: 'short' }))).toEqual(['entries.0.id']);
    expect(wrongFields(sent({ type: 'note', text: 'a' }, { atMs: 5 }))).toEqual(['entries.0.atMs']);
    expect(wrongFields(sent({ type: 'note', text: 'a', more: 1 }))).toEqual(['entries.0.body.more']);
    expect(wrongFields({ entries: [] })).toEqual(['entries']);
  });

  it('never corrects with a correction', () => {
    expect(() =>
      check(entryBodySchema, {
        type: 'correction',
        replaces: ID,
        body: { type: 'correction', replaces: ID, body: null },
      }),
    ).toThrow();
  });
});
