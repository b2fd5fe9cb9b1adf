import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { TableModule } from 'primeng/table';
import { logFeature } from '../../state/log.feature';
import { SayPipe, tell } from '../../shared/ui/said';
import { InStock } from './in-stock';
import { foundRows, ledgerRow, type LedgerRow, type MakeState } from './ledger-rows';

const STATES: readonly MakeState[] = ['here', 'on', 'gone', 'held', 'discarded'];

/** Height of a line of the table, px: scrolling reckons with it. */
const LINE_PX = 46;

/** What was made: what of it is here and where it went, and every make there was, found by anything said of it. */
@Component({
  selector: 'oc-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InStock, RouterLink, SayPipe, TableModule],
  templateUrl: './ledger.html',
  styleUrl: './ledger.css',
})
export class LedgerPlace {
  private readonly router = inject(Router);
  private readonly batches = inject(Store).selectSignal(logFeature.selectBatches);
  protected readonly LINE_PX = LINE_PX;
  protected readonly STATES = STATES;

  protected readonly line = signal('');
  protected readonly states = signal<ReadonlySet<MakeState>>(new Set());
  private readonly rows = computed(() => this.batches().map(ledgerRow));
  protected readonly found = computed(() => [...foundRows(this.rows(), this.line(), this.states())]);
  protected readonly isEmpty = computed(() => this.rows().length === 0);
  protected readonly counted = computed(() =>
    tell('page.ledger.ledger.found', { count: this.found().length, all: this.rows().length }),
  );

  protected toggle(state: MakeState): void {
    this.states.update((states) => {
      const next = new Set(states);
      if (!next.delete(state)) next.add(state);
      return next;
    });
  }

  protected open({ id }: LedgerRow): void {
    void this.router.navigate(['/make', id]);
  }
}
