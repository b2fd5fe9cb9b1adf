import { occurrencesOf } from '@oat-crock/calendar';
import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { placesOf, type Occurrence } from '@oat-crock/contract/api';
import {
  committedOf,
  isStock,
  leftOf,
  stockOfLot,
  storeOf,
  ACTIVITY_LOSS,
  type KeptPlace,
  type Known,
  type LotLeftThen,
  SOUR_CREAM_BELOW_PH,
  type StarterHere,
  FLAVOURS,
} from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { OwnCultures } from '../state/own-cultures';
import { KitchenClock } from '../state/kitchen-clock';
import { OwnLarder } from '../state/own-larder';
import { OwnOrders } from '../state/own-orders';
import { OwnSupplies } from '../state/own-supplies';
import { MethodBook } from '../state/method-book';
import { followFeature } from '../state/follow.feature';
import { selectKitchen } from '../state/kitchen';
import { recordsFeature } from '../state/records.feature';
import { learnedFeature } from '../state/learned.feature';
import { logFeature, selectLive } from '../state/log.feature';
import { planFeature } from '../state/plan.feature';
import { PlanRecords } from '../state/plan-records';
import { endOfDayMin, lotsComing, milkOf, planSupplies } from './plan-supplies';
import type { PlanWanted } from './planner-api';

const MIN_MS = 60_000;
const HOUR_MS = 60 * MIN_MS;
const DAY_MS = 24 * HOUR_MS;
const QUARTER_MS = 15 * MIN_MS;
/** A forecast moves by seconds all the time: a plan is told of it in steps of so many minutes. */
const LIVE_STEP_MIN = 5;
/** Past the last that is wanted a plan goes on so long, so that what comes too late is still seen. */
const BEYOND_MS = 12 * HOUR_MS;

/** Where nothing is said it is planned as far ahead as anything is wanted once: so many days at the least, and at the most. */
const LEAST_AHEAD_DAYS = 7;
const MOST_AHEAD_DAYS = 60;

/** What is worked out anew with every tick of the clock is the same for as long as it says the same. */
const SAME = { equal: dequal };

/** What a plan is made of, as the household has it now. */
@Injectable({ providedIn: 'root' })
export class PlanInputs {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly larder = inject(OwnLarder);
  private readonly cultures = inject(OwnCultures);
  private readonly settings = this.store.selectSignal(selectKitchen);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGearHere);
  private readonly everyPlannedBatch = this.store.selectSignal(recordsFeature.selectPlannedBatches);
  private readonly plannedBatchesHere = inject(PlanRecords).plannedBatches;
  private readonly live = this.store.selectSignal(selectLive);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);
  private readonly draft = this.store.selectSignal(planFeature.selectDraft);

  readonly orders = this.store.selectSignal(recordsFeature.selectOrdersHere);
  /** How far ahead it is planned, days; as far as anything is wanted where it is null. */
  readonly aheadDays = this.store.selectSignal(planFeature.selectAheadDays);
  /** The next quarter of an hour: nothing is begun before, and a plan stands still until then. */
  readonly startMs = computed(() => Math.ceil(this.clock.nowMs() / QUARTER_MS) * QUARTER_MS);

  /** Planned batches that count: one whose batch was discarded is to be planned again. */
  readonly plannedBatches = computed(() => {
    const discarded = new Set(this.batches().flatMap((b) => (b.ended?.how === 'discarded' ? [b.id] : [])));
    return this.plannedBatchesHere().filter((p) => p.batchId === null || !discarded.has(p.batchId));
  });
  readonly planned = computed(() => this.plannedBatches().filter((p) => p.batchId === null));

  private readonly lastDueMs = computed(() => {
    const startMs = this.startMs();
    const asked = startMs + (this.aheadDays() ?? LEAST_AHEAD_DAYS) * DAY_MS;
    const wanted =
      this.aheadDays() === null ? this.orders().flatMap(({ due }) => (due.is === 'once' ? [due.atMs] : [])) : [];
    const within = wanted.filter((atMs) => atMs <= startMs + MOST_AHEAD_DAYS * DAY_MS);
    return Math.max(asked, ...within, ...this.planned().map((p) => p.dueMs ?? p.readyMs));
  });
  readonly occurrences = computed((): readonly Occurrence[] =>
    occurrencesOf(this.orders(), this.startMs(), this.lastDueMs(), this.settings().zone),
  );

  private readonly ownOrders = inject(OwnOrders);
  /** The same, as much of each as has still to be made: less what was handed over, what is here for it and what is on its way. */
  readonly toMake = computed(() => this.ownOrders.toMake(this.occurrences()), SAME);

  /** Where each make is, in minutes from the plan's beginning: as it was moved, else as it is held. */
  readonly places = computed((): readonly KeptPlace[] => {
    const startMs = this.startMs();
    const draft = this.draft();
    if (!draft) return placesOf(this.plannedBatches(), startMs);
    const byMin = (draft.fromMs - startMs) / MIN_MS;
    return draft.places.map((p) => ({ ...p, startMin: p.startMin + byMin }));
  });

  private readonly starters = computed((): readonly StarterHere[] | null => {
    const dues = this.cultures.dues();
    if (dues.length === 0) return null;
    return dues.map(({ lot, leftG, activity }) => ({
      culture: lot.culture,
      massG: leftG,
      activity: Math.round(100 * activity.likely) / 100,
      lossPerDay: ACTIVITY_LOSS[lot.form][storeOf(lot)].perDay,
    }));
  }, SAME);

  private readonly pooled = this.store.selectSignal(learnedFeature.selectPooled);
  /** What the kitchen's makes have taught, each culture's by the line that there is most of. */
  private readonly known = computed((): Known | null => {
    const learned = this.pooled();
    if (learned.known.length === 0) return null;
    const least = [...this.cultures.dues()].sort((a, b) => a.leftG - b.leftG);
    return {
      learned,
      lines: Object.fromEntries(least.map(({ lot }) => [lot.culture, this.cultures.lineOfLot([lot.id])!])),
    };
  }, SAME);
  /** Whether what makes have taught is to hand, or there is none: a plan that was laid out before would not hold after. */
  readonly toHand = this.store.selectSignal(learnedFeature.selectToHand);

  private readonly lots = computed((): readonly LotLeftThen[] => {
    const { lots, taken } = this.larder.things();
    const startMs = this.startMs();
    return lots.map((lot) => ({
      id: lot.id,
      kind: lot.kind,
      name: lot.name,
      leftG: Math.max(0, leftOf(lot, taken)),
      onlyNamed: isStock(lot) && (lot.species !== 'cow' || lot.treatment === 'ultra-heated'),
      ...(lot.kind === 'cream' && { sour: (lot.freshPh ?? Infinity) <= SOUR_CREAM_BELOW_PH }),
      ...(lot.kind === 'flavour' && { sort: FLAVOURS[lot.flavour].name }),
      untilMin: lot.useBy === null ? null : endOfDayMin(lot.useBy, startMs),
    }));
  }, SAME);

  private readonly ownSupplies = inject(OwnSupplies);
  /** When milk and cream comes, as far as the plan goes. */
  readonly comes = computed(() => this.ownSupplies.times(this.startMs(), this.lastDueMs()), SAME);
  private readonly coming = computed(() => lotsComing(this.comes(), this.startMs()), SAME);
  /** What is over of makes, as lots of what others may go on with. */
  private readonly bases = computed((): readonly LotLeftThen[] => {
    const startMs = this.startMs();
    return this.ownOrders.bases().map(({ batchId, name, base, massG, readyMs, useBy }) => ({
      ...{ id: batchId, kind: base, name, leftG: massG },
      ...(readyMs !== null && { fromMin: Math.max(0, (readyMs - startMs) / MIN_MS) }),
      untilMin: useBy === null ? null : endOfDayMin(useBy, startMs),
    }));
  }, SAME);
  private readonly supplies = computed(() => planSupplies(this.ownSupplies.all(), this.lots(), this.coming()), SAME);
  private readonly milk = computed(() => milkOf(this.comes()), SAME);

  private readonly committed = computed(() => {
    const [startMs, horizonMin] = [this.startMs(), (this.lastDueMs() + BEYOND_MS - this.startMs()) / MIN_MS];
    const step = (min: number) => Math.round(min / LIVE_STEP_MIN) * LIVE_STEP_MIN;
    return this.live().flatMap((batch) => {
      const followed = this.followed()[batch.id];
      if (!followed) return [];
      const { name, tasks, demands } = committedOf(batch.name, followed, startMs, horizonMin);
      return [
        {
          name,
          tasks: tasks.map((h) => ({ ...h, atMin: step(h.atMin) })),
          demands: demands.map((s) => ({ ...s, fromMin: step(s.fromMin), toMin: step(s.toMin) })),
        },
      ];
    });
  }, SAME);

  /** All of it; the same object for as long as nothing of it has changed. */
  readonly wanted = computed((): PlanWanted => ({
    startMs: this.startMs(),
    untilMs: this.lastDueMs() + BEYOND_MS,
    occurrences: this.toMake(),
    before: [...this.plannedBatches(), ...this.gone()],
    methods: this.methods(),
    settings: this.settings(),
    gear: this.gear(),
    stocks: this.stocks(),
    lots: [...this.lots(), ...this.coming(), ...this.bases()],
    supplies: this.supplies(),
    milk: this.milk(),
    starters: this.starters(),
    known: this.known(),
    committed: this.committed(),
  }));

  private readonly gone = computed(() =>
    Object.values(this.everyPlannedBatch())
      .filter(({ goneMs }) => goneMs !== null)
      .map(({ item }) => item),
  );
  /** Only those that something wanted is made by. */
  private readonly methods = computed(() => {
    const ids = new Set(this.orders().map((o) => o.methodId));
    return this.book.all().filter((m) => ids.has(m.id));
  });
  /** Only lots that choices of something wanted name. */
  private readonly stocks = computed(() => {
    const named = JSON.stringify(this.orders().map((o) => o.choices));
    return this.larder
      .things()
      .lots.filter(isStock)
      .filter((lot) => named.includes(lot.id))
      .map(stockOfLot);
  });
}
