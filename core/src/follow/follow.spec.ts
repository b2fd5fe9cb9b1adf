import { english } from '@oat-crock/messages';
import { canRead, hiddenTruth, readingMoments, simulatedReadings, truthSeed } from '../instruments/hidden-truth.js';
import type { Entry, EntryBody } from '../batch/entry.js';
import { replay } from '../batch/replay.js';
import { assessSafety, gravest, type SafetyView } from '../safety/rules.js';
import { referenceStock } from '../materials/reference-materials.js';
import { NOMINAL_MEMBER } from '../environment/environment.js';
import { emptyCrock, pourIn } from '../state/crock-state.js';
import { massesOfMaterial } from '../materials/materials.js';
import { sown } from '../stages/sowing.js';
import { follow, type Followed } from './follow.js';

/** A crock with a culture in it. */
const sownCrock = () =>
  sown(
    pourIn(emptyCrock(43, 6.65), massesOfMaterial(referenceStock('whole'), 1000)),
    {
      living: [{ culture: 'thermophilic', biomass: 0.02, lagQ: 1 }],
      lacticMolPerKg: 0,
      prior: { deadChance: 0.01, paceSd: 0.25 },
    },
    NOMINAL_MEMBER,
  );

const T0 = Date.UTC(2026, 4, 2, 8);
const MIN = 60_000;
const OPTIONS = { members: 400, seed: 1, fanPoints: 20 };
let made = 0;

const log = (...lines: [number, EntryBody][]): Entry[] =>
  lines.map(([min, body]) => ({
    id: String(++made).padStart(26, '0'),
    batchId: '01J00000000000000000000000',
    atMs: T0 + min * MIN,
    source: 'hand',
    body,
  }));
const start = (choices = {}): [number, EntryBody] => [
  0,
  { type: 'started', methodId: 'strained-yogurt', choices, name: 'Pot' },
];
const step = (min: number, stageId: string): [number, EntryBody] => [min, { type: 'step', stageId }];
const read = (min: number, quantity: 'ph' | 'tempC' | 'wheyG', value: number): [number, EntryBody] => [
  min,
  {
    type: 'reading',
    quantity,
    value,
    by: quantity === 'ph' ? 'meter' : quantity === 'tempC' ? 'thermometer' : 'scale',
  },
];
const WARM = [
  start(),
  step(9, 'heat'),
  step(31, 'hold'),
  step(46, 'cool'),
  step(65, 'starter'),
  step(71, 'warm'),
] as const;
const at = (min: number, entries: Entry[]): Followed => follow(replay(entries)!, T0 + min * MIN, OPTIONS);
const minOf = (ms: number | null) => (ms! - T0) / MIN;
const souring = (f: Followed) => f.windows.find((w) => w.by === 'acidity')!;

describe('following a make', () => {
  it('shows what was done, what is on and what comes', () => {
    const f = at(150, log(...WARM));
    expect(f.stages.map((s) => s.status)).toEqual([
      'done',
      'done',
      'done',
      'done',
      'done',
      'now',
      'ahead',
      'ahead',
      'ahead',
    ]);
    expect(f.tasks.find((h) => h.status !== 'done')!.stageId).toBe('chill');
    expect(f.arrives).toBeTrue();
    expect(f.balanceEnd.errorPct).toBeLessThan(0.1);
  });

  it('goes forward through time without holes', () => {
    const { series } = at(150, log(...WARM));
    series.forEach((p, i) => {
      if (i > 0) expect(p.atMs).toBeGreaterThanOrEqual(series[i - 1]!.atMs - 1);
      expect(p.massG).toBeGreaterThan(0);
    });
    expect(series.at(-1)!.wheyG).toBeGreaterThan(1500);
  });

  it('moves its window with a pH, with a look, and back again when the line is taken back', () => {
    const before = souring(at(240, log(...WARM)));
    const slow = log(...WARM, read(240, 'ph', 5.9));
    const after = souring(at(240, slow));
    expect(minOf(after.p50Ms)).toBeGreaterThan(minOf(before.p50Ms) + 15);
    expect(after.p90Ms! - after.p10Ms!).toBeLessThan(before.p90Ms! - before.p10Ms!);
    const look = log(...WARM, [240, { type: 'cue', cue: 'set', answer: 'liquid' }]);
    expect(minOf(souring(at(240, look)).p50Ms)).toBeGreaterThan(minOf(before.p50Ms));
    const back = [...slow, ...log([241, { type: 'correction', replaces: slow.at(-1)!.id, body: null }])];
    expect(minOf(souring(at(241, back)).p50Ms)).toBeCloseTo(minOf(before.p50Ms), 0);
  });

  it('lets a strip tell beside a meter, and never in its place', () => {
    const strip: [number, EntryBody] = [250, { type: 'reading', quantity: 'ph', value: 6.3, by: 'strip' }];
    const meter = read(241, 'ph', 5.4);
    const p50 = (...lines: [number, EntryBody][]) => minOf(souring(at(260, log(...WARM, ...lines))).p50Ms);
    expect(p50(meter, strip)).toBe(p50(meter));
    expect(p50(strip)).toBeGreaterThan(p50(meter) + 15);
  });

  it('believes the thermometer over the model: a cold place is slower', () => {
    const cold = Array.from({ length: 30 }, (_, i) => read(80 + i * 10, 'tempC', 38));
    const f = at(380, log(...WARM, ...cold));
    expect(f.now.tempC).toBeCloseTo(38, 0);
    expect(f.learned.incubatorOffsetC).toBeLessThan(-2);
    expect(minOf(souring(f).p50Ms)).toBeGreaterThan(minOf(souring(at(380, log(...WARM))).p50Ms) + 30);
  });

  it('reckons the heat that was measured, not the heat that was planned', () => {
    const short = [read(9, 'tempC', 5), read(20, 'tempC', 50), read(31, 'tempC', 66), read(46, 'tempC', 66)];
    const f = at(150, log(...WARM, ...short));
    expect(f.now.betaLgDenaturedPct).toBeLessThan(20);
    expect(at(150, log(...WARM)).now.betaLgDenaturedPct).toBeGreaterThan(90);
  });

  it('lets it go on souring while nobody comes, and says the hands are due', () => {
    const f = at(71 + 9 * 60, log(...WARM));
    expect(f.tasks.find((h) => h.stageId === 'chill')!.status).toBe('due');
    expect(f.now.ph).toBeLessThan(4.3);
  });

  it('tells when to stop straining from the whey that is weighed', () => {
    const onCloth = [...WARM, step(370, 'chill'), step(760, 'strain')] as const;
    const slow = [820, 880, 940].map((m, i) => read(m, 'wheyG', [250, 400, 520][i]!));
    const plain = at(940, log(...onCloth)).windows.find((w) => w.by === 'solids')!;
    const weighed = at(940, log(...onCloth, ...slow)).windows.find((w) => w.by === 'solids')!;
    expect(minOf(weighed.p50Ms)).toBeGreaterThan(minOf(plain.p50Ms));
    const width = (w: typeof plain) => (w.p90Ms! - w.p10Ms!) / (w.p50Ms! - T0 - 760 * MIN);
    expect(width(weighed)).toBeLessThan(0.8 * width(plain));
  });

  it('passes over a stage that was not logged', () => {
    const f = at(150, log(start(), step(9, 'heat'), step(65, 'starter'), step(71, 'warm')));
    expect(f.stages.find((s) => s.id === 'hold')!.status).toBe('done');
    expect(f.now.soured).toBeTrue();
  });

  it('stands still after the end', () => {
    const done = log(...WARM, step(370, 'chill'), step(760, 'strain'), step(1200, 'finish'), [
      1220,
      { type: 'finished', productG: 1600, wheyG: 2300, heldBackG: 120, score: null },
    ]);
    expect(at(5000, done).series).toEqual(at(1300, done).series);
    expect(at(5000, done).tasks.every((h) => h.status === 'done')).toBeTrue();
  });
});

describe('the rules of safety', () => {
  const view: SafetyView = {
    state: { ...sownCrock(), ph: 5.5 },
    measuredPh: null,
    rawMilk: false,
    souringMin: 200,
    forecastMin: 300,
    acidSeen: false,
    onCounter: false,
    ended: false,
  };

  it('are content with a make on its way', () => {
    expect(assessSafety(view)).toEqual([]);
    expect(gravest([])).toBe('fine');
  });

  it('watch, then hold, then discard one that does not sour', () => {
    const level = (souringMin: number) => gravest(assessSafety({ ...view, souringMin }));
    expect(level(430)).toBe('watch');
    expect(level(530)).toBe('hold');
    expect(level(620)).toBe('discard');
    expect(gravest(assessSafety({ ...view, souringMin: 620, measuredPh: 4.5 }))).toBe('fine');
  });

  it('hold what ended above pH 4.6 or drains warm there', () => {
    const ended = { ...view, souringMin: null, ended: true };
    expect(gravest(assessSafety(ended))).toBe('hold');
    // curd by acid and heat never was to be kept by acid: it is watched, and eaten soon
    expect(gravest(assessSafety({ ...ended, state: { ...view.state, souring: null } }))).toBe('watch');
    expect(gravest(assessSafety({ ...view, onCounter: true }))).toBe('hold');
  });

  it('note raw milk that was never heated enough, with the reason, the remedy and the source', () => {
    const unheated = follow(
      replay(
        log(
          start({ milk: 'raw', heatC: 63, holdMin: 0, fatPct: 4.2 }),
          step(9, 'heat'),
          step(60, 'starter'),
          step(66, 'warm'),
        ),
      )!,
      T0 + 90 * MIN,
      OPTIONS,
    );
    const finding = unheated.findings.find((f) => english(f.rule) === 'raw milk')!;
    expect(finding.level).toBe('watch');
    expect(english(finding.source)).toContain('Pasteurized Milk Ordinance');
    expect(english(finding.doNow).length).toBeGreaterThan(20);
  });
});

describe('the stand-ins', () => {
  const batch = replay(log(...WARM))!;

  it('see the same hidden crock each time they look', () => {
    const ms = T0 + 200 * MIN;
    expect(simulatedReadings('ph-probe', batch, ms)(ms)).toBe(simulatedReadings('ph-probe', batch, ms)(ms));
    const truth = hiddenTruth(batch, ms)!;
    expect(Math.abs(simulatedReadings('thermometer', batch, ms)(ms)! - truth.tempC)).toBeLessThan(1);
    expect(Math.abs(simulatedReadings('ph-probe', batch, ms)(ms)! - truth.ph)).toBeLessThan(0.15);
  });

  it('read only what there is to read', () => {
    expect(simulatedReadings('scale', batch, T0 + 200 * MIN)(T0 + 200 * MIN)).toBeNull();
    expect(simulatedReadings('ph-probe', batch, T0 + 20 * MIN)(T0 + 20 * MIN)).toBeNull();
    expect(hiddenTruth(batch, T0 - MIN)).toBeNull();
    expect(canRead('thermometer', emptyCrock(4, 6.65))).toBeTrue();
  });

  it('read at their own pace, none twice', () => {
    const first = readingMoments('thermometer', T0, T0 + 31 * MIN);
    const then = readingMoments('thermometer', T0 + 31 * MIN, T0 + 60 * MIN);
    expect(first.length + then.length).toBe(12);
    expect(new Set([...first, ...then]).size).toBe(12);
  });

  it('draw the truth from the chance part of an id, not from its time', () => {
    expect(truthSeed('01AAAAAAAAXYZ')).toBe(truthSeed('01BBBBBBBBXYZ'));
  });
});

describe('waiting for morning', () => {
  /** Nobody is awake from minute 700 to minute 1150 of the make. */
  const wake = (ms: number) => {
    const min = (ms - T0) / MIN;
    return min > 700 && min < 1150 ? T0 + 1150 * MIN : ms;
  };
  const awake = (minute: number, entries: Entry[]) => follow(replay(entries)!, T0 + minute * MIN, OPTIONS, { wake });
  const task = (f: Followed, id: string) => f.tasks.find((h) => h.stageId === id)!;

  it('moves the hands that can wait, and all that follows with them', () => {
    const f = awake(150, log(...WARM));
    const strained = task(f, 'strain');
    expect(minOf(strained.readyMs)).toBeLessThan(1150);
    expect(minOf(strained.atMs)).toBeCloseTo(1150, 1);
    expect(minOf(task(f, 'finish').atMs)).toBeGreaterThan(1150 + 300);
    expect(f.balanceEnd.errorPct).toBeLessThan(0.1);
  });

  it('leaves a souring where it is: it does not wait', () => {
    const early = (ms: number) => ((ms - T0) / MIN > 300 && (ms - T0) / MIN < 900 ? T0 + 900 * MIN : ms);
    const f = follow(replay(log(...WARM))!, T0 + 150 * MIN, OPTIONS, { wake: early });
    expect(task(f, 'chill').atMs).toBe(task(f, 'chill').readyMs);
    expect(minOf(task(f, 'chill').atMs)).toBeLessThan(500);
  });
});
