import { METHODS } from '@oat-crock/core';
import { isCalled } from './called';

describe('a method', () => {
  const found = (words: string) => METHODS.filter((m) => isCalled(m, words)).map((m) => m.id);

  it('is found by words of its name, its family or its summary, in any order', () => {
    expect(found('butter cultured')[0]).toBe('cultured-butter');
    expect(found('Fresh cheese').length).toBeGreaterThan(2);
    expect(found('anvil')).toEqual([]);
    expect(found('').length).toBe(METHODS.length);
  });
});
