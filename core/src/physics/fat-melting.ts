import { FAT_MELTING } from '../constants/milk.js';

const SPAN_K = FAT_MELTING.liquidFromC - FAT_MELTING.coldestC;

/** How far below wholly liquid a temperature lies: 0 = liquid, 1 = at the coldest end of the melting span. */
const below = (tempC: number) => Math.min(1, Math.max(0, (FAT_MELTING.liquidFromC - tempC) / SPAN_K));

/** Share of milk fat that is solid at a temperature (°C), once it has had time to set: 0–1. */
export function solidFatShare(tempC: number): number {
  return FAT_MELTING.atColdest * below(tempC) ** FAT_MELTING.shape;
}

/** Density of milk fat, g/mL, at a temperature (°C): the liquid's, less what its solid part has shrunk. */
export function fatDensityGPerMl(tempC: number): number {
  const { liquidGPerMlAt20C, liquidSlopeGPerMlK, shrinksMlPerG } = FAT_MELTING;
  const liquidMlPerG = 1 / (liquidGPerMlAt20C + liquidSlopeGPerMlK * (tempC - 20));
  return 1 / (liquidMlPerG - shrinksMlPerG * solidFatShare(tempC));
}

/** Heat that melting takes per gram of fat and degree, kJ/(kg·K): the slope of what is melted, times the latent heat. */
export function meltingKJPerKgK(tempC: number): number {
  const { shape, latentJPerG, coldestC, liquidFromC } = FAT_MELTING;
  if (tempC < coldestC || tempC >= liquidFromC) return 0;
  return (latentJPerG * shape * below(tempC) ** (shape - 1)) / SPAN_K;
}
