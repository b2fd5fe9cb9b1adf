import { say, type Text } from '../messages/message.js';
import { withMore, type ChoiceGroup, type NumberChoice } from './method.js';

/** What something else costs that a make takes in. */
export const price = <O extends string>(of: O, label: Text, unit: string, initial: number) =>
  ({
    key: `${of}Price`,
    label,
    kind: 'number',
    unit,
    min: 0,
    max: 200,
    step: 0.05,
    initial,
    why: say('methods.moneyChoices.yourOwnMoney'),
  }) as const satisfies NumberChoice;

/** What whey, buttermilk or cream beside the product is worth: two products for one outlay. */
export const BESIDES_PRICE = {
  key: 'besidesPrice',
  nought: say('methods.moneyChoices.besidesNotCounted'),
  label: say('methods.moneyChoices.besidesWorth'),
  kind: 'number',
  unit: 'per kg',
  min: 0,
  max: 100,
  step: 0.05,
  initial: 0,
  why: say('methods.moneyChoices.twoProductsOneOutlay'),
} as const satisfies NumberChoice;

/** What a batch is worth: used for the cost against the shop. */
export const MONEY = {
  title: say('methods.moneyChoices.potsPrices'),
  choices: [
    {
      key: 'potG',
      label: say('methods.moneyChoices.potsOf'),
      kind: 'number',
      unit: 'g',
      min: 50,
      max: 5000,
      step: 25,
      initial: 400,
      why: say('methods.moneyChoices.netWeightOnePot'),
    },
    {
      key: 'milkPrice',
      label: say('methods.moneyChoices.milkCosts'),
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 100,
      step: 0.05,
      initial: 1.3,
      why: say('methods.moneyChoices.yourOwnMoney'),
    },
    {
      key: 'creamPrice',
      label: say('methods.moneyChoices.creamCosts'),
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 100,
      step: 0.05,
      initial: 6.4,
      why: say('methods.moneyChoices.yourOwnMoney'),
    },
    {
      key: 'shopPrice',
      label: say('methods.moneyChoices.shopAsks'),
      kind: 'number',
      unit: 'per kg',
      min: 0,
      max: 200,
      step: 0.1,
      initial: 7.5,
      why: say('methods.moneyChoices.sameThingTwoCan'),
    },
    {
      key: 'potPrice',
      label: say('methods.moneyChoices.potCosts'),
      kind: 'number',
      unit: 'each',
      min: 0,
      max: 20,
      step: 0.05,
      initial: 0.25,
      why: say('methods.moneyChoices.potLidLabelWrapper'),
    },
    {
      key: 'handsPerHour',
      nought: say('methods.moneyChoices.ownTimeNotCounted'),
      label: say('methods.moneyChoices.hourHands'),
      kind: 'number',
      unit: 'per hour',
      min: 0,
      max: 200,
      step: 1,
      initial: 0,
      why: say('methods.moneyChoices.noughtLeavesYourOwn'),
    },
  ],
} as const satisfies ChoiceGroup;

/** The same for a make that gives something besides its product. */
export const MONEY_AND_BESIDES = withMore(MONEY, BESIDES_PRICE);
