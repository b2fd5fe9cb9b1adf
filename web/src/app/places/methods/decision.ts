import { roomToPlanFor } from '@oat-crock/calendar';
import { dequal } from 'dequal/lite';
import { computed, effect, inject, Injectable, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import {
  choicesOf,
  choicesThatCount,
  isStock,
  decided,
  leftOf,
  methodById,
  type Choices,
  type Goal,
  type MakeSheet,
  type Problem,
  roomProblems,
  type SaidWith,
  saidWith,
  withOwnGear,
} from '@oat-crock/core';
import { Engine } from '../../engine/engine';
import type { MakeAsked } from '../../engine/engine-api';
import { KitchenClock } from '../../state/kitchen-clock';
import { OwnLarder } from '../../state/own-larder';
import { DraftActions, draftFeature, draftOf } from '../../state/draft.feature';
import { householdSelectors } from '../../state/household';
import { selectKitchen } from '../../state/kitchen';
import { knownOf, learnedFeature } from '../../state/learned.feature';
import { roomFeature } from '../../state/room.feature';
import { OwnCultures } from '../../state/own-cultures';
import { cultureFills } from './culture-fills';
import { MethodBook } from '../../state/method-book';
import { ownFills, stillFills, stocksNamed, takings, withOwnLots, fillOfOption, type OwnFill } from './own-things';
import { textOf, tell } from '../../shared/ui/said';
import { wordsOfError } from '../../shared/ui/words';

const QUARTER_MS = 15 * 60_000;

/** A make that is being decided: its choices, what of one's own goes into it, and its sheet, worked out anew at every touch. */
@Injectable()
export class Decision {
  private readonly store = inject(Store);
  private readonly engine = inject(Engine);
  private readonly clock = inject(KitchenClock);
  private readonly book = inject(MethodBook);
  private readonly own = inject(OwnLarder).things;
  private readonly drafts = this.store.selectSignal(draftFeature.selectDrafts);
  private readonly settings = this.store.selectSignal(selectKitchen);
  private readonly room = this.store.selectSignal(roomFeature.selectReadings);
  private readonly told = this.store.selectSignal(householdSelectors.selectVersion);

  readonly methodId = signal<string | undefined>(undefined);
  readonly method = computed(() => this.book.find(this.methodId()) ?? methodById('strained-yogurt'));
  readonly draft = computed(() => draftOf(this.drafts(), this.method().id));
  /** What the household answers of itself: its room, as it is read or once somebody has said how warm it is. */
  private readonly ofHousehold = computed((): Choices => {
    const asksRoom = choicesOf(this.method()).some((c) => c.key === 'roomC');
    const known = this.told() > 0 || this.room().length > 0;
    return asksRoom && known ? { roomC: roomToPlanFor(this.settings(), this.room(), this.startMs()) } : {};
  });
  /** What is chosen otherwise than the method begins with. */
  readonly given = computed((): Choices => ({ ...this.ofHousehold(), ...this.draft().choices }));
  readonly choices = computed((): Choices => decided(this.method(), this.given()));

  /** Groups and choices that have a say, lots of one's own among their options. */
  readonly groups = computed(() =>
    this.method()
      .groups.map((group) => ({
        ...group,
        choices: choicesThatCount(group, this.choices()).map((choice) => withOwnLots(choice, this.own())),
      }))
      .filter((group) => group.choices.length > 0),
  );
  private readonly cultures = inject(OwnCultures);
  private readonly learned = inject(Store).selectSignal(learnedFeature.selectPooled);
  private readonly cultureFills = computed(() =>
    cultureFills(this.method(), this.choices(), this.cultures.dues(), this.startMs()),
  );
  private readonly roomC = computed(() => {
    const { roomC } = this.choices();
    return typeof roomC === 'number' ? roomC : null;
  });
  readonly fills = computed(() => {
    const things = new Map(ownFills(this.method(), this.own(), this.roomC()));
    for (const fill of this.cultureFills()) things.set(fill.beside, [...(things.get(fill.beside) ?? []), fill]);
    return things;
  });
  readonly stocks = computed(() => stocksNamed(this.choices(), this.own()));

  /** The hour the sheet is written for: now, to a quarter of an hour so that it stands still while it is read. */
  readonly startMs = computed(() => Math.ceil(this.clock.nowMs() / QUARTER_MS) * QUARTER_MS);
  readonly asked = computed((): MakeAsked => ({
    method: this.method(),
    choices: this.given(),
    startMs: this.startMs(),
    settings: this.settings(),
    stocks: this.stocks(),
    gear: this.gear(),
    known: knownOf(this.learned(), this.cultures.lineOfLot(Object.values(this.things()))),
  }));
  readonly sheet = signal<MakeSheet | null>(null);
  readonly refused = signal<string | null>(null);
  /** What lets an amount of each choice be said in other words than its unit. */
  readonly saidWith = computed((): Readonly<Record<string, SaidWith>> => {
    const given = { stocks: this.stocks(), productG: this.sheet()?.product.massG ?? null };
    const [method, choices] = [this.method(), this.choices()];
    return Object.fromEntries(choicesOf(method).map(({ key }) => [key, saidWith(method, key, choices, given)]));
  });
  /** What is wrong with it, with vessels of one's own where one is too small. */
  readonly problems = computed<readonly Problem[]>(() => {
    const [sheet, owned] = [this.sheet(), this.own().gear];
    if (!sheet) return [];
    const ofRoom = roomProblems(this.method(), sheet, [...this.gear(), ...this.jars()]);
    return [...sheet.problems.map((p) => withOwnGear(p, owned)), ...ofRoom, ...this.cultureProblems()];
  });
  /** A culture of one's own that was taken and does not quite suit. */
  private cultureProblems(): Problem[] {
    const taken = new Set(Object.values(this.things()));
    return this.cultureFills().flatMap(({ lot, beside, mismatch }) =>
      taken.has(lot.id) && mismatch
        ? [
            {
              field: beside,
              message: mismatch.says,
              remedy: tell('page.methods.decision.takeOneOwnKind'),
              mild: true,
            },
          ]
        : [],
    );
  }

  /** Why the last scaling did not do, in words. */
  readonly scaling = signal<string>('');

  /** Things of one's own whose choices still stand, by the choice they are beside. */
  readonly things = computed(
    (): Readonly<Record<string, string>> => {
      const standing = Object.entries(this.draft().things).filter(([beside, id]) => {
        const fill = this.fills()
          .get(beside)
          ?.find((f) => f.id === id);
        return fill !== undefined && stillFills(fill, this.choices());
      });
      return Object.fromEntries(standing);
    },
    // What a culture would fill in is looked at anew as it ages; the sheet is asked again only where that is otherwise.
    { equal: dequal },
  );
  /** Gear of one's own that it would be made in. */
  readonly gear = computed(() => {
    const ids = new Set(Object.values(this.things()));
    return this.own().gear.filter((g) => ids.has(g.id));
  });
  /** Jars or moulds that were taken for it, also where another weight has been written since. */
  private readonly jars = computed(() => {
    const id = this.draft().things['potG'];
    const standing = this.gear();
    return this.own().gear.filter((g) => g.id === id && !standing.includes(g));
  });
  readonly takings = computed(() => takings(this.sheet()?.amounts ?? [], this.things(), this.own()));

  /** A sheet that was put beside, to be compared with what is chosen now. */
  readonly beside = signal<MakeSheet | null>(null);

  constructor() {
    effect(() => {
      this.method();
      this.beside.set(null);
    });
    let latest = 0;
    effect(() => {
      const asked = this.asked();
      const mine = ++latest;
      this.engine.sheet(asked).then(
        (sheet) => {
          if (mine !== latest) return;
          this.sheet.set(sheet);
          this.refused.set(null);
        },
        (error: unknown) => {
          if (mine === latest) this.refused.set(wordsOfError(error));
        },
      );
    });
  }

  /** Chooses; a lot of one's own brings its price along. */
  choose(key: string, value: number | string): void {
    const methodId = this.method().id;
    this.scaling.set('');
    const more = fillOfOption(this.method(), value, this.own());
    if (more) this.store.dispatch(DraftActions.filled({ methodId, choices: { [key]: value, ...more } }));
    else this.store.dispatch(DraftActions.chosen({ methodId, key, value }));
  }

  /** Takes the nearest choices that work. */
  doThat(choices: Choices): void {
    this.store.dispatch(DraftActions.filled({ methodId: this.method().id, choices }));
  }

  /** Puts the sheet as it is beside, or away again. */
  toggleBeside(): void {
    this.beside.update((now) => (now ? null : this.sheet()));
  }

  /** True once what is in the larder is known. */
  readonly ready = computed(() => Object.keys(this.own().everyLot).length > 0);

  /** Makes it of a lot, as it would be found for it: chosen where its kind is asked for, used up, in vessels that hold it. */
  async makeOf(lotId: string): Promise<void> {
    const lot = this.own().lots.find((l) => l.id === lotId);
    if (!lot || !isStock(lot)) return;
    const wanted = {
      lot: { lot, leftG: leftOf(lot, this.own().taken) },
      withinH: null,
      atHand: [],
      absent: [],
      foods: [],
      startMs: this.startMs(),
      gear: this.own().gear,
    };
    const [found] = await this.engine.find([this.method()], wanted, this.settings());
    if (found) this.doThat(found.choices);
  }

  /** Fills choices in from pieces of gear of one's own, by their names. */
  useGear(names: readonly string[]): void {
    const ids = new Set(this.own().gear.flatMap((g) => (names.includes(g.name) ? [g.id] : [])));
    for (const [beside, fills] of this.fills()) {
      const own = fills.find((f) => ids.has(f.id));
      if (own) this.fill(beside, own);
    }
  }

  /** Fills choices in from a bottle, a cloth or a vessel of one's own. */
  fill(beside: string, { id, choices }: OwnFill): void {
    this.store.dispatch(DraftActions.filled({ methodId: this.method().id, choices, thing: { beside, id } }));
  }

  /** Scales the make to a goal; says why where it cannot. */
  async scaleTo(goal: Goal): Promise<void> {
    const scaled = await this.engine.scale(this.asked(), goal);
    if (scaled.ok) this.choose(scaled.key, scaled.massG);
    else this.scaling.set(`${textOf(scaled.message)} ${textOf(scaled.remedy)}`);
  }
}
