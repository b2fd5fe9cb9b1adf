import { duration, listOf, mass, say, type Text } from '@oat-crock/core';
import { textSchema } from './text.schema.js';

const fits = (text: unknown) => textSchema.validate(text, { convert: false }).error === undefined;

describe('a text that is kept', () => {
  it('is a message with all that may stand in it, or a sentence', () => {
    const texts: readonly Text[] = [
      'Weigh it.',
      say('stages.rennet.drop', { drops: 2 }),
      say('stages.hold.keepLidLowHeat', { target: { tempC: 85 }, n: duration(15), lid: 'on' }),
      say('stages.blend.weighIntoPot', { parts: listOf([say('good.cream'), mass(20)]) }),
    ];
    for (const text of texts) expect(fits(text)).withContext(JSON.stringify(text)).toBeTrue();
  });

  it('is nothing else, and of bounded length', () => {
    const long = (n: number) => ({ key: 'a.b', values: { name: 'x'.repeat(n) } });
    expect([fits(long(1900)), fits(long(2000))]).toEqual([true, false]);
    expect([
      fits({ key: 'a b' }),
      fits({ values: {} }),
      fits({ key: 'a', more: 1 }),
      fits(3),
      fits('x'.repeat(601)),
    ]).toEqual([false, false, false, false, false]);
  });
});
