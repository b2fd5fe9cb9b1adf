import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { lastOf, runStage } from '../make/run.js';
import { totalG } from '../materials/composition.js';
import { balanceErrorPct, bodyWord, emptyCrock, type CrockState } from '../state/crock-state.js';
import { bind } from './registry.js';
import { english } from '@oat-crock/messages';

const run = (kind: string, params: object, from: CrockState) =>
  lastOf(runStage(bind({ id: kind, kind, params: { ...params } }), from, USUAL_ENVIRONMENT));
const CREAM = run('blend', { massG: 1500, fatPct: 42, cream: 'cream-48', vesselL: 3 }, emptyCrock(4, 6.65));
const HOT = run('heat', { targetC: 80 }, CREAM);

describe('scalded cream', () => {
  it('loses 3–15 % as vapour in a night under its crust, more in a shallower pan', () => {
    const lost = (depthCm: number) => run('scald-cream', { hours: 11, depthCm }, HOT).evaporatedG / 1500;
    expect(lost(5)).toBeGreaterThan(0.03);
    expect(lost(5)).toBeLessThan(0.15);
    expect(lost(3)).toBeGreaterThan(lost(6));
  });

  it('parts into a crust of 55–65 % fat and thin cream, nothing lost', () => {
    const scalded = run('scald-cream', { hours: 11 }, HOT);
    const lifted = run('lift', { scaldedH: 11 }, run('chill', { holdBackPct: 0 }, scalded));
    expect(lifted.masses.fat / totalG(lifted.masses)).toBeCloseTo(0.6, 6);
    expect(totalG(lifted.masses) + totalG(lifted.aside)).toBeCloseTo(totalG(scalded.masses), 6);
    expect(balanceErrorPct(lifted)).toBeLessThan(1e-9);
    expect(english(bodyWord(lifted))).toBe('stands');
    const drained = run('lift', { scaldedH: 11, how: 'drain' }, scalded);
    expect(totalG(drained.masses)).toBeGreaterThan(totalG(lifted.masses));
  });

  it('is not simmered', () => {
    const { kind, params } = bind({ id: 's', kind: 'scald-cream', params: { keepC: 94 } });
    expect(kind.problems(params, HOT)[0]!.field).toBe('scaldC');
  });
});

describe('cream thickened by acid', () => {
  const acid = { targetPh: 5.7, into: 'thick cream' };

  it('does not part, and hardly drains', () => {
    const thick = run('acidify', acid, run('cool', { targetC: 65, method: 'covered' }, HOT));
    expect(thick.ph).toBeCloseTo(5.7, 6);
    expect(english(bodyWord(thick))).toBe('spoons');
    const drained = run('strain', { method: 'flat', share: 0.93 }, run('cool', { targetC: 20 }, thick));
    expect(totalG(drained.whey) / totalG(thick.masses)).toBeLessThan(0.12);
  });

  it('takes 15–40 mL of lemon juice a litre', () => {
    const { kind, params } = bind({ id: 'a', kind: 'acidify', params: acid });
    const [juice] = kind.weighIn!(params, HOT);
    const mlPerLitre = juice!.massG / juice!.gPerMl / 1.5;
    expect(mlPerLitre).toBeGreaterThan(15);
    expect(mlPerLitre).toBeLessThan(40);
  });

  it('wants milk that is not sour already', () => {
    const { kind, params } = bind({ id: 'a', kind: 'acidify', params: {} });
    expect(kind.problems(params, { ...HOT, tempC: 90, ph: 4.6 })[0]!.field).toBe('milk');
  });
});

describe('buttermilk', () => {
  it('takes no more fat with it than there is, however lean what was churned', () => {
    for (const share of [0, 0.02]) {
      const lean = { ...CREAM, masses: { ...CREAM.masses, fat: share * totalG(CREAM.masses) } };
      const drawn = run('draw', {}, lean);
      expect(drawn.whey.fat).toBe(0);
      expect(drawn.masses.fat).toBe(lean.masses.fat);
    }
  });
});
