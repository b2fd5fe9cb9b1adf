import { bufferMilkOf, massesOfMaterial, materialFromLabel, type BufferMilk } from '@oat-crock/core';

/** The buffering milk of a given protein, of whole-milk fat. */
export const milkOf = (proteinPct: number): BufferMilk =>
  bufferMilkOf(massesOfMaterial(materialFromLabel(3.6, proteinPct), 1000));
