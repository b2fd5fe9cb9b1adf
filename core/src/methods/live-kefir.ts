import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { vary, type Method } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { BLEND, MILK, MONEY } from './common-choices.js';

export const liveKefir: Method = {
  id: 'live-kefir',
  code: 'K2',
  name: say('methods.liveKefir.kefirWithoutGrains'),
  short: say('methods.liveKefir.withoutGrains'),
  family: FAMILIES.kefir,
  summary: say('methods.liveKefir.milkSouredRoomTemperature'),
  groups: [
    MILK,
    vary(ROOM_STARTER, {
      dosePct: { initial: 5, max: 20, why: say('methods.liveKefir.twoFivePerCent') },
    }),
    vary(ROOM, {
      targetPh: { initial: 4.5, why: say('methods.liveKefir.goesSouringBottleStop') },
      roomC: { max: 30 },
    }),
    MONEY,
  ],
  stages: [
    BLEND,
    ...roomStages('kefir-grains'),
    { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' } } },
  ],
};
