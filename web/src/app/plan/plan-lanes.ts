import {
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  HostListener,
  inject,
  input,
  output,
} from '@angular/core';
import { Router } from '@angular/router';
import { isNight, type PlannedPour } from '@oat-crock/contract/wire';
import { timeDay, timeHour } from 'd3-time';
import { acidStops, nights, ribbons } from '../pour/geometry';
import { injectBoxSize } from '../ui/box-size';
import { written } from '../ui/dates';
import { SaidPipe } from '../ui/units';
import { dayTime, span } from '../ui/words';
import { lanesOf, movedBy, thicknessOf, timeAcross, type LaneFrame, type LanePour } from './lane-geometry';
import { PourMover } from './pour-mover';

const HOUR_MS = 3_600_000;
/** Heights of a row, px: its name, its hands, its ribbon. */
const ROW = { least: 52, most: 86, hands: 24, ribbon: 23, foot: 7 } as const;
const AXIS_PX = 34;
const LANE_HEAD_PX = 15;
/** Room at the foot for what is said of a pour that is moved, px. */
const FOOT_PX = 6;
/** A press that moves less is a touch, not a drag, px. */
const TOUCH_PX = 4;

let drawn = 0;

/** Pours in lanes of the vessels they begin in, over nights and hours; a planned one can be dragged, and each of its hands. */
@Component({
  selector: 'oc-plan-lanes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe],
  templateUrl: './plan-lanes.html',
  styleUrl: './plan-lanes.css',
})
export class PlanLanes {
  readonly pours = input.required<readonly LanePour[]>();
  /** The planned ones as they are kept, by id. */
  readonly planned = input.required<ReadonlyMap<string, PlannedPour>>();
  readonly fromMs = input.required<number>();
  readonly untilMs = input.required<number>();
  readonly nowMs = input.required<number>();
  readonly asleep = input.required<LaneFrame['asleep']>();
  /** An order's time was dragged. */
  readonly dueMoved = output<{ readonly pour: PlannedPour; readonly dueMs: number }>();

  protected readonly mover = inject(PourMover);
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
    const moving = this.mover.moving();
    return this.pours().map((pour) => (moving && pour.id === moving.pour.id ? this.asMoved(pour) : pour));
  });
  private readonly lanes = computed(() => lanesOf(this.shown(), this.frame()));
  private readonly rowPx = computed(() => {
    const rows = this.lanes().reduce((n, l) => n + l.rows.length, 0);
    const room = this.box().height - AXIS_PX - FOOT_PX - this.lanes().length * LANE_HEAD_PX;
    return Math.min(ROW.most, Math.max(ROW.least, Math.floor(room / Math.max(1, rows))));
  });
  protected readonly placed = computed(() => {
    const rowPx = this.rowPx();
    const thick = thicknessOf(this.pours(), rowPx - ROW.ribbon - ROW.foot);
    let y = 0;
    return this.lanes().map(({ name, rows }) => {
      const top = y;
      y += LANE_HEAD_PX + rows.length * rowPx;
      const pours = rows.flatMap((row, r) => {
        const rowY = top + LANE_HEAD_PX + r * rowPx;
        return row.map((pour) => this.draw(pour, rowY, rowPx, thick));
      });
      return { name, y: top, pours };
    });
  });
  protected readonly height = computed(() => {
    const rows = this.lanes().reduce((n, l) => n + l.rows.length, 0);
    return Math.max(
      this.box().height - AXIS_PX - FOOT_PX,
      this.lanes().length * LANE_HEAD_PX + rows * this.rowPx() + FOOT_PX,
    );
  });
  protected readonly nightBands = computed(() =>
    nights({ ...this.frame(), height: 0, nowMs: 0, head: 0, foot: 0 }, this.x()),
  );
  protected readonly nowX = computed(() => this.x()(this.nowMs()));

  protected readonly days = computed(() => {
    const { fromMs, untilMs, width } = this.frame();
    const x = this.x();
    const days = timeDay.range(timeDay.floor(new Date(fromMs)), new Date(untilMs));
    return days.map((at, i) => {
      const left = Math.max(0, x(at));
      const right = i + 1 < days.length ? x(days[i + 1]!) : width;
      const room = right - left;
      return {
        x: left,
        text: room > 165 ? written(at, 'longDay') : room > 52 ? written(at, 'mark') : '',
        first: i === 0,
      };
    });
  });
  protected readonly hours = computed(() => {
    const { fromMs, untilMs, width } = this.frame();
    const perHour = width / ((untilMs - fromMs) / HOUR_MS);
    const every = [1, 2, 3, 6, 12].find((h) => h * perHour >= 42) ?? 24;
    const x = this.x();
    return (timeHour.every(every)?.range(new Date(fromMs), new Date(untilMs)) ?? [])
      .filter((at) => at.getHours() !== 0)
      .map((at) => ({ x: x(at), text: every < 24 ? written(at, 'hour') : '' }));
  });

  /** What becomes of the pour that is being moved, in words. */
  protected readonly told = computed(() => {
    const moving = this.mover.moving();
    if (!moving) return '';
    const { told, hand } = moving;
    const stageId = hand?.stageId;
    const at = told?.pour.hands.find((h) => h.stageId === stageId)?.atMs ?? told?.pour.startMs ?? moving.startMs;
    if (!told) return `${dayTime(at)}: looking…`;
    const ready = `ready ${dayTime(told.pour.readyMs)}`;
    if (told.breaks.length === 0) return `${dayTime(at)}, ${ready}: it holds.`;
    const why = told.breaks.map((b) => b.says).join(' ');
    const repair =
      told.repair === null ? 'Nowhere else would it hold.' : `Nearest that holds: ${dayTime(told.repair.startMs)} (R).`;
    return `${dayTime(at)}, ${ready}. ${why} ${repair}`;
  });

  private asMoved(pour: LanePour): LanePour {
    const { told, startMs, pour: was } = this.mover.moving()!;
    if (told) {
      const { startMs: at, readyMs, readyLateMs, course, hands } = told.pour;
      return { ...pour, startMs: at, readyMs, readyLateMs, course, hands, troubled: told.breaks.length > 0 };
    }
    const by = startMs - was.startMs;
    return {
      ...pour,
      startMs,
      readyMs: pour.readyMs + by,
      readyLateMs: pour.readyLateMs + by,
      course: pour.course.map((p) => ({ ...p, atMs: p.atMs + by })),
      hands: pour.hands.map((h) => ({ ...h, atMs: h.atMs + by })),
    };
  }

  private draw(pour: LanePour, y: number, rowPx: number, thick: ReturnType<typeof thicknessOf>) {
    const x = this.x();
    const { curd, whey } = ribbons(pour.course, x, thick, 0, true);
    const left = x(pour.startMs);
    return {
      pour,
      y,
      left,
      right: Math.max(x(pour.readyMs), left + 4),
      nameX: Math.min(Math.max(4, left), Math.max(4, this.frame().width - pour.name.length * 6.6)),
      ribbonY: ROW.ribbon,
      handsY: ROW.hands,
      rowPx,
      curd,
      whey,
      stops: acidStops(pour.course),
      fade: { from: x(pour.readyMs), until: x(pour.readyLateMs) },
      dueX: pour.dueMs === null ? null : x(pour.dueMs),
      feeds: pour.feedMs.map((ms) => x(ms)),
      hands: pour.hands
        .filter((h) => h.minutes > 0)
        .map((hand) => ({
          hand,
          x: x(hand.atMs),
          fromX: x(hand.earliestMs),
          untilX: x(hand.latestMs),
          r: Math.min(7, 1.8 + 1.15 * Math.sqrt(hand.minutes)),
          night: isNight(hand.atMs, this.asleep()),
          words: `${hand.says} ${dayTime(hand.atMs)}, ${span(hand.minutes)}`,
        })),
      isMoving: this.mover.moving()?.pour.id === pour.id,
      chosen: this.mover.chosen() === pour.id,
      words: `${pour.name}: begin ${dayTime(pour.startMs)}, ready ${dayTime(pour.readyMs)}${
        pour.dueMs === null ? '' : `, wanted ${dayTime(pour.dueMs)}`
      }${pour.pinned ? ', pinned' : ''}${pour.troubled ? ', does not hold' : ''}`,
    };
  }

  /** A brush dot is never a perfect circle. */
  protected brush(r: number): string {
    return `M${-r} ${r * 0.1}C${-r} ${-r * 0.75} ${-r * 0.5} ${-r * 1.02} ${r * 0.1} ${-r * 0.96}S${r * 1.12} ${-r * 0.4} ${r} ${r * 0.2}S${r * 0.35} ${r * 1.05} ${-r * 0.15} ${r * 0.95}S${-r} ${r * 0.7} ${-r} ${r * 0.1}Z`;
  }

  /** What is pressed: a pour, one of its hands, or the time it is wanted at. */
  private grip: {
    readonly pour: PlannedPour;
    readonly what: string | null;
    readonly isDue: boolean;
    readonly fromPx: number;
    readonly atMs: number;
    dragged: boolean;
  } | null = null;

  protected press(event: PointerEvent, { id, is }: LanePour, stageId: string | null = null, isDue = false): void {
    if (event.button !== 0) return;
    if (is === 'live') {
      void this.router.navigate(['/make', id]);
      return;
    }
    const pour = this.planned().get(id);
    if (!pour || (isDue && pour.dueMs === null)) return;
    const hand = pour.hands.find((h) => h.stageId === stageId);
    // To move the first hand is to move all of it.
    const what = hand && hand !== pour.hands[0] ? hand.stageId : null;
    const atMs = isDue ? pour.dueMs! : what === null ? pour.startMs : hand!.atMs;
    this.grip = { pour, what, isDue, fromPx: event.clientX, atMs, dragged: false };
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
    if (!grip.isDue) this.mover.to(grip.pour, movedBy(grip.atMs, px, this.frame()), grip.what);
  }

  @HostListener('pointerup', ['$event'])
  protected letGo(event: PointerEvent): void {
    const { grip } = this;
    this.grip = null;
    if (!grip) return;
    this.mover.chosen.set(grip.pour.id);
    if (!grip.dragged) return;
    const atMs = movedBy(grip.atMs, event.clientX - grip.fromPx, this.frame());
    if (grip.isDue) this.dueMoved.emit({ pour: grip.pour, dueMs: atMs });
    else void this.mover.drop();
  }

  @HostListener('pointercancel')
  protected cancel(): void {
    this.grip = null;
    this.mover.leave();
  }

  /** Keys of a pour that has the focus: the same that a drag does. */
  protected key(event: KeyboardEvent, { id, is }: LanePour): void {
    const pour = this.planned().get(id);
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (is === 'live' || !pour) {
      if (event.key === 'Enter') void this.router.navigate(['/make', id]);
      return;
    }
    const act = this.acts(pour, event.shiftKey ? 120 : 15)[event.key];
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    act();
  }

  private acts(pour: PlannedPour, minutes: number): Readonly<Record<string, () => void>> {
    const moving = this.mover.moving();
    return {
      ArrowLeft: () => this.mover.by(pour, -minutes, this.handOf(pour)),
      ArrowRight: () => this.mover.by(pour, minutes, this.handOf(pour)),
      h: () => this.nextHand(pour),
      Enter: () => (moving ? void this.mover.drop() : this.mover.chosen.set(pour.id)),
      ' ': () => this.mover.chosen.set(pour.id),
      ...(moving?.told?.repair ? { r: () => this.mover.repair() } : {}),
      Escape: () => {
        if (moving) this.mover.leave();
        else this.mover.chosen.set(null);
        this.mover.gripped.set('');
      },
    };
  }

  private handOf(pour: PlannedPour): string | null {
    const [id, stageId] = this.mover.gripped().split(' ');
    return id === pour.id ? (stageId ?? null) : null;
  }

  /** From the whole pour to its second hand, its third, …, and back. */
  private nextHand(pour: PlannedPour): void {
    const hands = pour.hands.slice(1).filter((h) => h.minutes > 0);
    const at = hands.findIndex((h) => h.stageId === this.handOf(pour));
    const next = hands[at + 1];
    this.mover.chosen.set(pour.id);
    this.mover.gripped.set(next ? `${pour.id} ${next.stageId}` : '');
  }
}
