import fc from 'fast-check';
import { english } from '@oat-crock/messages';
import { replay } from '../batch/replay.js';
import { clockFrom, PLAIN_WALL } from '../environment/day-clock.js';
import { follow } from '../follow/follow.js';
import { METHODS, methodById } from '../methods/index.js';
import { choicesOf, initialChoices, type Choices } from '../methods/method.js';
import { networkOf } from '../schedule/network.js';
import { hoursOf } from '../schedule/hours.js';
import { walk } from '../schedule/timeline.js';
import { makeSheet } from './sheet.js';

const FEW = { members: 60, seed: 1, fanPoints: 24 };
const HOUR = 3_600_000;
/** Eight in the evening, by the plain wall. */
const EVENING = 20 * HOUR;
const sheetOf = (id: string, choices: Choices, startMs = EVENING) =>
  makeSheet(methodById(id), choices, FEW, { startMs });
const stageOf = (sheet: ReturnType<typeof sheetOf>, id: string) => sheet.stages.find((s) => s.id === id)!;
const lastsH = ({ beginMin, endMin }: { beginMin: number; endMin: number }) => (endMin - beginMin) / 60;
/** The hour of the day at which something ends. */
const endsAtH = ({ endMin }: { endMin: number }, startMs = EVENING) => ((startMs + endMin * 60_000) / HOUR) % 24;

describe('a wait that the clock ends', () => {
  it('lasts the hours that were asked, in every method that asks when a souring ends', () => {
    for (const method of METHODS.filter((m) => choicesOf(m).some((c) => c.key === 'warmUntil'))) {
      const sheet = sheetOf(method.id, { warmUntil: 'hours', warmH: 9.5 });
      expect(lastsH(stageOf(sheet, 'warm')))
        .withContext(method.id)
        .toBeCloseTo(9.5, 2);
      expect(sheet.souring?.byClock?.endMin).withContext(method.id).toBe(stageOf(sheet, 'warm').endMin);
    }
  });

  it('lasts them in every method that asks when a draining ends', () => {
    const drained: readonly (readonly [string, Choices, string, number])[] = [
      ['strained-yogurt', { stopping: 'clock', drainUntil: 'hours', drainH: 30 }, 'strain', 30],
      ['quark', { drainUntil: 'hours', drainH: 9 }, 'strain', 9],
      ['acid-heat-curd', { drainUntil: 'hours', drainH: 1 }, 'strain', 1],
      ['smooth-curd', { drainUntil: 'hours', drainH: 0.25 }, 'strain', 0.25],
      ['thick-cream', { drainUntil: 'hours', drainH: 24 }, 'strain', 24],
      ['soda-cheese', { drainUntil: 'hours', drainH: 12 }, 'strain', 12],
      ['cream-cheese', { drainBy: 'clock', flatH: 4, hangUntil: 'hours', hangH: 14 }, 'flat', 4],
      ['cream-cheese', { drainBy: 'clock', flatH: 4, hangUntil: 'hours', hangH: 14 }, 'strain', 14],
      ['yogurt-cream-cheese', { drainBy: 'clock', flatH: 4, hangUntil: 'hours', hangH: 10 }, 'strain', 10],
      ['yogurt-cheese', { drainBy: 'clock', flatH: 3, pressUntil: 'hours', pressH: 11 }, 'flat', 3],
      ['yogurt-cheese', { drainBy: 'clock', flatH: 3, pressUntil: 'hours', pressH: 11 }, 'strain', 11],
    ];
    for (const [id, choices, stage, hours] of drained)
      expect(lastsH(stageOf(sheetOf(id, choices), stage)))
        .withContext(`${id} ${stage}`)
        .toBeCloseTo(hours, 2);
  });

  it('lasts them in the cold, however soon it is cold through', () => {
    for (const method of METHODS.filter((m) => choicesOf(m).some((c) => c.key === 'chillUntil'))) {
      const sheet = sheetOf(method.id, { chillUntil: 'hours', chillH: 60 });
      expect(lastsH(stageOf(sheet, 'chill')))
        .withContext(method.id)
        .toBeCloseTo(60, 2);
    }
  });

  it('ends at the hour of the day that was asked, the first two hours on or later', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 95 }), fc.integer({ min: 0, max: 47 }), (quarter, half) => {
        const startMs = EVENING + half * 0.5 * HOUR;
        const sheet = sheetOf('live-kefir', { warmUntil: 'hour', warmHour: quarter / 4 }, startMs);
        const warm = stageOf(sheet, 'warm');
        expect((endsAtH(warm, startMs) - quarter / 4 + 24.01) % 24).toBeCloseTo(0.01, 3);
        expect(lastsH(warm)).toBeGreaterThanOrEqual(2 - 1e-6);
        expect(lastsH(warm)).toBeLessThan(26 + 1e-6);
      }),
      { numRuns: 20 },
    );
  });

  it('ends as somebody gets up, by the household’s own wall', () => {
    const upAtFive = { ...PLAIN_WALL, morning: (ms: number) => PLAIN_WALL.nextAt(ms, 5) };
    const sheet = makeSheet(methodById('scalded-yogurt'), { warmUntil: 'morning' }, FEW, {
      startMs: EVENING,
      wall: upAtFive,
    });
    expect(endsAtH(stageOf(sheet, 'warm'))).toBeCloseTo(5, 3);
  });

  it('is said what comes of it: longer is sourer, and the spread holds what the engine runs', () => {
    const after = (warmH: number) => sheetOf('scalded-yogurt', { warmUntil: 'hours', warmH });
    const [six, nine] = [after(6), after(9)];
    expect(nine.souring!.byClock!.ph.p50).toBeLessThan(six.souring!.byClock!.ph.p50);
    for (const sheet of [six, nine]) {
      const { p10, p50, p90 } = sheet.souring!.byClock!.ph;
      expect(p10).toBeLessThan(p50);
      expect(p50).toBeLessThan(p90);
      const ran = sheet.line.findLast((point) => point.min <= stageOf(sheet, 'warm').endMin + 1e-6)!;
      expect(Math.abs(ran.ph - p50)).toBeLessThan(0.1);
    }
    const drained = (drainH: number) =>
      sheetOf('strained-yogurt', { stopping: 'clock', drainUntil: 'hours', drainH }).straining!.byClock!;
    expect(drained(48).solidsPct).toBeGreaterThan(drained(4).solidsPct + 3);
    expect(drained(48).wheyG).toBeGreaterThan(drained(4).wheyG);
  });

  it('is warned of where it comes too early, and the way out is to wait for the aim', () => {
    const problems = (warmH: number) =>
      sheetOf('scalded-yogurt', { warmUntil: 'hours', warmH }).problems.filter((p) => p.field === 'warmUntil');
    const [early] = problems(1);
    expect(english(early!.message)).toContain('still liquid');
    expect(early!.mild).toBeUndefined();
    expect(early!.works).toEqual({ warmUntil: 'aim' });
    expect(problems(9)).toEqual([]);
    const [sharp] = sheetOf('cultured-cream', { warmUntil: 'hours', warmH: 96, roomC: 28 }).problems.filter(
      (p) => p.field === 'warmUntil',
    );
    expect(sharp!.mild).toBeTrue();
    const cold = sheetOf('scalded-yogurt', { chillUntil: 'hours', chillH: 0.25 });
    expect(cold.problems.map((p) => p.field)).toEqual(['chillUntil']);
  });

  it('is told with what the hands do, and takes no aim with it', () => {
    const said = (choices: Choices) => english(stageOf(sheetOf('live-kefir', choices), 'warm').instruction);
    expect(said({ warmUntil: 'hours', warmH: 9 })).toContain('For 9 h, by the clock.');
    expect(said({ warmUntil: 'hour', warmHour: 6.5 })).toContain('Until 06:30.');
    expect(said({ warmUntil: 'morning' })).toContain('Until the morning.');
    const [aim, other] = [4.6, 4.3].map((targetPh) =>
      sheetOf('live-kefir', { warmUntil: 'hours', warmH: 9, targetPh }),
    );
    expect(aim!.stages).toEqual(other!.stages);
    expect(aim!.souring).toEqual(other!.souring);
  });

  it('ends live as it was planned, counted from when it really began; whatever is read', () => {
    const method = methodById('scalded-yogurt');
    const choices = { ...initialChoices(method), warmUntil: 'hour', warmHour: 7 };
    const begun = replay([
      {
        id: '01J0000000000000000000000A',
        batchId: '01J0000000000000000000000B',
        atMs: EVENING,
        body: { type: 'started', methodId: method.id, name: 'x', choices, method },
      } as never,
      ...['heat', 'hold', 'cool', 'starter', 'warm'].map(
        (stageId, i) =>
          ({
            id: `01J0000000000000000000000${'CDEFG'[i]}`,
            batchId: '01J0000000000000000000000B',
            atMs: EVENING + (i + 1) * 0.4 * HOUR,
            body: { type: 'step', stageId },
          }) as never,
      ),
      {
        id: '01J0000000000000000000000H',
        batchId: '01J0000000000000000000000B',
        atMs: EVENING + 5 * HOUR,
        body: { type: 'reading', quantity: 'ph', value: 4.9, by: 'meter' },
      } as never,
    ])!;
    const followed = follow(begun, EVENING + 6 * HOUR, FEW);
    const [window] = followed.windows;
    expect(window!.byClock).toBeTrue();
    expect((window!.p50Ms! / HOUR) % 24).toBeCloseTo(7, 3);
    expect(window!.p10Ms).toBe(window!.p90Ms);
    const chill = followed.tasks.find((t) => t.stageId === 'chill')!;
    expect(chill.readyMs).toBeCloseTo(window!.p50Ms!, -3);
  });
});

describe('a plan of what the clock ends', () => {
  it('ends it at its hour, whenever it begins', () => {
    const network = networkOf(methodById('live-kefir'), { warmUntil: 'hour', warmHour: 7 });
    const step = network.steps.findIndex((s) => s.stageId === 'warm');
    const hours = hoursOf([], 5 * 1440);
    for (const startMin of [600, 900, 1200, 1290]) {
      const walked = walk(network, startMin, hours)!;
      expect(walked[step]!.endMin % 1440)
        .withContext(String(startMin))
        .toBeCloseTo(7 * 60, 6);
      expect(walked[step]!.movedMin).toBeCloseTo(0, 6);
    }
  });

  it('knows its own days: a plan that begins at 14:00 ends in the morning of those', () => {
    const network = networkOf(methodById('live-kefir'), { warmUntil: 'morning' });
    const step = network.steps.findIndex((s) => s.stageId === 'warm');
    const days = { midnightsMin: [-840, 600, 2040, 3480], morningH: 5.5 };
    expect(walk(network, 60, hoursOf([], 4000, days))![step]!.endMin).toBeCloseTo(600 + 330, 6);
    // Begun too late to be sour by then, it ends the morning after.
    expect(walk(network, 700, hoursOf([], 4000, days))![step]!.endMin).toBeCloseTo(2040 + 330, 6);
  });
});

describe('the clock on a wall', () => {
  it('counts from the moment a make began', () => {
    const clock = clockFrom(EVENING, PLAIN_WALL);
    expect(clock.nextAt(0, 20)).toBe(0);
    expect(clock.nextAt(1, 20)).toBe(1440);
    expect(clock.nextAt(0, 6.5)).toBe(630);
    expect(clock.morning(0)).toBe(600);
  });
});
