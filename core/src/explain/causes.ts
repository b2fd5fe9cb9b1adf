import { figure, looked, one, pct, said, setC, unfolded, vigour, type Evidence } from './evidence.js';
import type { Case } from './case.js';

/** A cause of a fault: what it is, what would mend it next time, and what of a batch speaks for or against it. */
export interface Cause {
  readonly says: string;
  readonly next: string;
  readonly weigh: (c: Case) => readonly Evidence[];
}

/** Every cause, by its name in the table of faults. */
export const CAUSES = {
  deadStarter: {
    says: 'The starter was dead or nearly so: too old, or frozen too long.',
    next: 'Start from a fresh culture.',
    weigh: (c) => vigour(c, 0.25, 0.7, 3),
  },
  weakStarter: {
    says: 'The starter was weak.',
    next: 'Take a younger starter, or a bigger dose.',
    weigh: (c) => vigour(c, 0.65, 0.9, 1.5),
  },
  killedStarter: {
    says: 'The starter went in too hot and was killed.',
    next: 'Let the milk cool to a degree or two above the keeping temperature first.',
    weigh: (c) =>
      figure(
        c.starterC !== null && c.lethalC !== null ? c.starterC - c.lethalC : null,
        (over) => over >= -1,
        (over) => over < -4,
        () => `It went in at ${one(c.starterC!)} °C; ${one(c.lethalC!)} °C kills it.`,
        3,
      ),
  },
  tooCold: {
    says: 'It was kept too cold.',
    next: 'Keep it warmer, or measure what the warm place really holds.',
    weigh: (c) =>
      setC(
        c,
        (over) => over < -6,
        (over) => over > -3,
      ),
  },
  tooHot: {
    says: 'It was kept too hot.',
    next: 'Keep it a few degrees cooler: slower, firmer, less whey.',
    weigh: (c) =>
      setC(
        c,
        (over) => over > 1.5,
        (over) => over < 0,
      ),
  },
  residue: {
    says: 'Something in the milk or the pot stopped the culture: antibiotic, or sanitiser not rinsed away.',
    next: 'Rinse with boiling water after any sanitiser; try another milk.',
    weigh: (c) => (c.vitality !== null && c.vitality > 0.7 ? [said(-2, 'The culture worked as it should.')] : []),
  },
  noSugar: {
    says: 'There was too little sugar for the culture.',
    next: 'Add a spoon of sugar, or take a milk that has its lactose.',
    weigh: (c) => [c.sugarGone ? said(3, 'It had used up its sugar.') : said(-1.5, 'There was sugar left in the end.')],
  },
  underHeated: {
    says: 'The milk was heated too little.',
    next: 'Heat it to 85 °C and hold it a quarter of an hour.',
    weigh: unfolded,
  },
  lowProtein: {
    says: 'There was little protein in the milk.',
    next: 'Add a little milk powder, or strain it.',
    weigh: (c) =>
      figure(
        c.proteinPct,
        (p) => p < 3.1,
        (p) => p > 3.8,
        (p) => `The milk had ${one(p)} % protein.`,
        1.5,
      ),
  },
  lowDose: {
    says: 'The dose was small.',
    next: 'Take 2 to 3 % starter.',
    weigh: (c) =>
      figure(
        c.dosePct,
        (d) => d < 1.5,
        (d) => d >= 2.5,
        (d) => `The dose was ${one(d)} %.`,
        1.2,
      ),
  },
  bigDose: {
    says: 'There was much starter.',
    next: 'Take 2 to 3 % starter.',
    weigh: (c) =>
      figure(
        c.dosePct,
        (d) => d > 5,
        (d) => d < 3.5,
        (d) => `The dose was ${one(d)} %.`,
        1.5,
      ),
  },
  stoppedEarly: {
    says: 'It was stopped early.',
    next: 'Leave it until it leaves the wall; let the forecast tell you when.',
    weigh: (c) =>
      figure(
        c.endPh,
        (ph) => ph > Math.max(4.65, (c.targetPh ?? 4.6) + 0.1),
        (ph) => ph <= 4.55,
        (ph) => `It ended at pH ${ph.toFixed(2)}.`,
      ),
  },
  tooLong: {
    says: 'It was left too long.',
    next: 'Chill it as soon as it is as sour as you like it.',
    weigh: (c) =>
      figure(
        c.timeRatio,
        (r) => r > 1.25,
        (r) => r < 1.1,
        (r) => `It soured ${one(r)} times as long as it needed.`,
        1.5,
      ),
  },
  overAcid: {
    says: 'It went too sour.',
    next: 'Stop it at pH 4.5 and chill it at once.',
    weigh: (c) =>
      figure(
        c.endPh,
        (ph) => ph < 4.2,
        (ph) => ph > 4.4,
        (ph) => `It ended at pH ${ph.toFixed(2)}.`,
        2.5,
      ),
  },
  cooledSlowly: {
    says: 'It cooled slowly and went on souring.',
    next: 'Chill smaller pots, or stand them in cold water first.',
    weigh: (c) =>
      figure(
        c.fellInCold,
        (f) => f > 0.15,
        (f) => f < 0.08,
        (f) => `After it was taken out its pH fell by another ${f.toFixed(2)}.`,
        1.5,
      ),
  },
  moved: {
    says: 'It was stirred or moved while it set.',
    next: 'Put it where it can stay until it has set.',
    weigh: () => [],
  },
  ropyCulture: {
    says: 'The culture is a ropy one, by nature.',
    next: 'Stir it smooth, or take another culture.',
    weigh: (c) => [
      c.culture?.id === 'room-yogurt' ? said(1.5, 'Many heirlooms are.') : said(-0.5, 'Few of this kind are.'),
    ],
  },
  lumpySlurry: {
    says: 'The starter was not dispersed.',
    next: 'Stir it smooth with a little of the milk first.',
    weigh: (c) => looked(c, 'slurry', { lumpy: 2.5, 'a few': 1, smooth: -2 }, 'The starter slurry was'),
  },
  heatedUnevenly: {
    says: 'It was heated unevenly or too fast.',
    next: 'Use a water bath or a low steady hob, and stir along the bottom.',
    weigh: (c) => looked(c, 'bottom', { scorched: 2, 'a film': 1, clean: -1.5 }, 'The bottom of the pot was'),
  },
  highFat: {
    says: 'It is rich: fat softens the tang.',
    next: 'Sour it a little further.',
    weigh: (c) =>
      figure(
        c.fatPct,
        (f) => f > 8,
        (f) => f < 5,
        (f) => `It has ${one(f)} % fat.`,
        1.5,
      ),
  },
  contamination: {
    says: 'Something else has grown in it. Discard it; never taste it.',
    next: 'Boil cloths five minutes, scald vessels, begin with a fresh culture.',
    weigh: () => [],
  },
  littleAcid: {
    says: 'There was too little acid.',
    next: 'Add more, a spoon at a time, until the whey is clear.',
    weigh: (c) => [
      ...figure(
        c.endPh,
        (ph) => ph > 5.9,
        (ph) => ph < 5.6,
        (ph) => `It came to pH ${ph.toFixed(2)}.`,
      ),
      ...looked(c, 'clarity', { milky: 2, cloudy: 1, clear: -2, greenish: -2 }, 'The whey was'),
    ],
  },
  weakAcid: {
    says: 'The acid was weaker than it should be.',
    next: 'Measure its strength once, or go by the clear whey alone.',
    weigh: (c) => looked(c, 'clarity', { milky: 1.5, cloudy: 0.5, clear: -2, greenish: -2 }, 'The whey was'),
  },
  acidTooCool: {
    says: 'The milk was too cool for the acid to part it.',
    next: 'Have it at 85 °C or more when the acid goes in.',
    weigh: (c) =>
      figure(
        c.acidC,
        (t) => t < 82,
        (t) => t >= 85,
        (t) => `The acid went in at ${one(t)} °C.`,
      ),
  },
  ultraHeated: {
    says: 'The milk was ultra-heated.',
    next: 'Take ordinary pasteurised milk.',
    weigh: (c) => [c.ultraHeated ? said(2.5, 'It was.') : said(-2, 'It was not.')],
  },
  overDrained: {
    says: 'It was drained too long.',
    next: 'Whisk some whey back; next time stop by the scale.',
    weigh: (c) =>
      figure(
        c.wantedSolids === null ? null : c.solids - c.wantedSolids,
        (over) => over > 0.02,
        (over) => over < 0.01,
        () => `It has ${pct(c.solids)} solids; ${pct(c.wantedSolids!)} was wanted.`,
      ),
  },
  openWeave: {
    says: 'The weave is too open, or there was one layer of it.',
    next: 'Double the cloth.',
    weigh: () => [],
  },
  loadedWarm: {
    says: 'It went on the cloth warm.',
    next: 'Chill it through first.',
    weigh: () => [],
  },
  churnedCold: {
    says: 'The cream was too cold.',
    next: 'Temper it to 10 to 14 °C.',
    weigh: (c) =>
      figure(
        c.churnC,
        (t) => t < 9,
        (t) => t > 11,
        (t) => `It was churned at ${one(t)} °C.`,
      ),
  },
  churnedWarm: {
    says: 'It was churned too warm.',
    next: 'Churn it at 10 to 14 °C.',
    weigh: (c) =>
      figure(
        c.churnC,
        (t) => t > 17,
        (t) => t < 14,
        (t) => `It was churned at ${one(t)} °C.`,
      ),
  },
  leanCream: {
    says: 'The cream had too little fat.',
    next: 'Take cream of 30 % or more.',
    weigh: (c) =>
      figure(
        c.creamFatPct,
        (f) => f < 27,
        (f) => f > 32,
        (f) => `The cream had ${one(f)} % fat.`,
      ),
  },
  fullChurn: {
    says: 'The vessel was too full.',
    next: 'Fill it no more than half.',
    weigh: () => [],
  },
  overWorked: {
    says: 'It was worked too much.',
    next: 'Stop when no more drops come.',
    weigh: (c) => looked(c, 'butter', { greasy: 1.5, waxy: -1, wet: -1.5 }, 'The butter was'),
  },
  unwashed: {
    says: 'Buttermilk was left in it.',
    next: 'Wash it until the water runs clear.',
    weigh: (c) => [
      ...(c.washed === null ? [] : [c.washed ? said(-1.5, 'It was washed.') : said(2.5, 'It was only pressed.')]),
      ...looked(c, 'wash', { milky: 2, cloudy: 1, clear: -2 }, 'The last wash water was'),
    ],
  },
  hotBottom: {
    says: 'The bottom was too hot.',
    next: 'A lower flame, a thicker pot, or a water bath.',
    weigh: (c) => looked(c, 'bottom', { scorched: 1.5, 'a film': 1, clean: -2 }, 'The bottom of the pot was'),
  },
  notStirred: {
    says: 'The stirring stopped.',
    next: 'Stir along the bottom until it is hot.',
    weigh: () => [],
  },
  closedEarly: {
    says: 'It was closed before it had cooled.',
    next: 'Leave the lid ajar until it is at the room’s warmth.',
    weigh: (c) => [c.lidOn ? said(1, 'The lid was on while it was hot.') : said(-1, 'The lid was off.')],
  },
} as const satisfies Readonly<Record<string, Cause>>;

export type CauseId = keyof typeof CAUSES;
