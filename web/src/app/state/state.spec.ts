import { USUAL_SETTINGS, type StoredEntry } from '@oat-crock/contract/api';
import { english } from '@oat-crock/messages';
import { entriesUntil } from '../testing/followed';
import { DraftActions, draftFeature, draftOf } from './draft.feature';
import { HouseholdActions, householdFeature } from './household.feature';
import { LogActions, logFeature, selectLive } from './log.feature';

const stored = (minute: number): StoredEntry[] => entriesUntil(minute).map((e, i) => ({ ...e, seq: i + 1 }));
const reduce = (...actions: Parameters<typeof logFeature.reducer>[1][]) =>
  actions.reduce(logFeature.reducer, logFeature.reducer(undefined, { type: 'init' }));

describe('the log in the page', () => {
  it('shows what is written here at once, as waiting, until the server has it', () => {
    const [first, ...rest] = stored(100);
    const state = reduce(LogActions.loaded({ entries: [first!] }), LogActions.logged({ entries: rest }));
    const root = { log: state };
    expect(logFeature.selectPending(root).length).toBe(rest.length);
    expect(logFeature.selectBatches(root)[0]!.steps.length).toBe(5);
    const later = logFeature.reducer(state, LogActions.arrived({ entries: rest }));
    expect(logFeature.selectPending({ log: later })).toEqual([]);
  });

  it('is the same when the server tells twice', () => {
    const entries = stored(100);
    const once = reduce(LogActions.loaded({ entries }));
    expect(logFeature.reducer(once, LogActions.arrived({ entries })).ids).toEqual(once.ids);
  });

  it('takes a refused line out and keeps why', () => {
    const entry = entriesUntil(0)[0]!;
    const state = reduce(
      LogActions.logged({ entries: [entry] }),
      LogActions.refused({ entry, errors: [{ field: 'a', message: 'b', remedy: 'c' }] }),
    );
    expect(state.ids).toEqual([]);
    expect(state.refused[0]!.errors[0]!.remedy).toBe('c');
    expect(logFeature.reducer(state, LogActions.refusalsSeen()).refused).toEqual([]);
  });

  it('knows which makes are on the way', () => {
    expect(selectLive({ log: reduce(LogActions.loaded({ entries: stored(100) })) }).length).toBe(1);
    expect(selectLive({ log: reduce() })).toEqual([]);
  });
});

describe('a make being decided', () => {
  it('keeps only what differs, by method, and can put it back', () => {
    const chosen = draftFeature.reducer(undefined, DraftActions.chosen({ methodId: 'Y', key: 'fatPct', value: 5 }));
    expect(draftOf(chosen.drafts, 'Y').choices).toEqual({ fatPct: 5 });
    expect(draftOf(chosen.drafts, 'Z').choices).toEqual({});
    const back = draftFeature.reducer(chosen, DraftActions.putBack({ methodId: 'Y', key: 'fatPct' }));
    expect(draftOf(back.drafts, 'Y').choices).toEqual({});
  });
});

describe('the household in the page', () => {
  const told = (version: number, roomC: number) =>
    HouseholdActions.received({ household: { version, settings: { ...USUAL_SETTINGS, roomC } } });

  it('tells nights from what the server has, and says why a change was refused until the next try', () => {
    const once = householdFeature.reducer(undefined, told(1, 18));
    expect(householdFeature.selectAsleep({ household: once })).toEqual({ fromH: 22, toH: 6, zone: 'UTC' });
    const refused = householdFeature.reducer(once, HouseholdActions.refused({ errors: [] }));
    expect(english(refused.errors[0]!.remedy)).toContain('Try again');
    expect(householdFeature.reducer(refused, HouseholdActions.saveWanted({ change: {} })).errors).toEqual([]);
  });

  it('shows what others change beside what is being written', () => {
    const writing = householdFeature.reducer(undefined, HouseholdActions.edited({ change: { hobW: 2200 } }));
    const state = householdFeature.reducer(writing, told(4, 17));
    const draft = householdFeature.selectDraft({ household: state });
    expect([draft.roomC, draft.hobW]).toEqual([17, 2200]);
  });
});
