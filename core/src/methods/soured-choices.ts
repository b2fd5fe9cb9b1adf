import { say } from '../messages/message.js';
import { acidity, percent } from '../messages/quantity.js';
import { SOURED_CREAMS } from '../materials/reference-materials.js';
import { CHILLING, HEATING, KEEPING, PLAIN_MILK, STARTER } from './common-choices.js';
import { vary, when, withMore, type ChoiceGroup } from './method.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import type { TypedTemplate } from './typed.js';

/** Begun with something that is sour already, and with what is soured in the make itself. */
const OF_BOUGHT = { choice: 'from', is: 'bought' } as const;
export const OF_MILK = { choice: 'from', is: 'milk' } as const;
export const OF_CREAM = { choice: 'from', is: 'cream' } as const;

/** Milk, or yogurt that is there. */
export const MILK_OR_YOGURT = {
  title: say('methods.yogurtCheese.beginning'),
  choices: [
    {
      key: 'from',
      label: say('methods.yogurtCheese.beginWith'),
      kind: 'option',
      initial: 'milk',
      implied: { boughtG: 'bought' },
      why: say('methods.yogurtCheese.anyPlainYogurtDoes'),
      options: [
        { id: 'milk', label: say('methods.yogurtCheese.milk'), why: say('methods.yogurtCheese.yogurtMadeSameGo') },
        {
          id: 'bought',
          label: say('methods.yogurtCheese.yogurtBoughtMade'),
          why: say('methods.yogurtCheese.straightCloth'),
        },
      ],
    },
    {
      key: 'boughtG',
      label: say('methods.yogurtCheese.yogurt'),
      kind: 'number',
      unit: 'g',
      min: 250,
      max: 60_000,
      step: 250,
      initial: 2000,
      why: say('methods.souredChoices.whatThereIs'),
      onlyIf: OF_BOUGHT,
    },
    {
      key: 'boughtFatPct',
      label: say('methods.yogurtCheese.itsFat'),
      kind: 'number',
      unit: '%',
      min: 0,
      max: 12,
      step: 0.1,
      initial: 3.6,
      why: say('methods.yogurtCheese.onItsLabel'),
      onlyIf: OF_BOUGHT,
    },
    {
      key: 'boughtPh',
      label: say('methods.souredChoices.howSour'),
      kind: 'number',
      unit: 'pH',
      min: 3.8,
      max: 4.7,
      step: 0.1,
      initial: 4.4,
      why: say('methods.souredChoices.mildToSharp', { mild: acidity(4.6, 1), sharp: acidity(4, 1) }),
      onlyIf: OF_BOUGHT,
    },
  ],
} as const satisfies ChoiceGroup;

/** What is asked of the milk that the yogurt is made of in the same go. */
export const OF_MILK_GROUPS = [
  when(OF_MILK, PLAIN_MILK),
  when(OF_MILK, HEATING),
  when(OF_MILK, STARTER),
  when(OF_MILK, KEEPING),
  when(OF_MILK, CHILLING),
] as const;

/** The stage that takes the yogurt of {@link MILK_OR_YOGURT}. */
const YOGURT_TAKEN = {
  id: 'bought',
  kind: 'bought',
  params: { massG: { choice: 'boughtG' }, fatPct: { choice: 'boughtFatPct' }, ph: { choice: 'boughtPh' } },
  onlyIf: OF_BOUGHT,
} as const satisfies TypedTemplate;

/** From that milk to chilled yogurt, or the yogurt that is there. */
export const YOGURT_STAGES = [...SCALDED_STAGES.map((stage) => when(OF_MILK, stage)), YOGURT_TAKEN] as const;

/** Milk, or clabber that is there. */
export const MILK_OR_CLABBER = withMore(
  vary(MILK_OR_YOGURT, {
    from: {
      why: say('methods.souredChoices.clabberOfAnyDay'),
      options: [
        {
          id: 'milk',
          label: say('methods.yogurtCheese.milk'),
          why: say('methods.souredChoices.clabberedInThisMake'),
        },
        {
          id: 'bought',
          label: say('methods.souredChoices.clabberThatIsThere'),
          why: say('methods.souredChoices.straightToTheKnife'),
        },
      ],
    },
    boughtG: { label: say('methods.souredChoices.clabber') },
    boughtFatPct: { max: 6, initial: 4, why: say('methods.souredChoices.fatOfItsMilk') },
    boughtPh: { min: 4.1, max: 4.75, initial: 4.5 },
  }),
  {
    key: 'boughtRaw',
    label: say('methods.souredChoices.ofRawMilk'),
    kind: 'option',
    initial: 'yes',
    why: say('methods.souredChoices.rawIsCookedLater'),
    options: [
      { id: 'yes', label: say('methods.souredChoices.raw'), why: say('methods.clabber.rawMilkCarriesWhat') },
      { id: 'no', label: say('methods.souredChoices.pasteurised'), why: say('methods.souredChoices.heatedBefore') },
    ],
    onlyIf: OF_BOUGHT,
  },
);

/** The stage that takes the clabber of {@link MILK_OR_CLABBER}. */
export const CLABBER_TAKEN = {
  id: 'bought',
  kind: 'bought',
  params: {
    is: 'clabber',
    massG: { choice: 'boughtG' },
    fatPct: { choice: 'boughtFatPct' },
    ph: { choice: 'boughtPh' },
    raw: { choice: 'boughtRaw' },
  },
  onlyIf: OF_BOUGHT,
} as const satisfies TypedTemplate;

/** Sweet cream, or cream that is sour already. */
export const SWEET_OR_SOUR_CREAM = {
  title: say('methods.yogurtCheese.beginning'),
  choices: [
    {
      key: 'from',
      label: say('methods.yogurtCheese.beginWith'),
      kind: 'option',
      initial: 'cream',
      implied: { boughtG: 'bought' },
      why: say('methods.souredChoices.sourChurnsAtOnce'),
      options: [
        {
          id: 'cream',
          label: say('methods.souredChoices.sweetCream'),
          why: say('methods.souredChoices.souredInThisMake'),
        },
        {
          id: 'bought',
          label: say('methods.souredChoices.creamAlreadySour'),
          why: say('methods.souredChoices.straightToTheChurn'),
        },
      ],
    },
    {
      key: 'sourCream',
      label: say('methods.souredChoices.whichCream'),
      kind: 'option',
      initial: 'soured-cream-36',
      why: say('methods.souredChoices.ownLotKnowsItsPh'),
      lots: ['cream'],
      options: SOURED_CREAMS.map((cream) => ({
        id: cream.id,
        label: cream.name,
        why: say('methods.souredChoices.fatAndPh', { fat: percent(cream.fatPct), ph: acidity(cream.freshPh!, 1) }),
      })),
      onlyIf: OF_BOUGHT,
    },
    {
      key: 'boughtG',
      label: say('methods.souredChoices.creamThereIs'),
      kind: 'number',
      unit: 'g',
      min: 250,
      max: 60_000,
      step: 250,
      initial: 1000,
      why: say('methods.souredChoices.whatThereIs'),
      onlyIf: OF_BOUGHT,
    },
  ],
} as const satisfies ChoiceGroup;

/** The stage that takes the cream of {@link SWEET_OR_SOUR_CREAM}. */
export const SOUR_CREAM_TAKEN = {
  id: 'bought',
  kind: 'bought',
  params: { is: 'sour cream', massG: { choice: 'boughtG' }, cream: { stock: 'sourCream' } },
  onlyIf: OF_BOUGHT,
} as const satisfies TypedTemplate;
