import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { Instrument, InstrumentMade } from '@oat-crock/contract/api';
import { SayPipe } from '../../shared/ui/said';

/** A reading to try each quantity with, in its metric unit. */
const TRIED: Readonly<Record<Instrument['quantity'], number>> = { tempC: 21.5, ph: 6.6, wheyG: 120, roomC: 19.5 };

/** An instrument's token, shown this once, with a line for a terminal that posts a reading as the instrument would. */
@Component({
  selector: 'oc-token-once',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  template: `
    <p>{{ 'page.instruments.token.once' | say: { name: made().instrument.name } }}</p>
    <p>
      <code>{{ made().token }}</code>
    </p>
    <p>{{ 'page.instruments.token.tryIt' | say }}</p>
    <pre tabindex="0" [attr.aria-label]="'page.instruments.token.line' | say"><code>{{ line() }}</code></pre>
    <p class="quiet">{{ 'page.instruments.token.how' | say }}</p>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 1rem;
      padding: 0.8rem 1rem;
      background: var(--paper-raised);
      border: 1px solid var(--line);
      border-radius: var(--radius);
    }
    code {
      overflow-wrap: anywhere;
    }
    pre {
      white-space: pre-wrap;
      padding: 0.6rem;
      background: var(--paper-sunk);
      border-radius: var(--radius);
    }
  `,
})
export class TokenOnce {
  readonly made = input.required<InstrumentMade>();

  protected readonly line = computed(() => {
    const { instrument, token } = this.made();
    const body = JSON.stringify({ readings: [{ value: TRIED[instrument.quantity] }] });
    return [
      `curl ${location.origin}/api/v1/instruments/${instrument.id}/readings`,
      `-H 'Authorization: Bearer ${token}'`,
      `-H 'Content-Type: application/json'`,
      `-d '${body}'`,
    ].join(' ');
  });
}
