import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { daysOn, localTime, momentAt } from '@oat-crock/calendar';
import type { Away, FieldProblem, Helper, Settings, WeeklyAway } from '@oat-crock/contract/api';
import { say, type Text, type Work, type WorkWish } from '@oat-crock/core';
import { KitchenClock } from '../state/kitchen-clock';
import { hourWord } from '../shared/ui/dates';
import { DayField } from '../shared/ui/day-field';
import { NumberField } from '../shared/ui/number-field';
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

/** Kinds of work that somebody may not do, or would rather do. */
const WORK_NAMES: readonly { readonly id: Work; readonly name: Text }[] = [
  { id: 'hot', name: say('page.shell.peopleFields.workHot') },
  { id: 'churn', name: say('page.shell.peopleFields.workChurn') },
  { id: 'curd', name: say('page.shell.peopleFields.workCurd') },
  { id: 'pots', name: say('page.shell.peopleFields.workPots') },
];
const WISHES = [
  { id: 'does', label: say('page.shell.peopleFields.does') },
  { id: 'rather', label: say('page.shell.peopleFields.rather') },
  { id: 'not', label: say('page.shell.peopleFields.doesNot') },
] as const;

/** When nobody of the house is at home, and who lends a hand when: a plan asks for hands accordingly. */
@Component({
  selector: 'oc-people-fields',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, DayField, NumberField, OptionField, WeekdayToggle, SayPipe],
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
      <legend>{{ 'page.shell.peopleFields.awayWeekly' | say }}</legend>
      @for (away of settings().awayWeekly; track $index; let i = $index) {
        <div class="weekly">
          <oc-weekday-toggle
            [label]="'page.shell.peopleFields.awayDays' | say"
            [days]="away.days"
            (changed)="setWeekly(i, { days: $event })"
          />
          <oc-option-field
            [ariaLabel]="'page.shell.peopleFields.awayFrom' | say"
            [options]="hours()"
            [value]="away.fromH.toString()"
            [inPlace]="true"
            (changed)="setWeekly(i, { fromH: +$event })"
          />
          <oc-option-field
            [ariaLabel]="'page.shell.peopleFields.awayUntil' | say"
            [options]="hours()"
            [value]="away.toH.toString()"
            [inPlace]="true"
            (changed)="setWeekly(i, { toH: +$event })"
          />
          <button
            type="button"
            class="remove"
            [attr.aria-label]="'page.shell.peopleFields.notAway' | say"
            (click)="drop('awayWeekly', i)"
          >
            <i class="pi pi-times" aria-hidden="true"></i>
          </button>
        </div>
        @for (problem of wrongOf('awayWeekly', i); track problem.message) {
          <p class="problem" role="alert">{{ problem.message | said }} {{ problem.remedy | said }}</p>
        }
      }
      <button type="button" class="press quiet-press" (click)="addWeekly()">
        {{ 'page.shell.peopleFields.timeAwayWeekly' | say }}
      </button>
      <label class="lift" for="most-h">
        {{ 'page.shell.peopleFields.mostHouse' | say }}
        <oc-number-field
          fieldId="most-h"
          suffix=" h"
          [min]="0.25"
          [max]="24"
          [step]="0.25"
          [value]="settings().mostH"
          (changed)="changed.emit({ mostH: $event })"
        />
      </label>
      <label class="lift" for="lift-kg">
        {{ 'page.shell.peopleFields.lift' | say }}
        <oc-number-field
          fieldId="lift-kg"
          suffix=" kg"
          [min]="1"
          [max]="200"
          [step]="1"
          [value]="settings().liftKg"
          (changed)="changed.emit({ liftKg: $event })"
        />
      </label>
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
          <div class="works">
            @for (work of works; track work.id) {
              <span>{{ work.name | said }}</span>
              <oc-option-field
                [ariaLabel]="'page.shell.peopleFields.doesWork' | say: { name: helper.name, work: work.name }"
                [options]="$any(wishes)"
                [value]="helper.wishes?.[work.id] ?? 'does'"
                [inPlace]="true"
                (changed)="wish(i, work.id, $event)"
              />
            }
            <span>{{ 'page.shell.peopleFields.most' | say }}</span>
            <oc-number-field
              [fieldId]="'helper-most-' + i"
              [label]="'page.shell.peopleFields.mostOf' | say: { name: helper.name }"
              suffix=" h"
              [min]="0.25"
              [max]="24"
              [step]="0.25"
              [value]="helper.mostH ?? null"
              (changed)="enough(i, $event)"
            />
          </div>
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
    .weekly {
      display: grid;
      grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr) 2.2rem;
      gap: 0.4rem;
      align-items: center;
      padding: 0.15rem 0;
    }
    .works {
      grid-column: 1 / 4;
      display: grid;
      grid-template-columns: auto minmax(0, 1fr) auto minmax(0, 1fr);
      gap: 0.3rem 0.5rem;
      align-items: center;
      font-size: 0.88rem;
    }
    .lift {
      display: flex;
      gap: 0.6rem;
      align-items: center;
      padding-top: 0.3rem;
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
  readonly changed = output<Partial<Pick<Settings, 'away' | 'awayWeekly' | 'helpers' | 'liftKg' | 'mostH'>>>();
  protected readonly works = WORK_NAMES;
  protected readonly wishes = WISHES;
  private readonly clock = inject(KitchenClock);
  protected readonly hours = computed(HOURS);

  protected wrongOf(list: 'away' | 'awayWeekly' | 'helpers', i: number): readonly FieldProblem[] {
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

  /** Saturday mornings, until somebody says otherwise. */
  protected addWeekly(): void {
    this.changed.emit({ awayWeekly: [...this.settings().awayWeekly, { days: [6], fromH: 7, toH: 12 }] });
  }

  protected setWeekly(i: number, change: Partial<WeeklyAway>): void {
    this.changed.emit({ awayWeekly: this.settings().awayWeekly.map((a, at) => (at === i ? { ...a, ...change } : a)) });
  }

  protected wish(i: number, work: Work, is: string): void {
    const before = Object.entries(this.settings().helpers[i]!.wishes ?? {}).filter(([of]) => of !== work);
    const wishes = Object.fromEntries(is === 'does' ? before : [...before, [work, is]]) as WorkWish;
    this.setHelper(i, { wishes });
  }

  /** So much is enough of a day; as much as comes where nothing is said. */
  protected enough(i: number, mostH: number | null): void {
    const helpers = this.settings().helpers.map((helper, at): Helper => {
      if (at !== i) return helper;
      const rest = Object.fromEntries(Object.entries(helper).filter(([key]) => key !== 'mostH')) as unknown as Helper;
      return mostH === null ? rest : { ...rest, mostH };
    });
    this.changed.emit({ helpers });
  }

  protected addHelper(): void {
    const helper: Helper = { name: tell('page.shell.peopleFields.aNeighbour'), fromH: 8, toH: 12, days: [6] };
    this.changed.emit({ helpers: [...this.settings().helpers, helper] });
  }

  protected setHelper(i: number, change: Partial<Helper>): void {
    this.changed.emit({ helpers: this.settings().helpers.map((h, at) => (at === i ? { ...h, ...change } : h)) });
  }

  protected drop(list: 'away' | 'awayWeekly' | 'helpers', i: number): void {
    this.changed.emit({ [list]: this.settings()[list].filter((_, at) => at !== i) });
  }
}
