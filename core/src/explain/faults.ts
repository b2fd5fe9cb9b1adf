import { FAULT_IDS, type FaultId } from '../batch/fault-ids.js';
import { say, type Text } from '../messages/message.js';
import type { BoundStage } from '../stages/registry.js';
import type { CauseId } from './causes.js';

/** Something that can be wrong with a make, and what explains it, in the order to check. */
export interface Fault {
  readonly seen: Text;
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
    seen: say('explain.faults.neverSet'),
    causes: ['deadStarter', 'killedStarter', 'tooCold', 'residue', 'noSugar', 'renneted'],
  },
  thin: {
    of: 'sours',
    seen: say('explain.faults.thinWeak'),
    causes: ['underHeated', 'lowProtein', 'lowDose', 'stoppedEarly', 'moved', 'tooHot'],
  },
  'wheyed-off': {
    of: 'sours',
    seen: say('explain.faults.shedWhey'),
    causes: ['overAcid', 'tooHot', 'moved', 'underHeated', 'cooledSlowly', 'lowProtein'],
  },
  stringy: { of: 'sours', seen: say('explain.faults.stringyRopy'), causes: ['underHeated', 'ropyCulture', 'tooCold'] },
  grainy: {
    seen: say('explain.faults.grainyLumpy'),
    causes: ['lumpySlurry', 'heatedUnevenly', 'acidRough', 'overAcid'],
  },
  'too-sour': {
    of: 'sours',
    seen: say('explain.faults.tooSour'),
    causes: ['tooLong', 'tooHot', 'bigDose', 'manyGenerations', 'cooledSlowly'],
  },
  bland: { seen: say('explain.faults.itIsBland'), causes: ['stoppedEarly', 'lowDose', 'highFat', 'weakStarter'] },
  foul: { seen: say('explain.faults.bitterYeastyGassyFoul'), causes: ['contamination', 'muchRennet'] },
  'no-curd': {
    of: 'parts by acid',
    seen: say('explain.faults.curdWillNotPart'),
    causes: ['littleAcid', 'weakAcid', 'acidTooCool', 'ultraHeated'],
  },
  dry: { of: 'drains', seen: say('explain.faults.dryCrumbly'), causes: ['overDrained', 'overHeated', 'overAcid'] },
  'through-cloth': { of: 'drains', seen: say('explain.faults.comesThroughCloth'), causes: ['openWeave', 'loadedWarm'] },
  'no-butter': {
    of: 'churns',
    seen: say('explain.faults.butterWillNotBreak'),
    causes: ['churnedCold', 'leanCream', 'fullChurn', 'ultraHeated'],
  },
  'greasy-butter': {
    of: 'churns',
    seen: say('explain.faults.butterGreasySoftLittle'),
    causes: ['churnedWarm', 'overWorked'],
  },
  'turned-butter': {
    of: 'churns',
    seen: say('explain.faults.butterTurnedQuickly'),
    causes: ['unwashed', 'contamination'],
  },
  scorched: { of: 'heats', seen: say('explain.faults.itScorched'), causes: ['hotBottom', 'notStirred'] },
  'wet-top': { seen: say('explain.faults.thereRingWaterWet'), causes: ['closedEarly', 'cooledSlowly'] },
} as const satisfies Readonly<Record<FaultId, Fault>>;

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
  return FAULT_IDS.filter((id) => {
    const { of }: Fault = FAULTS[id];
    return of === undefined || stages.some(DOES[of]);
  });
}
