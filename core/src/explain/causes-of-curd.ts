import { say } from '../messages/message.js';
import { acidity, between, percent, temp } from '../messages/quantity.js';
import type { Cause } from './cause.js';
import { figure, looked, said } from './evidence.js';

/** Causes in the acid, the cloth and the churn. */
export const OF_CURD = {
  littleAcid: {
    says: say('explain.causesOfCurd.thereTooLittleAcid'),
    next: say('explain.causesOfCurd.addMoreSpoonTime'),
    weigh: (c) => [
      ...figure(
        c.endPh,
        (ph) => ph > 5.9,
        (ph) => ph < 5.6,
        (ph) => say('explain.causesOfCurd.camePh', { ph: acidity(ph) }),
      ),
      ...looked(c, 'clarity', { milky: 2, cloudy: 1, clear: -2, greenish: -2 }, say('explain.causesOfCurd.theWheyWas')),
    ],
  },
  weakAcid: {
    says: say('explain.causesOfCurd.acidWeakerShould'),
    next: say('explain.causesOfCurd.measureStrengthOnceGo'),
    weigh: (c) =>
      looked(
        c,
        'clarity',
        { milky: 1.5, cloudy: 0.5, clear: -2, greenish: -2 },
        say('explain.causesOfCurd.theWheyWas'),
      ),
  },
  acidTooCool: {
    says: say('explain.causesOfCurd.milkTooCoolAcid'),
    next: say('explain.causesOfCurd.moreWhenAcidGoes', { temp: temp(85) }),
    weigh: (c) =>
      figure(
        c.acidC,
        (t) => t < 82,
        (t) => t >= 85,
        (t) => say('explain.causesOfCurd.acidWent', { t: temp(t, 1) }),
      ),
  },
  acidRough: {
    says: say('explain.causesOfCurd.acidWentTooFast'),
    next: say('explain.causesOfCurd.addThirdsSlowTurn', { temp: temp(65) }),
    weigh: (c) =>
      figure(
        c.acidC,
        (t) => t > 93,
        (t) => t < 88,
        (t) => say('explain.causesOfCurd.acidWent', { t: temp(t, 1) }),
        1.2,
      ),
  },
  overDrained: {
    says: say('explain.causesOfCurd.drainedTooLong'),
    next: say('explain.causesOfCurd.whiskSomeWheyBack'),
    weigh: (c) =>
      figure(
        c.wantedSolids === null ? null : c.solids - c.wantedSolids,
        (over) => over > 0.02,
        (over) => over < 0.01,
        () =>
          say('explain.causesOfCurd.solidsWanted', {
            solids: percent(100 * c.solids, 0),
            wantedSolids: percent(100 * c.wantedSolids!, 0),
          }),
      ),
  },
  openWeave: {
    says: say('explain.causesOfCurd.weaveTooOpenThere'),
    next: say('explain.causesOfCurd.doubleCloth'),
    weigh: (c) =>
      c.weave === null
        ? []
        : [
            c.weave === 'open'
              ? said(2, say('explain.causesOfCurd.clothOpenOneLayer'))
              : said(-1.5, say('explain.causesOfCurd.clothFineDoubled')),
          ],
  },
  loadedWarm: {
    says: say('explain.causesOfCurd.wentClothWarm'),
    next: say('explain.causesOfCurd.chillThroughFirst'),
    weigh: (c) =>
      figure(
        c.loadedC,
        (t) => t > 25,
        (t) => t < 12,
        (t) => say('explain.causesOfCurd.wentCloth', { t: temp(t, 1) }),
        1.5,
      ),
  },
  churnedCold: {
    says: say('explain.causesOfCurd.creamTooCold'),
    next: say('explain.causesOfCurd.temperItTo', { temp: between(temp(10), temp(14)) }),
    weigh: (c) =>
      figure(
        c.churnC,
        (t) => t < 9,
        (t) => t > 11,
        (t) => say('explain.causesOfCurd.itWasChurnedAt', { t: temp(t, 1) }),
      ),
  },
  churnedWarm: {
    says: say('explain.causesOfCurd.churnedTooWarm'),
    next: say('explain.causesOfCurd.churnItAt', { temp: between(temp(10), temp(14)) }),
    weigh: (c) =>
      figure(
        c.churnC,
        (t) => t > 17,
        (t) => t < 14,
        (t) => say('explain.causesOfCurd.itWasChurnedAt', { t: temp(t, 1) }),
      ),
  },
  leanCream: {
    says: say('explain.causesOfCurd.creamHadTooLittle'),
    next: say('explain.causesOfCurd.takeCreamMore'),
    weigh: (c) =>
      figure(
        c.creamFatPct,
        (f) => f < 27,
        (f) => f > 32,
        (f) => say('explain.causesOfCurd.creamHadFat', { f: percent(f, 1) }),
      ),
  },
  fullChurn: {
    says: say('explain.causesOfCurd.vesselTooFull'),
    next: say('explain.causesOfCurd.fillNoMoreHalf'),
    weigh: (c) =>
      figure(
        c.churnFill,
        (f) => f > 0.5,
        (f) => f < 0.42,
        (f) => say('explain.causesOfCurd.churnFilled', { f: percent(100 * f, 0) }),
      ),
  },
  overWorked: {
    says: say('explain.causesOfCurd.workedTooMuch'),
    next: say('explain.causesOfCurd.stopWhenNoMore'),
    weigh: (c) => looked(c, 'butter', { greasy: 1.5, waxy: -1, wet: -1.5 }, say('explain.causesOfCurd.theButterWas')),
  },
  unwashed: {
    says: say('explain.causesOfCurd.buttermilkLeft'),
    next: say('explain.causesOfCurd.washUntilWaterRuns'),
    weigh: (c) => [
      ...(c.washed === null
        ? []
        : [
            c.washed
              ? said(-1.5, say('explain.causesOfCurd.itWasWashed'))
              : said(2.5, say('explain.causesOfCurd.onlyPressed')),
          ]),
      ...looked(c, 'wash', { milky: 2, cloudy: 1, clear: -2 }, say('explain.causesOfCurd.lastWashWater')),
    ],
  },
} as const satisfies Readonly<Record<string, Cause>>;
