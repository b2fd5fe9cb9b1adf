import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideEffects } from '@ngrx/effects';
import { provideStore, Store } from '@ngrx/store';
import type { KeptPlace } from '@oat-crock/core';
import { samplePlannedBatch } from '../testing/planned';
import { DraftActions, draftFeature, draftOf } from './draft.feature';
import { planEffects } from './plan.effects';
import { PlanActions, planFeature } from './plan.feature';

const KEY = 'oat-crock.plan';
const place: KeptPlace = { orderId: 'A', part: 1, startMin: 90, extension: null, pinned: true };
const draft = { fromMs: 1_000, places: [place], of: 'Quark is moved' };

function open() {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideStore({ [planFeature.name]: planFeature.reducer, [draftFeature.name]: draftFeature.reducer }),
      provideEffects(planEffects),
    ],
  });
  const store = TestBed.inject(Store);
  return { store, plan: store.selectSignal(planFeature.selectPlanState) };
}

describe('what is moved and not taken', () => {
  beforeEach(() => localStorage.removeItem(KEY));
  afterAll(() => localStorage.removeItem(KEY));

  it('outlives the page, as does how much is looked at', () => {
    const { store } = open();
    store.dispatch(PlanActions.drafted({ draft }));
    store.dispatch(PlanActions.looked({ days: 7 }));
    store.dispatch(PlanActions.ahead({ aheadDays: 14 }));
    expect(open().plan()).toEqual({ draft, before: null, days: 7, aheadDays: 14 });
  });

  it('is gone once it was put back or taken, and what was held before can be had again', () => {
    const { store, plan } = open();
    const before = [samplePlannedBatch()];
    store.dispatch(PlanActions.drafted({ draft }));
    store.dispatch(PlanActions.taken({ before }));
    expect([plan().draft, plan().before]).toEqual([null, before]);
    store.dispatch(PlanActions.undone());
    expect(plan().before).toBeNull();
    store.dispatch(PlanActions.drafted({ draft }));
    store.dispatch(PlanActions.putBack());
    expect(open().plan().draft).toBeNull();
  });

  it('that was kept and cannot be read is let go', () => {
    for (const kept of [
      '{',
      '{"plan":{"days":5,"draft":null,"aheadDays":null}}',
      '{"plan":{"days":3,"draft":null,"aheadDays":9}}',
      '{"plan":{"days":3,"aheadDays":7,"draft":{"places":1}}}',
    ]) {
      localStorage.setItem(KEY, kept);
      expect(open().plan()).toEqual({ draft: null, before: null, days: 3, aheadDays: null });
    }
  });
});

describe('a sheet that is filled in for the plan', () => {
  const methodId = 'quark';
  const chosen = () => {
    const { store } = open();
    const drafts = store.selectSignal(draftFeature.selectDrafts);
    store.dispatch(DraftActions.chosen({ methodId, key: 'fatPct', value: 4 }));
    store.dispatch(DraftActions.named({ methodId, name: 'Mine' }));
    store.dispatch(
      DraftActions.forPlannedBatch({ methodId, choices: { massG: 3000 }, name: 'Quark for A', plannedBatchId: 'P' }),
    );
    return { store, of: () => draftOf(drafts(), methodId) };
  };

  it('is as it was planned', () => {
    const { of } = chosen();
    expect([of().choices, of().name, of().plannedBatch?.id]).toEqual([{ massG: 3000 }, 'Quark for A', 'P']);
  });

  it('gives back what was chosen before where it is not for the plan, or was begun', () => {
    const { store, of } = chosen();
    store.dispatch(
      DraftActions.forPlannedBatch({ methodId, choices: { massG: 5000 }, name: 'Quark for B', plannedBatchId: 'Q' }),
    );
    store.dispatch(DraftActions.notForPlannedBatch({ methodId }));
    expect([of().choices, of().name, of().plannedBatch]).toEqual([{ fatPct: 4 }, 'Mine', undefined]);
    const begun = chosen();
    begun.store.dispatch(DraftActions.started({ methodId }));
    expect([begun.of().choices, begun.of().name]).toEqual([{ fatPct: 4 }, '']);
  });
});
