import { seedDemo } from '../demo/seed.js';
import type { Kitchen } from '../kitchen.js';
import { DEMO_TIME, entryOf, startOf, testKitchen } from '../testing/kitchen.js';
import { school } from './trainer.js';

const NOW = DEMO_TIME.startMs!;

/** Asks whatever is due; how many that were. */
function askAll({ due, ask }: ReturnType<typeof school>): number {
  const makes = due();
  makes.forEach(ask);
  return makes.length;
}

const finishedIn = ({ entries }: Kitchen) => entries.since(0).filter((e) => e.body.type === 'finished');

describe('what finished makes teach, kept by the server', () => {
  it('is asked of each once, and anew of what was put right or by another engine', () => {
    const { kitchen } = testKitchen(true);
    seedDemo(kitchen);
    const ours = school(kitchen.db, 'ours', DEMO_TIME.zone);
    const finished = finishedIn(kitchen);
    expect(finished.length).toBeGreaterThan(2);
    expect(askAll(ours)).toBe(finished.length);
    expect(ours.pool()).toBe(true);
    expect(kitchen.learned().pooled.known.length).toBeGreaterThan(3);
    expect(kitchen.learned().watched.length).toBeGreaterThan(0);
    expect([askAll(ours), ours.pool()]).toEqual([0, false]);
    expect(['ours', 'another'].map(kitchen.lessons.anyDue)).toEqual([false, true]);

    const [last] = finished.slice(-1);
    const body = { ...last!.body, productG: 700 } as typeof last.body;
    kitchen.entries.append([entryOf(last!.batchId, { type: 'correction', replaces: last!.id, body } as never, NOW)]);
    expect(ours.due().map(({ batch }) => batch.id)).toEqual([last!.batchId]);
    expect(kitchen.lessons.anyDue('ours')).toBe(true);
    expect([askAll(ours), ours.pool()]).toEqual([1, true]);
    expect(kitchen.lessons.anyDue('ours')).toBe(false);

    expect(school(kitchen.db, 'another', DEMO_TIME.zone).due().length).toBe(finished.length);
  });

  it('keeps what each finished make comes to, anew where it was put right, with windows from what was known before it', () => {
    const { kitchen } = testKitchen(true);
    seedDemo(kitchen);
    const ours = school(kitchen.db, 'ours', DEMO_TIME.zone);
    const finished = finishedIn(kitchen);
    expect([kitchen.figures.waiting(), ours.unreckoned().length]).toEqual([finished.length, finished.length]);
    const last = ours.unreckoned()[0]!;
    ours.reckon(last);
    expect([kitchen.figures.waiting('ours'), kitchen.figures.waiting('another')]).toEqual([
      finished.length - 1,
      finished.length,
    ]);
    const [made] = kitchen.figures.ofMakes([last.batch.id]);
    expect(made!.make.name).toBe(last.batch.name);
    expect(made!.figures.yieldPct).toBeGreaterThan(20);
    expect('given' in made!.figures).toBeFalse();
    expect(kitchen.figures.windows().length).toBeGreaterThan(0);
    expect(kitchen.figures.methods()).toEqual([{ methodId: last.batch.methodId, makes: 1 }]);
    expect(kitchen.figures.ofMethod(last.batch.methodId).length).toBe(1);
    kitchen.entries.append([entryOf(last.batch.id, { type: 'note', text: 'later' }, NOW)]);
    expect(ours.unreckoned().length).toBe(finished.length);
  });

  it('asks no make that is on, was discarded, or of which the finish was taken back', () => {
    const { kitchen } = testKitchen(true);
    const [on, thrown, back] = [
      '01J000000000000000000000AA',
      '01J000000000000000000000AB',
      '01J000000000000000000000AC',
    ];
    const finish = entryOf(back!, { type: 'finished', productG: 900, pots: 2 } as never, NOW);
    kitchen.entries.append([
      startOf(on!),
      startOf(thrown!),
      entryOf(thrown!, { type: 'discarded', reason: 'foul' } as never, NOW),
      startOf(back!),
      finish,
    ]);
    const ours = school(kitchen.db, 'ours', 'UTC');
    expect(ours.due().map(({ batch }) => batch.id)).toEqual([back!]);
    kitchen.entries.append([entryOf(back!, { type: 'correction', replaces: finish.id, body: null } as never, NOW + 1)]);
    expect(ours.due()).toEqual([]);
  });

  it('is nothing of a make that cannot be followed, which keeps no other from teaching', () => {
    const { kitchen } = testKitchen(true);
    seedDemo(kitchen);
    const sound = finishedIn(kitchen).length;
    const odd = '01J000000000000000000000AD';
    const start = {
      ...startOf(odd),
      body: { ...startOf(odd).body, choices: { milkG: 'a bucket', keeper: 'the moon' } },
    };
    const finish = entryOf(odd, { type: 'finished', productG: Number.MAX_VALUE } as never, NOW);
    kitchen.entries.append([start as never, finish]);
    const ours = school(kitchen.db, 'ours', DEMO_TIME.zone);
    expect(askAll(ours)).toBe(sound + 1);
    ours.pool();
    const { known, covariance } = kitchen.learned().pooled;
    expect(known.length).toBeGreaterThan(3);
    expect([...known.flatMap(({ mean, sd }) => [mean, sd]), ...covariance].every(Number.isFinite)).toBeTrue();
  });

  it('counts for nothing of an owner once that is to be forgotten', () => {
    const { kitchen } = testKitchen(true);
    seedDemo(kitchen);
    const ours = school(kitchen.db, 'ours', DEMO_TIME.zone);
    askAll(ours);
    ours.pool();
    const { of } = kitchen.learned().pooled.known[0]!;
    const { version, settings } = kitchen.household.settings();
    kitchen.household.saveSettings({ ...settings, forgotten: [{ of, beforeMs: NOW }] }, version);
    expect(ours.due()).toEqual([]);
    expect(ours.pool()).toBe(true);
    expect(kitchen.learned().pooled.known.map((k) => k.of)).not.toContain(of);
  });

  it('stays as it was learned once that is pinned, whatever later makes teach, and is learned on when it is let go', () => {
    const { kitchen } = testKitchen(true);
    seedDemo(kitchen);
    const ours = school(kitchen.db, 'ours', DEMO_TIME.zone);
    askAll(ours);
    ours.pool();
    const known = (of: string) => kitchen.learned().pooled.known.filter((k) => k.of === of);
    const begun = finishedIn(kitchen).map(({ batchId }) => kitchen.entries.ofBatch(batchId)[0]!.atMs);
    const middleMs = begun.sort((a, b) => a - b)[Math.floor(begun.length / 2)]!;
    const most = [...kitchen.learned().pooled.known].sort((a, b) => b.makes - a.makes)[0]!;
    const { version, settings } = kitchen.household.settings();
    kitchen.household.saveSettings({ ...settings, pinned: [{ of: most.of, afterMs: middleMs }] }, version);
    askAll(ours);
    ours.pool();
    const pinned = known(most.of);
    expect(pinned[0]!.makes).toBeLessThan(most.makes);
    expect(pinned[0]!.makes).toBeGreaterThan(0);
    const behind = kitchen.lessons.learned().from![most.of]!;
    expect(behind.every((id) => kitchen.entries.ofBatch(id)[0]!.atMs < middleMs)).toBeTrue();
    expect(kitchen.makes.linesOf(behind).length).toBe(pinned[0]!.makes);
    // Others are learned of all makes, as before.
    const other = kitchen.learned().pooled.known.find((k) => k.of !== most.of)!;
    expect(other.makes).toBeGreaterThan(0);
    kitchen.household.saveSettings({ ...settings, pinned: [] }, version + 1);
    ours.pool();
    expect(known(most.of)[0]!.makes).toBe(most.makes);
  });

  it('says how wide windows are to be, once it is known how those of finished makes held', () => {
    const { kitchen } = testKitchen(true);
    seedDemo(kitchen);
    const ours = school(kitchen.db, 'ours', DEMO_TIME.zone);
    askAll(ours);
    ours.pool();
    expect(kitchen.learned().pooled.widths).toBeUndefined();
    ours.unreckoned().slice(0, 2).forEach(ours.reckon);
    expect(ours.pool()).toBe(true);
    const widths = kitchen.learned().pooled.widths!;
    expect(widths.length).toBeGreaterThan(0);
    for (const { factor, makes } of widths) {
      expect(factor).toBeGreaterThanOrEqual(0.7);
      expect(factor).toBeLessThanOrEqual(2.5);
      expect(makes).toBeLessThanOrEqual(2);
    }
  });
});
