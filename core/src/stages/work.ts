import { say } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { BUTTER_HANDLING_LOSS } from '../constants/butter.js';
import { massesBy, NOTHING, scaleMasses, totalG } from '../materials/composition.js';
import { pourIn, takeOut, type CrockState } from '../state/crock-state.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';
import { saltWeighed } from './salt.js';
import { addedG } from './told.js';

export interface WorkParams {
  /** Fat the butter is worked to, percent. */
  readonly butterFatPct: number;
  /** Dry salt, percent of the butter. */
  readonly saltPct: number;
  /** Salt that hands logged, g, where they did. */
  readonly saltG?: number;
}

const TAKES_MIN = 12;
/** Milk solids in butter without its fat, percent. */
const SERUM_SOLIDS_PCT = 1;

/** Pressed and folded until no drops come, salted. */
export const work: StageKind<WorkParams, 'work'> = {
  kind: 'work',
  defaults: { butterFatPct: 82, saltPct: 1 },
  name: () => say('stages.work.workSalt'),
  begins: () => say('stages.work.startWorking'),
  over: () => say('stages.work.itIsWorked'),
  instruction: (params, before) => {
    const salt = saltG(before, params);
    return salt > 0 ? say('stages.work.pressFoldSalted', { salt: mass(salt) }) : say('stages.work.pressFoldUntilNo');
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['board', 'paddles'],
  weighIn: (params, before) => saltWeighed(saltG(before, params)),
  begin: (state, params) => {
    const salt = massesBy((c) => (c === 'salt' ? saltG(state, params) : NOTHING[c]));
    const butter = pourIn(pressed(state, params), salt);
    return takeOut(butter, scaleMasses(butter.masses, BUTTER_HANDLING_LOSS), 'lost');
  },
  slack: () => ({ earlyMin: 3, lateMin: 15, cost: say('stages.work.workedTooLittleWeeps') }),
  endCue: () => say('stages.work.oneWaxyLumpPressed'),
  cues: [{ cue: 'butter', ask: say('stages.work.howButter'), answers: ['wet', 'waxy', 'greasy'] }],
  watch: (params, { here }) => [
    { what: say('stages.work.butter'), unit: 'g', planned: totalG(here.masses), now: say('stages.work.weighIt') },
    {
      what: say('stages.work.waterInIt'),
      unit: '%',
      planned: 100 - params.butterFatPct - params.saltPct - SERUM_SOLIDS_PCT,
      now: (100 * here.masses.water) / totalG(here.masses),
    },
    { what: say('stages.work.salt'), unit: 'g', planned: saltG(here, params), now: here.masses.salt },
  ],
  asks: (params, begun) =>
    params.saltPct > 0
      ? [{ asks: 'added', what: 'salt', label: say('stages.work.salt'), partG: saltG(begun, params), gPerMl: null }]
      : [],
  told: (params, told) => {
    const salt = addedG(told, 'salt');
    return salt === null ? params : { ...params, saltG: salt };
  },
  branches: (_params, { looks, over }) =>
    over || looks['butter'] !== 'greasy'
      ? []
      : [
          {
            id: 'greasy',
            offer: say('stages.work.stopWorkingPutInto'),
            because: say('stages.work.goneGreasyWarmWorked'),
            does: { do: 'leave', note: say('stages.work.restedButterCold') },
          },
        ],
  cautions: () => [],
  problems: () => [],
};

/** Mass of the finished butter that its fat makes, salt and all, g. */
const butterG = (state: CrockState, { butterFatPct }: WorkParams) => (state.masses.fat * 100) / butterFatPct;

const saltG = (state: CrockState, params: WorkParams) =>
  params.saltG ?? (butterG(state, params) * params.saltPct) / 100;

/** Serum pressed out until fat, salt and what serum is left make the butter that was asked for. */
function pressed(state: CrockState, params: WorkParams): CrockState {
  const serumG = totalG(state.masses) - state.masses.fat;
  const wantedSerumG = butterG(state, params) - state.masses.fat - saltG(state, params);
  if (wantedSerumG >= serumG) return state;
  const out = 1 - wantedSerumG / serumG;
  return takeOut(
    state,
    massesBy((c) => (c === 'fat' ? 0 : state.masses[c] * out)),
    'whey',
  );
}
