import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { Choices } from '@oat-crock/core';

export const DraftActions = createActionGroup({
  source: 'draft',
  events: {
    /** A choice was touched. */
    Chosen: props<{ methodId: string; key: string; value: number | string }>(),
    /** A thing of one's own answered some choices at once, beside one of them. */
    Filled: props<{ methodId: string; choices: Choices; thing?: { readonly beside: string; readonly id: string } }>(),
    'Put Back': props<{ methodId: string; key: string }>(),
    Named: props<{ methodId: string; name: string }>(),
    Started: props<{ methodId: string }>(),
    /** A make that is planned is decided: as it was planned, whatever was chosen before. */
    'For Planned Batch': props<{ methodId: string; choices: Choices; name: string; plannedBatchId: string }>(),
    /** It is not for the plan: what was chosen before is back. */
    'Not For Planned Batch': props<{ methodId: string }>(),
    /** Drafts kept from before the page was closed. */
    Recovered: props<{ drafts: DraftState['drafts'] }>(),
  },
});

/** A make that is being decided: only what differs from the method's own choices. */
export interface Draft {
  readonly choices: Choices;
  readonly name: string;
  /** Bottles, cloths and vessels that choices were filled in from, by the choice they stand beside. */
  readonly things: Readonly<Record<string, string>>;
  /** The planned make that it is for, and what was chosen before it was. */
  readonly plannedBatch?: { readonly id: string; readonly before: Draft };
}

export interface DraftState {
  readonly drafts: Readonly<Record<string, Draft>>;
}

const EMPTY: Draft = { choices: {}, name: '', things: {} };
const initial: DraftState = { drafts: {} };

export const draftFeature = createFeature({
  name: 'draft',
  reducer: createReducer(
    initial,
    on(DraftActions.chosen, (state, { methodId, key, value }) =>
      changed(state, methodId, (d) => ({ ...d, choices: { ...d.choices, [key]: value } })),
    ),
    on(DraftActions.filled, (state, { methodId, choices, thing }) =>
      changed(state, methodId, (d) => ({
        ...d,
        choices: { ...d.choices, ...choices },
        things: thing ? { ...d.things, [thing.beside]: thing.id } : d.things,
      })),
    ),
    on(DraftActions.putBack, (state, { methodId, key }) =>
      changed(state, methodId, (d) => ({
        ...d,
        choices: Object.fromEntries(Object.entries(d.choices).filter(([k]) => k !== key)),
      })),
    ),
    on(DraftActions.named, (state, { methodId, name }) => changed(state, methodId, (d) => ({ ...d, name }))),
    on(DraftActions.started, (state, { methodId }) =>
      changed(state, methodId, (d) => ({ ...(d.plannedBatch?.before ?? d), name: '' })),
    ),
    on(DraftActions.forPlannedBatch, (state, { methodId, choices, name, plannedBatchId }) =>
      changed(state, methodId, (d) => {
        const before = d.plannedBatch?.before ?? d;
        return { choices, name, things: {}, plannedBatch: { id: plannedBatchId, before } };
      }),
    ),
    on(DraftActions.notForPlannedBatch, (state, { methodId }) =>
      changed(state, methodId, (d) => d.plannedBatch?.before ?? d),
    ),
    on(DraftActions.recovered, (_state, { drafts }) => ({ drafts })),
  ),
});

function changed(state: DraftState, methodId: string, change: (draft: Draft) => Draft): DraftState {
  return { drafts: { ...state.drafts, [methodId]: change(draftOf(state.drafts, methodId)) } };
}

/** The draft of a method, empty until something is chosen; one that was kept before there were things has none. */
export function draftOf(drafts: DraftState['drafts'], methodId: string): Draft {
  return { ...EMPTY, ...drafts[methodId] };
}
