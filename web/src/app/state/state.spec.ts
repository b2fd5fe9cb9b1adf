import { USUAL_SETTINGS, type StoredEntry } from '@oat-crock/contract/api';
import { entriesUntil } from '../testing/followed';
import { DraftActions, draftFeature, draftOf } from './draft.feature';
import { householdSelectors } from './household';
import { householdRecord, HOUSEHOLD_ID } from './record-writing';
import { RecordActions, recordsFeature } from './records.feature';
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

  it('counts what older makes took once, also where one of them is read because somebody looks at it', () => {
    const lotId = '01J00000000000000000000001';
    const took: StoredEntry = {
      ...stored(0)[0]!,
      id: '01J000000000000000000000ZZ',
      seq: 99,
      body: { type: 'took', lotId, massG: 500 },
    };
    const older = [...stored(0), took];
    const past = { count: 1, taken: [{ lotId, massG: 500, atMs: took.atMs }], delivered: [] };
    const taken = (state: ReturnType<typeof reduce>) =>
      logFeature.selectTaken({ log: state }).reduce((sum, { massG }) => sum + massG, 0);
    const { batchId } = took;
    const before = reduce(LogActions.loaded({ entries: [], past }));
    const looked = logFeature.reducer(before, LogActions.makeRead({ batchId, entries: older }));
    expect([taken(before), taken(looked)]).toEqual([500, 500]);
    expect(logFeature.selectBatches({ log: looked }).length).toBe(1);
    const told = reduce(LogActions.loaded({ entries: older }), LogActions.makeRead({ batchId, entries: older }));
    expect(taken(told)).toBe(500);
    const again = logFeature.reducer(before, LogActions.loaded({ entries: [] }));
    expect(taken(again)).toBe(500);
    // All is read anew: what is here and was not told counts among the older ones from then on, and what was told by itself.
    const anew = logFeature.reducer(told, LogActions.loaded({ entries: [], past }));
    expect(taken(anew)).toBe(500);
    const toldAnew = logFeature.reducer(
      looked,
      LogActions.loaded({ entries: older, past: { count: 0, taken: [], delivered: [] } }),
    );
    expect(taken(toldAnew)).toBe(500);
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
    RecordActions.received({
      records: { settings: [householdRecord({ version, settings: { ...USUAL_SETTINGS, roomC } })] },
    });

  it('tells nights from what the server has', () => {
    const records = recordsFeature.reducer(undefined, told(1, 18));
    expect(householdSelectors.selectAsleep({ records })).toEqual({ fromH: 22, toH: 6, zone: 'UTC' });
  });

  it('shows what others change beside what is being written', () => {
    const draft = { ...USUAL_SETTINGS, hobW: 2200, id: HOUSEHOLD_ID };
    const edited = RecordActions.edited({ family: 'settings', draft, overVersion: 0 });
    const records = recordsFeature.reducer(recordsFeature.reducer(undefined, edited), told(4, 17));
    const shown = householdSelectors.selectDraft({ records });
    expect([shown.roomC, shown.hobW]).toEqual([17, 2200]);
  });
});
