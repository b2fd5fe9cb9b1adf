import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { Due, WantedOrder } from '@oat-crock/contract/wire';
import type { Choices } from '@oat-crock/core';
import { KitchenClock } from '../engine/kitchen-clock';
import { MethodBook } from '../methods/method-book';
import { draftFeature, draftOf } from '../state/draft.feature';
import { LarderActions, larderFeature } from '../state/larder.feature';
import type { Asked } from '../ui/asked';
import { AskedField } from '../ui/asked-field';
import { DayField } from '../ui/day-field';
import { SaidPipe } from '../ui/units';
import { weekdays } from '../ui/weekday-toggle';
import { dueAs } from './new-order';
import { FEEDINGS, halfHours, MADE, MUCH, NOTE, OF_AMOUNT, OWN_FIELDS, WHEN, WHOM } from './order-fields';

/** Something that is wanted: of what, how much, when, for whom. What is written outlives the page. */
@Component({
  selector: 'oc-order-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AskedField, DayField, RouterLink, SaidPipe],
  templateUrl: './order-form.html',
  styles: `
    :host {
      --asked-label: 5.2rem;
      display: block;
      background: var(--paper-raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
      padding: 0.5rem 0.6rem;
    }
    .field {
      display: grid;
      grid-template-columns: var(--asked-label) minmax(0, 1fr);
      gap: 0.6rem;
      align-items: center;
      padding: 0.2rem 0;
    }
    .field label {
      font-weight: 600;
      font-size: 0.92rem;
    }
    .sheet {
      margin-inline-start: calc(var(--asked-label) + 0.6rem);
    }
    .ends {
      display: flex;
      flex-wrap: wrap;
      gap: 0.3rem;
      padding-top: 0.4rem;
    }
    :host ::ng-deep .p-datepicker,
    :host ::ng-deep .p-datepicker-input {
      width: 100%;
    }
  `,
})
export class OrderForm {
  readonly id = input.required<string>();
  readonly closed = output();

  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly allWriting = this.store.selectSignal(larderFeature.selectWriting);
  private readonly orders = this.store.selectSignal(larderFeature.selectOrders);

  private readonly drafts = this.store.selectSignal(draftFeature.selectDrafts);
  protected readonly made = MADE;
  protected readonly much = MUCH;
  protected readonly when = WHEN;
  protected readonly whom = WHOM;
  protected readonly note = NOTE;
  protected readonly what = computed((): Asked => ({
    type: 'option',
    path: 'methodId',
    label: 'What',
    options: this.book
      .all()
      .filter((m) => !FEEDINGS.has(m.id))
      .map(({ id, name }) => ({ id, label: name })),
  }));
  protected readonly day = computed((): Asked => ({
    type: 'option',
    path: 'day',
    label: 'On',
    numeric: true,
    options: weekdays().map(({ day, name }) => ({ id: String(day), label: name })),
  }));
  protected readonly hour = computed((): Asked => ({
    type: 'option',
    path: 'atH',
    label: 'at',
    numeric: true,
    options: halfHours(),
  }));

  protected readonly writing = computed(() => this.allWriting()[this.id()] ?? null);
  private readonly kept = computed(() => this.orders()[this.id()] ?? null);
  protected readonly isNew = computed(() => this.kept() === null);
  protected readonly draft = computed(() => (this.writing()?.draft ?? this.kept()?.item ?? null) as WantedOrder | null);
  /** What is chosen on the sheet of its method, but for how much. */
  private readonly onSheet = computed((): Choices => {
    const { choices } = draftOf(this.drafts(), this.draft()?.methodId ?? '');
    return Object.fromEntries(Object.entries(choices).filter(([key]) => !OF_AMOUNT.has(key)));
  });
  protected readonly hasSheet = computed(() => this.madeAs() !== 'usual' || Object.keys(this.onSheet()).length > 0);
  protected readonly madeAs = computed(() => {
    const choices = JSON.stringify(this.draft()?.choices ?? {});
    return choices === '{}' ? 'usual' : choices === JSON.stringify(this.onSheet()) ? 'sheet' : 'own';
  });
  protected readonly once = computed(() => {
    const due = this.draft()?.due;
    return due?.is === 'once' ? due.atMs : null;
  });
  protected readonly weekly = computed(() => {
    const due = this.draft()?.due;
    return due?.is === 'weekly' ? due : null;
  });

  private readonly errors = computed(() => this.writing()?.errors ?? []);
  /** Fields that say themselves what is wrong with them. */
  protected wrong(field: keyof WantedOrder) {
    return this.errors().filter((e) => e.field === field);
  }
  protected readonly rest = computed(() => this.errors().filter((e) => !OWN_FIELDS.has(e.field)));

  protected change(change: Partial<WantedOrder>): void {
    const draft = this.draft();
    if (!draft) return;
    const overVersion = this.writing()?.overVersion ?? this.kept()?.version ?? 0;
    this.store.dispatch(LarderActions.written({ family: 'orders', draft: { ...draft, ...change }, overVersion }));
  }

  protected makeAs(as: string): void {
    if (as !== 'own') this.change({ choices: as === 'sheet' ? this.onSheet() : {} });
  }

  protected dueIs(is: Due['is']): void {
    const draft = this.draft();
    if (draft) this.change({ due: dueAs(is, draft.due, this.clock.exactMs()) });
  }

  protected at(atMs: number | null): void {
    if (atMs !== null) this.change({ due: { is: 'once', atMs } });
  }

  private readonly saving = signal(false);

  constructor() {
    effect(() => {
      if (this.saving() && !this.writing()) this.closed.emit();
    });
  }

  protected save(): void {
    if (!this.writing()) this.closed.emit();
    this.saving.set(true);
    this.store.dispatch(LarderActions.saveWanted({ id: this.id() }));
  }

  protected saveOver(): void {
    this.store.dispatch(LarderActions.kept({ id: this.id() }));
    this.save();
  }

  protected forget(): void {
    this.store.dispatch(LarderActions.letGo({ id: this.id() }));
    this.closed.emit();
  }

  protected takeAway(): void {
    this.store.dispatch(LarderActions.letGo({ id: this.id() }));
    this.store.dispatch(LarderActions.removeWanted({ family: 'orders', id: this.id() }));
    this.closed.emit();
  }
}
