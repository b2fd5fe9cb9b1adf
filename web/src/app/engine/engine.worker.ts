import { householdAround, householdOf } from '@oat-crock/calendar';
import {
  compareMakes,
  explain,
  findMakes,
  follow,
  makeSheet,
  quieter,
  scaleTo,
  seedFromText,
  SHEET_FORECAST,
  trendsOf,
} from '@oat-crock/core';
import { expose } from 'comlink';
import type { Effort, EngineApi } from './engine-api';

const MEMBERS: Readonly<Record<Effort, number>> = { glance: 250, look: 2000 };
const FAN_POINTS = 48;

const api: EngineApi = {
  follow: (batch, nowMs, effort, house) => {
    const options = { members: MEMBERS[effort], seed: seedFromText(batch.id), fanPoints: FAN_POINTS };
    return follow(batch, nowMs, options, householdAround(batch, house));
  },
  explain: (batch, fault, nowMs, house) => {
    const options = { members: MEMBERS.look, seed: seedFromText(batch.id), fanPoints: 0 };
    return explain(batch, fault, nowMs, options, householdAround(batch, house));
  },
  sheet: ({ method, choices, startMs, settings, stocks, gear, known }) =>
    makeSheet(method, choices, SHEET_FORECAST, { startMs, stocks, ...householdOf(settings, gear), known }),
  find: (methods, wanted, settings) => findMakes(methods, wanted, householdOf(settings)),
  scale: ({ method, choices, settings, stocks, gear, known }, goal) =>
    scaleTo(method, choices, goal, { stocks, ...householdOf(settings, gear), known }),
  compare: (makes, nowMs) => {
    const toCompare = makes.map(({ batch, house }) => ({ batch, household: householdAround(batch, house) }));
    return compareMakes(toCompare, { members: MEMBERS.glance, seed: 1, fanPoints: 0 }, nowMs);
  },
  trends: trendsOf,
  quieter: ({ method, choices, startMs, settings, stocks, gear, known }) =>
    quieter(method, choices, { startMs, stocks, ...householdOf(settings, gear), known }),
};

expose(api);
