import { say, type Text } from '../messages/message.js';
import { temp, acidity, volume } from '../messages/quantity.js';
import { WATER_KJ_PER_L_K } from '../constants/heat.js';
import { heatCapacityKJPerK, jarBathKJPerK } from '../physics/heat.js';
import { firmness } from '../state/crock-state.js';
import { isByClock } from './ending.js';
import type { IncubateParams } from './incubate.js';
import { volumeMl } from './pass-time.js';
import type { Branch, Seen } from './watch.js';

/** Whether the place has a warmth it is set to. */
export const hasSetting = ({ keeper }: Pick<IncubateParams, 'keeper'>) =>
  keeper === 'thermostat' || keeper === 'lamp-oven';

/** pH over the target that a palate hardly minds. */
export const MILDER = 0.1;

/** Cooler than its place is set to by so much (°C), something is wrong with the place. */
const STRAYS_C = 3;

/** What a souring pot may want of somebody: to be chilled, warmed, held back or thrown away. */
export function souringBranches(params: IncubateParams, seen: Seen): Branch[] {
  const { looks, over } = seen;
  if (over) return [];
  return [...spoiltBranches(looks), ...readyBranches(params, seen), ...strayBranches(params, seen)];
}

function spoiltBranches(looks: Seen['looks']): Branch[] {
  if (looks['smell'] === 'foul') {
    return [
      {
        id: 'foul',
        offer: say('stages.souringBranches.stopDiscard'),
        because: say('stages.souringBranches.smellsFoulDoNot'),
        grave: true,
        does: { do: 'discard', reason: say('stages.souringBranches.smelledFoulWhileSoured') },
      },
    ];
  }
  if (looks['smell'] !== 'yeasty') return [];
  return [
    {
      id: 'yeasty',
      offer: say('stages.souringBranches.putHold'),
      because: say('stages.souringBranches.smellsYeastNotDangerous'),
      does: { do: 'hold', reason: say('stages.souringBranches.smelledYeastyWhileSoured') },
    },
  ];
}

/** Left by the clock, it is offered to be ended before its time only once it is this sour. */
const SHARP_PH = 4.15;

function readyBranches(params: IncubateParams, { here, looks }: Seen): Branch[] {
  const targetPh = isByClock(params) ? SHARP_PH : params.targetPh;
  const because: Text | null =
    here.ph <= targetPh
      ? say('stages.souringBranches.aboutPhSourWanted', { ph: acidity(here.ph) })
      : looks['taste'] === 'sharp'
        ? say('stages.souringBranches.tastesSharpAlready')
        : looks['whey'] === 'a-pool'
          ? say('stages.souringBranches.wheyStandsLongerSheds')
          : here.ph <= targetPh + MILDER && firmness(here) > 0
            ? say('stages.souringBranches.aboutPhSetLittle', { ph: acidity(here.ph) })
            : null;
  return because === null
    ? []
    : [{ id: 'chill-now', offer: say('stages.souringBranches.goNow'), because, does: { do: 'next' } }];
}

/** A crock from the cold has come to the warmth of its place after so long, min. */
const WARMED_UP_MIN = 240;

function strayBranches(params: IncubateParams, seen: Seen): Branch[] {
  const { begun, here } = seen;
  if (Math.abs(here.tempC - params.keepC) < STRAYS_C || here.ph <= params.targetPh) return [];
  if (params.keeper === 'bath') return coolBathBranches(params, seen);
  const cameCold = begun.tempC < params.keepC - STRAYS_C && here.minute - begun.minute < WARMED_UP_MIN;
  if (cameCold || !hasSetting(params)) return [];
  const cold = here.tempC < params.keepC;
  const warmUp =
    params.keeper === 'lamp-oven'
      ? say('stages.souringBranches.burstOfOven')
      : say('stages.souringBranches.warmPlaceUpAgain');
  return [
    {
      id: 'strays',
      offer: cold ? warmUp : say('stages.souringBranches.letPlaceCoolDown'),
      because: say(cold ? 'stages.souringBranches.placeTooCold' : 'stages.souringBranches.placeTooWarm', {
        temp: temp(here.tempC),
        keep: temp(params.keepC),
      }),
      does: {
        do: 'leave',
        note: cold ? say('stages.souringBranches.warmedPlaceUp') : say('stages.souringBranches.letPlaceCoolDown2'),
      },
    },
  ];
}

/** Water from a kettle as it reaches a bath, °C. */
const FROM_KETTLE_C = 95;

/** A bath that has cooled: how much of its water to change for hot, so that bath and jars are as warm as wanted again. */
function coolBathBranches({ keepC }: IncubateParams, { here }: Seen): Branch[] {
  if (here.tempC >= keepC) return [];
  const bathKJPerK = jarBathKJPerK(volumeMl(here));
  const wantedKJ = (bathKJPerK + heatCapacityKJPerK(here.masses, here.tempC)) * (keepC - here.tempC);
  const litres = wantedKJ / (WATER_KJ_PER_L_K * (FROM_KETTLE_C - here.tempC));
  const change = say('stages.souringBranches.changeBath', {
    water: volume(Math.min(litres, bathKJPerK / WATER_KJ_PER_L_K), 1),
  });
  return [
    {
      id: 'strays',
      offer: change,
      because: say('stages.souringBranches.bathCooled', { temp: temp(here.tempC), keep: temp(keepC) }),
      does: { do: 'leave', note: say('stages.souringBranches.changedBath') },
    },
  ];
}
