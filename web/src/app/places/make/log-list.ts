import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import type { Batch, LogLine, Reply } from '@oat-crock/core';
import { Logger } from '../../state/logger';
import { OwnLarder } from '../../state/own-larder';
import { LogPadState, type PadTab } from '../../shared/log/log-pad.state';
import { entryWords } from '../../shared/log/entry-words';
import { lineNamesIn } from '../../shared/log/timed-log';
import { writtenLater } from '../../shared/log/written-later';
import { dayTime } from '../../shared/ui/words';
import { SaidPipe, SayPipe } from '../../shared/ui/said';

/** Lines shown before the rest is asked for. */
const SHOWN = 40;

/** The log as an honest list: what was corrected stays, struck through, with what it says now. */
@Component({
  selector: 'oc-log-list',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  templateUrl: './log-list.html',
  styleUrl: './log-list.css',
})
export class LogList {
  readonly batch = input.required<Batch>();
  readonly doubtful = input<readonly string[]>([]);
  /** What the engine says to its lines. */
  readonly replies = input<readonly Reply[]>([]);
  private readonly logger = inject(Logger);
  private readonly pad = inject(LogPadState);
  protected readonly all = signal(false);
  protected readonly handsOnly = signal(true);

  protected readonly lines = computed(() =>
    this.batch()
      .log.filter((l) => l.fate !== 'is a correction' && (!this.handsOnly() || l.entry.source === 'hand'))
      .toReversed()
      .slice(0, this.all() ? undefined : SHOWN)
      .map((line) => ({
        line,
        at: dayTime(line.atMs),
        written: writtenLater(line),
        words: entryWords(line.entry.body, this.names()),
        now: line.now ? entryWords(line.now, this.names()) : null,
        doubtful: this.doubtful().includes(line.entry.id),
        reply: this.replies().find((r) => r.entryId === line.entry.id) ?? null,
        correctable: this.tabOf(line) !== null,
      })),
  );
  protected readonly more = computed(
    () => this.batch().log.filter((l) => !this.handsOnly() || l.entry.source === 'hand').length > SHOWN && !this.all(),
  );

  private readonly lots = inject(OwnLarder).things;
  private readonly names = computed(() => lineNamesIn(this.batch(), this.lots().everyLot));

  protected tabOf(line: LogLine): PadTab | null {
    const { body, source } = line.entry;
    if (line.fate === 'taken back' || source !== 'hand') return null;
    if (body.type === 'reading') return body.quantity === 'productG' ? null : body.quantity;
    if (body.type === 'added') return `added ${body.what}`;
    return body.type === 'cue' || body.type === 'note' ? body.type : null;
  }

  /** Gives a line another time. */
  protected retime(line: LogLine): void {
    this.pad.open(this.batch().id, 'time', line.entry.id);
  }

  protected correct(line: LogLine): void {
    const tab = this.tabOf(line);
    if (tab) this.pad.open(this.batch().id, tab, line.entry.id);
  }

  protected takeBack(line: LogLine): void {
    this.logger.write(this.batch().id, { type: 'correction', replaces: line.entry.id, body: null });
  }
}
