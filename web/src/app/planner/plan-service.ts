import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { staleOf, type PlannedBatch } from '@oat-crock/contract/api';
import { OBJECTIVE_PRESETS, type KeptPlace, type Supposition } from '@oat-crock/core';
import { filter, firstValueFrom } from 'rxjs';
import { tell, textOf } from '../shared/ui/said';
import { PlanActions, planFeature } from '../state/plan.feature';
import { PlanInputs } from './plan-inputs';
import { PlanRecords } from '../state/plan-records';
import { draftOf, tasksMoved, placesIn, type PlaceAt } from './plan-places';
import { Planner } from './planner';
import type { TaskAt, PlanFound, PlanStanding, PlanWanted, BatchMoved, Search } from './planner-api';
import { wordsOfError } from '../shared/ui/words';

/** Plans that differ in cost by less are one as good as the other. */
const SAME_COST = 1e-6;

/** A search that is on, or over. */
export interface Searching {
  readonly supposing: Supposition | null;
  readonly running: boolean;
  readonly round: number;
  /** How far it has come, 0 to 1. */
  readonly progress: number;
  /** What it has found, by objective preset, the usual one first. */
  readonly found: readonly PlanFound[];
  readonly failed: string;
}

/** The plan as it is worked on: how it stands, what would be better, what is moved, taken and undone. */
@Injectable({ providedIn: 'root' })
export class PlanService {
  private readonly store = inject(Store);
  private readonly planner = inject(Planner);
  private readonly planRecords = inject(PlanRecords);
  readonly inputs = inject(PlanInputs);
  readonly draft = this.store.selectSignal(planFeature.selectDraft);

  /** True once somebody looks at the plan, or there is one that has to be kept up with. */
  private readonly open = signal(false);
  private readonly active = computed(() => this.open() || this.inputs.planned().length > 0);
  readonly standing = signal<PlanStanding | null>(null);
  readonly failed = signal('');
  readonly working = signal(false);
  readonly searching = signal<Searching | null>(null);
  /** The plan that mends the one that stands, where that does not hold or is not all of it. */
  readonly mend = signal<PlanFound | null>(null);
  readonly mending = signal(false);

  /** Planned batches of nothing that is wanted any more. */
  readonly stale = computed(() => staleOf(this.inputs.planned(), this.inputs.toMake()));
  /** Planned batches whose hands come at another time than when they were taken, though all of it holds: hours or gear have changed. */
  readonly shifted = computed(() => {
    if (this.draft()) return [];
    const kept = new Map(this.inputs.planned().map((p) => [p.id, p]));
    return (this.standing()?.plannedBatches ?? []).filter((plannedBatch) => {
      const was = kept.get(plannedBatch.id);
      return was !== undefined && was.startMs === plannedBatch.startMs && tasksMoved(was, plannedBatch);
    });
  });
  /** Why something has no place in the plan that stands, and what is to be bought for it to have one: as the search had it. */
  readonly leftOut = computed((): Pick<PlanFound, 'notMet' | 'buys'> => {
    const unplaced = new Set(this.standing()?.unplaced);
    const draft = this.draft();
    const shown = draft ? this.searching()?.found.find((f) => nameOfPreset(f) === draft.of) : this.mend();
    return {
      notMet: (shown?.notMet ?? []).filter((n) => unplaced.has(n.occurrenceId)),
      buys: (shown?.buys ?? []).filter((b) => b.toMeet !== null && unplaced.size > 0),
    };
  });
  readonly needsMend = computed(() => {
    const standing = this.standing();
    return standing !== null && (standing.troubles.length > 0 || standing.unplaced.length > 0);
  });

  /** Settles once there is nothing more to wait for before a plan is laid out. */
  private readonly toHand = firstValueFrom(toObservable(this.inputs.toHand).pipe(filter((is) => is)), {
    defaultValue: true,
  });
  private searches = 0;
  /** What the plans that are shown were searched for. */
  private searchedFor: PlanWanted | null = null;
  private taking = false;
  /** What the plan that stands was laid out for. */
  private stood: PlanService['asking'] = null;
  private asking: { readonly wanted: PlanWanted; readonly places: readonly KeptPlace[] } | null = null;

  constructor() {
    effect(() => {
      if (!this.active() || !this.inputs.toHand()) return;
      this.asking = this.asked();
      untracked(() => void this.keepUp());
    });
  }

  /** Somebody looks. */
  watch(): void {
    this.open.set(true);
  }

  /** One at a time, the newest next: a fast clock never piles up work. */
  private async keepUp(): Promise<void> {
    if (this.working()) return;
    this.working.set(true);
    while (this.asking) {
      const { wanted, places } = this.asking;
      this.asking = null;
      try {
        this.standing.set(await this.planner.layOut(wanted, places));
        this.stood = { wanted, places };
        this.failed.set('');
      } catch (error) {
        this.failed.set(wordsOfError(error));
      }
    }
    this.working.set(false);
    this.takeDrafted();
    if (this.needsMend() && !this.draft() && !this.searching()?.running) void this.lookForMend();
    else if (!this.needsMend()) this.mend.set(null);
  }

  /** Looks quietly for the plan that moves least and holds. */
  private async lookForMend(): Promise<void> {
    if (this.mending()) return;
    this.mending.set(true);
    const search: Search = { is: 'mend', ...this.asked(), supposing: null };
    let best: PlanFound | null = null;
    try {
      await this.planner.search(search, (found) => (best = found));
      this.mend.set(best);
    } catch {
      // What stands says what does not hold; without a proposal it is moved by hand.
      this.mend.set(null);
    }
    this.mending.set(false);
  }

  /** Searches whole plans anew, of each objective preset. */
  searchAnew(): Promise<void> {
    return this.search(() => ({ is: 'whole', on: false, ...this.asked() }), null);
  }

  /** Searches further, among every way there is: what is found takes the place of what is shown where it is better. */
  searchOn(): Promise<void> {
    const shown = this.searching()?.found ?? [];
    const before = this.searchedFor === this.inputs.wanted() ? shown : [];
    return this.search(() => ({ is: 'whole', on: true, ...this.asked() }), null, before);
  }

  /** Searches the plan that moves least, were something otherwise. */
  suppose(supposing: Supposition): Promise<void> {
    return this.search(() => ({ is: 'mend', ...this.asked(), supposing }), supposing);
  }

  private asked() {
    return { wanted: this.inputs.wanted(), places: this.inputs.places() };
  }

  private async search(
    search: () => Search,
    supposing: Supposition | null,
    before: readonly PlanFound[] = [],
  ): Promise<void> {
    this.planner.stop();
    const mine = ++this.searches;
    // One that was put away, or another has taken the place of, is heard no more.
    const change = (by: (now: Searching) => Searching) => {
      if (mine === this.searches) this.searching.update((now) => now && by(now));
    };
    this.searching.set({ supposing, running: true, round: 0, progress: 0, found: before, failed: '' });
    await this.toHand;
    try {
      const wanted = search();
      this.searchedFor = wanted.wanted;
      await this.planner.search(wanted, (found) =>
        change((now) => {
          const { round, progress } = found;
          const isBetter = before.every(
            (b) => b.of !== found.of || found.cost < b.cost - SAME_COST || isSurer(found, b),
          );
          return { ...now, round, progress, found: isBetter ? withFound(now.found, found) : now.found };
        }),
      );
    } catch (error) {
      const failed = wordsOfError(error);
      change((now) => ({ ...now, failed }));
    }
    change((now) => ({ ...now, running: false }));
  }

  stop(): void {
    this.planner.stop();
  }

  /** What was found is put away. */
  close(): void {
    this.planner.stop();
    this.searching.set(null);
  }

  /** Looks at a plan that was found: it is shown, and not yet taken. */
  lookAt({ plannedBatches }: PlanFound, of: string): void {
    const places = placesIn(plannedBatches, this.inputs.plannedBatches());
    this.drafted(places, of);
  }

  /**
   * Looks at the usual plan that was found, where nothing is looked at yet; where one that was found before is, at the one that takes
   * its place. What somebody has moved stays as it is.
   */
  lookAtFirst(): void {
    const all = this.searching()?.found ?? [];
    const draft = this.draft();
    const [first] = draft || this.inputs.planned().length > 0 ? all.filter((f) => nameOfPreset(f) === draft?.of) : all;
    if (first) this.lookAt(first, nameOfPreset(first));
  }

  /** What becomes of a planned batch that is begun at another moment, or of which a hand comes at another. */
  moved(plannedBatchId: string, startMs: number, task: TaskAt | null): Promise<BatchMoved | null> {
    return this.planner.move(plannedBatchId, startMs, task);
  }

  /** Puts a planned batch elsewhere, and there it stays. */
  put(plannedBatch: PlannedBatch, startMs: number, extension: KeptPlace['extension'], pinned = true): void {
    const places = placesIn(this.standing()?.plannedBatches ?? [], this.inputs.plannedBatches()).map((place) =>
      place.of === plannedBatch.id ? { ...place, startMs, extension, pinned } : place,
    );
    this.drafted(places, tell('page.plan.planService.isMoved', { name: plannedBatch.name }));
  }

  private drafted(places: readonly PlaceAt[], of: string): void {
    this.store.dispatch(PlanActions.drafted({ draft: draftOf(places, this.inputs.startMs(), of) }));
  }

  putBack(): void {
    this.taking = false;
    this.store.dispatch(PlanActions.putBack());
  }

  /** Takes what is drafted as the plan: once it has been laid out, where it has not yet been. */
  take(): void {
    this.taking = true;
    this.takeDrafted();
  }

  private takeDrafted(): void {
    const standing = this.standing();
    const isOfNow = this.stood?.wanted === this.inputs.wanted() && this.stood.places === this.inputs.places();
    if (!this.taking || !standing || !isOfNow) return;
    this.taking = false;
    this.takePlannedBatches(standing.plannedBatches);
  }

  /** What is planned of nothing that is wanted any more is taken away. */
  dropStale(): void {
    const stale = new Set(this.stale().map((p) => p.id));
    const planned = this.inputs.planned();
    this.store.dispatch(PlanActions.taken({ before: planned }));
    this.planRecords.keep(
      planned.filter((p) => !stale.has(p.id)),
      planned,
    );
  }

  /** Takes the plan that mends. */
  takeMend(): void {
    const mend = this.mend();
    if (!mend) return;
    this.takePlannedBatches(mend.plannedBatches);
    this.mend.set(null);
  }

  private takePlannedBatches(plannedBatches: readonly PlannedBatch[]): void {
    this.store.dispatch(PlanActions.taken({ before: this.inputs.planned() }));
    this.planRecords.keep(plannedBatches, this.inputs.planned());
    this.close();
  }

  /** What was held before the last plan was taken is held again. */
  undo(): boolean {
    const before = this.store.selectSignal(planFeature.selectBefore)();
    if (!before) return false;
    this.planRecords.keep(before, this.inputs.planned());
    this.store.dispatch(PlanActions.undone());
    return true;
  }
}

/** What a plan that was found is called. */
const nameOfPreset = ({ of }: PlanFound): string => textOf(OBJECTIVE_PRESETS.find((l) => l.id === of)?.name ?? '');

/** As good as one that is shown, and more is known of how good that is. */
const isSurer = (found: PlanFound, shown: PlanFound) =>
  found.cost < shown.cost + SAME_COST && found.proven && found.thorough;

function withFound(all: readonly PlanFound[], found: PlanFound): readonly PlanFound[] {
  const rank = (f: PlanFound) => OBJECTIVE_PRESETS.findIndex((l) => l.id === f.of);
  return [...all.filter((f) => f.of !== found.of), found].sort((a, b) => rank(a) - rank(b));
}
