import type { Case } from './case.js';
import type { Evidence } from './evidence.js';

/** A cause of a fault: what it is, what would mend it next time, and what of a batch speaks for or against it. */
export interface Cause {
  readonly says: string;
  readonly next: string;
  readonly weigh: (c: Case) => readonly Evidence[];
}
