import fc from 'fast-check';
import type { Entry, EntryBody } from '../batch/entry.js';
import { replay, type Batch } from '../batch/replay.js';
import type { Lot } from '../lots/lot.js';
import { receiverId, recalled, traceOf, type Traced } from './trace.js';

const FINISHED = { type: 'finished', productG: 3600, wheyG: null, heldBackG: null, score: null, pots: 9 } as const;

function make(id: string, ...bodies: readonly EntryBody[]): Batch {
  const all: readonly EntryBody[] = [
    { type: 'started', methodId: 'scalded-yogurt', choices: {}, name: `Make ${id}`, gear: ['POT'] },
    ...bodies,
  ];
  return replay(all.map((body, i): Entry => ({ id: `${id}${i}`, batchId: id, atMs: 1000 * i, source: 'hand', body })))!;
}
const took = (lotId: string, massG: number) => ({ type: 'took', lotId, massG }) as const;
const sold = (to: string, pots: number) => ({ type: 'issued', how: 'sold', pots, to }) as const;
const lot = (id: string, more: object = {}) =>
  ({ id, kind: 'milk', name: `Lot ${id}`, amount: 500, ...more }) as unknown as Lot;

/** Evening milk went into two makes; the jar that the first held back soured the third, whose pots went out as well. */
const DAIRY: Traced = {
  batches: [
    make('A', took('MILK', 4000), FINISHED, sold('The quay', 3), sold('the quay ', 1)),
    make('B', took('MILK', 2000), FINISHED, sold('The inn', 9)),
    make('C', took('OTHER', 4000), took('JAR', 60), FINISHED, sold('The school', 5)),
  ],
  lots: [lot('MILK'), lot('OTHER'), lot('JAR', { kind: 'culture', from: 'A', parents: [] })],
  gear: [{ id: 'POT', kind: 'pot', name: 'Big pot' } as never],
};
const names = (id: string) =>
  traceOf(id, DAIRY)
    .nodes.map((n) => `${n.level} ${n.name}`)
    .sort();

describe('a trace', () => {
  it('goes back to what was bought and on to who got it, and leaves out what only shares an ancestor', () => {
    expect(names('A')).toEqual([
      '-1 Big pot',
      '-1 Lot MILK',
      '0 Make A',
      '1 Lot JAR',
      '1 The quay',
      '2 Make C',
      '3 The school',
    ]);
    expect(names('C')).toEqual([
      '-1 Big pot',
      '-1 Lot JAR',
      '-1 Lot OTHER',
      '-2 Make A',
      '-3 Lot MILK',
      '0 Make C',
      '1 The school',
    ]);
    expect(names('MILK')).toContain('1 Make B');
    expect(names(receiverId('the Inn'))).toEqual(['-1 Make B', '-2 Big pot', '-2 Lot MILK', '0 The inn']);
    expect(traceOf('nothing', DAIRY)).toEqual({ nodes: [], links: [] });
  });

  it('says how much, all lines between two things together', () => {
    const { links } = traceOf('A', DAIRY);
    const between = (from: string, to: string) => links.find((l) => l.from === from && l.to === to)!;
    expect(between('MILK', 'A').massG).toBe(4000);
    expect(between('A', receiverId('The quay')).pots).toBe(4);
    expect(between('POT', 'A').massG).toBeNull();
  });

  it('ends, whatever circle a kitchen draws, with each thing once', () => {
    const ids = ['a', 'b', 'c', 'd', 'e'];
    const arrows = fc.array(fc.tuple(fc.constantFrom(...ids), fc.constantFrom(...ids)), { maxLength: 20 });
    fc.assert(
      fc.property(arrows, (drawn) => {
        const lots = ids.map((id) =>
          lot(id, { kind: 'culture', parents: drawn.filter(([, to]) => to === id).map(([from]) => from) }),
        );
        const { nodes, links } = traceOf('a', { batches: [], lots, gear: [] });
        expect(new Set(nodes.map((n) => n.id)).size).toBe(nodes.length);
        const known = new Set(nodes.map((n) => n.id));
        expect(links.every((l) => known.has(l.from) && known.has(l.to))).toBeTrue();
      }),
    );
  });
});

describe('a recall', () => {
  it('of a milk names every make it is in, what of each is here, and everybody who got some', () => {
    const { makes, receivers } = recalled('MILK', DAIRY);
    expect(makes.map(({ batch, left }) => [batch.id, left])).toEqual([
      ['A', 5],
      ['B', 0],
      ['C', 4],
    ]);
    expect(receivers.map((r) => [r.name, r.pots])).toEqual([
      ['The quay', 4],
      ['The inn', 9],
      ['The school', 5],
    ]);
  });

  it('of another milk leaves what it is not in alone', () => {
    const { makes, receivers } = recalled('OTHER', DAIRY);
    expect(makes.map(({ batch }) => batch.id)).toEqual(['C']);
    expect(receivers).toEqual([{ name: 'The school', makes: ['Make C'], pots: 5 }]);
  });
});
