import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { vary, withMore } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { BLEND, CHILLING, CREAM_OR_FAT, MILK, MONEY } from './common-choices.js';
import { method, type TypedTemplate } from './typed.js';

const SOURED_BY = withMore(
  {
    title: say('methods.culturedCream.starter'),
    choices: [
      {
        key: 'culture',
        label: say('methods.culturedCream.souredBy'),
        kind: 'option',
        initial: 'mesophilic',
        why: say('methods.culturedCream.grainsThemselvesNuisancePick'),
        options: [
          {
            id: 'mesophilic',
            label: say('methods.culturedCream.liveButtermilk'),
            why: say('methods.culturedCream.cleanButtery'),
          },
          {
            id: 'kefir-grains',
            label: say('methods.culturedCream.liveKefir'),
            why: say('methods.culturedCream.littleYeastSharper'),
          },
          {
            id: 'room-yogurt',
            label: say('methods.culturedCream.roomTemperatureYogurt'),
            why: say('methods.culturedCream.mildEven'),
          },
        ],
      },
      {
        key: 'beside',
        label: say('methods.culturedCream.andBesideIt'),
        kind: 'option',
        initial: 'none',
        why: say('methods.culturedCream.twoStartersShareCream'),
        options: [
          {
            id: 'none',
            label: say('methods.culturedCream.nothing'),
            why: say('methods.culturedCream.oneStarterOneTaste'),
          },
          {
            id: 'kefir-grains',
            label: say('methods.culturedCream.liveKefir'),
            why: say('methods.culturedCream.littleYeast'),
          },
          {
            id: 'room-yogurt',
            label: say('methods.culturedCream.roomTemperatureYogurt'),
            why: say('methods.culturedCream.milder'),
          },
          {
            id: 'thermophilic',
            label: say('methods.culturedCream.yogurt'),
            why: say('methods.culturedCream.worksOnlyWhileWarm'),
          },
        ],
      },
      {
        key: 'besidePct',
        onlyIf: { choice: 'beside', not: 'none' },
        label: say('methods.culturedCream.secondShare'),
        kind: 'number',
        unit: '%',
        min: 5,
        max: 95,
        step: 5,
        initial: 50,
        why: say('methods.culturedCream.shareOfBoth'),
      },
    ],
  } as const,
  ...vary(ROOM_STARTER, {
    dosePct: { initial: 3, min: 1, why: say('methods.culturedCream.spoonTwoPintMore') },
  }).choices,
);

/** What is asked of a cream that sours on the counter: the cream, its starter, the room, the money. */
export const CULTURED_GROUPS = [
  vary(
    { ...MILK, title: say('methods.culturedCream.cream') },
    {
      blendBy: CREAM_OR_FAT,
      massG: { initial: 1000, why: say('methods.culturedCream.creamMilkBringsFat') },
      vesselL: { initial: 2 },
      fatPct: {
        min: 12,
        max: 45,
        step: 1,
        initial: 30,
        why: say('methods.culturedCream.eighteenSpooningThirtyDolloping'),
      },
    },
  ),
  SOURED_BY,
  vary(ROOM, {
    targetPh: { min: 4, max: 5.1, initial: 4.6, why: say('methods.culturedCream.overnightMildLeftDays') },
    roomC: { max: 30 },
  }),
  CHILLING,
  vary(MONEY, { potG: { initial: 200 }, shopPrice: { initial: 12 } }),
] as const;

/** From cream to cold cultured cream; butter goes on from here. */
export const CULTURED_STAGES = [
  BLEND,
  ...roomStages({ choice: 'culture' }, { choice: 'beside' }, { choice: 'besidePct' }),
] as const satisfies readonly TypedTemplate[];

export const culturedCream = method({
  id: 'cultured-cream',
  code: 'C1',
  name: say('methods.culturedCream.culturedCream'),
  short: say('methods.culturedCream.cultured'),
  family: FAMILIES.cream,
  summary: say('methods.culturedCream.creamThickenedSouredCounter'),
  groups: [...CULTURED_GROUPS],
  stages: [...CULTURED_STAGES, { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } }] as const,
});
