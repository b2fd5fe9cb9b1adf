import { plannedBatchName, wantedName, type PlannedBatch } from '@oat-crock/contract/api';
import type { Text } from '@oat-crock/core';
import { named } from './said';

/** What a planned make is called, as the household reads it: "Thick yogurt for the café, 1 of 2". */
export const batchName = (plannedBatch: PlannedBatch): string => named(plannedBatchName(plannedBatch));

/** What is wanted, and for whom. */
export const nameOfWanted = (name: Text, whom: string): string => named(wantedName(name, whom));
