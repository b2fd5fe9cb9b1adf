import { ChangeDetectionStrategy, Component, computed, inject, resource, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { CULTURES, learnedAll, percent, type CultureId, type LearnedHere, type MakeLine } from '@oat-crock/core';
import { ApiClient } from '../../state/api-client';
import { KitchenClock } from '../../state/kitchen-clock';
import { HouseholdActions, householdSelectors } from '../../state/household';
import { learnedFeature } from '../../state/learned.feature';
import { recordsFeature } from '../../state/records.feature';
import { ownerName } from '../../shared/learned/learned-sentences';
import { written } from '../../shared/ui/dates';
import { quantity, SayPipe, tell, textOf } from '../../shared/ui/said';
import { degrees } from '../../shared/ui/words';
import { LedgerHead } from './ledger-head';

/** What is drawn reaches so far on either side of the usual: a factor of this much, or so many degrees. */
const REACH = { factor: Math.log(1.8), degrees: 4 } as const;

/** The order in which it is read. */
const ORDER: readonly LearnedHere['what'][] = [
  'culture pace',
  'place',
  'cloth time',
  'pot loss',
  'acid strength',
  'maker loss',
];

/** Everything the kitchen's makes have taught: each with its spread against the usual, what it changes, and a way to forget it. */
@Component({
  selector: 'oc-learned-page',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerHead, RouterLink, SayPipe],
  templateUrl: './learned.html',
  styleUrl: './learned.css',
})
export class LearnedPage {
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);
  private readonly pooled = this.store.selectSignal(learnedFeature.selectPooled);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLots);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);

  private readonly all = computed(() => learnedAll(this.pooled()).filter(({ makes }) => makes > 0));
  protected readonly groups = computed(() =>
    ORDER.flatMap((what) => {
      const rows = this.all().filter((one) => one.what === what);
      return rows.length === 0
        ? []
        : [{ what, title: tell('page.ledger.learned.of', { what: keyOf(what) }), rows: rows.map((r) => this.row(r)) }];
    }),
  );
  /** What was forgotten: what it taught before that day counts no more. */
  protected readonly forgotten = computed(() =>
    this.settings().forgotten.map(({ of, beforeMs }) => {
      const what = this.all().find((one) => one.of === of)?.what ?? whatOf(of);
      const name = ownerName({ of, what } as LearnedHere, (id) => this.cultureName(id));
      return tell('page.ledger.learned.forgotten', { name, day: written(beforeMs, 'dayYear') });
    }),
  );

  /** How wide windows are given, where that is otherwise than the engine has them. */
  protected readonly widths = computed(() =>
    [...(this.pooled().widths ?? [])]
      .sort((a, b) => a.by.localeCompare(b.by) || a.share - b.share)
      .map(({ by: of, share, factor, makes }) =>
        tell('page.ledger.learned.width', {
          ...{ by: of, makes },
          at: `at${Math.round(100 * share)}`,
          way: Math.abs(factor - 1) < AS_WIDE ? 'same' : factor > 1 ? 'wider' : 'narrower',
          times: quantity(percent(100 * Math.abs(factor - 1), 0)),
        }),
      ),
  );

  /** Whose makes are shown by name, and those makes. */
  protected readonly openOf = signal<string | null>(null);
  private readonly wire = inject(ApiClient);
  protected readonly behind = resource({
    params: () => this.openOf() ?? undefined,
    loader: ({ params }) => this.wire.lessonMakes(params),
  });
  protected readonly begun = ({ startedMs }: MakeLine) => written(startedMs, 'dayYear');

  private row(one: ReturnType<typeof learnedAll>[number]) {
    const { of, what, value, p10, p90, makes, isFelt } = one;
    const at = (v: number) =>
      50 + 50 * Math.max(-1, Math.min(1, what === 'place' ? v / REACH.degrees : Math.log(v) / REACH.factor));
    return {
      of,
      name: ownerName(one, (id) => this.cultureName(id)),
      likely: at(value),
      from: at(p10),
      to: at(p90),
      says: isFelt ? this.says(what, value) : tell('page.ledger.learned.asUsual'),
      range: tell('page.ledger.learned.range', { from: this.side(what, p10), to: this.side(what, p90) }),
      makes: tell('page.learned.learnedSentences.learnedFrom', { makes }),
      pinned: this.pinnedWords(of),
    };
  }

  private pinnedWords(of: string): string {
    const pin = this.settings().pinned.find((one) => one.of === of);
    return pin ? tell('page.ledger.learned.pinned', { day: written(pin.afterMs, 'dayYear') }) : '';
  }

  private says(what: LearnedHere['what'], value: number): string {
    const isMore = what === 'place' ? value > 0 : value > 1;
    return tell('page.ledger.learned.says', { what: keyOf(what), way: isMore ? 'more' : 'less', by: by(what, value) });
  }

  private side(what: LearnedHere['what'], value: number): string {
    const isMore = what === 'place' ? value > 0 : value > 1;
    return tell('page.ledger.learned.side', { way: isMore ? 'more' : 'less', by: by(what, value) });
  }

  private cultureName(id: string): string {
    const kept = this.lots()[id]?.item.name;
    if (kept !== undefined) return kept;
    return id in CULTURES ? textOf(CULTURES[id as CultureId].name) : tell('page.ledger.learned.unnamedCulture');
  }

  /** It stays as it is learned by now, or is learned on. */
  protected pin(of: string, isPinned: boolean): void {
    this.store.dispatch(
      HouseholdActions.pinWanted({ of, afterMs: isPinned ? Math.round(this.clock.exactMs()) : null }),
    );
  }

  /** All that was learned of it up to now counts no more; what comes is learned anew. */
  protected forget(of: string): void {
    this.store.dispatch(HouseholdActions.forgetWanted({ of, beforeMs: Math.round(this.clock.exactMs()) }));
  }
}

/** A width so near the engine's own is that, as a share. */
const AS_WIDE = 0.05;

/** As texts choose by it: without the space. */
const keyOf = (what: LearnedHere['what']) => what.replace(' ', '');

const by = (what: LearnedHere['what'], value: number) =>
  what === 'place' ? degrees(Math.abs(value)) : quantity(percent(100 * Math.abs(value - 1), 0));

/** By its name, whose something is: "culture …", "place thermostat". */
function whatOf(of: string): LearnedHere['what'] {
  const [kind] = of.split(' ');
  const kinds: Readonly<Record<string, LearnedHere['what']>> = {
    culture: 'culture pace',
    place: 'place',
    cloth: 'cloth time',
    pot: 'pot loss',
    acid: 'acid strength',
  };
  return kinds[kind ?? ''] ?? 'maker loss';
}
