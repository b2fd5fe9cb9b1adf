import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal } from '@angular/core';
import { dequal } from 'dequal/lite';
import {
  between,
  choicesOf,
  CROCK_G_PER_ML,
  type MilkLines,
  milkLines,
  percent,
  totalOfLines,
  weighed,
} from '@oat-crock/core';
import { NumberField } from '../../shared/ui/number-field';
import { SayPipe, tell } from '../../shared/ui/said';
import { Decision } from './decision';

/** Cold cream of about a third fat, g/mL: in between milk and fat. */
const CREAM_G_PER_ML = 1;

/** Milk and cream as two amounts: they follow the total and the fat, and those follow them. */
@Component({
  selector: 'oc-milk-lines',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, SayPipe],
  template: `
    @if (lines(); as two) {
      <p class="quiet">{{ 'page.methods.milkLines.orAsTwo' | say }}</p>
      <oc-number-field
        fieldId="lines-milk"
        [label]="'page.methods.milkLines.milk' | say"
        [value]="two.milkG"
        (changed)="set({ milkG: $event ?? 0, creamG: two.creamG })"
        [max]="60000"
        [step]="50"
        [digits]="0"
        suffix=" g"
        [saidWith]="MILK"
      />
      <oc-number-field
        fieldId="lines-cream"
        [label]="'page.methods.milkLines.cream' | say"
        [value]="two.creamG"
        (changed)="set({ milkG: two.milkG, creamG: $event ?? 0 })"
        [max]="60000"
        [step]="50"
        [digits]="0"
        suffix=" g"
        [saidWith]="CREAM"
      />
      @if (trouble()) {
        <p class="problem" role="alert">{{ trouble() }}</p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 8.5rem minmax(0, 1fr);
      gap: 0.3rem 0.6rem;
      align-items: center;
      padding: 0 0 0.5rem;
    }
    p {
      grid-column: 1 / -1;
      font-size: 0.82rem;
    }
    .problem {
      color: var(--brick);
      font-weight: 650;
    }
  `,
})
export class MilkLinesFields {
  protected readonly MILK = { gPerMl: CROCK_G_PER_ML };
  protected readonly CREAM = { gPerMl: CREAM_G_PER_ML };
  private readonly decision = inject(Decision);
  private readonly decided = computed(
    () => milkLines(this.decision.method(), this.decision.choices(), this.decision.stocks()),
    { equal: dequal },
  );
  /** What was typed and is outside what the make takes: it stays until it is right, or the total or the fat is changed. */
  private readonly typed = linkedSignal<unknown, MilkLines | null>({ source: this.decided, computation: () => null });
  protected readonly lines = computed(() => this.decided() && (this.typed() ?? this.decided()));
  protected readonly trouble = computed(() => {
    const typed = this.typed();
    return typed ? this.against(typed) : '';
  });

  protected set(lines: MilkLines): void {
    const total = totalOfLines(this.decision.method(), this.decision.choices(), lines, this.decision.stocks());
    const isFine = total !== null && this.against(lines) === '';
    this.typed.set(isFine ? null : lines);
    if (isFine) this.decision.doThat(total);
  }

  /** Why a make does not take so much of each; empty where it does. */
  private against(lines: MilkLines): string {
    const total = totalOfLines(this.decision.method(), this.decision.choices(), lines, this.decision.stocks());
    if (!total) return tell('page.methods.milkLines.nothing');
    for (const choice of choicesOf(this.decision.method())) {
      const value = choice.key === 'massG' ? total.massG : choice.key === 'fatPct' ? total.fatPct : null;
      if (choice.kind !== 'number' || value === null || (value >= choice.min && value <= choice.max)) continue;
      return choice.key === 'fatPct'
        ? tell('page.methods.milkLines.fatOutside', {
            fat: percent(value, 1),
            range: between(percent(choice.min), percent(choice.max)),
          })
        : tell('page.methods.milkLines.massOutside', { range: between(weighed(choice.min), weighed(choice.max)) });
    }
    return '';
  }
}
