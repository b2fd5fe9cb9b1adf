import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { amountChoice, type Batch, decided, methodOf } from '@oat-crock/core';
import { named, tell, SayPipe } from '../../shared/ui/said';
import { logFeature } from '../../state/log.feature';
import { Crock } from '../../shared/ui/crock';
import { written } from '../../shared/ui/dates';
import { mass } from '../../shared/ui/words';

/** Every make there was, the newest first. */
@Component({
  selector: 'oc-batch-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, Crock, SayPipe],
  template: `
    <h1>{{ 'page.make.batchList.makes' | say }}</h1>
    <ul>
      @for (row of rows(); track row.batch.id) {
        <li>
          <a [routerLink]="['/make', row.batch.id]">
            <oc-crock [level]="row.level" [ph]="row.ph" />
            <span class="name">{{ row.batch.name }}</span>
            <span class="quiet">{{ row.method }}</span>
            <span class="quiet">{{ 'page.make.batchList.begun' | say: { begun: row.begun } }}</span>
            <span>{{ row.state }}</span>
          </a>
        </li>
      } @empty {
        <li class="none">
          {{ 'page.make.batchList.noMakeBeenStarted' | say }}
          <a routerLink="/methods">{{ 'page.make.batchList.decideFirstOne' | say }}</a>.
        </li>
      }
    </ul>
    @if (past().count > 0) {
      <p>
        <a routerLink="/ledger">{{ 'page.make.batchList.olderInLedger' | say: { count: past().count } }}</a>
      </p>
    }
  `,
  styles: `
    ul {
      max-width: 60rem;
      margin-top: 0.75rem;
    }
    li {
      border-top: 1px solid var(--line);
    }
    a {
      display: grid;
      grid-template-columns: 2.5rem minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1.2fr) minmax(0, 1.2fr);
      gap: 0.8rem;
      align-items: center;
      padding: 0.55rem 0;
      min-height: var(--touch);
      color: var(--ink);
      text-decoration: none;
    }
    .none a {
      display: inline;
      color: var(--cobalt);
      text-decoration: underline;
    }
    a:hover .name {
      text-decoration: underline;
    }
    .name {
      font-family: var(--serif);
      font-weight: 600;
    }
    @media (max-width: 700px) {
      a {
        grid-template-columns: 2.5rem 1fr;
      }
      .quiet {
        grid-column: 2;
      }
    }
  `,
})
export class BatchList {
  private readonly store = inject(Store);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  protected readonly past = this.store.selectSignal(logFeature.selectPast);
  protected readonly rows = computed(() =>
    this.batches().map((batch) => ({
      batch,
      method: named(methodOf(batch).name),
      begun: written(batch.startedMs, 'dayClock'),
      state: stateWords(batch),
      level: levelOf(batch),
      ph: acidityOf(batch),
    })),
  );
}

function stateWords(batch: Batch): string {
  if (!batch.ended) return tell('page.make.batchList.onTheWay');
  return batch.ended.how === 'discarded'
    ? tell('page.make.batchList.discarded')
    : tell('page.make.batchList.made', { product: mass(batch.ended.productG) });
}

/** pH that tints the crock: as last read, else what was wanted of a finished make, else that of milk. */
function acidityOf(batch: Batch): number {
  const read = batch.readings.findLast((r) => r.quantity === 'ph')?.value;
  if (read !== undefined || !batch.ended) return read ?? MILK_PH;
  const wanted = decided(methodOf(batch), batch.choices)['targetPh'];
  return Number(wanted ?? MILK_PH);
}

const MILK_PH = 6.6;

function levelOf(batch: Batch): number {
  const method = methodOf(batch);
  const choices = decided(method, batch.choices);
  const startG = Number(choices[amountChoice(method, choices)?.key ?? 'massG'] ?? 4000);
  return batch.ended?.how === 'finished' ? Math.min(1, batch.ended.productG / startG) : 1;
}
