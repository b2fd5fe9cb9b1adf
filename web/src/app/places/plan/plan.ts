import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { PlannedBatch } from '@oat-crock/contract/api';
import { percent, say, type Text } from '@oat-crock/core';
import { textOf, SayPipe, SaidPipe, tell } from '../../shared/ui/said';
import { accessFeature } from '../../state/access.feature';
import { KitchenClock } from '../../state/kitchen-clock';
import { Paper } from '../../shared/paper/paper';
import { placeKeys } from '../../shared/ui/place-keys';
import { HouseholdActions, householdSelectors } from '../../state/household';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { logFeature } from '../../state/log.feature';
import { AHEAD_DAYS, PlanActions, planFeature, SCALES } from '../../state/plan.feature';
import { OptionField } from '../../shared/ui/option-field';
import { dayTime, mass } from '../../shared/ui/words';
import { BuyList } from './buy-list';
import { SupplyList } from './supply-list';
import { FoundList } from './found-list';
import { tasksByDay } from './tasks-by-day';
import { TasksList } from './tasks-list';
import { plannedLane } from './lane-geometry';
import { dueAt } from './new-order';
import { PlanService } from '../../planner/plan-service';
import { PlanLanes } from './plan-lanes';
import { inItsVessel, PlanLive } from './plan-live';
import { PlanNotices } from './plan-notices';
import { likenessWords } from './plan-words';
import { BatchMover } from './batch-mover';
import { PlannedBatchPanel } from './planned-batch-panel';
import { WantedList } from './wanted-list';
import { WhatIf } from './what-if';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** A little of what was, before the present. */
const BACK_MS = 2 * HOUR_MS;
/** What is moved by keys has at least so much of the view behind its beginning. */
const IN_SIGHT_MS = 6 * HOUR_MS;

/** Where the columns of the plan stand one above the other: as in its styles. */
const NARROW = '(max-width: 760px)';

/** Chances with which all is to be in time that are offered, 0–1. */
const SURENESS = [0.8, 0.9, 0.95] as const;

const SCALE_WORDS: Readonly<Record<number, Text>> = {
  1: say('page.plan.plan.day'),
  3: say('page.plan.plan.threeDays'),
  7: say('page.plan.plan.week'),
};

/** Where it is planned: what is wanted at left, planned batches in lanes over nights and hours, whole plans in words. */
@Component({
  selector: 'oc-plan',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [
    SaidPipe,
    BuyList,
    SupplyList,
    FoundList,
    TasksList,
    OptionField,
    PlanLanes,
    PlanNotices,
    PlannedBatchPanel,
    WantedList,
    WhatIf,
    SayPipe,
  ],
  providers: [BatchMover],
  templateUrl: './plan.html',
  styleUrl: './plan.css',
})
export class PlanPlace {
  private readonly store = inject(Store);
  private readonly paper = inject(Paper);
  private readonly live = inject(PlanLive);
  protected readonly clock = inject(KitchenClock);
  protected readonly plans = inject(PlanService);
  protected readonly mover = inject(BatchMover);
  protected readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);
  protected readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  protected readonly days = this.store.selectSignal(planFeature.selectDays);
  private readonly loaded = this.store.selectSignal(logFeature.selectLoaded);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGearHere);
  private readonly orders = this.store.selectSignal(recordsFeature.selectOrders);

  protected readonly scales = SCALES.map((days) => ({ days, name: SCALE_WORDS[days]! }));
  protected readonly aheads = [
    { id: '', label: say('page.plan.plan.asFarAsWanted') },
    ...AHEAD_DAYS.map((days) => ({ id: String(days), label: say('page.plan.plan.days', { days }) })),
  ];
  protected readonly ahead = computed(() => String(this.plans.inputs.aheadDays() ?? ''));
  /** How sure plans may be wished to be, and the one that is. */
  protected readonly sureness = computed(() =>
    [...new Set([...SURENESS, this.settings().planChance])]
      .sort((a, b) => a - b)
      .map((chance) => ({
        id: String(chance),
        label: say('page.plan.plan.sure', { chance: percent(100 * chance) }),
      })),
  );
  /** On a telephone what the hands do next comes first, and the drawing second. */
  protected readonly view = signal<'lanes' | 'hands'>(matchMedia(NARROW).matches ? 'hands' : 'lanes');
  protected readonly said = signal('');
  protected readonly undoes = signal(false);

  /** Days from now on at which the view begins. */
  private readonly from = signal(0);
  protected readonly fromMs = computed(() => this.plans.inputs.startMs() - BACK_MS + this.from() * DAY_MS);
  protected readonly untilMs = computed(() => this.fromMs() + this.days() * DAY_MS);

  /** What is shown: as it stands, else as it is kept. */
  private readonly shown = computed(() => {
    const kept = this.plans.inputs.planned();
    const plannedBatches = this.plans.standing()?.plannedBatches ?? kept;
    return plannedBatches.map((p) => inItsVessel(p, this.gear()));
  });
  protected readonly planned = computed(() => new Map(this.shown().map((p) => [p.id, p])));
  protected readonly plannedBatches = computed(() => {
    const troubles = this.plans.standing()?.troubles ?? [];
    return [...this.live.plannedBatches(), ...this.shown().map((p) => plannedLane(p, troubles))];
  });
  protected readonly tasks = computed(() => tasksByDay(this.shown(), this.live.plannedBatches()));
  protected readonly likeness = computed(() => {
    const standing = this.plans.standing();
    return standing && standing.plannedBatches.length > 0
      ? likenessWords(standing, this.plans.inputs.startMs(), this.settings().planChance).join(' ')
      : '';
  });
  private readonly access = this.store.selectSignal(accessFeature.selectAccess);
  protected readonly feed = computed(() => this.feedOf({}));
  /** A calendar for each who helps: only what they do. */
  protected readonly ownFeeds = computed(() =>
    [...new Set(this.settings().helpers.map(({ name }) => name))].map((who) => ({
      who,
      address: this.feedOf({ who }),
    })),
  );

  /** Where a calendar reads the plan; of a dairy that is closed, with the key that lets it. */
  private feedOf(asked: Readonly<Record<string, string>>): string {
    const { calendarKey = null } = this.access() ?? {};
    const query = new URLSearchParams({ ...asked, ...(calendarKey !== null && { key: calendarKey }) }).toString();
    const { href } = new URL('/api/v1/plan.ics', document.baseURI);
    return query ? `${href}?${query}` : href;
  }

  constructor() {
    this.plans.watch();
    let first = true;
    effect(() => {
      // What is wanted and never planned is planned at once, to be looked at.
      if (!first || !this.loaded() || this.plans.standing() === null) return;
      first = false;
      const bare = this.plans.inputs.planned().length === 0 && !this.plans.draft();
      if (bare && this.plans.inputs.occurrences().length > 0) void this.propose();
    });
    placeKeys([
      { key: 'p', says: say('page.plan.plan.planAnew'), act: () => this.plan() },
      { key: 't', says: say('page.plan.plan.takePlanShown'), act: () => this.take() },
      { key: 'r', says: say('page.plan.plan.moveWhatMustMoved'), act: () => this.mend() },
      { key: 'u', says: say('page.plan.plan.putBackWhatHeld'), act: () => this.undo() },
      { key: 'escape', says: say('page.plan.plan.leaveWhatBeingMoved'), act: () => this.leave() },
      { key: '[', says: say('page.plan.plan.earlier'), act: () => this.step(-1) },
      { key: ']', says: say('page.plan.plan.later'), act: () => this.step(1) },
      {
        key: 'h',
        says: say('page.plan.plan.makeArrowsMoveShift'),
        act: () => false,
      },
    ]);
  }

  protected readonly comes = computed(() =>
    this.plans.inputs.comes().map(({ id, atMs, supply: { name, massG } }) => ({
      ...{ id, atMs },
      words: tell('page.plan.plan.canComes', { at: dayTime(atMs), name, mass: mass(massG) }),
    })),
  );

  /** Plans anew; what is found is shown where nothing else is. */
  private async propose(): Promise<void> {
    await this.plans.searchAnew();
    this.plans.lookAtFirst();
  }

  protected plan(): boolean {
    void this.propose();
    return true;
  }

  protected take(): boolean {
    if (!this.plans.draft()) return false;
    this.plans.take();
    this.announce(tell('page.plan.plan.taken'), true);
    return true;
  }

  protected mend(): boolean {
    if (!this.plans.mend()?.changes.length) return false;
    this.plans.takeMend();
    this.announce(tell('page.plan.plan.moved'), true);
    return true;
  }

  protected undo(): boolean {
    if (!this.plans.undo()) return false;
    this.announce(tell('page.plan.plan.heldAgain'));
    return true;
  }

  private leave(): boolean {
    const moving = this.mover.moving() !== null;
    this.mover.leave();
    return moving;
  }

  protected lookAhead(days: string): void {
    this.store.dispatch(PlanActions.ahead({ aheadDays: days === '' ? null : Number(days) }));
  }

  protected beSure(chance: string): void {
    this.store.dispatch(HouseholdActions.planChanceWanted({ planChance: Number(chance) }));
  }

  protected step(by: number): boolean {
    this.from.update((days) => Math.max(-1, days + by * Math.max(1, this.days() - 1)));
    return true;
  }

  /** What keys move stays in sight: the view goes along with it. */
  protected follow(atMs: number): void {
    const roomMs = Math.min(IN_SIGHT_MS, (this.untilMs() - this.fromMs()) / 4);
    const past = Math.max(0, atMs + roomMs - this.untilMs()) - Math.max(0, this.fromMs() - atMs);
    if (past !== 0)
      this.from.update((days) => Math.max(-1, days + Math.sign(past) * Math.ceil(Math.abs(past) / DAY_MS)));
  }

  protected toNow(): void {
    this.from.set(0);
  }

  protected scale(days: number): void {
    this.store.dispatch(PlanActions.looked({ days }));
  }

  /** An order's time was dragged: it is wanted then from now on. */
  protected moveDue({ plannedBatch, dueMs }: { readonly plannedBatch: PlannedBatch; readonly dueMs: number }): void {
    const orderId = plannedBatch.occurrenceId.split(' ')[0]!;
    const kept = this.orders()[orderId];
    if (!kept || dueMs <= this.clock.nowMs()) return;
    const draft = { ...kept.item, due: dueAt(kept.item.due, dueMs) };
    this.store.dispatch(RecordActions.edited({ family: 'orders', draft, overVersion: kept.version }));
    this.store.dispatch(RecordActions.saveWanted({ id: orderId }));
    this.announce(tell('page.plan.plan.wantedFrom', { due: dayTime(dueMs) }));
  }

  protected async print(): Promise<void> {
    const { tasksPaper } = await import('./tasks-paper');
    const fetch = (this.plans.standing()?.buys ?? []).map((b) => ({
      what: textOf(b.what),
      much: mass(b.massG),
      by: dayTime(b.byMs),
    }));
    try {
      await this.paper.save('hands-by-day', tasksPaper(this.tasks(), fetch, this.clock.nowMs()));
    } catch (error) {
      this.announce(tell('page.plan.plan.noPdf', { why: (error as Error).message }));
    }
  }

  private announce(words: string, undoes = false): void {
    this.said.set(words);
    this.undoes.set(undoes);
  }
}
