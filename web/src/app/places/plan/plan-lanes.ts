import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  HostListener,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { Router } from '@angular/router';
import type { PlannedBatch } from '@oat-crock/contract/api';
import { AcidFill } from '../../shared/pour/acid-fill';
import { brush } from '../../shared/pour/brush';
import { nights } from '../../shared/pour/geometry';
import { injectBoxSize } from '../../shared/ui/box-size';
import { SaidPipe, tell, SayPipe, NamedPipe } from '../../shared/ui/said';
import { dayTime } from '../../shared/ui/words';
import { cansAcross, daysAcross, hoursAcross, withRoomFor, type Coming } from './lane-axis';
import { movedBy, timeAcross, type LaneFrame, type LaneBatch } from './lane-geometry';
import { AXIS_PX, placedLanes } from './lane-rows';
import { movedLane, movingWords } from './moving';
import { BatchMover } from './batch-mover';

/** A press that moves less is a touch, not a drag, px. */
const TOUCH_PX = 4;

/** What is pressed. */
interface Grip {
  readonly id: string;
  /** Null where it is a make that is on, which is not moved. */
  readonly plannedBatch: PlannedBatch | null;
  /** Which of its hands; null for all of it. */
  readonly what: string | null;
  readonly isDue: boolean;
  readonly fromPx: number;
  readonly atMs: number;
  dragged: boolean;
}

let drawn = 0;

/** Planned batches in lanes of the vessels they begin in, over nights and hours; a planned one can be dragged, and each of its tasks. */
@Component({
  selector: 'oc-plan-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedPipe, AcidFill, SaidPipe, SayPipe],
  templateUrl: './plan-lanes.html',
  styleUrls: ['../../shared/pour/pour-parts.css', './plan-lanes.css'],
})
export class PlanLanes {
  readonly plannedBatches = input.required<readonly LaneBatch[]>();
  /** The planned ones as they are kept, by id. */
  readonly planned = input.required<ReadonlyMap<string, PlannedBatch>>();
  readonly fromMs = input.required<number>();
  readonly untilMs = input.required<number>();
  readonly nowMs = input.required<number>();
  /** When milk and cream comes. */
  readonly comes = input<readonly Coming[]>([]);
  readonly asleep = input.required<LaneFrame['asleep']>();
  /** An order's time was dragged. */
  readonly dueMoved = output<{ readonly plannedBatch: PlannedBatch; readonly dueMs: number }>();

  /** Keys have moved something to a moment, ms. */
  readonly movedTo = output<number>();

  protected readonly mover = inject(BatchMover);
  private readonly router = inject(Router);
  private readonly host: ElementRef<HTMLElement> = inject(ElementRef);
  private readonly box = injectBoxSize({ width: 900, height: 380 });
  protected readonly id = `lanes-${++drawn}`;
  protected readonly axisPx = AXIS_PX;

  protected readonly frame = computed((): LaneFrame => ({
    width: this.box().width,
    fromMs: this.fromMs(),
    untilMs: this.untilMs(),
    asleep: this.asleep(),
  }));
  protected readonly x = computed(() => timeAcross(this.frame()));
  /** The same with what is being moved where it would be. */
  private readonly shown = computed(() => {
    const [moving, due] = [this.mover.moving(), this.due()];
    return this.plannedBatches().map((plannedBatch) => {
      if (due?.plannedBatch.id === plannedBatch.id) return { ...plannedBatch, dueMs: due.dueMs };
      return moving?.plannedBatch.id === plannedBatch.id ? movedLane(plannedBatch, moving) : plannedBatch;
    });
  });
  private readonly placing = computed(() =>
    placedLanes(this.shown(), this.plannedBatches(), this.frame(), this.box().height),
  );
  protected readonly placed = computed(() => {
    const [moving, chosen] = [this.mover.moving()?.plannedBatch.id, this.mover.chosen()];
    return this.placing().lanes.map((lane) => ({
      ...lane,
      rows: lane.rows.map((row) => ({
        ...row,
        isMoving: row.plannedBatch.id === moving,
        chosen: row.plannedBatch.id === chosen,
      })),
    }));
  });
  protected readonly height = computed(() => this.placing().heightPx);
  protected readonly nightBands = computed(() =>
    nights({ ...this.frame(), height: 0, nowMs: 0, head: 0, foot: 0 }, this.x()),
  );
  protected readonly nowX = computed(() => this.x()(this.nowMs()));

  protected readonly cans = computed(() => cansAcross(this.frame(), this.comes()));
  protected readonly days = computed(() => daysAcross(this.frame()));
  protected readonly hours = computed(() => withRoomFor(this.cans(), hoursAcross(this.frame())));

  /** What becomes of what is being moved, in words. */
  protected readonly told = computed(() => {
    const due = this.due();
    if (due) return tell('page.plan.planLanes.wanted', { due: dayTime(due.dueMs) });
    const moving = this.mover.moving();
    return moving ? movingWords(moving) : '';
  });

  protected readonly brush = brush;

  /** The flag that is being dragged, and where to. */
  private readonly due = signal<{ readonly plannedBatch: PlannedBatch; readonly dueMs: number } | null>(null);
  /** What is pressed: a planned batch, one of its tasks, or the time it is wanted at. */
  private grip: Grip | null = null;

  /** The make that has the focus, by id. */
  private focused: string | null = null;

  constructor() {
    // Lanes change places as makes are moved, and what is taken out and put in again has lost the focus: it gets it back.
    afterRenderEffect(() => {
      this.placed();
      if (this.focused === null || document.activeElement !== document.body) return;
      this.host.nativeElement.querySelector<SVGElement>(`[data-pour="${this.focused}"]`)?.focus();
    });
  }

  /** What is touched or has the focus is what is worked on; a touch anywhere else is the end of that. */
  @HostListener('focusin', ['$event.target'])
  @HostListener('document:pointerdown', ['$event.target'])
  protected hasFocus(target: EventTarget | null): void {
    this.focused = (target as Element | null)?.closest('[data-pour]')?.getAttribute('data-pour') ?? null;
  }

  protected press(event: PointerEvent, { id, is }: LaneBatch, stageId: string | null = null, isDue = false): void {
    if (event.button !== 0) return;
    const plannedBatch = is === 'live' ? null : (this.planned().get(id) ?? null);
    const fromPx = event.clientX;
    const task = plannedBatch?.tasks.find((h) => h.stageId === stageId);
    // To move the first hand is to move all of it.
    const what = task && task !== plannedBatch!.tasks[0] ? task.stageId : null;
    const atMs = plannedBatch
      ? isDue
        ? (plannedBatch.dueMs ?? 0)
        : what === null
          ? plannedBatch.startMs
          : task!.atMs
      : 0;
    this.grip = { id, plannedBatch, what, isDue, fromPx, atMs, dragged: false };
    this.host.nativeElement.setPointerCapture(event.pointerId);
    event.preventDefault();
    event.stopPropagation();
    (event.currentTarget as SVGElement).closest<SVGElement>('[role=button]')?.focus();
  }

  @HostListener('pointermove', ['$event'])
  protected drag(event: PointerEvent): void {
    const { grip } = this;
    if (!grip) return;
    const px = event.clientX - grip.fromPx;
    if (!grip.dragged && Math.abs(px) < TOUCH_PX) return;
    grip.dragged = true;
    if (!grip.plannedBatch) return;
    const atMs = movedBy(grip.atMs, px, this.frame());
    if (grip.isDue) this.due.set({ plannedBatch: grip.plannedBatch, dueMs: atMs });
    else this.mover.to(grip.plannedBatch, atMs, grip.what);
  }

  @HostListener('pointerup')
  protected letGo(): void {
    const { grip } = this;
    const due = this.due();
    this.grip = null;
    this.due.set(null);
    if (!grip) return;
    if (!grip.plannedBatch) {
      if (!grip.dragged) void this.router.navigate(['/make', grip.id]);
      return;
    }
    this.mover.chosen.set(grip.plannedBatch.id);
    if (!grip.dragged) return;
    if (due) this.dueMoved.emit(due);
    else void this.mover.drop();
  }

  @HostListener('pointercancel')
  protected cancel(): void {
    this.grip = null;
    this.due.set(null);
    this.mover.leave();
  }

  /** Keys of a planned batch that has the focus: the same that a drag does. */
  protected key(event: KeyboardEvent, { id, is }: LaneBatch): void {
    const plannedBatch = this.planned().get(id);
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (is === 'live' || !plannedBatch) {
      if (event.key === 'Enter') void this.router.navigate(['/make', id]);
      return;
    }
    const act = this.acts(plannedBatch, event.shiftKey ? 120 : 15)[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  }

  private acts(plannedBatch: PlannedBatch, minutes: number): Readonly<Record<string, () => void>> {
    const moving = this.mover.moving();
    return {
      ArrowLeft: () => this.moveBy(plannedBatch, -minutes),
      ArrowRight: () => this.moveBy(plannedBatch, minutes),
      h: () => this.nextTask(plannedBatch),
      Enter: () => (moving ? void this.mover.drop() : this.mover.chosen.set(plannedBatch.id)),
      ' ': () => this.mover.chosen.set(plannedBatch.id),
      ...(moving?.told?.repair ? { r: () => this.mover.repair() } : {}),
      Escape: () => {
        if (moving) this.mover.leave();
        else this.mover.chosen.set(null);
        this.mover.gripped.set('');
      },
    };
  }

  private moveBy(plannedBatch: PlannedBatch, minutes: number): void {
    this.mover.by(plannedBatch, minutes, this.taskOf(plannedBatch));
    const { startMs, task } = this.mover.moving()!;
    this.movedTo.emit(task?.atMs ?? startMs);
  }

  private taskOf(plannedBatch: PlannedBatch): string | null {
    const [id, stageId] = this.mover.gripped().split(' ');
    return id === plannedBatch.id ? (stageId ?? null) : null;
  }

  /** From the whole planned batch to its second hand, its third, …, and back. */
  private nextTask(plannedBatch: PlannedBatch): void {
    const tasks = plannedBatch.tasks.slice(1).filter((h) => h.minutes > 0);
    const at = tasks.findIndex((h) => h.stageId === this.taskOf(plannedBatch));
    const next = tasks[at + 1];
    this.mover.chosen.set(plannedBatch.id);
    this.mover.gripped.set(next ? `${plannedBatch.id} ${next.stageId}` : '');
  }
}
