import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { FieldProblem } from '@oat-crock/contract/api';
import type { Material } from '@oat-crock/core';
import { AskedField } from '../../shared/ui/asked-field';
import { DayField } from '../../shared/ui/day-field';
import type { Draft, RecordFamily } from '../../state/record-writing';
import { dayOf, noonOf } from '../../shared/ui/days';
import { fieldsOf, valueAt, withValue } from './fields';
import { LabelForm } from './label-form';
import { SaidPipe } from '../../shared/ui/said';

/** The fields of a record, each with its reason and, where it is wrong, what would be right. */
@Component({
  selector: 'oc-record-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, DayField, LabelForm, AskedField],
  templateUrl: './record-form.html',
  styleUrl: './record-form.css',
})
export class RecordForm {
  readonly family = input.required<RecordFamily>();
  readonly draft = input.required<Draft>();
  readonly errors = input<readonly FieldProblem[]>([]);
  readonly changed = output<Draft>();

  protected readonly fields = computed(() =>
    fieldsOf(this.family(), String(this.draft().kind)).map((field) => {
      const value = valueAt(this.draft(), field.path);
      const wrong = this.errors().filter((e) => e.field === field.path || e.field.startsWith(`${field.path}.`));
      return { field, id: `record-${field.path}`, value, wrong, atMs: field.type === 'day' ? momentOf(value) : null };
    }),
  );

  /** What is wrong with no field of this form: said at its foot. */
  protected readonly rest = computed(() =>
    this.errors().filter((e) => !this.fields().some(({ wrong }) => wrong.includes(e))),
  );

  protected materialOf(value: unknown): Material {
    return value as Material;
  }

  protected write(path: string, value: unknown): void {
    this.changed.emit(withValue(this.draft(), path, value));
  }

  protected writeDay(path: string, atMs: number | null): void {
    this.write(path, atMs === null ? null : dayOf(atMs));
  }
}

const momentOf = (value: unknown): number | null => (typeof value === 'string' && value !== '' ? noonOf(value) : null);
