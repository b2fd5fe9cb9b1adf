import { say } from '@oat-crock/core';
import type { AlertWay, AlertWish } from '@oat-crock/contract/api';
import { numberAsked, type Asked } from '../../shared/ui/asked';
import { HOURS } from '../../shared/ui/hour-options';

/** A wish as it is filled in: its quiet hours in three fields. */
export interface WishDraft extends Omit<AlertWish, 'quiet'> {
  readonly quiet: 'none' | 'house' | 'own';
  readonly fromH: number;
  readonly toH: number;
}

/** What somebody gets who has not said otherwise: all hands, ten minutes before, and peace while the house sleeps. */
export const NEW_WISH: WishDraft = {
  ...{ name: '', way: 'mail', address: '', about: 'all', leadMin: 10 },
  ...{ quiet: 'house', fromH: 22, toH: 6, wakes: false, isPaused: false },
};

/** A wish as it is kept, as it is filled in. */
export function draftOf({ quiet, ...wish }: AlertWish): WishDraft {
  const { fromH, toH } = NEW_WISH;
  if (quiet === null || quiet === 'house') return { ...wish, quiet: quiet ?? 'none', fromH, toH };
  return { ...wish, quiet: 'own', ...quiet };
}

/** A wish as it is filled in, as it is kept. */
export function wishOf({ quiet, fromH, toH, ...wish }: WishDraft): AlertWish {
  const { name, way, address, about, leadMin, wakes, isPaused } = wish;
  const plain = { name: name.trim(), way, address: address.trim(), about, leadMin, wakes, isPaused };
  return { ...plain, quiet: quiet === 'none' ? null : quiet === 'house' ? 'house' : { fromH, toH } };
}

const LABELS = {
  mail: say('page.alerts.form.mailAddress'),
  webhook: say('page.alerts.form.requestAddress'),
  push: say('page.alerts.form.deviceName'),
} as const;

/** The fields of a wish, by what was chosen of it. */
export function wishFields({ quiet }: WishDraft, way: AlertWay, ways: readonly AlertWay[]): readonly Asked[] {
  const hours = (path: string, label: Asked['label']): Asked => ({
    ...{ type: 'option', path, label, numeric: true },
    options: HOURS().filter(({ id }) => id !== '24'),
  });
  const oneOf = <T extends string>(
    path: string,
    label: Asked['label'],
    ids: readonly T[],
    of: (id: T) => Asked['label'],
  ) => ({ type: 'option', path, label, options: ids.map((id) => ({ id, label: of(id) })) }) satisfies Asked;
  return [
    { type: 'text', path: 'name', label: say('page.alerts.form.name'), why: say('page.alerts.form.nameWhy'), most: 60 },
    ...(ways.length > 0 ? [oneOf('way', say('page.alerts.form.way'), ways, (id) => say(`page.alerts.way.${id}`))] : []),
    { type: 'text', path: 'address', label: LABELS[way], most: 500 },
    oneOf('about', say('page.alerts.form.about'), ['all', 'own'] as const, (id) => say(`page.alerts.about.${id}`)),
    numberAsked('leadMin', say('page.alerts.form.lead'), ' min', [0, 120, 5], { buttons: true }),
    oneOf('quiet', say('page.alerts.form.quiet'), ['none', 'house', 'own'] as const, (id) =>
      say(`page.alerts.quiet.${id}`),
    ),
    ...(quiet === 'own'
      ? [hours('fromH', say('page.alerts.form.from')), hours('toH', say('page.alerts.form.to'))]
      : []),
    ...(quiet === 'none'
      ? []
      : [{ type: 'switch', path: 'wakes', label: say('page.alerts.form.wakes') } satisfies Asked]),
  ];
}
