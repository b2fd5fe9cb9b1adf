import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Settings } from '@oat-crock/contract/api';
import { say, type Text } from '@oat-crock/core';
import { householdSelectors } from '../state/household';
import { HOUSEHOLD_ID } from '../state/record-writing';
import { RecordActions } from '../state/records.feature';
import { AskedField } from '../shared/ui/asked-field';
import { WeekdayToggle } from '../shared/ui/weekday-toggle';
import { householdParts } from './household-fields';
import { PeopleFields } from './people-fields';
import { SayPipe, SaidPipe, textList } from '../shared/ui/said';
import { problemWords } from '../shared/ui/words';

/** What a list of the household is called. */
const PEOPLE: Readonly<Partial<Record<keyof Settings, Text>>> = {
  away: say('page.shell.household.timesAway'),
  awayWeekly: say('page.shell.peopleFields.awayWeekly'),
  liftKg: say('page.shell.peopleFields.lift'),
  mostH: say('page.shell.peopleFields.mostHouse'),
  helpers: say('page.shell.household.whoHelps'),
};

/** The household: sleeping and working hours, units, money, kitchen. What is written outlives the dialog until it is saved or left. */
@Component({
  selector: 'oc-household',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, SaidPipe, AskedField, PeopleFields, WeekdayToggle, SayPipe],
  templateUrl: './household.html',
  styleUrls: ['./dialog.css', './fieldset.css', './household.css'],
})
export class HouseholdForm {
  readonly closed = output();
  private readonly store = inject(Store);
  private readonly box = viewChild.required<ElementRef<HTMLDialogElement>>('box');
  private readonly writing = this.store.selectSignal(householdSelectors.selectWriting);
  private readonly version = this.store.selectSignal(householdSelectors.selectVersion);
  private readonly errors = computed(() => this.writing()?.errors ?? []);
  /** What was written is on its way: once nothing of it is left to be saved, the dialog is done. */
  private readonly isSaving = signal(false);
  protected readonly draft = this.store.selectSignal(householdSelectors.selectDraft);
  protected readonly parts = computed(householdParts);
  /** What somebody else has changed while it was being changed here, by its names; empty where nothing. */
  protected readonly theirs = computed(() => {
    const labels = new Map(this.parts().flatMap(({ fields }) => fields.map((f) => [f.path, f.label] as const)));
    return textList(
      (this.writing()?.conflicts ?? []).map((key) => labels.get(key) ?? PEOPLE[key as keyof Settings] ?? key),
      'comma',
    );
  });
  /** What is wrong with a time away, or with who helps. */
  protected readonly peopleErrors = computed(() =>
    this.errors().filter((e) => /^((away|awayWeekly|helpers)\W|(liftKg|mostH)$)/.test(e.field)),
  );
  /** What is wrong with none of the fields. */
  protected readonly trouble = computed(() =>
    this.errors()
      .filter((e) => !(e.field in this.draft()) && !this.peopleErrors().includes(e))
      .map((e) => problemWords(e))
      .join(' '),
  );

  constructor() {
    afterNextRender(() => this.box().nativeElement.showModal());
    effect(() => {
      if (this.isSaving() && !this.writing()) this.box().nativeElement.close();
    });
  }

  protected valueOf(path: string): unknown {
    return this.draft()[path as keyof Settings];
  }

  protected wrongOf(path: string) {
    return this.errors().filter((e) => e.field === path);
  }

  protected change(path: string, value: unknown): void {
    if (value !== null) this.changeAll({ [path]: value });
  }

  protected changeAll(change: Partial<Settings>): void {
    const draft = { ...this.draft(), ...change, id: HOUSEHOLD_ID };
    this.store.dispatch(RecordActions.edited({ family: 'settings', draft, overVersion: this.version() }));
  }

  protected save(): void {
    this.store.dispatch(RecordActions.saveWanted({ id: HOUSEHOLD_ID }));
    this.isSaving.set(true);
  }

  /** Shows what somebody else wrote instead of what was written here. */
  protected takeTheirs(): void {
    this.isSaving.set(false);
    this.store.dispatch(RecordActions.theirsTaken({ id: HOUSEHOLD_ID }));
  }

  protected leave(): void {
    this.store.dispatch(RecordActions.discarded({ id: HOUSEHOLD_ID }));
    this.box().nativeElement.close();
  }
}
