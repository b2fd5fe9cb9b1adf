import { say, type Message } from '../messages/message.js';
import { weighed } from '../messages/quantity.js';

/** An amount in whole packs and what is taken of the next. */
export interface InPacks {
  readonly whole: number;
  /** Grams of one more; 0 where whole packs are all of it. */
  readonly rest: number;
}

/** Less than this share of a pack is not worth opening one more, or leaving a spoon in the last. */
const NOT_WORTH = 0.01;

/**
 * An amount (g) in packs (g each): a remainder under a hundredth of a pack is left out, one that lacks as little fills it.
 */
export function inPacks(amountG: number, packG: number): InPacks {
  const packs = amountG / packG;
  const whole = Math.floor(packs + NOT_WORTH);
  const rest = amountG - whole * packG;
  return { whole, rest: rest > NOT_WORTH * packG ? rest : 0 };
}

/** "1 pack and 180 g of the second". */
export function packWords(amountG: number, packG: number): Message {
  const { whole, rest } = inPacks(amountG, packG);
  if (rest === 0) return say('larder.packs.whole', { whole });
  if (whole === 0) return say('larder.packs.ofOne', { rest: weighed(rest) });
  return say('larder.packs.andOfNext', { whole, rest: weighed(rest) });
}
