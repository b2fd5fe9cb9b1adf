import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import {
  FAMILIES,
  type Family,
  type FieldProblem,
  type Kept,
  type KeptItem,
  type Larder,
} from '@oat-crock/contract/api';
import { concatMap, debounceTime, EMPTY, from, map, merge, mergeMap, type Observable, of, skip, tap } from 'rxjs';
import { say } from '@oat-crock/core';
import { named, tell } from '../shared/ui/said';
import { ClockActions } from './clock.feature';
import { larderFeature, LarderActions, type Writing } from './larder.feature';
import { RecordsClient, type Saved } from './records-client';
import { keepHere, keptHere } from './kept-here';
import { recordProblems } from './record-problems';

const KEY = 'oat-crock.larder.writing';
const RETRY_MS = 5000;

const told = (family: Family, kept: Kept<KeptItem>) =>
  LarderActions.received({ larder: { [family]: [kept] } as Partial<Larder> });

/** Sends what was written, once its own schema finds it right. */
const save = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(RecordsClient)) => {
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

async function send(wire: RecordsClient, { family, draft, overVersion }: Writing): Promise<Action[]> {
  const errors = await recordProblems(family, draft);
  if (errors.length > 0) return [LarderActions.refused({ id: draft.id, errors })];
  const saved = await wire.save(family, draft as KeptItem, overVersion);
  if (saved.kind === 'saved') return [LarderActions.saved({ family, kept: saved.kept, sent: draft })];
  return failed(family, draft.id, saved);
}

function failed(family: Family, id: string, saved: Exclude<Saved, { kind: 'saved' }>): Action[] {
  if (saved.kind === 'unreachable') return [LarderActions.unreachable({ id, errors: saved.errors })];
  if (saved.kind === 'refused') return [LarderActions.refused({ id, errors: saved.errors })];
  return [told(family, saved.theirs), LarderActions.conflicted({ id, theirs: saved.theirs })];
}

const removeOrRestore = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(RecordsClient)) => {
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
          mergeMap((saved): Action[] => {
            if (saved.kind === 'saved') return [told(family, saved.kept)];
            const name = nameOf(kept.item);
            const stays = { id, name, wanted: away ? 'taken away' : 'brought back', errors: whyNot(saved) } as const;
            const theirs = saved.kind === 'conflicted' ? [told(family, saved.theirs)] : [];
            return [...theirs, LarderActions.staysAsItWas({ stays })];
          }),
        );
      }),
    );
  },
  { functional: true },
);

/** What a record is called; what is wanted has no name of its own. */
const nameOf = (item: KeptItem): string => ('name' in item ? named(item.name) : tell('page.state.larder.whatWanted'));

/** Why something was not taken away or brought back: that is not asked for again by itself. */
function whyNot(saved: Exclude<Saved, { kind: 'saved' }>): readonly FieldProblem[] {
  if (saved.kind === 'refused') return saved.errors;
  if (saved.kind === 'unreachable')
    return [
      {
        field: '',
        message: say('page.state.larder.serverDidNotAnswer'),
        remedy: say('page.state.larder.doAgainMoment'),
      },
    ];
  return [
    {
      field: '',
      message: say('page.state.larder.somebodyElseChangedMeanwhile'),
      remedy: say('page.state.larder.lookDoAgain'),
    },
  ];
}

/** What is to be saved and was not answered is sent again: soon, once the server answers, and when the page is opened again. */
const saveAgain = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const writing = store.selectSignal(larderFeature.selectWriting);
    const soon = actions$.pipe(ofType(LarderActions.unreachable), debounceTime(RETRY_MS));
    return merge(soon, actions$.pipe(ofType(LarderActions.recovered, ClockActions.lineOpen))).pipe(
      mergeMap(() => Object.values(writing()).filter(({ wanted }) => wanted)),
      map(({ draft }) => LarderActions.saveWanted({ id: draft.id })),
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

/** What is being written is kept in the browser at once, so that leaving loses none of it. */
const keep = createEffect(
  (store = inject(Store)) =>
    store.select(larderFeature.selectWriting).pipe(
      skip(1),
      tap((writing) => keepHere(KEY, writing)),
    ),
  { functional: true, dispatch: false },
);

function isWriting(value: unknown): value is Writing {
  const writing = value as Partial<Writing> | null;
  const family = FAMILIES.some((f) => f === writing?.family);
  return family && typeof writing?.draft?.id === 'string' && Number.isInteger(writing.overVersion);
}

export const larderEffects = { save, removeOrRestore, saveAgain, recover, keep };
