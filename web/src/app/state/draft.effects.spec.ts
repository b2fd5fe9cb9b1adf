import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import { draftEffects } from './draft.effects';
import { DraftActions, draftFeature } from './draft.feature';
import { ownTimers } from '../testing/until';

const KEY = 'oat-crock.drafts';

/** A page as it opens: its store, and what is being decided on it. */
function openPage() {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideStore({ [draftFeature.name]: draftFeature.reducer }),
      provideEffects(draftEffects),
    ],
  });
  const store = TestBed.inject(Store);
  return { store, drafts: store.selectSignal(draftFeature.selectDrafts) };
}

describe('what is being decided', () => {
  let pass: (ms: number) => Promise<void>;
  beforeEach(() => {
    localStorage.removeItem(KEY);
    pass = ownTimers();
  });
  afterEach(() => {
    jasmine.clock().uninstall();
    localStorage.removeItem(KEY);
  });

  it('is there again after the page was closed', async () => {
    const before = openPage();
    before.store.dispatch(DraftActions.chosen({ methodId: 'strained-yogurt', key: 'fatPct', value: 6 }));
    before.store.dispatch(DraftActions.named({ methodId: 'strained-yogurt', name: 'For Saturday' }));
    await pass(400);
    expect(openPage().drafts()).toEqual({
      'strained-yogurt': { choices: { fatPct: 6 }, name: 'For Saturday', things: {} },
    });
  });

  it('keeps the last of many touches, and a choice put back stays put back', async () => {
    const { store } = openPage();
    for (let value = 1; value <= 9; value++) {
      store.dispatch(DraftActions.chosen({ methodId: 'm', key: 'dosePct', value }));
    }
    store.dispatch(DraftActions.chosen({ methodId: 'm', key: 'holdMin', value: 10 }));
    store.dispatch(DraftActions.putBack({ methodId: 'm', key: 'holdMin' }));
    await pass(400);
    expect(openPage().drafts()).toEqual({ m: { choices: { dosePct: 9 }, name: '', things: {} } });
  });

  it('begins empty where nothing, or nothing readable, was kept', () => {
    expect(openPage().drafts()).toEqual({});
    for (const rubbish of [
      'not json',
      '7',
      '{"m":{"choices":{"a":[1]},"name":"x"}}',
      '{"m":null}',
      '{"m":{"name":1}}',
    ]) {
      localStorage.setItem(KEY, rubbish);
      expect(openPage().drafts()).toEqual({});
    }
  });
});
