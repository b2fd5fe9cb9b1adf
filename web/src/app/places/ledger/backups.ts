import { HttpErrorResponse } from '@angular/common/http';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { Store } from '@ngrx/store';
import type { KeptBackup } from '@oat-crock/contract/api';
import { say } from '@oat-crock/core';
import { ApiClient } from '../../state/api-client';
import { BackupActions, backupsFeature } from '../../state/backups.feature';
import { written } from '../../shared/ui/dates';
import { SayPipe, tell, textOf } from '../../shared/ui/said';
import { amount, number } from '../../shared/ui/words';

const NOT_FOUND = 404;
const KB = 1000;

/** A file's size: "3.4 MB". */
function sizeOf(bytes: number): string {
  if (bytes < KB ** 2) return `${number(bytes / KB, 0)} kB`;
  return bytes < KB ** 3 ? `${number(bytes / KB ** 2, 1)} MB` : `${number(bytes / KB ** 3, 1)} GB`;
}

/** How the data are kept safe: the last backup and what came of it, one made now, and those there are. */
@Component({
  selector: 'oc-backups',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe],
  templateUrl: './backups.html',
  styleUrls: ['./archive.css', './backups.css'],
})
export class Backups {
  private readonly store = inject(Store);
  private readonly wire = inject(ApiClient);
  protected readonly kept = this.store.selectSignal(backupsFeature.selectSafekeeping);
  private readonly last = this.store.selectSignal(backupsFeature.selectLast);
  /** Why nothing can be shown, in words; empty where it can, or is being asked for. */
  protected readonly wrong = signal('');

  protected readonly lastWords = computed(() => {
    const last = this.last();
    if (!last) return tell('page.ledger.backups.none');
    const when = written(last.atMs, 'record');
    if (last.wrong.length > 0) return tell('page.ledger.backups.lastWrong', { when });
    const { makes, lines, bytes } = last;
    const counted = say('safe.counted', { makes, lines });
    return tell('page.ledger.backups.lastSound', { when, counted, size: sizeOf(bytes) });
  });
  protected readonly troubles = computed(() => (this.last()?.wrong ?? []).map((text) => textOf(text)));
  protected readonly progress = computed(() => {
    const share = this.kept()?.share ?? null;
    return share === null ? '' : tell('page.ledger.backups.making', { percent: amount(Math.round(100 * share), '%') });
  });
  protected readonly rows = computed(() => (this.kept()?.backups ?? []).map(rowOf));

  constructor() {
    this.wire.backups().then(
      (safekeeping) => this.store.dispatch(BackupActions.received({ safekeeping })),
      (error: unknown) => {
        const isNone = error instanceof HttpErrorResponse && error.status === NOT_FOUND;
        this.wrong.set(tell(isNone ? 'page.ledger.backups.notHere' : 'page.ledger.backups.unknown'));
      },
    );
  }

  /** What comes of it is told as it happens, and stays: it is not asked for twice. */
  protected make(): void {
    this.wrong.set('');
    this.wire.backUp().catch((error: unknown) => {
      const isTold = error instanceof HttpErrorResponse && error.status >= 500;
      if (!isTold) this.wrong.set(tell('page.ledger.archive.noAnswer'));
    });
  }
}

function rowOf({ name, atMs, why, bytes }: KeptBackup) {
  return {
    name,
    when: written(atMs, 'record'),
    why: tell(`page.ledger.backups.by.${why}`),
    size: sizeOf(bytes),
    href: `/api/v1/backups/${encodeURIComponent(name)}`,
  };
}
