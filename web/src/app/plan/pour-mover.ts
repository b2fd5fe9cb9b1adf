import { computed, inject, Injectable, signal } from '@angular/core';
import type { PlannedPour } from '@oat-crock/contract/wire';
import type { KeptPlace } from '@oat-crock/core';
import { PlanDesk } from './plan-desk';
import type { PourMoved } from './planner-api';

const MIN_MS = 60_000;

/** A pour that is being moved: where to, and what becomes of it. */
export interface Moving {
  readonly pour: PlannedPour;
  readonly startMs: number;
  readonly held: KeptPlace['held'];
  /** Which of its hands is moved; null where all of it is. */
  readonly stageId: string | null;
  /** What becomes of it there; that of the last place that was told, until the next is. */
  readonly told: PourMoved | null;
}

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

  /** Moves a pour, or one of its hands where that is named, to a moment. */
  to(pour: PlannedPour, atMs: number, stageId: string | null = null): void {
    const { startMs, held } = stageId === null ? { startMs: atMs, held: pour.held } : holding(pour, stageId, atMs);
    const before = this.moving();
    const told = before?.pour.id === pour.id ? before.told : null;
    this.chosen.set(pour.id);
    this.moving.set({ pour, startMs, held, stageId, told });
    void this.check();
  }

  /** By so much from where it is now, minutes. */
  by(pour: PlannedPour, minutes: number, stageId: string | null = null): void {
    const now = this.moving();
    const same = now?.pour.id === pour.id && now.stageId === stageId ? now : null;
    const at = stageId === null ? (same?.startMs ?? pour.startMs) : handAt(same?.told?.pour ?? pour, stageId);
    this.to(pour, at + minutes * MIN_MS, stageId);
  }

  /** Puts it where it is now, and there it stays. */
  drop(): void {
    const now = this.moving();
    if (now) this.desk.put(now.pour, now.startMs, now.held);
    this.moving.set(null);
  }

  /** Puts it at the nearest moment at which it holds. */
  repair(): void {
    const now = this.moving();
    if (now?.told?.repairMs) this.desk.put(now.pour, now.told.repairMs, null);
    this.moving.set(null);
  }

  leave(): void {
    this.moving.set(null);
  }

  /** Only the newest question is answered on the page. */
  private async check(): Promise<void> {
    const now = this.moving();
    if (!now) return;
    const mine = ++this.asked;
    const told = await this.desk.moved(now.pour.id, now.startMs, now.held);
    if (mine === this.asked) this.moving.update((m) => m && { ...m, told });
  }
}

const handAt = (pour: PlannedPour, stageId: string): number =>
  pour.hands.find((h) => h.stageId === stageId)?.atMs ?? pour.startMs;

/** How a pour is held on for a hand of it to come at a moment: the step before that hand, longer or shorter than it needs. */
function holding(pour: PlannedPour, stageId: string, atMs: number): Pick<Moving, 'startMs' | 'held'> {
  const i = pour.hands.findIndex((h) => h.stageId === stageId);
  const before = pour.hands[i - 1];
  if (!before) return { startMs: atMs, held: pour.held };
  const hand = pour.hands[i]!;
  const already = pour.held?.stageId === before.stageId ? pour.held.forMin : 0;
  const forMin = already + (atMs - hand.atMs) / MIN_MS;
  return { startMs: pour.startMs, held: { stageId: before.stageId, forMin, afterWakingMin: 0 } };
}
