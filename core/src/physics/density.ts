import { DENSITY_20C, FAT_DENSITY_SLOPE_PER_K, WATER_DENSITY } from '../constants/milk.js';
import { totalG, type Masses } from '../state/composition.js';
import { massesOfMaterial, type Material } from '../state/materials.js';

/**
 * Density of a milk or cream in g/mL.
 *
 * 1/ρ = fat/ρ_fat + snf/ρ_snf + water/ρ_water at 20 °C; fat and water then follow their own slope with temperature
 * (Choi & Okos 1986), dissolved solids keep their density.
 *
 * @param masses component masses, g (any total)
 * @param tempC temperature, °C, 0–100
 */
export function densityGPerMl(masses: Masses, tempC = 20): number {
  const total = totalG(masses);
  const fat = masses.fat;
  const snf = total - fat - masses.water;
  const volumeMl = fat / fatDensity(tempC) + snf / DENSITY_20C.snf + masses.water / waterDensity(tempC);
  return total / volumeMl;
}

/** Density in g/mL of a labelled material (percent by mass). */
export function materialDensity(material: Material, tempC = 20): number {
  return densityGPerMl(massesOfMaterial(material, 100), tempC);
}

function fatDensity(tempC: number): number {
  return DENSITY_20C.fat * (1 - FAT_DENSITY_SLOPE_PER_K * (tempC - 20));
}

function waterDensity(tempC: number): number {
  const kgPerM3 = (t: number) => WATER_DENSITY.a + WATER_DENSITY.b * t + WATER_DENSITY.c * t * t;
  return (DENSITY_20C.water * kgPerM3(tempC)) / kgPerM3(20);
}
