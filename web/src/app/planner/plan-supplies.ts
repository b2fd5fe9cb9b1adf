import type { Supply, SupplyTime } from '@oat-crock/contract/api';
import { stockOfLot, type LotLeftThen, type LotStock, type PlanSupply, type SupplyKind } from '@oat-crock/core';
import { dayTime } from '../shared/ui/words';
import { noonOf } from '../shared/ui/days';
import { lotOfSupply, useByOf } from '../state/own-supplies';

const MIN_MS = 60_000;
const HALF_A_DAY_MS = 43_200_000;

/** A day's end, minutes of a plan that begins at a moment. */
export const endOfDayMin = (day: string, startMs: number): number => (noonOf(day) + HALF_A_DAY_MS - startMs) / MIN_MS;

/** What comes, as lots that are there from when they do. */
export function lotsComing(
  times: readonly SupplyTime[],
  startMs: number,
): readonly (LotLeftThen & { kind: SupplyKind })[] {
  return times.map((time) => ({
    id: time.id,
    kind: time.supply.kind,
    name: `${time.supply.name} (${dayTime(time.atMs)})`,
    leftG: time.supply.massG,
    fromMin: Math.max(0, (time.atMs - startMs) / MIN_MS),
    untilMin: endOfDayMin(useByOf(time), startMs),
  }));
}

/**
 * Milk and cream of which there is only so much, as something of its kind is brought: what is here and what comes. Of a kind that nobody
 * brings, there is as much as is bought.
 */
export function planSupplies(
  supplies: readonly Supply[],
  here: readonly LotLeftThen[],
  coming: readonly LotLeftThen[],
): readonly PlanSupply[] {
  const kinds = new Set<string>(supplies.map(({ kind }) => kind));
  const there = [...here.filter(({ onlyNamed, sour, leftG }) => !onlyNamed && !sour && leftG > 0), ...coming];
  const own = there
    .filter(({ kind }) => kinds.has(kind))
    .map(({ id, name, kind, leftG, fromMin = 0, untilMin }) => ({
      ...{ id, name, massG: leftG, fromMin, untilMin },
      kind: kind as SupplyKind,
    }));
  // A kind that is brought is short where none of it comes any more.
  const none = [...kinds].filter((kind) => !own.some((s) => s.kind === kind));
  return [
    ...own,
    ...none.map((kind) => ({
      id: `no ${kind}`,
      name: '',
      kind: kind as SupplyKind,
      massG: 0,
      fromMin: 0,
      untilMin: null,
    })),
  ];
}

/** The milk that comes next, as it is; null where none does. */
export function milkOf(times: readonly SupplyTime[]): LotStock | null {
  const next = times.find(({ supply }) => supply.kind === 'milk');
  return next ? stockOfLot(lotOfSupply(next.supply, next.supply.id, next.atMs)) : null;
}
