import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';

export const UnreachedActions = createActionGroup({
  source: 'unreached',
  events: {
    /** Who is to be told of hands with no page open and is not reached, as a page begins with it and whenever somebody was told. */
    Told: props<{ names: readonly string[] }>(),
  },
});

interface UnreachedState {
  readonly names: readonly string[];
  /** So many times it was told: who shows what people were told asks anew. */
  readonly told: number;
}

const initial: UnreachedState = { names: [], told: 0 };

export const unreachedFeature = createFeature({
  name: 'unreached',
  reducer: createReducer<UnreachedState>(
    initial,
    on(UnreachedActions.told, ({ told }, { names }) => ({ names, told: told + 1 })),
  ),
});
