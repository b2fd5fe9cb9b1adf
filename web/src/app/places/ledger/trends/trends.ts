import { ChangeDetectionStrategy, Component, computed, effect, inject, input, resource } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { choicesOf, METHODS, methodOf, type ScoredGroup, type TrendMake } from '@oat-crock/core';
import { localTime } from '@oat-crock/calendar';
import { Engine } from '../../../engine/engine';
import { ApiClient } from '../../../state/api-client';
import { householdSelectors } from '../../../state/household';
import { logFeature } from '../../../state/log.feature';
import { recordsFeature } from '../../../state/records.feature';
import { OptionField } from '../../../shared/ui/option-field';
import { named, SayPipe, tell } from '../../../shared/ui/said';
import { kitchenZone } from '../../../shared/ui/zone';
import { LedgerHead } from '../ledger-head';
import { ScoreLines } from './score-lines';
import { TrendStrips } from './trend-strips';
import { findingWords, type ChangeNames } from './trend-words';

/** Fewer makes than this are no course of anything. */
const LEAST = 3;
/** While makes are being worked out, it is asked so often how far that is, ms. */
const ASK_AGAIN_MS = 3000;
/** So many changes are said at once. */
const MOST_FINDINGS = 4;
/** Warm months are the warmest and so many on either side of it. */
const SEASON_MONTHS = 2;

/** What the makes of a method came to over time, what of it is more than chance, and how good the forecasts were. */
@Component({
  selector: 'oc-trends',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerHead, OptionField, SayPipe, ScoreLines, TrendStrips],
  templateUrl: './trends.html',
  styleUrl: './trends.css',
})
export class TrendsView {
  protected readonly MOST = MOST_FINDINGS;
  /** Of which method; of that with most makes where it is empty. */
  readonly methodId = input('');
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly wire = inject(ApiClient);
  private readonly engine = inject(Engine);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLots);
  private readonly own = this.store.selectSignal(recordsFeature.selectMethods);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly lastByHand = this.store.selectSignal(logFeature.selectLastByHand);
  protected readonly currency = computed(() => this.settings().currency);

  protected readonly told = resource({
    params: () => ({ methodId: this.methodId(), seq: this.lastByHand() }),
    loader: ({ params: { methodId } }) => this.wire.figures(methodId),
  });
  /** How good the forecasts were: of all methods at once, so it is not asked for again with each of them. */
  protected readonly scored = resource({
    params: () => this.lastByHand(),
    loader: () => this.wire.scorecard(),
  });

  constructor() {
    // More of them are worked out meanwhile: they are asked for again after a while.
    effect((cleanUp) => {
      if (this.waiting() === 0 || this.told.isLoading()) return;
      const later = setTimeout(() => {
        this.told.reload();
        this.scored.reload();
      }, ASK_AGAIN_MS);
      cleanUp(() => clearTimeout(later));
    });
  }

  private readonly figures = computed(() => (this.told.hasValue() ? this.told.value() : null));
  protected readonly shownId = computed(() => this.figures()?.methodId ?? '');
  protected readonly waiting = computed(() => this.figures()?.waiting ?? 0);
  protected readonly options = computed(() =>
    (this.figures()?.methods ?? []).map(({ methodId, makes }) => ({
      id: methodId,
      label: tell('page.ledger.trends.method', { name: this.nameOf(methodId), makes }),
    })),
  );

  private readonly warmest = computed(() => this.settings().warmestMonth);
  protected readonly warmMonths = computed(
    () =>
      new Set(
        Array.from({ length: 2 * SEASON_MONTHS + 1 }, (_, i) => ((this.warmest() + i - SEASON_MONTHS + 11) % 12) + 1),
      ),
  );
  private readonly makes = computed((): readonly TrendMake[] =>
    (this.figures()?.makes ?? []).map(({ make, line, figures }) => ({
      startedMs: make.startedMs,
      isWarm: this.warmMonths().has(localTime(make.startedMs, kitchenZone()).month),
      line,
      figures,
    })),
  );
  protected readonly isFew = computed(() => this.makes().length < LEAST);
  protected readonly worked = resource({
    params: () => this.makes(),
    loader: ({ params: makes }) => (makes.length < LEAST ? Promise.resolve(null) : this.engine.trends(makes)),
  });
  protected readonly trends = computed(() => (this.worked.hasValue() ? this.worked.value() : null));

  protected readonly names = computed((): ChangeNames => ({
    culture: (id) => this.lots()[id]?.item.name ?? tell('page.ledger.trends.unknownCulture'),
    keeper: (id) => this.keeperName(id),
  }));
  protected readonly findings = computed(() =>
    (this.trends()?.findings ?? []).map((finding) => findingWords(finding, this.names(), this.currency())),
  );
  protected readonly scores = computed((): readonly ScoredGroup[] => {
    const windows = this.scored.hasValue() ? this.scored.value().windows : [];
    return windows
      .filter((group) => group.methodId === this.shownId())
      .sort((a, b) => a.by.localeCompare(b.by) || a.share - b.share);
  });

  protected pick(id: string): void {
    void this.router.navigate(['/ledger/trends', id]);
  }

  /** Goes to the make that was begun at a moment. */
  protected open(startedMs: number): void {
    const make = this.figures()?.makes.find(({ make: { startedMs: at } }) => at === startedMs)?.make;
    if (make) void this.router.navigate(['/make', make.id]);
  }

  private nameOf(methodId: string): string {
    const made = this.figures()?.makes.find(({ make }) => make.methodId === methodId)?.make.method;
    return named(
      made ?? this.own()[methodId]?.item.name ?? METHODS.find(({ id }) => id === methodId)?.name ?? methodId,
    );
  }

  /** A place that makes are kept warm in, as the method's own choice calls it. */
  private keeperName(id: string): string {
    const methodId = this.shownId();
    const method = this.own()[methodId]?.item ?? METHODS.find((m) => m.id === methodId);
    const choice = method && choicesOf(methodOf({ methodId, ownMethod: method })).find(({ key }) => key === 'keeper');
    const option = choice?.kind === 'option' ? choice.options.find((o) => o.id === id) : undefined;
    return option ? named(option.label) : id;
  }
}
