import type { Content } from 'pdfmake/interfaces';
import { makeAt, otherMakeAt, START_MS } from '../../testing/followed';
import { recordPaper } from '../../shared/log/record-paper';
import { safetyRows } from '../../shared/log/safety-words';

const MIN = 60_000;
const rows = ({ followed }: ReturnType<typeof makeAt>, minute: number) =>
  Object.fromEntries(safetyRows(followed.safety, START_MS + minute * MIN).map((r) => [r.what, r]));

describe('safety in words', () => {
  it('counts the hours warm, says when acid guards it, and whether anybody has measured that', () => {
    const souring = rows(makeAt(200), 200);
    expect(souring['Heat']!.says).toMatch(/^pasteurised or more, 8\d\.\d °C/);
    expect(souring['Warm']!.says).toMatch(/^2 h \d\d at 5 to 57 °C above pH 4.6, \d h( \d\d)? by its end$/);
    expect(souring['Acid']!.says).toMatch(/pH 4.6 by about \d\d:\d\d; nobody has measured it$/);
    const sour = rows(makeAt(400, [380, { type: 'reading', quantity: 'ph', value: 4.48, by: 'meter' }]), 400);
    expect(sour['Acid']!.says).toContain('measured pH 4.48 by meter at');
    expect(sour['Acid']!.tone).toBe('good');
    expect(sour['Cooling']).toBeUndefined();
  });

  it('holds what acid does not keep to the limits of cooling', () => {
    const steps = [
      [9, 'heat'],
      [40, 'acid'],
      [46, 'rest'],
      [56, 'strain'],
      [86, 'salt'],
      [92, 'chill'],
    ] as const;
    const curd = rows(otherMakeAt(400, 'acid-heat-curd', steps), 400);
    expect(curd['Acid']).toBeUndefined();
    expect(curd['Cooling']!.says).toMatch(/two hours, then four more$/);
  });
});

describe('the record of a make', () => {
  /** All words of a page, in order. */
  const words = (part: unknown): string => {
    if (typeof part === 'string') return part;
    if (Array.isArray(part)) return part.map(words).join(' ');
    if (typeof part !== 'object' || part === null) return '';
    const { text, stack, columns, table } = part as Record<string, unknown> & { table?: { body: unknown } };
    return [text, stack, columns, table?.body].map(words).join(' ');
  };
  const struck = (part: unknown): string[] => {
    if (Array.isArray(part)) return part.flatMap(struck);
    if (typeof part !== 'object' || part === null) return [];
    const { decoration, text } = part as { decoration?: string; text?: string };
    return decoration === 'lineThrough' ? [text!] : Object.values(part).flatMap(struck);
  };
  const lines = [
    [150, { type: 'reading', quantity: 'ph', value: 5.1, by: 'meter' }],
    [160, { type: 'held', by: 'Ine', reason: 'Smelled of yeast.' }],
    [170, { type: 'released', by: 'Tam', reason: 'Tasted and measured.' }],
  ] as const;
  const made = (...more: Parameters<typeof makeAt>[1][]) => {
    const { batch, followed } = makeAt(200, ...lines, ...more);
    return { batch, page: recordPaper(batch, followed, { method: 'Strained yogurt', nowMs: START_MS + 200 * MIN }) };
  };

  it('names the lot, the hands, the decisions and who took them, and defers to the local code', () => {
    const text = words(made().page.content as Content[]).replace(/\s+/g, ' ');
    for (const said of [
      'Lot 261123-',
      'Began: hold',
      'On hold by Ine: Smelled of yeast.',
      'Let go by Tam',
      'local food code',
    ]) {
      expect(text).toContain(said);
    }
  });

  it('keeps what a corrected line said first, struck through, beside what it says now', () => {
    const first = made().batch.log.find((l) => l.entry.body.type === 'reading')!.entry.id;
    const { page } = made([
      180,
      {
        type: 'correction',
        replaces: first,
        body: { type: 'reading', quantity: 'ph', value: 5.4, by: 'meter' },
      },
    ]);
    expect(struck(page.content)).toEqual(['pH 5.10']);
    expect(words(page.content as Content[]).replace(/\s+/g, ' ')).toContain('corrected: pH 5.40');
  });
});
