import { english } from '@oat-crock/messages';
import type { WantedOrder } from '@oat-crock/contract/api';
import { METHODS } from '@oat-crock/core';
import { orderRows, withoutAmount } from './order-fields';
import type { FormRow } from './record-form';

const NOW = Date.UTC(2026, 4, 4, 9);
const HOUR = 3_600_000;
const order = (more: Partial<WantedOrder> = {}): WantedOrder => ({
  id: '01J00000000000000000000001',
  whom: '',
  methodId: 'quark',
  choices: {},
  productG: 1500,
  due: { is: 'once', atMs: NOW + 72 * HOUR },
  note: '',
  ...more,
});

describe('the form of what is wanted', () => {
  let changed: Partial<WantedOrder>[] = [];
  beforeEach(() => (changed = []));
  const rowsOf = (of: WantedOrder, onSheet = {}) =>
    orderRows(of, { methods: METHODS, onSheet, nowMs: () => NOW, change: (change) => changed.push(change) });
  const row = (rows: readonly FormRow[], id: string) => {
    const found = rows.find((r) => r.id === `order-${id}`);
    if (!found) throw new Error(`no row ${id}`);
    return found;
  };
  const ids = (rows: readonly FormRow[]) => rows.map((r) => r.id.replace('order-', ''));
  const set = (rows: readonly FormRow[], id: string, value: unknown) => {
    (row(rows, id).set as (v: unknown) => void)(value);
    return changed.at(-1);
  };

  it('asks what, how much, when and for whom, and of the time what its kind needs', () => {
    expect(ids(rowsOf(order()))).toEqual(['method', 'much', 'when', 'at', 'whom', 'alone', 'note']);
    const weekly = order({ due: { is: 'weekly', day: 6, atH: 8, fromMs: NOW } });
    expect(ids(rowsOf(weekly))).toEqual(['method', 'much', 'when', 'day', 'hour', 'whom', 'alone', 'note']);
    expect(ids(rowsOf(order({ due: { is: 'some time' } })))).toEqual([
      'method',
      'much',
      'when',
      'whom',
      'alone',
      'note',
    ]);
  });

  it('offers every make but the feeding of a culture', () => {
    const what = row(rowsOf(order()), 'method');
    const offered = 'field' in what && what.field.type === 'option' ? what.field.options.map((o) => o.id) : [];
    expect(offered.length).toBe(METHODS.length - METHODS.filter((m) => english(m.family) === 'Starters').length);
    expect(offered).not.toContain('starter-feeding');
  });

  it('changes one thing at a time, and keeps the rest of its time', () => {
    const rows = rowsOf(order());
    expect(set(rows, 'much', 2500)).toEqual({ productG: 2500 });
    expect(set(rows, 'whom', 'the quay')).toEqual({ whom: 'the quay' });
    expect(set(rows, 'note', 'in jars')).toEqual({ note: 'in jars' });
    expect([set(rows, 'alone', 'alone'), set(rows, 'alone', 'shared')]).toEqual([{ alone: true }, { alone: false }]);
    expect(set(rows, 'when', 'some time')).toEqual({ due: { is: 'some time' } });
    expect(set(rows, 'at', NOW + 5 * HOUR)).toEqual({ due: { is: 'once', atMs: NOW + 5 * HOUR } });
    const before = changed.length;
    set(rows, 'at', null);
    expect(changed.length).toBe(before);
    const weekly = rowsOf(order({ due: { is: 'weekly', day: 6, atH: 8, fromMs: 7 } }));
    expect(set(weekly, 'day', 3)).toEqual({ due: { is: 'weekly', day: 3, atH: 8, fromMs: 7 } });
    expect(set(weekly, 'hour', 9.25)).toEqual({ due: { is: 'weekly', day: 6, atH: 9.25, fromMs: 7 } });
  });

  it('has every quarter of an hour that a flag may be dragged to', () => {
    const weekly = rowsOf(order({ due: { is: 'weekly', day: 6, atH: 9.25, fromMs: 7 } }));
    const hour = row(weekly, 'hour');
    const offered = 'field' in hour && hour.field.type === 'option' ? hour.field.options : [];
    expect(english(offered.find((o) => o.id === '9.25')!.label)).toBe('09:15');
    expect(new Set(offered.map((o) => o.id)).size).toBe(96);
  });

  it('forgets the choices of one method where another is taken', () => {
    expect(set(rowsOf(order({ choices: { fatPct: 4 } })), 'method', 'cultured-cream')).toEqual({
      methodId: 'cultured-cream',
      choices: {},
    });
  });

  it('asks whose choices it has only where there is another answer than the usual', () => {
    const onSheet = { fatPct: 5 };
    const made = (of: WantedOrder) => {
      const found = row(rowsOf(of, onSheet), 'as');
      return 'field' in found ? found.value : null;
    };
    expect(made(order())).toBe('usual');
    expect(made(order({ choices: { fatPct: 5 } }))).toBe('sheet');
    expect(made(order({ choices: { fatPct: 3 } }))).toBe('own');
    expect(set(rowsOf(order(), onSheet), 'as', 'sheet')).toEqual({ choices: onSheet });
    expect(set(rowsOf(order({ choices: { fatPct: 3 } }), onSheet), 'as', 'usual')).toEqual({ choices: {} });
    expect(withoutAmount({ massG: 4000, vesselL: 6, fatPct: 5 })).toEqual(onSheet);
  });
});
