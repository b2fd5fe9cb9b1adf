import type { Text } from '../messages/message.js';
import { SaidError } from '../messages/said-error.js';

/** Whether what was thrown refuses in such words: `expect(() => …).toThrowMatching(saying(/two temperatures/, english))`. */
export const saying = (words: RegExp, inWords: (text: Text) => string) => (thrown: unknown) =>
  thrown instanceof SaidError && words.test(inWords(thrown.says));
