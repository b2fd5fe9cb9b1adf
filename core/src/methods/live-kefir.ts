import { vary, type Method } from './method.js';
import { ROOM, ROOM_STARTER, roomStages } from './room-choices.js';
import { BLEND, MILK, MONEY } from './common-choices.js';

export const liveKefir: Method = {
  id: 'live-kefir',
  code: 'K2',
  name: 'Kefir without grains',
  short: 'Without grains',
  family: 'Kefir',
  summary: 'Milk soured at room temperature by live kefir or its powder; no grains to sieve.',
  groups: [
    MILK,
    vary(ROOM_STARTER, {
      dosePct: { initial: 5, max: 20, why: 'Two to five per cent suits a night; more in winter, less in summer.' },
    }),
    vary(ROOM, {
      targetPh: { initial: 4.5, why: 'It goes on souring in the bottle: stop a little early.' },
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
