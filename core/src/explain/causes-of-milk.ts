import type { Case } from './case.js';
import type { Cause } from './cause.js';
import { figure, looked, one, pct, said, unfolded } from './evidence.js';

const isYogurt = ({ culture }: Case) => culture?.id === 'thermophilic' || culture?.id === 'room-yogurt';

/** Causes in the milk and in how it was heated. */
export const OF_MILK = {
  underHeated: {
    says: 'The milk was heated too little.',
    next: 'Heat it to 85 °C and hold it a quarter of an hour.',
    weigh: unfolded,
    // Heat makes yogurt firm; it keeps rennet from setting, and is not for kefir, cream or curd.
    fits: (c) => isYogurt(c) && c.rennetImcuPerKg === 0,
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
  ultraHeated: {
    says: 'The milk was ultra-heated.',
    next: 'Take ordinary pasteurised milk.',
    weigh: (c) => [c.ultraHeated ? said(2.5, 'It was.') : said(-2, 'It was not.')],
  },
  renneted: {
    says: 'The milk was heated too high for rennet.',
    next: 'Take milk pasteurised at 63 or 72 °C, or set it by the culture alone.',
    weigh: (c) =>
      c.rennetImcuPerKg === 0
        ? [said(-2.5, 'There was no rennet in it.')]
        : figure(
            c.denatured,
            (d) => d > 0.4,
            (d) => d < 0.15,
            (d) => `${pct(d)} of its whey protein was unfolded by heat.`,
            2.5,
          ),
  },
  muchRennet: {
    says: 'There was too much rennet: it goes on cutting the protein, and turns bitter.',
    next: 'A trace is 2 to 8 IMCU a kilo of milk; measure the drops of your bottle.',
    weigh: (c) =>
      figure(
        c.rennetImcuPerKg,
        (r) => r > 10,
        (r) => r < 6,
        (r) => (r > 0 ? `It had ${one(r)} IMCU a kilo.` : 'There was no rennet in it.'),
        2,
      ),
  },
  hotBottom: {
    says: 'The bottom was too hot.',
    next: 'A lower flame, a thicker pot, or a water bath.',
    weigh: (c) => looked(c, 'bottom', { scorched: 1.5, 'a film': 1, clean: -2 }, 'The bottom of the pot was'),
  },
  notStirred: {
    says: 'The stirring stopped.',
    next: 'Stir along the bottom until it is hot.',
    weigh: (c) =>
      figure(
        c.looksHeating,
        (n) => n === 0,
        (n) => n > 1,
        (n) =>
          n === 0 ? 'Nobody noted a look at it while it was heated.' : `It was looked at ${n} times while heated.`,
        0.7,
      ),
  },
  closedEarly: {
    says: 'It was closed before it had cooled.',
    next: 'Leave the lid ajar until it is at the room’s warmth.',
    weigh: (c) => [c.lidOn ? said(1, 'The lid was on while it was hot.') : said(-1, 'The lid was off.')],
  },
  overHeated: {
    says: 'It was heated too far.',
    next: 'Stop at the heat of the method; hot curd tightens and squeezes out its whey.',
    weigh: (c) =>
      figure(
        c.peakC,
        (t) => t > 95,
        (t) => t < 88,
        (t) => `It came to ${one(t)} °C.`,
        1.2,
      ),
  },
} as const satisfies Readonly<Record<string, Cause>>;
