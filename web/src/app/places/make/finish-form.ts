import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { Store } from '@ngrx/store';
import { sameHourOn } from '@oat-crock/calendar';
import {
  canStandInLarder,
  giftOf,
  madeLot,
  methodOf,
  notGoingOut,
  plannedOf,
  type Batch,
  type Byproduct,
  type EntryBody,
  type Followed,
  type Score,
  amount,
  say,
  type Text,
} from '@oat-crock/core';
import { ButtonModule } from 'primeng/button';
import { CultureActs } from '../../state/culture-acts';
import { OwnCultures } from '../../state/own-cultures';
import { bodyProblems } from '../../shared/log/check-body';
import { KitchenClock } from '../../state/kitchen-clock';
import { kitchenZone } from '../../shared/ui/zone';
import { dayOf } from '../../shared/ui/days';
import { Logger } from '../../state/logger';
import { RecordActions } from '../../state/records.feature';
import type { Draft } from '../../state/record-writing';
import { keepFinish, keptFinish, type FinishDraft } from './finish-draft';
import { GoesTo } from './goes-to';
import { NumberField } from '../../shared/ui/number-field';
import { typedOver, type TypedOver } from '../../shared/ui/typed-over';
import { mass, problemWords } from '../../shared/ui/words';
import { SaidPipe, tell, SayPipe, titled } from '../../shared/ui/said';

const MARKS: readonly {
  readonly key: keyof Score;
  readonly ask: Text;
  readonly low: Text;
  readonly high: Text;
}[] = [
  {
    key: 'sourness',
    ask: say('page.make.finishForm.sourness'),
    low: say('page.make.finishForm.mild'),
    high: say('page.make.finishForm.sharp'),
  },
  {
    key: 'thickness',
    ask: say('page.make.finishForm.thickness'),
    low: say('page.make.finishForm.thin'),
    high: say('page.make.finishForm.stiff'),
  },
  {
    key: 'smoothness',
    ask: say('page.make.finishForm.smoothness'),
    low: say('page.make.finishForm.grainy'),
    high: say('page.make.finishForm.silky'),
  },
  {
    key: 'taste',
    ask: say('page.make.finishForm.taste'),
    low: say('page.make.finishForm.poor'),
    high: say('page.make.finishForm.fine'),
  },
];

/** What came out: weighed, scored, and the make is finished. */
@Component({
  selector: 'oc-finish-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [FormsModule, ButtonModule, GoesTo, NumberField, SaidPipe, SayPipe],
  templateUrl: './finish-form.html',
  styleUrl: './finish-form.css',
})
export class FinishForm {
  readonly batch = input.required<Batch>();
  readonly followed = input.required<Followed>();
  private readonly logger = inject(Logger);
  private readonly store = inject(Store);
  private readonly clock = inject(KitchenClock);

  protected readonly marks = MARKS;
  private readonly batchId = computed(() => this.batch().id);
  /** What is typed stays, whatever page is looked at meanwhile. */
  private readonly draft = linkedSignal({ source: this.batchId, computation: keptFinish });
  protected readonly productG = this.typed('productG', () => null);
  protected readonly wheyG = this.typed('wheyG', () => this.followed().weighedNow.wheyG);
  protected readonly asideG = this.typed('asideG', () => this.followed().weighedNow.asideG);
  protected readonly heldBackG = this.typed('heldBackG', () => Math.round(this.followed().balanceNow.heldBackG));
  protected readonly pots = this.typed('pots', () => this.followed().outcome.label.pots);
  protected readonly words = computed(() => this.draft().words ?? '');
  /** Left-overs that the larder takes in; whey by the bucket is not wanted by everybody. */
  protected readonly intoLarder = computed(() => new Set(this.draft().intoLarder));
  protected readonly leftOvers = computed(() =>
    this.followed()
      .outcome.byproducts.filter(canStandInLarder)
      .map((left) => ({ left, massG: this.weighedOf(left), use: left.use })),
  );
  private readonly cultures = inject(OwnCultures);
  private readonly acts = inject(CultureActs);
  /** What lives of it, as it joins its line; null where nothing does. */
  protected readonly gift = computed(() => {
    const whole = methodOf(this.batch()).gives === 'starter';
    const massG = (whole ? this.productG() : this.heldBackG()) ?? 0;
    const reckonedG = whole ? this.followed().end.massG : massG;
    return giftOf(this.batch(), this.clock.newId(), massG || reckonedG, this.clock.exactMs(), this.cultures.all());
  });
  protected readonly keepsCulture = computed(() => this.draft().noCulture !== true);
  protected readonly giftWords = computed(() => {
    const gift = this.gift();
    return gift
      ? tell('page.make.finishForm.generation', { name: gift.lot.name, generation: amount(gift.lot.generation) })
      : '';
  });
  protected readonly score = computed(() => this.draft().score ?? {});
  protected readonly wrong = signal('');
  /** Why it cannot be finished as sound: somebody holds it, or a rule does and nobody has answered it. */
  protected readonly kept = computed(() => {
    const against = notGoingOut(this.batch(), this.followed().findings);
    return against ? problemWords(against) : '';
  });
  protected readonly expected = computed(() => mass(this.followed().end.massG));
  protected readonly runsOff = computed(() => this.followed().runsOff);

  protected readonly mass = mass;

  protected readonly weights = computed(() => [
    { id: 'finish-product', label: tell('page.make.finishForm.product'), massG: this.productG },
    ...this.runsOffWeight(),
    ...this.asideWeight(),
    ...this.heldWeight(),
  ]);

  /** What is kept for the next make, by its name: grains are grains. Not asked where nothing was to be kept. */
  private heldWeight() {
    if (this.followed().balanceNow.heldBackG <= 0 && this.draft().heldBackG === undefined) return [];
    const kept = plannedOf(this.batch()).stages.find((s) => s.kind.keepsBack)?.kind.keepsBack;
    return [
      {
        id: 'finish-held',
        label: kept ? titled(kept.name) : tell('page.make.finishForm.heldBack'),
        massG: this.heldBackG,
      },
    ];
  }

  private asideWeight() {
    const { setsAside } = this.followed();
    return setsAside ? [{ id: 'finish-aside', label: titled(setsAside.name), massG: this.asideG }] : [];
  }

  private runsOffWeight() {
    const runsOff = this.runsOff();
    return runsOff ? [{ id: 'finish-whey', label: titled(runsOff.name), massG: this.wheyG }] : [];
  }

  private typed(key: 'productG' | 'wheyG' | 'heldBackG' | 'asideG' | 'pots', reckoned: () => number | null): TypedOver {
    return typedOver(
      reckoned,
      () => this.draft()[key],
      (typed) => this.change({ [key]: typed }),
    );
  }

  protected change(part: FinishDraft): void {
    this.draft.update((draft) => ({ ...draft, ...part }));
    keepFinish(this.batchId(), this.draft());
  }

  /** A left-over as it was weighed, else as it is reckoned, g. */
  private weighedOf(left: Byproduct): number {
    if (left.is === 'cream') return this.asideG() ?? left.massG;
    return this.wheyG() ?? left.massG;
  }

  protected keep(is: string): void {
    const kept = [...this.intoLarder()];
    this.change({ intoLarder: kept.includes(is) ? kept.filter((k) => k !== is) : [...kept, is] });
  }

  protected setMark(key: keyof Score, value: number): void {
    const { [key]: before, ...others } = this.score();
    this.change({ score: before === value ? others : { ...others, [key]: value } });
  }

  protected async finish(): Promise<void> {
    const productG = this.productG();
    if (productG === null) {
      this.wrong.set(tell('page.make.finishForm.weighProductTypeMass'));
      return;
    }
    const given = this.score();
    const whole = MARKS.every((m) => given[m.key] !== undefined);
    if (!whole && Object.values(given).some((v) => v !== undefined)) {
      this.wrong.set(tell('page.make.finishForm.giveAllFourMarks'));
      return;
    }
    const lots = this.lots();
    const body: EntryBody = {
      type: 'finished',
      productG,
      wheyG: this.runsOff() ? this.wheyG() : null,
      heldBackG: this.heldBackG(),
      score: whole ? (given as Score) : null,
      ...(this.pots() !== null && { pots: this.pots()! }),
      ...(lots.length > 0 && { left: lots.map((lot) => ({ what: lot.name, massG: lot.amount, lotId: lot.id })) }),
      ...(this.words().trim() && { words: this.words().trim() }),
      ...this.dates(),
    };
    const [problem] = await bodyProblems(body);
    if (problem) {
      this.wrong.set(problemWords(problem));
      return;
    }
    const gift = this.gift();
    if (gift && this.keepsCulture()) this.acts.save(gift.lot);
    for (const lot of lots) {
      this.store.dispatch(RecordActions.edited({ family: 'lots', draft: lot as unknown as Draft, overVersion: 0 }));
      this.store.dispatch(RecordActions.saveWanted({ id: lot.id }));
    }
    const asideG = this.draft().asideG ?? null;
    if (asideG !== null && asideG !== this.followed().weighedNow.asideG)
      this.logger.write(this.batch().id, { type: 'reading', quantity: 'asideG', value: asideG, by: 'scale' });
    this.logger.write(this.batch().id, body);
    keepFinish(this.batchId(), null);
  }

  /** The day that its pots are to be eaten by, as the label says it; none where nothing has shown yet what keeps it. */
  private dates() {
    const { keepsDays, openDays } = this.followed().outcome.label;
    const useBy = keepsDays === null ? null : dayOf(sameHourOn(this.clock.exactMs(), keepsDays, kitchenZone()));
    return { useBy, openDays };
  }

  /** The left-overs that are kept, as lots of the larder. */
  private lots() {
    const { id: batchId, name } = this.batch();
    const nowMs = this.clock.exactMs();
    return this.leftOvers()
      .filter(({ left, massG }) => this.intoLarder().has(left.is) && massG > 0)
      .map(({ left, massG }) => {
        const useBy = dayOf(sameHourOn(nowMs, left.keepsDays, kitchenZone()));
        return madeLot(left, this.clock.newId(), Math.round(massG), {
          batchId,
          called: titled(left.name),
          note: tell('page.make.finishForm.leftOf', { name }),
          atMs: nowMs,
          useBy,
          ...this.followed().outcome.leftAs,
        });
      });
  }
}
