import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, input, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { MakeSheet } from '@oat-crock/core';
import { OwnLarder } from '../../state/own-larder';
import { householdSelectors } from '../../state/household';
import { LearnedLines } from '../../shared/learned/learned-lines';
import { whyWide } from '../../shared/learned/learned-sentences';
import { inked } from '../../shared/paper/inked';
import { clockTime, longDay } from '../../shared/ui/words';
import { Plot } from '../../shared/ui/plot';
import { sheetPlot } from './sheet-plot';
import type { SheetHead } from './sheet-paper';
import { sheetWords } from './sheet-words';
import { SayPipe } from '../../shared/ui/said';

/** The make sheet: amounts, the line of heat and souring, hands by the clock, what comes of it and what it costs. */
@Component({
  selector: 'oc-sheet-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LearnedLines, Plot, SayPipe],
  templateUrl: './sheet-view.html',
  styleUrl: './sheet-view.css',
  host: { '(window:beforeprint)': 'onPaper.set(true)', '(window:afterprint)': 'onPaper.set(false)' },
})
export class SheetView {
  readonly sheet = input.required<MakeSheet>();
  /** When it would be begun, ms. */
  readonly startMs = input.required<number>();

  private readonly host: ElementRef<HTMLElement> = inject(ElementRef);
  private readonly store = inject(Store);
  private readonly asleep = this.store.selectSignal(householdSelectors.selectAsleep);
  private readonly works = this.store.selectSignal(householdSelectors.selectWorks);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly own = inject(OwnLarder).things;

  /** True while it is printed: cautions are laid open. */
  protected readonly onPaper = signal(false);

  protected readonly wide = computed(() => whyWide(this.sheet()));

  readonly words = computed(() => {
    const { currency } = this.settings();
    const begun = { startMs: this.startMs(), asleep: this.asleep(), works: this.works(), currency };
    return sheetWords(this.sheet(), begun, this.own());
  });
  protected readonly plot = computed(() => sheetPlot(this.sheet()));

  /** What heads the sheet on paper, and its drawing. */
  head(name: string): Omit<SheetHead, 'title'> {
    const drawing = this.host.nativeElement.querySelector<SVGSVGElement>('oc-plot svg')!;
    return {
      name,
      begun: `${longDay(this.startMs())}, ${clockTime(this.startMs(), this.startMs())}`,
      drawing: inked(drawing),
    };
  }
}
