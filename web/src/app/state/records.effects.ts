import { inject } from '@angular/core';
import { Actions, createEffect, ofType } from '@ngrx/effects';
import { Store, type Action } from '@ngrx/store';
import type { FieldProblem, Kept, Settings } from '@oat-crock/contract/api';
import { dequal } from 'dequal/lite';
import {
  concat,
  concatMap,
  debounceTime,
  EMPTY,
  filter,
  from,
  fromEvent,
  map,
  merge,
  mergeMap,
  type Observable,
  of,
  pairwise,
  tap,
} from 'rxjs';
import { say } from '@oat-crock/core';
import { named, tell } from '../shared/ui/said';
import { ClockActions } from './clock.feature';
import { HouseholdActions } from './household';
import { RECORD_FAMILIES, HOUSEHOLD_ID, type RecordFamily, type RecordItem, type Writing } from './record-writing';
import { recordsFeature, RecordActions, type Stays } from './records.feature';
import { RecordsClient, type Saved } from './records-client';
import { keepHere, keptHere, keptIn } from './kept-here';
import { recordProblems } from './record-problems';
import { aloneOfTabs } from './tabs';

const KEY = 'oat-crock.records.writing';
const RETRY_MS = 5000;

const told = (family: RecordFamily, kept: Kept<RecordItem>) =>
  RecordActions.received({ records: { [family]: [kept] } });

/** Sends what was written, once its own schema finds it right. */
const save = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(RecordsClient)) => {
    const writing = store.selectSignal(recordsFeature.selectWriting);
    return actions$.pipe(
      ofType(RecordActions.saveWanted),
      concatMap(({ id }) => {
        const written = writing()[id];
        if (!written) return EMPTY;
        const sent = RecordActions.sent({ id, draft: written.draft });
        const done = aloneOfTabs(id, () => (isKeptToSend(id) ? send(wire, written) : Promise.resolve([])));
        return concat(of(sent), done.pipe(mergeMap((actions) => actions)));
      }),
    );
  },
  { functional: true },
);

/** Whether the browser could keep what is being written: where not, this tab alone knows of it. */
let isKept = true;

/** Whether a record still waits to be saved: another tab may have done so. */
const isKeptToSend = (id: string) => !isKept || keptHere(KEY, isWriting)?.[id] !== undefined;

async function send(wire: RecordsClient, { family, draft, overVersion }: Writing): Promise<Action[]> {
  const errors = await recordProblems(family, draft);
  if (errors.length > 0) return [RecordActions.refused({ id: draft.id, errors })];
  const saved = await wire.save(family, draft as RecordItem, overVersion);
  if (saved.kind === 'saved') return [RecordActions.saved({ family, kept: saved.kept, sent: draft })];
  return failed(family, draft.id, saved);
}

function failed(family: RecordFamily, id: string, saved: Exclude<Saved, { kind: 'saved' }>): Action[] {
  if (saved.kind === 'unreachable') return [RecordActions.unreachable({ id, errors: saved.errors })];
  if (saved.kind === 'refused') return [RecordActions.refused({ id, errors: saved.errors })];
  return [RecordActions.conflicted({ family, id, theirs: saved.theirs })];
}

/** What somebody else changed elsewhere in the same record does not stand in the way: it is saved over that. */
const saveOverTheirs = createEffect(
  (actions$ = inject(Actions), store = inject(Store)) => {
    const writing = store.selectSignal(recordsFeature.selectWriting);
    return actions$.pipe(
      ofType(RecordActions.conflicted),
      filter(({ id }) => writing()[id]?.wanted === true),
      map(({ id }) => RecordActions.saveWanted({ id })),
    );
  },
  { functional: true },
);

const removeOrRestore = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(RecordsClient)) => {
    const families = store.selectSignal(recordsFeature.selectFamilies);
    return actions$.pipe(
      ofType(RecordActions.removeWanted, RecordActions.restoreWanted),
      concatMap((wanted) => {
        const { family, id } = wanted;
        const kept: Kept<RecordItem> | undefined = families()[family].entities[id];
        if (!kept) return EMPTY;
        const away = wanted.type === RecordActions.removeWanted.type;
        const done = away ? wire.remove(family, id, kept.version) : wire.save(family, kept.item, kept.version);
        return from(done).pipe(
          mergeMap((saved): Action[] => {
            if (saved.kind === 'saved') return [told(family, saved.kept)];
            const theirs = saved.kind === 'conflicted' ? [told(family, saved.theirs)] : [];
            return [
              ...theirs,
              stays({ id, name: nameOf(kept.item), wanted: away ? 'taken away' : 'brought back' }, saved),
            ];
          }),
        );
      }),
    );
  },
  { functional: true },
);

/** The household is changed from outside its dialog, over whatever others have put there, and beside what is being typed of it. */
const changeHousehold = createEffect(
  (actions$ = inject(Actions), store = inject(Store), wire = inject(RecordsClient)) => {
    const families = store.selectSignal(recordsFeature.selectFamilies);
    return actions$.pipe(
      ofType(
        HouseholdActions.forgetWanted,
        HouseholdActions.pinWanted,
        HouseholdActions.labelStockWanted,
        HouseholdActions.planChanceWanted,
      ),
      concatMap((wanted) => {
        const { item, version } = families().settings.entities[HOUSEHOLD_ID]!;
        return from(wire.save('settings', { ...item, ...withWanted(item, wanted) }, version)).pipe(
          mergeMap((saved): Action[] => {
            if (saved.kind === 'saved') return [told('settings', saved.kept)];
            if (saved.kind === 'conflicted') return [told('settings', saved.theirs), wanted];
            return [
              stays(
                { id: HOUSEHOLD_ID, name: changeName(wanted), wanted: 'beforeMs' in wanted ? 'forgotten' : 'changed' },
                saved,
              ),
            ];
          }),
        );
      }),
    );
  },
  { functional: true },
);

/** A change of the household that is asked for from outside its dialog. */
type HouseholdChange = ReturnType<(typeof HouseholdActions)[keyof typeof HouseholdActions]>;

function changeName(wanted: HouseholdChange): string {
  if ('labelStock' in wanted) return tell('page.state.larder.labels');
  return tell('planChance' in wanted ? 'page.state.larder.planChance' : 'page.state.larder.whatWasLearned');
}

/** What of the household is otherwise then; what is forgotten is pinned no more: it is learned anew. */
function withWanted({ forgotten, pinned }: Settings, wanted: HouseholdChange): Partial<Settings> {
  if ('labelStock' in wanted) return { labelStock: wanted.labelStock };
  if ('planChance' in wanted) return { planChance: wanted.planChance };
  const { of } = wanted;
  const otherPins = pinned.filter((pin) => pin.of !== of);
  if ('beforeMs' in wanted)
    return {
      forgotten: [...forgotten.filter((f) => f.of !== of), { of, beforeMs: wanted.beforeMs }],
      pinned: otherPins,
    };
  return { pinned: wanted.afterMs === null ? otherPins : [...otherPins, { of, afterMs: wanted.afterMs }] };
}

const stays = (what: Omit<Stays, 'errors'>, saved: Exclude<Saved, { kind: 'saved' }>) =>
  RecordActions.staysAsItWas({ stays: { ...what, errors: whyNot(saved) } });

/** What a record is called; what is wanted has no name of its own. */
const nameOf = (item: RecordItem): string => ('name' in item ? named(item.name) : tell('page.state.larder.whatWanted'));

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
    const writing = store.selectSignal(recordsFeature.selectWriting);
    const soon = actions$.pipe(ofType(RecordActions.unreachable), debounceTime(RETRY_MS));
    return merge(soon, actions$.pipe(ofType(RecordActions.recovered, ClockActions.lineOpen))).pipe(
      mergeMap(() => Object.values(writing()).filter(({ wanted }) => wanted)),
      map(({ draft }) => RecordActions.saveWanted({ id: draft.id })),
    );
  },
  { functional: true },
);

/** What was being written when the page was closed comes back. */
const recover = createEffect(
  (): Observable<Action> => {
    const writing = keptHere(KEY, isWriting);
    return writing ? of(RecordActions.recovered({ writing })) : EMPTY;
  },
  { functional: true },
);

/** What is being written is kept in the browser at once, so that leaving loses none of it; beside what other tabs write. */
const keep = createEffect(
  (store = inject(Store)) =>
    store.select(recordsFeature.selectWriting).pipe(
      pairwise(),
      tap(([before, now]) => {
        const kept = new Map(Object.entries(keptHere(KEY, isWriting) ?? {}));
        for (const id of Object.keys(before)) if (!(id in now)) kept.delete(id);
        for (const [id, writing] of Object.entries(now)) if (before[id] !== writing) kept.set(id, writing);
        isKept = keepHere(KEY, Object.fromEntries(kept));
      }),
    ),
  { functional: true, dispatch: false },
);

/** What another tab wants saved is saved by this one where that is closed; what it has saved is no more to be done here. */
const hearTabs = createEffect(
  (store = inject(Store)) => {
    const writing = store.selectSignal(recordsFeature.selectWriting);
    return fromEvent<StorageEvent>(window, 'storage').pipe(
      filter(({ key }) => key === KEY),
      mergeMap(({ oldValue }): Action[] => {
        const [before, now] = [keptIn(oldValue, isWriting) ?? {}, keptHere(KEY, isWriting) ?? {}];
        const wanted = Object.entries(now).filter(([id, { wanted }]) => wanted && !(id in writing()));
        const done = Object.keys(before).filter(
          (id) => !(id in now) && dequal(before[id]!.draft, writing()[id]?.draft),
        );
        return [
          ...(wanted.length > 0 ? [RecordActions.recovered({ writing: Object.fromEntries(wanted) })] : []),
          ...done.map((id) => RecordActions.discarded({ id })),
        ];
      }),
    );
  },
  { functional: true },
);

function isWriting(value: unknown): value is Writing {
  const writing = value as Partial<Writing> | null;
  const family = RECORD_FAMILIES.some((f) => f === writing?.family);
  const isWhole = Array.isArray(writing?.conflicts) && Array.isArray(writing?.errors);
  return family && isWhole && typeof writing?.draft?.id === 'string' && Number.isInteger(writing.overVersion);
}

export const recordsEffects = {
  save,
  saveOverTheirs,
  removeOrRestore,
  changeHousehold,
  saveAgain,
  recover,
  keep,
  hearTabs,
};
