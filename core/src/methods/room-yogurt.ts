import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { vary, type ChoiceGroup, type Method, type StageTemplate } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { BLEND, HEATING, MILK, MONEY } from './common-choices.js';

const HEAT_FIRST: ChoiceGroup = {
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
    ...vary(HEATING, {
      heatC: { why: say('methods.roomYogurt.holdUnfoldWheyProtein', { temp: temp(85) }) },
      coolMethod: { why: say('methods.roomYogurt.downRoomBeforeStarter') },
    }).choices,
  ],
};

/** Water baths and the counter cool to the room and a little above, no further. */
const STARTER_C = 26;

const scalding: readonly StageTemplate[] = SCALDED_STAGES.filter((s) => ['heat', 'hold', 'cool'].includes(s.id)).map(
  (stage) => ({
    ...stage,
    params: stage.kind === 'cool' ? { ...stage.params, targetC: STARTER_C } : stage.params,
    onlyIf: { choice: 'scald', is: 'yes' },
  }),
);

export const roomYogurt: Method = {
  id: 'room-yogurt',
  code: 'Y4',
  name: say('methods.roomYogurt.roomTemperatureYogurt'),
  short: say('methods.roomYogurt.roomTemperature'),
  family: FAMILIES.yogurt,
  summary: say('methods.roomYogurt.heirloomCultureSoursCounter'),
  groups: [
    MILK,
    HEAT_FIRST,
    vary(ROOM_STARTER, { dosePct: { initial: 5, why: say('methods.roomYogurt.spoonCupFivePer') } }),
    vary(ROOM, { roomC: { max: 24 } }),
    MONEY,
  ],
  stages: [
    BLEND,
    ...scalding,
    ...roomStages('room-yogurt'),
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, whisk: 'no' } },
  ],
};
