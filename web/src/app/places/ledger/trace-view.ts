import { ChangeDetectionStrategy, Component, computed, inject, input, resource, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  amount,
  countedOf,
  finishedStockOf,
  holdOf,
  massBalanceOf,
  receiverId,
  recalled,
  replay,
  traceOf,
  type Batch,
  type TraceNode,
  type Traced,
} from '@oat-crock/core';
import { ApiClient } from '../../state/api-client';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature } from '../../state/log.feature';
import { Logger } from '../../state/logger';
import { selectReceivers } from '../../state/own-stock';
import { recordsFeature } from '../../state/records.feature';
import { OptionField } from '../../shared/ui/option-field';
import { Paper } from '../../shared/paper/paper';
import { fileName } from '../../shared/ui/save-file';
import { lotCode } from '../../shared/ui/lot-code';
import { SayPipe, tell, textOf } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { balanceWords } from './balance-words';
import { LedgerHead } from './ledger-head';
import { drawTrace, type DrawnLink } from './trace-geometry';

/** Where something came from and where it went, in one drawing; and who to call and what to hold where it was not sound. */
@Component({
  selector: 'oc-trace-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerHead, OptionField, RouterLink, SayPipe],
  templateUrl: './trace-view.html',
  styleUrl: './trace-view.css',
})
export class TraceView {
  /** What is traced; nothing yet where it is empty. */
  readonly id = input('');
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly logger = inject(Logger);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly past = this.store.selectSignal(logFeature.selectPast);
  private readonly wire = inject(ApiClient);
  private readonly paper = inject(Paper);
  private readonly clock = inject(KitchenClock);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLots);
  private readonly gear = this.store.selectSignal(recordsFeature.selectGear);
  private readonly receivers = this.store.selectSignal(selectReceivers);

  /** The makes it is connected with, as the kitchen's server knows them: some may be older than what this page has. */
  protected readonly told = resource({
    params: () => ({ id: this.id(), of: this.past().count }),
    loader: ({ params: { id, of } }) => (id && of > 0 ? this.wire.traces(id) : Promise.resolve(null)),
  });
  private readonly connected = computed((): readonly Batch[] => {
    const told = this.told.hasValue() ? (this.told.value()?.entries ?? []) : [];
    const here = new Set(this.batches().map(({ id }) => id));
    const older = Map.groupBy(told, (entry) => entry.batchId);
    return [...older].flatMap(([id, log]) => (here.has(id) ? [] : (replay(log) ?? [])));
  });
  private readonly allBatches = computed(() => [...this.batches(), ...this.connected()]);
  /** More is connected with it than can be drawn. */
  protected readonly tooMany = computed(() => {
    const told = this.told.hasValue() ? this.told.value() : null;
    return told && told.told < told.makes ? told : null;
  });

  private readonly traced = computed((): Traced => ({
    batches: this.allBatches(),
    lots: Object.values(this.lots()).map(({ item }) => item),
    gear: Object.values(this.gear()).map(({ item }) => item),
  }));
  /** Everything that can be traced: makes with their lot, lots, cultures, gear, people. */
  protected readonly options = computed(() => [
    ...this.allBatches().map((b) => ({ id: b.id, label: `${b.name}, ${lotCode(b)}` })),
    ...[...this.traced().lots, ...this.traced().gear].map(({ id, name }) => ({ id, label: name })),
    ...this.receivers().map((name) => ({ id: receiverId(name), label: name })),
  ]);
  protected readonly trace = computed(() => traceOf(this.id(), this.traced()));
  protected readonly drawn = computed(() => drawTrace(this.trace()));
  protected readonly name = computed(() => this.trace().nodes.find((n) => n.level === 0)?.name ?? '');
  /** What went into what, for those who do not see the drawing. */
  protected readonly lines = computed(() => {
    const names = new Map(this.trace().nodes.map((n) => [n.id, n.name]));
    return this.trace().links.map((link) =>
      tell('page.ledger.trace.line', {
        from: names.get(link.from)!,
        to: names.get(link.to)!,
        amount: this.amountOf(link),
      }),
    );
  });

  /** Where all that went into it is, where it is a make that is done. */
  protected readonly balance = computed(() => {
    const batch = this.allBatches().find((b) => b.id === this.id());
    const balance = batch && massBalanceOf(batch);
    return balance ? balanceWords(balance) : '';
  });

  protected readonly recall = computed(() => recalled(this.id(), this.traced()));
  protected readonly makes = computed(() =>
    this.recall().makes.map(({ batch, left }) => {
      const stock = finishedStockOf(batch);
      return {
        batch,
        lot: lotCode(batch),
        left: stock && left > 0 ? tell('page.ledger.trace.here', { count: textOf(countedOf(stock, left)) }) : '',
        held: holdOf(batch) !== null,
      };
    }),
  );
  protected readonly toHold = computed(() => this.recall().makes.filter(({ batch }) => mayHold(batch)));

  /** The list to call by is being set, or could not be. */
  protected readonly setting = signal(false);
  protected readonly notSet = signal(false);

  /** The list to call by, as a page to print or to keep. */
  protected async print(): Promise<void> {
    if (this.setting()) return;
    this.setting.set(true);
    this.notSet.set(false);
    try {
      const { recallPaper } = await import('./recall-paper');
      const page = recallPaper({
        of: this.name(),
        nowMs: this.clock.nowMs(),
        receivers: this.recall().receivers.map(({ name, pots, makes }) => ({
          name,
          amount: this.amountOf({ pots, massG: null }),
          makes,
        })),
        makes: this.makes().map(({ batch, lot, left, held }) => ({ name: batch.name, lot, left, held })),
      });
      await this.paper.save(fileName(tell('page.ledger.recallPaper.title', { of: this.name() })), page);
    } catch {
      this.notSet.set(true);
    } finally {
      this.setting.set(false);
    }
  }

  protected readonly by = signal('');
  protected readonly reason = signal('');
  protected readonly wrong = signal('');

  protected pick(id: string): void {
    void this.router.navigate(['/ledger/trace', id]);
  }

  /** Everything that it went into and that is still here, or still on, is held: nothing of it goes out. */
  protected hold(): void {
    const [by, reason] = [this.by().trim(), this.reason().trim()];
    if (!by || !reason) {
      this.wrong.set(tell('page.ledger.trace.sayWhoWhy'));
      return;
    }
    this.wrong.set('');
    for (const { batch } of this.toHold()) this.logger.write(batch.id, { type: 'held', by, reason });
  }

  protected amountOf({ massG, pots }: Pick<DrawnLink, 'massG' | 'pots'>): string {
    if (pots !== null) return textOf(countedOf({ unit: 'pots', called: 'pots' }, pots));
    return massG === null ? '' : mass(massG);
  }

  protected readonly whole = amount;

  protected shortOf({ name }: TraceNode): string {
    return name.length > NAME_SHOWN ? `${name.slice(0, NAME_SHOWN - 1)}…` : name;
  }
}

/** So much of a name has room in its box. */
const NAME_SHOWN = 18;

/** A make that is on, or of which something is here, and that nobody holds yet. */
function mayHold(batch: Batch): boolean {
  if (holdOf(batch)) return false;
  return batch.ended === null || (finishedStockOf(batch)?.left ?? 0) > 0;
}
