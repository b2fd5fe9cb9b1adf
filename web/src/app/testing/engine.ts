import { householdOf } from '@oat-crock/calendar';
import { makeSheet, quieter, scaleTo, type Goal } from '@oat-crock/core';
import { Engine } from '../engine/engine';
import type { MakeAsked } from '../engine/engine-api';

const FEW = { members: 20, seed: 1, fanPoints: 2 };
const begin = ({ startMs, settings, stocks }: MakeAsked) => ({ startMs, stocks, ...householdOf(settings) });

/** The engine without its worker, with few members. */
export const WITHOUT_WORKER = {
  provide: Engine,
  useValue: {
    sheet: (asked: MakeAsked) => Promise.resolve(makeSheet(asked.method, asked.choices, FEW, begin(asked))),
    quieter: (asked: MakeAsked) => Promise.resolve(quieter(asked.method, asked.choices, begin(asked))),
    scale: (asked: MakeAsked, goal: Goal) => Promise.resolve(scaleTo(asked.method, asked.choices, goal, begin(asked))),
  },
};
