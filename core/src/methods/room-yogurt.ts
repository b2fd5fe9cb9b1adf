import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { vary, withMore } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { BLEND, CHILLING, HEATING, PLAIN_MILK, MONEY } from './common-choices.js';
import { method, stagesNamed } from './typed.js';

const HEAT_FIRST = withMore(
  {
    title: say('methods.roomYogurt.heat'),
    choices: [
      {
        key: 'scald',
        label: say('methods.roomYogurt.scaldFirst'),
        kind: 'option',
        initial: 'yes',
        why: say('methods.roomYogurt.noHeatKeptWhile'),
        options: [
          { id: 'yes', label: say('methods.roomYogurt.scald'), why: say('methods.roomYogurt.setsFirmerShedsLess') },
          { id: 'no', label: say('methods.roomYogurt.asItComes'), why: say('methods.roomYogurt.softerNothingWatch') },
        ],
      },
    ],
  } as const,
  ...vary(HEATING, {
    heatC: { why: say('methods.roomYogurt.holdUnfoldWheyProtein', { temp: temp(85) }) },
    coolMethod: { why: say('methods.roomYogurt.downRoomBeforeStarter') },
  }).choices,
);

/** Water baths and the counter cool to the room and a little above, no further. */
const STARTER_C = 26;

const IF_SCALDED = { choice: 'scald', is: 'yes' } as const;
const scalding = [
  ...stagesNamed(SCALDED_STAGES, ['heat', 'hold']).map((stage) => ({ ...stage, onlyIf: IF_SCALDED })),
  { id: 'cool', kind: 'cool', params: { targetC: STARTER_C }, onlyIf: IF_SCALDED },
] as const;

const STAGES = [
  BLEND,
  ...scalding,
  ...roomStages('room-yogurt', 'none'),
  { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
] as const;

export const roomYogurt = method({
  id: 'room-yogurt',
  code: 'Y4',
  name: say('methods.roomYogurt.roomTemperatureYogurt'),
  short: say('methods.roomYogurt.roomTemperature'),
  family: FAMILIES.yogurt,
  summary: say('methods.roomYogurt.heirloomCultureSoursCounter'),
  groups: [
    PLAIN_MILK,
    HEAT_FIRST,
    vary(ROOM_STARTER, { dosePct: { initial: 5, why: say('methods.roomYogurt.spoonCupFivePer') } }),
    vary(ROOM, { roomC: { max: 24 } }),
    CHILLING,
    MONEY,
  ],
  stages: STAGES,
});
