import { asleepOf, roomAround, roomSwingAt, wakeAfter } from '@oat-crock/calendar';
import type { Settings } from '@oat-crock/contract/wire';
import {
  explain,
  findMakes,
  follow,
  lessonsOf,
  pooled,
  standingLessons,
  makeSheet,
  scaleTo,
  seedFromText,
  SHEET_FORECAST,
  USUAL_KITCHEN,
  withVessels,
  workOut,
  type Batch,
  type Gear,
  type Household,
} from '@oat-crock/core';
import { expose } from 'comlink';
import type { Effort, EngineApi, House } from './engine-api';

const MEMBERS: Readonly<Record<Effort, number>> = { glance: 250, look: 2000 };
const FAN_POINTS = 48;

/** The household that the settings describe, with the gear of a make, as the engine wants it. */
function householdOf(settings: Settings, gear: readonly Gear[] = []): Household {
  const { roomC, refrigeratorC, hobW } = settings;
  return {
    kitchen: withVessels({ ...USUAL_KITCHEN, roomC, refrigeratorC, hobW }, gear),
    ...(settings.roomNightDropC > 0 && { roomSwing: (ms: number) => roomSwingAt(settings, ms) }),
    wake: (ms) => wakeAfter(ms, asleepOf(settings)),
  };
}

/** The household around a make that is on or was: with the room as it was read. */
function householdAround(batch: Batch, { settings, gear, room, known }: House): Household {
  const household = { ...householdOf(settings, gear), known };
  if (room.length === 0) return household;
  const planned = batch.choices['roomC'];
  const plannedC = planned === undefined ? undefined : Number(planned);
  return { ...household, roomAt: roomAround(settings, room, batch.startedMs, plannedC) };
}

const api: EngineApi = {
  follow: (batch, nowMs, effort, house) => {
    const options = { members: MEMBERS[effort], seed: seedFromText(batch.id), fanPoints: FAN_POINTS };
    return follow(batch, nowMs, options, householdAround(batch, house));
  },
  explain: (batch, fault, nowMs, house) => {
    const options = { members: MEMBERS.look, seed: seedFromText(batch.id), fanPoints: 0 };
    return explain(batch, fault, nowMs, options, householdAround(batch, house));
  },
  lessons: (batch, nowMs, house) => {
    const options = { members: MEMBERS.glance * 2, seed: seedFromText(batch.id), fanPoints: 0 };
    return lessonsOf(workOut(batch, nowMs, options, householdAround(batch, house)), house.known?.line);
  },
  learn: (taught, forgotten) => pooled(standingLessons(taught, forgotten)),
  sheet: ({ method, choices, startMs, settings, stocks, gear, known }) =>
    makeSheet(method, choices, SHEET_FORECAST, { startMs, stocks, ...householdOf(settings, gear), known }),
  find: (methods, wanted, settings) => findMakes(methods, wanted, householdOf(settings)),
  scale: ({ method, choices, settings, stocks, gear, known }, goal) =>
    scaleTo(method, choices, goal, { stocks, ...householdOf(settings, gear), known }),
};

expose(api);
