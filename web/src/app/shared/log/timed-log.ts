import { inject, signal, type Signal, type WritableSignal } from '@angular/core';
import { finishedStockOf, impossibleTime, plannedOf, type Batch, type EntryBody, type Lot } from '@oat-crock/core';
import { textOf, tell } from '../ui/said';
import { KitchenClock } from '../../state/kitchen-clock';
import { kitchenZone } from '../ui/zone';
import { Logger } from '../../state/logger';
import type { LineNames } from './entry-words';
import { impossibleWords, momentOf, NOW, type When } from './when';

/** Writing to a batch at the time that somebody says. */
export interface TimedLog {
  readonly when: WritableSignal<When>;
  /** Why the last could not be written, in words at the field; empty where it could. */
  readonly wrong: Signal<string>;
  /** Writes, and goes back to "now"; false where it cannot have been then. */
  readonly write: (body: EntryBody) => boolean;
}

/** A name of a stage of a make. */
export function stageNameIn(batch: Batch): (id: string) => string {
  const { stages } = plannedOf(batch);
  return (id) => {
    const stage = stages.find((s) => s.id === id);
    return stage ? textOf(stage.kind.name(stage.params)) : id;
  };
}

/** What a step of a make says: the stage that began, or of the first, which began with the make, that its hands are done. */
export function stepWordsIn(batch: Batch): (stageId: string) => string {
  const { stages } = plannedOf(batch);
  return (stageId) => {
    const at = stages.findIndex((s) => s.id === stageId);
    const stage = stages[at];
    if (!stage) return tell('page.log.timedLog.began', { stageId });
    return `${at === 0 ? tell('page.log.timedLog.done') : tell('page.log.timedLog.began2')}: ${textOf(stage.kind.name(stage.params))}`;
  };
}

/** What the lines of a make's log call things, the lots it took of by their names. */
export function lineNamesIn(batch: Batch, lots: Readonly<Record<string, { readonly item: Lot }>> = {}): LineNames {
  return {
    step: stepWordsIn(batch),
    lot: (id) => lots[id]?.item.name,
    called: finishedStockOf(batch)?.called ?? 'pots',
  };
}

/** Why a line cannot have been at a moment; empty where it can. */
export function timeWrong(batch: Batch, body: EntryBody, atMs: number | null, nowMs: number): string {
  if (atMs === null) return tell('page.log.timedLog.sayTimeHoursMinutes');
  const order = plannedOf(batch).stages.map((s) => s.id);
  const why = impossibleTime(batch, order, body, atMs, nowMs);
  return why ? impossibleWords(why, atMs, stageNameIn(batch)) : '';
}

/** Logs to a batch now, or when it was. To be called where things are injected. */
export function timedLog(batch: () => Batch): TimedLog {
  const logger = inject(Logger);
  const clock = inject(KitchenClock);
  const when = signal<When>(NOW);
  const wrong = signal('');
  return {
    when,
    wrong,
    write: (body) => {
      const nowMs = clock.exactMs();
      const atMs = momentOf(when(), nowMs, kitchenZone());
      wrong.set(timeWrong(batch(), body, atMs, nowMs));
      if (atMs === null || wrong()) return false;
      logger.write(batch().id, body, atMs);
      when.set(NOW);
      return true;
    },
  };
}
