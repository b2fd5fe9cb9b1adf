import { CULTURES } from '../constants/cultures.js';
import type { Case } from './case.js';
import type { Cause } from './cause.js';
import { CAUSES, type CauseId } from './causes.js';

/** A make of which nothing stands out. */
const PLAIN: Case = {
  culture: CULTURES.thermophilic,
  activity: null,
  dosePct: null,
  starterC: null,
  meanSetC: null,
  lethalC: null,
  denatured: 0.7,
  ultraHeated: false,
  proteinPct: 3.5,
  fatPct: 6,
  endPh: 4.6,
  targetPh: null,
  fellInCold: null,
  timeRatio: null,
  sugarGone: false,
  rennetImcuPerKg: 0,
  generation: null,
  generations: null,
  peakC: 90,
  acidC: null,
  solids: 0.21,
  wantedSolids: null,
  loadedC: null,
  weave: null,
  churnC: null,
  creamFatPct: null,
  churnFill: null,
  washed: null,
  lidOn: false,
  warmH: 12,
  starterDays: null,
  looksHeating: null,
  looksSetting: null,
  seen: {},
};
const OPT_C = CULTURES.thermophilic.growth.optC;

/** What of a make speaks for a cause, or against it: the sum of its weights. */
const weight = (id: CauseId, of: Partial<Case>) =>
  (CAUSES[id] as Cause).weigh({ ...PLAIN, ...of }).reduce((sum, e) => sum + e.weight, 0);

/**
 * Each figure of a cause at its two bounds: what speaks for it, what no longer does, what does not yet speak against it and what
 * does; and how much it weighs. Values are those of the field beside the cause.
 */
const BOUNDS: readonly (readonly [CauseId, (value: number) => Partial<Case>, readonly number[], number])[] = [
  ['deadStarter', (activity) => ({ activity }), [0.24, 0.25, 0.7, 0.71], 3],
  ['weakStarter', (activity) => ({ activity }), [0.64, 0.65, 0.9, 0.91], 1.5],
  ['killedStarter', (over) => ({ starterC: 55 + over, lethalC: 55 }), [-1, -1.01, -4, -4.01], 3],
  ['tooCold', (over) => ({ meanSetC: OPT_C + over }), [-6.01, -6, -3, -2.99], 2],
  ['tooHot', (over) => ({ meanSetC: OPT_C + over }), [1.51, 1.5, 0, -0.01], 2],
  ['lowDose', (dosePct) => ({ dosePct }), [1.49, 1.5, 2.49, 2.5], 1.2],
  ['bigDose', (dosePct) => ({ dosePct }), [5.01, 5, 3.5, 3.49], 1.5],
  ['manyGenerations', (share) => ({ generation: 10 * share, generations: 10 }), [1, 0.99, 0.6, 0.59], 1.8],
  ['stoppedEarly', (endPh) => ({ endPh, targetPh: 4.5 }), [4.66, 4.65, 4.56, 4.55], 2],
  ['tooLong', (timeRatio) => ({ timeRatio }), [1.26, 1.25, 1.1, 1.09], 1.5],
  ['overAcid', (endPh) => ({ endPh }), [4.19, 4.2, 4.4, 4.41], 2.5],
  ['cooledSlowly', (fellInCold) => ({ fellInCold }), [0.151, 0.15, 0.08, 0.079], 1.5],
  ['moved', (looksSetting) => ({ looksSetting }), [6, 5, 2, 1], 0.8],
  ['contamination', (warmH) => ({ warmH }), [20.1, 20, 10, 9.9], 1],
  ['underHeated', (denatured) => ({ denatured }), [0.49, 0.5, 0.85, 0.86], 2.5],
  ['lowProtein', (proteinPct) => ({ proteinPct }), [3.09, 3.1, 3.8, 3.81], 1.5],
  ['highFat', (fatPct) => ({ fatPct }), [8.1, 8, 5, 4.9], 1.5],
  ['renneted', (denatured) => ({ denatured, rennetImcuPerKg: 5 }), [0.41, 0.4, 0.15, 0.14], 2.5],
  ['muchRennet', (rennetImcuPerKg) => ({ rennetImcuPerKg }), [10.1, 10, 6, 5.9], 2],
  ['notStirred', (looksHeating) => ({ looksHeating }), [0, 1, 1, 2], 0.7],
  ['overHeated', (peakC) => ({ peakC }), [95.1, 95, 88, 87.9], 1.2],
  ['littleAcid', (endPh) => ({ endPh }), [5.91, 5.9, 5.6, 5.59], 2],
  ['acidTooCool', (acidC) => ({ acidC }), [81.9, 82, 84.9, 85], 2],
  ['acidRough', (acidC) => ({ acidC }), [93.1, 93, 88, 87.9], 1.2],
  ['overDrained', (over) => ({ solids: 0.5 + over, wantedSolids: 0.5 }), [0.0201, 0.0199, 0.0101, 0.0099], 2],
  ['loadedWarm', (loadedC) => ({ loadedC }), [25.1, 25, 12, 11.9], 1.5],
  ['churnedCold', (churnC) => ({ churnC }), [8.9, 9, 11, 11.1], 2],
  ['churnedWarm', (churnC) => ({ churnC }), [17.1, 17, 14, 13.9], 2],
  ['leanCream', (creamFatPct) => ({ creamFatPct }), [26.9, 27, 32, 32.1], 2],
  ['fullChurn', (churnFill) => ({ churnFill }), [0.51, 0.5, 0.42, 0.41], 2],
];

describe('what a figure says of a cause', () => {
  for (const [id, of, [speaksFor, notFor, notAgainst, against], much] of BOUNDS) {
    it(`speaks for it beyond one bound, against it beyond the other, of nothing between: ${id}`, () => {
      expect([speaksFor, notFor, notAgainst, against].map((value) => weight(id, of(value!)))).toEqual([
        much,
        0,
        0,
        -much,
      ]);
    });
  }

  it('of what is one way or the other weighs by which it is', () => {
    expect(weight('openWeave', { weave: 'open' })).toBe(2);
    expect(weight('openWeave', { weave: 'fine' })).toBe(-1.5);
    expect(weight('ropyCulture', { culture: CULTURES['room-yogurt'] })).toBe(1.5);
    expect(weight('ropyCulture', {})).toBe(-0.5);
    expect(weight('noSugar', { sugarGone: true })).toBe(3);
    expect(weight('ultraHeated', { ultraHeated: true })).toBe(2.5);
    expect(weight('unwashed', { washed: false })).toBe(2.5);
    expect(weight('closedEarly', { lidOn: true })).toBe(1);
    expect(weight('residue', { starterDays: 3, activity: 0.24 })).toBe(1.5);
    expect(weight('residue', { starterDays: 4, activity: 0.24 })).toBe(0);
  });
});
