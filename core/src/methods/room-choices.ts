import { only, vary, type ChoiceGroup, type Parameter, type StageTemplate } from './method.js';
import { KEEPING, STARTER, STARTER_KEYS, STARTER_PARAMS } from './yogurt-choices.js';

/** A starter that goes into milk as it comes from the cold. */
export const ROOM_STARTER: ChoiceGroup = vary(only(STARTER, STARTER_KEYS), {
  form: {
    options: [
      { id: 'active', label: 'Live', why: 'Some of the last, or a bought pot that lives.' },
      { id: 'freeze-dried', label: 'Powder', why: 'Slow off the mark, even.' },
    ],
  },
});

/** Souring at the temperature of the room: no heat is kept. */
export const ROOM: ChoiceGroup = vary(
  { ...only(KEEPING, ['targetPh', 'roomC']), title: 'Souring' },
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
    { id: 'warm', kind: 'incubate', params: { keeper: 'counter', targetPh: { choice: 'targetPh' } } },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 3 } },
  ];
}
