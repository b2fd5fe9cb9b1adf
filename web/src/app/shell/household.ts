import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  effect,
  type ElementRef,
  inject,
  linkedSignal,
  output,
  untracked,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import type { Settings } from '@oat-crock/contract/wire';
import { HouseholdActions, householdFeature } from '../state/household.feature';
import { NumberField } from '../ui/number-field';

type NumberKey = Exclude<keyof Settings, 'currency'>;

/** The fields of the household, each with the reason it is asked. Bounds are those of the server's own schema. */
const FIELDS: readonly {
  readonly key: NumberKey;
  readonly label: string;
  readonly suffix: string;
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly why: string;
}[] = [
  {
    key: 'asleepFromH',
    label: 'Asleep from',
    suffix: ':00',
    min: 0,
    max: 24,
    step: 1,
    why: 'Hands that can wait are not asked for',
  },
  { key: 'asleepToH', label: 'until', suffix: ':00', min: 0, max: 24, step: 1, why: 'between these hours.' },
  {
    key: 'roomC',
    label: 'The room, coldest month',
    suffix: ' °C',
    min: 5,
    max: 38,
    step: 0.5,
    why: 'Its mean through the day. The sheet begins with',
  },
  {
    key: 'roomSummerC',
    label: 'and in the warmest',
    suffix: ' °C',
    min: 5,
    max: 38,
    step: 0.5,
    why: 'the room as it is in the season;',
  },
  { key: 'warmestMonth', label: 'which is month', suffix: '', min: 1, max: 12, step: 1, why: '7 is July.' },
  {
    key: 'roomNightDropC',
    label: 'Nights are cooler by',
    suffix: ' °C',
    min: 0,
    max: 15,
    step: 0.5,
    why: 'Moves what stands on the counter.',
  },
  {
    key: 'refrigeratorC',
    label: 'The cold shelf is at',
    suffix: ' °C',
    min: 0,
    max: 10,
    step: 0.5,
    why: 'Sets how fast it chills and drains.',
  },
  {
    key: 'hobW',
    label: 'The hob gives',
    suffix: ' W',
    min: 200,
    max: 10_000,
    step: 100,
    why: 'Sets how long heating takes.',
  },
];

/** The household: sleeping hours, kitchen, money. */
@Component({
  selector: 'oc-household',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField],
  template: `
    <dialog #box (close)="closed.emit()" aria-labelledby="household-title">
      <h2 id="household-title">The household</h2>
      <form (ngSubmit)="save()">
        @for (field of fields; track field.key) {
          <div class="field">
            <oc-number-field
              [fieldId]="'household-' + field.key"
              [label]="field.label"
              [buttons]="true"
              [value]="draft()[field.key]"
              (changed)="change(field.key, $event)"
              [min]="field.min"
              [max]="field.max"
              [step]="field.step"
              [suffix]="field.suffix"
            />
            <p class="quiet">{{ field.why }}</p>
          </div>
        }
        <div class="field">
          <label for="household-currency">Your money</label>
          <input
            id="household-currency"
            name="currency"
            maxlength="6"
            [ngModel]="draft().currency"
            (ngModelChange)="change('currency', $event)"
          />
          <p class="quiet">Stands before every price.</p>
        </div>
        @if (trouble()) {
          <p class="trouble" role="alert">{{ trouble() }}</p>
        }
        <button type="submit">Save</button>
        <button type="button" class="plain" (click)="box.close()">Leave it as it was</button>
      </form>
    </dialog>
  `,
  styleUrls: ['./dialog.css', './household.css'],
})
export class HouseholdForm {
  readonly closed = output();
  private readonly store = inject(Store);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');
  private readonly settings = this.store.selectSignal(householdFeature.selectSettings);
  private readonly saved = this.store.selectSignal(householdFeature.selectSaved);
  protected readonly trouble = this.store.selectSignal(householdFeature.selectTrouble);
  protected readonly draft = linkedSignal(() => this.settings());
  protected readonly fields = FIELDS;
  private waiting = false;

  constructor() {
    this.store.dispatch(HouseholdActions.opened());
    afterNextRender(() => this.box().nativeElement.showModal());
    effect(() => {
      this.saved();
      if (this.trouble()) this.waiting = false;
      untracked(() => {
        if (this.waiting) this.box().nativeElement.close();
      });
    });
  }

  protected change(key: keyof Settings, value: number | string | null): void {
    if (value !== null) this.draft.update((d) => ({ ...d, [key]: value }));
  }

  protected save(): void {
    this.waiting = true;
    this.store.dispatch(HouseholdActions.changeWanted({ settings: this.draft() }));
  }
}
