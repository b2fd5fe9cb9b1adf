import { say } from '../messages/message.js';
import { CLOTH, CLOTH_PARAMS } from './curd-choices.js';
import { endingChoices, endingParams } from './ending-choices.js';
import type { ChoiceGroup } from './method.js';
import type { TypedTemplate } from './typed.js';

/** More than a sieve holds is strained in loads, so many at most: what waits for the last has waited long. */
const MOST_LOADS = 4;

/** How a yogurt is strained: until when, how, where, through what. */
export const STRAINING = {
  title: say('methods.strainedYogurt.straining'),
  choices: [
    {
      key: 'texture',
      onlyIf: { choice: 'stopping', not: 'clock' },
      label: say('methods.strainedYogurt.untilItIs'),
      kind: 'option',
      initial: 'very-thick',
      why: say('methods.strainedYogurt.textureNotTimeScale'),
      options: [
        {
          id: 'thick',
          label: say('methods.strainedYogurt.thick'),
          why: say('methods.strainedYogurt.poursOffSpoonSlowly'),
        },
        {
          id: 'very-thick',
          label: say('methods.strainedYogurt.veryThick'),
          why: say('methods.strainedYogurt.standsSpoonSolids'),
        },
        {
          id: 'spreadable',
          label: say('methods.strainedYogurt.spreadable'),
          why: say('methods.strainedYogurt.holdsFurrowSolids'),
        },
        {
          id: 'firm',
          label: say('methods.strainedYogurt.firm'),
          why: say('methods.strainedYogurt.rollsIntoBallsSolids'),
        },
      ],
    },
    {
      key: 'drain',
      label: say('methods.strainedYogurt.how'),
      kind: 'option',
      initial: 'hung',
      why: say('methods.strainedYogurt.moreWeightCurdPresses'),
      options: [
        {
          id: 'flat',
          label: say('methods.strainedYogurt.flatSieve'),
          why: say('methods.strainedYogurt.gentlestStopsItselfNear'),
        },
        {
          id: 'hung',
          label: say('methods.strainedYogurt.hungCloth'),
          why: say('methods.strainedYogurt.spreadableOvernight'),
        },
        {
          id: 'pressed',
          label: say('methods.strainedYogurt.pressedMould'),
          why: say('methods.strainedYogurt.forFirm'),
        },
      ],
    },
    {
      key: 'where',
      label: say('methods.strainedYogurt.where'),
      kind: 'option',
      initial: 'cold',
      why: say('methods.strainedYogurt.counterDrainsFasterBut'),
      options: [
        {
          id: 'cold',
          label: say('methods.strainedYogurt.inTheCold'),
          why: say('methods.strainedYogurt.slowerSafeAnyHour'),
        },
        {
          id: 'counter',
          label: say('methods.strainedYogurt.onTheCounter'),
          why: say('methods.strainedYogurt.onlyPhBelowUp'),
        },
      ],
    },
    ...CLOTH,
    {
      key: 'loads',
      label: say('methods.strainedYogurt.loads'),
      kind: 'number',
      unit: '',
      min: 1,
      max: MOST_LOADS,
      step: 1,
      initial: 1,
      why: say('methods.strainedYogurt.loadsWhy'),
    },
    {
      key: 'stopping',
      label: say('methods.strainedYogurt.andStop'),
      kind: 'option',
      initial: 'scale',
      why: say('methods.strainedYogurt.somebodyMustThereWhen'),
      options: [
        {
          id: 'scale',
          label: say('methods.strainedYogurt.byTheScale'),
          why: say('methods.strainedYogurt.justThickWanted'),
        },
        {
          id: 'overnight',
          label: say('methods.strainedYogurt.whenHardlyDrips'),
          why: say('methods.strainedYogurt.nobodyNeedThereWhey'),
        },
        {
          id: 'clock',
          label: say('methods.endingChoices.byTheClock'),
          why: say('methods.endingChoices.sheetSaysWhatComes'),
        },
      ],
    },
    ...endingChoices('drain', {
      label: say('methods.endingChoices.drainingEnds'),
      hours: 12,
      onlyIf: { choice: 'stopping', is: 'clock' },
    }),
  ],
} as const satisfies ChoiceGroup;

type Key = (typeof STRAINING)['choices'][number]['key'];
type StrainTemplate = Extract<TypedTemplate<Key>, { readonly kind: 'strain' }>;

/** A stage for each load that more than a sieve holds is strained in. */
const inLoads = (until: string, of: StrainTemplate['params']): readonly StrainTemplate[] =>
  Array.from({ length: MOST_LOADS }, (_, i) => ({
    id: i === 0 ? 'strain' : `strain-${i + 1}`,
    kind: 'strain',
    params: {
      ...CLOTH_PARAMS,
      method: { choice: 'drain' },
      where: { choice: 'where' },
      ...of,
      loads: { choice: 'loads' },
      load: i + 1,
    },
    onlyIf: [{ choice: 'stopping', is: until }, ...(i === 0 ? [] : [{ choice: 'loads', above: i + 0.5 } as const])],
  }));

/** Share of all that will run off by which it hardly drips any more. */
const HARDLY_DRIPS = 0.8;

/** The stages that strain what {@link STRAINING} chose. */
export const STRAIN_STAGES: readonly TypedTemplate<Key>[] = [
  ...inLoads('scale', { texture: { choice: 'texture' } }),
  ...inLoads('overnight', { share: HARDLY_DRIPS }),
  ...inLoads('clock', endingParams('drain')),
  {
    id: 'whey-back',
    kind: 'whey-back',
    params: { texture: { choice: 'texture' } },
    onlyIf: { choice: 'stopping', is: 'overnight' },
  },
];
