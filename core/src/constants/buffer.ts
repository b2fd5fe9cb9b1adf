/**
 * Buffering groups of cow's milk. Protein groups scale with protein, the rest with the aqueous minerals.
 * Apparent constants at milk's ionic strength; sources: Walstra et al. (2006) ch. 2; Salaün, Mietton & Gaucheron
 * (2005), Int. Dairy J. 15, 95–109; Lucey & Horne (2009), Advanced Dairy Chemistry 3.
 */
export interface BufferGroup {
  readonly name: string;
  readonly pK: number;
  /** mmol per g protein, or mmol per kg of milk of normal minerals. */
  readonly capacity: number;
  readonly per: 'g protein' | 'kg milk';
}

export const MILK_GROUPS: readonly BufferGroup[] = [
  { name: 'carboxyl groups of the proteins', pK: 4.6, capacity: 1.0, per: 'g protein' },
  { name: 'histidine and serine phosphate of casein', pK: 6.4, capacity: 0.25, per: 'g protein' },
  { name: 'phosphate', pK: 6.6, capacity: 22, per: 'kg milk' },
  { name: 'colloidal calcium phosphate as it dissolves', pK: 5.1, capacity: 24, per: 'kg milk' },
  { name: 'citrate, first', pK: 3.0, capacity: 9.5, per: 'kg milk' },
  { name: 'citrate, second', pK: 4.1, capacity: 9.5, per: 'kg milk' },
  { name: 'citrate, third', pK: 5.4, capacity: 9.5, per: 'kg milk' },
];

/** Minerals (g per kg) at which the groups "per kg milk" have the listed capacity. */
export const NORMAL_MINERALS_G_PER_KG = 7.3;

/**
 * Protons freed by calcium phosphate that precipitates while milk is titrated to pH 8.3, mmol/kg milk
 * (Walstra et al. 2006: titration overshoots the buffer sum by 2–4).
 */
export const TITRATION_PRECIPITATION_MMOL_PER_KG = 3;

/** End point of titratable acidity by phenolphthalein. */
export const TITRATION_END_PH = 8.3;
