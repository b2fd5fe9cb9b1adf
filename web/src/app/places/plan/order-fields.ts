import type { Due, WantedOrder } from '@oat-crock/contract/api';
import { METHODS, type Choices, type Method, say, type Text } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { named, tell } from '../../shared/ui/said';
import { numberAsked, type Asked, type OptionAsked } from '../../shared/ui/asked';
import { hourWord } from '../../shared/ui/dates';
import { weekdays } from '../../shared/ui/weekday-toggle';
import { dueAs } from './new-order';
import type { FormRow } from './record-form';

const option = (path: string, label: Text, options: readonly (readonly [string, Text])[]): OptionAsked => ({
  type: 'option',
  path,
  label,
  options: options.map(([id, text]) => ({ id, label: text })),
});

const WHEN = option('due', say('page.plan.orderFields.when'), [
  ['once', say('page.plan.orderFields.once')],
  ['weekly', say('page.plan.orderFields.everyWeek')],
  ['some time', say('page.plan.orderFields.someTime')],
]);
const MADE = option('choices', say('page.plan.orderFields.made'), [
  ['usual', say('page.plan.orderFields.asTheMethodHas')],
  ['sheet', say('page.plan.orderFields.sheetNow')],
  ['own', say('page.plan.orderFields.asItWasWanted')],
]);
const MUCH = numberAsked('productG', say('page.plan.orderFields.howMuch'), ' g', [100, 500_000, 100], {
  why: say('page.plan.orderFields.whatHanded'),
});
const WHOM: Asked = { type: 'text', path: 'whom', label: say('page.plan.orderFields.forWhom'), most: 80 };
const ALONE = option('alone', say('page.plan.orderFields.batch'), [
  ['shared', say('page.plan.orderFields.withOthers')],
  ['alone', say('page.plan.orderFields.onItsOwn')],
]);
const NOTE: Asked = { type: 'text', path: 'note', label: say('page.plan.orderFields.note') };

const day = (): OptionAsked => {
  const days = weekdays().map(({ day: of, name }) => [String(of), name] as const);
  return { ...option('due.day', tell('page.plan.orderFields.on'), days), numeric: true };
};

/** Every quarter of an hour of a day as the clock shows it: a flag is dragged by as much. */
const hour = (): OptionAsked => {
  const hours = Array.from({ length: 96 }, (_, i) => [String(i / 4), hourWord(i / 4)] as const);
  return { ...option('due.atH', tell('page.plan.orderFields.at'), hours), numeric: true };
};

/** How much is asked by itself; the vessel follows from it. */
const OF_AMOUNT: ReadonlySet<string> = new Set(['massG', 'boughtG', 'vesselL']);
/** Makes that feed a culture are no orders. */
const FEEDINGS: ReadonlySet<string> = new Set(METHODS.filter((m) => m.gives === 'starter').map((m) => m.id));

/** What is chosen on the sheet of a method, but for how much. */
export const withoutAmount = (choices: Choices): Choices =>
  Object.fromEntries(Object.entries(choices).filter(([key]) => !OF_AMOUNT.has(key)));

/** What a form of an order goes by besides the order itself. */
export interface OrderFormOf {
  readonly methods: readonly Method[];
  /** What is chosen on the sheet of its method now. */
  readonly onSheet: Choices;
  readonly nowMs: () => number;
  readonly change: (change: Partial<WantedOrder>) => void;
}

/** The rows of an order as it is written. */
export function orderRows(order: WantedOrder, { methods, onSheet, nowMs, change }: OrderFormOf): readonly FormRow[] {
  const row = (id: string, field: Asked, value: unknown, set: (value: unknown) => void): FormRow => ({
    id: `order-${id}`,
    field,
    value,
    set,
  });
  const what = option(
    'methodId',
    tell('page.plan.orderFields.what'),
    methods.filter((m) => !FEEDINGS.has(m.id)).map(({ id, name }) => [id, named(name)] as const),
  );
  const made = madeAs(order.choices, onSheet);
  const asked = made !== 'usual' || Object.keys(onSheet).length > 0;
  return [
    row('method', what, order.methodId, (id) => change({ methodId: String(id), choices: {} })),
    ...(asked
      ? [row('as', MADE, made, (as) => as !== 'own' && change({ choices: as === 'sheet' ? onSheet : {} }))]
      : []),
    row('much', MUCH, order.productG, (productG) => change({ productG: productG as number })),
    row('when', WHEN, order.due.is, (is) => change({ due: dueAs(is as Due['is'], order.due, nowMs()) })),
    ...dueRows(order.due, row, change),
    row('whom', WHOM, order.whom, (whom) => change({ whom: String(whom) })),
    row('alone', ALONE, order.alone ? 'alone' : 'shared', (as) => change({ alone: as === 'alone' })),
    row('note', NOTE, order.note, (note) => change({ note: String(note) })),
  ];
}

function dueRows(
  due: Due,
  row: (id: string, field: Asked, value: unknown, set: (value: unknown) => void) => FormRow,
  change: OrderFormOf['change'],
): readonly FormRow[] {
  if (due.is === 'some time') return [];
  if (due.is === 'weekly')
    return [
      row('day', day(), due.day, (of) => change({ due: { ...due, day: of as number } })),
      row('hour', hour(), due.atH, (atH) => change({ due: { ...due, atH: atH as number } })),
    ];
  const set = (atMs: number | null) => atMs !== null && change({ due: { is: 'once', atMs } });
  return [{ id: 'order-at', label: tell('page.plan.orderFields.wanted'), atMs: due.atMs, set }];
}

/** As whose choices those of an order are: the method's own, those of its sheet now, or its own. */
function madeAs(choices: Choices, onSheet: Choices): 'usual' | 'sheet' | 'own' {
  if (Object.keys(choices).length === 0) return 'usual';
  return dequal(choices, onSheet) ? 'sheet' : 'own';
}
