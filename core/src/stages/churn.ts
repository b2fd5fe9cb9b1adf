import { say, type Text } from '../messages/message.js';
import { amount, between, temp, volume } from '../messages/quantity.js';
import { CHURN_FILL } from '../constants/butter.js';
import { churnMinutes, churnTrouble } from '../physics/churning.js';
import { fractionOf } from '../materials/composition.js';
import { withCurd, type CrockState } from '../state/crock-state.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { CAUTIONS } from './cautions.js';
import type { Problem, StageKind } from './kind.js';
import { standCovered, volumeMl } from './pass-time.js';
import type { Branch, Seen } from './watch.js';

/** What the cream is churned in. */
export type ChurnDevice = 'jar' | 'crank' | 'mixer' | 'processor';

export interface ChurnParams {
  readonly device: ChurnDevice;
  /** What the churn or bowl holds to the brim, L. */
  readonly churnL: number;
}

/** Times as long as a cranked churn, and how it is worked. */
const DEVICES: Readonly<Record<ChurnDevice, { readonly longer: number; readonly how: Text; readonly gear: string }>> = {
  jar: { longer: 1.3, how: say('stages.churn.shakeJar'), gear: 'jar' },
  crank: { longer: 1, how: say('stages.churn.crankSteadily'), gear: 'churn' },
  mixer: { longer: 0.6, how: say('stages.churn.whiskTakePaddleWhen'), gear: 'mixer' },
  processor: { longer: 0.25, how: say('stages.churn.runShortBursts'), gear: 'food processor' },
};

/** Denatured share from which a cream must have been ultra-heated. */
const ULTRA_HEATED = 0.3;

/** Minutes until this cream breaks in this churn, from the beginning. */
function minutesToBreak(state: CrockState, params: ChurnParams): number {
  const fatPct = Math.max(1, 100 * fractionOf(state.masses, 'fat'));
  return churnMinutes({ fatPct, tempC: state.tempC, ph: state.ph }) * DEVICES[params.device].longer;
}

/** Worked until the fat clumps and the buttermilk runs free. */
export const churn: StageKind<ChurnParams, 'churn'> = {
  kind: 'churn',
  defaults: { device: 'mixer', churnL: 4 },
  name: () => say('stages.churn.churn'),
  begins: () => say('stages.churn.startChurning'),
  over: () => say('stages.churn.itHasBroken'),
  instruction: (params, before) =>
    say('stages.churn.untilBreaksIntoGrains', {
      how: DEVICES[params.device].how,
      minutesToBreak: amount(minutesToBreak(before, params), 0),
      temp: temp(before.tempC),
    }),
  handsMin: () => 20,
  attended: true,
  gear: (params) => [DEVICES[params.device].gear],
  endsBy: 'clock',
  target: () => 1,
  begin: (state) => withCurd(state, { churned: 0 }),
  advance: (state, params, environment, minutes) => {
    const churned = state.curd.churned + minutes / minutesToBreak(state, params);
    return withCurd(standCovered(state, environment, minutes), { churned });
  },
  done: (state) => state.curd.churned >= 1,
  stepMin: 1,
  slack: () => ({
    earlyMin: 0,
    lateMin: 1,
    cost: say('stages.churn.stoppedEarlyFatStays'),
  }),
  endCue: () => say('stages.churn.grainsLikeRiceThin'),
  cues: [
    {
      cue: 'churn',
      ask: say('stages.churn.howFar'),
      answers: ['foam', 'soft-peaks', 'stiff', 'grains', 'broken'],
    },
  ],
  chart: { left: 'churnedPct', right: 'tempC' },
  watch: (_params, { begun, here, planned }) => [
    { what: say('stages.churn.churned'), unit: '%', planned: 100, now: 100 * Math.min(1, here.curd.churned) },
    {
      what: say('stages.churn.time'),
      unit: 'min',
      planned: planned.minute - begun.minute,
      now: here.minute - begun.minute,
    },
    { what: say('stages.churn.temperature'), unit: '°C', planned: begun.tempC, now: here.tempC },
  ],
  branches: churnBranches,
  cautions: (_params, state) => (denaturedBetaLg(state.native) > ULTRA_HEATED ? [CAUTIONS.ultraCream] : []),
  problems: (params, state) => [...breakProblems(state), ...roomProblems(params, state)],
};

const WONT_BREAK: Readonly<Record<NonNullable<ReturnType<typeof churnTrouble>>, Problem>> = {
  'too cold': {
    field: 'churnC',
    message: say('stages.churn.coldFoamsNeverBreaks'),
    remedy: say('stages.churn.temperFirst', { temp: between(temp(10), temp(14)) }),
    works: { churnC: 12 },
  },
  'too warm': {
    field: 'churnC',
    message: say('stages.churn.warmGoesGreaseMuch'),
    remedy: say('stages.churn.churnItAt', { temp: between(temp(10), temp(20)) }),
    works: { churnC: 18 },
  },
  'too lean': {
    field: 'fatPct',
    message: say('stages.churn.thereTooLittleFat'),
    remedy: say('stages.churn.askFatMore'),
    works: { fatPct: 25 },
  },
};

function breakProblems(state: CrockState): Problem[] {
  const trouble = churnTrouble({ fatPct: 100 * fractionOf(state.masses, 'fat'), tempC: state.tempC });
  return trouble ? [WONT_BREAK[trouble]] : [];
}

function roomProblems(params: ChurnParams, state: CrockState): Problem[] {
  const wantedL = volumeMl(state) / 1000 / CHURN_FILL;
  if (wantedL <= params.churnL) return [];
  return [
    {
      field: 'churnL',
      message: say('stages.churn.churnTooFullWhip', { churn: volume(params.churnL) }),
      remedy: say('stages.churn.takeOneChurnLots', {
        wanted: volume(Math.ceil(wantedL * 2) / 2),
        churn: amount(Math.ceil(wantedL / params.churnL)),
      }),
      works: { churnL: Math.ceil(wantedL * 2) / 2 },
    },
  ];
}

/** Still only foam after so many times the minutes it should take, cream will not break as it is. */
const STUCK_TIMES = 1.5;

function churnBranches(_params: ChurnParams, { begun, here, planned, looks, over }: Seen): Branch[] {
  if (over) return [];
  if (looks['churn'] === 'grains' || looks['churn'] === 'broken') {
    return [
      {
        id: 'broke',
        offer: say('stages.churn.stopChurningNow'),
        because: say('stages.churn.brokenMinuteMoreWorks'),
        does: { do: 'next' },
      },
    ];
  }
  const late = here.minute - begun.minute > STUCK_TIMES * (planned.minute - begun.minute);
  if (!late || looks['churn'] === undefined) return [];
  return [
    {
      id: 'stuck',
      offer: say('stages.churn.standTepidWaterFive'),
      because: say('stages.churn.afterMinOnlyToo', { t: amount(here.minute - begun.minute, 0), churn: looks['churn'] }),
      does: { do: 'leave', note: say('stages.churn.warmedCreamLittleWent') },
    },
  ];
}
