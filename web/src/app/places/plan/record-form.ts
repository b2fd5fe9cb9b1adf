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
import { Store } from '@ngrx/store';
import type { Text } from '@oat-crock/core';
import { RecordActions, recordsFeature } from '../../state/records.feature';
import type { Draft } from '../../state/record-writing';
import { AskedField } from '../../shared/ui/asked-field';
import type { Asked } from '../../shared/ui/asked';
import { DayField } from '../../shared/ui/day-field';
import { SaidPipe, SayPipe } from '../../shared/ui/said';
import { WeekdayToggle } from '../../shared/ui/weekday-toggle';

/** A row of a form: what is asked, what stands there, and what becomes of what is written. */
export type FormRow =
  | { readonly id: string; readonly field: Asked; readonly value: unknown; readonly set: (value: unknown) => void }
  | {
      readonly id: string;
      readonly label: string;
      readonly atMs: number;
      readonly set: (atMs: number | null) => void;
    }
  | {
      readonly id: string;
      readonly label: string;
      readonly path: string;
      readonly days: readonly number[];
      readonly set: (days: readonly number[]) => void;
    };

/** What a form is called, its button for something new, and that which takes something away. */
export interface FormWords {
  readonly form: Text;
  readonly add: Text;
  readonly remove: Text;
}

/** Families that the plan has forms for. */
export type FormFamily = 'orders' | 'supplies';

/** A record that stands in the plan, as it is written. What is written outlives the page. */
@Component({
  selector: 'oc-record-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AskedField, DayField, SaidPipe, SayPipe, WeekdayToggle],
  templateUrl: './record-form.html',
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
    .field label,
    .field .label {
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
export class RecordForm {
  readonly id = input.required<string>();
  readonly family = input.required<FormFamily>();
  readonly words = input.required<FormWords>();
  readonly rowsOf =
    input.required<(draft: Draft, change: (change: Readonly<Record<string, unknown>>) => void) => readonly FormRow[]>();
  readonly closed = output();

  private readonly store = inject(Store);
  private readonly host: ElementRef<HTMLElement> = inject(ElementRef);
  private readonly allWriting = this.store.selectSignal(recordsFeature.selectWriting);
  private readonly kinds = {
    orders: this.store.selectSignal(recordsFeature.selectOrders),
    supplies: this.store.selectSignal(recordsFeature.selectSupplies),
  } as const;

  protected readonly writing = computed(() => this.allWriting()[this.id()] ?? null);
  private readonly kept = computed(() => this.kinds[this.family()]()[this.id()] ?? null);
  protected readonly isNew = computed(() => this.kept() === null);
  protected readonly draft = computed((): Draft | null => this.writing()?.draft ?? this.kept()?.item ?? null);
  protected readonly rows = computed(() => {
    const draft = this.draft();
    return draft ? this.rowsOf()(draft, (change) => this.change(change)) : [];
  });

  private readonly errors = computed(() => this.writing()?.errors ?? []);
  protected wrong(path: string) {
    return this.errors().filter((e) => e.field === path);
  }
  /** What is wrong with none of the fields. */
  protected readonly rest = computed(() => {
    const paths = this.rows().flatMap((row) => ('field' in row ? [row.field.path] : 'path' in row ? [row.path] : []));
    return this.errors().filter((e) => !paths.includes(e.field));
  });

  private change(change: Readonly<Record<string, unknown>>): void {
    const draft = this.draft();
    if (!draft) return;
    const overVersion = this.writing()?.overVersion ?? this.kept()?.version ?? 0;
    this.store.dispatch(RecordActions.edited({ family: this.family(), draft: { ...draft, ...change }, overVersion }));
  }

  private readonly saving = signal(false);

  constructor() {
    afterNextRender(() => this.host.nativeElement.querySelector<HTMLElement>(`#${this.rows()[0]?.id}`)?.focus());
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
    this.store.dispatch(RecordActions.removeWanted({ family: this.family(), id: this.id() }));
    this.closed.emit();
  }
}
