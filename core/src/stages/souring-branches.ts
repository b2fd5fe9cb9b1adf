import { say, type Text } from '../messages/message.js';
import { temp, acidity } from '../messages/quantity.js';
import { firmness } from '../state/crock-state.js';
import { isByClock } from './ending.js';
import type { IncubateParams } from './incubate.js';
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

function strayBranches(params: IncubateParams, { begun, here }: Seen): Branch[] {
  const cameCold = begun.tempC < params.keepC - STRAYS_C && here.minute - begun.minute < WARMED_UP_MIN;
  if (cameCold || !hasSetting(params) || Math.abs(here.tempC - params.keepC) < STRAYS_C || here.ph <= params.targetPh)
    return [];
  const cold = here.tempC < params.keepC;
  return [
    {
      id: 'strays',
      offer: cold ? say('stages.souringBranches.warmPlaceUpAgain') : say('stages.souringBranches.letPlaceCoolDown'),
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
