import { english } from '@oat-crock/messages';
import { USUAL_ENVIRONMENT } from '../environment/environment.js';
import { referenceStock } from '../materials/reference-materials.js';
import { fractionOf, totalG } from '../materials/composition.js';
import { emptyCrock } from '../state/crock-state.js';
import { bought } from './bought.js';

const begun = (more: Partial<typeof bought.defaults>) =>
  bought.begin(emptyCrock(4, 6.65), { ...bought.defaults, ...more }, USUAL_ENVIRONMENT);

describe('what is taken already sour', () => {
  it('is as sour as it was said to be, and weighs what was weighed', () => {
    for (const ph of [3.9, 4.4, 4.7]) {
      const crock = begun({ massG: 1500, ph });
      expect(crock.ph).toBeCloseTo(ph, 1);
      expect(totalG(crock.masses)).toBeCloseTo(1500, 6);
    }
  });

  it('has less sugar the sourer it is, two galactose left for every four lactic acids of a yogurt', () => {
    const [mild, sharp] = [begun({ ph: 4.6 }), begun({ ph: 4 })];
    expect(sharp.masses.lactose).toBeLessThan(mild.masses.lactose);
    const molGalactose = sharp.masses.galactose / 180.16;
    expect(sharp.masses.lactic / 90.08 / molGalactose).toBeCloseTo(2, 2);
  });

  it('takes the acid of a cream out of what its label counts beside its sugar', () => {
    const cream = { ...referenceStock('soured-cream-36'), otherPct: 0.5 };
    const crock = begun({ is: 'sour cream', massG: 1000, cream });
    expect(crock.ph).toBeCloseTo(4.5, 1);
    expect(crock.masses.galactose).toBe(0);
    expect(fractionOf(crock.masses, 'lactic')).toBeGreaterThan(0.004);
    expect(crock.masses.lactose / 10).toBeCloseTo(2.5 - (100 * fractionOf(crock.masses, 'lactic') - 0.5), 1);
  });

  it('warns of raw milk where clabber was of it, and has its whey protein as it was before', () => {
    const warns = (raw: 'yes' | 'no') =>
      bought.cautions!({ ...bought.defaults, is: 'clabber', raw }, emptyCrock(4, 6.6))
        .map(english)
        .join(' ');
    expect(warns('yes')).toContain('Raw milk');
    expect(warns('no')).not.toContain('Raw milk');
    const [raw, heated] = [begun({ is: 'clabber', raw: 'yes' }), begun({ is: 'clabber', raw: 'no' })];
    expect(raw.native.betaLgA).toBeGreaterThan(heated.native.betaLgA);
    expect(begun({ is: 'clabber', ph: 4.5 }).ph).toBeCloseTo(4.5, 1);
  });

  it('sends sweet cream to be soured first, from where it is not sour on', () => {
    const problems = (freshPh: number) =>
      bought.problems(
        { ...bought.defaults, is: 'sour cream', cream: { ...referenceStock('cream-36'), freshPh } },
        emptyCrock(4, 6.6),
      );
    expect(problems(5.3)).toEqual([]);
    expect(problems(5.31)[0]!.works).toEqual({ from: 'cream' });
    expect(english(problems(6.6)[0]!.message)).toContain('still sweet');
  });
});
