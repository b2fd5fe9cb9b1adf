import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { FieldProblem, Helper, Settings } from '@oat-crock/contract/api';
import { say, type Text, type Work, type WorkWish } from '@oat-crock/core';
import { NumberField } from '../shared/ui/number-field';
import { OptionField } from '../shared/ui/option-field';
import { WeekdayToggle } from '../shared/ui/weekday-toggle';
import { tell, SayPipe, SaidPipe } from '../shared/ui/said';
import { AwayList } from './away-list';
import { HOURS } from '../shared/ui/hour-options';
import { WeeklyAwayList } from './weekly-away-list';

/** Somebody with working hours of their own works until then, until they say otherwise. */
const WORKS_UNTIL_H = 17;
/** "helpers[0].name" as "helpers.0.name". */
const dotted = (field: string) => field.replace(/\[(\d+)\]/g, '.$1');

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
  imports: [AwayList, SaidPipe, NumberField, OptionField, WeekdayToggle, SayPipe, WeeklyAwayList],
  template: `
    <fieldset>
      <legend>{{ 'page.shell.peopleFields.away' | say }}</legend>
      <oc-away-list
        fieldId="away"
        [away]="settings().away"
        [zone]="settings().zone"
        [errors]="under('away')"
        (changed)="changed.emit({ away: $event })"
      />
    </fieldset>
    <fieldset>
      <legend>{{ 'page.shell.peopleFields.awayWeekly' | say }}</legend>
      <oc-weekly-away-list
        [away]="settings().awayWeekly"
        [errors]="under('awayWeekly')"
        (changed)="changed.emit({ awayWeekly: $event })"
      />
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
    <fieldset class="helps">
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
            (click)="dropHelper(i)"
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
              <div class="pair">
                <span>{{ work.name | said }}</span>
                <oc-option-field
                  [ariaLabel]="'page.shell.peopleFields.doesWork' | say: { name: helper.name, work: work.name }"
                  [options]="$any(wishes)"
                  [value]="helper.wishes?.[work.id] ?? 'does'"
                  [inPlace]="true"
                  (changed)="wish(i, work.id, $event)"
                />
              </div>
            }
            <div class="pair">
              <label [for]="'helper-most-' + i">
                <span aria-hidden="true">{{ 'page.shell.peopleFields.most' | say }}</span>
                <span class="unseen">{{ 'page.shell.peopleFields.mostOf' | say: { name: helper.name } }}</span>
              </label>
              <oc-number-field
                [fieldId]="'helper-most-' + i"
                suffix=" h"
                [min]="0.25"
                [max]="24"
                [step]="0.25"
                [value]="helper.mostH ?? null"
                (changed)="enough(i, $event)"
              />
            </div>
            <div class="pair">
              <span>{{ 'page.shell.peopleFields.atCrocks' | say }}</span>
              <oc-option-field
                [ariaLabel]="'page.shell.peopleFields.crocksFrom' | say: { name: helper.name }"
                [options]="crockHours()"
                [value]="helper.works?.fromH?.toString() ?? ''"
                [inPlace]="true"
                (changed)="worksFrom(i, $event)"
              />
            </div>
            @if (helper.works; as works) {
              <div class="pair">
                <span>{{ 'page.shell.peopleFields.to' | say }}</span>
                <oc-option-field
                  [ariaLabel]="'page.shell.peopleFields.crocksUntil' | say: { name: helper.name }"
                  [options]="hours()"
                  [value]="works.toH.toString()"
                  [inPlace]="true"
                  (changed)="setHelper(i, { works: { fromH: works.fromH, toH: +$event } })"
                />
              </div>
            }
          </div>
          <oc-away-list
            [fieldId]="'helper-away-' + i"
            [who]="helper.name"
            [away]="helper.away ?? []"
            [zone]="settings().zone"
            [errors]="under('helpers.' + i + '.away')"
            (changed)="setHelper(i, { away: $event })"
          />
          <oc-weekly-away-list
            [who]="helper.name"
            [away]="helper.awayWeekly ?? []"
            [errors]="under('helpers.' + i + '.awayWeekly')"
            (changed)="setHelper(i, { awayWeekly: $event })"
          />
        </div>
        @for (problem of ofHelper(i); track problem.message) {
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
    .helper {
      display: grid;
      grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr) minmax(0, 1fr) 2.2rem;
      gap: 0.3rem 0.4rem;
      align-items: center;
      padding: 0.2rem 0 0.6rem;
      border-bottom: 1px solid var(--line);
    }
    .works {
      grid-column: 1 / -1;
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(14rem, 1fr));
      gap: 0.3rem 1.2rem;
      font-size: 0.88rem;
    }
    .pair {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 9rem;
      gap: 0.5rem;
      align-items: center;
    }
    .helps {
      grid-column: 1 / -1;
    }
    .lift {
      display: flex;
      gap: 0.6rem;
      align-items: center;
      padding-top: 0.3rem;
    }
    .helper oc-weekday-toggle,
    .helper oc-away-list,
    .helper oc-weekly-away-list {
      grid-column: 1 / -1;
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
  `,
})
export class PeopleFields {
  readonly settings = input.required<Settings>();
  readonly errors = input<readonly FieldProblem[]>([]);
  readonly changed = output<Partial<Pick<Settings, 'away' | 'awayWeekly' | 'helpers' | 'liftKg' | 'mostH'>>>();
  protected readonly works = WORK_NAMES;
  protected readonly wishes = WISHES;
  protected readonly hours = computed(HOURS);
  protected readonly crockHours = computed(() => [
    { id: '', label: tell('page.shell.peopleFields.wheneverThere') },
    ...HOURS(),
  ]);

  /** What is wrong within a field, by its place there: "1.toMs". */
  protected under(field: string): readonly FieldProblem[] {
    return this.errors().flatMap((e) =>
      dotted(e.field).startsWith(`${field}.`) ? [{ ...e, field: dotted(e.field).slice(field.length + 1) }] : [],
    );
  }

  /** What is wrong with somebody who helps, besides their times away: those say it themselves. */
  protected ofHelper(i: number): readonly FieldProblem[] {
    return this.under('helpers').filter(({ field }) => field.startsWith(`${i}`) && !field.startsWith(`${i}.away`));
  }

  protected wish(i: number, work: Work, is: string): void {
    const before = Object.entries(this.settings().helpers[i]!.wishes ?? {}).filter(([of]) => of !== work);
    const wishes = Object.fromEntries(is === 'does' ? before : [...before, [work, is]]) as WorkWish;
    this.setHelper(i, { wishes });
  }

  /** So much is enough of a day; as much as comes where nothing is said. */
  protected enough(i: number, mostH: number | null): void {
    if (mostH === null) this.without(i, 'mostH');
    else this.setHelper(i, { mostH });
  }

  private without(i: number, key: 'mostH' | 'works'): void {
    const rest = (helper: Helper) => Object.fromEntries(Object.entries(helper).filter(([of]) => of !== key));
    this.changed.emit({
      helpers: this.settings().helpers.map((h, at) => (at === i ? (rest(h) as unknown as Helper) : h)),
    });
  }

  /** At the crocks from an hour on until five, or midnight where it is later than that; or whenever they are there. */
  protected worksFrom(i: number, from: string): void {
    const { toH } = this.settings().helpers[i]!.works ?? { toH: WORKS_UNTIL_H };
    if (from === '') return this.without(i, 'works');
    const fromH = Number(from);
    this.setHelper(i, { works: { fromH, toH: toH > fromH ? toH : 24 } });
  }

  protected addHelper(): void {
    const helper: Helper = { name: tell('page.shell.peopleFields.aNeighbour'), fromH: 8, toH: 12, days: [6] };
    this.changed.emit({ helpers: [...this.settings().helpers, helper] });
  }

  protected setHelper(i: number, change: Partial<Helper>): void {
    this.changed.emit({ helpers: this.settings().helpers.map((h, at) => (at === i ? { ...h, ...change } : h)) });
  }

  protected dropHelper(i: number): void {
    this.changed.emit({ helpers: this.settings().helpers.filter((_, at) => at !== i) });
  }
}
