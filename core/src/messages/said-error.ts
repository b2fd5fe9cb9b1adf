import type { Message } from './message.js';

/** A refusal that whoever asked is told in words: what cannot be, as a message. */
export class SaidError extends RangeError {
  constructor(readonly says: Message) {
    super(says.key);
    this.name = 'SaidError';
  }
}
