import type { LearnedHere, MakeSheet } from '@oat-crock/core';
import type { Action } from '@ngrx/store';
import { HouseholdActions } from '../../state/household';
import { START_MS } from '../../testing/followed';
import { pageOf } from '../../testing/page';
import { LearnedLines } from './learned-lines';
import { learnedSentences, whyWide } from './learned-sentences';

const one = (more: Partial<LearnedHere>): LearnedHere => ({
  of: 'place thermostat',
  what: 'place',
  value: -0.6,
  p10: -1,
  p90: -0.3,
  setC: 43,
  makes: 4,
  ...more,
});
const says = (more: Partial<LearnedHere>) => learnedSentences([one(more)])[0]!.says;

describe('what the kitchen has taught', () => {
  it('is said where it acts, each in its own words, with the makes it is from', () => {
    expect(says({})).toBe('The thermostat holds 42.4 °C where it is set to 43.0 °C (42.0 to 42.7 °C).');
    expect(says({ of: 'place counter', setC: null })).toContain('The counter stands 0.6 °C cooler than the room');
    expect(says({ of: 'culture A', what: 'culture pace', value: 0.8 })).toContain('20 % slower');
    expect(says({ of: 'culture A', what: 'culture pace', value: 1.1 })).toContain('10 % faster');
    expect(says({ of: 'cloth hung', what: 'cloth time', value: 1.4 })).toContain('Your cloth, hung, takes 40 % longer');
    expect(says({ of: 'maker', what: 'maker loss', value: 0.97 })).toContain('3 % more than usual stays');
    expect(learnedSentences([one({ makes: 1 })])[0]!.from).toBe('Learned from one make.');
  });

  it('is forgotten in one touch, and what comes later counts anew', async () => {
    const { element, store, fixture } = await pageOf(LearnedLines, [], START_MS, { learned: [one({})] });
    const forget = element.querySelector('button')!;
    expect(forget.getAttribute('aria-label')).toContain('Forget that: The thermostat');
    const asked = spyOn(store, 'dispatch').and.callThrough();
    forget.click();
    await fixture.whenStable();
    expect(asked).toHaveBeenCalledOnceWith(
      HouseholdActions.forgetWanted({ of: one({}).of, beforeMs: START_MS }) as unknown as () => Action,
    );
  });

  it('is nothing to be shown where nothing was learned, but for why a window is wide', async () => {
    const bare = await pageOf(LearnedLines, [], START_MS, { learned: [] });
    expect(bare.element.textContent.trim()).toBe('');
    const sheet = (learned: readonly LearnedHere[], p90Min: number) =>
      whyWide({ souring: { forecast: { p10Min: 200, p90Min } }, learned } as unknown as MakeSheet);
    expect(sheet([], 319)).toBe('');
    expect(sheet([], 400)).toContain('3 h 20 wide');
    expect(sheet([one({ what: 'culture pace' })], 400)).toBe('');
  });
});
