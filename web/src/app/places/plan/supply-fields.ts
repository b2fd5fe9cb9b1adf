import type { Comes, Supply } from '@oat-crock/contract/api';
import { localTime, nextWeekday } from '@oat-crock/calendar';
import { say, temp, type Text } from '@oat-crock/core';
import { hourWord } from '../../shared/ui/dates';
import { kitchenZone } from '../../shared/ui/zone';
import { numberAsked, type Asked, type OptionAsked } from '../../shared/ui/asked';
import { tell } from '../../shared/ui/said';
import type { FormRow } from './record-form';

const MONDAY = 1;
const MORNING_H = 7;
const USUAL_G = 10_000;

/** Milk that is brought, to be written: on the next Monday morning, unless somebody says otherwise. */
export function newSupply(id: string, nowMs: number): Supply {
  return {
    ...{ id, kind: 'milk', name: tell('page.plan.supplyFields.milkName'), massG: USUAL_G, keepsDays: 4, note: '' },
    comes: { is: 'weekly', days: [MONDAY], atH: MORNING_H, fromMs: nowMs },
    ...OF_KIND.milk,
  };
}

/** What milk and cream are like as they come, where nobody says otherwise. */
const OF_KIND = {
  milk: { fatPct: 4, proteinPct: 3.4, treatment: 'raw', price: 1 },
  cream: { fatPct: 36, proteinPct: 2.2, treatment: 'raw', price: 5 },
} as const;

/** The same times, as another kind of time. */
export function comesAs(is: Comes['is'], comes: Comes, nowMs: number): Comes {
  if (is === comes.is) return comes;
  if (comes.is === 'weekly') {
    const [day = MONDAY] = comes.days;
    return { is: 'once', atMs: nextWeekday(nowMs, day, comes.atH, kitchenZone(), 1) };
  }
  const { weekday, hour } = localTime(comes.atMs, kitchenZone());
  return { is: 'weekly', days: [weekday], atH: Math.round(4 * hour) / 4, fromMs: nowMs };
}

const option = (path: string, label: Text, options: readonly (readonly [string, Text])[]): OptionAsked => ({
  ...{ type: 'option', path, label },
  options: options.map(([id, text]) => ({ id, label: text })),
});

const KIND = option('kind', say('page.plan.supplyFields.what'), [
  ['milk', say('page.plan.supplyFields.milk')],
  ['cream', say('page.plan.supplyFields.cream')],
]);
const NAME: Asked = { type: 'text', path: 'name', label: say('page.larder.fields.name'), most: 80 };
const MUCH = numberAsked('massG', say('page.plan.orderFields.howMuch'), ' g', [100, 500_000, 500]);
const WHEN = option('comes', say('page.plan.orderFields.when'), [
  ['weekly', say('page.plan.orderFields.everyWeek')],
  ['once', say('page.plan.orderFields.once')],
]);
const keeps = () =>
  numberAsked('keepsDays', say('page.plan.supplyFields.keeps'), tell('page.plan.supplyFields.days'), [1, 60, 1]);
const FAT = numberAsked('fatPct', say('page.plan.supplyFields.fat'), ' %', [0, 60, 0.1]);
const PROTEIN = numberAsked('proteinPct', say('page.plan.supplyFields.protein'), ' %', [0, 12, 0.1]);
const TREATMENT = option('treatment', say('page.larder.fields.itIs'), [
  ['raw', say('page.larder.fields.raw')],
  ['63C-30min', say('page.larder.fields.pasteurisedSlowlyMin', { temp: temp(63) })],
  ['72C-15s', say('page.larder.fields.pasteurisedS', { temp: temp(72) })],
  ['ultra-heated', say('page.larder.fields.ultraHeated')],
]);
const PRICE = numberAsked('price', say('page.larder.fields.itCosts'), ' per kg', [0, 10_000, 0.1]);

const HOURS = Array.from({ length: 96 }, (_, i) => i / 4);
const hour = (): OptionAsked => ({
  ...option(
    'comes.atH',
    tell('page.plan.orderFields.at'),
    HOURS.map((h) => [String(h), hourWord(h)] as const),
  ),
  numeric: true,
});

/** The rows of milk or cream that is brought, as it is written. */
export function supplyRows(
  supply: Supply,
  change: (change: Partial<Supply>) => void,
  nowMs: () => number,
): readonly FormRow[] {
  const row = (id: string, field: Asked, value: unknown, set: (value: unknown) => void): FormRow => ({
    ...{ id: `supply-${id}`, field, value, set },
  });
  const plain = (field: Asked) => {
    const key = field.path as keyof Supply;
    return row(key, field, supply[key], (value) => change({ [key]: value } as Partial<Supply>));
  };
  const { comes, kind } = supply;
  return [
    row('kind', KIND, kind, (to) => change({ kind: to as Supply['kind'], ...OF_KIND[to as Supply['kind']] })),
    plain(NAME),
    plain(MUCH),
    row('when', WHEN, comes.is, (is) => change({ comes: comesAs(is as Comes['is'], comes, nowMs()) })),
    ...comesRows(comes, row, change),
    ...[keeps(), FAT, PROTEIN, TREATMENT, PRICE].map(plain),
  ];
}

function comesRows(
  comes: Comes,
  row: (id: string, field: Asked, value: unknown, set: (value: unknown) => void) => FormRow,
  change: (change: Partial<Supply>) => void,
): readonly FormRow[] {
  if (comes.is === 'once') {
    const set = (atMs: number | null) => atMs !== null && change({ comes: { is: 'once', atMs } });
    return [{ id: 'supply-at', label: tell('page.plan.supplyFields.comes'), atMs: comes.atMs, set }];
  }
  return [
    {
      id: 'supply-days',
      label: tell('page.plan.orderFields.on'),
      path: 'comes.days',
      days: comes.days,
      set: (days: readonly number[]) => change({ comes: { ...comes, days } }),
    },
    row('hour', hour(), comes.atH, (atH) => change({ comes: { ...comes, atH: atH as number } })),
  ];
}
