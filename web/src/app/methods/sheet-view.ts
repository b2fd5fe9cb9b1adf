import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import { kitchenMeasure, leftOf, packWords, type Amount, type MakeSheet } from '@oat-crock/core';
import { hourKind } from '@oat-crock/contract/wire';
import { OwnLarder } from '../larder/own-larder';
import { householdFeature } from '../state/household.feature';
import { factsOf, windowsOf } from './sheet-facts';
import { Plot } from '../ui/plot';
import type { PlotSpec } from '../ui/plot-spec';
import { clockTime, dayTime, mass, span, tasteOf, temp, toFive } from '../ui/words';
import { SaidPipe, say, units } from '../ui/units';

const MIN_MS = 60_000;
/** A make that stays colder than this (°C) scalds nothing. */
const SCALDS_ABOVE_C = 55;

/** Of what is looked at, the changes worth a line on the sheet. */
const EXPECT_SHOWN = new Set(['wobbles', 'leaves the wall', 'tangy']);
/** The make sheet: amounts, the line of heat and souring, hands by the clock, what comes of it and what it costs. */
@Component({
  selector: 'oc-sheet-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, Plot],
  templateUrl: './sheet-view.html',
  styleUrl: './sheet-view.css',
  host: { '(window:beforeprint)': 'onPaper.set(true)', '(window:afterprint)': 'onPaper.set(false)' },
})
export class SheetView {
  readonly sheet = input.required<MakeSheet>();
  /** When it would be begun, ms. */
  readonly startMs = input.required<number>();

  private readonly store = inject(Store);
  private readonly asleep = this.store.selectSignal(householdFeature.selectAsleep);
  private readonly works = this.store.selectSignal(householdFeature.selectWorks);
  private readonly settings = this.store.selectSignal(householdFeature.selectSettings);

  private readonly own = inject(OwnLarder).things;

  /** True while it is printed: cautions are laid open. */
  protected readonly onPaper = signal(false);

  protected readonly mass = mass;
  protected readonly span = span;
  protected readonly hourWords = { night: ' In the night.', off: ' Outside working hours.', work: '' };
  protected readonly tasteOf = tasteOf;

  protected readonly hands = computed(() =>
    this.sheet().stages.map((stage) => {
      const atMs = this.startMs() + stage.beginMin * MIN_MS;
      return {
        ...stage,
        expect: stage.expect
          .filter((e) => EXPECT_SHOWN.has(e.answer))
          .map(
            (e) => `${e.answer} from about ${clockTime(toFive(this.startMs() + e.fromMin * MIN_MS), this.startMs())}`,
          )
          .join(', '),
        at: clockTime(toFive(atMs), this.startMs()),
        hours: hourKind(atMs, this.asleep(), this.works()),
      };
    }),
  );
  /** Amounts in packs where they come out of packs of one's own, and what the larder lacks of them. */
  protected readonly amounts = computed(() => {
    const { everyLot, taken } = this.own();
    return this.sheet().amounts.map((amount) => {
      const lot = amount.lotId === null ? undefined : everyLot[amount.lotId]?.item;
      if (!lot) return { ...amount, kitchen: kitchenWords(amount), lacking: '' };
      const left = Math.max(0, leftOf(lot, taken));
      return {
        ...amount,
        kitchen: lot.pack === null ? kitchenWords(amount) : packWords(amount.massG, lot.pack, mass),
        lacking: amount.massG > left + 1 ? `Only ${mass(left)} of it is there.` : '',
      };
    });
  });
  protected readonly nightHands = computed(() => this.hands().filter((h) => h.hours === 'night').length);

  protected readonly offHands = computed(() => this.hands().filter((h) => h.hours === 'off').length);

  protected readonly windows = computed(() => windowsOf(this.sheet(), this.startMs()));

  protected readonly heat = computed(() => {
    const { heat } = this.sheet();
    const unfolded = `${heat.betaLgPct.toFixed(0)} % of the whey protein`;
    if (heat.peakC < SCALDS_ABOVE_C)
      return `Nothing is heated in this make; ${unfolded} was unfolded before it was bought.`;
    const record = heat.pasteurised
      ? `more heat than ${say(heat.pair ?? '')}, the listed pasteurisation`
      : 'less heat than any listed pasteurisation';
    return `${unfolded} unfolds; ${record}.`;
  });

  /** The line of the first day: temperature, and pH with its spread. */
  protected readonly plot = computed<PlotSpec>(() => {
    const { line, souring } = this.sheet();
    const warmEnd = souring ? souring.beginMin + (souring.forecast.p90Min ?? 600) + 90 : line.at(-1)!.min;
    const to = Math.min(warmEnd, line.at(-1)!.min) / 60;
    const shown = line.filter((p) => p.min / 60 <= to + 0.5);
    const phFrom = 4;
    const phTo = 7;
    const scaled = (ph: number) => ((ph - phFrom) / (phTo - phFrom)) * 100;
    return {
      words: `Temperature and acidity from the start of the make. Heat to ${temp(Math.max(...line.map((p) => p.tempC)))}.`,
      x: { from: 0, to, kind: 'hours' },
      left: { from: 0, to: 100, unit: '°C' },
      right: { from: phFrom, to: phTo, unit: 'pH' },
      bands: souring
        ? [
            {
              points: souring.forecast.fan
                .filter((f) => (souring.beginMin + f.min) / 60 <= to + 0.5)
                .map((f) => [(souring.beginMin + f.min) / 60, scaled(f.p10), scaled(f.p90)] as const),
              look: 'likely' as const,
            },
          ]
        : [],
      lines: [
        { points: shown.map((p) => [p.min / 60, p.tempC] as const), look: 'warm' },
        {
          points: shown.filter((p) => !souring || p.min >= souring.beginMin).map((p) => [p.min / 60, p.ph] as const),
          look: 'fact',
          axis: 'right',
        },
      ],
      rules: souring
        ? [{ y: scaled(souring.targetPh), text: `wanted, pH ${souring.targetPh.toFixed(2)}`, look: 'target' }]
        : [],
      windows:
        souring && souring.forecast.p10Min !== null && souring.forecast.p90Min !== null
          ? [
              {
                from: (souring.beginMin + souring.forecast.p10Min) / 60,
                likely: (souring.beginMin + (souring.forecast.p50Min ?? 0)) / 60,
                until: (souring.beginMin + souring.forecast.p90Min) / 60,
              },
            ]
          : [],
    };
  });

  protected readonly facts = computed(() => factsOf(this.sheet(), this.settings().currency));

  protected readonly ends = computed(() => dayTime(toFive(this.startMs() + this.sheet().totalMin * MIN_MS)));
}

/** An amount by drops, spoons or cups. */
const kitchenWords = ({ measure, volumeMl }: Amount): string =>
  measure === null ? kitchenMeasure(volumeMl, units().volume) : say(measure);
