import { roomToPlanFor } from '@oat-crock/calendar';
import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import { grainsPctFor, growthOf, spareGrainsG, usualMilkG, type Due, percent, temp as tempOf } from '@oat-crock/core';
import { KitchenClock } from '../../state/kitchen-clock';
import { selectKitchen } from '../../state/kitchen';
import { logFeature } from '../../state/log.feature';
import { roomFeature } from '../../state/room.feature';
import { tell, SayPipe } from '../../shared/ui/said';
import { mass } from '../../shared/ui/words';
import { GenerationPlot, type Mark } from './generation-plot';
import { OwnCultures } from '../../state/own-cultures';

/** Fewer spare grains than this are none, g. */
const WORTH_G = 5;

/** What is peculiar to grains: how they grow, what milk they want in this season, what of them is spare. */
@Component({
  selector: 'oc-grain-care',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [GenerationPlot, SayPipe],
  template: `
    <section aria-labelledby="growth-title">
      <h3 id="growth-title">{{ 'page.cultures.grainCare.howTheyGrow' | say }}</h3>
      @if (marks().length) {
        <oc-generation-plot
          [marks]="marks()"
          unit=" g"
          [caption]="'page.cultures.grainCare.grainsAfterEachBatch' | say"
          [says]="weighed"
        />
      }
      <p class="quiet">{{ 'page.cultures.grainCare.neverRinseThemCurd' | say: { growth: growth() } }}</p>
      <p>{{ wants() }}</p>
      @if (spareG() >= least) {
        <button type="button" class="press line-press" (click)="spare.emit(spareG())">
          {{ 'page.cultures.grainCare.divideOffSpare' | say: { spare: mass(spareG()) } }}
        </button>
      }
    </section>
  `,
})
export class GrainCare {
  readonly due = input.required<Due>();
  /** So much is spare, g, and is to be divided off. */
  readonly spare = output<number>();
  private readonly own = inject(OwnCultures);
  private readonly clock = inject(KitchenClock);
  private readonly store = inject(Store);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);
  private readonly settings = this.store.selectSignal(selectKitchen);
  private readonly room = this.store.selectSignal(roomFeature.selectReadings);

  protected readonly least = WORTH_G;
  private readonly line = computed(() => this.own.lineOf(this.due().lot));
  private readonly grew = computed(() => growthOf(this.line(), this.batches()));
  protected readonly marks = computed(() =>
    this.grew().map(({ batchId: id, toG: value }, i) => ({ id, generation: i + 1, value })),
  );
  protected readonly weighed = ({ value }: Mark) => mass(value);
  protected readonly growth = computed(() => {
    const grew = this.grew();
    if (grew.length === 0) return tell('page.cultures.grainCare.grainsGrowBatchWeigh');
    const [first, last] = [grew[0]!, grew.at(-1)!];
    const meanPct = grew.reduce((sum, g) => sum + g.grewPct, 0) / grew.length;
    return tell('page.cultures.grainCare.grew', {
      by: percent(meanPct, 0),
      batches: grew.length,
      from: mass(first.fromG),
      to: mass(last.toG),
    });
  });
  private readonly roomC = computed(() => roomToPlanFor(this.settings(), this.room(), this.hourMs()));
  private readonly hourMs = computed(() => Math.floor(this.clock.nowMs() / 3_600_000) * 3_600_000);
  private readonly milkG = computed(() => usualMilkG(this.line(), this.batches()));
  protected readonly spareG = computed(() => {
    const milkG = this.milkG();
    return milkG === null ? 0 : Math.floor(spareGrainsG(this.due().leftG, milkG, this.roomC()));
  });
  protected readonly wants = computed(() => {
    const [pct, milkG, { leftG }] = [grainsPctFor(this.roomC()), this.milkG(), this.due()];
    const feeds = tell('page.cultures.grainCare.feeds', {
      room: tempOf(this.roomC()),
      share: percent(pct),
      grains: mass(leftG),
      milk: mass((100 * leftG) / pct),
    });
    if (milkG === null) return feeds;
    const usual = mass(milkG);
    const spare =
      this.spareG() >= WORTH_G
        ? tell('page.cultures.grainCare.spare', { usual, spare: mass(this.spareG()) })
        : tell('page.cultures.grainCare.noneSpare', { usual });
    return `${feeds} ${spare}`;
  });

  protected readonly mass = mass;
}
