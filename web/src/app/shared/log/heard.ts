import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router } from '@angular/router';
import { Store } from '@ngrx/store';
import { filter } from 'rxjs';
import { followFeature } from '../../state/follow.feature';
import { Logger } from '../../state/logger';
import { logFeature } from '../../state/log.feature';
import { SaidPipe, SayPipe, tell } from '../ui/said';
import { entryWords } from './entry-words';
import { lineNamesIn } from './timed-log';

/** What the engine says to the line that was logged here last: whether it matters, and what to do. It stands until it is read. */
@Component({
  selector: 'oc-heard',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SaidPipe, SayPipe],
  template: `
    <div role="status">
      @if (reply(); as reply) {
        <p [class]="reply.tone">
          <span>
            <b>{{ reply.heading }}</b> {{ reply.says | said }}
          </span>
          <button type="button" (click)="logger.heard.set(null)">{{ 'page.log.heard.allRight' | say }}</button>
        </p>
      }
    </div>
  `,
  styleUrl: './heard.css',
  // The page leaves room beneath for it, so that nothing stays covered.
  host: { '[class.speaks]': 'reply() !== null' },
})
export class HeardLine {
  private readonly store = inject(Store);
  protected readonly logger = inject(Logger);
  private readonly followed = this.store.selectSignal(followFeature.selectByBatch);
  private readonly batches = this.store.selectSignal(logFeature.selectBatches);

  protected readonly reply = computed(() => {
    const heard = this.logger.heard();
    if (!heard) return null;
    const batch = this.batches().find((b) => b.id === heard.batchId);
    const line = batch?.log.find((l) => l.entry.id === heard.entryId);
    const reply = this.followed()[heard.batchId]?.replies.find((r) => r.entryId === heard.entryId);
    if (!batch || !line || !reply) return null;
    const words = entryWords(line.now ?? line.entry.body, lineNamesIn(batch));
    return { ...reply, heading: tell('page.log.heard.line', { name: batch.name, words }) };
  });

  constructor() {
    inject(Router)
      .events.pipe(
        filter((event) => event instanceof NavigationEnd),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.logger.heard.set(null));
  }
}
