import { choicesOf, initialChoices, METHODS } from '@oat-crock/core';
import { choicesOfAMake } from './entry-parts.js';

describe('what a make is decided by', () => {
  it('has room for every choice of every make there is, and not for ever more', () => {
    for (const method of METHODS) {
      expect(choicesOf(method).length).withContext(method.id).toBeGreaterThan(5);
      expect(choicesOfAMake.validate(initialChoices(method)).error)
        .withContext(method.id)
        .toBeUndefined();
    }
    const many = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`c${i}`, i]));
    expect(choicesOfAMake.validate(many(120)).error).toBeUndefined();
    expect(choicesOfAMake.validate(many(121)).error).toBeDefined();
  });
});
