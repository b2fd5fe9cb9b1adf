import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { replay, type Batch, type MakeLine } from '@oat-crock/core';
import { Store } from '@ngrx/store';
import { recordsFeature } from '../../state/records.feature';
import { ApiClient } from '../../state/api-client';
import { KitchenClock } from '../../state/kitchen-clock';
import { Paper } from '../../shared/paper/paper';
import { DayField } from '../../shared/ui/day-field';
import { dayOf, noonOf } from '../../shared/ui/days';
import { MakePapers, type MakePaper } from './make-papers';
import { fileName, saveFile } from '../../shared/ui/save-file';
import { SayPipe, tell } from '../../shared/ui/said';

const DAY_MS = 86_400_000;
/** So many days are offered first. */
const DAYS = 30;
/** So many makes are put on paper at the most, and so many asked for at once. */
const MOST = 500;
const AT_ONCE = 6;

/** Some days on paper, for an inspector or a bookkeeper: from, until, and the page. */
@Component({
  selector: 'oc-period-form',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [DayField, SayPipe],
  template: `
    <h2>{{ 'page.ledger.period.onPaper' | say }}</h2>
    <p>{{ 'page.ledger.period.why' | say }}</p>
    <div class="days">
      <label for="period-from">{{ 'page.ledger.period.from' | say }}</label>
      <oc-day-field fieldId="period-from" [atMs]="fromMs()" (changed)="$event !== null && fromMs.set($event)" />
      <label for="period-until">{{ 'page.ledger.period.until' | say }}</label>
      <oc-day-field fieldId="period-until" [atMs]="untilMs()" (changed)="$event !== null && untilMs.set($event)" />
    </div>
    @if (says()) {
      <p [attr.role]="isWrong() ? 'alert' : 'status'" [class.wrong]="isWrong()">{{ says() }}</p>
    }
    <div class="days">
      <button type="button" class="press line-press" [disabled]="busy()" (click)="print()">
        {{ 'page.ledger.period.print' | say }}
      </button>
      <button type="button" class="press quiet-press" [disabled]="busy()" (click)="records()">
        {{ 'page.ledger.period.records' | say }}
      </button>
    </div>
  `,
  styles: `
    .days {
      display: grid;
      grid-template-columns: max-content minmax(0, 14rem);
      gap: 0.4rem 0.8rem;
      align-items: center;
      margin: 0.5rem 0;
    }
    h2 {
      margin: 1.6rem 0 0.3rem;
    }
    .wrong {
      color: var(--brick);
    }
  `,
})
export class PeriodForm {
  private readonly wire = inject(ApiClient);
  private readonly gear = inject(Store).selectSignal(recordsFeature.selectGearHere);
  private readonly papers = inject(MakePapers);
  private readonly paper = inject(Paper);
  private readonly clock = inject(KitchenClock);
  protected readonly fromMs = signal(noonOf(dayOf(this.clock.nowMs() - DAYS * DAY_MS)));
  protected readonly untilMs = signal(noonOf(dayOf(this.clock.nowMs())));
  protected readonly busy = signal(false);
  protected readonly says = signal('');
  protected readonly isWrong = signal(false);

  /** One page of these days. */
  protected print(): Promise<void> {
    return this.hand(async (fromMs, untilMs) => {
      const batches = await this.makes(fromMs, untilMs);
      const { periodPaper } = await import('./period-paper');
      const shelves = this.gear().filter(({ kind }) => kind === 'cold-shelf');
      const page = periodPaper({ fromMs, untilMs, nowMs: this.clock.nowMs(), batches, shelves });
      await this.paper.save(fileName(tell('page.ledger.period.file', this.days())), page);
      return batches.length;
    });
  }

  /** The record of each make of these days, as one file of PDFs. */
  protected records(): Promise<void> {
    return this.hand(async (fromMs, untilMs) => {
      const [{ zipOf }, lines] = await Promise.all([import('./zip-file'), this.lines(fromMs, untilMs)]);
      const zip = await zipOf(this.recordsOf(lines));
      saveFile(`${fileName(tell('page.ledger.period.recordsFile', this.days()))}.zip`, zip);
      return lines.length;
    });
  }

  private async *recordsOf(lines: readonly MakeLine[]): AsyncGenerator<MakePaper> {
    for (const [done, { id }] of lines.entries()) {
      this.say(tell('page.ledger.period.setting', { done, all: lines.length }), false);
      const record = await this.papers.record(id);
      if (record) yield record;
    }
  }

  private readonly days = () => ({ from: dayOf(this.fromMs()), until: dayOf(this.untilMs()) });

  /** Makes something of these days and hands it out, or says why not. */
  private async hand(make: (fromMs: number, untilMs: number) => Promise<number>): Promise<void> {
    if (this.untilMs() < this.fromMs()) {
      this.say(tell('page.ledger.period.untilBeforeFrom'), true);
      return;
    }
    this.busy.set(true);
    try {
      const makes = await make(this.fromMs(), this.untilMs());
      this.say(makes === MOST ? tell('page.ledger.period.onlySoMany', { most: MOST }) : '', true);
    } catch {
      this.say(tell('page.ledger.period.notSet'), true);
    } finally {
      this.busy.set(false);
    }
  }

  /** The makes that were begun from one day to another. */
  private async lines(fromMs: number, untilMs: number): Promise<readonly MakeLine[]> {
    const all = { find: '', states: [], methodId: null, taste: null, sort: 'started', descending: false } as const;
    const [from, until] = [Math.round(fromMs - DAY_MS / 2), Math.round(untilMs + DAY_MS / 2)];
    return (await this.wire.makes({ ...all, fromMs: from, untilMs: until, skip: 0, take: MOST })).makes;
  }

  /** The same, whole, in order. */
  private async makes(fromMs: number, untilMs: number): Promise<readonly Batch[]> {
    const makes = await this.lines(fromMs, untilMs);
    const batches: Batch[] = [];
    for (let from = 0; from < makes.length; from += AT_ONCE) {
      this.say(tell('page.ledger.period.reading', { done: from, all: makes.length }), false);
      const logs = await Promise.all(makes.slice(from, from + AT_ONCE).map(({ id }) => this.wire.batch(id)));
      batches.push(...logs.flatMap((log) => replay(log) ?? []));
    }
    return batches;
  }

  private say(words: string, isWrong: boolean): void {
    this.says.set(words);
    this.isWrong.set(isWrong);
  }
}
