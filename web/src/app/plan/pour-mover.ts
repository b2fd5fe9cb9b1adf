import { computed, effect, inject, Injectable, signal } from '@angular/core';
import type { PlannedPour } from '@oat-crock/contract/wire';
import type { Moving } from './moving';
import { PlanDesk } from './plan-desk';
import type { PourMoved } from './planner-api';

const MIN_MS = 60_000;

/** Moves a pour of the plan, or one of its hands: each place is checked as it is touched, and put only when it is let go. */
@Injectable()
export class PourMover {
  private readonly desk = inject(PlanDesk);
  readonly moving = signal<Moving | null>(null);
  /** The pour that is looked at, by id. */
  readonly chosen = signal<string | null>(null);
  readonly pour = computed(() => this.desk.standing()?.pours.find((p) => p.id === this.chosen()) ?? null);
  /** The hand that arrow keys move, as its pour and its stage; empty for the whole pour. */
  readonly gripped = signal('');
  private asked = 0;
  /** It was let go, and is shown where it was until the plan has been laid out with it there. */
  private dropped = false;

  constructor() {
    effect(() => {
      this.desk.standing();
      this.desk.failed();
      if (this.dropped) this.leave();
    });
  }

  /** Moves a pour, or one of its hands where that is named, to a moment. */
  to(pour: PlannedPour, atMs: number, stageId: string | null = null): void {
    const before = this.moving();
    const told = before?.pour.id === pour.id ? before.told : null;
    const hand = stageId === null ? null : { stageId, atMs };
    this.chosen.set(pour.id);
    this.dropped = false;
    this.moving.set({ pour, startMs: hand ? pour.startMs : atMs, hand, told });
    void this.check();
  }

  /** By so much from where it is now, minutes. */
  by(pour: PlannedPour, minutes: number, stageId: string | null = null): void {
    const now = this.moving();
    const same = now?.pour.id === pour.id && (now.hand?.stageId ?? null) === stageId ? now : null;
    const at = stageId === null ? (same?.startMs ?? pour.startMs) : (same?.hand?.atMs ?? handAt(pour, stageId));
    this.to(pour, at + minutes * MIN_MS, stageId);
  }

  /** Puts it where it is now, and there it stays. */
  async drop(): Promise<void> {
    const now = this.moving();
    if (!now) return;
    const told = await this.check();
    if (!told) return this.leave();
    this.dropped = true;
    this.desk.put(now.pour, now.startMs, told.pour.held);
  }

  /** Puts it at the nearest moment at which it holds. */
  repair(): void {
    const now = this.moving();
    if (now?.told?.repair) this.desk.put(now.pour, now.told.repair.startMs, now.told.repair.held);
    this.moving.set(null);
  }

  leave(): void {
    this.dropped = false;
    this.moving.set(null);
  }

  /** Only the newest question is answered on the page. */
  private async check(): Promise<PourMoved | null> {
    const now = this.moving();
    if (!now) return null;
    const mine = ++this.asked;
    const told = await this.desk.moved(now.pour.id, now.startMs, now.hand);
    if (mine === this.asked) this.moving.update((m) => m && { ...m, told });
    return told;
  }
}

const handAt = (pour: PlannedPour, stageId: string): number =>
  pour.hands.find((h) => h.stageId === stageId)?.atMs ?? pour.startMs;
