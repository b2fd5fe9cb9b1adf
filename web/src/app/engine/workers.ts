import { Injectable, signal } from '@angular/core';
import { say, SaidError } from '@oat-crock/core';
import { wrap, type Remote } from 'comlink';

/** A worker that answers calls, each of which fails where the worker could not start. */
export interface Started<T> {
  /** Calls the worker; rejects where it cannot start, as nothing would ever answer. */
  ask<R>(call: (api: Remote<T>) => Promise<R>): Promise<R>;
}

/** The workers of the page. A browser may refuse to start one, or the file it is made of may not come. */
@Injectable({ providedIn: 'root' })
export class Workers {
  private readonly down = signal(false);
  /** True once a worker could not start: what it works out is not to be had on this page. */
  readonly failed = this.down.asReadonly();

  start<T>(make: () => Worker): Started<T> {
    try {
      const worker = make();
      const fails = new Promise<never>((_, reject) => {
        worker.addEventListener('error', (event) => {
          // It is said on the page, and to whoever asked; it is no error of the page's own.
          event.preventDefault();
          this.down.set(true);
          reject(new SaidError(say('page.engine.workers.couldNotStart')));
        });
      });
      // Where nobody asks it anything, that it cannot start is said all the same, and is no error of its own.
      fails.catch(() => undefined);
      const api = wrap<T>(worker);
      return { ask: (call) => Promise.race([call(api), fails]) };
    } catch {
      this.down.set(true);
      return { ask: () => Promise.reject(new SaidError(say('page.engine.workers.couldNotStart'))) };
    }
  }
}
