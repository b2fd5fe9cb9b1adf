import { CHURN_FILL } from '../constants/butter.js';
import { churnMinutes, churnTrouble } from '../physics/churning.js';
import { fractionOf } from '../materials/composition.js';
import { withCurd, type CrockState } from '../state/crock-state.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { CAUTIONS } from './cautions.js';
import type { Problem, StageKind } from './kind.js';
import { standCovered, volumeMl } from './pass-time.js';
import type { Branch, Seen } from './watch.js';
import { sayNumber, sayTemp } from './words.js';

/** What the cream is churned in. */
export type ChurnDevice = 'jar' | 'crank' | 'mixer' | 'processor';

export interface ChurnParams {
  readonly device: ChurnDevice;
  /** What the churn or bowl holds to the brim, L. */
  readonly churnL: number;
}

/** Times as long as a cranked churn, and how it is worked. */
const DEVICES: Readonly<Record<ChurnDevice, { readonly longer: number; readonly how: string; readonly gear: string }>> =
  {
    jar: { longer: 1.3, how: 'Shake it in its jar', gear: 'jar' },
    crank: { longer: 1, how: 'Crank it steadily', gear: 'churn' },
    mixer: { longer: 0.6, how: 'Whisk it, then take the paddle when it stiffens', gear: 'mixer' },
    processor: { longer: 0.25, how: 'Run it in short bursts', gear: 'food processor' },
  };

/** Denatured share from which a cream must have been ultra-heated. */
const ULTRA_HEATED = 0.3;

/** Minutes until this cream breaks in this churn, from the beginning. */
function minutesToBreak(state: CrockState, params: ChurnParams): number {
  const fatPct = Math.max(1, 100 * fractionOf(state.masses, 'fat'));
  return churnMinutes({ fatPct, tempC: state.tempC, ph: state.ph }) * DEVICES[params.device].longer;
}

/** Worked until the fat clumps and the buttermilk runs free. */
export const churn: StageKind<ChurnParams> = {
  kind: 'churn',
  defaults: { device: 'mixer', churnL: 4 },
  name: () => 'churn',
  begins: () => 'Start churning',
  over: () => 'It has broken',
  instruction: (params, before) =>
    `${DEVICES[params.device].how} until it breaks into grains, about ${Math.round(minutesToBreak(before, params))} min at ${sayTemp(before.tempC)}.`,
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
    cost: 'Stopped early the fat stays in the buttermilk; a minute over works the buttermilk back in.',
  }),
  endCue: () => 'Grains like rice in thin milk; it slops and the sound drops.',
  cues: [
    {
      cue: 'churn',
      ask: 'How far is it?',
      answers: ['foam', 'soft peaks', 'stiff', 'grains', 'broken'],
    },
  ],
  chart: { left: 'churnedPct', right: 'tempC' },
  watch: (_params, { begun, here, planned }) => [
    { what: 'Churned', unit: '%', planned: 100, now: 100 * Math.min(1, here.curd.churned) },
    { what: 'Time', unit: 'min', planned: planned.minute - begun.minute, now: here.minute - begun.minute },
    { what: 'Temperature', unit: '°C', planned: begun.tempC, now: here.tempC },
  ],
  branches: churnBranches,
  cautions: (_params, state) => (denaturedBetaLg(state.native) > ULTRA_HEATED ? [CAUTIONS.ultraCream] : []),
  problems: (params, state) => [...breakProblems(state), ...roomProblems(params, state)],
};

const WONT_BREAK: Readonly<Record<NonNullable<ReturnType<typeof churnTrouble>>, Problem>> = {
  'too cold': {
    field: 'churnC',
    message: 'So cold it foams and never breaks.',
    remedy: 'Temper it to 10 to 14 °C first.',
    works: { churnC: 12 },
  },
  'too warm': {
    field: 'churnC',
    message: 'So warm it goes to grease, and much fat stays in the buttermilk.',
    remedy: 'Churn it at 10 to 20 °C.',
    works: { churnC: 18 },
  },
  'too lean': {
    field: 'fatPct',
    message: 'There is too little fat in it to clump.',
    remedy: 'Ask for 25 % fat or more.',
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
      message: `A churn of ${sayNumber(params.churnL)} L is too full of it to whip.`,
      remedy: `Take one of ${Math.ceil(wantedL * 2) / 2} L, or churn it in ${Math.ceil(wantedL / params.churnL)} lots.`,
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
        offer: 'Stop churning now',
        because: 'It has broken: a minute more works the buttermilk back in.',
        does: { do: 'next' },
      },
    ];
  }
  const late = here.minute - begun.minute > STUCK_TIMES * (planned.minute - begun.minute);
  if (!late || looks['churn'] === undefined) return [];
  return [
    {
      id: 'stuck',
      offer: 'Stand it in tepid water for five minutes, then go on',
      because: `After ${Math.round(here.minute - begun.minute)} min it is only at ${looks['churn']}: it is too cold, too full or too lean.`,
      does: { do: 'leave', note: 'Warmed the cream a little and went on.' },
    },
  ];
}
