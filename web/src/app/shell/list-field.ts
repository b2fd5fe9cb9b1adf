import { Directive, input, output } from '@angular/core';
import type { FieldProblem } from '@oat-crock/contract/api';

/** A list that is written as rows: one is changed, taken away, or told what is wrong with it. */
@Directive()
export abstract class ListField<T extends object> {
  readonly away = input.required<readonly T[]>();
  /** Who is away; empty for those of the house. */
  readonly who = input('');
  /** What is wrong, each at its place in the list: "1.toMs". */
  readonly errors = input<readonly FieldProblem[]>([]);
  readonly changed = output<readonly T[]>();

  protected wrongOf(i: number): readonly FieldProblem[] {
    return this.errors().filter(({ field }) => field.split('.')[0] === String(i));
  }

  protected set(i: number, change: Partial<T>): void {
    this.changed.emit(this.away().map((one, at) => (at === i ? { ...one, ...change } : one)));
  }

  protected drop(i: number): void {
    this.changed.emit(this.away().filter((_, at) => at !== i));
  }
}
