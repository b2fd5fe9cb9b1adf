import fc from 'fast-check';
import type { Entry, EntryBody } from '../batch/entry.js';
import { replay } from '../batch/replay.js';
import { massBalanceOf } from './mass-balance.js';

const BATCH = '01J0000000000000000000000A';

function made(choices: object, ...bodies: readonly EntryBody[]) {
  const all: readonly EntryBody[] = [
    { type: 'started', methodId: 'strained-yogurt', choices: { ...choices }, name: 'Pots' },
    ...bodies,
  ];
  return replay(all.map((body, i): Entry => ({ id: `E${i}`, batchId: BATCH, atMs: 1000 * i, source: 'hand', body })))!;
}
const finished = (productG: number, wheyG: number | null, heldBackG: number): EntryBody => ({
  type: 'finished',
  productG,
  wheyG,
  heldBackG,
  score: null,
  pots: 12,
});

describe('where all that went in is', () => {
  it('adds up to the gram, whatever was weighed', () => {
    const weight = fc.integer({ min: 0, max: 5000 });
    fc.assert(
      fc.property(weight, fc.option(weight), weight, fc.integer({ min: 0, max: 12 }), (product, whey, held, pots) => {
        const out: EntryBody[] = pots > 0 ? [{ type: 'issued', how: 'sold', pots, to: 'The quay' }] : [];
        const b = massBalanceOf(made({ massG: 8000 }, finished(product, whey, held), ...out))!;
        expect(b.productG + b.wheyG + b.heldBackG + b.restG).toBeCloseTo(b.inG, 6);
        expect(b.here + (b.out.get('sold') ?? 0)).toBe(12);
      }),
      { numRuns: 20 },
    );
  });

  it('is milk and starter that went in, and one for each who got some however the name is written', () => {
    const batch = made(
      { massG: 8000, dosePct: 2.5 },
      finished(3000, 4900, 200),
      { type: 'issued', how: 'sold', pots: 4, to: 'The quay' },
      { type: 'issued', how: 'sold', pots: 2, to: ' the Quay' },
      { type: 'issued', how: 'given', pots: 1, to: 'Runa' },
      { type: 'issued', how: 'eaten', pots: 1 },
    );
    const balance = massBalanceOf(batch)!;
    expect(balance.inG).toBeCloseTo(8200, 0);
    expect(balance.restG).toBeCloseTo(100, 0);
    expect([balance.receivers, balance.here]).toEqual([2, 4]);
  });

  it('is not said of what is on or was discarded', () => {
    expect(massBalanceOf(made({}))).toBeNull();
    expect(massBalanceOf(made({}, { type: 'discarded', reason: 'gas' }))).toBeNull();
  });
});
