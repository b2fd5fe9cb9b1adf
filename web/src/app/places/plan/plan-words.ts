import type { SupplyTime, WantedOrder } from '@oat-crock/contract/api';
import { percent, type Likeness, type PlanChances, type Supposition } from '@oat-crock/core';
import { weekdayHourWord, written } from '../../shared/ui/dates';
import { dayTime, span } from '../../shared/ui/words';
import type { PlanFound } from '../../planner/planner-api';
import { quantity, tell } from '../../shared/ui/said';

/** So far ahead a weekday alone would be taken for that of this week. */
const THIS_WEEK_MS = 6 * 86_400_000;

/** A moment to come: "Sat 09:00", "Sat 12 Dec 09:00" once it is not of this week. */
export const whenWords = (atMs: number, nowMs: number): string =>
  atMs - nowMs < THIS_WEEK_MS ? dayTime(atMs) : written(atMs, 'dayClock');

/** When something is wanted: "Sat 09:00", "each Saturday 09:00", "some time". */
export function dueWords({ due }: Pick<WantedOrder, 'due'>, nowMs: number): string {
  if (due.is === 'some time') return tell('page.plan.planWords.someTime');
  if (due.is === 'once') return whenWords(due.atMs, nowMs);
  return tell('page.plan.planWords.each', { atH: weekdayHourWord(due.day, due.atH) });
}

/** A chance, 0–1, as one reads it: "94 %"; never none at all, and never certain. */
export function chanceWords(chance: number): string {
  const pct = Math.round(100 * chance);
  const said = (of: number) => quantity(percent(of, 0));
  if (pct > 99) return tell('page.plan.planWords.over', { chance: said(99) });
  return pct < 1 ? tell('page.plan.planWords.under', { chance: said(1) }) : said(pct);
}

/** A chance is known to three in a hundred: what lacks no more of what is wished is not said to. */
export const isLessSure = (chance: number, wished: number): boolean => chance < wished - 0.03;

/** Whose hands come when, as far as that is as sure as is wished. */
function handsWords({ nightMin, offMin }: Likeness, chances: PlanChances | null, wished: number): string {
  if (nightMin >= 1) return tell('page.plan.planWords.handsNight', { night: span(nightMin) });
  if (chances && chances.quietNights < wished)
    return tell('page.plan.planWords.quiet', { chance: chanceWords(chances.quietNights) });
  if (offMin >= 1) return tell('page.plan.planWords.noHandsNightOutside', { off: span(offMin) });
  const isSure = chances !== null && chances.inWorkingHours >= wished;
  return tell(isSure ? 'page.plan.planWords.allHandsWorkingHours' : 'page.plan.planWords.likelyWorkingHours');
}

/**
 * How a plan is, in a few short sentences that can be set beside those of another.
 *
 * @param wished chance with which all is to be in time, 0–1
 */
export function likenessWords(
  { likeness, chances, notMet }: Pick<PlanFound, 'likeness' | 'chances' | 'notMet'>,
  startMs: number,
  wished: number,
): readonly string[] {
  const { handsMin, meanAgeH, oldestH, firstMin, feedings } = likeness;
  const orders = Object.keys(chances?.byOrder ?? {}).length;
  const met =
    chances && orders > 0
      ? [
          tell(notMet.length > 0 ? 'page.plan.planWords.plannedMet' : 'page.plan.planWords.allMet', {
            orders,
            chance: chanceWords(chances.allMet),
          }),
        ]
      : [];
  const when = handsWords(likeness, chances, wished);
  const begins =
    firstMin === null ? [] : [tell('page.plan.planWords.firstHands', { at: dayTime(startMs + firstMin * 60_000) })];
  const fresh =
    oldestH > 0 ? [tell('page.plan.planWords.fresh', { by: span(60 * meanAgeH), most: span(60 * oldestH) })] : [];
  return [
    [...met, when].join(' '),
    [...begins, ...fresh].join(' '),
    tell('page.plan.planWords.handsInAll', { hands: span(handsMin), feedings }),
  ].filter((words) => words !== '');
}

/** A bound further off than this says nothing of how good a plan is. */
const TELLING_GAP = 0.25;

/** How good a plan is known to be. */
export function gapWords({ proven, thorough, gap }: Pick<PlanFound, 'proven' | 'thorough' | 'gap'>): string {
  if (proven) return tell('page.plan.planWords.noneBetter', { ways: thorough ? 'all' : 'usual' });
  if (gap > TELLING_GAP) return tell('page.plan.planWords.moreRoundsMayFind');
  const pct = 100 * gap;
  return tell('page.plan.planWords.within', { gap: percent(pct, pct < 1 ? 1 : 0) });
}

/** Time from one moment to another: "40 min later", "2 h earlier". */
export function shiftWords(fromMs: number, toMs: number): string {
  const minutes = (toMs - fromMs) / 60_000;
  const by = span(Math.abs(minutes));
  return minutes < 0 ? tell('page.plan.planWords.earlier', { by }) : tell('page.plan.planWords.later', { by });
}

/** The day a moment falls on, as a heading: "Thursday 23 November". */
export const dayHeading = (atMs: number): string => written(atMs, 'longDay');

/** "the cream comes a day late" */
export function supposedWords(what: Supposition, comes: readonly SupplyTime[] = []): string {
  if (what.is === 'comes late') return tell('page.plan.foundList.late', { what: what.what, by: span(what.byMin) });
  if (what.is === 'can late') {
    const { supply, atMs } = comes.find(({ id }) => id === what.supplyId)!;
    const can = { name: supply.name, at: dayTime(atMs) };
    return what.byMin === null
      ? tell('page.plan.foundList.canNever', can)
      : tell('page.plan.foundList.canLate', { ...can, by: span(what.byMin) });
  }
  if (what.is === 'out of use') return tell('page.plan.foundList.outOfUse', { gear: what.gear });
  return what.who === undefined
    ? tell('page.plan.foundList.nobody')
    : tell('page.plan.foundList.ill', { who: what.who });
}
