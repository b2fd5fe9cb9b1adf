import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  linkedSignal,
  signal,
} from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { labelsLieOnPage, type LabelStock } from '@oat-crock/contract/api';
import { countedOf, finishedStockOf, methodOf } from '@oat-crock/core';
import { dequal } from 'dequal/lite';
import { toString as drawCode } from 'qrcode';
import { Paper } from '../../../shared/paper/paper';
import { lotCode } from '../../../shared/ui/lot-code';
import { NumberField } from '../../../shared/ui/number-field';
import { OptionField } from '../../../shared/ui/option-field';
import { named, SayPipe, tell, textOf } from '../../../shared/ui/said';
import { fileName } from '../../../shared/ui/save-file';
import { FollowActions, selectFollowed } from '../../../state/follow.feature';
import { HouseholdActions, householdSelectors } from '../../../state/household';
import { logFeature, selectBatch } from '../../../state/log.feature';
import { LedgerHead } from '../ledger-head';
import { EDGE_MM, fitLabel, MM_PER_PT, NAME_TIMES, xHeightMm } from './label-fit';
import { LABEL_STOCKS, labelPlaces, type LabelStockId } from './label-sheet';
import { codeText, labelParts } from './label-words';
import { textWidth } from './text-width';

/** Width at which a label is shown, px, and the most it is enlarged, px per mm. */
const [SHOWN_PX, MOST_PX_PER_MM] = [460, 7];
/** Letters whose small x is lower than this are smaller than many food codes ask, mm. */
const X_HEIGHT_MM = 1.2;

const MEASURES = [
  ['pageWidthMm', 15, 330],
  ['pageHeightMm', 10, 490],
  ['columns', 1, 30],
  ['rows', 1, 30],
  ['widthMm', 15, 330],
  ['heightMm', 10, 490],
  ['leftMm', 0, 100],
  ['topMm', 0, 100],
  ['gapXMm', 0, 100],
  ['gapYMm', 0, 100],
] as const satisfies readonly (readonly [keyof LabelStock, number, number])[];

/** Labels for the pots of a make: how one looks, what stands on it, and the sheets it is printed on. */
@Component({
  selector: 'oc-labels',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [LedgerHead, NumberField, OptionField, RouterLink, SayPipe],
  templateUrl: './labels.html',
  styleUrl: './labels.css',
})
export class Labels {
  readonly id = input.required<string>();

  private readonly store = inject(Store);
  private readonly paper = inject(Paper);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly widthOf = textWidth();

  private readonly batchOf = computed(() => this.store.selectSignal(selectBatch(this.id())));
  protected readonly batch = computed(() => this.batchOf()());
  /** No make has this id, as the server says. */
  private readonly unknown = this.store.selectSignal(logFeature.selectUnknown);
  protected readonly isUnknown = computed(() => this.unknown().includes(this.id()));
  private readonly followedOf = computed(() => this.store.selectSignal(selectFollowed(this.id())));
  protected readonly followed = computed(() => this.followedOf()());
  protected readonly stockOf = computed(() => {
    const batch = this.batch();
    return batch && finishedStockOf(batch);
  });

  protected readonly name = linkedSignal(() => {
    const batch = this.batch();
    return batch ? named(methodOf(batch).name) : '';
  });
  protected readonly ingredients = signal(true);
  protected readonly nutrition = signal(true);
  protected readonly hasCode = signal(true);
  protected readonly count = linkedSignal<number | null>(() => {
    const stock = this.stockOf();
    return stock?.unit === 'pots' ? Math.max(1, stock.left) : 1;
  });
  protected readonly startAt = signal<number | null>(1);

  protected readonly stock = linkedSignal<LabelStock>(() => this.settings().labelStock ?? LABEL_STOCKS.threeByEight);
  protected readonly stockId = computed(
    () => Object.entries(LABEL_STOCKS).find(([, stock]) => dequal(stock, this.stock()))?.[0] ?? 'own',
  );
  protected readonly stocks = computed(() =>
    [...Object.keys(LABEL_STOCKS), 'own'].map((id) => ({ id, label: tell('page.ledger.labels.stock', { id }) })),
  );
  protected readonly measures = computed(() =>
    MEASURES.map(([key, min, max]) => ({
      ...{ key, min, max, value: this.stock()[key] },
      label: tell('page.ledger.labels.measure', { key }),
      suffix: key === 'columns' || key === 'rows' ? '' : ' mm',
      step: key === 'columns' || key === 'rows' ? 1 : 0.5,
    })),
  );
  protected readonly isOver = computed(() => !labelsLieOnPage(this.stock()));
  protected readonly onPage = computed(() => this.stock().columns * this.stock().rows);

  /** The label as it comes out. */
  protected readonly fitted = computed(() => {
    const [batch, followed, stock] = [this.batch(), this.followed(), this.stockOf()];
    if (!batch || !followed || !stock) return null;
    const eachG = stock.unit === 'pots' ? stock.eachG : followed.outcome.label.netG;
    const parts = labelParts(batch, followed.outcome.label, eachG, this.settings(), {
      name: this.name().trim() || named(methodOf(batch).name),
      ingredients: this.ingredients(),
      nutrition: this.nutrition(),
    });
    return fitLabel(parts, this.stock(), this.hasCode(), this.widthOf);
  });

  protected readonly pxPerMm = computed(() => Math.min(MOST_PX_PER_MM, SHOWN_PX / this.stock().widthMm));
  protected readonly EDGE_MM = EDGE_MM;
  protected readonly sizePx = (isName: boolean, fontPt: number) =>
    fontPt * (isName ? NAME_TIMES : 1) * MM_PER_PT * this.pxPerMm();

  protected readonly code = signal('');
  /** What is to be known of how it comes out. */
  protected readonly notes = computed((): readonly string[] => {
    const fitted = this.fitted();
    if (!fitted) return [];
    const xMm = xHeightMm(fitted.fontPt);
    return [
      fitted.fits ? '' : tell('page.ledger.labels.runsOver'),
      ...fitted.leftOut.map((is) => tell('page.ledger.labels.leftOut', { is })),
      this.hasCode() && fitted.codeMm === 0 ? tell('page.ledger.labels.noRoomForCode') : '',
      xMm < X_HEIGHT_MM ? tell('page.ledger.labels.small', { mm: Math.round(10 * xMm) / 10 }) : '',
      this.batch()?.ended?.how === 'finished' && this.stockOf()?.useBy === null
        ? tell('page.ledger.labels.noDate')
        : '',
      this.settings().dairyName ? '' : tell('page.ledger.labels.noMaker'),
    ].filter(Boolean);
  });

  /** The first sheet, small: which of its labels are printed. */
  protected readonly sheet = computed(() => {
    const stock = this.stock();
    const printed = new Set(
      this.isOver()
        ? []
        : labelPlaces(stock, this.count() ?? 0, this.startAt() ?? 1)
            .filter(({ page }) => page === 0)
            .map(({ leftMm, topMm }) => `${leftMm} ${topMm}`),
    );
    return labelPlaces(stock, this.onPage()).map((place, i) => ({
      ...place,
      nth: i + 1,
      isPrinted: printed.has(`${place.leftMm} ${place.topMm}`),
    }));
  });
  protected readonly counted = computed(() => {
    const stock = this.stockOf();
    return stock ? textOf(countedOf(stock, stock.left)) : '';
  });
  protected readonly lot = computed(() => (this.batch() ? lotCode(this.batch()!) : ''));
  protected readonly busy = signal(false);
  protected readonly wrong = signal('');

  constructor() {
    effect(() => this.store.dispatch(FollowActions.wanted({ batchId: this.id() })));
    effect(() => {
      const batch = this.batch();
      if (!batch) return;
      void drawCode(codeText(batch, location), { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }).then((svg) =>
        this.code.set(svg),
      );
    });
  }

  protected readonly codeUrl = computed(() => `data:image/svg+xml,${encodeURIComponent(this.code())}`);

  protected choose(id: string): void {
    if (id in LABEL_STOCKS) this.stock.set(LABEL_STOCKS[id as LabelStockId]);
  }

  protected measure(key: keyof LabelStock, value: number | null): void {
    if (value !== null) this.stock.update((stock) => ({ ...stock, [key]: value }));
  }

  protected async print(): Promise<void> {
    const [fitted, count, startAt] = [this.fitted(), this.count(), this.startAt()];
    if (!fitted || !count || !startAt || this.isOver()) return;
    this.busy.set(true);
    this.keepStock();
    try {
      const { labelPaper } = await import('./label-paper');
      const title = tell('page.ledger.labels.file', { lot: this.lot() });
      await this.paper.save(
        fileName(title),
        labelPaper(title, this.stock(), fitted, this.code(), { count, startAt }),
        'as it is',
      );
      this.wrong.set('');
    } catch {
      this.wrong.set(tell('page.ledger.deliveries.notSet'));
    }
    this.busy.set(false);
  }

  /** What was printed on is what the household has. */
  private keepStock(): void {
    if (dequal(this.settings().labelStock, this.stock())) return;
    this.store.dispatch(HouseholdActions.labelStockWanted({ labelStock: this.stock() }));
  }
}
