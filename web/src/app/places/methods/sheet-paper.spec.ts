import { english } from '@oat-crock/messages';
import { initialChoices, makeSheet, METHODS, METRIC, referenceStock } from '@oat-crock/core';
import { measureIn } from '../../shared/ui/reader';
import { sheetPaper } from './sheet-paper';
import { sheetWords, type Begun } from './sheet-words';

const BEGUN: Begun = {
  startMs: Date.UTC(2026, 10, 23, 9),
  asleep: { fromH: 22, toH: 6, zone: 'UTC' },
  works: { fromH: 9, toH: 12, days: [1, 2, 3, 4, 5] },
  currency: '¤',
};
const NOTHING_OWN = { everyLot: {}, taken: [] };
const HEAD = { title: 'A make', name: 'Quay pots', begun: 'Monday 23 November, 09:00', drawing: '<svg></svg>' };

/** Every text of a document, in order. */
function textsOf(part: unknown): string[] {
  if (typeof part === 'string') return [part];
  if (Array.isArray(part)) return part.flatMap(textsOf);
  if (typeof part !== 'object' || part === null) return [];
  const { text, stack, columns, ul, table, content } = part as Record<string, unknown>;
  return [text, stack, columns, ul, (table as { body?: unknown } | undefined)?.body, content].flatMap(textsOf);
}

describe('a sheet on paper', () => {
  afterEach(() => measureIn(METRIC));

  for (const method of METHODS) {
    it(`has all that is weighed, done and warned of: ${english(method.name)}`, () => {
      const says = sheetWords(makeSheet(method, initialChoices(method)), BEGUN, NOTHING_OWN);
      const texts = textsOf(sheetPaper(says, HEAD));
      const page = texts.join(' ');
      for (const amount of says.amounts) expect(page).toContain(amount.mass);
      for (const hand of says.hands) expect(texts).withContext(hand.id).toContain(hand.at);
      for (const caution of says.cautions) expect(texts).toContain(caution);
      for (const fact of says.facts) expect(page).toContain(fact.what);
      expect(page).toContain('Quay pots. Begun Monday 23 November, 09:00');
      expect(page).withContext('letters the printed faces lack').not.toMatch(/[⅓⅔¤]/);
    });
  }

  it('is in the household’s units like the page', () => {
    measureIn({ temperature: 'F', mass: 'oz', volume: 'us' });
    const method = METHODS.find((m) => m.id === 'strained-yogurt')!;
    const says = sheetWords(makeSheet(method, initialChoices(method)), BEGUN, NOTHING_OWN);
    const page = textsOf(sheetPaper(says, HEAD)).join(' ');
    expect(page).toContain('8 lb 13.1 oz');
    expect(page).toContain('Warm to 185 °F');
    expect(page).not.toMatch(/°C|\d kg/);
  });

  it('marks hands of the night and outside working hours, and counts them', () => {
    const method = METHODS.find((m) => m.id === 'strained-yogurt')!;
    const says = sheetWords(makeSheet(method, initialChoices(method)), BEGUN, NOTHING_OWN);
    const off = says.hands.filter((h) => h.hours === 'off');
    expect(off.length).toBe(says.offHands);
    expect(says.offHands).toBeGreaterThan(0);
    for (const hand of off) expect(hand.what).toMatch(/ Outside working hours\.$/);
    for (const hand of says.hands.filter((h) => h.hours === 'work')) expect(hand.what).not.toContain('hours.');
  });

  it('says how much longer it keeps than the cream of one’s own that is in it', () => {
    const method = METHODS.find((m) => m.id === 'scalded-cream')!;
    const stock = { ...referenceStock('cream-36'), id: 'lot:01J0000000000000000000000A', kind: 'cream' as const };
    const sheet = makeSheet(method, { cream: stock.id, blendBy: 'cream' }, undefined, { stocks: [stock] });
    const keepsUntil = (useBy: string | null) => {
      const item = {
        id: stock.id.slice(4),
        kind: 'cream',
        name: 'Market cream',
        useBy,
        amount: 9000,
        pack: null,
        material: {},
      };
      const everyLot = { [item.id]: { item } } as unknown as Parameters<typeof sheetWords>[2]['everyLot'];
      return sheetWords(sheet, BEGUN, { everyLot, taken: [] }).facts.find((f) => f.what === 'Keeps')!.more;
    };
    // Begun on the 23rd in the morning it is lifted on the 24th, and keeps a week.
    expect(keepsUntil('2026-11-25')).toMatch(/ 6 days longer than Market cream, which keeps till Wed 25 Nov\.$/);
    expect(keepsUntil('2026-12-01')).not.toContain('Market cream');
    expect(keepsUntil(null)).not.toContain('Market cream');
  });
});
