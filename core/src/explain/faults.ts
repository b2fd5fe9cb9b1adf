import type { CauseId } from './causes.js';

/** Something that can be wrong with a make, and what explains it, in the order to check. */
export interface Fault {
  readonly seen: string;
  readonly causes: readonly CauseId[];
}

/** Faults and their likely causes, as general dairy practice has them. */
export const FAULTS = {
  'never-set': {
    seen: 'It never set.',
    causes: ['deadStarter', 'killedStarter', 'tooCold', 'residue', 'noSugar', 'renneted'],
  },
  thin: {
    seen: 'It is thin or weak.',
    causes: ['underHeated', 'lowProtein', 'lowDose', 'stoppedEarly', 'moved', 'tooHot'],
  },
  'wheyed-off': {
    seen: 'It has shed its whey.',
    causes: ['overAcid', 'tooHot', 'moved', 'underHeated', 'cooledSlowly', 'lowProtein'],
  },
  stringy: { seen: 'It is stringy or ropy.', causes: ['underHeated', 'ropyCulture', 'tooCold'] },
  grainy: { seen: 'It is grainy or lumpy.', causes: ['lumpySlurry', 'heatedUnevenly', 'acidRough', 'overAcid'] },
  'too-sour': { seen: 'It is too sour.', causes: ['tooLong', 'tooHot', 'bigDose', 'manyGenerations', 'cooledSlowly'] },
  bland: { seen: 'It is bland.', causes: ['stoppedEarly', 'lowDose', 'highFat', 'weakStarter'] },
  foul: { seen: 'It is bitter, yeasty, gassy, foul or coloured.', causes: ['contamination', 'muchRennet'] },
  'no-curd': {
    seen: 'The curd will not part from its whey.',
    causes: ['littleAcid', 'weakAcid', 'acidTooCool', 'ultraHeated'],
  },
  dry: { seen: 'It is dry and crumbly.', causes: ['overDrained', 'overHeated', 'overAcid'] },
  'through-cloth': { seen: 'It comes through the cloth.', causes: ['openWeave', 'loadedWarm'] },
  'no-butter': { seen: 'The butter will not break.', causes: ['churnedCold', 'leanCream', 'fullChurn', 'ultraHeated'] },
  'greasy-butter': { seen: 'The butter is greasy, soft and little.', causes: ['churnedWarm', 'overWorked'] },
  'turned-butter': { seen: 'The butter turned quickly.', causes: ['unwashed', 'contamination'] },
  scorched: { seen: 'It scorched.', causes: ['hotBottom', 'notStirred'] },
  'wet-top': { seen: 'There is a ring of water or a wet top.', causes: ['closedEarly', 'cooledSlowly'] },
} as const satisfies Readonly<Record<string, Fault>>;

export type FaultId = keyof typeof FAULTS;
