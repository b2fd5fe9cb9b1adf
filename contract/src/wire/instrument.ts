/** An instrument that posts readings: what it measures, and the crock it stands in. */
export interface Instrument {
  readonly id: string;
  readonly name: string;
  readonly quantity: 'tempC' | 'ph' | 'wheyG';
  readonly simulated: boolean;
  /** The batch it measures, or null while it is on the shelf. */
  readonly batchId: string | null;
}

export interface InstrumentReading {
  readonly id: string;
  readonly atMs: number;
  readonly value: number;
}
