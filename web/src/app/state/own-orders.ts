import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { occurrencesOf } from '@oat-crock/calendar';
import { wantedIdsOf, type Occurrence } from '@oat-crock/contract/api';
import {
  type Base,
  type Batch,
  type DueOrder,
  fillOrders,
  type Filling,
  goesOnAs,
  holdOf,
  type MakeComing,
  type Over,
  overOf,
  willDo,
} from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { dayOf } from '../shared/ui/days';
import { followFeature } from './follow.feature';
import { householdSelectors } from './household';
import { KitchenClock } from './kitchen-clock';
import { logFeature } from './log.feature';
import { MethodBook } from './method-book';
import { selectStocks } from './own-stock';
import { PlanRecords } from './plan-records';
import { recordsFeature } from './records.feature';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** What was to be handed over stays to be asked about so long. */
const ASKED_AFTER_DAYS = 3;
/** What is wanted further ahead is filled by nothing yet. */
const AHEAD_DAYS = 31;
/** A forecast of a make's mass moves all the time: it is told in steps of so much, g, and of so long, ms. */
const [STEP_G, STEP_MS] = [10, 15 * 60_000];

/** What is wanted at one time, and how far it is met. */
export interface WantedFilled {
  readonly occurrence: Occurrence;
  readonly filling: Filling;
  /** Somebody has said that nothing more goes out for it. */
  readonly settled: boolean;
  /** When the first make that is planned for it is to be begun, ms; null where none is. */
  readonly plannedMs: number | null;
}

/** What is over of a make that another may go on with, and until which day it keeps. */
export interface BaseThere extends Over {
  readonly base: Base;
  readonly name: string;
  readonly useBy: string | null;
}

/** What is wanted, filled by what is here and on its way. */
@Injectable({ providedIn: 'root' })
export class OwnOrders {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly plannedBatches = inject(PlanRecords).plannedBatches;
  private readonly orders = this.store.selectSignal(recordsFeature.selectOrdersHere);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly past = this.store.selectSignal(logFeature.selectPast);
  private readonly stocks = this.store.selectSignal(selectStocks);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);

  /** The hour that has begun: what falls due is looked up no oftener. */
  private readonly hourMs = computed(() => Math.floor(this.clock.nowMs() / HOUR_MS) * HOUR_MS);

  private readonly occurrences = computed((): readonly Occurrence[] => {
    const nowMs = this.hourMs();
    const [fromMs, untilMs] = [nowMs - ASKED_AFTER_DAYS * DAY_MS, nowMs + AHEAD_DAYS * DAY_MS];
    return occurrencesOf(this.orders(), fromMs, untilMs, this.settings().zone);
  });

  /** Makes that are on, or whose pots nobody counts: each with what is expected of it. */
  private readonly coming = computed(
    (): readonly MakeComing[] => {
      const counted = new Set(this.stocks().map(({ batch }) => batch.id));
      const plannedOf = new Map(this.plannedBatches().map((p) => [p.batchId, p]));
      return this.batches().flatMap((batch): MakeComing[] => {
        const planned = plannedOf.get(batch.id);
        const { id: batchId, methodId, choices, ended } = batch;
        const of = { batchId, methodId, choices, wantedIds: planned ? wantedIdsOf(planned) : [] };
        if (ended?.how === 'discarded' || counted.has(batchId) || holdOf(batch)) return [];
        if (ended) return planned ? [{ ...of, productG: ended.productG, readyMs: ended.atMs }] : [];
        const follows = this.followed()[batchId];
        const readyMs = follows?.stages.at(-1)?.endMs;
        if (follows && readyMs) {
          const productG = Math.round(follows.balanceEnd.productG / STEP_G) * STEP_G;
          return [{ ...of, productG, readyMs: Math.ceil(readyMs / STEP_MS) * STEP_MS }];
        }
        // Until it is worked out, or where it never arrives as it stands, what was planned of it counts.
        return planned ? [{ ...of, productG: planned.productG, readyMs: planned.readyMs }] : [];
      });
    },
    { equal: dequal },
  );

  private readonly here = computed(() =>
    this.stocks().map(({ batch: { methodId, choices }, stock }) => ({ ...stock, methodId, choices })),
  );

  private readonly filled = computed(
    (): readonly Filling[] => {
      const open = this.occurrences().filter((o) => !isSettled(o));
      return fillOrders(
        {
          wanted: open.map(wantedOf),
          stocks: this.here(),
          coming: this.coming(),
          delivered: new Map(this.past().delivered.map((d) => [d.occurrenceId, d.massG])),
        },
        { methodOf: (id) => this.book.find(id), dayOf, nowMs: this.hourMs() },
      );
    },
    { equal: dequal },
  );
  private readonly fillings = computed(() => new Map(this.filled().map((filling) => [filling.wantedId, filling])));

  /** What is over of makes that others may go on with: yogurt for the cloth, clabber for the knife. */
  readonly bases = computed(
    (): readonly BaseThere[] => {
      const batches = new Map(this.batches().map((b) => [b.id, b]));
      const here = new Map(this.here().map((s) => [s.batchId, s]));
      return overOf(this.filled(), { stocks: this.here(), coming: this.coming() }).flatMap((over): BaseThere[] => {
        const made = here.get(over.batchId) ?? batches.get(over.batchId);
        const method = made && this.book.find(made.methodId);
        const base = made && method ? goesOnAs(method, made.choices) : null;
        return made && base ? [{ ...over, base, name: made.name, useBy: here.get(over.batchId)?.useBy ?? null }] : [];
      });
    },
    { equal: dequal },
  );

  /** What is to be handed over, the earliest first, and what was to be in the last days. */
  readonly wanted = computed((): readonly WantedFilled[] =>
    this.occurrences().map((occurrence) => ({
      occurrence,
      filling: this.fillings().get(occurrence.id) ?? NOTHING_OF(occurrence),
      settled: isSettled(occurrence),
      plannedMs: this.plannedMs().get(occurrence.id) ?? null,
    })),
  );

  private readonly plannedMs = computed((): ReadonlyMap<string, number> => {
    const planned = this.plannedBatches().filter((p) => p.batchId === null);
    return new Map(
      planned
        .sort((a, b) => b.startMs - a.startMs)
        .flatMap((p) => wantedIdsOf(p).map((id) => [id, p.startMs] as const)),
    );
  });

  /** How far one time of what is wanted is met; null where it lies too far ahead to say. */
  fillingOf(occurrenceId: string): Filling | null {
    return this.fillings().get(occurrenceId) ?? null;
  }

  /** Those who wait for what a make gives, and for how much of it, g, the first to be handed it first. */
  waitingFor(batchId: string) {
    return this.wanted().flatMap(({ occurrence: { id, dueMs, order }, filling, settled }) => {
      const massG = filling.coming.filter((c) => c.batchId === batchId).reduce((sum, c) => sum + c.massG, 0);
      return settled || massG <= 0 ? [] : [{ id, whom: order.whom, dueMs, massG }];
    });
  }

  /** What somebody waits for that a make will do for: where they get some of it, it is for that. Null where nothing is. */
  openFor(whom: string, { methodId, choices }: Pick<Batch, 'methodId' | 'choices'>): string | null {
    const asked = whom.trim().toLocaleLowerCase();
    const method = this.book.find(methodId);
    const isIt = ({ occurrence: { order }, settled, filling }: WantedFilled) =>
      !settled &&
      filling.deliveredG < order.productG &&
      order.whom.toLocaleLowerCase() === asked &&
      order.methodId === methodId &&
      willDo(method!, order.choices, choices);
    return asked && method ? (this.wanted().find(isIt)?.occurrence.id ?? null) : null;
  }

  /** As much of what is wanted as has still to be made; what is met, or settled, is left out. */
  toMake(occurrences: readonly Occurrence[]): readonly Occurrence[] {
    return occurrences.flatMap((occurrence): Occurrence[] => {
      const filling = this.fillingOf(occurrence.id);
      if (isSettled(occurrence) || filling?.isMet) return [];
      const { order } = occurrence;
      const missingG = filling ? Math.max(LEAST_G, Math.ceil(filling.missingG / STEP_G) * STEP_G) : order.productG;
      return missingG >= order.productG ? [occurrence] : [{ ...occurrence, order: { ...order, productG: missingG } }];
    });
  }
}

/** The least that is planned, g. */
const LEAST_G = 100;

/** Whether nothing more goes out for it: all of it did, or somebody has said so. */
export const isHandedOver = ({ settled, filling: { isMet, fromStock, coming } }: WantedFilled): boolean =>
  settled || (isMet && fromStock.length + coming.length === 0);

export const isSettled = ({ id, order }: Occurrence): boolean => order.settled?.includes(id) ?? false;

const wantedOf = ({ id, dueMs, order: { methodId, choices, productG } }: Occurrence): DueOrder => ({
  ...{ id, methodId, choices, productG, dueMs },
});

const NOTHING_OF = ({ id }: Occurrence): Filling => ({
  ...{ wantedId: id, deliveredG: 0, fromStock: [], coming: [], missingG: 0, isMet: true },
});
