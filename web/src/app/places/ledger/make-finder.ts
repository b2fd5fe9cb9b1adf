import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Store } from '@ngrx/store';
import { dequal } from 'dequal/lite';
import type { MakesAsked, MakesFilter, MakesFound, MakesSortedBy } from '@oat-crock/contract/api';
import type { MakeLine } from '@oat-crock/core';
import { ApiClient } from '../../state/api-client';
import { clockFeature } from '../../state/clock.feature';
import { logFeature } from '../../state/log.feature';
import { foundHere } from './ledger-rows';

/** Lines that are asked for at once. */
const PART = 100;
/** Typing rests so long before it is looked for, and what happens in the kitchen is gathered so long, ms. */
const REST_MS = 60;

interface Sorted {
  readonly sort: MakesSortedBy;
  readonly descending: boolean;
}

const NEWEST_FIRST: Sorted = { sort: 'started', descending: true };

/** The first lines that were found last: who comes back to the ledger sees them at once, until the server has answered anew. */
@Injectable({ providedIn: 'root' })
export class FoundBefore {
  last: { readonly asked: MakesAsked; readonly told: MakesFound } | null = null;
}

/**
 * The makes that are looked for, a part at a time as they come into view: asked of the kitchen's server, which knows all of them;
 * where that does not answer, found among those that this page has.
 */
@Injectable()
export class MakeFinder {
  private readonly wire = inject(ApiClient);
  private readonly before = inject(FoundBefore);
  private readonly store = inject(Store);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly loaded = this.store.selectSignal(logFeature.selectLoaded);
  private readonly lastByHand = this.store.selectSignal(logFeature.selectLastByHand);
  private readonly lineIs = this.store.selectSignal(clockFeature.selectLine);

  private readonly filter = signal<MakesFilter | null>(null, { equal: dequal });
  private readonly sorted = signal(NEWEST_FIRST, { equal: dequal });
  /** A line for each make that was found; undefined where it has not come yet. */
  readonly lines = signal<readonly (MakeLine | undefined)[]>([]);
  readonly found = computed(() => this.lines().length);
  readonly all = signal<number | null>(null);
  /** Nobody but this page was asked. */
  readonly onlyHere = signal(false);

  /** What was asked for last: an answer to anything else comes too late. */
  private turn = 0;
  private parts = new Set<number>();
  private view = { first: 0, last: PART - 1 };

  constructor() {
    effect((cleanUp) => {
      this.sorted();
      this.lastByHand();
      this.lineIs();
      if (!this.loaded() || !this.filter()) return;
      const resting = setTimeout(() => untracked(() => void this.askAnew()), this.turn === 0 ? 0 : REST_MS);
      cleanUp(() => clearTimeout(resting));
    });
  }

  look(filter: MakesFilter): void {
    this.filter.set(filter);
    const { last } = this.before;
    if (this.turn === 0 && last && dequal(last.asked, this.asking(0))) this.take(last.told, 0);
  }

  sortBy(sort: MakesSortedBy, descending: boolean): void {
    this.sorted.set({ sort, descending });
  }

  /** Lines from one place to another come into view. */
  show(first: number, last: number): void {
    this.view = { first, last };
    for (let part = Math.floor(first / PART); part <= Math.floor(last / PART); part++) void this.ask(part);
  }

  private async askAnew(): Promise<void> {
    this.turn++;
    this.parts = new Set();
    const { first, last } = this.view;
    await this.ask(0);
    this.show(first, last);
  }

  private async ask(part: number): Promise<void> {
    if (this.parts.has(part) || (part > 0 && part * PART >= this.lines().length)) return;
    this.parts.add(part);
    const turn = this.turn;
    const asked = this.asking(part);
    const told = await this.answer(asked);
    if (turn !== this.turn) return;
    if (part === 0) this.before.last = { asked, told };
    this.take(told, asked.skip);
  }

  private asking(part: number): MakesAsked {
    return { ...this.filter()!, ...this.sorted(), skip: part * PART, take: PART };
  }

  private take(told: MakesFound, skip: number): void {
    this.all.set(told.all);
    this.lines.update((before) => {
      // Where as many are found as before, those that stood there stay until others come.
      const isSame = before.length === told.found;
      const lines = Array.from({ length: told.found }, (_, i) => (isSame ? before[i] : undefined));
      told.makes.forEach((line, i) => (lines[skip + i] = line));
      return lines;
    });
  }

  private async answer(asked: MakesAsked): Promise<MakesFound> {
    try {
      const found = await this.wire.makes(asked);
      this.onlyHere.set(false);
      return found;
    } catch {
      this.onlyHere.set(true);
      return foundHere(this.batches(), asked);
    }
  }
}
