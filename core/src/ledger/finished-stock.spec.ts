import { english } from '@oat-crock/messages';
import fc from 'fast-check';
import type { Entry, EntryBody } from '../batch/entry.js';
import { replay } from '../batch/replay.js';
import { finishedStockOf, issuedBy } from './finished-stock.js';
import { correctedProblem, movementProblem } from './movement-problem.js';

const BATCH = '01J0000000000000000000000A';
const idOf = (n: number) => `01J00000000000000000000${String(n).padStart(3, '0')}`;
const STARTED: EntryBody = { type: 'started', methodId: 'scalded-yogurt', choices: {}, name: 'Quay pots' };
const FINISHED = { type: 'finished', productG: 3600, wheyG: null, heldBackG: null, score: null } as const;
const TEN_POTS: EntryBody = { ...FINISHED, pots: 9, useBy: '2026-05-24', openDays: 4 };

function made(...bodies: readonly EntryBody[]) {
  const entries = [STARTED, ...bodies].map((body, i): Entry => ({
    id: idOf(i),
    batchId: BATCH,
    atMs: 1000 * i,
    source: 'hand',
    body,
  }));
  return replay(entries)!;
}
const issued = (pots: number, how: 'sold' | 'eaten' | 'thrown' = 'sold') => ({ type: 'issued', how, pots }) as const;
const stored = (where: 'cold' | 'frozen', pots: number) => ({ type: 'stored', where, pots }) as const;

describe('what was made and is still here', () => {
  it('is what was finished less what went out, and nothing while it is on or once it was discarded', () => {
    expect(finishedStockOf(made())).toBeNull();
    expect(finishedStockOf(made({ type: 'discarded', reason: 'gas' }))).toBeNull();
    const stock = finishedStockOf(made(TEN_POTS, issued(4), issued(2, 'eaten')))!;
    expect([stock.unit, stock.made, stock.left, stock.eachG, stock.useBy, stock.openDays]).toEqual([
      'pots',
      9,
      3,
      400,
      '2026-05-24',
      4,
    ]);
    expect(stock.place).toBeNull();
    const moved = made(
      TEN_POTS,
      { type: 'placed', place: 'lower shelf' },
      { type: 'placed', place: 'the inn’s cold room' },
    );
    expect(finishedStockOf(moved)!.place).toBe('the inn’s cold room');
    expect([...issuedBy(stock)]).toEqual([
      ['sold', 4],
      ['eaten', 2],
    ]);
  });

  it('is counted in grams where nothing was filled', () => {
    const batch = made(FINISHED, { type: 'issued', how: 'used', massG: 600 });
    expect(finishedStockOf(batch)).toEqual(jasmine.objectContaining({ unit: 'g', made: 3600, left: 3000, eachG: 1 }));
    expect(english(movementProblem(batch, issued(1))!.message)).toBe('It is counted in grams.');
  });

  it('is the sum of its lines whatever order they come in, and however often a line is sent', () => {
    const moves = fc.array(
      fc.oneof(
        fc.record({ how: fc.constantFrom('sold', 'eaten', 'thrown'), pots: fc.integer({ min: 1, max: 4 }) }),
        fc.record({ where: fc.constantFrom('cold', 'frozen'), pots: fc.integer({ min: 1, max: 4 }) }),
      ),
      { maxLength: 12 },
    );
    fc.assert(
      fc.property(moves, fc.func(fc.integer()), (drawn, order) => {
        const bodies = drawn.map((d) => ({ type: 'how' in d ? 'issued' : 'stored', ...d }) as EntryBody);
        // As the door lets them in: none that something stands against.
        let kept: EntryBody[] = [TEN_POTS];
        for (const body of bodies) if (movementProblem(made(...kept), body as never) === null) kept = [...kept, body];
        const batch = made(...kept);
        const stock = finishedStockOf(batch)!;
        const out = [...issuedBy(stock).values()].reduce((a, b) => a + b, 0);
        expect(stock.left).toBe(9 - out);
        expect(stock.left).toBeGreaterThanOrEqual(0);
        expect(stock.frozen).toBeGreaterThanOrEqual(0);
        expect(stock.frozen).toBeLessThanOrEqual(stock.left);
        const entries = batch.log.map((l) => l.entry);
        const shuffled = [...entries, ...entries].sort((a, b) => order(a.id) - order(b.id));
        expect(finishedStockOf(replay(shuffled)!)).toEqual(stock);
      }),
    );
  });

  it('comes out of the cold before it comes out of the frost', () => {
    const frozen = (...bodies: EntryBody[]) => finishedStockOf(made(TEN_POTS, stored('frozen', 5), ...bodies))!.frozen;
    expect(frozen()).toBe(5);
    expect(frozen(issued(4))).toBe(5);
    expect(frozen(issued(5))).toBe(4);
    expect(frozen(stored('cold', 2))).toBe(3);
  });
});

describe('what may go out', () => {
  it('is as many as are here, and not one more', () => {
    const batch = made(TEN_POTS, issued(6));
    expect(movementProblem(batch, issued(3))).toBeNull();
    const problem = movementProblem(batch, issued(4))!;
    expect([problem.field, english(problem.message)]).toEqual(['body.pots', 'Only 3 pots left of it.']);
    expect(english(movementProblem(made(TEN_POTS, issued(9)), issued(1))!.message)).toContain('Nothing of it');
    expect(movementProblem(batch, stored('frozen', 3))).toBeNull();
    expect(movementProblem(batch, stored('frozen', 4))).not.toBeNull();
    expect(movementProblem(batch, stored('cold', 1))).not.toBeNull();
  });

  it('is nothing of what is on, and of what is held only what is thrown away', () => {
    expect(english(movementProblem(made(), issued(1))!.message)).toContain('is not finished');
    const held = made(TEN_POTS, { type: 'held', by: 'Runa', reason: 'smells of yeast' });
    expect(english(movementProblem(held, issued(1))!.message)).toBe('Quay pots is held: smells of yeast');
    expect(movementProblem(held, issued(9, 'thrown'))).toBeNull();
    expect(movementProblem(held, stored('frozen', 2))).toBeNull();
  });

  it('stays so when a line is corrected: what was made can be counted down to what went out, and no further', () => {
    const corrected = (pots: number) =>
      made(TEN_POTS, issued(6), { type: 'correction', replaces: idOf(1), body: { ...FINISHED, pots } });
    expect(correctedProblem(corrected(6))).toBeNull();
    expect(english(correctedProblem(corrected(5))!.message)).toBe(
      'Then 1 pot more would have gone out than were made.',
    );
    const undone = made(TEN_POTS, issued(6), { type: 'correction', replaces: idOf(1), body: null });
    expect(english(correctedProblem(undone)!.message)).toBe('Some of it went out already.');
  });
});
