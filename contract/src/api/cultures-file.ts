import type { CultureLot } from '@oat-crock/core';

/** Cultures and their lines, as they are handed on: an open file. */
export interface CulturesFile {
  readonly oatCrock: 'cultures';
  readonly version: 1;
  readonly cultures: readonly CultureLot[];
}

/** A file of cultures, those given up among them: a line is whole or worth nothing. */
export function culturesFile(cultures: readonly CultureLot[]): CulturesFile {
  return { oatCrock: 'cultures', version: 1, cultures };
}
