import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { dayWord, noonOf } from '@oat-crock/calendar';
import { parkingOf, type Parking, percent } from '@oat-crock/core';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { KitchenClock } from '../../state/kitchen-clock';
import { DayField } from '../../shared/ui/day-field';
import { kitchenZone } from '../../shared/ui/zone';
import { CultureActs } from '../../state/culture-acts';
import { OwnCultures } from '../../state/own-cultures';

const DAY_MS = 86_400_000;

/** Going away: what to do with each culture so that it serves on coming back. */
@Component({
  selector: 'oc-park-tool',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, DayField, SayPipe],
  template: `
    <section aria-labelledby="park-title">
      <h2 id="park-title">{{ 'page.cultures.parkTool.goingAway' | say }}</h2>
      <div class="asked">
        <label for="park-back">
          {{ 'page.cultures.parkTool.backOn' | say }}
          <oc-day-field fieldId="park-back" [atMs]="backMs()" (changed)="back($event)" />
        </label>
      </div>
      <ul class="parked">
        @for (row of rows(); track row.lot.id) {
          <li>
            <b>{{ row.lot.name }}</b>
            <span>{{ row.says | said }} {{ thenWords(row) }}</span>
            @if (row.does === 'cold') {
              <button type="button" class="press line-press" (click)="acts.move(row.lot, 'cold')">
                {{ 'page.cultures.parkTool.intoCold' | say }}
              </button>
            } @else if (row.does === 'feed' || row.does === 'freeze') {
              <button type="button" class="press line-press" (click)="feed(row)">
                {{ 'page.cultures.parkTool.feedNow' | say }}
              </button>
            }
          </li>
        } @empty {
          <li class="quiet">{{ 'page.cultures.parkTool.nothingHereBroughtOver' | say }}</li>
        }
      </ul>
    </section>
  `,
  styleUrl: './tool.css',
})
export class ParkTool {
  private readonly own = inject(OwnCultures);
  private readonly clock = inject(KitchenClock);
  protected readonly acts = inject(CultureActs);
  protected readonly backMs = signal(this.clock.exactMs() + 14 * DAY_MS);
  private readonly hourMs = computed(() => Math.floor(this.clock.nowMs() / 3_600_000) * 3_600_000);
  protected readonly rows = computed(() =>
    this.own.dues().map(({ lot }) => parkingOf(lot, this.hourMs(), this.backMs(), this.own.shownOf(lot))),
  );

  /** Noon of the day that was picked. */
  protected back(atMs: number | null): void {
    const noonMs = noonOf(dayWord(atMs ?? 0, kitchenZone()), kitchenZone());
    if (noonMs > this.clock.exactMs()) this.backMs.set(noonMs);
  }

  protected thenWords({ does, activityThen }: Parking): string {
    return does === 'renew'
      ? ''
      : tell('page.cultures.parkTool.aboutVigourDay', { share: percent(100 * activityThen, 0) });
  }

  protected feed({ lot }: Parking): void {
    const due = this.own.dues().find((d) => d.lot.id === lot.id);
    if (due) this.acts.feed(due);
  }
}
