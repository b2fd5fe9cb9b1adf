import type { Family } from '@oat-crock/contract';
import type { Kitchen } from '../kitchen.js';
import { TABLES } from '../store/kept.js';

const FAMILIES = Object.keys(TABLES) as Family[];

/** Changes to a sound record that no schema would take, and that an older version or another program may have left. */
const HARMS: readonly ((item: Record<string, unknown>) => Record<string, unknown>)[] = [
  () => ({}),
  ({ id }) => ({ id }),
  ({ id }) => ({ id, name: 'bare' }),
  (item) => ({ ...item, useBy: '2026-02-31', name: 'no such day' }),
  (item) => ({ ...item, kind: 'levitated' }),
  (item) => ({ ...item, methodId: 7, choices: null }),
  (item) => ({ ...item, name: { toString: 'x' } }),
  (item) => ({ ...item, material: null, stages: 'none', tasks: [null], due: {}, comes: [] }),
  (item) => ({ ...item, amount: -1e308, massG: 1e308, holdsL: Number.MAX_VALUE, productG: 'much' }),
  (item) => ({ ...item, startMs: 0, readyMs: 99 * 365 * 86_400_000, dueMs: 'soon', atMs: 8.64e15 + 1 }),
  (item) => ({ ...item, __proto__: { polluted: true }, constructor: 'x', extra: { deep: [[[[]]]] } }),
];

/** What the ids of those records begin with. */
export const HOSTILE = '01J0H0STE';

/** Puts records into a kitchen's file, past every check, one of each harm for each family; gives back how many. */
export function putHostile({ db, ...kitchen }: Kitchen): number {
  let count = 0;
  FAMILIES.forEach((family, f) => {
    const sound = (kitchen[family].all()[0]?.item ?? {}) as unknown as Record<string, unknown>;
    HARMS.forEach((harm, i) => {
      const id = `${HOSTILE}${f}${String(i).padStart(16, '0')}`;
      const body = JSON.stringify(harm({ ...sound, id }));
      db.prepare(`INSERT INTO ${TABLES[family]} (id, version, gone_ms, body) VALUES (?, 1, NULL, ?)`).run(id, body);
      count++;
    });
  });
  return count;
}
