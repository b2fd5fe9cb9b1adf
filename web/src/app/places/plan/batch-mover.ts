import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { PlannedBatch } from '@oat-crock/contract/api';
import type { Moving } from './moving';
import { PlanService } from '../../planner/plan-service';
import type { BatchBreak, BatchMoved } from '../../planner/planner-api';

const MIN_MS = 60_000;

/** A place that a planned batch was not put in: why, and the nearest in which it holds. */
export interface Refused extends Pick<BatchMoved, 'breaks' | 'repair'> {
  readonly of: string;
}

/** What cannot be wherever the others are: to pin it there would be to plan what will not come true. */
const NEVER: ReadonlySet<BatchBreak['is']> = new Set(['over', 'past', 'milk', 'short', 'old']);

/** True for what rules a place out. That it may be late one time in some is somebody's to risk; that it likely is, is not. */
const cannotBe = ({ is }: BatchBreak, { readyMs, dueMs }: PlannedBatch): boolean =>
  NEVER.has(is) || (is === 'late' && dueMs !== null && readyMs > dueMs);

/** Moves a planned batch of the plan, or one of its tasks: each place is checked as it is touched, and put only when it is let go. */
@Injectable()
export class BatchMover {
  private readonly plans = inject(PlanService);
  readonly moving = signal<Moving | null>(null);
  /** The planned batch that is looked at, by id. */
  readonly chosen = signal<string | null>(null);
  readonly plannedBatch = computed(
    () => this.plans.standing()?.plannedBatches.find((p) => p.id === this.chosen()) ?? null,
  );
  /** The hand that arrow keys move, as its planned batch and its stage; empty for the whole planned batch. */
  readonly gripped = signal('');
  /** Where it was not put, and why; null where nothing was refused since. */
  readonly refused = signal<Refused | null>(null);
  private asked = 0;
  /** Settles once the planner has answered. */
  private asking: Promise<void> | null = null;
  /** It was let go, and is shown where it was until the plan has been laid out with it there. */
  private dropped = false;

  constructor() {
    effect(() => {
      this.plans.standing();
      this.plans.failed();
      if (this.dropped) this.leave();
    });
  }

  /** Moves a planned batch, or one of its tasks where that is named, to a moment. */
  to(plannedBatch: PlannedBatch, atMs: number, stageId: string | null = null): void {
    const before = this.moving();
    const told = before?.plannedBatch.id === plannedBatch.id ? before.told : null;
    const task = stageId === null ? null : { stageId, atMs };
    this.chosen.set(plannedBatch.id);
    this.dropped = false;
    this.refused.set(null);
    this.moving.set({ plannedBatch, startMs: task ? plannedBatch.startMs : atMs, task, told });
    void this.check();
  }

  /** By so much from where it is now, minutes. */
  by(plannedBatch: PlannedBatch, minutes: number, stageId: string | null = null): void {
    const now = this.moving();
    const same = now?.plannedBatch.id === plannedBatch.id && (now.task?.stageId ?? null) === stageId ? now : null;
    const at =
      stageId === null ? (same?.startMs ?? plannedBatch.startMs) : (same?.task?.atMs ?? taskAt(plannedBatch, stageId));
    this.to(plannedBatch, at + minutes * MIN_MS, stageId);
  }

  /** Puts it where it is now, and there it stays; where it can never be, it is not put there, and why is said. */
  async drop(): Promise<void> {
    const now = this.moving();
    if (!now) return;
    const told = await this.check();
    if (!told) return this.leave();
    const cannot = told.breaks.filter((b) => cannotBe(b, told.plannedBatch));
    if (cannot.length > 0) {
      this.leave();
      this.refused.set({ of: now.plannedBatch.id, breaks: cannot, repair: told.repair });
      return;
    }
    this.dropped = true;
    this.plans.put(now.plannedBatch, now.startMs, told.plannedBatch.extension);
  }

  /** The same at a moment that is named. */
  putAt(plannedBatch: PlannedBatch, atMs: number): Promise<void> {
    this.to(plannedBatch, atMs);
    return this.drop();
  }

  /** Puts it at the nearest moment at which it holds. */
  repair(): void {
    const now = this.moving();
    if (now?.told?.repair) this.plans.put(now.plannedBatch, now.told.repair.startMs, now.told.repair.extension);
    this.moving.set(null);
  }

  leave(): void {
    this.dropped = false;
    this.moving.set(null);
  }

  /**
   * One question at a time: what was asked meanwhile is asked as it is once that is answered, so that a fast hand is answered as often
   * as it can be, and never only when it rests. Null where it was asked anew since.
   */
  private async check(): Promise<BatchMoved | null> {
    const mine = ++this.asked;
    while (this.asking) await this.asking;
    const now = this.moving();
    if (!now || mine !== this.asked) return null;
    const asking = this.plans.moved(now.plannedBatch.id, now.startMs, now.task);
    this.asking = asking.then(
      () => undefined,
      () => undefined,
    );
    try {
      const told = await asking;
      this.moving.update((m) => (m?.plannedBatch.id === now.plannedBatch.id ? { ...m, told } : m));
      return told;
    } finally {
      this.asking = null;
    }
  }
}

const taskAt = (plannedBatch: PlannedBatch, stageId: string): number =>
  plannedBatch.tasks.find((h) => h.stageId === stageId)?.atMs ?? plannedBatch.startMs;
