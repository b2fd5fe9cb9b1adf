import { createActionGroup, createFeature, createReducer, createSelector, emptyProps, on, props } from '@ngrx/store';
import type { Access } from '@oat-crock/contract/api';

export const AccessActions = createActionGroup({
  source: 'access',
  events: {
    /** How this device stands to the dairy. */
    Received: props<{ access: Access }>(),
    /** The server does not answer this device until it is let in. */
    'Shut out': emptyProps(),
  },
});

interface AccessState {
  /** Null until it is known. */
  readonly access: Access | null;
  readonly isOut: boolean;
}

const initial: AccessState = { access: null, isOut: false };

export const accessFeature = createFeature({
  name: 'access',
  reducer: createReducer<AccessState>(
    initial,
    on(AccessActions.received, (_state, { access }) => ({ access, isOut: access.closed && access.me === null })),
    on(AccessActions.shutOut, (state) => ({ ...state, isOut: true })),
  ),
  extraSelectors: ({ selectAccess }) => ({
    selectMe: createSelector(selectAccess, (access) => access?.me ?? null),
    /** Whether whoever is here keeps the dairy; until that is known, it is not said that they do not. */
    selectKeeps: createSelector(selectAccess, (access) => !access?.me || access.me.role === 'keeps'),
  }),
});
