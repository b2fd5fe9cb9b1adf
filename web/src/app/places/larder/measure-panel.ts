import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  GEAR_TYPES,
  ROUTINES,
  type Gear,
  type LearnedKey,
  type Measured,
  type Routine,
  type UnderWay,
} from '@oat-crock/core';
import { Store } from '@ngrx/store';
import { KitchenClock } from '../../state/kitchen-clock';
import { householdSelectors } from '../../state/household';
import { NumberField } from '../../shared/ui/number-field';
import { Plot } from '../../shared/ui/plot';
import type { PlotSpec } from '../../shared/ui/plot-spec';
import { dayTime, span, temp, wordsOfError } from '../../shared/ui/words';
import { learnedWords } from './learned-words';
import { SaidPipe, tell, SayPipe } from '../../shared/ui/said';

const MIN_MS = 60_000;

/** A short measuring of a piece of gear: what to do, what was noted, the fit drawn, and the figure that is kept. */
@Component({
  selector: 'oc-measure-panel',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, NumberField, Plot, SayPipe],
  templateUrl: './measure-panel.html',
  styleUrl: './measure-panel.css',
})
export class MeasurePanel {
  readonly gear = input.required<Gear>();
  readonly changed = output<Gear>();

  private readonly clock = inject(KitchenClock);
  private readonly settings = inject(Store).selectSignal(householdSelectors.selectSettings);
  protected readonly tempC = signal<number | null>(null);

  protected readonly known = computed(() =>
    GEAR_TYPES[this.gear().kind].learns.map((key) => ({
      key,
      title: ROUTINES[key].title,
      words: learnedWords(key, this.gear().learned[key]),
    })),
  );
  protected readonly under = computed(() => this.gear().measuring ?? null);
  protected readonly routine = computed(() => {
    const under = this.under();
    return under && ROUTINES[under.key];
  });
  /** What is asked besides the temperatures: of what moves with the room, the room. */
  protected readonly asks = computed((): Routine['asks'] =>
    this.gear().kind === 'lamp-oven' ? ['roomC'] : (this.routine()?.asks ?? []),
  );

  private readonly minutes = computed(() => {
    const noted = this.under()?.noted ?? [];
    const first = noted[0]?.atMs ?? 0;
    return noted.map(({ atMs, tempC }) => ({ min: (atMs - first) / MIN_MS, tempC }));
  });
  protected readonly lines = computed(() =>
    (this.under()?.noted ?? []).map(({ atMs, tempC }, i) => ({
      at: dayTime(atMs),
      after:
        i === 0
          ? tell('page.larder.measurePanel.first')
          : tell('page.larder.measurePanel.after', { time: span(this.minutes()[i]!.min) }),
      words: temp(tempC),
    })),
  );

  /** What it comes to so far, or what is still missing, in words. */
  protected readonly result = computed((): { readonly measured: Measured | null; readonly missing: string } => {
    const under = this.under();
    if (!under || under.noted.length === 0) return { measured: null, missing: '' };
    try {
      const { litres, roomC } = under;
      return { measured: ROUTINES[under.key].fit({ noted: this.minutes(), litres, roomC }), missing: '' };
    } catch (error) {
      return { measured: null, missing: wordsOfError(error) };
    }
  });

  protected readonly plot = computed((): PlotSpec | null => {
    const { measured } = this.result();
    const noted = this.minutes();
    if (!measured || noted.length < 2) return null;
    const temps = [...noted, ...measured.curve].map((n) => n.tempC);
    const [low, high] = [Math.min(...temps), Math.max(...temps)];
    const room = Math.max(1, 0.1 * (high - low));
    return {
      words: tell('page.larder.measurePanel.temperaturesNotedFit', { words: measured.words }),
      x: { from: 0, to: Math.max(noted.at(-1)!.min, 1) / 60, kind: 'hours' },
      left: { from: Math.floor(low - room), to: Math.ceil(high + room), unit: '°C' },
      lines: [{ points: measured.curve.map((n) => [n.min / 60, n.tempC] as const), look: 'fact' }],
      dots: noted.map((n) => ({ x: n.min / 60, y: n.tempC, look: 'read', title: temp(n.tempC) })),
    };
  });

  protected begin(key: LearnedKey): void {
    const litres = Math.max(0.05, Math.round((this.gear().holdsL ?? 2) * 0.8 * 20) / 20);
    this.write({ key, litres, roomC: this.settings().roomC, noted: [] });
  }

  protected set(change: Partial<Pick<UnderWay, 'litres' | 'roomC'>>): void {
    const under = this.under();
    if (under) this.write({ ...under, ...change });
  }

  protected noteIt(): void {
    const [under, tempC] = [this.under(), this.tempC()];
    if (!under || tempC === null) return;
    this.write({ ...under, noted: [...under.noted, { atMs: this.clock.exactMs(), tempC }] });
    this.tempC.set(null);
  }

  protected strike(i: number): void {
    const under = this.under();
    if (under) this.write({ ...under, noted: under.noted.toSpliced(i, 1) });
  }

  /** The figure is kept with the gear, and the notes put away. */
  protected keep(): void {
    const [under, { measured }] = [this.under(), this.result()];
    if (!under || !measured) return;
    const learned = {
      value: measured.value,
      sd: measured.sd,
      atMs: this.clock.exactMs(),
      litres: under.litres,
      roomC: under.roomC,
    };
    this.changed.emit({ ...this.gear(), measuring: null, learned: { ...this.gear().learned, [under.key]: learned } });
  }

  protected stop(): void {
    this.changed.emit({ ...this.gear(), measuring: null });
  }

  private write(measuring: UnderWay): void {
    this.changed.emit({ ...this.gear(), measuring });
  }
}
