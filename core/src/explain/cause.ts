import type { Text } from '../messages/message.js';
import type { Case } from './case.js';
import type { Evidence } from './evidence.js';

/** A cause of a fault: what it is, what would mend it next time, and what of a batch speaks for or against it. */
export interface Cause {
  readonly says: Text;
  readonly next: Text;
  readonly weigh: (c: Case) => readonly Evidence[];
  /** False for a make that it cannot be a cause in, nor its remedy one. */
  readonly fits?: (c: Case) => boolean;
  /** True where it is not to be named first on reckoning alone: somebody must have looked. */
  readonly needsLook?: (c: Case) => boolean;
}
