import {
  coldCrock,
  cultureOf,
  hiddenMember,
  decided,
  kitchenFor,
  swingFrom,
  lastOf,
  lotChoice,
  lotIdOf,
  canRead,
  methodById,
  planStages,
  readingMoments,
  shelfLife,
  simulateReading,
  runStage,
  stateIn,
  stockOfLot,
  seededRandom,
  seedFromText,
  INSTRUMENT_KINDS,
  totalG,
  truthSeed,
  untilWoken,
  type BoundStage,
  type Choices,
  type CrockState,
  type Entry,
  type EntryBody,
  type IssuedHow,
  type Member,
  type Score,
  type StageRun,
  type CrockSimulator,
  type StockLot,
} from '@oat-crock/core';
import { dayWord, sameHourOn, USUAL_NIGHT, wakeAfter, type Zone } from '@oat-crock/calendar';
import { ulid } from 'ulid';

const MIN_MS = 60_000;

/** A make of the demo dairy to be played out by the engine. */
export interface Script {
  readonly name: string;
  readonly methodId: string;
  readonly choices: Choices;
  readonly startMs: number;
  /** The make is played until here; what lies beyond has not happened. */
  readonly untilMs: number;
  /** The zone whose nights its hands sleep in. */
  readonly zone: Zone;
  /** Instruments that stood in the crock, by their id. */
  readonly instruments: Readonly<Record<string, CrockSimulator>>;
  /** What was seen: a cue once a share of its stage's time has passed. */
  readonly cues: readonly {
    readonly stageId: string;
    readonly share: number;
    readonly cue: string;
    readonly answer: string;
  }[];
  readonly notes: readonly { readonly stageId: string; readonly text: string }[];
  /** The maker's own marks, or how they come of how it ended. */
  readonly score: Score | null | ((end: CrockState, random: () => number) => Score);
  /** What hands read with a thermometer and a meter of their own: at these shares of a stage's time. */
  readonly handReads?: readonly { readonly stageId: string; readonly shares: readonly number[] }[];
  /** In which this make's truth is otherwise than its id draws it: a slow culture, a place that is cooler. */
  readonly truth?: Partial<Member>;
  /** What was said of it later: so long after it was finished. */
  readonly later?: readonly { readonly afterH: number; readonly body: EntryBody }[];
  /** Where what came of it went: so long after it was finished, such a share of its pots. */
  readonly goes?: readonly {
    readonly afterH: number;
    readonly share: number;
    readonly how: IssuedHow;
    readonly to?: string;
    readonly why?: string;
  }[];
  /** The lot of the larder that its milk came out of. */
  readonly milk?: StockLot;
  /** The culture that its starter came out of, and how much. */
  readonly starter?: { readonly lotId: string; readonly massG: number };
}

/** What hands read with. */
const BY_HAND = ['thermometer', 'ph-probe'] as const;

/** Hands are a little late now and then, by up to this share of a stage and these minutes. */
const LATE = { share: 0.03, mostMin: 12 };

/**
 * Plays a make: the engine runs it with the hidden truth that its id draws, hands follow, instruments read.
 * The entries are what a log of that make would hold.
 *
 * @param roomAt the true room, °C at a moment
 */
export function play(script: Script, roomAt: (ms: number) => number): Entry[] {
  const random = seededRandom(seedFromText(script.name));
  const batchId = ulid(script.startMs, random);
  const stocks = script.milk ? [stockOfLot(script.milk)] : [];
  const chosen = { ...script.choices, ...(script.milk && { milk: lotChoice(script.milk.id) }) };
  const choices = decided(methodById(script.methodId), chosen);
  const stages = planStages(methodById(script.methodId), choices, stocks);
  const culture = cultureOf(stages) ?? 'thermophilic';
  const kitchen = kitchenFor(choices);
  const environment = {
    kitchen,
    ...swingFrom(script.startMs, kitchen.roomC, { roomAt }),
    member: { ...hiddenMember(culture, truthSeed(batchId)), ...script.truth },
  };
  const entries: Entry[] = [];
  const msOf = (minute: number) => Math.round(script.startMs + minute * MIN_MS);
  const log = (atMs: number, body: EntryBody, source = 'hand') => {
    if (atMs <= script.untilMs) entries.push({ id: ulid(atMs, random), batchId, atMs, source, body });
  };

  log(script.startMs, {
    type: 'started',
    methodId: script.methodId,
    choices: chosen,
    name: script.name,
    ...(stocks.length > 0 && { stocks }),
  });
  const [first] = stages;
  for (const { stockId, massG } of first?.kind.weighIn?.(first.params, coldCrock(environment)) ?? []) {
    const lotId = stockId === undefined ? null : lotIdOf(stockId);
    if (lotId !== null) log(script.startMs, { type: 'took', lotId, massG: Math.round(massG) });
  }
  if (script.starter) log(script.startMs, { type: 'took', ...script.starter });
  let state = coldCrock(environment);
  for (const [i, stage] of stages.entries()) {
    const begin = state;
    if (i > 0) log(msOf(begin.minute), { type: 'step', stageId: stage.id });
    const run = handled(stage, begin, random);
    readAlong(run, begin);
    readByHand(run, begin);
    for (const cue of script.cues.filter((c) => c.stageId === stage.id)) {
      const minute = begin.minute + cue.share * (lastOf(run).minute - begin.minute);
      log(msOf(minute), { type: 'cue', cue: cue.cue, answer: cue.answer });
    }
    for (const note of script.notes.filter((n) => n.stageId === stage.id)) {
      log(msOf(begin.minute + 1), { type: 'note', text: note.text });
    }
    state = lastOf(run);
  }
  const productG = Math.round(totalG(state.masses) * (0.985 + 0.02 * random()));
  const pots = Math.floor(productG / Number(choices['potG']));
  const finishedMs = msOf(state.minute);
  const { days, openDays } = shelfLife(state, kitchen.refrigeratorC);
  log(finishedMs, {
    type: 'finished',
    productG,
    wheyG: Math.round(totalG(state.whey)) || null,
    heldBackG: Math.round(totalG(state.heldBack)),
    score: typeof script.score === 'function' ? script.score(state, random) : script.score,
    ...(pots > 0 && { pots }),
    useBy: dayWord(sameHourOn(finishedMs, days, script.zone), script.zone),
    openDays,
  });
  let left = pots > 0 ? pots : productG;
  const goes = script.goes ?? [];
  // Where all of it goes, the last takes what rounding left.
  const isAll = goes.reduce((sum, { share }) => sum + share, 0) > 0.999;
  for (const [i, { afterH, share, ...how }] of goes.entries()) {
    const isRest = isAll && i === goes.length - 1;
    const count = isRest ? left : Math.min(left, Math.round(share * (pots > 0 ? pots : productG)));
    if (count <= 0) continue;
    left -= count;
    log(finishedMs + afterH * 60 * MIN_MS, {
      type: 'issued',
      ...how,
      ...(pots > 0 ? { pots: count } : { massG: count }),
    });
  }
  for (const { afterH, body } of script.later ?? []) log(finishedMs + afterH * 60 * MIN_MS, body);
  return entries;

  function readByHand(run: StageRun, begin: CrockState): void {
    const { shares } = script.handReads?.find(({ stageId }) => stageId === run.stage.id) ?? { shares: [] };
    for (const share of shares) {
      const minute = begin.minute + share * (lastOf(run).minute - begin.minute);
      const seen = stateIn(run, minute, environment);
      for (const kind of BY_HAND) {
        if (!canRead(kind, seen)) continue;
        const value = simulateReading(kind, seen, seededRandom(seedFromText(`${batchId} hand ${kind} ${minute}`)));
        const { quantity, by } = INSTRUMENT_KINDS[kind];
        log(msOf(minute), { type: 'reading', quantity, value, by });
      }
    }
  }

  /** Runs a stage until it is done, and on for as long as the hands are late. */
  function handled(stage: BoundStage, from: CrockState, chance: () => number): StageRun {
    const done = runStage(stage, from, environment);
    const untilDone = untilWoken(done, environment, script.startMs, (ms) =>
      wakeAfter(ms, { ...USUAL_NIGHT, zone: script.zone }),
    );
    const took = lastOf(untilDone).minute - from.minute;
    const late = Math.min(LATE.mostMin, took * LATE.share) * chance();
    return runStage(stage, from, environment, took + late);
  }

  function readAlong(run: StageRun, begin: CrockState): void {
    const from = msOf(begin.minute);
    const until = Math.min(msOf(lastOf(run).minute), script.untilMs);
    for (const [id, kind] of Object.entries(script.instruments)) {
      for (const atMs of readingMoments(kind, from, until)) {
        const seen = stateIn(run, (atMs - script.startMs) / MIN_MS, environment);
        if (!canRead(kind, seen)) continue;
        const value = simulateReading(kind, seen, seededRandom(seedFromText(`${batchId} ${kind} ${atMs}`)));
        const { quantity, by } = INSTRUMENT_KINDS[kind];
        log(atMs, { type: 'reading', quantity, value, by }, id);
      }
    }
  }
}
