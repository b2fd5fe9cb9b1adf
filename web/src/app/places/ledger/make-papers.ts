import { inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { finishedStockOf, methodOf, type Batch, type Followed } from '@oat-crock/core';
import { toString as drawCode } from 'qrcode';
import { Engine } from '../../engine/engine';
import { householdSelectors } from '../../state/household';
import { KitchenClock } from '../../state/kitchen-clock';
import { recordsFeature } from '../../state/records.feature';
import { WholeMakes } from '../../state/whole-makes';
import { Paper } from '../../shared/paper/paper';
import { lotCode } from '../../shared/ui/lot-code';
import { named } from '../../shared/ui/said';
import { fitLabel } from './labels/label-fit';
import { LABEL_STOCKS } from './labels/label-sheet';
import { codeText, labelParts } from './labels/label-words';
import { textWidth } from './labels/text-width';

/** A page of a make as a file. */
export interface MakePaper {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** The papers of makes as PDFs, one make after the other: what takes them says when to go on. */
@Injectable({ providedIn: 'root' })
export class MakePapers {
  private readonly store = inject(Store);
  private readonly lots = this.store.selectSignal(recordsFeature.selectLots);
  private readonly settings = this.store.selectSignal(householdSelectors.selectSettings);
  private readonly whole = inject(WholeMakes);
  private readonly engine = inject(Engine);
  private readonly paper = inject(Paper);
  private readonly clock = inject(KitchenClock);

  /** The record of a make. Null where its log tells none; rejects where the server does not answer. */
  async record(id: string): Promise<MakePaper | null> {
    const told = await this.followed(id);
    return told && this.recordOf(told.batch, told.followed);
  }

  /** All papers of a make: its record and, of what came of it, a label of the household's own size. */
  async all(id: string): Promise<readonly MakePaper[]> {
    const told = await this.followed(id);
    if (!told) return [];
    const label = await this.labelOf(told.batch, told.followed);
    return [await this.recordOf(told.batch, told.followed), ...(label ? [label] : [])];
  }

  private async followed(id: string): Promise<{ readonly batch: Batch; readonly followed: Followed } | null> {
    const whole = await this.whole.read(id);
    if (!whole) return null;
    const { batch, house } = whole;
    return { batch, followed: await this.engine.follow(batch, this.clock.nowMs(), 'look', house) };
  }

  private async recordOf(batch: Batch, followed: Followed): Promise<MakePaper> {
    const { recordPaper } = await import('../../shared/log/record-paper');
    const head = { method: named(methodOf(batch).name), nowMs: this.clock.nowMs(), lots: this.lots() };
    return {
      name: `record-${lotCode(batch)}.pdf`,
      bytes: await this.paper.bytes(recordPaper(batch, followed, head)),
    };
  }

  private async labelOf(batch: Batch, followed: Followed): Promise<MakePaper | null> {
    const stock = finishedStockOf(batch);
    if (!stock) return null;
    const { label } = followed.outcome;
    const { widthMm, heightMm } = this.settings().labelStock ?? LABEL_STOCKS.threeByEight;
    const single = {
      ...{ pageWidthMm: widthMm, pageHeightMm: heightMm, columns: 1, rows: 1, widthMm, heightMm },
      ...{ leftMm: 0, topMm: 0, gapXMm: 0, gapYMm: 0 },
    };
    const wish = { name: named(methodOf(batch).name), ingredients: true, nutrition: true };
    const parts = labelParts(batch, label, stock.unit === 'pots' ? stock.eachG : label.netG, this.settings(), wish);
    const fitted = fitLabel(parts, single, true, textWidth());
    const [code, { labelPaper }] = await Promise.all([
      drawCode(codeText(batch, location), { type: 'svg', margin: 0, errorCorrectionLevel: 'M' }),
      import('./labels/label-paper'),
    ]);
    const page = labelPaper(lotCode(batch), single, fitted, code, { count: 1, startAt: 1 });
    return { name: `label-${lotCode(batch)}.pdf`, bytes: await this.paper.bytes(page, 'as it is') };
  }
}
