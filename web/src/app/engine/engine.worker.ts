import type { Settings } from '@oat-crock/contract/wire';
import {
  explain,
  findMakes,
  follow,
  makeSheet,
  scaleTo,
  seedFromText,
  SHEET_FORECAST,
  USUAL_KITCHEN,
  withVessels,
  type Gear,
  type Household,
} from '@oat-crock/core';
import { expose } from 'comlink';
import { roomSwingAt, wakeAfter } from '@oat-crock/contract/wire';
import type { Effort, EngineApi } from './engine-api';

const MEMBERS: Readonly<Record<Effort, number>> = { glance: 250, look: 2000 };
const FAN_POINTS = 48;

/** The household that the settings describe, with the gear of a make, as the engine wants it. */
function householdOf(settings: Settings, gear: readonly Gear[] = []): Household {
  const { asleepFromH, asleepToH, roomC, refrigeratorC, hobW } = settings;
  return {
    kitchen: withVessels({ ...USUAL_KITCHEN, roomC, refrigeratorC, hobW }, gear),
    ...(settings.roomNightDropC > 0 && { roomSwing: (ms: number) => roomSwingAt(settings, ms) }),
    wake: (ms) => wakeAfter(ms, { fromH: asleepFromH, toH: asleepToH }),
  };
}

const api: EngineApi = {
  follow: (batch, nowMs, effort, settings, gear) => {
    const options = { members: MEMBERS[effort], seed: seedFromText(batch.id), fanPoints: FAN_POINTS };
    return follow(batch, nowMs, options, householdOf(settings, gear));
  },
  explain: (batch, fault, nowMs, settings, gear) => {
    const options = { members: MEMBERS.look, seed: seedFromText(batch.id), fanPoints: 0 };
    return explain(batch, fault, nowMs, options, householdOf(settings, gear));
  },
  sheet: ({ method, choices, startMs, settings, stocks, gear }) =>
    makeSheet(method, choices, SHEET_FORECAST, { startMs, stocks, ...householdOf(settings, gear) }),
  find: (methods, wanted, settings) => findMakes(methods, wanted, householdOf(settings)),
  scale: ({ method, choices, settings, stocks, gear }, goal) =>
    scaleTo(method, choices, goal, { stocks, ...householdOf(settings, gear) }),
};

expose(api);
