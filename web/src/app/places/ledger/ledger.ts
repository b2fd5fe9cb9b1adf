import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { MAKE_STATES, type MakeLine, type MakeState } from '@oat-crock/core';
import { MAKES_SORTED_BY } from '@oat-crock/contract/api';
import { TableModule, type TableLazyLoadEvent } from 'primeng/table';
import { KitchenClock } from '../../state/kitchen-clock';
import { logFeature } from '../../state/log.feature';
import { MethodBook } from '../../state/method-book';
import { dayOf, noonOf } from '../../shared/ui/days';
import { OptionField } from '../../shared/ui/option-field';
import { SayPipe, named, tell, textList } from '../../shared/ui/said';
import { InStock } from './in-stock';
import {
  EVERYTHING,
  filterAt,
  fromAddress,
  keepFilters,
  keptFilters,
  PERIOD_DAYS,
  toAddress,
  type LookedFor,
} from './kept-filters';
import { LedgerHead } from './ledger-head';
import { ledgerRow } from './ledger-rows';
import { MakeFinder } from './make-finder';

/** Height of a line of the table, px: scrolling reckons with it. */
const LINE_PX = 46;
/** So many makes are laid over one another at the most. */
export const MOST_COMPARED = 6;

/** What was made: what of it is here and where it went, and every make there was, found by anything said of it. */
@Component({
  selector: 'oc-ledger',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [InStock, LedgerHead, OptionField, RouterLink, SayPipe, TableModule],
  providers: [MakeFinder],
  templateUrl: './ledger.html',
  styleUrl: './ledger.css',
})
export class LedgerPlace {
  private readonly router = inject(Router);
  private readonly route = inject(ActivatedRoute);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  protected readonly finder = inject(MakeFinder);
  protected readonly loaded = inject(Store).selectSignal(logFeature.selectLoaded);
  protected readonly LINE_PX = LINE_PX;
  protected readonly STATES = MAKE_STATES;
  protected readonly words = ledgerRow;

  protected readonly lookedFor = signal<LookedFor>(fromAddress(this.route.snapshot.queryParams));
  protected readonly isMore = signal(hasMore(this.lookedFor()));
  protected readonly isAny = computed(() => wordsOf(this.lookedFor()) === '');
  protected readonly kept = signal(keptFilters());
  protected readonly keptNames = computed(() => Object.keys(this.kept()));
  /** Makes that are to be laid over one another. */
  protected readonly marked = signal<readonly string[]>(listIn(this.route.snapshot.queryParams['mark']));
  protected readonly MOST_COMPARED = MOST_COMPARED;

  /** What else is chosen: each with what it is called and offers, what is chosen now, and how to choose otherwise. */
  protected readonly fields = computed(() => {
    const { methodId, days, taste } = this.lookedFor();
    const numberIn = (id: string) => (id === '' ? null : Number(id));
    return [
      {
        ...{
          id: 'ledger-method',
          label: tell('page.ledger.ledger.method'),
          options: this.methods(),
          value: methodId ?? '',
        },
        set: (id: string) => this.set({ methodId: id || null }),
      },
      {
        ...{
          id: 'ledger-period',
          label: tell('page.ledger.ledger.begun'),
          options: this.periods(),
          value: String(days ?? ''),
        },
        set: (id: string) => this.set({ days: numberIn(id) }),
      },
      {
        ...{
          id: 'ledger-taste',
          label: tell('page.ledger.ledger.taste'),
          options: this.tastes(),
          value: String(taste ?? ''),
        },
        set: (id: string) => this.set({ taste: numberIn(id) }),
      },
    ] as const;
  });
  private readonly methods = computed(() => [
    { id: '', label: tell('page.ledger.ledger.anyMethod') },
    ...this.book.all().map(({ id, name }) => ({ id, label: named(name) })),
  ]);
  private readonly periods = computed(() => [
    { id: '', label: tell('page.ledger.ledger.everBegun') },
    ...PERIOD_DAYS.map((days) => ({
      id: String(days),
      label: tell('page.ledger.ledger.lastDays', { days: String(days) }),
    })),
  ]);
  private readonly tastes = computed(() => [
    { id: '', label: tell('page.ledger.ledger.anyTaste') },
    ...[2, 3, 4, 5].map((taste) => ({
      id: String(taste),
      label: tell('page.ledger.ledger.tasteAtLeast', { taste: String(taste) }),
    })),
  ]);
  protected readonly counted = computed(() => {
    const all = this.finder.all();
    return all === null ? '' : tell('page.ledger.ledger.found', { count: this.finder.found(), all });
  });

  constructor() {
    effect(() => {
      this.finder.look(filterAt(this.lookedFor(), noonOf(dayOf(this.clock.nowMs()))));
    });
  }

  private look(of: LookedFor): void {
    this.lookedFor.set(of);
    this.stand();
  }

  /** What is looked for, and what is marked, stand in the address: going back leads to them. */
  private stand(): void {
    const queryParams = { ...toAddress(this.lookedFor()), mark: this.marked().join(',') || null };
    void this.router.navigate([], { relativeTo: this.route, queryParams, replaceUrl: true });
  }

  protected set(change: Partial<LookedFor>): void {
    this.look({ ...this.lookedFor(), ...change });
  }

  protected toggle(state: MakeState): void {
    const { states } = this.lookedFor();
    this.set({ states: states.includes(state) ? states.filter((s) => s !== state) : [...states, state] });
  }

  protected forget(): void {
    this.look(EVERYTHING);
  }

  /** What is looked for is kept under its own words. */
  protected keep(): void {
    this.kept.update((kept) => ({ ...kept, [wordsOf(this.lookedFor(), this.methodName())]: this.lookedFor() }));
    keepFilters(this.kept());
  }

  protected drop(name: string): void {
    this.kept.update((kept) => Object.fromEntries(Object.entries(kept).filter(([other]) => other !== name)));
    keepFilters(this.kept());
  }

  protected lookAgain(name: string): void {
    const of = this.kept()[name]!;
    this.look(of);
    if (hasMore(of)) this.isMore.set(true);
  }

  protected load({ first, rows, sortField, sortOrder }: TableLazyLoadEvent): void {
    const sort = MAKES_SORTED_BY.find((by) => by === sortField);
    if (sort) this.finder.sortBy(sort, sortOrder === -1);
    this.finder.show(first ?? 0, (first ?? 0) + (rows ?? 0));
  }

  protected mark(id: string): void {
    this.marked.update((ids) => (ids.includes(id) ? ids.filter((other) => other !== id) : [...ids, id]));
    this.stand();
  }

  protected open({ id }: MakeLine): void {
    void this.router.navigate(['/make', id]);
  }

  private methodName(): string {
    const { methodId } = this.lookedFor();
    return this.methods().find(({ id }) => id === methodId)?.label ?? '';
  }
}

const listIn = (said: string | undefined) => (said ?? '').split(',').filter(Boolean).slice(0, MOST_COMPARED);

/** Whether anything is looked for that is not in sight at once. */
const hasMore = ({ methodId, days, taste }: LookedFor) => methodId !== null || days !== null || taste !== null;

/** What is looked for, in words: "“upper path”, here, Quark". */
function wordsOf({ find, states, methodId, days, taste }: LookedFor, method = methodId ?? ''): string {
  const parts = [
    find.trim() && tell('page.ledger.ledger.quoted', { words: find.trim() }),
    ...states.map((state) => tell('page.ledger.rows.state', { state })),
    method,
    days === null ? '' : tell('page.ledger.ledger.lastDays', { days: String(days) }),
    taste === null ? '' : tell('page.ledger.ledger.tasteAtLeast', { taste: String(taste) }),
  ];
  return textList(parts.filter(Boolean), 'comma');
}
