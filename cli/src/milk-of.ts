import { bufferMilkOf, massesOfMaterial, materialFromLabel } from '@oat-crock/core';

/** The buffering milk of a given protein, of whole-milk fat. */
export const milkOf = (proteinPct: number) => bufferMilkOf(massesOfMaterial(materialFromLabel(3.6, proteinPct), 1000));
