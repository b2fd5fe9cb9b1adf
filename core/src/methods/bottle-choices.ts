import { say } from '../messages/message.js';
import type { ChoiceGroup } from './method.js';
import type { TypedTemplate } from './typed.js';

/** A second ferment in closed bottles, or none. */
export const BOTTLES = {
  title: say('methods.grainKefir.inBottles'),
  choices: [
    {
      key: 'bottleH',
      nought: say('methods.grainKefir.noSecondFerment'),
      label: say('methods.grainKefir.secondFerment'),
      kind: 'number',
      unit: 'h',
      min: 0,
      max: 48,
      step: 1,
      initial: 0,
      why: say('methods.grainKefir.closedOwnGasMakes'),
    },
    {
      key: 'headspacePct',
      onlyIf: { choice: 'bottleH', above: 0 },
      label: say('methods.grainKefir.leftEmpty'),
      kind: 'number',
      unit: '% of each bottle',
      min: 0,
      max: 40,
      step: 5,
      initial: 15,
      why: say('methods.grainKefir.roomGasBottleFilled'),
    },
    {
      key: 'fruitSugarPct',
      nought: say('methods.grainKefir.noSugar'),
      onlyIf: { choice: 'bottleH', above: 0 },
      label: say('methods.grainKefir.sugarWorthFruit'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 6,
      step: 0.5,
      initial: 0,
      why: say('methods.grainKefir.sweeterMoreGas'),
    },
  ],
} as const satisfies ChoiceGroup;

/** The stage that bottles what {@link BOTTLES} chose. */
export const BOTTLES_STAGE = {
  id: 'bottles',
  kind: 'second-ferment',
  params: {
    hours: { choice: 'bottleH' },
    headspacePct: { choice: 'headspacePct' },
    sugarPct: { choice: 'fruitSugarPct' },
  },
  onlyIf: { choice: 'bottleH', above: 0 },
} as const satisfies TypedTemplate;
