import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { daysOn, localTime, momentAt } from '@oat-crock/calendar';
import type { Away, FieldProblem, Helper, Settings } from '@oat-crock/contract/api';
import { KitchenClock } from '../state/kitchen-clock';
import { hourWord } from '../shared/ui/dates';
import { DayField } from '../shared/ui/day-field';
import { OptionField } from '../shared/ui/option-field';
import { WeekdayToggle } from '../shared/ui/weekday-toggle';
import { tell, SayPipe, SaidPipe } from '../shared/ui/said';

/** The hour at which a time away begins and ends, until somebody says otherwise. */
const AWAY_H = 8;
const HOURS = () =>
  Array.from({ length: 25 }, (_, hour) => ({
    id: String(hour),
    label: hour === 24 ? tell('page.shell.peopleFields.midnight') : hourWord(hour),
  }));

/** When nobody of the house is at home, and who lends a hand when: a plan asks for hands accordingly. */
@Component({
  selector: 'oc-people-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, DayField, OptionField, WeekdayToggle, SayPipe],
  template: `
    <fieldset>
      <legend>{{ 'page.shell.peopleFields.away' | say }}</legend>
      @for (away of settings().away; track $index; let i = $index) {
        <div class="away">
          <label class="unseen" [for]="'away-from-' + i">{{ 'page.shell.peopleFields.awayFrom' | say }}</label>
          <oc-day-field
            [fieldId]="'away-from-' + i"
            [atMs]="away.fromMs"
            [withTime]="true"
            [inPlace]="true"
            (changed)="setAway(i, { fromMs: $event ?? away.fromMs })"
          />
          <span aria-hidden="true">{{ 'page.shell.peopleFields.to' | say }}</span>
          <label class="unseen" [for]="'away-to-' + i">{{ 'page.shell.peopleFields.awayUntil' | say }}</label>
          <oc-day-field
            [fieldId]="'away-to-' + i"
            [atMs]="away.toMs"
            [withTime]="true"
            [inPlace]="true"
            (changed)="setAway(i, { toMs: $event ?? away.toMs })"
          />
          <button
            type="button"
            class="remove"
            [attr.aria-label]="'page.shell.peopleFields.notAway' | say"
            (click)="drop('away', i)"
          >
            <i class="pi pi-times" aria-hidden="true"></i>
          </button>
        </div>
        @for (problem of wrongOf('away', i); track problem.message) {
          <p class="problem" role="alert">{{ problem.message | said }} {{ problem.remedy | said }}</p>
        }
      }
      <button type="button" class="press quiet-press" (click)="addAway()">
        {{ 'page.shell.peopleFields.timeAway' | say }}
      </button>
    </fieldset>
    <fieldset>
      <legend>{{ 'page.shell.peopleFields.whoHelps' | say }}</legend>
      @for (helper of settings().helpers; track $index; let i = $index) {
        <div class="helper">
          <label class="unseen" [for]="'helper-name-' + i">{{ 'page.shell.peopleFields.nameWhoHelps' | say }}</label>
          <input
            class="type"
            [id]="'helper-name-' + i"
            maxlength="60"
            [placeholder]="'page.shell.peopleFields.name' | say"
            [value]="helper.name"
            (input)="setHelper(i, { name: $any($event.target).value })"
          />
          <oc-option-field
            [ariaLabel]="'page.shell.peopleFields.from' | say: { name: helper.name }"
            [options]="hours()"
            [value]="helper.fromH.toString()"
            [inPlace]="true"
            (changed)="setHelper(i, { fromH: +$event })"
          />
          <oc-option-field
            [ariaLabel]="'page.shell.peopleFields.until' | say: { name: helper.name }"
            [options]="hours()"
            [value]="helper.toH.toString()"
            [inPlace]="true"
            (changed)="setHelper(i, { toH: +$event })"
          />
          <button
            type="button"
            class="remove"
            [attr.aria-label]="'page.shell.peopleFields.noLongerHelps' | say: { name: helper.name }"
            (click)="drop('helpers', i)"
          >
            <i class="pi pi-times" aria-hidden="true"></i>
          </button>
          <oc-weekday-toggle
            [label]="'page.shell.peopleFields.theseDays' | say: { name: helper.name }"
            [days]="helper.days"
            (changed)="setHelper(i, { days: $event })"
          />
        </div>
        @for (problem of wrongOf('helpers', i); track problem.message) {
          <p class="problem" role="alert">{{ problem.message | said }} {{ problem.remedy | said }}</p>
        }
      }
      <button type="button" class="press quiet-press" (click)="addHelper()">
        {{ 'page.shell.peopleFields.somebodyWhoHelps' | say }}
      </button>
    </fieldset>
  `,
  styleUrl: './fieldset.css',
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(min(26rem, 100%), 1fr));
      gap: 0.3rem 1.75rem;
      grid-column: 1 / -1;
      align-items: start;
    }
    .away {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto minmax(0, 1fr) 2.2rem;
      gap: 0.4rem;
      align-items: center;
      padding: 0.15rem 0;
    }
    .helper {
      display: grid;
      grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1fr) 2.2rem;
      gap: 0.3rem 0.4rem;
      align-items: center;
      padding: 0.2rem 0;
    }
    .helper oc-weekday-toggle {
      grid-column: 1 / 4;
    }
    .remove {
      height: var(--touch);
      border: 0;
      background: transparent;
      color: var(--ink-soft);
      cursor: pointer;
    }
    .press {
      padding-inline: 0;
    }
    :host ::ng-deep .p-datepicker,
    :host ::ng-deep .p-datepicker-input {
      width: 100%;
    }
  `,
})
export class PeopleFields {
  readonly settings = input.required<Settings>();
  readonly errors = input<readonly FieldProblem[]>([]);
  readonly changed = output<Partial<Pick<Settings, 'away' | 'helpers'>>>();
  private readonly clock = inject(KitchenClock);
  protected readonly hours = computed(HOURS);

  protected wrongOf(list: 'away' | 'helpers', i: number): readonly FieldProblem[] {
    return this.errors().filter((e) => e.field.startsWith(`${list}.${i}`) || e.field.startsWith(`${list}[${i}]`));
  }

  /** From tomorrow for a day, until somebody says otherwise. */
  protected addAway(): void {
    const { zone } = this.settings();
    const tomorrow = daysOn(localTime(this.clock.nowMs(), zone), 1);
    const away = { fromMs: momentAt(tomorrow, AWAY_H, zone), toMs: momentAt(tomorrow, 24 + AWAY_H, zone) };
    this.changed.emit({ away: [...this.settings().away, away] });
  }

  protected setAway(i: number, change: Partial<Away>): void {
    this.changed.emit({ away: this.settings().away.map((a, at) => (at === i ? { ...a, ...change } : a)) });
  }

  protected addHelper(): void {
    const helper: Helper = { name: tell('page.shell.peopleFields.aNeighbour'), fromH: 8, toH: 12, days: [6] };
    this.changed.emit({ helpers: [...this.settings().helpers, helper] });
  }

  protected setHelper(i: number, change: Partial<Helper>): void {
    this.changed.emit({ helpers: this.settings().helpers.map((h, at) => (at === i ? { ...h, ...change } : h)) });
  }

  protected drop(list: 'away' | 'helpers', i: number): void {
    this.changed.emit({ [list]: this.settings()[list].filter((_, at) => at !== i) });
  }
}
