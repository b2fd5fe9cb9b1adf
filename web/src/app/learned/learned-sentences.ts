import { textOf } from '../ui/units';
import { SOUR_AGENTS, type LearnedHere, type MakeSheet, type SourAgentId } from '@oat-crock/core';
import { degrees, span, temp } from '../ui/words';

/** What was learned in a sentence, what it was learned from, and whose it is. */
export interface LearnedSentence {
  readonly of: string;
  readonly says: string;
  readonly from: string;
}

const PLACES: Readonly<Record<string, string>> = {
  thermostat: 'The thermostat',
  'lamp-oven': 'The oven with its lamp',
  counter: 'The counter',
  flask: 'The flask',
  wrapped: 'The box',
};

const CLOTHS: Readonly<Record<string, string>> = {
  flat: 'lying flat',
  hung: 'hung',
  pressed: 'pressed',
};

const sayMakes = (makes: number) => (makes === 1 ? 'one make' : `${makes} makes`);
/** An owner without what kind of thing it is: "place thermostat" is the thermostat. */
const nameOf = (of: string) => of.slice(of.indexOf(' ') + 1);
const percent = (factor: number) => `${Math.round(100 * Math.abs(factor - 1))} %`;

/** All that was learned and acts on a make, in words. */
export function learnedSentences(learned: readonly LearnedHere[]): readonly LearnedSentence[] {
  return learned.map((one) => ({
    of: one.of,
    says: SAYS[one.what](one),
    from: `Learned from ${sayMakes(one.makes)}.`,
  }));
}

const SAYS: Readonly<Record<LearnedHere['what'], (one: LearnedHere) => string>> = {
  place: ({ of, value, p10, p90, setC }) => {
    const place = PLACES[nameOf(of)] ?? 'The warm place';
    if (setC === null)
      return `${place} stands ${degrees(Math.abs(value))} ${value < 0 ? 'cooler' : 'warmer'} than the room is said to be.`;
    return `${place} holds ${temp(setC + value)} where it is set to ${temp(setC)} (${temp(setC + p10)} to ${temp(setC + p90)}).`;
  },
  'culture pace': ({ value }) =>
    `This culture works ${percent(value)} ${value < 1 ? 'slower' : 'faster'} than is usual of its kind.`,
  'cloth time': ({ of, value }) =>
    `Your cloth, ${CLOTHS[nameOf(of)] ?? 'as you use it'}, takes ${percent(value)} ${value > 1 ? 'longer' : 'less time'} than is usual.`,
  'pot loss': ({ of, value }) =>
    `Your ${of === 'pot' ? 'pot' : `pot of ${nameOf(of)}`} loses its heat ${percent(value)} ${value > 1 ? 'faster' : 'more slowly'} than is usual of its size.`,
  'acid strength': ({ of, value }) =>
    `Your ${textOf(SOUR_AGENTS[nameOf(of) as SourAgentId]?.name ?? 'acid')} is ${percent(value)} ${value > 1 ? 'stronger' : 'weaker'} than its label or the usual says; the dose goes by that.`,
  'maker loss': ({ value }) =>
    value < 1
      ? `Of what is reckoned ${percent(value)} more than usual stays on cloth, pot and spoons.`
      : `${percent(value)} more than is usually reckoned comes into your pots.`,
};

/** A first window wider than this is worth a word, min. */
const WIDE_MIN = 120;

/** Why a window is as wide as it is, and what narrows it; empty where it is not wide. */
export function whyWide({ souring, learned }: MakeSheet): string {
  if (!souring) return '';
  const { p10Min, p90Min } = souring.forecast;
  if (p10Min === null || p90Min === null || p90Min - p10Min < WIDE_MIN) return '';
  if (learned.some(({ what }) => what === 'culture pace')) return '';
  return `It is ${span(Math.round((p90Min - p10Min) / 10) * 10)} wide, as nobody has seen yet how fast this culture works. One pH half-way narrows it to a third; two finished makes that were read, for good.`;
}
