import { english } from '@oat-crock/messages';
import type { Decision } from './replay.js';
import { notGoingOut } from './going-out.js';
import type { Finding } from '../safety/rules.js';

const finding = (level: Finding['level']): Finding => ({
  level,
  rule: level,
  reason: `Because ${level}.`,
  doNow: 'Do so.',
  source: '',
});
const decided = (...what: readonly Decision['decided'][]) => ({
  decisions: what.map((d, i): Decision => ({ atMs: i, decided: d, by: 'A', reason: 'It smells.', id: `${i}` })),
});

describe('what stands against finishing a make', () => {
  it('is nothing where there is at most something to watch', () => {
    expect(notGoingOut(decided(), [])).toBeNull();
    expect(notGoingOut(decided(), [finding('watch')])).toBeNull();
    expect(notGoingOut(decided('held', 'released'), [])).toBeNull();
  });

  it('is somebody’s hold until it is let go, and a hold of the rules until somebody answers for it', () => {
    expect(english(notGoingOut(decided('held'), [])!.message)).toContain('It smells.');
    expect(english(notGoingOut(decided(), [finding('watch'), finding('hold')])!.message)).toContain('Because hold.');
    expect(notGoingOut(decided('released'), [finding('hold')])).toBeNull();
    expect(english(notGoingOut(decided('released', 'held'), [finding('hold')])!.message)).toContain('on hold');
  });

  it('is a discard whatever anybody decides', () => {
    expect(english(notGoingOut(decided('released'), [finding('hold'), finding('discard')])!.message)).toContain(
      'discarded',
    );
  });
});
