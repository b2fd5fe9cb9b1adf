import { MEMBER_SPREAD } from '../environment/environment.js';

/** What is believed of a warm place: how far it stands from its setting, °C. */
export interface KeeperOffset {
  readonly meanC: number;
  readonly sdC: number;
}

/** One thermometer's own error, which no number of its readings takes away, °C. */
const THERMOMETER_SD_C = 0.2;
/** Scatter of single readings about the place's temperature, °C. */
const SCATTER_SD_C = 0.4;

/**
 * Normal–normal update of a place's offset from temperatures logged once the crock had settled there.
 *
 * @param residualsC measured less modelled temperature of settled readings, °C
 */
export function keeperOffset(residualsC: readonly number[], prior: KeeperOffset = PRIOR): KeeperOffset {
  if (residualsC.length === 0) return prior;
  const mean = residualsC.reduce((a, b) => a + b, 0) / residualsC.length;
  const variance = THERMOMETER_SD_C ** 2 + SCATTER_SD_C ** 2 / residualsC.length;
  const precision = 1 / prior.sdC ** 2 + 1 / variance;
  return {
    meanC: (prior.meanC / prior.sdC ** 2 + mean / variance) / precision,
    sdC: Math.sqrt(1 / precision),
  };
}

const PRIOR: KeeperOffset = { meanC: 0, sdC: MEMBER_SPREAD.keeperOffsetC };
