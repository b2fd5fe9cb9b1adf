import type { BoundStage } from '../stages/registry.js';
import type { CauseId } from './causes.js';

/** Something that can be wrong with a make, and what explains it, in the order to check. */
export interface Fault {
  readonly seen: string;
  readonly causes: readonly CauseId[];
  /** What a make must do for this to be seen in it; anything where left out. */
  readonly of?: Doing;
}

/** What a make does, as far as faults ask. */
export type Doing = 'sours' | 'drains' | 'parts by acid' | 'churns' | 'heats';

/** Faults and their likely causes, as general dairy practice has them. */
export const FAULTS = {
  'never-set': {
    of: 'sours',
    seen: 'It never set.',
    causes: ['deadStarter', 'killedStarter', 'tooCold', 'residue', 'noSugar', 'renneted'],
  },
  thin: {
    of: 'sours',
    seen: 'It is thin or weak.',
    causes: ['underHeated', 'lowProtein', 'lowDose', 'stoppedEarly', 'moved', 'tooHot'],
  },
  'wheyed-off': {
    of: 'sours',
    seen: 'It has shed its whey.',
    causes: ['overAcid', 'tooHot', 'moved', 'underHeated', 'cooledSlowly', 'lowProtein'],
  },
  stringy: { of: 'sours', seen: 'It is stringy or ropy.', causes: ['underHeated', 'ropyCulture', 'tooCold'] },
  grainy: { seen: 'It is grainy or lumpy.', causes: ['lumpySlurry', 'heatedUnevenly', 'acidRough', 'overAcid'] },
  'too-sour': {
    of: 'sours',
    seen: 'It is too sour.',
    causes: ['tooLong', 'tooHot', 'bigDose', 'manyGenerations', 'cooledSlowly'],
  },
  bland: { seen: 'It is bland.', causes: ['stoppedEarly', 'lowDose', 'highFat', 'weakStarter'] },
  foul: { seen: 'It is bitter, yeasty, gassy, foul or coloured.', causes: ['contamination', 'muchRennet'] },
  'no-curd': {
    of: 'parts by acid',
    seen: 'The curd will not part from its whey.',
    causes: ['littleAcid', 'weakAcid', 'acidTooCool', 'ultraHeated'],
  },
  dry: { of: 'drains', seen: 'It is dry and crumbly.', causes: ['overDrained', 'overHeated', 'overAcid'] },
  'through-cloth': { of: 'drains', seen: 'It comes through the cloth.', causes: ['openWeave', 'loadedWarm'] },
  'no-butter': {
    of: 'churns',
    seen: 'The butter will not break.',
    causes: ['churnedCold', 'leanCream', 'fullChurn', 'ultraHeated'],
  },
  'greasy-butter': {
    of: 'churns',
    seen: 'The butter is greasy, soft and little.',
    causes: ['churnedWarm', 'overWorked'],
  },
  'turned-butter': { of: 'churns', seen: 'The butter turned quickly.', causes: ['unwashed', 'contamination'] },
  scorched: { of: 'heats', seen: 'It scorched.', causes: ['hotBottom', 'notStirred'] },
  'wet-top': { seen: 'There is a ring of water or a wet top.', causes: ['closedEarly', 'cooledSlowly'] },
} as const satisfies Readonly<Record<string, Fault>>;

export type FaultId = keyof typeof FAULTS;

/** Whether a make does something, read off what its stages say of themselves. */
const DOES: Readonly<Record<Doing, (stage: BoundStage) => boolean>> = {
  sours: ({ kind }) => kind.endsBy === 'acidity',
  drains: ({ kind }) => kind.drainage !== undefined,
  'parts by acid': ({ params }) => params['agent'] !== undefined,
  churns: ({ kind }) => kind.runsOff?.is === 'buttermilk',
  heats: ({ kind, params }) => kind.gear(params).includes('hob'),
};

/** The faults that can be seen in a make of these stages. */
export function faultsOf(stages: readonly BoundStage[]): readonly FaultId[] {
  return (Object.keys(FAULTS) as FaultId[]).filter((id) => {
    const { of }: Fault = FAULTS[id];
    return of === undefined || stages.some(DOES[of]);
  });
}
