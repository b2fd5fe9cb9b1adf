import type { Cause } from './cause.js';
import { figure, looked, one, said, setC, activity } from './evidence.js';
import { sayNumber } from '../stages/words.js';

/** A starter so young (days) is hardly ever dead of itself. */
const YOUNG_DAYS = 3;

/** Causes in the culture, its warmth and its time. */
export const OF_SOURING = {
  deadStarter: {
    says: 'The starter was dead or nearly so: too old, or frozen too long.',
    next: 'Start from a fresh culture.',
    weigh: (c) => activity(c, 0.25, 0.7, 3),
  },
  weakStarter: {
    says: 'The starter was weak.',
    next: 'Take a younger starter, or a bigger dose.',
    weigh: (c) => activity(c, 0.65, 0.9, 1.5),
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
    weigh: (c) => {
      if (c.activity === null || c.starterDays === null) return [];
      if (c.activity > 0.7) return [said(-2, 'The culture worked as it should.')];
      const young = c.starterDays <= YOUNG_DAYS && c.activity < 0.25;
      return young
        ? [said(1.5, `A starter ${c.starterDays === 1 ? 'a day' : `${c.starterDays} days`} old, and it hardly worked.`)]
        : [];
    },
  },
  noSugar: {
    says: 'There was too little sugar for the culture.',
    next: 'Add a spoon of sugar, or take a milk that has its lactose.',
    weigh: (c) => [c.sugarGone ? said(3, 'It had used up its sugar.') : said(-1.5, 'There was sugar left in the end.')],
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
  manyGenerations: {
    says: 'The starter has been carried on too often: its balance has drifted, sourer and slower.',
    next: 'Begin a new line from a fresh culture.',
    weigh: (c) =>
      figure(
        c.generation === null || c.generations === null ? null : c.generation / c.generations,
        (share) => share >= 1,
        (share) => share < 0.6,
        () => `It was carried on ${sayNumber(c.generation!, 0)} times; ${c.generations} are advised.`,
        1.8,
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
    weigh: (c) =>
      figure(
        c.looksSetting,
        (n) => n > 5,
        (n) => n < 2,
        (n) => `It was looked at ${n === 1 ? 'once' : `${n} times`} while it set.`,
        0.8,
      ),
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
  contamination: {
    says: 'Something else has grown in it. Discard it; never taste it.',
    next: 'Boil cloths five minutes, scald vessels, begin with a fresh culture.',
    needsLook: (c) => c.seen['smell'] === undefined,
    weigh: (c) => [
      ...looked(c, 'smell', { foul: 3, yeasty: 1.5, 'bright acid': -2, milky: -0.5 }, 'It smelled'),
      ...figure(
        c.warmH,
        (h) => h > 20,
        (h) => h < 10,
        (h) => `It was warm and not yet sour for ${one(h)} h.`,
        1,
      ),
    ],
  },
} as const satisfies Readonly<Record<string, Cause>>;
