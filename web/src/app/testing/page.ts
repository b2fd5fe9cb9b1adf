import { learnedFeature } from '../state/learned.feature';
import { provideHttpClient } from '@angular/common/http';
import { provideZonelessChangeDetection, type Provider, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { provideStore, Store, type Action } from '@ngrx/store';
import type { StoredEntry } from '@oat-crock/contract/api';
import { follow, replay, type Entry } from '@oat-crock/core';
import { accessFeature } from '../state/access.feature';
import { oddFeature } from '../state/odd.feature';
import { backupsFeature } from '../state/backups.feature';
import { ClockActions, clockFeature } from '../state/clock.feature';
import { draftFeature } from '../state/draft.feature';
import { FollowActions, followFeature } from '../state/follow.feature';

import { instrumentsFeature } from '../state/instruments.feature';
import { recordsFeature } from '../state/records.feature';
import { LogActions, logFeature } from '../state/log.feature';
import { pageFeature } from '../state/page.feature';
import { planFeature } from '../state/plan.feature';
import { roomFeature } from '../state/room.feature';
import { unreachedFeature } from '../state/unreached.feature';
import { until } from './until';

/** A component on a page with a store and no server; what it writes is seen in `written`. */
export interface TestPage<T> {
  readonly fixture: ComponentFixture<T>;
  readonly store: Store;
  readonly element: HTMLElement;
  readonly written: () => Entry[];
  readonly text: () => string;
  readonly click: (words: string | RegExp) => Promise<void>;
  /** Types into a field; by "change" as one that is left. */
  readonly fill: (selector: string, value: string, event?: 'input' | 'change') => Promise<void>;
  /** Submits the form of a part. */
  readonly submit: (part: string) => Promise<void>;
}

/** Puts a component on a page where some entries are known, at a moment of the kitchen's clock; what is `provided` stands in for services, `told` is known before. */
export async function pageOf<T>(
  component: Type<T>,
  entries: readonly Entry[],
  nowMs: number,
  inputs: Readonly<Record<string, unknown>> = {},
  provided: readonly Provider[] = [],
  told: readonly Action[] = [],
): Promise<TestPage<T>> {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideRouter([{ path: '**', children: [] }]),
      provideHttpClient(),
      provideStore({
        [logFeature.name]: logFeature.reducer,
        [clockFeature.name]: clockFeature.reducer,
        [instrumentsFeature.name]: instrumentsFeature.reducer,
        [followFeature.name]: followFeature.reducer,
        [draftFeature.name]: draftFeature.reducer,
        [recordsFeature.name]: recordsFeature.reducer,
        [roomFeature.name]: roomFeature.reducer,
        [learnedFeature.name]: learnedFeature.reducer,
        [planFeature.name]: planFeature.reducer,
        [backupsFeature.name]: backupsFeature.reducer,
        [accessFeature.name]: accessFeature.reducer,
        [oddFeature.name]: oddFeature.reducer,
        [pageFeature.name]: pageFeature.reducer,
        [unreachedFeature.name]: unreachedFeature.reducer,
      }),
      ...provided,
    ],
  });
  const store = TestBed.inject(Store);
  const clock = { rate: 0, realMs: 0, kitchenMs: nowMs, adjustable: true };
  store.dispatch(ClockActions.received({ clock }));
  const stored = entries.map((e, i): StoredEntry => ({ ...e, seq: i + 1 }));
  store.dispatch(LogActions.loaded({ entries: stored }));
  const batch = replay(entries);
  if (batch) {
    const followed = follow(batch, nowMs, { members: 200, seed: 1, fanPoints: 12 });
    store.dispatch(FollowActions.workedOut({ followed }));
  }
  for (const action of told) store.dispatch(action);
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  const element = fixture.nativeElement as HTMLElement;
  const pending = store.selectSignal(logFeature.selectPending);
  return {
    fixture,
    store,
    element,
    written: () => [...pending()].sort((a, b) => (a.id < b.id ? -1 : 1)),
    text: () => element.textContent.replace(/\s+/g, ' '),
    click: async (words) => {
      const buttons = [...element.querySelectorAll<HTMLElement>('button, a')];
      const named = buttons.find((b) => {
        const name = b.getAttribute('aria-label') ?? b.textContent.trim();
        return typeof words === 'string' ? name === words : words.test(name);
      });
      if (!named) throw new Error(`nothing here is called ${String(words)}`);
      if (named instanceof HTMLButtonElement) await until(() => !named.disabled);
      named.click();
      await fixture.whenStable();
    },
    fill: async (selector, value, event = 'input') => {
      const field = element.querySelector<HTMLInputElement>(selector)!;
      field.value = value;
      field.dispatchEvent(new Event(event));
      await fixture.whenStable();
    },
    submit: async (part) => {
      element.querySelector(`${part} form`)!.dispatchEvent(new Event('submit', { cancelable: true }));
      await fixture.whenStable();
    },
  };
}
