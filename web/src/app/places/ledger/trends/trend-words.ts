import type { Shift, TrendChange, TrendFinding } from '@oat-crock/core';
import { dayOf, sayDay } from '../../../shared/ui/days';
import { tell } from '../../../shared/ui/said';
import { written } from '../../../shared/ui/dates';
import { capital } from '../../../shared/ui/words';
import { figureBy, figureName, figureWords } from './figure-words';

/** What the things that change are called. */
export interface ChangeNames {
  readonly culture: (lineId: string) => string;
  readonly keeper: (id: string) => string;
}

/** Something that was otherwise from a make on, with its day: "the culture is the new jar (12 Mar 2026)". */
export function changeWords(change: TrendChange, names: ChangeNames): string {
  return tell('page.ledger.trends.change', {
    of: change.of,
    to: nameOf(change, names),
    day: written(change.atMs, 'dayYear'),
  });
}

/** The same as it stands beside its mark in the drawing. */
export function changeMark(change: TrendChange, names: ChangeNames): string {
  return `${nameOf(change, names)}, ${sayDay(dayOf(change.atMs))}`;
}

function nameOf({ of, to }: TrendChange, names: ChangeNames): string {
  if (of === 'culture') return names.culture(to);
  return of === 'keeper' ? names.keeper(to) : to;
}

/** A change that is more than chance, in a sentence. */
export function findingWords(finding: TrendFinding, names: ChangeNames, currency: string): string {
  const { figure } = finding;
  const name = figureName(figure);
  if (finding.is === 'drift') {
    const { perYear, makes } = finding;
    return tell('page.ledger.trends.drift', {
      name,
      way: perYear > 0 ? 'more' : 'less',
      by: figureBy(figure, perYear, currency),
      makes,
    });
  }
  const said = { name, ...shiftWords(figure, finding.shift, currency) };
  return finding.is === 'season'
    ? tell('page.ledger.trends.season', said)
    : capital(tell('page.ledger.trends.changed', { ...said, change: changeWords(finding.change, names) }));
}

function shiftWords(figure: TrendFinding['figure'], shift: Shift, currency: string) {
  const { before, after, makesBefore, makesAfter, by, byFrom, byTo } = shift;
  const [least, most] = [byFrom, byTo].map(Math.abs).sort((a, b) => a - b);
  const isCertain = Math.sign(byFrom) === Math.sign(byTo);
  return {
    before: figureWords(figure, before, currency),
    after: figureWords(figure, after, currency),
    makesBefore,
    makesAfter,
    way: by > 0 ? ('more' as const) : ('less' as const),
    by: figureBy(figure, by, currency),
    from: figureBy(figure, isCertain ? least! : 0, currency),
    to: figureBy(figure, most!, currency),
  };
}
