import { english } from '@oat-crock/messages';
import { initialChoices, METRIC, methodById } from '@oat-crock/core';
import { measureIn } from '../../shared/ui/reader';
import { groupWords, valueWords } from './choice-words';

const method = methodById('strained-yogurt');
const choice = (key: string) => method.groups.flatMap((g) => g.choices).find((c) => c.key === key)!;

describe('choices in words', () => {
  it('carry their unit once', () => {
    const choices = initialChoices(method);
    expect(valueWords(choice('massG'), choices)).toBe('4 kg');
    expect(valueWords(choice('heatC'), choices)).toBe('85 °C');
    expect(valueWords(choice('targetPh'), choices)).toBe('pH 4.50');
    expect(valueWords(choice('drain'), { drain: 'flat' })).toBe('Flat in a sieve');
  });

  it('say one day and not one days, and nought in a word', () => {
    const at = (key: string, value: number) => valueWords(choice(key), { [key]: value });
    expect([at('ageDays', 1), at('ageDays', 4)]).toEqual(['1 day', '4 days']);
    expect([at('holdMin', 0), at('holdMin', 15)]).toEqual(['no hold', '15 min']);
    expect(at('strainerL', 0)).toBe('sieve big enough');
    expect(at('handsPerHour', 0)).toBe('own time not counted');
  });

  it('sum a closed group up', () => {
    const group = method.groups.find((g) => english(g.title) === 'Heat')!;
    expect(groupWords(group, initialChoices(method))).toBe('85 °C, 15 min, Lid on, Cold-water bath');
  });

  it('are said in the household’s units, options among them', () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const at = (key: string, value: number) => valueWords(choice(key), { [key]: value });
    expect([at('massG', 4000), at('heatC', 85), at('vesselL', 5)]).toEqual(['8 lb 13.1 oz', '185 °F', '5.28 qt']);
    const held = methodById('clabber')
      .groups.flatMap((g) => g.choices)
      .find((c) => c.key === 'pasteurise')!;
    expect(valueWords(held, { pasteurise: 'yes' })).toBe('145 °F for half an hour');
    measureIn(METRIC);
    expect([at('massG', 4000), at('potG', 5), at('massG', 2500)]).toEqual(['4 kg', '5 g', '2.5 kg']);
  });
});
