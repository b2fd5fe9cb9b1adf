import {
  only,
  vary,
  withMore,
  type ChoiceGroup,
  type OptionChoice,
  type Parameter,
  type StageTemplate,
} from './method.js';
import { KEEPING, STARTER, STARTER_KEYS, STARTER_PARAMS } from './common-choices.js';

/** A starter that goes into milk as it comes from the cold. */
export const ROOM_STARTER: ChoiceGroup = vary(only(STARTER, STARTER_KEYS), {
  form: {
    options: [
      { id: 'active', label: 'Live', why: 'Some of the last, or a bought pot that lives.' },
      { id: 'freeze-dried', label: 'Powder', why: 'Slow off the mark, even.' },
    ],
  },
});

const COVER: OptionChoice = {
  key: 'cover',
  label: 'Covered with',
  kind: 'option',
  initial: 'cloth',
  why: 'Both keep dust and flies out; under a cloth no water drips back.',
  options: [
    { id: 'cloth', label: 'A breathing cloth', why: 'Or a paper filter, tied down.' },
    { id: 'lid', label: 'A loose lid', why: 'Less skin on top.' },
  ],
};

/** Souring at the temperature of the room: no heat is kept. */
export const ROOM: ChoiceGroup = vary(
  { ...withMore(only(KEEPING, ['targetPh', 'leave', 'roomC']), COVER), title: 'Souring' },
  {
    roomC: {
      initial: 22,
      min: 12,
      max: 32,
      why: 'It sours as warm as the room is: at 18 °C half as fast as at 24 °C.',
    },
  },
);

/** From the cold to sour by the room's own warmth, then chilled. */
export function roomStages(culture: Parameter, beside: Parameter = 'none'): readonly StageTemplate[] {
  return [
    {
      id: 'starter',
      kind: 'inoculate',
      params: {
        culture,
        beside,
        ...STARTER_PARAMS,
      },
    },
    {
      id: 'warm',
      kind: 'incubate',
      params: {
        keeper: 'counter',
        cover: { choice: 'cover' },
        targetPh: { choice: 'targetPh' },
        leave: { choice: 'leave' },
      },
    },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 3 } },
  ];
}
