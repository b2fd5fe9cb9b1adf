import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { only, vary, withMore, type OptionChoice } from './method.js';
import {
  CHILLING_PARAMS,
  KEEPING,
  SOURING_END_KEYS,
  SOURING_END_PARAMS,
  STARTER,
  STARTER_KEYS,
  STARTER_PARAMS,
} from './common-choices.js';
import type { ParamsFor } from './typed.js';

/** A starter that goes into milk as it comes from the cold. */
export const ROOM_STARTER = vary(only(STARTER, STARTER_KEYS), {
  form: {
    options: [
      { id: 'active', label: say('methods.roomChoices.live'), why: say('methods.roomChoices.someLastBoughtPot') },
      { id: 'freeze-dried', label: say('methods.roomChoices.powder'), why: say('methods.roomChoices.slowOffMarkEven') },
    ],
  },
});

const COVER = {
  key: 'cover',
  label: say('methods.roomChoices.coveredWith'),
  kind: 'option',
  initial: 'cloth',
  why: say('methods.roomChoices.bothKeepDustFlies'),
  options: [
    {
      id: 'cloth',
      label: say('methods.roomChoices.breathingCloth'),
      why: say('methods.roomChoices.paperFilterTiedDown'),
    },
    { id: 'lid', label: say('methods.roomChoices.looseLid'), why: say('methods.roomChoices.lessSkinTop') },
  ],
} as const satisfies OptionChoice;

/** Souring at the temperature of the room: no heat is kept. */
export const ROOM = vary(
  { ...withMore(only(KEEPING, [...SOURING_END_KEYS, 'roomC']), COVER), title: say('methods.roomChoices.souring') },
  {
    roomC: {
      initial: 22,
      min: 12,
      max: 32,
      why: say('methods.roomChoices.soursWarmRoomHalf', { temp: temp(18), temp2: temp(24) }),
    },
  },
);

/** From the cold to sour by the room's own warmth, then chilled. */
export function roomStages<
  const C extends NonNullable<ParamsFor<'inoculate'>['culture']>,
  const B extends NonNullable<ParamsFor<'inoculate'>['beside']>,
  const S extends NonNullable<ParamsFor<'inoculate'>['besidePct']> = 50,
>(culture: C, beside: B, besidePct: S = 50 as S) {
  return [
    {
      id: 'starter',
      kind: 'inoculate',
      params: {
        culture,
        beside,
        besidePct,
        ...STARTER_PARAMS,
      },
    },
    {
      id: 'warm',
      kind: 'incubate',
      params: {
        keeper: 'counter',
        cover: { choice: 'cover' },
        ...SOURING_END_PARAMS,
      },
    },
    { id: 'chill', kind: 'chill', params: { holdBackPct: 3, ...CHILLING_PARAMS } },
  ] as const;
}
