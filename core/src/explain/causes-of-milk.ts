import { say } from '../messages/message.js';
import { amount, percent, temp } from '../messages/quantity.js';
import type { Case } from './case.js';
import type { Cause } from './cause.js';
import { figure, looked, said, unfolded } from './evidence.js';

const isYogurt = ({ culture }: Case) => culture?.id === 'thermophilic' || culture?.id === 'room-yogurt';

/** Causes in the milk and in how it was heated. */
export const OF_MILK = {
  underHeated: {
    says: say('explain.causesOfMilk.milkHeatedTooLittle'),
    next: say('explain.causesOfMilk.heatHoldQuarterHour', { temp: temp(85) }),
    weigh: unfolded,
    // Heat makes yogurt firm; it keeps rennet from setting, and is not for kefir, cream or curd.
    fits: (c) => isYogurt(c) && c.rennetImcuPerKg === 0,
  },
  lowProtein: {
    says: say('explain.causesOfMilk.thereLittleProteinMilk'),
    next: say('explain.causesOfMilk.addLittleMilkPowder'),
    weigh: (c) =>
      figure(
        c.proteinPct,
        (p) => p < 3.1,
        (p) => p > 3.8,
        (p) => say('explain.causesOfMilk.milkHadProtein', { p: percent(p, 1) }),
        1.5,
      ),
  },
  heatedUnevenly: {
    says: say('explain.causesOfMilk.heatedUnevenlyTooFast'),
    next: say('explain.causesOfMilk.useWaterBathLow'),
    weigh: (c) => looked(c, 'bottom', { scorched: 2, 'a-film': 1, clean: -1.5 }, say('explain.causesOfMilk.bottomPot')),
  },
  highFat: {
    says: say('explain.causesOfMilk.richFatSoftensTang'),
    next: say('explain.causesOfMilk.sourLittleFurther'),
    weigh: (c) =>
      figure(
        c.fatPct,
        (f) => f > 8,
        (f) => f < 5,
        (f) => say('explain.causesOfMilk.itHasFat', { f: percent(f, 1) }),
        1.5,
      ),
  },
  ultraHeated: {
    says: say('explain.causesOfMilk.milkUltraHeated'),
    next: say('explain.causesOfMilk.takeOrdinaryPasteurisedMilk'),
    weigh: (c) => [
      c.ultraHeated ? said(2.5, say('explain.causesOfMilk.itWas')) : said(-2, say('explain.causesOfMilk.itWasNot')),
    ],
  },
  renneted: {
    says: say('explain.causesOfMilk.milkHeatedTooHigh'),
    next: say('explain.causesOfMilk.takeMilkPasteurisedSet', { temp: temp(63), temp2: temp(72) }),
    weigh: (c) =>
      c.rennetImcuPerKg === 0
        ? [said(-2.5, say('explain.causesOfMilk.thereNoRennet'))]
        : figure(
            c.denatured,
            (d) => d > 0.4,
            (d) => d < 0.15,
            (d) => say('explain.causesOfMilk.wheyProteinUnfoldedHeat', { d: percent(100 * d, 0) }),
            2.5,
          ),
  },
  muchRennet: {
    says: say('explain.causesOfMilk.thereTooMuchRennet'),
    next: say('explain.causesOfMilk.traceImcuKiloMilk'),
    weigh: (c) =>
      figure(
        c.rennetImcuPerKg,
        (r) => r > 10,
        (r) => r < 6,
        (r) =>
          r > 0
            ? say('explain.causesOfMilk.hadImcuKilo', { r: amount(r, 1) })
            : say('explain.causesOfMilk.thereNoRennet'),
        2,
      ),
  },
  hotBottom: {
    says: say('explain.causesOfMilk.bottomTooHot'),
    next: say('explain.causesOfMilk.lowerFlameThickerPot'),
    weigh: (c) => looked(c, 'bottom', { scorched: 1.5, 'a-film': 1, clean: -2 }, say('explain.causesOfMilk.bottomPot')),
  },
  notStirred: {
    says: say('explain.causesOfMilk.stirringStopped'),
    next: say('explain.causesOfMilk.stirAlongBottomUntil'),
    weigh: (c) =>
      figure(
        c.looksHeating,
        (n) => n === 0,
        (n) => n > 1,
        (n) =>
          n === 0
            ? say('explain.causesOfMilk.nobodyNotedLookWhile')
            : say('explain.causesOfMilk.lookedTimesWhileHeated', { n: amount(n) }),
        0.7,
      ),
  },
  closedEarly: {
    says: say('explain.causesOfMilk.closedBeforeHadCooled'),
    next: say('explain.causesOfMilk.leaveLidAjarUntil'),
    weigh: (c) => [
      c.lidOn ? said(1, say('explain.causesOfMilk.lidWhileHot')) : said(-1, say('explain.causesOfMilk.lidOff')),
    ],
  },
  overHeated: {
    says: say('explain.causesOfMilk.heatedTooFar'),
    next: say('explain.causesOfMilk.stopHeatMethodHot'),
    weigh: (c) =>
      figure(
        c.peakC,
        (t) => t > 95,
        (t) => t < 88,
        (t) => say('explain.causesOfMilk.itCameTo', { t: temp(t, 1) }),
        1.2,
      ),
  },
} as const satisfies Readonly<Record<string, Cause>>;
