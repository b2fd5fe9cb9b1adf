import { ChangeDetectionStrategy, Component, inject, signal, type OnDestroy } from '@angular/core';
import type { MakesAsked } from '@oat-crock/contract/api';
import { MAKE_STATES } from '@oat-crock/core';
import { ApiClient } from '../../state/api-client';
import { KitchenClock } from '../../state/kitchen-clock';
import { dayOf } from '../../shared/ui/days';
import { saveFile } from '../../shared/ui/save-file';
import { SayPipe, tell } from '../../shared/ui/said';
import { MakePapers, type MakePaper } from './make-papers';
import { PeriodForm } from './period-form';

/** Tables that a spreadsheet reads alone. */
const TABLES = ['makes', 'movements', 'readings'] as const;
/** So many makes are asked for at once. */
const PART = 500;
/** Makes that have papers: those that came to an end. */
const ENDED = MAKE_STATES.filter((state) => state !== 'on');

/** The whole dairy taken out: as one open file, with the papers of each make where they are wanted, and its tables alone. */
@Component({
  selector: 'oc-archive-out',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [PeriodForm, SayPipe],
  template: `
    <h2>{{ 'page.ledger.archive.out' | say }}</h2>
    <p>{{ 'page.ledger.archive.outWhy' | say }}</p>
    <p>
      <a class="act" href="/api/v1/archive" download>{{ 'page.ledger.archive.takeOut' | say }}</a>
    </p>
    <p>
      <button type="button" class="press line-press" (click)="progress() ? stop() : takeOutWithPapers()">
        {{ (progress() ? 'page.ledger.archive.stop' : 'page.ledger.archive.takeOutWithPapers') | say }}
      </button>
      <span role="status">{{ progress() }}</span>
    </p>
    @if (wrong()) {
      <p class="wrong" role="alert">{{ wrong() }}</p>
    }
    <h3>{{ 'page.ledger.archive.forSpreadsheet' | say }}</h3>
    <ul>
      @for (table of TABLES; track table) {
        <li>
          <a [href]="'/api/v1/tables/' + table + '.csv'" download>{{ 'page.ledger.archive.csv' | say: { table } }}</a>
        </li>
      }
    </ul>
    <oc-period-form />
  `,
  styleUrl: './archive.css',
})
export class ArchiveOut implements OnDestroy {
  private readonly wire = inject(ApiClient);
  private readonly papers = inject(MakePapers);
  private readonly clock = inject(KitchenClock);
  protected readonly TABLES = TABLES;
  protected readonly progress = signal('');
  protected readonly wrong = signal('');
  /** The work that goes on; another number, and it is given up. */
  private turn = 0;

  ngOnDestroy(): void {
    this.stop();
  }

  protected stop(): void {
    this.turn++;
    this.progress.set('');
  }

  protected async takeOutWithPapers(): Promise<void> {
    const turn = ++this.turn;
    this.wrong.set('');
    this.progress.set(tell('page.ledger.archive.fetching'));
    try {
      const [before, { zipOf }] = await Promise.all([this.wire.archive(), import('./zip-file')]);
      const zip = await zipOf(this.eachPaper(turn), { before, folder: 'paper/' });
      if (turn === this.turn) saveFile(`oat-crock-${dayOf(this.clock.nowMs())}.zip`, zip);
    } catch {
      if (turn === this.turn) this.wrong.set(tell('page.ledger.archive.papersNotSet'));
    }
    if (turn === this.turn) this.progress.set('');
  }

  /** The papers of each make that ended, one after the other. */
  private async *eachPaper(turn: number): AsyncGenerator<MakePaper> {
    let [done, all] = [0, 0];
    do {
      const found = await this.wire.makes({ ...EVERY_MAKE, states: ENDED, skip: done, take: PART });
      all = found.found;
      for (const { id } of found.makes) {
        if (turn !== this.turn) return;
        this.progress.set(tell('page.ledger.archive.settingPapers', { done, all }));
        yield* await this.papers.all(id);
        done++;
      }
      if (found.makes.length === 0) return;
    } while (done < all);
  }
}

/** Every make, the oldest first. */
const EVERY_MAKE: Omit<MakesAsked, 'states' | 'skip' | 'take'> = {
  ...{ find: '', methodId: null, fromMs: null, untilMs: null, taste: null },
  ...{ sort: 'started', descending: false },
};
