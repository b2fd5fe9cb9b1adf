import { ChangeDetectionStrategy, Component, computed, inject, input, resource } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { CURVES, methodOf } from '@oat-crock/core';
import { Engine } from '../../../engine/engine';
import { KitchenClock } from '../../../state/kitchen-clock';
import { householdSelectors } from '../../../state/household';
import { WholeMakes } from '../../../state/whole-makes';
import { written } from '../../../shared/ui/dates';
import { lotCode } from '../../../shared/ui/lot-code';
import { named, SayPipe, tell, textOf } from '../../../shared/ui/said';
import { capital } from '../../../shared/ui/words';
import { LedgerHead } from '../ledger-head';
import { differingLines } from './differing';
import { letterOf, LOOKS, Overlay } from '../../../shared/ui/overlay';

const MOST = 6;

/** Two to six makes: their courses laid over one another, only what differs, and why they came out otherwise. */
@Component({
  selector: 'oc-compare-makes',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerHead, Overlay, RouterLink, SayPipe],
  templateUrl: './compare.html',
  styleUrl: './compare.css',
})
export class CompareMakes {
  /** Ids of makes, with commas between. */
  readonly of = input('');
  private readonly store = inject(Store);
  private readonly whole = inject(WholeMakes);
  private readonly engine = inject(Engine);
  private readonly clock = inject(KitchenClock);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);

  protected readonly ids = computed(() => [...new Set(this.of().split(',').filter(Boolean))].slice(0, MOST));
  /** The makes whole, with what instruments read and the room around them, and what the engine finds in them. */
  protected readonly compared = resource({
    params: () => this.ids(),
    loader: async ({ params: ids }) => {
      const makes = (await Promise.all(ids.map((id) => this.whole.read(id)))).filter((one) => one !== null);
      const comparison = await this.engine.compare(makes, this.clock.nowMs());
      return { batches: makes.map(({ batch }) => batch), comparison };
    },
  });
  private readonly told = computed(() => (this.compared.hasValue() ? this.compared.value() : null));
  protected readonly runs = computed(() => this.told()?.comparison.runs ?? []);
  /** Where nothing ran off, nothing is drawn of it. */
  protected readonly curves = computed(() =>
    CURVES.filter((curve) => curve !== 'wheyG' || this.runs().some(({ series }) => series.some((p) => p.wheyG > 1))),
  );
  protected readonly makes = computed(() =>
    (this.told()?.batches ?? []).map((batch, place) => ({
      id: batch.id,
      letter: letterOf(place),
      look: LOOKS[place % LOOKS.length]!,
      name: batch.name,
      method: named(methodOf(batch).name),
      lot: lotCode(batch),
      begun: written(batch.startedMs, 'dayYear'),
    })),
  );
  protected readonly lines = computed(() => differingLines(this.runs(), this.settings().currency));
  protected readonly why = computed(() =>
    (this.told()?.comparison.otherwise ?? []).map(({ outcome, more, less, cause }) => {
      const [a, b] = [letterOf(more), letterOf(less)];
      return {
        what: tell('page.ledger.compare.outcome', { outcome, more: a, less: b }),
        cause: cause ? capital(textOf(cause.says)) : tell('page.ledger.compare.nothingTells'),
        evidence: (cause?.evidence ?? []).map((line) => capital(textOf(line))),
      };
    }),
  );
}
