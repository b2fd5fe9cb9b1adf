import type { Text } from '../messages/message.js';
import type { CrockState } from '../state/crock-state.js';
import type { Context } from './panel.js';
import type { TimelineStage } from './timeline.js';

/** What the engine says to one line of a log: whether it matters, and what to do. */
export interface Reply {
  readonly entryId: string;
  /** Go on; mind it; do something about it now. */
  readonly tone: ReplyTone;
  readonly says: Text;
}

export type ReplyTone = 'good' | 'watch' | 'bad';

/** A reply before it is known to which line. */
export type Replied = Omit<Reply, 'entryId'>;

/** Where in its make a line was logged. */
export interface Heard {
  readonly at: TimelineStage;
  /** The stages after that one. */
  readonly later: readonly TimelineStage[];
  readonly atMs: number;
  /** The crock at that moment as the make's log has it, and as it would be had all gone as planned. */
  readonly here: CrockState;
  readonly planned: CrockState;
  readonly context: Context;
}

export const good = (says: Text): Replied => ({ tone: 'good', says });
export const watch = (says: Text): Replied => ({ tone: 'watch', says });
export const bad = (says: Text): Replied => ({ tone: 'bad', says });
