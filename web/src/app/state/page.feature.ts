import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';

export const PageActions = createActionGroup({
  source: 'page',
  events: {
    /** The name of the main script of the page that the server gives by now; null where it gives none. */
    Served: props<{ page: string | null }>(),
  },
});

interface PageState {
  readonly served: string | null;
}

const initial: PageState = { served: null };

export const pageFeature = createFeature({
  name: 'page',
  reducer: createReducer<PageState>(
    initial,
    on(PageActions.served, (_state, { page }) => ({ served: page })),
  ),
});
