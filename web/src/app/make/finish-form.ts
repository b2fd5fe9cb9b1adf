import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { holdOf, type Batch, type EntryBody, type Followed, type Score } from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { bodyProblems } from '../log/check-body';
import { Logger } from '../log/logger';
import { NumberField } from '../ui/number-field';
import { mass } from '../ui/words';
import { SaidPipe, say } from '../ui/units';

const MARKS: readonly {
  readonly key: keyof Score;
  readonly ask: string;
  readonly low: string;
  readonly high: string;
}[] = [
  { key: 'sourness', ask: 'Sourness', low: 'mild', high: 'sharp' },
  { key: 'thickness', ask: 'Thickness', low: 'thin', high: 'stiff' },
  { key: 'smoothness', ask: 'Smoothness', low: 'grainy', high: 'silky' },
  { key: 'taste', ask: 'Taste', low: 'poor', high: 'fine' },
];

/** What came out: weighed, scored, and the make is finished. */
@Component({
  selector: 'oc-finish-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, ButtonModule, NumberField, SaidPipe],
  templateUrl: './finish-form.html',
  styleUrl: './finish-form.css',
})
export class FinishForm {
  readonly batch = input.required<Batch>();
  readonly followed = input.required<Followed>();
  private readonly logger = inject(Logger);

  protected readonly marks = MARKS;
  protected readonly productG = signal<number | null>(null);
  protected readonly wheyG = linkedSignal<number | null>(() => this.lastWhey());
  protected readonly heldBackG = linkedSignal<number | null>(() => Math.round(this.followed().balanceNow.heldBackG));
  protected readonly score = signal<Partial<Record<keyof Score, number>>>({});
  protected readonly wrong = signal('');
  /** Why it cannot be finished as sound: somebody holds it, or a rule does and nobody has answered it. */
  protected readonly kept = computed(() => {
    if (holdOf(this.batch())) return 'It is on hold: let it go with a reason, or discard it, before it is finished.';
    const rule = this.followed().findings.find((f) => f.level !== 'watch');
    const answered = this.batch().decisions.at(-1)?.decided === 'released';
    return rule && !answered ? `${rule.reason} Put it on hold or discard it; it is not finished as sound so.` : '';
  });
  protected readonly expected = computed(() => mass(this.followed().end.massG));
  protected readonly runsOff = computed(() => this.followed().runsOff);

  protected readonly weights = computed(() => [
    { id: 'finish-product', label: 'Product', massG: this.productG },
    ...this.runsOffWeight(),
    { id: 'finish-held', label: 'Held back', massG: this.heldBackG },
  ]);

  private runsOffWeight() {
    const runsOff = this.runsOff();
    return runsOff ? [{ id: 'finish-whey', label: runsOff.name, massG: this.wheyG }] : [];
  }

  private lastWhey(): number | null {
    return this.batch().readings.findLast((r) => r.quantity === 'wheyG')?.value ?? null;
  }

  protected give(key: keyof Score, value: number): void {
    this.score.update((s) => ({ ...s, [key]: s[key] === value ? undefined : value }));
  }

  protected async finish(): Promise<void> {
    const productG = this.productG();
    if (productG === null) {
      this.wrong.set('Weigh the product and type its mass in grams.');
      return;
    }
    const given = this.score();
    const whole = MARKS.every((m) => given[m.key] !== undefined);
    if (!whole && Object.values(given).some((v) => v !== undefined)) {
      this.wrong.set('Give all four marks, or none.');
      return;
    }
    const body: EntryBody = {
      type: 'finished',
      productG,
      wheyG: this.runsOff() ? this.wheyG() : null,
      heldBackG: this.heldBackG(),
      score: whole ? (given as Score) : null,
    };
    const [problem] = await bodyProblems(body);
    if (problem) this.wrong.set(say(`${problem.message} ${problem.remedy}`));
    else this.logger.write(this.batch().id, body);
  }
}
