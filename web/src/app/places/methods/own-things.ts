import {
  choicesOf,
  fillOfGear,
  fillOfLot,
  isStock,
  leftOf,
  lotChoice,
  lotsNamed,
  nearness,
  pottedIn,
  stockOfLot,
  useFirst,
  type Amount,
  type Choice,
  type Choices,
  type Gear,
  type Lot,
  type LotStock,
  type Method,
  type OptionChoice,
  percent,
} from '@oat-crock/core';
import { mass } from '../../shared/ui/words';
import { sayDay } from '../../shared/ui/days';
import { tell } from '../../shared/ui/said';
import type { OwnThings } from '../../state/own-larder';

/** Something of one's own that answers some choices at once. */
export interface OwnFill {
  readonly id: string;
  readonly label: string;
  readonly choices: Choices;
  /** Why it would not do, in a sentence: it is shown, and cannot be taken. */
  readonly refused?: string;
}

/** A choice with the lots of one's own before what the list has, those to be used first leading. */
export function withOwnLots(choice: Choice, own: OwnThings): Choice {
  if (choice.kind !== 'option' || !choice.lots) return choice;
  const fitting = own.lots.filter(
    (lot) => choice.lots!.some((kind) => kind === lot.kind) && leftOf(lot, own.taken) > 0,
  );
  const options = useFirst(fitting).map((lot) => ({
    id: lotChoice(lot.id),
    label: lot.name,
    why: lotWords(lot, own),
  }));
  return { ...choice, options: [...options, ...choice.options, ...goneOptions(choice, own)] };
}

/** A lot that was taken away stays an option for as long as it is what was chosen. */
function goneOptions(choice: OptionChoice, { everyLot, lots }: OwnThings): OptionChoice['options'] {
  const here = new Set(lots.map((l) => l.id));
  return Object.values(everyLot)
    .filter(({ item }) => !here.has(item.id) && choice.lots!.some((kind) => kind === item.kind))
    .map(({ item }) => ({
      id: lotChoice(item.id),
      label: tell('page.methods.ownThings.takenAway', { name: item.name }),
      why: tell('page.methods.ownThings.noLongerLarder'),
    }));
}

function lotWords(lot: Lot, { taken, today }: OwnThings): string {
  const near = nearness(lot, today);
  const date =
    lot.useBy === null
      ? ''
      : near === 'past'
        ? tell('page.methods.ownThings.pastDate', { useBy: sayDay(lot.useBy) })
        : tell('page.methods.ownThings.until', { useBy: sayDay(lot.useBy) });
  const fat = isStock(lot)
    ? tell('page.methods.ownThings.fatProtein', {
        fat: percent(lot.material.fatPct, 1),
        protein: percent(lot.material.proteinPct, 1),
      })
    : '';
  return tell('page.methods.ownThings.left', { taken: mass(leftOf(lot, taken)), date, fat });
}

/**
 * Everything of one's own that answers some choices of a method, by the choice beside which it is offered.
 *
 * @param roomC the room it is made in, °C; null where nobody says
 */
export function ownFills(
  method: Method,
  { lots, gear }: OwnThings,
  roomC: number | null = null,
): ReadonlyMap<string, readonly OwnFill[]> {
  const things = [
    ...lots.filter((lot) => !isStock(lot)).map((lot) => ({ id: lot.id, label: lot.name, fill: fillOfLot(lot) })),
    ...gear.filter((g) => isFor(method, g)).map((g) => ({ id: g.id, label: g.name, fill: fillOfGear(g, roomC) })),
  ];
  const choices = new Map(choicesOf(method).map((c) => [c.key, c]));
  const fills = things.flatMap(({ id, label, fill }) => {
    const beside = fill && choices.get(fill.beside);
    if (!fill || !beside || !allows(beside, fill.choices[fill.beside]!)) return [];
    const kept = Object.entries(fill.choices).filter(([key, value]) => allowsIn(choices, key, value));
    return [{ beside: fill.beside, own: { id, label, choices: Object.fromEntries(kept) } }];
  });
  return new Map([...Map.groupBy(fills, (f) => f.beside)].map(([key, of]) => [key, of.map((f) => f.own)]));
}

const allowsIn = (choices: ReadonlyMap<string, Choice>, key: string, value: number | string) => {
  const choice = choices.get(key);
  return choice !== undefined && allows(choice, value);
};

/** Jars for what is potted, moulds for what is moulded; anything else as its choices have it. */
const isFor = (method: Method, { kind }: Gear) => (kind !== 'jar' && kind !== 'mould') || kind === pottedIn(method);

/** True where a choice may have a value. */
export function allows(choice: Choice, value: number | string): boolean {
  if (choice.kind === 'number') return typeof value === 'number' && value >= choice.min && value <= choice.max;
  return choice.options.some((o) => o.id === value);
}

/** What choosing a lot as a milk, cream or base answers besides itself: its price, where the method asks for it. */
export function fillOfOption(method: Method, value: number | string, own: OwnThings): Choices | null {
  const lot = own.lots.find((l) => lotChoice(l.id) === value);
  const fill = lot && fillOfLot(lot);
  if (!fill) return null;
  const keys = new Map(choicesOf(method).map((c) => [c.key, c]));
  const rest = Object.entries(fill.choices).filter(([key, v]) => key !== fill.beside && allowsIn(keys, key, v));
  return Object.fromEntries(rest);
}

/** What a culture answers that moves by itself, with its age and with what is learned of its line. */
const MOVES_BY_ITSELF: ReadonlySet<string> = new Set(['ageDays', 'vigourPct']);

/** True where the choices still are what a thing filled in. */
export function stillFills(fill: OwnFill, choices: Choices): boolean {
  return Object.entries(fill.choices).every(([key, value]) => MOVES_BY_ITSELF.has(key) || choices[key] === value);
}

/** The lots that some choices name, as a make keeps them. */
export function stocksNamed(choices: Choices, { everyLot }: Pick<OwnThings, 'everyLot'>): LotStock[] {
  return lotsNamed(choices).flatMap((id) => {
    const lot = everyLot[id]?.item;
    return lot && isStock(lot) ? [stockOfLot(lot)] : [];
  });
}

/** What an amount may come out of: what is no kind of lot comes out of none. */
type Source = NonNullable<Amount['outOf']>;

/** Something that a make takes out of a lot. */
export interface Taking {
  readonly lotId: string;
  readonly massG: number;
}

/**
 * What a make takes out of the larder: of the lots its choices name, of the bottles they were filled in from, and salt
 * and powder of what is to be used first.
 */
export function takings(
  amounts: readonly Amount[],
  things: Readonly<Record<string, string>>,
  own: OwnThings,
): readonly Taking[] {
  const chosen = new Set(Object.values(things));
  const bottleOf = (kind: Source) => own.lots.find((lot) => lot.kind === kind && chosen.has(lot.id));
  const firstOf = (kind: Source) => useFirst(own.lots.filter((l) => l.kind === kind && leftOf(l, own.taken) > 0))[0];
  const lotFor = (amount: Amount): string | undefined => {
    if (amount.lotId !== null) return amount.lotId;
    if (amount.outOf === null) return undefined;
    const own = bottleOf(amount.outOf) ?? (SHARED.has(amount.outOf) ? firstOf(amount.outOf) : undefined);
    return own?.id;
  };
  return amounts.flatMap((amount) => {
    const lotId = lotFor(amount);
    return lotId === undefined ? [] : [{ lotId, massG: amount.massG }];
  });
}

/** Kinds of which one lot is as good as another. */
const SHARED: ReadonlySet<string> = new Set(['salt', 'powder']);
