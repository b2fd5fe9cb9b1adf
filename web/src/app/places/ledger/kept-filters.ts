import { MAKE_STATES, type MakeState } from '@oat-crock/core';
import type { MakesFilter } from '@oat-crock/contract/api';
import { keepHere, keptHere } from '../../state/kept-here';

const KEY = 'oat-crock.ledger-filters';

/** How far back makes are looked for, days; all of them where none is given. */
export const PERIOD_DAYS = [30, 91, 365] as const;

/** What is looked for in the ledger, as it is chosen: how far back, rather than from which moment. */
export interface LookedFor extends Omit<MakesFilter, 'fromMs' | 'untilMs'> {
  readonly days: number | null;
}

export const EVERYTHING: LookedFor = { find: '', states: [], methodId: null, days: null, taste: null };

const DAY_MS = 86_400_000;

/** What that comes to, ms, from a moment of today that stays the same all day: what is looked for is no other with every tick. */
export function filterAt({ days, ...rest }: LookedFor, todayMs: number): MakesFilter {
  return { ...rest, fromMs: days === null ? null : todayMs - days * DAY_MS, untilMs: null };
}

/** What is looked for, in an address; nothing for what is not. */
export function toAddress({ find, states, methodId, days, taste }: LookedFor): Record<string, string | null> {
  return {
    find: find || null,
    states: states.join(',') || null,
    method: methodId,
    days: days === null ? null : String(days),
    taste: taste === null ? null : String(taste),
  };
}

/** What an address looks for; what it says that cannot be is left aside. */
export function fromAddress(said: Readonly<Record<string, string | undefined>>): LookedFor {
  const oneOf = (value: string | undefined, of: readonly number[]) => of.find((n) => String(n) === value) ?? null;
  return {
    find: said['find'] ?? '',
    states: (said['states'] ?? '').split(',').filter((s): s is MakeState => MAKE_STATES.includes(s as MakeState)),
    methodId: said['method'] ?? null,
    days: oneOf(said['days'], PERIOD_DAYS),
    taste: oneOf(said['taste'], [1, 2, 3, 4, 5]),
  };
}

const isAddress = (value: unknown): value is Record<string, string> =>
  typeof value === 'object' && value !== null && Object.values(value).every((v) => typeof v === 'string');

/** What was looked for and is kept in this browser, by its name. */
export function keptFilters(): Readonly<Record<string, LookedFor>> {
  return Object.fromEntries(Object.entries(keptHere(KEY, isAddress) ?? {}).map(([name, a]) => [name, fromAddress(a)]));
}

export function keepFilters(filters: Readonly<Record<string, LookedFor>>): void {
  const given = (of: LookedFor) => Object.fromEntries(Object.entries(toAddress(of)).filter(([, v]) => v !== null));
  keepHere(KEY, Object.fromEntries(Object.entries(filters).map(([name, of]) => [name, given(of)])));
}
