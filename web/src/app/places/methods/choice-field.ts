import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { lotIdOf, type Choice, type Choices, type Method, type Problem, type SaidWith } from '@oat-crock/core';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import type { OwnFill } from './own-things';
import { ProblemLine } from './problem-line';
import { SaidPipe, textOf, SayPipe } from '../../shared/ui/said';

/** Options up to this many stand side by side; more go into a list. */
const SIDE_BY_SIDE = 2;

/** One choice: its control, the reason for its default, and what is wrong with it. */
@Component({
  selector: 'oc-choice-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, NumberField, OptionField, ProblemLine, SayPipe],
  template: `
    <label [attr.for]="id()">{{ choice().label | said }}</label>
    @if (number(); as n) {
      <oc-number-field
        [fieldId]="id()"
        [buttons]="true"
        [value]="asNumber()"
        (changed)="typed($event)"
        [min]="n.min"
        [max]="n.max"
        [step]="n.step"
        [suffix]="' ' + n.unit"
        [saidWith]="saidWith()"
        [invalid]="problem() !== null"
      />
    } @else if (few()) {
      <div class="few" role="group" [attr.aria-label]="choice().label | said">
        @for (option of options(); track option.id) {
          <button
            type="button"
            [attr.aria-pressed]="value() === option.id"
            [title]="option.why"
            (click)="chosen.emit(option.id)"
          >
            {{ option.label }}
          </button>
        }
      </div>
    } @else {
      <oc-option-field
        [fieldId]="id()"
        [ariaLabel]="choice().label | said"
        [options]="options()"
        [value]="value()"
        (changed)="chosen.emit($event)"
        [invalid]="problem() !== null"
      />
    }
    @if (own().length) {
      <div
        class="own"
        role="group"
        [attr.aria-label]="'page.methods.choiceField.yourOwn' | say: { label: (choice().label | said) }"
      >
        @for (thing of offered(); track thing.id) {
          <button type="button" [attr.aria-pressed]="ownChosen() === thing.id" (click)="filled.emit(thing)">
            {{ thing.label }}
          </button>
        }
        @for (thing of refused(); track thing.id) {
          <p class="refused">
            <b>{{ 'page.methods.choiceField.wouldNotDo' | say: { label: thing.label } }}</b> {{ said(thing.refused) }}
          </p>
        }
      </div>
    }
    <p class="why">{{ reason() }}</p>
    @if (problem(); as wrong) {
      <oc-problem role="alert" [problem]="wrong" [method]="method()" (works)="works.emit($event)" />
    }
  `,
  styleUrl: './choice-field.css',
})
export class ChoiceField {
  readonly choice = input.required<Choice>();
  readonly value = input.required<number | string>();
  readonly problem = input<Problem | null>(null);
  readonly method = input.required<Method>();
  /** What lets its amount be said in other words. */
  readonly saidWith = input<SaidWith>({});
  /** Things of one's own that answer it, and which of them did. */
  readonly own = input<readonly OwnFill[]>([]);
  readonly ownChosen = input('');
  readonly chosen = output<number | string>();
  readonly filled = output<OwnFill>();
  /** The nearest choices that work were taken. */
  readonly works = output<Choices>();

  protected readonly id = computed(() => `choice-${this.choice().key}`);
  protected readonly number = computed(() => {
    const choice = this.choice();
    return choice.kind === 'number' ? choice : null;
  });
  protected readonly options = computed(() => {
    const choice = this.choice();
    if (choice.kind === 'number') return [];
    return choice.options.map((o) =>
      lotIdOf(o.id) === null
        ? { id: o.id, label: textOf(o.label), why: textOf(o.why) }
        : { id: o.id, label: String(o.label), why: String(o.why) },
    );
  });
  protected readonly few = computed(() => this.options().length > 0 && this.options().length <= SIDE_BY_SIDE);
  /** The reason of the option chosen, else of the choice. */
  protected readonly reason = computed(() => {
    const picked = this.options().find((o) => o.id === this.value());
    const why = textOf(this.choice().why);
    return picked ? `${picked.why} ${why}` : why;
  });

  protected readonly offered = computed(() => this.own().filter((thing) => !thing.refused));
  protected readonly refused = computed(() => this.own().filter((thing) => thing.refused));
  protected readonly said = (text: string | undefined) => textOf(text ?? '');

  protected readonly asNumber = computed(() => Number(this.value()));

  protected typed(value: number | null): void {
    if (value !== null) this.chosen.emit(value);
  }
}
