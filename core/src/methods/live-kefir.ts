import { FAMILIES } from './families.js';
import { say } from '../messages/message.js';
import { BOTTLES, BOTTLES_STAGE } from './bottle-choices.js';
import { vary } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { BLEND, CHILLING, CHILLING_PARAMS, PLAIN_MILK, MONEY } from './common-choices.js';
import { method, stagesNamed } from './typed.js';

const SOURED = roomStages('kefir-grains', 'none');

const STAGES = [
  BLEND,
  ...stagesNamed(SOURED, ['starter', 'warm']),
  BOTTLES_STAGE,
  { id: 'chill', kind: 'chill', params: { holdBackPct: 3, bottledH: { choice: 'bottleH' }, ...CHILLING_PARAMS } },
  { id: 'finish', kind: 'finish', params: { potG: { choice: 'potG' }, bottledH: { choice: 'bottleH' } } },
] as const;

export const liveKefir = method({
  id: 'live-kefir',
  code: 'K2',
  name: say('methods.liveKefir.kefirWithoutGrains'),
  short: say('methods.liveKefir.withoutGrains'),
  family: FAMILIES.kefir,
  summary: say('methods.liveKefir.milkSouredRoomTemperature'),
  groups: [
    PLAIN_MILK,
    vary(ROOM_STARTER, {
      dosePct: { initial: 5, why: say('methods.liveKefir.twoFivePerCent') },
    }),
    vary(ROOM, {
      targetPh: { initial: 4.5, why: say('methods.liveKefir.goesSouringBottleStop') },
      roomC: { max: 30 },
    }),
    BOTTLES,
    CHILLING,
    MONEY,
  ],
  stages: STAGES,
});
