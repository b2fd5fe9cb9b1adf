import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { cultureName, ORIGINS, type CultureId, begunLine } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { recordProblems } from '../../state/record-problems';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import { tell, SayPipe, titled } from '../../shared/ui/said';
import { CultureActs } from '../../state/culture-acts';
import { problemWords } from '../../shared/ui/words';

/** What a line begins with: what it is, how it came, how much of it, how old it is already. */
@Component({
  selector: 'oc-new-culture',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NumberField, OptionField, SayPipe],
  template: `
    <form (submit)="$event.preventDefault(); add()">
      <label for="new-name">
        {{ 'page.cultures.newCulture.name' | say }}
        <input
          class="type"
          id="new-name"
          maxlength="80"
          [placeholder]="'page.cultures.newCulture.whatYouCall' | say"
          [value]="name()"
          (input)="name.set($any($event.target).value)"
        />
      </label>
      <div>
        <span id="new-origin">{{ 'page.cultures.newCulture.itCameAs' | say }}</span>
        <oc-option-field
          [ariaLabel]="'page.cultures.newCulture.itCameAs' | say"
          [options]="origins"
          [value]="origin()"
          (changed)="begin($event)"
        />
      </div>
      <div>
        <span>{{ 'page.cultures.newCulture.itIs' | say }}</span>
        <oc-option-field
          [ariaLabel]="'page.cultures.newCulture.itIs' | say"
          [options]="cultures()"
          [value]="culture()"
          (changed)="culture.set($any($event))"
        />
      </div>
      <label for="new-mass">
        {{ 'page.cultures.newCulture.thereIs' | say }}
        <oc-number-field
          fieldId="new-mass"
          [suffix]="counted().suffix"
          [max]="20000"
          [step]="counted().step"
          [value]="count()"
          (changed)="count.set($event)"
        />
      </label>
      <label for="new-age">
        {{ 'page.cultures.newCulture.alreadyOld' | say }}
        <oc-number-field
          fieldId="new-age"
          suffix=" days"
          [max]="2000"
          [step]="1"
          [value]="ageDays()"
          (changed)="ageDays.set($event)"
        />
      </label>
      @if (wrong()) {
        <p class="problem" role="alert">{{ wrong() }}</p>
      }
      <div class="do">
        <button type="submit" class="press">{{ 'page.cultures.newCulture.beginLine' | say }}</button>
        <button type="button" class="press quiet-press" (click)="done.emit()">
          {{ 'page.cultures.newCulture.leaveIt' | say }}
        </button>
      </div>
    </form>
  `,
  styles: `
    form {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(11rem, 1fr));
      gap: 0.6rem 0.9rem;
      align-items: end;
      background: var(--paper-raised);
      border-radius: 8px;
      padding: 0.8rem 1rem;
      margin-bottom: 0.8rem;
    }
    .do,
    .problem {
      grid-column: 1 / -1;
    }
  `,
})
export class NewCulture {
  readonly done = output();
  private readonly acts = inject(CultureActs);
  private readonly clock = inject(KitchenClock);

  protected readonly origins = ORIGINS.map(({ origin, label }) => ({ id: origin, label }));
  protected readonly origin = signal<string>('pot');
  private readonly kind = computed(() => ORIGINS.find((o) => o.origin === this.origin())!);
  protected readonly cultures = computed(() =>
    this.kind().cultures.map((id) => ({ id, label: titled(cultureName(id, this.kind().form)) })),
  );
  protected readonly culture = signal<CultureId>('thermophilic');
  protected readonly name = signal('');
  /** What it is counted in: grams, or pieces of so many grams. */
  protected readonly counted = computed(() => {
    const { piece } = this.kind();
    return piece ? { suffix: ` ${piece.unit}`, step: 1, eachG: piece.eachG } : { suffix: ' g', step: 5, eachG: 1 };
  });
  protected readonly count = signal<number | null>(150);
  protected readonly ageDays = signal<number | null>(1);
  protected readonly wrong = signal('');

  protected begin(origin: string): void {
    this.origin.set(origin);
    this.culture.set(this.kind().cultures[0]!);
    this.count.set(Math.round(this.kind().usualG / this.counted().eachG));
  }

  protected async add(): Promise<void> {
    const nowMs = this.clock.exactMs();
    const bornMs = Math.round(nowMs - (this.ageDays() ?? 0) * 86_400_000);
    const { origin, form, store } = this.kind();
    const lot = begunLine({
      id: this.clock.newId(),
      name: this.name().trim(),
      amount: (this.count() ?? 0) * this.counted().eachG,
      countedMs: nowMs,
      culture: this.culture(),
      form,
      origin,
      bornMs,
      store,
    });
    const [problem] = await recordProblems('lots', lot as unknown as Parameters<typeof recordProblems>[1]);
    if (problem || lot.amount <= 0) {
      this.wrong.set(
        problem?.field === 'name'
          ? tell('page.cultures.newCulture.giveName')
          : problem
            ? problemWords(problem)
            : tell('page.cultures.newCulture.sayHowMuchThere'),
      );
      return;
    }
    this.acts.save(lot);
    this.done.emit();
  }
}
