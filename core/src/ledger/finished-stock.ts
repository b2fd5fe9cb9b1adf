import type { Counted, IssuedHow, ProductStore } from '../batch/entry.js';
import { pottedIn } from '../larder/room-for.js';
import { methodOf } from '../make/planned.js';
import { decided } from '../methods/method.js';
import { holdOf, type Batch, type Decision, type Movement } from '../batch/replay.js';

/** What of a finished make goes where, counted in pots or pieces, or in grams where it was put into none. */
export interface FinishedStock {
  readonly batchId: string;
  readonly name: string;
  readonly finishedMs: number;
  readonly unit: 'pots' | 'g';
  /** What a pot of it is called: what was moulded is in pieces. */
  readonly called: 'pots' | 'pieces';
  /** What was made, what is still here, and how much of that is frozen; in its unit. */
  readonly made: number;
  readonly left: number;
  readonly frozen: number;
  /** What a pot holds, g; of what is counted in grams, 1. */
  readonly eachG: number;
  /** The day on its pots, "2026-05-24"; null where none was given. */
  readonly useBy: string | null;
  readonly openDays: number | null;
  /** Nothing of it may go out while somebody holds it. */
  readonly hold: Decision | null;
  readonly movements: readonly Movement[];
  /** Where it stands, in the household's words. */
  readonly place: string | null;
}

/** How much a line moves, in the unit of its stock; 0 where it says it in the other one. */
export const movedIn = (unit: FinishedStock['unit'], { pots = 0, massG = 0 }: Counted): number =>
  unit === 'pots' ? pots : massG;

/** The stock of a finished make: the sum of its lines. Null while it is on, and where it was discarded. */
export function finishedStockOf(
  batch: Pick<
    Batch,
    'id' | 'name' | 'methodId' | 'ownMethod' | 'choices' | 'ended' | 'movements' | 'decisions' | 'place'
  >,
): FinishedStock | null {
  const { id, name, ended, movements } = batch;
  if (ended?.how !== 'finished') return null;
  const method = methodOf(batch);
  const unit = (ended.pots ?? 0) > 0 ? 'pots' : 'g';
  const made = unit === 'pots' ? ended.pots! : ended.productG;
  const issued = movements.filter((m) => m.is === 'issued');
  const out = issued.reduce((sum, m) => sum + movedIn(unit, m), 0);
  return {
    batchId: id,
    name,
    finishedMs: ended.atMs,
    unit,
    called: pottedIn(method) === 'mould' ? 'pieces' : 'pots',
    made,
    left: made - out,
    frozen: Math.min(made - out, frozenIn(unit, movements)),
    eachG: unit === 'pots' ? Math.min(Number(decided(method, batch.choices)['potG']), ended.productG / made) : 1,
    useBy: ended.useBy,
    openDays: ended.openDays,
    hold: holdOf(batch),
    movements,
    place: batch.place,
  };
}

/** What was frozen and not thawed since. What goes out is taken to come out of the cold first. */
function frozenIn(unit: FinishedStock['unit'], movements: readonly Movement[]): number {
  const stored = (where: ProductStore) =>
    movements.reduce((sum, m) => sum + (m.is === 'stored' && m.where === where ? movedIn(unit, m) : 0), 0);
  return Math.max(0, stored('frozen') - stored('cold'));
}

/** What went out, by how, in the unit of the stock. */
export function issuedBy({
  unit,
  movements,
}: Pick<FinishedStock, 'unit' | 'movements'>): ReadonlyMap<IssuedHow, number> {
  const by = new Map<IssuedHow, number>();
  for (const m of movements) if (m.is === 'issued') by.set(m.how, (by.get(m.how) ?? 0) + movedIn(unit, m));
  return by;
}
