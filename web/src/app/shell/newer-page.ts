import { computed, inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { SwUpdate } from '@angular/service-worker';
import { Store } from '@ngrx/store';
import { EMPTY, filter, map } from 'rxjs';
import { pageFeature } from '../state/page.feature';

/** The main script that this page runs; empty where it is none of a built page. */
const ownScript = () =>
  /main[\w-]*\.js$/.exec(document.querySelector<HTMLScriptElement>('script[src*="main"]')?.src ?? '')?.[0] ?? '';

/** Windows over the page: what is typed in them is kept nowhere until they are done with. Forms of the places are. */
const OPEN_WINDOW = '.p-dialog';

/** Whether a newer page is there than this one, and how it is taken. */
@Injectable({ providedIn: 'root' })
export class NewerPage {
  /** Absent where the page is no app. */
  private readonly worker = inject(SwUpdate, { optional: true });
  private readonly served = inject(Store).selectSignal(pageFeature.selectServed);
  private readonly own = ownScript();
  private readonly fetched = toSignal(
    (this.worker?.versionUpdates ?? EMPTY).pipe(
      filter(({ type }) => type === 'VERSION_READY'),
      map(() => true),
    ),
    { initialValue: false },
  );
  /** The browser has lost a part of this page that it cannot get again: only loading helps. */
  private readonly broken = toSignal((this.worker?.unrecoverable ?? EMPTY).pipe(map(() => true)), {
    initialValue: false,
  });
  /** The server gives another page than this one, or a newer one has been fetched already. */
  readonly isThere = computed(() => this.fetched() || this.broken() || this.isOther());
  /** A window is open, and what is typed in it would be lost: that is said first. */
  readonly holds = signal(false);

  private readonly isOther = computed(() => {
    const served = this.served();
    return served !== null && this.own !== '' && served !== this.own;
  });

  /** Takes it, unless a window is open: then that is said first. What waits to be sent waits on. */
  async take(allTheSame = false): Promise<void> {
    if (!allTheSame && document.querySelector(OPEN_WINDOW) !== null) {
      this.holds.set(true);
      return;
    }
    // Without this, the service worker would give the page it has.
    if (this.worker?.isEnabled) await this.worker.checkForUpdate().catch(() => false);
    location.reload();
  }
}
