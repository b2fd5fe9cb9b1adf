import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import { FAMILIES, type Family, type Kept, type KeptItem, type Larder } from '@oat-crock/contract/wire';
import { concatMap, debounceTime, EMPTY, from, mergeMap, type Observable, of, tap } from 'rxjs';
import { larderFeature, LarderActions, type Writing } from './larder.feature';
import { LarderWire, type Saved } from './larder-wire';
import { keepHere, keptHere } from './kept-here';
import { recordProblems } from './record-problems';

const KEY = 'oat-crock.larder.writing';
const REST_MS = 250;

const told = (family: Family, kept: Kept<KeptItem>) =>
  LarderActions.told({ larder: { [family]: [kept] } as Partial<Larder> });

/** Sends what was written, once its own schema finds it right. */
const save = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(LarderWire)) => {
    const writing = store.selectSignal(larderFeature.selectWriting);
    return actions$.pipe(
      ofType(LarderActions.saveWanted),
      concatMap(({ id }) => {
        const written = writing()[id];
        return written ? from(send(wire, written)) : EMPTY;
      }),
      mergeMap((actions) => actions),
    );
  },
  { functional: true },
);

async function send(wire: LarderWire, { family, draft, overVersion }: Writing): Promise<Action[]> {
  const errors = await recordProblems(family, draft);
  if (errors.length > 0) return [LarderActions.refused({ id: draft.id, errors })];
  const saved = await wire.save(family, draft as KeptItem, overVersion);
  if (saved.kind === 'saved') return [told(family, saved.kept), LarderActions.letGo({ id: draft.id })];
  return failed(family, draft.id, saved);
}

function failed(family: Family, id: string, saved: Exclude<Saved, { kind: 'saved' }>): Action[] {
  if (saved.kind === 'refused') return [LarderActions.refused({ id, errors: saved.errors })];
  return [told(family, saved.theirs), LarderActions.overtaken({ id, theirs: saved.theirs })];
}

const removeOrRestore = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(LarderWire)) => {
    const state = store.selectSignal(larderFeature.selectLarderState);
    return actions$.pipe(
      ofType(LarderActions.removeWanted, LarderActions.restoreWanted),
      concatMap((wanted) => {
        const { family, id } = wanted;
        const kept = state()[family][id] as Kept<KeptItem> | undefined;
        if (!kept) return EMPTY;
        const away = wanted.type === LarderActions.removeWanted.type;
        const done = away ? wire.remove(family, id, kept.version) : wire.save(family, kept.item, kept.version);
        return from(done).pipe(
          mergeMap((saved): Action[] =>
            saved.kind === 'saved' ? [told(family, saved.kept)] : failed(family, id, saved),
          ),
        );
      }),
    );
  },
  { functional: true },
);

/** What was being written when the page was closed comes back. */
const recover = createEffect(
  (): Observable<Action> => {
    const writing = keptHere(KEY, isWriting);
    return writing ? of(LarderActions.recovered({ writing })) : EMPTY;
  },
  { functional: true },
);

/** What is being written is kept in the browser, so that leaving loses none of it. */
const keep = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const writing = store.selectSignal(larderFeature.selectWriting);
    return actions$.pipe(
      ofType(LarderActions.written, LarderActions.letGo, LarderActions.kept),
      debounceTime(REST_MS),
      tap(() => keepHere(KEY, writing())),
    );
  },
  { functional: true, dispatch: false },
);

function isWriting(value: unknown): value is Writing {
  const writing = value as Partial<Writing> | null;
  const family = FAMILIES.some((f) => f === writing?.family);
  return family && typeof writing?.draft?.id === 'string' && Number.isInteger(writing.overVersion);
}

export const larderEffects = { save, removeOrRestore, recover, keep };
