import { ChangeDetectionStrategy, Component, computed, inject, input, model } from '@angular/core';
import { say, type Text } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { dayTime } from '../ui/words';
import { kitchenZone } from '../ui/zone';
import { clockOf, momentOf, NOW, type When } from './when';
import { SayPipe, SaidPipe } from '../ui/said';

const AGO_MIN = 10;

/** When it was: now unless said otherwise; ten minutes ago in one tap, any other time of the clock in one more. */
@Component({
  selector: 'oc-when-row',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    <div class="row" role="group" [attr.aria-label]="label() | said">
      <button type="button" [attr.aria-pressed]="when().is === 'now'" (click)="when.set(now)">
        {{ standing() | said }}
      </button>
      <button type="button" [attr.aria-pressed]="when().is === 'ago'" (click)="when.set(ago)">
        {{ latestMs() === null ? ('page.log.whenRow.minAgo' | say) : ('page.log.whenRow.minEarlier' | say) }}
      </button>
      @if (clock() !== null) {
        <input
          inputmode="numeric"
          maxlength="5"
          size="5"
          [attr.aria-label]="'page.log.whenRow.atByTheClock' | say"
          [value]="clock()"
          (input)="when.set({ is: 'at', clock: $any($event.target).value })"
        />
      } @else {
        <button type="button" (click)="atClock()">{{ 'page.log.whenRow.at' | say }}</button>
      }
      @if (meant(); as meant) {
        <span>{{ meant }}</span>
      }
    </div>
    @if (wrong()) {
      <p class="problem" role="alert">{{ wrong() }}</p>
    }
  `,
  styles: `
    .row {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem;
      font-size: 0.85rem;
      color: var(--ink-soft);
    }
    button,
    input {
      font: inherit;
      color: var(--ink-soft);
      background: none;
      border: 1px solid transparent;
      border-radius: 5px;
      min-height: var(--touch);
      padding: 0.1rem 0.5rem;
      cursor: pointer;
    }
    input {
      border-color: var(--line-strong);
      background: var(--paper);
      color: var(--ink);
    }
    button[aria-pressed='true'] {
      border-color: var(--line-strong);
      color: var(--ink);
    }
  `,
})
export class WhenRow {
  readonly when = model.required<When>();
  readonly label = input<Text>(say('page.log.whenRow.whenWasIt'));
  /** What it is where nothing else is said. */
  readonly standing = input<Text>(say('page.log.whenRow.now'));
  /** The latest that it can have been, ms; now where none is given. */
  readonly latestMs = input<number | null>(null);
  /** Why it cannot have been then. */
  readonly wrong = input('');
  private readonly kitchen = inject(KitchenClock);

  protected readonly now = NOW;
  protected readonly ago: When = { is: 'ago', min: AGO_MIN };
  protected readonly clock = computed(() => {
    const when = this.when();
    return when.is === 'at' ? when.clock : null;
  });
  /** The moment that is meant, with its day. */
  protected readonly meant = computed(() => {
    if (this.when().is === 'now') return '';
    const atMs = momentOf(this.when(), this.latestMs() ?? this.kitchen.nowMs(), kitchenZone());
    return atMs === null ? '' : dayTime(atMs);
  });

  protected atClock(): void {
    this.when.set({ is: 'at', clock: clockOf(this.latestMs() ?? this.kitchen.nowMs(), kitchenZone()) });
  }
}
