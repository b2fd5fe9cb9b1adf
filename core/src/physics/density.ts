import { DENSITY_20C, WATER_DENSITY } from '../constants/milk.js';
import { totalG, type Masses } from '../materials/composition.js';
import { massesOfMaterial, type Material } from '../materials/materials.js';
import { fatDensityGPerMl } from './fat-melting.js';

/**
 * Density of a milk or cream in g/mL.
 *
 * 1/ρ = fat/ρ_fat + snf/ρ_snf + water/ρ_water. Water follows its own slope with temperature (Choi & Okos 1986), fat its
 * melting; dissolved solids keep their density.
 *
 * @param masses component masses, g (any total)
 * @param tempC temperature, °C, 0–100
 */
export function densityGPerMl(masses: Masses, tempC = 20): number {
  const total = totalG(masses);
  const fat = masses.fat;
  const snf = total - fat - masses.water;
  const volumeMl = fat / fatDensityGPerMl(tempC) + snf / DENSITY_20C.snf + masses.water / waterDensity(tempC);
  return total / volumeMl;
}

/** Density in g/mL of a labelled material (percent by mass). */
export function materialDensity(material: Material, tempC = 20): number {
  return densityGPerMl(massesOfMaterial(material, 100), tempC);
}

function waterDensity(tempC: number): number {
  const kgPerM3 = (t: number) => WATER_DENSITY.a + WATER_DENSITY.b * t + WATER_DENSITY.c * t * t;
  return (DENSITY_20C.water * kgPerM3(tempC)) / kgPerM3(20);
}
