import { logged, LOGGED_FROM_MS as FROM, type Line } from '../testing/logged.js';
import { GIVEN_AT } from '../learn/widths.js';
import { makeFiguresOf } from './make-figures.js';
import { untilMoment } from './until-moment.js';

const HANDS = [
  [9, 'heat'],
  [31, 'hold'],
  [46, 'cool'],
  [65, 'starter'],
  [71, 'warm'],
  [400, 'chill'],
] as const;
const ph = (minute: number, value: number, by: 'meter' | 'strip' = 'meter'): Line => [
  minute,
  { type: 'reading', quantity: 'ph', value, by },
];
const finished = (productG: number): Line => [
  900,
  { type: 'finished', productG, wheyG: null, heldBackG: 0, score: null, pots: 9 },
];
const CHOICES = { massG: 4000, targetPh: 4.6, potG: 400, milkPrice: 2 };
const FEW = { members: 60, seed: 1, fanPoints: 0 };
const make = (...more: readonly Line[]) => logged('scalded-yogurt', CHOICES, HANDS, more);

describe('what a make comes to', () => {
  it('is of what went in, what was weighed, and what was paid', () => {
    const figures = makeFiguresOf(make(finished(3600)), FEW)!;
    expect(figures.productG).toBe(3600);
    expect(figures.yieldPct).toBeCloseTo((100 * 3600) / figures.inG, 9);
    expect(figures.forecastG).toBeGreaterThan(3600);
    expect(figures.lostPct).toBeGreaterThan(5);
    expect(figures.perKg! * 3.6).toBeCloseTo(figures.outlay!, 6);
    expect(makeFiguresOf(make(), FEW)).toBeNull();
    expect(makeFiguresOf(make([900, { type: 'discarded', reason: 'spilt' }]), FEW)).toBeNull();
  });

  it('is ready when a meter crossed the aim, else when the next step was begun; a strip crosses nothing', () => {
    const soured = (...lines: readonly Line[]) => makeFiguresOf(make(...lines, finished(3900)), FEW)!.souredH!;
    expect(soured(ph(300, 4.8), ph(340, 4.4))).toBeCloseTo((320 - 71) / 60, 6);
    expect(soured()).toBeCloseTo((400 - 71) / 60, 1);
    expect(soured(ph(300, 4.8, 'strip'), ph(340, 4.4, 'strip'))).toBeCloseTo((400 - 71) / 60, 1);
    expect(soured(ph(300, 4.5))).toBeCloseTo((400 - 71) / 60, 1);
  });

  it('has windows from what was known at each moment, which later lines do not move', () => {
    const early = [ph(150, 6.1)] as const;
    const [a, b] = [
      makeFiguresOf(make(...early, ph(330, 4.7), ph(350, 4.5), finished(3900)), FEW)!,
      makeFiguresOf(
        make(...early, ph(330, 4.7), ph(350, 4.5), [880, { type: 'note', text: 'late' }], finished(3000)),
        FEW,
      )!,
    ];
    expect(a.given.map(({ by, share }) => [by, share])).toEqual(GIVEN_AT.map((share) => ['acidity', share]));
    expect(b.given).toEqual(a.given);
    for (const { p10H, p50H, p90H } of a.given) expect(p10H <= p50H && p50H <= p90H).toBeTrue();
    expect(a.given[0]!.aheadH).toBeCloseTo((340 - 71) / 60, 6);
  });
});

describe('a make until a moment', () => {
  it('has what was logged by then, at the moment itself too, and had not ended before its end', () => {
    const batch = make(ph(300, 4.8), finished(3900));
    const at = (minute: number) => untilMoment(batch, FROM + minute * 60_000);
    expect(at(300).readings.length).toBe(1);
    expect(at(299.99).readings.length).toBe(0);
    expect(at(71).steps.map((s) => s.stageId)).toEqual(['heat', 'hold', 'cool', 'starter', 'warm']);
    expect([at(899.99).ended, at(900).ended?.how]).toEqual([null, 'finished']);
  });
});
