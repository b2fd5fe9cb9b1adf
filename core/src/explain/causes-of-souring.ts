import { say } from '../messages/message.js';
import { acidity, amount, percent, temp } from '../messages/quantity.js';
import type { Cause } from './cause.js';
import { figure, looked, said, setC, activity } from './evidence.js';

/** A starter so young (days) is hardly ever dead of itself. */
const YOUNG_DAYS = 3;

/** Causes in the culture, its warmth and its time. */
export const OF_SOURING = {
  deadStarter: {
    says: say('explain.causesOfSouring.starterDeadNearlyToo'),
    next: say('explain.causesOfSouring.startFromFreshCulture'),
    weigh: (c) => activity(c, 0.25, 0.7, 3),
  },
  weakStarter: {
    says: say('explain.causesOfSouring.starterWeak'),
    next: say('explain.causesOfSouring.takeYoungerStarterBigger'),
    weigh: (c) => activity(c, 0.65, 0.9, 1.5),
  },
  killedStarter: {
    says: say('explain.causesOfSouring.starterWentTooHot'),
    next: say('explain.causesOfSouring.letMilkCoolDegree'),
    weigh: (c) =>
      figure(
        c.starterC !== null && c.lethalC !== null ? c.starterC - c.lethalC : null,
        (over) => over >= -1,
        (over) => over < -4,
        () => say('explain.causesOfSouring.wentKills', { starter: temp(c.starterC!, 1), lethal: temp(c.lethalC!, 1) }),
        3,
      ),
  },
  tooCold: {
    says: say('explain.causesOfSouring.keptTooCold'),
    next: say('explain.causesOfSouring.keepWarmerMeasureWhat'),
    weigh: (c) =>
      setC(
        c,
        (over) => over < -6,
        (over) => over > -3,
      ),
  },
  tooHot: {
    says: say('explain.causesOfSouring.keptTooHot'),
    next: say('explain.causesOfSouring.keepFewDegreesCooler'),
    weigh: (c) =>
      setC(
        c,
        (over) => over > 1.5,
        (over) => over < 0,
      ),
  },
  residue: {
    says: say('explain.causesOfSouring.somethingMilkPotStopped'),
    next: say('explain.causesOfSouring.rinseBoilingWaterAfter'),
    weigh: (c) => {
      if (c.activity === null || c.starterDays === null) return [];
      if (c.activity > 0.7) return [said(-2, say('explain.causesOfSouring.cultureWorkedShould'))];
      const young = c.starterDays <= YOUNG_DAYS && c.activity < 0.25;
      return young
        ? [said(1.5, say('explain.causesOfSouring.starterOldHardlyWorked', { starterDays: Math.round(c.starterDays) }))]
        : [];
    },
  },
  noSugar: {
    says: say('explain.causesOfSouring.thereTooLittleSugar'),
    next: say('explain.causesOfSouring.addSpoonSugarTake'),
    weigh: (c) => [
      c.sugarGone
        ? said(3, say('explain.causesOfSouring.hadUsedUpSugar'))
        : said(-1.5, say('explain.causesOfSouring.thereSugarLeftEnd')),
    ],
  },
  lowDose: {
    says: say('explain.causesOfSouring.doseSmall'),
    next: say('explain.causesOfSouring.takeStarter'),
    weigh: (c) =>
      figure(
        c.dosePct,
        (d) => d < 1.5,
        (d) => d >= 2.5,
        (d) => say('explain.causesOfSouring.theDoseWas', { d: percent(d, 1) }),
        1.2,
      ),
  },
  bigDose: {
    says: say('explain.causesOfSouring.thereMuchStarter'),
    next: say('explain.causesOfSouring.takeStarter'),
    weigh: (c) =>
      figure(
        c.dosePct,
        (d) => d > 5,
        (d) => d < 3.5,
        (d) => say('explain.causesOfSouring.theDoseWas', { d: percent(d, 1) }),
        1.5,
      ),
  },
  manyGenerations: {
    says: say('explain.causesOfSouring.starterBeenCarriedToo'),
    next: say('explain.causesOfSouring.beginNewLineFrom'),
    weigh: (c) =>
      figure(
        c.generation === null || c.generations === null ? null : c.generation / c.generations,
        (share) => share >= 1,
        (share) => share < 0.6,
        () =>
          say('explain.causesOfSouring.carriedTimesAdvised', {
            generation: amount(c.generation!, 0),
            generations: amount(c.generations!),
          }),
        1.8,
      ),
  },
  stoppedEarly: {
    says: say('explain.causesOfSouring.stoppedEarly'),
    next: say('explain.causesOfSouring.leaveUntilLeavesWall'),
    weigh: (c) =>
      figure(
        c.endPh,
        (ph) => ph > Math.max(4.65, (c.targetPh ?? 4.6) + 0.1),
        (ph) => ph <= 4.55,
        (ph) => say('explain.causesOfSouring.endedPh', { ph: acidity(ph) }),
      ),
  },
  tooLong: {
    says: say('explain.causesOfSouring.leftTooLong'),
    next: say('explain.causesOfSouring.chillSoonSourYou'),
    weigh: (c) =>
      figure(
        c.timeRatio,
        (r) => r > 1.25,
        (r) => r < 1.1,
        (r) => say('explain.causesOfSouring.souredTimesLongNeeded', { r: amount(r, 1) }),
        1.5,
      ),
  },
  overAcid: {
    says: say('explain.causesOfSouring.wentTooSour'),
    next: say('explain.causesOfSouring.stopPhChillOnce'),
    weigh: (c) =>
      figure(
        c.endPh,
        (ph) => ph < 4.2,
        (ph) => ph > 4.4,
        (ph) => say('explain.causesOfSouring.endedPh', { ph: acidity(ph) }),
        2.5,
      ),
  },
  cooledSlowly: {
    says: say('explain.causesOfSouring.cooledSlowlyWentSouring'),
    next: say('explain.causesOfSouring.chillSmallerPotsStand'),
    weigh: (c) =>
      figure(
        c.fellInCold,
        (f) => f > 0.15,
        (f) => f < 0.08,
        (f) => say('explain.causesOfSouring.afterTakenOutPh', { f: amount(f, 2) }),
        1.5,
      ),
  },
  moved: {
    says: say('explain.causesOfSouring.stirredMovedWhileSet'),
    next: say('explain.causesOfSouring.putWhereCanStay'),
    weigh: (c) =>
      figure(
        c.looksSetting,
        (n) => n > 5,
        (n) => n < 2,
        (n) =>
          say('explain.causesOfSouring.lookedWhileSet', {
            n: n === 1 ? say('explain.causesOfSouring.once') : say('explain.causesOfSouring.times', { n: amount(n) }),
          }),
        0.8,
      ),
  },
  ropyCulture: {
    says: say('explain.causesOfSouring.cultureRopyOneNature'),
    next: say('explain.causesOfSouring.stirSmoothTakeAnother'),
    weigh: (c) => [
      c.culture?.id === 'room-yogurt'
        ? said(1.5, say('explain.causesOfSouring.manyHeirlooms'))
        : said(-0.5, say('explain.causesOfSouring.fewKind')),
    ],
  },
  lumpySlurry: {
    says: say('explain.causesOfSouring.starterNotDispersed'),
    next: say('explain.causesOfSouring.stirSmoothLittleMilk'),
    weigh: (c) =>
      looked(c, 'slurry', { lumpy: 2.5, 'a-few': 1, smooth: -2 }, say('explain.causesOfSouring.starterSlurry')),
  },
  contamination: {
    says: say('explain.causesOfSouring.somethingElseGrownDiscard'),
    next: say('explain.causesOfSouring.boilClothsFiveMinutes'),
    needsLook: (c) => c.seen['smell'] === undefined,
    weigh: (c) => [
      ...looked(
        c,
        'smell',
        { foul: 3, yeasty: 1.5, 'bright-acid': -2, milky: -0.5 },
        say('explain.causesOfSouring.itSmelled'),
      ),
      ...figure(
        c.warmH,
        (h) => h > 20,
        (h) => h < 10,
        (h) => say('explain.causesOfSouring.warmNotYetSour', { h: amount(h, 1) }),
        1,
      ),
    ],
  },
} as const satisfies Readonly<Record<string, Cause>>;
