import { ACIDS, SOUR_AGENTS, type SourAgentId } from '../constants/acids.js';
import { BOTTLE, POT } from '../constants/pooling.js';
import type { WorkedOut } from '../follow/follow.js';
import type { TimelineStage } from '../follow/timeline.js';
import { bottleOwned, potOwned } from '../learn/owners.js';
import type { Lesson } from '../learn/pooled.js';
import { NOTHING_SAID, potLossFactor } from '../learn/pot-and-bottle.js';
import { readOnce } from '../learn/read-once.js';
import { totalG } from '../materials/composition.js';
import { firstOf } from '../make/run.js';
import type { Choices } from '../methods/method.js';
import { acidForPh } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { fitHeatLoss } from '../physics/fit-heat.js';
import { coolingSurroundings } from '../physics/heat.js';
import { volumeMl } from '../stages/pass-time.js';
import { sournessOf } from '../stages/sourness.js';

/** What temperatures read while a covered pot cooled say of it. */
export function potLessons({ batch, choices, timeline, environment, known }: WorkedOut): Lesson[] {
  const { kitchen } = environment;
  const stage = timeline.stages.find(
    ({ stage: { kind, params }, status }) =>
      kind.kind === 'cool' &&
      params['method'] === 'covered' &&
      Number(params['depthCm'] ?? 0) === 0 &&
      status === 'done',
  );
  if (!stage || stage.endMs === null) return [];
  const noted = batch.readings
    .filter((r) => r.quantity === 'tempC' && r.atMs >= stage.beginMs && r.atMs <= stage.endMs!)
    .map((r) => ({ min: (r.atMs - stage.beginMs) / 60_000, tempC: r.value }));
  const [first, last] = [noted[0], noted.at(-1)];
  if (!first || !last || last.min - first.min < POT.leastMin || last.tempC < kitchen.roomC + POT.leastAboveK) return [];
  const begun = firstOf(stage.run);
  const fitted = fitHeatLoss(begun.masses, [first, last], kitchen.roomC).uaWPerK;
  const learned = known ? potLossFactor(known.learned, choices) : 1;
  const reckoned = coolingSurroundings('covered', volumeMl(begun), kitchen.roomC).uaWPerK * (kitchen.potLoss / learned);
  if (!(fitted > 0)) return [];
  const said = Math.log(fitted / reckoned) / POT.sd;
  return [
    { ...potOwned(choices['vesselL']), before: NOTHING_SAID, taught: readOnce(said, (POT.sd / POT.readSd) ** 2) },
  ];
}

/** What a pH read once all the acid was in says of the bottle it came from. */
export function bottleLessons({ batch, choices, timeline, souring }: WorkedOut): Lesson[] {
  const at = timeline.stages.findIndex(({ stage, status }) => stage.kind.kind === 'acidify' && status === 'done');
  const stage = timeline.stages[at];
  if (!stage || souring) return [];
  const untilMs = stage.endMs ?? Infinity;
  const poured = batch.added.filter((a) => a.what === 'acid' && a.atMs >= stage.beginMs && a.atMs <= untilMs);
  const read = batch.readings.find(
    (r) => r.quantity === 'ph' && r.by === 'meter' && r.atMs >= (poured.at(-1)?.atMs ?? Infinity),
  );
  if (!read || !isBeforeWhey(timeline.stages, at, read.atMs)) return [];
  const { agent, gAtLabel } = pouredAcid(
    stage,
    choices,
    poured.reduce((sum, a) => sum + a.massG, 0),
  );
  const acidG = (ph: number) => acidInG(stage, agent, ph);
  const shownG = acidG(read.value);
  if (!(shownG > 0) || !(gAtLabel > 0)) return [];
  const byPh = Math.abs(acidG(read.value - BOTTLE.phSd) - acidG(read.value + BOTTLE.phSd)) / 2 / shownG;
  const readSd = Math.hypot(byPh, BOTTLE.pouredSd);
  const said = Math.log(shownG / gAtLabel) / BOTTLE.sd;
  return [{ ...bottleOwned(agent), before: NOTHING_SAID, taught: readOnce(said, (BOTTLE.sd / readSd) ** 2) }];
}

/** Once whey has run off, a pH is no longer that of the milk the acid went into. */
function isBeforeWhey(stages: readonly TimelineStage[], from: number, atMs: number): boolean {
  const drains = stages.slice(from).find((s) => s.stage.kind.drainage !== undefined);
  return drains === undefined || atMs <= drains.beginMs;
}

/** Which acid was poured, and how much pure acid by its label, or by what is usual of it, g. */
function pouredAcid({ stage }: TimelineStage, choices: Choices, massG: number) {
  const agent = stage.params['agent'] as SourAgentId;
  const labelPct = Number(choices['acidPct'] ?? 0) || SOUR_AGENTS[agent].strengthPct;
  return { agent, gAtLabel: (massG * labelPct) / 100 };
}

/** Pure acid that brings the milk of a stage to a pH, g. */
function acidInG({ before }: TimelineStage, agent: SourAgentId, ph: number): number {
  const { acid } = SOUR_AGENTS[agent];
  const molPerKg = acidForPh(bufferMilkOf(before.masses, before.freshPh), sournessOf(before), acid, ph);
  return (molPerKg * totalG(before.masses) * ACIDS[acid].molarG) / 1000;
}
