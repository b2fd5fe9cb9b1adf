import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import type { WantedOrder } from '@oat-crock/contract/api';
import { KitchenClock } from '../../state/kitchen-clock';
import { MethodBook } from '../../state/method-book';
import { draftFeature, draftOf } from '../../state/draft.feature';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import { AskedField } from '../../shared/ui/asked-field';
import { DayField } from '../../shared/ui/day-field';
import { SaidPipe, AroundPipe, SayPipe } from '../../shared/ui/said';
import { orderRows, withoutAmount } from './order-fields';

/** Something that is wanted: of what, how much, when, for whom. What is written outlives the page. */
@Component({
  selector: 'oc-order-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AroundPipe, AskedField, DayField, RouterLink, SaidPipe, SayPipe],
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
    /* A day with its hour takes the whole line. */
    .field {
      display: grid;
      gap: 0.1rem;
      padding: 0.2rem 0;
    }
    .field label {
      font-weight: 600;
      font-size: 0.92rem;
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
  private readonly allWriting = this.store.selectSignal(recordsFeature.selectWriting);
  private readonly orders = this.store.selectSignal(recordsFeature.selectOrders);

  private readonly drafts = this.store.selectSignal(draftFeature.selectDrafts);
  private readonly host: ElementRef<HTMLElement> = inject(ElementRef);

  protected readonly writing = computed(() => this.allWriting()[this.id()] ?? null);
  private readonly kept = computed(() => this.orders()[this.id()] ?? null);
  protected readonly isNew = computed(() => this.kept() === null);
  protected readonly draft = computed(() => (this.writing()?.draft ?? this.kept()?.item ?? null) as WantedOrder | null);
  protected readonly rows = computed(() => {
    const draft = this.draft();
    if (!draft) return [];
    return orderRows(draft, {
      methods: this.book.all(),
      onSheet: withoutAmount(draftOf(this.drafts(), draft.methodId).choices),
      nowMs: () => this.clock.exactMs(),
      change: (change) => this.change(change),
    });
  });

  private readonly errors = computed(() => this.writing()?.errors ?? []);
  protected wrong(path: string) {
    return this.errors().filter((e) => e.field === path);
  }
  /** What is wrong with none of the fields. */
  protected readonly rest = computed(() => {
    const paths = new Set(this.rows().flatMap((row) => ('field' in row ? [row.field.path] : [])));
    return this.errors().filter((e) => !paths.has(e.field));
  });

  protected change(change: Partial<WantedOrder>): void {
    const draft = this.draft();
    if (!draft) return;
    const overVersion = this.writing()?.overVersion ?? this.kept()?.version ?? 0;
    this.store.dispatch(RecordActions.edited({ family: 'orders', draft: { ...draft, ...change }, overVersion }));
  }

  private readonly saving = signal(false);

  constructor() {
    afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>('#order-method')?.focus());
    effect(() => {
      if (this.saving() && !this.writing()) this.closed.emit();
    });
  }

  protected save(): void {
    if (!this.writing()) {
      this.closed.emit();
      return;
    }
    this.saving.set(true);
    this.store.dispatch(RecordActions.saveWanted({ id: this.id() }));
  }

  protected saveOver(): void {
    this.store.dispatch(RecordActions.kept({ id: this.id() }));
    this.save();
  }

  protected forget(): void {
    this.store.dispatch(RecordActions.discarded({ id: this.id() }));
    this.closed.emit();
  }

  protected takeAway(): void {
    this.store.dispatch(RecordActions.discarded({ id: this.id() }));
    this.store.dispatch(RecordActions.removeWanted({ family: 'orders', id: this.id() }));
    this.closed.emit();
  }
}
