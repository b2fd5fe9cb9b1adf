import { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import type { ArchiveReport, Problem } from '@oat-crock/contract/api';
import { ApiClient } from '../../state/api-client';
import { SayPipe, tell } from '../../shared/ui/said';
import { written } from '../../shared/ui/dates';
import { amount } from '../../shared/ui/words';
import { LedgerHead } from './ledger-head';
import { Backups } from './backups';
import { ArchiveOut } from './archive-out';

/** The whole dairy as one open file, out and in. */
@Component({
  selector: 'oc-archive',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [ArchiveOut, Backups, LedgerHead, SayPipe],
  templateUrl: './archive.html',
  styleUrl: './archive.css',
})
export class ArchiveView {
  private readonly wire = inject(ApiClient);
  protected readonly file = signal<File | null>(null);
  /** How much of the file has been sent, 0 to 1; null while nothing is. */
  protected readonly sent = signal<number | null>(null);
  protected readonly tried = signal<ArchiveReport | null>(null);
  protected readonly done = signal(false);
  protected readonly wrong = signal('');

  protected readonly rows = computed(() =>
    (this.tried()?.tables ?? []).map(({ table, ...counts }) => ({
      ...counts,
      name: tell('page.ledger.archive.table', { table: table.replace('-', '') }),
    })),
  );
  protected readonly brings = computed(() => (this.tried()?.tables ?? []).some((t) => t.new + t.other > 0));
  protected readonly from = computed(() => {
    const report = this.tried();
    return report ? tell('page.ledger.archive.writtenOn', { day: written(report.writtenMs, 'dayYear') }) : '';
  });
  protected readonly progress = computed(() => {
    const [share, file] = [this.sent(), this.file()];
    if (share === null || !file) return '';
    return share < 1
      ? tell('page.ledger.archive.sending', { percent: amount(Math.round(100 * share), '%') })
      : tell('page.ledger.archive.reading');
  });

  protected choose(files: FileList | null): void {
    const file = files?.[0] ?? null;
    this.file.set(file);
    this.tried.set(null);
    this.done.set(false);
    this.wrong.set('');
    if (file) void this.send(file, true);
  }

  protected takeIn(): void {
    const file = this.file();
    if (file) void this.send(file, false);
  }

  private async send(file: File, dry: boolean): Promise<void> {
    this.sent.set(0);
    this.wrong.set('');
    try {
      this.tried.set(await this.wire.sendArchive(file, dry, (share) => this.sent.set(share)));
      this.done.set(!dry);
    } catch (error) {
      this.tried.set(null);
      this.wrong.set(whyNot(error));
    } finally {
      this.sent.set(null);
    }
  }
}

/** Why an archive was not taken, in the server's own words where it had any. */
function whyNot(error: unknown): string {
  const problem = error instanceof HttpErrorResponse ? (error.error as Problem | null) : null;
  const [first] = problem?.errors ?? [];
  if (first) return `${first.message} ${first.remedy}`;
  return problem?.detail ?? tell('page.ledger.archive.noAnswer');
}
