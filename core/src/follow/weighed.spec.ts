import { methodById } from '../methods/index.js';
import { makeSheet } from '../make/sheet.js';
import { atMinute, logged, type Line } from '../testing/logged.js';
import { follow } from './follow.js';

const FEW = { members: 60, seed: 1, fanPoints: 2 };

/** A make as its sheet says it goes, until some minutes after its last stage began, with more lines, relative to stages. */
function made(methodId: string, choices: object, more: (begins: (id: string) => number) => readonly Line[]) {
  const { stages } = makeSheet(methodById(methodId), { ...choices }, FEW);
  const begins = (id: string) => stages.find((s) => s.id === id)!.beginMin;
  const steps = stages.slice(1).map((s) => [s.beginMin, s.id] as const);
  const batch = logged(methodId, { ...choices }, steps, more(begins));
  return follow(batch, atMinute(stages.at(-1)!.beginMin + 20), FEW);
}
const weighed = (min: number, quantity: 'wheyG' | 'asideG', value: number): Line => [
  min,
  { type: 'reading', quantity, value, by: 'scale' },
];
const finished = (min: number, more: object): Line =>
  [min, { type: 'finished', productG: 1500, wheyG: 2300, heldBackG: 100, score: null, ...more }] as Line;

describe('what was weighed of what runs off', () => {
  it('stands as it was weighed last, with what drained since', () => {
    const over = made('strained-yogurt', {}, (at) => [weighed(at('finish') - 1, 'wheyG', 2200)]);
    expect(over.weighedNow.wheyG).toBeGreaterThanOrEqual(2200);
    expect(over.weighedNow.wheyG).toBeLessThan(2220);
    const early = made('strained-yogurt', {}, (at) => [weighed(at('strain') + 30, 'wheyG', 700)]);
    expect(early.weighedNow.wheyG!).toBeGreaterThan(1200);
    expect(made('strained-yogurt', {}, () => []).weighedNow).toEqual({ wheyG: null, asideG: null });
  });

  it('less what was whisked back into the curd: that is counted once', () => {
    const drained = { texture: 'thick', stopping: 'overnight' };
    const whey = (back: number) =>
      made('strained-yogurt', drained, (at) => [
        weighed(at('whey-back') - 1, 'wheyG', 2400),
        [at('whey-back') + 1, { type: 'added', what: 'whey', massG: back }],
      ]).weighedNow.wheyG!;
    expect(whey(0.5) - whey(200)).toBeCloseTo(200, -1);
  });

  it('of butter is the buttermilk as it drained, whatever is worked out later', () => {
    const butter = made('cultured-butter', {}, (at) => [weighed(at('draw') + 5, 'wheyG', 500)]);
    expect(butter.weighedNow.wheyG).toBe(500);
  });
});

describe('what a finished make says', () => {
  it('of pots and left-overs is what was counted and weighed, not what was to come', () => {
    const ends = (more: object) => made('strained-yogurt', {}, (at) => [finished(at('finish') + 15, more)]).outcome;
    expect(ends({ pots: 7 }).label.pots).toBe(7);
    expect(ends({}).label.pots).toBe(Math.floor(1500 / ends({}).label.netG));
    expect(ends({}).byproducts.map((b) => [b.is, b.massG])).toEqual([
      ['whey', 2300],
      ['starter', 100],
    ]);
    const unweighed = ends({ wheyG: null, heldBackG: null }).byproducts[0]!.massG;
    expect(unweighed).toBeGreaterThan(1500);
  });
});
