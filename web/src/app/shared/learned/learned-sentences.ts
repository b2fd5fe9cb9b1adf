import {
  between,
  percent,
  say,
  SOUR_AGENTS,
  temp as tempOf,
  type LearnedHere,
  type MakeSheet,
  type SourAgentId,
  type Text,
} from '@oat-crock/core';
import { tell, textOf } from '../ui/said';
import { capital, degrees, span, temp } from '../ui/words';

/** What was learned in a sentence, what it was learned from, and whose it is. */
export interface LearnedSentence {
  readonly of: string;
  readonly says: string;
  readonly from: string;
}

const PLACES: Readonly<Record<string, Text>> = {
  thermostat: say('page.learned.learnedSentences.thermostat'),
  'lamp-oven': say('page.learned.learnedSentences.lampOven'),
  counter: say('page.learned.learnedSentences.counter'),
  flask: say('page.learned.learnedSentences.flask'),
  wrapped: say('page.learned.learnedSentences.box'),
  bath: say('page.learned.learnedSentences.bath'),
};

const CLOTHS: Readonly<Record<string, Text>> = {
  flat: say('page.learned.learnedSentences.clothFlat'),
  hung: say('page.learned.learnedSentences.clothHung'),
  pressed: say('page.learned.learnedSentences.clothPressed'),
};
const CLOTH_AS_USED = say('page.learned.learnedSentences.clothAsUsed');

/** An owner without what kind of thing it is: "place thermostat" is the thermostat. */
const nameOf = (of: string) => of.slice(of.indexOf(' ') + 1);
const off = (factor: number) => percent(100 * Math.abs(factor - 1), 0);

const potOf = (of: string): Text =>
  of === 'pot'
    ? say('page.learned.learnedSentences.pot')
    : say('page.learned.learnedSentences.potOf', { size: nameOf(of) });
const acidOf = (of: string): Text =>
  SOUR_AGENTS[nameOf(of) as SourAgentId]?.name ?? say('page.learned.learnedSentences.acid');

/**
 * Whose something is that was learned, at the head of a line: "The thermostat", "Harbour jar".
 *
 * @param cultureName what a culture's line is called, by what it began with
 */
export function ownerName({ of, what }: LearnedHere, cultureName: (lineId: string) => string): string {
  const names: Readonly<Record<LearnedHere['what'], () => string>> = {
    'culture pace': () => cultureName(nameOf(of)),
    place: () => textOf(PLACES[nameOf(of)] ?? say('page.learned.learnedSentences.warmPlace')),
    'cloth time': () => tell('page.learned.learnedSentences.cloth', { used: CLOTHS[nameOf(of)] ?? CLOTH_AS_USED }),
    'pot loss': () => textOf(potOf(of)),
    'acid strength': () => textOf(acidOf(of)),
    'maker loss': () => tell('page.learned.learnedSentences.maker'),
  };
  return capital(names[what]());
}

/** All that was learned and acts on a make, in words. */
export function learnedSentences(learned: readonly LearnedHere[]): readonly LearnedSentence[] {
  return learned.map((one) => ({
    of: one.of,
    says: SAYS[one.what](one),
    from: tell('page.learned.learnedSentences.learnedFrom', { makes: one.makes }),
  }));
}

const SAYS: Readonly<Record<LearnedHere['what'], (one: LearnedHere) => string>> = {
  place: ({ of, value, p10, p90, setC }) => {
    const place = PLACES[nameOf(of)] ?? say('page.learned.learnedSentences.warmPlace');
    if (setC === null)
      return value < 0
        ? tell('page.learned.learnedSentences.placeCooler', { place, by: degrees(-value) })
        : tell('page.learned.learnedSentences.placeWarmer', { place, by: degrees(value) });
    return tell('page.learned.learnedSentences.placeHolds', {
      place,
      holds: temp(setC + value),
      set: temp(setC),
      range: between(tempOf(setC + p10, 1), tempOf(setC + p90, 1)),
    });
  },
  'culture pace': ({ value }) =>
    value < 1
      ? tell('page.learned.learnedSentences.cultureSlower', { by: off(value) })
      : tell('page.learned.learnedSentences.cultureFaster', { by: off(value) }),
  'cloth time': ({ of, value }) =>
    value > 1
      ? tell('page.learned.learnedSentences.clothLonger', { used: CLOTHS[nameOf(of)] ?? CLOTH_AS_USED, by: off(value) })
      : tell('page.learned.learnedSentences.clothShorter', {
          used: CLOTHS[nameOf(of)] ?? CLOTH_AS_USED,
          by: off(value),
        }),
  'pot loss': ({ of, value }) =>
    value > 1
      ? tell('page.learned.learnedSentences.potFaster', { pot: potOf(of), by: off(value) })
      : tell('page.learned.learnedSentences.potSlower', { pot: potOf(of), by: off(value) }),
  'acid strength': ({ of, value }) =>
    value > 1
      ? tell('page.learned.learnedSentences.acidStronger', { acid: acidOf(of), by: off(value) })
      : tell('page.learned.learnedSentences.acidWeaker', { acid: acidOf(of), by: off(value) }),
  'maker loss': ({ value }) =>
    value < 1
      ? tell('page.learned.learnedSentences.moreIsLost', { by: off(value) })
      : tell('page.learned.learnedSentences.lessIsLost', { by: off(value) }),
};

/** A first window wider than this is worth a word, min. */
const WIDE_MIN = 120;

/** Why a window is as wide as it is, and what narrows it; empty where it is not wide. */
export function whyWide({ souring, learned }: MakeSheet): string {
  if (!souring) return '';
  const { p10Min, p90Min } = souring.forecast;
  if (p10Min === null || p90Min === null || p90Min - p10Min < WIDE_MIN) return '';
  if (learned.some(({ what }) => what === 'culture pace')) return '';
  return tell('page.learned.learnedSentences.whyWide', { wide: span(Math.round((p90Min - p10Min) / 10) * 10) });
}
