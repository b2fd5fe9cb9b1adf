import type { Instrument } from '@oat-crock/contract/api';
import { acidity, mass, temp } from '../../shared/ui/words';

/** How what an instrument reads is said. */
export const READ: Readonly<Record<Instrument['quantity'], (value: number) => string>> = {
  ...{ tempC: temp, ph: acidity, wheyG: mass, roomC: temp },
};
