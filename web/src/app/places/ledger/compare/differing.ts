import { percent, type ComparedRun } from '@oat-crock/core';
import { quantity, tell } from '../../../shared/ui/said';
import { acidity, amount, mass, number, pricePer, span, temp } from '../../../shared/ui/words';

/** A line of the table: something in which the makes differ, each as it is read. */
export interface DifferingLine {
  readonly what: string;
  readonly values: readonly string[];
}

type Figures = NonNullable<ComparedRun['figures']>;

/** What makes are held against one another by: where it is read off, from which difference on it counts, and how it is said. */
interface Row {
  readonly what: string;
  readonly of: (run: ComparedRun) => number | null;
  readonly from: number;
  readonly words: (value: number, currency: string) => string;
}

const figure = (key: keyof Figures) => (run: ComparedRun) => {
  const value = run.figures?.[key];
  return typeof value === 'number' ? value : null;
};
const mark = (key: keyof NonNullable<Figures['score']>) => (run: ComparedRun) => run.figures?.score?.[key] ?? null;
const hours = (value: number) => span(Math.round(value * 60));
const percentOf = (value: number) => quantity(percent(value, 1));
const days = (value: number) => amount(value, 'days', 0.1);
const plain = (value: number) => number(value, 0);

const ROWS: readonly Row[] = [
  { what: 'souredH', of: figure('souredH'), from: 0.25, words: hours },
  { what: 'meanSetC', of: ({ facts }) => facts.meanSetC, from: 0.4, words: temp },
  { what: 'starterC', of: ({ facts }) => facts.starterC, from: 1, words: temp },
  { what: 'peakC', of: ({ facts }) => facts.peakC, from: 1, words: temp },
  {
    what: 'activity',
    of: ({ facts }) => facts.activity,
    from: 0.08,
    words: (value) => quantity(percent(100 * value, 0)),
  },
  { what: 'dosePct', of: ({ facts }) => facts.dosePct, from: 0.05, words: percentOf },
  { what: 'starterDays', of: ({ facts }) => facts.starterDays, from: 0.5, words: days },
  { what: 'generation', of: ({ facts }) => facts.generation, from: 0.5, words: plain },
  { what: 'fatPct', of: ({ facts }) => facts.fatPct, from: 0.1, words: percentOf },
  { what: 'proteinPct', of: ({ facts }) => facts.proteinPct, from: 0.1, words: percentOf },
  { what: 'endPh', of: ({ figures, facts }) => figures?.endPh ?? facts.endPh, from: 0.04, words: acidity },
  { what: 'inG', of: figure('inG'), from: 20, words: mass },
  { what: 'productG', of: figure('productG'), from: 20, words: mass },
  { what: 'yieldPct', of: figure('yieldPct'), from: 0.4, words: percentOf },
  { what: 'lostPct', of: figure('lostPct'), from: 0.4, words: percentOf },
  { what: 'perKg', of: figure('perKg'), from: 0.05, words: (value, currency) => pricePer(value, currency) },
  { what: 'sourness', of: mark('sourness'), from: 1, words: plain },
  { what: 'thickness', of: mark('thickness'), from: 1, words: plain },
  { what: 'smoothness', of: mark('smoothness'), from: 1, words: plain },
  { what: 'taste', of: mark('taste'), from: 1, words: plain },
];

/** Only what differs, by more than it can be read to. */
export function differingLines(runs: readonly ComparedRun[], currency: string): readonly DifferingLine[] {
  return ROWS.flatMap(({ what, of, from, words }): DifferingLine[] => {
    const values = runs.map(of);
    const known = values.filter((value): value is number => value !== null);
    if (known.length < 2 || Math.max(...known) - Math.min(...known) < from) return [];
    return [
      {
        what: tell('page.ledger.compare.what', { what }),
        values: values.map((value) => (value === null ? tell('page.ledger.compare.unknown') : words(value, currency))),
      },
    ];
  });
}
