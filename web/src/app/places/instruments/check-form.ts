import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import type { Instrument } from '@oat-crock/contract/api';
import { checkOutcome, say, type InstrumentCheck } from '@oat-crock/core';
import { InstrumentClient } from '../../state/instrument-client';
import { AskedField } from '../../shared/ui/asked-field';
import { numberAsked, type Asked } from '../../shared/ui/asked';
import { SaidPipe, SayPipe, tell } from '../../shared/ui/said';
import { whyNot } from '../../shared/ui/why-not';

/** What is filled in of a check; null for what is not yet. */
interface CheckDraft {
  readonly shows: 'ph' | 'mV';
  readonly tempC: number | null;
  readonly neutral: number | null;
  readonly acid: number | null;
  readonly readsC: number | null;
}

const NEW: CheckDraft = { shows: 'ph', tempC: 20, neutral: null, acid: null, readsC: null };

const SHOWS: Asked = {
  ...{ type: 'option', path: 'shows', label: say('page.instruments.check.shows') },
  options: [
    { id: 'ph', label: 'pH' },
    { id: 'mV', label: 'mV' },
  ],
};

/** A pH meter held into two buffers, or a thermometer into ice water: what it showed, and what comes of that. */
@Component({
  selector: 'oc-check-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [AskedField, SaidPipe, SayPipe],
  template: `
    <form (submit)="save(); $event.preventDefault()" novalidate>
      <p>{{ (isPh() ? 'page.instruments.check.buffersHow' : 'page.instruments.check.iceHow') | say }}</p>
      @for (field of fields(); track field.path) {
        <oc-asked-field
          [fieldId]="'check-' + of().id + field.path"
          [field]="field"
          [value]="$any(draft())[field.path]"
          (changed)="set(field.path, $event)"
        />
      }
      @if (outcome(); as outcome) {
        <p role="status" [class.problem]="outcome.level === 'unfit'">{{ outcome.says | said }}</p>
      }
      @if (trouble()) {
        <p class="problem" role="alert">{{ trouble() }}</p>
      }
      <p class="ends">
        <button type="submit" class="press">{{ 'page.instruments.check.take' | say }}</button>
        <button type="button" class="press quiet-press" (click)="closed.emit()">
          {{ 'page.instruments.check.leave' | say }}
        </button>
      </p>
    </form>
  `,
  styles: `
    form {
      --asked-label: 9rem;
      padding: 0.6rem 0.8rem;
      background: var(--paper-raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
    }
    .ends {
      display: flex;
      gap: 0.4rem;
      padding-top: 0.5rem;
    }
  `,
})
export class CheckForm {
  private readonly wire = inject(InstrumentClient);
  readonly of = input.required<Instrument>();
  readonly taken = output<Instrument>();
  readonly closed = output();

  protected readonly draft = signal(NEW);
  protected readonly trouble = signal('');
  protected readonly isPh = computed(() => this.of().quantity === 'ph');
  protected readonly fields = computed((): readonly Asked[] => {
    if (!this.isPh())
      return [numberAsked('readsC', say('page.instruments.check.inIce'), ' °C', [-20, 40, 0.1], { buttons: true })];
    const shown = (path: string, label: Asked['label']) =>
      this.draft().shows === 'ph'
        ? numberAsked(path, label, '', [0, 14, 0.01])
        : numberAsked(path, label, ' mV', [-2000, 2000, 1]);
    return [
      SHOWS,
      numberAsked('tempC', say('page.instruments.check.buffersAt'), ' °C', [0, 40, 1], { buttons: true }),
      shown('neutral', say('page.instruments.check.inNeutral')),
      shown('acid', say('page.instruments.check.inAcid')),
    ];
  });
  private readonly checked = computed((): InstrumentCheck | null => {
    const { shows, tempC, neutral, acid, readsC } = this.draft();
    if (!this.isPh()) return readsC === null ? null : { by: 'ice', readsC };
    if (tempC === null || neutral === null || acid === null) return null;
    return { by: 'buffers', shows, tempC, reads: { 'pH 4.01': acid, 'pH 7.00': neutral } };
  });
  /** What comes of it, as soon as all is filled in. */
  protected readonly outcome = computed(() => {
    const checked = this.checked();
    return checked && checkOutcome(checked);
  });

  protected set(path: string, value: unknown): void {
    this.trouble.set('');
    this.draft.update((draft) => ({ ...draft, [path]: value }));
  }

  protected async save(): Promise<void> {
    const checked = this.checked();
    if (!checked) return this.trouble.set(tell('page.instruments.check.fillIn'));
    try {
      this.taken.emit(await this.wire.check(this.of().id, checked));
    } catch (error) {
      this.trouble.set(whyNot(error));
    }
  }
}
