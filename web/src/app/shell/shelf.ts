import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { hoursOver, localTime } from '@oat-crock/calendar';
import { filter, map } from 'rxjs';
import { KitchenClock } from '../state/kitchen-clock';
import { PlanRecords } from '../state/plan-records';
import { PlannedStrip } from '../shared/pour/planned-strip';
import { Pour } from '../shared/pour/pour';
import { followFeature } from '../state/follow.feature';
import { householdSelectors } from '../state/household';
import { selectLive } from '../state/log.feature';
import { written } from '../shared/ui/dates';
import { SayPipe, tell } from '../shared/ui/said';
import { Workers } from '../engine/workers';

const HOUR_MS = 3_600_000;
/** What the shelf shows: a little of what was, three days of what comes. */
const BACK_MS = 10 * HOUR_MS;
const AHEAD_MS = 62 * HOUR_MS;
/** Every so many hours are marked. */
const MARKED_H = 6;

/** The strip under the header: every live pour, with the present as a line, and what is planned. */
@Component({
  selector: 'oc-shelf',
  host: { role: 'region', '[attr.aria-label]': 'label()', '[class.away]': 'isOnPlan() && !cannotWork()' },
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PlannedStrip, Pour, RouterLink, SayPipe],
  template: `
    <div class="days" aria-hidden="true">
      @for (mark of marks(); track mark.at) {
        <span [style.left.%]="mark.left" [class.day]="mark.day">{{ mark.text }}</span>
      }
    </div>
    <ul>
      @for (row of rows(); track row.batch.id) {
        <li>
          <a [routerLink]="['/make', row.batch.id]">
            <span class="name">{{ row.batch.name }}</span>
            @if (row.followed; as followed) {
              <oc-pour
                [name]="row.batch.name"
                [followed]="followed"
                [short]="true"
                [nowMs]="clock.nowMs()"
                [fromMs]="from()"
                [untilMs]="until()"
                [asleep]="asleep()"
              />
            } @else {
              <span class="quiet">{{
                cannotWork() ? ('page.shell.shelf.notWorkedOut' | say) : ('page.shell.shelf.workingOut' | say)
              }}</span>
            }
          </a>
        </li>
      }
      @if (planned().length) {
        <li>
          <a routerLink="/plan">
            <span class="name plan">{{ 'page.shell.shelf.planned' | say }}</span>
            <oc-planned-strip [plannedBatches]="planned()" [fromMs]="from()" [untilMs]="until()" [asleep]="asleep()" />
          </a>
        </li>
      }
    </ul>
  `,
  styleUrl: './shelf.css',
})
export class Shelf {
  protected readonly label = computed(() => tell('page.shell.shelf.theShelf'));
  protected readonly cannotWork = inject(Workers).failed;
  private readonly store = inject(Store);
  protected readonly clock = inject(KitchenClock);
  protected readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);
  private readonly live = this.store.selectSignal(selectLive);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);

  /** Rounded to a quarter of an hour, so that the shelf stands still between. */
  private readonly quarter = computed(() => Math.floor(this.clock.nowMs() / 900_000) * 900_000);
  protected readonly from = computed(() => this.quarter() - BACK_MS);
  protected readonly until = computed(() => this.quarter() + AHEAD_MS);

  protected readonly rows = computed(() =>
    this.live().map((batch) => ({ batch, followed: this.followed()[batch.id] ?? null })),
  );

  private readonly plannedBatches = inject(PlanRecords).plannedBatches;
  private readonly router = inject(Router);
  /** The place that is open: Plan draws what is on and what is planned itself, and has the height for it. */
  private readonly path = toSignal(
    this.router.events.pipe(
      filter((event) => event instanceof NavigationEnd),
      map((event) => event.urlAfterRedirects),
    ),
    { initialValue: this.router.url },
  );
  protected readonly isOnPlan = computed(() => this.path().startsWith('/plan'));
  /** Planned pours of the days that are shown. */
  protected readonly planned = computed(() =>
    this.plannedBatches().filter((p) => p.batchId === null && p.startMs < this.until() && p.readyMs > this.from()),
  );

  protected readonly marks = computed(() => {
    const { zone } = this.asleep();
    return hoursOver(this.from(), this.until(), MARKED_H, zone).map((at) => {
      const day = localTime(at, zone).hour === 0;
      const left = (100 * (at - this.from())) / (this.until() - this.from());
      return { at, left, day, text: written(at, day ? 'mark' : 'hour') };
    });
  });
}
