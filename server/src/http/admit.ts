import { householdAround, type House } from '@oat-crock/calendar';
import { InputRefused, type FieldProblem } from '@oat-crock/contract';
import {
  checkChoices,
  correctedProblem,
  movementProblem,
  follow,
  holdOf,
  methodFaults,
  notGoingOut,
  METHODS,
  plannedOf,
  replay,
  type Batch,
  type Entry,
  type EntryBody,
  say,
  answerId,
} from '@oat-crock/core';

/** What entries are checked against. */
export interface Admission {
  /** A batch's lines by hand that are already written, and those that are to be corrected. */
  readonly known: (batchId: string) => readonly Entry[];
  /** What instruments have read of a batch. */
  readonly readings: (batchId: string) => readonly Entry[];
  /** Whether the larder has, or had, a lot. */
  readonly hasLot: (lotId: string) => boolean;
  /** The house that a batch stands in. */
  readonly houseOf: (batch: Batch) => House;
  /** The kitchen's time. */
  readonly nowMs: number;
}

/**
 * Checks that entries fit the log they go into: a batch is begun before it is logged to, its stages exist, a
 * correction names a line that is there, nothing but corrections, notes and what goes out of it comes after the end.
 *
 * @throws InputRefused naming the entry's field and the remedy
 */
export function admitEntries(entries: readonly Entry[], admission: Admission): void {
  const logs = new Map<string, OpenLog>();
  entries.forEach((entry, i) => {
    const log = logs.get(entry.batchId) ?? openLog(admission.known(entry.batchId));
    logs.set(entry.batchId, log);
    if (log.byId.has(entry.id)) return;
    const problem =
      problemOf(entry, log) ??
      holdProblem(entry, log.entries, admission) ??
      lotProblem(entry.body, admission.hasLot) ??
      dayAhead(entry, admission.nowMs);
    if (problem) throw new InputRefused([{ ...problem, field: `entries.${i}.${problem.field}` }]);
    log.add(entry);
  });
}

type Stages = ReturnType<typeof plannedOf>['stages'];

/** A make's log while lines are added to it. */
interface OpenLog {
  readonly entries: readonly Entry[];
  readonly byId: ReadonlyMap<string, Entry>;
  /** The make as it stands, as far as lines are checked against it. */
  readonly batch: () => Batch | null;
  readonly stages: () => Stages;
  readonly add: (entry: Entry) => void;
}

/** Lines that change what later ones are checked against: only after those is the log replayed again. */
const CHANGES_CHECKS: ReadonlySet<EntryBody['type']> = new Set<EntryBody['type']>([
  ...(['started', 'correction', 'finished', 'discarded', 'issued', 'stored'] as const),
]);

function openLog(known: readonly Entry[]): OpenLog {
  const entries = [...known];
  const byId = new Map(entries.map((e) => [e.id, e]));
  let replayed: { readonly batch: Batch | null; stages?: Stages } | null = null;
  const now = () => (replayed ??= { batch: replay(entries) });
  return {
    entries,
    byId,
    batch: () => now().batch,
    stages: () => (now().stages ??= plannedOf(now().batch!).stages),
    add: (entry) => {
      entries.push(entry);
      byId.set(entry.id, entry);
      if (CHANGES_CHECKS.has(entry.body.type)) replayed = null;
    },
  };
}

/** Whether a line may be written of a make that has ended: what was done with the milk is over, what came of it lives on. */
const AFTER_THE_END: Readonly<Record<EntryBody['type'], boolean>> = {
  ...{ started: false, took: false, step: false, reading: false, cue: false, added: false },
  ...{ finished: false, discarded: false },
  ...{ note: true, photo: true, held: true, released: true, complaint: true },
  ...{ issued: true, stored: true, placed: true, correction: true },
};

function problemOf(entry: Entry, log: OpenLog): FieldProblem | null {
  const { body } = entry;
  const batch = log.batch();
  if (body.type === 'started') return startProblem(body, batch);
  if (!batch) {
    return {
      field: 'batchId',
      message: say('server.http.admit.noBatchIdBeen'),
      remedy: say('server.http.admit.sendStartedEntryFirst'),
    };
  }
  if (body.type === 'correction')
    return correctionProblem(body, log.byId) ?? correctedProblem(replay([...log.entries, entry])!);
  if (body.type === 'issued' || body.type === 'stored')
    return timeProblem(entry, batch) ?? movementProblem(batch, body);
  if (batch.ended && !AFTER_THE_END[body.type]) {
    return {
      field: 'body.type',
      message: say('server.http.admit.batchEndedTakesNo', { type: body.type }),
      remedy: say('server.http.admit.writeNoteCorrectLine'),
    };
  }
  return timeProblem(entry, batch) ?? bodyProblem(body, log.stages);
}

/** Nothing can have been done to a make before it began; the page says so of much more, but a late answer must not lose a line. */
function timeProblem({ atMs }: Entry, batch: Batch): FieldProblem | null {
  if (atMs >= batch.startedMs) return null;
  return {
    field: 'atMs',
    message: say('server.http.admit.makeHadNotBegun'),
    remedy: say('server.http.admit.giveTimeFrom', { started: new Date(batch.startedMs).toISOString() }),
  };
}

/** A page's clock may be a little off, and runs fast in a demonstration; a day ahead is a wrong date. */
const DAY_MS = 86_400_000;

function dayAhead({ atMs, body }: Entry, nowMs: number): FieldProblem | null {
  const lastMs = Math.max(atMs, body.type === 'correction' ? (body.atMs ?? 0) : 0);
  if (lastMs <= nowMs + DAY_MS) return null;
  return {
    field: 'atMs',
    message: say('server.http.admit.cannotHappenedYet'),
    remedy: say('server.http.admit.kitchensClockStandsGive', { now: new Date(nowMs).toISOString() }),
  };
}

/** Members with which the rules are asked when lines are admitted: the forecast has no say in them, only which readings are doubtful. */
const RULES = { members: 200, seed: 1, fanPoints: 0 } as const;

/** What is held, by somebody or by the rules of safety, is not finished as sound; only what is held can be let go. */
function holdProblem(
  { body, batchId, atMs }: Entry,
  log: readonly Entry[],
  { readings, houseOf }: Admission,
): FieldProblem | null {
  if (body.type !== 'finished' && body.type !== 'released') return null;
  const batch = replay([...log, ...readings(batchId)]);
  if (!batch) return null;
  const { findings } = follow(batch, atMs, RULES, householdAround(batch, houseOf(batch)));
  const against = notGoingOut(batch, findings);
  if (body.type === 'finished') return against && { field: 'body.type', ...against };
  if (!against && holdOf(batch) === null) {
    return {
      field: 'body.type',
      message: say('server.http.admit.batchNotHold'),
      remedy: say('server.http.admit.nothingNeedsLetGo'),
    };
  }
  return null;
}

function lotProblem(body: EntryBody, hasLot: (lotId: string) => boolean): FieldProblem | null {
  if (body.type !== 'took' || hasLot(body.lotId)) return null;
  return {
    field: 'body.lotId',
    message: say('server.http.admit.larderNoSuchLot'),
    remedy: say('server.http.admit.writeLotFirstWhat'),
  };
}

function startProblem(body: EntryBody & { type: 'started' }, batch: Batch | null): FieldProblem | null {
  if (batch) {
    return {
      field: 'body.type',
      message: say('server.http.admit.batchAlreadyStarted'),
      remedy: say('server.http.admit.startAnotherUnderNew'),
    };
  }
  const method = body.method ?? METHODS.find((m) => m.id === body.methodId);
  if (!method) {
    return {
      field: 'body.methodId',
      message: say('server.http.admit.thereNoMethod', { methodId: body.methodId }),
      remedy: say('server.http.admit.useOne', { id: METHODS.map((m) => m.id).join(', ') }),
    };
  }
  if (body.method) {
    const [fault] = body.method.id === body.methodId ? methodFaults(body.method) : [OTHER_METHOD];
    if (fault) return { ...fault, field: `body.method.${fault.field}` };
  }
  try {
    checkChoices(method, body.choices, body.stocks);
    return null;
  } catch (error) {
    return {
      field: 'body.choices',
      message: say('server.http.admit.text', { message: (error as Error).message }),
      remedy: say('server.http.admit.chooseWhatOffered'),
    };
  }
}

const OTHER_METHOD: FieldProblem = {
  field: 'id',
  message: say('server.http.admit.notMethodNamed'),
  remedy: say('server.http.admit.giveSameIdBoth'),
};

function correctionProblem(
  body: EntryBody & { type: 'correction' },
  log: ReadonlyMap<string, Entry>,
): FieldProblem | null {
  const replaced = log.get(body.replaces);
  if (!replaced) {
    return {
      field: 'body.replaces',
      message: say('server.http.admit.batchNoSuchLine'),
      remedy: say('server.http.admit.nameIdLineCorrects'),
    };
  }
  if (replaced.body.type === 'correction') {
    return {
      field: 'body.replaces',
      message: say('server.http.admit.correctionCannotCorrected'),
      remedy: say('server.http.admit.correctFirstLineAgain'),
    };
  }
  if (replaced.body.type === 'started') {
    return {
      field: 'body.replaces',
      message: say('server.http.admit.startCannotTakenBack'),
      remedy: say('server.http.admit.discardBatchInstead'),
    };
  }
  if (body.body && body.body.type !== replaced.body.type) {
    return {
      field: 'body.body.type',
      message: say('server.http.admit.correctedAnother', { type: replaced.body.type }),
      remedy: say('server.http.admit.takeBackNullWrite'),
    };
  }
  return null;
}

function bodyProblem(body: EntryBody, stagesOf: () => Stages): FieldProblem | null {
  if (body.type !== 'step' && body.type !== 'cue') return null;
  const stages = stagesOf();
  if (body.type === 'step' && !stages.some((s) => s.id === body.stageId)) {
    return {
      field: 'body.stageId',
      message: say('server.http.admit.makeNoStage', { stageId: body.stageId }),
      remedy: say('server.http.admit.useOne', { id: stages.map((s) => s.id).join(', ') }),
    };
  }
  if (body.type === 'cue') {
    const scales = stages.flatMap((s) => s.kind.cues).filter((c) => c.cue === body.cue);
    const answers = scales.flatMap((c) => c.answers);
    if (!answers.includes(answerId(body.answer))) {
      return {
        field: scales.length ? 'body.answer' : 'body.cue',
        message: say('server.http.admit.notAskedMake', { cue: body.cue, answer: body.answer }),
        remedy: scales.length
          ? say('server.http.admit.answerOne', { answers: [...new Set(answers)].join(', ') })
          : say('server.http.admit.useCueStages'),
      };
    }
  }
  return null;
}
