import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { Store } from '@ngrx/store';
import {
  askedFor,
  isStock,
  leftOf,
  useFirst,
  type Found,
  type StockLot,
  type Wanted,
  type AskedFor,
  FIRST_METHOD_ID,
  FOOD_IDS,
  type FoodId,
  findWords,
  plainWords,
  say,
  volume,
  weighed,
} from '@oat-crock/core';
import { isCalled, unknownOf } from './called';
import { isSameDay, nextHour, sameHourOn } from '@oat-crock/calendar';
import { Engine } from '../../engine/engine';
import { KitchenClock } from '../../state/kitchen-clock';
import { sayDay } from '../../shared/ui/days';
import { OwnLarder } from '../../state/own-larder';
import { logFeature } from '../../state/log.feature';
import { DraftActions } from '../../state/draft.feature';
import { selectKitchen } from '../../state/kitchen';
import { NumberField } from '../../shared/ui/number-field';
import { OptionField } from '../../shared/ui/option-field';
import { clockTime, mass, pricePer, span, toFive, wordsOfError } from '../../shared/ui/words';
import { MethodBook } from '../../state/method-book';
import { decimalSign } from '../../shared/ui/decimal-sign';
import { units } from '../../shared/ui/reader';
import { NamedPipe, tell, SayPipe, textList, textOf } from '../../shared/ui/said';
import { kitchenZone } from '../../shared/ui/zone';

const MIN_MS = 60_000;
const QUARTER_MS = 15 * MIN_MS;
/** Typing rests this long before it is looked for. */
const REST_MS = 120;

const HOUR_MS = 60 * MIN_MS;
const MOST_NEAREST = 3;

/** A food as it is first called. */
const foodName = (id: FoodId): string => textOf(say(`food.${id}`)).split(',')[0]!;

/** Foods some of whose names begin as a word does: what somebody who typed it may have meant. */
function nearestNames(word: string): readonly string[] {
  const begins = plainWords(word).slice(0, Math.max(2, word.length - 2));
  return FOOD_IDS.filter((id) =>
    plainWords(textOf(say(`food.${id}`)))
      .split(/[ ,]+/)
      .some((name) => name.startsWith(begins)),
  ).map(foodName);
}

/** Hours that a line gives: as it says, or until the hour of the day that it says. */
const hoursOf = ({ withinH }: AskedFor, until: { readonly hours: number } | null): number | null =>
  withinH ?? until?.hours ?? null;

/** What to make: of what there is, in the time there is, with what there is to make it with. */
@Component({
  selector: 'oc-finder',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [NamedPipe, NumberField, OptionField, SayPipe],
  templateUrl: './finder.html',
  styleUrl: './finder.css',
})
export class Finder {
  /** How much milk the line's example has. */
  protected readonly EXAMPLE = volume(2);
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly engine = inject(Engine);
  private readonly clock = inject(KitchenClock);
  private readonly own = inject(OwnLarder).things;
  private readonly book = inject(MethodBook);
  private readonly settings = this.store.selectSignal(selectKitchen);

  protected readonly words = signal('');
  protected readonly lotId = signal('');
  /** So much of it is meant, g; null for all. */
  private readonly ofItG = signal<number | null>(null);
  protected readonly withinH = signal<number | null>(null);
  protected readonly thermostat = signal(true);

  private readonly stocks = computed(() =>
    useFirst(this.own().lots)
      .filter((lot): lot is StockLot => isStock(lot) && lot.kind !== 'powder')
      .map((lot) => ({ lot, leftG: leftOf(lot, this.own().taken) }))
      .filter(({ leftG }) => leftG > 0),
  );
  protected readonly lots = computed(() => [
    { id: '', label: tell('page.methods.finder.anything') },
    ...this.stocks().map(({ lot, leftG }) => ({
      id: lot.id,
      label: `${lot.name}, ${mass(leftG)}${lot.useBy === null ? '' : tell('page.methods.finder.until', { useBy: sayDay(lot.useBy) })}`,
    })),
  ]);

  /** The lot it is to be of, and how much of it. */
  private readonly lot = computed(() => {
    const chosen = this.stocks().find(({ lot }) => lot.id === this.lotId());
    return chosen ? { ...chosen, leftG: Math.min(chosen.leftG, this.ofItG() ?? Infinity) } : null;
  });
  private readonly findWords = computed(() => findWords(textOf));
  private readonly read = computed(() =>
    askedFor(this.words(), this.stocks(), this.findWords(), { units: units(), decimal: decimalSign() }),
  );
  /** Everything there is to make. */
  private readonly makes = computed(() => this.book.all().filter((m) => !m.gives));
  /** Words of the line that nothing is known by. */
  private readonly unknown = computed(() => unknownOf(this.read().words, this.makes()));
  /** Hours until the hour of the day by which it is wanted; null where none was said. */
  private readonly untilH = computed(() => {
    const { by } = this.read();
    if (!by) return null;
    const nowMs = this.startMs();
    const zone = kitchenZone();
    const atMs = nextHour(nowMs, by.hour, zone);
    const day = by.days === 1 && isSameDay(atMs, nowMs, zone) ? sameHourOn(atMs, 1, zone) : atMs;
    return { hours: (day - nowMs) / HOUR_MS, atMs: day };
  });
  /** How the line was read, so that a wrong reading is seen. */
  protected readonly readAs = computed(() => {
    const { lot, atHand, withinH, absent, foods, corrected, words } = this.read();
    const known = words
      .split(' ')
      .filter((w) => !this.unknown().includes(w))
      .join(' ');
    const until = this.untilH();
    const parts = [
      ...foods.map(foodName),
      lot && tell('page.methods.finder.of', { left: mass(lot.leftG), name: lot.lot.name }),
      ...atHand.map(({ kind, massG }) =>
        massG === null
          ? tell('page.methods.finder.atHandAny', { kind })
          : tell('page.methods.finder.atHand', { mass: weighed(massG), kind }),
      ),
      withinH !== null && tell('page.methods.finder.readyWithin', { within: span(withinH * 60) }),
      until && tell('page.methods.finder.readyBy', { at: clockTime(until.atMs, this.startMs()) }),
      ...absent.map((what) => tell('page.methods.finder.absent', { what })),
      known && tell('page.methods.finder.calledLike', { words: known }),
      ...corrected.map((slip) => tell('page.methods.finder.slip', slip)),
    ].filter((part) => typeof part === 'string' && part !== '');
    return parts.length > 0
      ? tell('page.methods.finder.readAs', { parts: parts.join('; ') })
      : tell('page.methods.finder.lotYoursAmountTime');
  });
  /** Words that could not be used, and the makes that come nearest to them. */
  protected readonly unused = computed(() => {
    const unknown = this.unknown();
    if (unknown.length === 0) return '';
    const words = textList(
      unknown.map((w) => `“${w}”`),
      'or',
    );
    const nearest = unknown.flatMap((w) => nearestNames(w)).slice(0, MOST_NEAREST);
    return nearest.length > 0
      ? tell('page.methods.finder.unknownNearest', { words, nearest: textList([...new Set(nearest)], 'comma') })
      : tell('page.methods.finder.unknown', { words });
  });

  /** A line is written: what it says anew goes into the fields, where it can be changed again. */
  protected write(line: string): void {
    const before = this.read();
    const wantedBefore = hoursOf(before, this.untilH());
    this.words.set(line);
    const { lot } = this.read();
    const [withinH, thermostat] = [hoursOf(this.read(), this.untilH()), !this.read().absent.includes('thermostat')];
    if (lot?.lot.id !== before.lot?.lot.id || lot?.leftG !== before.lot?.leftG) {
      this.pick(lot?.lot.id ?? '');
      this.ofItG.set(lot?.leftG ?? null);
    }
    if (withinH !== wantedBefore) this.withinH.set(withinH === null ? null : Math.max(1, Math.round(2 * withinH) / 2));
    if (thermostat !== !before.absent.includes('thermostat')) this.thermostat.set(thermostat);
  }

  /** A lot is picked: all of it. */
  protected pick(lotId: string): void {
    this.lotId.set(lotId);
    this.ofItG.set(null);
  }

  protected readonly startMs = computed(() => Math.ceil(this.clock.nowMs() / QUARTER_MS) * QUARTER_MS);
  private readonly wanted = computed((): Wanted => ({
    lot: this.lot(),
    atHand: this.read().atHand,
    withinH: this.withinH(),
    absent: [
      ...this.read().absent.filter((id) => id !== 'thermostat'),
      ...(this.thermostat() ? [] : (['thermostat'] as const)),
    ],
    foods: this.read().foods,
    startMs: this.startMs(),
    gear: this.own().gear,
  }));
  protected readonly found = signal<readonly Found[] | null>(null);
  protected readonly trouble = signal('');

  protected readonly rows = computed(() => {
    const found = this.found() ?? [];
    const longest = Math.max(1, ...found.map((f) => f.totalMin));
    const { currency } = this.settings();
    return found.map((f) => ({
      found: f,
      gives: mass(f.productG),
      ready: clockTime(toFive(this.startMs() + f.totalMin * MIN_MS), this.startMs()),
      takes: span(f.totalMin),
      hands: tell('page.methods.finder.hands', { hands: span(f.handsMin) }),
      night: f.nightHands > 0 ? tell('page.methods.finder.inTheNight', { count: f.nightHands }) : '',
      costs: pricePer(f.perKg, currency),
      widthPct: (100 * f.totalMin) / longest,
      handsPct: (100 * f.handsMin) / longest,
      own: this.book.isOwn(f.methodId),
    }));
  });
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly isFirstMake = computed(() => this.batches().length === 0);
  /** The make that suits a beginner, which stands first until something was made. */
  protected readonly beginner = computed(() => (this.isFirstMake() ? FIRST_METHOD_ID : null));
  protected readonly does = computed(() => {
    const rows = this.rows().filter((r) => r.found.against === '');
    const first = (r: (typeof rows)[number]) => Number(r.found.methodId === this.beginner());
    return rows.sort((a, b) => first(b) - first(a));
  });
  protected readonly doesNot = computed(() => this.rows().filter((r) => r.found.against !== ''));

  constructor() {
    let latest = 0;
    effect((onCleanup) => {
      const known = this.read()
        .words.split(' ')
        .filter((w) => !this.unknown().includes(w));
      const methods = this.makes().filter((m) => isCalled(m, known.join(' ')));
      const [wanted, settings] = [this.wanted(), this.settings()];
      const mine = ++latest;
      const rest = setTimeout(() => {
        this.engine.find(methods, wanted, settings).then(
          (found) => {
            if (mine === latest) this.found.set(found);
          },
          (error: unknown) => this.trouble.set(wordsOfError(error)),
        );
      }, REST_MS);
      onCleanup(() => clearTimeout(rest));
    });
  }

  protected take({ methodId, choices }: Found): void {
    this.store.dispatch(DraftActions.filled({ methodId, choices }));
    void this.router.navigate(['/methods', methodId]);
  }
}
