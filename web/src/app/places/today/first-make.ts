import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { CROCK_G_PER_ML, methodById, type MakeSheet, type Quieter } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { Engine } from '../../engine/engine';
import type { MakeAsked } from '../../engine/engine-api';
import { Drawing } from '../../shared/ui/drawing';
import { NumberField } from '../../shared/ui/number-field';
import { named, SaidPipe, SayPipe, tell, textOf } from '../../shared/ui/said';
import { clockTime, dayTime, mass, span, toFive, wordsOfError } from '../../shared/ui/words';
import { DraftActions } from '../../state/draft.feature';
import { householdSelectors } from '../../state/household';
import { selectKitchen } from '../../state/kitchen';
import { KitchenClock } from '../../state/kitchen-clock';
import { Logger } from '../../state/logger';
import { HOUSEHOLD_ID } from '../../state/record-writing';
import { RecordActions } from '../../state/records.feature';
import { firstMakeOf, KEEPERS, type KeeperId, STARTERS, type StarterId } from './first-make-answers';

const MIN_MS = 60_000;
const QUARTER_MS = 15 * MIN_MS;
const FIRST_G = 2000;

/** The first quarter of an hour: three questions, each answered already, and the make that suits, worked out as it would be begun. */
@Component({
  selector: 'oc-first-make',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Drawing, NumberField, RouterLink, SaidPipe, SayPipe],
  templateUrl: './first-make.html',
  styleUrl: './first-make.css',
})
export class FirstMake {
  private readonly store = inject(Store);
  private readonly router = inject(Router);
  private readonly engine = inject(Engine);
  private readonly logger = inject(Logger);
  private readonly clock = inject(KitchenClock);
  private readonly kitchen = this.store.selectSignal(selectKitchen);
  private readonly version = this.store.selectSignal(householdSelectors.selectVersion);
  protected readonly settings = this.store.selectSignal(householdSelectors.selectDraft);

  protected readonly KEEPERS = KEEPERS;
  protected readonly STARTERS = STARTERS;
  protected readonly MILK = { gPerMl: CROCK_G_PER_ML };
  protected readonly keeper = signal<KeeperId>('thermostat');
  protected readonly starter = signal<StarterId>('yogurt');
  protected readonly massG = signal(FIRST_G);
  /** What keeps warm is asked only where warmth is kept. */
  protected readonly isKeptWarm = computed(() => this.starter() === 'yogurt' || this.starter() === 'powder');
  protected readonly whyOf = computed(() => ({
    keeper: KEEPERS.find((k) => k.id === this.keeper())!.why,
    starter: STARTERS.find((s) => s.id === this.starter())!.why,
  }));

  private readonly made = computed(() => firstMakeOf(this.keeper(), this.starter(), this.massG()));
  private readonly method = computed(() => methodById(this.made().methodId));
  protected readonly name = computed(() => named(this.method().name));
  private readonly startMs = computed(() => Math.ceil(this.clock.nowMs() / QUARTER_MS) * QUARTER_MS);
  private readonly asked = computed(
    (): MakeAsked => ({
      method: this.method(),
      choices: this.made().choices,
      startMs: this.startMs(),
      settings: this.kitchen(),
      gear: [],
      stocks: [],
    }),
    { equal: dequal },
  );
  private readonly sheet = signal<MakeSheet | null>(null);
  private readonly night = signal<Quieter | null>(null);
  protected readonly trouble = signal('');

  /** What comes of it, in the engine's own figures. */
  protected readonly promise = computed(() => {
    const sheet = this.sheet();
    if (!sheet) return '';
    return tell('page.today.firstMake.promise', {
      product: mass(sheet.product.massG),
      name: this.name().toLocaleLowerCase(),
      hands: span(sheet.handsMin),
      ends: dayTime(toFive(this.startMs() + sheet.totalMin * MIN_MS)),
    });
  });
  /** Whether hands fall in the night, and what keeps them out of it. */
  protected readonly hours = computed(() => {
    const night = this.night();
    if (!night) return '';
    if (night.nightHands === 0) return tell('page.today.firstMake.noneInTheNight');
    const inTheNight = tell('page.today.firstMake.inTheNight', { count: night.nightHands });
    if (!night.begin) return inTheNight;
    const at = clockTime(night.begin.atMs, this.startMs());
    return `${inTheNight} ${tell('page.methods.quieterLine.begunAt', { at, count: night.begin.nightHands })}`;
  });

  constructor() {
    effect((onCleanup) => {
      const asked = this.asked();
      let isLatest = true;
      onCleanup(() => (isLatest = false));
      Promise.all([this.engine.sheet(asked), this.engine.quieter(asked)]).then(
        ([sheet, night]) => {
          if (!isLatest) return;
          this.sheet.set(sheet);
          this.night.set(night);
        },
        (error: unknown) => isLatest && this.trouble.set(wordsOfError(error)),
      );
    });
  }

  /** The hours of sleep are the household's own, to the hour. */
  protected sleeps(key: 'asleepFromH' | 'asleepToH', hour: number | null): void {
    if (hour === null) return;
    const draft = { ...this.settings(), [key]: Math.round(hour) % 24, id: HOUSEHOLD_ID };
    this.store.dispatch(RecordActions.edited({ family: 'settings', draft, overVersion: this.version() }));
    this.store.dispatch(RecordActions.saveWanted({ id: HOUSEHOLD_ID }));
  }

  protected start(): void {
    const { choices } = this.made();
    const batchId = this.logger.start(this.method(), choices, textOf(this.method().name));
    void this.router.navigate(['/make', batchId]);
  }

  /** The sheet of it, to look at and to decide otherwise. */
  protected look(): void {
    const { methodId, choices } = this.made();
    this.store.dispatch(DraftActions.filled({ methodId, choices }));
    void this.router.navigate(['/methods', methodId]);
  }
}
