import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { culturesFile } from '@oat-crock/contract/api';
import { giftOf, heldOf, storeOf, unclaimed, type Batch, type Due, amount } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature } from '../../state/log.feature';
import { written } from '../../shared/ui/dates';
import { saveFile } from '../../shared/ui/save-file';
import { textOf, SaidPipe, tell, SayPipe } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { ChainTool } from './chain-tool';
import { CultureActs } from '../../state/culture-acts';
import { readCulturesFile } from './culture-file';
import { CulturePanel } from './culture-panel';
import { STORES, activityWords } from './culture-words';
import { NewCulture } from './new-culture';
import { OwnCultures } from '../../state/own-cultures';
import { ParkTool } from './park-tool';
import { StemDrawing } from './stem-drawing';
import { isReserve, livingOf } from '../../state/culture-wants';

/** What lives in the household: where each came from, how strong it is, what it wants. */
@Component({
  selector: 'oc-cultures',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, ChainTool, CulturePanel, NewCulture, ParkTool, RouterLink, StemDrawing, SayPipe],
  templateUrl: './cultures.html',
  styleUrl: './cultures.css',
})
export class CulturesPlace {
  /** From the address: the culture that is open. */
  readonly id = input<string>();

  private readonly router = inject(Router);
  private readonly store = inject(Store);
  protected readonly clock = inject(KitchenClock);
  protected readonly own = inject(OwnCultures);
  protected readonly acts = inject(CultureActs);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  protected readonly loaded = this.store.selectSignal(logFeature.selectLoaded);

  protected readonly fileSays = signal('');
  protected readonly adding = signal(false);
  protected readonly tool = signal<'chain' | 'park' | null>(null);
  protected readonly open = computed(() => this.own.all().get(this.id() ?? '') ?? null);
  /** What is fed and used: of each line the strongest, and beside it what is older. */
  protected readonly living = computed(() => livingOf(this.own.dues(), this.own.all()));
  /** Frozen and dry, oldest first: that is the order to use them in. */
  protected readonly reserve = computed(() =>
    this.own
      .dues()
      .filter(isReserve)
      .sort((a, b) => a.lot.bornMs - b.lot.bornMs),
  );
  protected readonly unclaimed = computed(() => unclaimed(this.batches(), this.own.lots()).slice(0, 4));
  protected readonly born = ({ lot }: Due) =>
    tell('page.cultures.cultures.generation', { generation: amount(lot.generation), born: written(lot.bornMs, 'day') });
  protected readonly pct = ({ activity }: Due) => `${Math.round(100 * activity.likely)} %`;
  protected readonly held = ({ lot, leftG }: Due) => textOf(heldOf(lot, leftG));
  protected readonly activityWords = activityWords;
  protected readonly storeWords = ({ lot }: Due) => STORES[storeOf(lot)];

  protected pick(id: string | null): void {
    this.adding.set(false);
    void this.router.navigate(id && id !== this.id() ? ['/cultures', id] : ['/cultures']);
  }

  protected show(tool: 'chain' | 'park'): void {
    this.tool.update((now) => (now === tool ? null : tool));
  }

  /** Takes what a make held back among the cultures. */
  protected claim(batch: Batch): void {
    const massG = batch.ended?.how === 'finished' ? (batch.ended.heldBackG ?? 0) : 0;
    const gift = giftOf(batch, this.clock.newId(), massG, batch.ended!.atMs, this.own.all());
    if (gift) this.acts.save(gift.lot);
  }

  protected saveFile(): void {
    const content = new Blob([JSON.stringify(culturesFile(this.own.lots()), null, 2)], { type: 'application/json' });
    saveFile('cultures.json', content);
  }

  /** Takes in what a file has that is not here yet. */
  protected async readFile(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const [file] = field.files ?? [];
    field.value = '';
    if (!file) return;
    const read = await readCulturesFile(await file.text());
    if (!read.ok) {
      this.fileSays.set(read.wrong);
      return;
    }
    const fresh = read.cultures.filter((lot) => !this.own.all().has(lot.id));
    for (const lot of fresh) this.acts.save(lot);
    const were = read.cultures.length - fresh.length;
    this.fileSays.set(tell('page.cultures.cultures.takenIn', { count: fresh.length, were }));
  }

  protected heldBack(batch: Batch): string {
    return mass(batch.ended?.how === 'finished' ? (batch.ended.heldBackG ?? 0) : 0);
  }
}
