import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { METHODS, type Method } from '@oat-crock/core';
import { logFeature } from './log.feature';
import { recordsFeature } from './records.feature';

/** The methods there are: those of the house, and one's own after them. */
@Injectable({ providedIn: 'root' })
export class MethodBook {
  private readonly store = inject(Store);
  readonly own = this.store.selectSignal(recordsFeature.selectMethodsHere);
  readonly all = computed((): readonly Method[] => [...METHODS, ...this.own()]);

  /** True once the server has said which methods of one's own there are. */
  readonly isKnown = this.store.selectSignal(logFeature.selectLoaded);

  find(id: string | undefined): Method | undefined {
    return this.all().find((m) => m.id === id);
  }

  /** True for a method of one's own. */
  isOwn(id: string): boolean {
    return this.own().some((m) => m.id === id);
  }
}
