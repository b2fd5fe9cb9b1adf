import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
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
import { OptionField, type Option } from '../ui/option-field';
import { HOUSEHOLD, weekdays } from './household-fields';

/** The household: sleeping and working hours, units, money, kitchen. */
@Component({
  selector: 'oc-household',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, NumberField, OptionField],
  templateUrl: './household.html',
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
  protected readonly parts = HOUSEHOLD;
  protected readonly weekdays = computed(weekdays);
  protected readonly options = computed(() => {
    const lists = HOUSEHOLD.flatMap((part) =>
      part.fields.flatMap((f) => ('options' in f ? [[f.key, f.options()]] : [])),
    );
    return Object.fromEntries(lists) as Partial<Record<keyof Settings, readonly Option[]>>;
  });
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

  protected change(key: keyof Settings, value: unknown): void {
    if (value !== null) this.draft.update((d) => ({ ...d, [key]: value }));
  }

  protected toggleDay(day: number): void {
    const { worksDays } = this.draft();
    this.change('worksDays', worksDays.includes(day) ? worksDays.filter((d) => d !== day) : [...worksDays, day].sort());
  }

  protected numberOf(key: keyof Settings): number {
    return this.draft()[key] as number;
  }

  protected textOf(key: keyof Settings): string {
    return String(this.draft()[key]);
  }

  protected asNumber(text: unknown): number {
    return Number(text);
  }

  protected save(): void {
    this.waiting = true;
    this.store.dispatch(HouseholdActions.changeWanted({ settings: this.draft() }));
  }
}
