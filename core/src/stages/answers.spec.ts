import { english } from '@oat-crock/messages';
import { isMessage } from '../messages/message.js';
import { bind, STAGE_KIND_NAMES } from './registry.js';
import { answerId, answerWords } from './answers.js';

describe('an answer to a look', () => {
  it('has its words, whatever stage asks', () => {
    const asked = STAGE_KIND_NAMES.flatMap((kind) => bind({ id: kind, kind, params: {} }).kind.cues);
    expect(asked.length).toBeGreaterThan(20);
    for (const { cue, answers } of asked) {
      for (const answer of answers) {
        expect(answerId(answer)).withContext(`${cue} ${answer}`).toBe(answer);
        expect(isMessage(answerWords(cue, answer)))
          .withContext(`${cue} ${answer}`)
          .toBeTrue();
      }
    }
  });

  it('as it stands in a log of before is the same answer', () => {
    expect(answerId('leaves the wall')).toBe('leaves-the-wall');
    expect(english(answerWords('set', 'leaves the wall'))).toBe('leaves the wall');
    expect(english(answerWords('set', 'leaves-the-wall'))).toBe('leaves the wall');
  });

  it('that no look has stands as it was written', () => {
    expect(answerWords('set', 'purple, with dots')).toBe('purple, with dots');
    expect(answerWords('sound', 'squeaks')).toBe('squeaks');
  });
});
