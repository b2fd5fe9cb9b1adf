import { vary, type ChoiceGroup, type Method, type StageTemplate } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { SCALDED_STAGES } from './scalded-yogurt.js';
import { BLEND, HEATING, MILK, MONEY } from './common-choices.js';

const HEAT_FIRST: ChoiceGroup = {
  title: 'Heat',
  choices: [
    {
      key: 'scald',
      label: 'Scald it first',
      kind: 'option',
      initial: 'yes',
      why: 'No heat is kept while it sours; scalding before is for firmness.',
      options: [
        { id: 'yes', label: 'Scald', why: 'Sets firmer and sheds less whey.' },
        { id: 'no', label: 'As it comes', why: 'Softer, nothing to watch.' },
      ],
    },
    ...vary(HEATING, {
      heatC: { why: '85 °C and a hold unfold the whey protein.' },
      coolMethod: { why: 'Down to the room, before the starter goes in.' },
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
  name: 'Room-temperature yogurt',
  short: 'Room temperature',
  family: 'Yogurt',
  summary: 'An heirloom culture sours it on the counter overnight: no thermostat, no blanket.',
  groups: [
    MILK,
    HEAT_FIRST,
    vary(ROOM_STARTER, { dosePct: { initial: 5, why: 'A spoon to the cup: five per cent is gone by morning.' } }),
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
