/** What can be seen to be wrong with a make. What explains each of them is told by the faults of `explain/`. */
export const FAULT_IDS = [
  'never-set',
  'thin',
  'wheyed-off',
  'stringy',
  'grainy',
  'too-sour',
  'bland',
  'foul',
  'no-curd',
  'dry',
  'through-cloth',
  'no-butter',
  'greasy-butter',
  'turned-butter',
  'scorched',
  'wet-top',
] as const;
export type FaultId = (typeof FAULT_IDS)[number];
