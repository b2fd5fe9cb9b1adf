import { METHODS } from '@oat-crock/core';
import { numberAsked, type Asked } from '../ui/asked';
import { written } from '../ui/dates';

export const WHEN: Asked = {
  type: 'option',
  path: 'is',
  label: 'When',
  options: [
    { id: 'once', label: 'Once' },
    { id: 'weekly', label: 'Every week' },
    { id: 'some time', label: 'Some time', why: 'When it suits the rest' },
  ],
};
export const MADE: Asked = {
  type: 'option',
  path: 'choices',
  label: 'Made',
  options: [
    { id: 'usual', label: 'As the method has it' },
    { id: 'sheet', label: 'As on its sheet now' },
    { id: 'own', label: 'As it was wanted' },
  ],
};
export const MUCH = numberAsked('productG', 'How much', ' g', [100, 500_000, 100], { why: 'Of what is handed on.' });
export const WHOM: Asked = { type: 'text', path: 'whom', label: 'For whom', most: 80 };
export const NOTE: Asked = { type: 'text', path: 'note', label: 'Note' };

/** Every half hour of a day as the clock shows it. */
export const halfHours = () =>
  Array.from({ length: 48 }, (_, i) => ({
    id: String(i / 2),
    label: written(new Date(2026, 0, 4, Math.floor(i / 2), 30 * (i % 2)), 'clock'),
  }));

/** How much is asked by itself; the vessel follows from it. */
export const OF_AMOUNT: ReadonlySet<string> = new Set(['massG', 'vesselL']);
/** Fields that say themselves what is wrong with them. */
export const OWN_FIELDS: ReadonlySet<string> = new Set(['methodId', 'productG', 'whom', 'note']);
/** Makes that feed a culture are no orders. */
export const FEEDINGS: ReadonlySet<string> = new Set(METHODS.filter((m) => m.family === 'Starters').map((m) => m.id));
