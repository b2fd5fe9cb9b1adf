import { CRUST_VAPOUR_SHARE } from '../constants/creaming.js';
import { coolingSurroundings, evaporationGPerMin } from '../physics/heat.js';
import { CAUTIONS } from './cautions.js';
import type { StageKind } from './kind.js';
import { passTimeAt, volumeMl } from './pass-time.js';
import { sayTemp } from './words.js';

export interface ScaldCreamParams {
  readonly keepC: number;
  readonly hours: number;
  /** How deep the cream stands in its pan, cm. */
  readonly depthCm: number;
}

/** Cream kept hot and still in a shallow pan until a crust has gathered. */
export const scaldCream: StageKind<ScaldCreamParams> = {
  kind: 'scald-cream',
  defaults: { keepC: 80, hours: 11, depthCm: 5 },
  name: () => 'scald',
  instruction: (params) =>
    `Into a shallow pan, ${params.depthCm} cm deep; keep it at ${sayTemp(params.keepC)} in a slow oven or over a water bath, uncovered. Never stir.`,
  handsMin: () => 5,
  attended: false,
  gear: () => ['shallow pan', 'oven'],
  endsBy: 'clock',
  target: (params) => params.hours * 60,
  begin: (state) => state,
  advance: (state, params, environment, minutes) => {
    const volume = volumeMl(state);
    const areaM2 = (volume * 1e-6) / (params.depthCm / 100);
    const vapourG = evaporationGPerMin(areaM2, state.tempC, environment.kitchen.roomC) * CRUST_VAPOUR_SHARE * minutes;
    const { uaWPerK, aroundC } = coolingSurroundings('open', volume, environment.kitchen.roomC);
    const endC = environment.measuredTempC?.(state.minute + minutes) ?? params.keepC;
    const held = passTimeAt(state, environment, endC, minutes);
    return {
      ...held,
      masses: { ...held.masses, water: held.masses.water - vapourG },
      evaporatedG: held.evaporatedG + vapourG,
      energyKJ: held.energyKJ + uaWPerK * (state.tempC - aroundC) * minutes * 0.06,
    };
  },
  done: (state, params, _environment, since) => state.minute - since >= params.hours * 60,
  stepMin: 15,
  give: (params) => ({
    earlyMin: Math.max(0, (params.hours - 8) * 60),
    lateMin: Math.max(60, (14 - params.hours) * 60),
    cost: 'Sooner the crust is thin; longer it is thicker and more golden, and tastes more of nuts.',
  }),
  endCue: () => 'A wrinkled golden crust from rim to rim.',
  cues: [{ cue: 'skin', ask: 'How is the crust?', answers: ['none', 'thin', 'thick', 'golden'] }],
  cautions: () => [CAUTIONS.hot, CAUTIONS.oven],
  problems: (params) =>
    params.keepC > 90
      ? [
          {
            field: 'scaldC',
            message: `At ${sayTemp(params.keepC)} it simmers and the crust breaks.`,
            remedy: 'Keep it at 75 to 85 °C.',
            works: { scaldC: 85 },
          },
        ]
      : [],
};
