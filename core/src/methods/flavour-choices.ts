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
  ],
} as const satisfies ChoiceGroup;

/** The stage that folds in what {@link FLAVOUR} chose. */
export const FOLD_STAGE = {
  id: 'fold',
  kind: 'fold',
  params: { flavour: { choice: 'flavour' }, flavourPct: { choice: 'flavourPct' } },
  onlyIf: { choice: 'flavour', not: 'none' },
} as const satisfies TypedTemplate;
