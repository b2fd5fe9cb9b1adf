import { readNumber } from './read-number';

describe('a number as it is typed or pasted', () => {
  const cases: readonly (readonly [text: string, decimal: string, expected: ReturnType<typeof readNumber>])[] = [
    ['2.5', '.', 2.5],
    ['2,5', '.', 2.5],
    ['2.5', ',', 2.5],
    [' 2,5 g ', ',', 2.5],
    ['2.5g', '.', 2.5],
    ['.5', '.', 0.5],
    ['3.', '.', 3],
    ['−4', '.', -4],
    ['1,250', '.', 1250],
    ['1.250', ',', 1250],
    ['1.250', '.', 1.25],
    ['0,250', '.', 0.25],
    ['1,250.5', '.', 1250.5],
    ['1.250,5', '.', 1250.5],
    ['12 500', '.', 12500],
    ['12\u202f500,5 g', ',', 12500.5],
    ['', '.', null],
    ['g', '.', null],
    ['2 qt', '.', 'unreadable'],
    ['2 3', '.', 'unreadable'],
    ['1,2,3', '.', 'unreadable'],
    ['two', '.', 'unreadable'],
  ];
  for (const [text, decimal, expected] of cases)
    it(`"${text}" where "${decimal}" is the decimal sign`, () =>
      expect(readNumber(text, ' g', decimal)).toBe(expected));
});
