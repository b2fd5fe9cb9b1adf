import type { Batch } from './replay.js';
import { holdOf } from './replay.js';
import type { Finding } from '../safety/rules.js';

/** Why a make may not be finished as sound, and what would change that. */
export interface NotGoingOut {
  readonly message: string;
  readonly remedy: string;
}

/**
 * What stands against finishing a make as sound: somebody's hold, or the rules of safety. A hold of the rules can be let go
 * by somebody who gives a name and a reason; what is to be discarded cannot be talked down, only shown to be otherwise by
 * what is logged of it. Null where nothing stands against it.
 */
export function notGoingOut(batch: Pick<Batch, 'decisions'>, findings: readonly Finding[]): NotGoingOut | null {
  const hold = holdOf(batch);
  if (hold) {
    return {
      message: `This batch is on hold: ${hold.reason}`,
      remedy: 'Let it go with a name and a reason first, or discard it.',
    };
  }
  const discard = findings.find(({ level }) => level === 'discard');
  if (discard) {
    return {
      message: `This batch is to be discarded: ${discard.reason}`,
      remedy: 'Discard it; or log what shows it otherwise: a pH of 4.6 or less, or how it looks and smells.',
    };
  }
  const grave = findings.find(({ level }) => level === 'hold');
  if (!grave || batch.decisions.at(-1)?.decided === 'released') return null;
  return {
    message: `This batch is held by the rules: ${grave.reason}`,
    remedy: `${grave.doNow} Else let it go with a name and a reason, or discard it.`,
  };
}
