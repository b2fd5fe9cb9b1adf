import { initialChoices, methodById } from '@oat-crock/core';
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

  it('sum a closed group up', () => {
    const group = method.groups.find((g) => g.title === 'Heat')!;
    expect(groupWords(group, initialChoices(method))).toBe('85 °C, 15 min, Lid on, Cold-water bath');
  });
});
