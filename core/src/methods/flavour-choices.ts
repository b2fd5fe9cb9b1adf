import { FLAVOUR_IDS, FLAVOURS } from '../materials/flavours.js';
import { say } from '../messages/message.js';
import type { ChoiceGroup } from './method.js';
import type { TypedTemplate } from './typed.js';

/** What is folded into the finished product, or nothing. */
export const FLAVOUR = {
  title: say('methods.flavourChoices.foldedIn'),
  choices: [
    {
      key: 'flavour',
      label: say('methods.flavourChoices.flavour'),
      kind: 'option',
      initial: 'none',
      why: say('methods.flavourChoices.foldedLast'),
      options: [
        {
          id: 'none',
          label: say('methods.flavourChoices.nothing'),
          why: say('methods.flavourChoices.plainKeepsLongest'),
        },
        ...FLAVOUR_IDS.map((id) => ({ id, label: FLAVOURS[id].name, why: FLAVOURS[id].why })),
      ],
    },
    {
      key: 'flavourPct',
      onlyIf: { choice: 'flavour', not: 'none' },
      label: say('methods.flavourChoices.howMuch'),
      kind: 'number',
      unit: '%',
      min: 0.1,
      max: 25,
      step: 0.5,
      initial: 2,
      why: say('methods.flavourChoices.ofTheProduct'),
    },
    {
      key: 'flavourSaltPct',
      onlyIf: { choice: 'flavour', not: 'none' },
      nought: say('methods.flavourChoices.asUsual'),
      label: say('methods.flavourChoices.itsSalt'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 40,
      step: 0.5,
      initial: 0,
      why: say('methods.flavourChoices.onItsLabel'),
    },
    {
      key: 'flavourFatPct',
      onlyIf: { choice: 'flavour', not: 'none' },
      nought: say('methods.flavourChoices.asUsual'),
      label: say('methods.flavourChoices.itsFat'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 90,
      step: 0.5,
      initial: 0,
      why: say('methods.flavourChoices.onItsLabel'),
    },
    {
      key: 'flavourWaterPct',
      onlyIf: { choice: 'flavour', not: 'none' },
      nought: say('methods.flavourChoices.asUsual'),
      label: say('methods.flavourChoices.itsWater'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 99,
      step: 0.5,
      initial: 0,
      why: say('methods.flavourChoices.onItsLabel'),
    },
    {
      key: 'flavourNuts',
      onlyIf: { choice: 'flavour', not: 'none' },
      label: say('methods.flavourChoices.nutsInIt'),
      kind: 'option',
      initial: 'no',
      why: say('methods.flavourChoices.nutsAreNamed'),
      options: [
        { id: 'no', label: say('methods.flavourChoices.no'), why: say('methods.flavourChoices.noNutsWhy') },
        { id: 'yes', label: say('methods.flavourChoices.yes'), why: say('methods.flavourChoices.nutsAreNamed') },
      ],
    },
    {
      key: 'flavourPrice',
      onlyIf: { choice: 'flavour', not: 'none' },
      nought: say('methods.flavourChoices.notCounted'),
      label: say('methods.flavourChoices.itCosts'),
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 500,
      step: 0.5,
      initial: 0,
      why: say('methods.moneyChoices.yourOwnMoney'),
    },
  ],
} as const satisfies ChoiceGroup;

/** The stage that folds in what {@link FLAVOUR} chose. */
export const FOLD_STAGE = {
  id: 'fold',
  kind: 'fold',
  params: {
    flavour: { choice: 'flavour' },
    flavourPct: { choice: 'flavourPct' },
    saltPct: { choice: 'flavourSaltPct' },
    fatPct: { choice: 'flavourFatPct' },
    waterPct: { choice: 'flavourWaterPct' },
    nuts: { choice: 'flavourNuts' },
  },
  onlyIf: { choice: 'flavour', not: 'none' },
} as const satisfies TypedTemplate;
