import { CAPSULE_G } from '../constants/cultures.js';
import { say, type Text } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { isCulture, type Lot } from './lot.js';

/** So much of a lot as it is counted: capsules by the piece, all else by its weight. */
export function heldOf(lot: Lot, amountG: number): Text {
  if (isCulture(lot) && lot.form === 'capsule') return say('lots.capsules', { count: Math.round(amountG / CAPSULE_G) });
  return say('quantity.alone', { quantity: mass(amountG) });
}
