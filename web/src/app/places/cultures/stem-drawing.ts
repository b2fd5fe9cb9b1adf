import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { heldOf, stemsOf, storeOf, type Cultures, type Due, amount } from '@oat-crock/core';
import { injectBoxSize } from '../../shared/ui/box-size';
import { written } from '../../shared/ui/dates';
import { kitchenZone } from '../../shared/ui/zone';
import { kindWords, activityWords } from './culture-words';
import { drawStems, type DrawnBud } from './stem-geometry';
import { textOf, tell, SayPipe } from '../../shared/ui/said';

/** Narrower than this, px, a stem is headed by its name alone. */
const NARROW = 520;

/** Lines of descent as branching stems: time runs to the right; each bud is a culture, as deep as its activity. */
@Component({
  selector: 'oc-stem-drawing',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <svg
      [attr.width]="box().width"
      [attr.height]="drawing().height"
      role="group"
      [attr.aria-label]="'page.cultures.stemDrawing.linesDescent' | say"
    >
      @for (day of drawing().days; track day.atMs) {
        <line class="day" [attr.x1]="day.x" [attr.x2]="day.x" y1="0" [attr.y2]="drawing().height - 20" />
        <text class="day" [attr.x]="day.x + 4" [attr.y]="drawing().height - 6" aria-hidden="true">
          {{ dayWords(day.atMs) }}
        </text>
      }
      <line
        class="now"
        [attr.x1]="drawing().nowX"
        [attr.x2]="drawing().nowX"
        y1="0"
        [attr.y2]="drawing().height - 20"
      />
      @for (stem of drawing().stems; track stem.rootId) {
        <text class="line" x="2" [attr.y]="stem.y + 18">{{ headOf(stem.rootId) }}</text>
        @for (bud of stem.buds; track bud.lot.id) {
          @for (way of bud.ways; track $index) {
            <path class="way" [class.second]="$index > 0" [attr.d]="way" />
          }
          @if (bud.fadesTo !== null) {
            <line class="fades" [attr.x1]="bud.x" [attr.x2]="bud.fadesTo" [attr.y1]="bud.y" [attr.y2]="bud.y" />
          }
          @if (bud.standsTo !== null) {
            <line class="stands" [attr.x1]="bud.x" [attr.x2]="bud.standsTo" [attr.y1]="bud.y" [attr.y2]="bud.y" />
          }
        }
        @for (bud of stem.buds; track bud.lot.id) {
          <g
            class="bud"
            [class]="bud.state"
            [class.picked]="bud.lot.id === picked()"
            role="button"
            tabindex="0"
            [attr.aria-label]="wordsOf(bud)"
            [attr.aria-pressed]="bud.lot.id === picked()"
            (click)="pick.emit(bud.lot.id)"
            (keydown.enter)="pick.emit(bud.lot.id)"
            (keydown.space)="pick.emit(bud.lot.id); $event.preventDefault()"
          >
            <title>{{ wordsOf(bud) }}</title>
            <circle class="reach" [attr.cx]="bud.x" [attr.cy]="bud.y" r="16" />
            @if (bud.state === 'frozen') {
              <rect
                class="body"
                [attr.x]="bud.x - 0.85 * bud.r"
                [attr.y]="bud.y - 0.85 * bud.r"
                [attr.width]="1.7 * bud.r"
                [attr.height]="1.7 * bud.r"
                rx="2"
                [attr.fill]="bud.fill"
              />
            } @else {
              <ellipse
                class="body"
                [attr.cx]="bud.x"
                [attr.cy]="bud.y"
                [attr.rx]="bud.r"
                [attr.ry]="0.8 * bud.r"
                [attr.fill]="bud.fill"
              />
            }
            <text
              class="generation"
              [attr.x]="bud.x"
              [attr.y]="bud.y - bud.r - 2"
              text-anchor="middle"
              aria-hidden="true"
            >
              {{ bud.lot.generation }}
            </text>
          </g>
        }
      }
    </svg>
  `,
  styleUrl: './stem-drawing.css',
})
export class StemDrawing {
  readonly cultures = input.required<Cultures>();
  readonly dues = input.required<readonly Due[]>();
  readonly nowMs = input.required<number>();
  readonly picked = input<string | null>(null);
  readonly pick = output<string>();

  protected readonly box = injectBoxSize({ width: 780, height: 400 });
  private readonly byId = computed(() => new Map(this.dues().map((due) => [due.lot.id, due])));
  private readonly hourMs = computed(() => Math.floor(this.nowMs() / 3_600_000) * 3_600_000);
  protected readonly drawing = computed(() =>
    drawStems(
      stemsOf(this.cultures()),
      this.byId(),
      (lot) => storeOf(lot) === 'frozen',
      this.hourMs(),
      this.box().width,
      kitchenZone(),
    ),
  );

  protected readonly dayWords = (atMs: number) => written(atMs, 'day');

  protected headOf(rootId: string): string {
    const root = this.cultures().get(rootId)!;
    return this.box().width < NARROW ? root.name : `${root.name}: ${kindWords(root)}`;
  }

  protected wordsOf({ lot }: DrawnBud): string {
    const due = this.byId().get(lot.id);
    const born = tell('page.cultures.stemDrawing.generation', {
      name: lot.name,
      generation: amount(lot.generation),
      born: written(lot.bornMs, 'day'),
    });
    if (!due)
      return `${born}: ${lot.retiredMs === null ? tell('page.cultures.stemDrawing.usedUp') : tell('page.cultures.stemDrawing.givenUp')}`;
    return `${born}: ${textOf(heldOf(lot, due.leftG))}, ${activityWords(due.activity)}`;
  }
}
