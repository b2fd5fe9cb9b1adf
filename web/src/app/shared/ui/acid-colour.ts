import { interpolateLab } from 'd3-interpolate';
import { scaleLinear } from 'd3-scale';

/**
 * Fill of a pour by acidity: milk white, oat, then cobalt-grey, deepening most where the palate tells most apart, so
 * that mild (4.6), tangy (4.4) and sharp (4.1) look as different as they taste.
 */
export const acidColour = scaleLinear<string>()
  .domain([6.7, 5.8, 5.0, 4.65, 4.45, 4.25, 4.0])
  .range(['#fffdf6', '#f6ecd4', '#e3d3b0', '#b9b9b6', '#8c97ad', '#5c6f97', '#2f4473'])
  .interpolate(interpolateLab)
  .clamp(true);

/** Ink that can be read on a fill. */
export function inkOn(ph: number): string {
  return ph < 4.5 ? '#fdfaf3' : '#26201a';
}
