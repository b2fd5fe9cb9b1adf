import { say, type Text } from '../messages/message.js';
import type { Batch } from './replay.js';
import { holdOf } from './replay.js';
import type { Finding } from '../safety/rules.js';

/** Why a make may not be finished as sound, and what would change that. */
export interface NotGoingOut {
  readonly message: Text;
  readonly remedy: Text;
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
      message: say('batch.goingOut.batchHold', { reason: hold.reason }),
      remedy: say('batch.goingOut.letGoNameReason'),
    };
  }
  const discard = findings.find(({ level }) => level === 'discard');
  if (discard) {
    return {
      message: say('batch.goingOut.batchDiscarded', { reason: discard.reason }),
      remedy: say('batch.goingOut.discardLogWhatShows'),
    };
  }
  const grave = findings.find(({ level }) => level === 'hold');
  if (!grave || batch.decisions.at(-1)?.decided === 'released') return null;
  return {
    message: say('batch.goingOut.batchHeldRules', { reason: grave.reason }),
    remedy: say('batch.goingOut.elseLetGoName', { doNow: grave.doNow }),
  };
}
