import { english } from '@oat-crock/messages';
import {
  lotChoice,
  methodById,
  referenceStock,
  type Amount,
  type Gear,
  type Lot,
  type StockLot,
} from '@oat-crock/core';
import { newGear, newLot, ofReference } from '../larder/new-records';
import { fillOfOption, ownFills, stillFills, stocksNamed, takings, withOwnLots } from './own-things';
import type { OwnThings } from '../../state/own-larder';
import { readMethodFile } from './read-method-file';

const ID = (n: number) => `01J00000000000000000000${String(n).padStart(3, '0')}`;
const lot = (n: number, kind: Lot['kind'], more: object = {}): Lot =>
  ({ ...newLot(ID(n), kind, 1000), ...more }) as unknown as Lot;
const milk = (n: number, more: Partial<StockLot> = {}) =>
  lot(n, 'milk', { ...ofReference(referenceStock('whole')), amount: 5000, ...more });
const gear = (kind: Gear['kind'], more: Partial<Gear> = {}) => ({ ...newGear(ID(90), kind, kind), ...more }) as Gear;

function own(lots: readonly Lot[], gears: readonly Gear[] = [], more: Partial<OwnThings> = {}): OwnThings {
  return {
    lots,
    everyLot: Object.fromEntries(lots.map((item) => [item.id, { item }])),
    gear: gears,
    taken: [],
    today: '2026-05-02',
    ...more,
  };
}
const strained = methodById('strained-yogurt');
const choice = (key: string, method = strained) => method.groups.flatMap((g) => g.choices).find((c) => c.key === key)!;
const amount = (change: Partial<Amount>): Amount => ({
  what: 'It',
  massG: 100,
  volumeMl: 0,
  measure: null,
  pricedAs: 'own',
  stockId: null,
  lotId: null,
  outOf: null,
  ...change,
});

describe('a choice of milk', () => {
  it('offers one’s own before the list, what is to be used first leading, and nothing that is used up', () => {
    const things = own([
      milk(1, { name: 'Late', useBy: '2026-05-09' }),
      milk(2, { name: 'Soon', useBy: '2026-05-03' }),
      milk(3, { amount: 0 }),
    ]);
    const offered = withOwnLots(choice('milk'), things);
    if (offered.kind !== 'option') throw new Error('it is an option');
    expect(
      offered.options
        .slice(0, 3)
        .map((o) => o.label)
        .map(english),
    ).toEqual(['Soon', 'Late', 'Whole milk, 3.6 % fat']);
    expect(english(offered.options[0]!.why)).toContain('5.00 kg left, until Sun 3 May; 3.6 % fat');
  });

  it('keeps a lot that was taken away while it is chosen, and says so', () => {
    const gone = milk(1, { name: 'Gone' });
    const offered = withOwnLots(choice('milk'), own([], [], { everyLot: { [gone.id]: { item: gone } } }));
    expect(offered.kind === 'option' && offered.options.at(-1)!.label).toBe('Gone (taken away)');
    expect(stocksNamed({ milk: lotChoice(gone.id) }, { everyLot: { [gone.id]: { item: gone } } }).length).toBe(1);
  });

  it('brings its price along, where the method asks for one', () => {
    const things = own([milk(1, { price: 1.85 })]);
    expect(fillOfOption(strained, lotChoice(ID(1)), things)).toEqual({ milkPrice: 1.85 });
    expect(fillOfOption(strained, 'whole', things)).toBeNull();
  });
});

describe('things of one’s own beside a choice', () => {
  it('are offered only where the method takes what they say', () => {
    const things = own(
      [
        lot(5, 'acid', { name: 'Lemons', agent: 'lemon', strengthPct: 5.1, price: 5 }),
        lot(6, 'cloth', { name: 'Muslin', weave: 'open' }),
      ],
      [
        gear('pot', { holdsL: 7 }),
        gear('thermostat', { learned: { holdsC: { value: 42.1, sd: 0.2, atMs: 1 } } }),
        gear('pot', { holdsL: 500 }),
      ],
    );
    const fills = ownFills(strained, things);
    expect([...fills.keys()].sort()).toEqual(['keeper', 'vesselL', 'weave']);
    expect(fills.get('vesselL')!.length).toBe(1);
    expect(fills.get('keeper')![0]!.choices).toEqual({ keeper: 'thermostat', keepC: 42 });
    const curd = ownFills(methodById('acid-heat-curd'), things).get('agent')![0]!;
    expect(curd.choices).toEqual({ agent: 'lemon', acidPct: 5.1, acidPrice: 5 });
    expect(stillFills(curd, { agent: 'lemon', acidPct: 5.1, acidPrice: 5, more: 1 })).toBeTrue();
    expect(stillFills(curd, { agent: 'vinegar', acidPct: 5.1, acidPrice: 5 })).toBeFalse();
    const jar = { id: 'jar', label: 'Jar', choices: { form: 'active', ageDays: 3, vigourPct: 98 } };
    expect(stillFills(jar, { form: 'active', ageDays: 4, vigourPct: 91 })).toBeTrue();
    expect(stillFills(jar, { form: 'freeze-dried', ageDays: 3, vigourPct: 98 })).toBeFalse();
  });
});

describe('what a make takes out of the larder', () => {
  it('is what its choices name, what it was filled in from, and salt of what there is', () => {
    const things = own([milk(1), lot(2, 'acid'), lot(3, 'acid'), lot(4, 'salt')]);
    const amounts = [
      amount({ massG: 4000, lotId: ID(1) }),
      amount({ massG: 60, outOf: 'acid' }),
      amount({ massG: 9, outOf: 'salt' }),
      amount({ massG: 100 }),
    ];
    expect(takings(amounts, { agent: ID(3) }, things)).toEqual([
      { lotId: ID(1), massG: 4000 },
      { lotId: ID(3), massG: 60 },
      { lotId: ID(4), massG: 9 },
    ]);
    expect(takings([amount({ outOf: 'acid' })], {}, things)).toEqual([]);
  });
});

describe('a method file', () => {
  const file = (change: object = {}) => JSON.stringify({ oatCrock: 'method', version: 1, method: strained, ...change });

  it('is read back as it was written', async () => {
    const read = await readMethodFile(file());
    expect(read.ok && read.method).toEqual(strained);
  });

  it('that is none is refused in sentences, naming the field', async () => {
    const errors = async (text: string) => {
      const read = await readMethodFile(text);
      return read.ok ? [] : read.errors;
    };
    expect((await errors('soup'))[0]).toContain('not JSON');
    expect((await errors(file({ version: 7 })))[0]).toContain('version');
    const levitates = { ...strained, stages: [{ id: 'a', kind: 'levitate', params: {} }] };
    expect((await errors(file({ method: levitates })))[0]).toContain('stages.0.kind');
    expect((await errors(JSON.stringify({}))).length).toBeGreaterThan(1);
  });
});
