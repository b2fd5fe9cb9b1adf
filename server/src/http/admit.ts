import { inEnglish } from '@oat-crock/messages';
import { householdAround, type House } from '@oat-crock/calendar';
import { InputRefused, type FieldProblem } from '@oat-crock/contract';
import {
  checkChoices,
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
 * correction names a line that is there, nothing but corrections and notes comes after the end.
 *
 * @throws InputRefused naming the entry's field and the remedy
 */
export function admitEntries(entries: readonly Entry[], admission: Admission): void {
  const logs = new Map<string, Entry[]>();
  entries.forEach((entry, i) => {
    const log = logs.get(entry.batchId) ?? [...admission.known(entry.batchId)];
    logs.set(entry.batchId, log);
    if (log.some((e) => e.id === entry.id)) return;
    const problem =
      problemOf(entry, log, replay(log)) ??
      holdProblem(entry, log, admission) ??
      lotProblem(entry.body, admission.hasLot) ??
      dayAhead(entry, admission.nowMs);
    if (problem) throw new InputRefused([{ ...problem, field: `entries.${i}.${problem.field}` }]);
    log.push(entry);
  });
}

function problemOf(entry: Entry, log: readonly Entry[], batch: Batch | null): FieldProblem | null {
  const { body } = entry;
  if (body.type === 'started') return startProblem(body, batch);
  if (!batch) {
    return {
      field: 'batchId',
      message: 'No batch of this id has been started.',
      remedy: 'Send its "started" entry first.',
    };
  }
  if (body.type === 'correction') return correctionProblem(body, log);
  if (batch.ended && body.type !== 'note' && body.type !== 'photo') {
    return {
      field: 'body.type',
      message: `This batch ended and takes no "${body.type}".`,
      remedy: 'Write a note, or correct the line that ended it.',
    };
  }
  return timeProblem(entry, batch) ?? bodyProblem(body, batch);
}

/** Nothing can have been done to a make before it began; the page says so of much more, but a late answer must not lose a line. */
function timeProblem({ atMs }: Entry, batch: Batch): FieldProblem | null {
  if (atMs >= batch.startedMs) return null;
  return {
    field: 'atMs',
    message: 'This make had not begun then.',
    remedy: `Give a time from ${new Date(batch.startedMs).toISOString()} on.`,
  };
}

/** A page's clock may be a little off, and runs fast in a demonstration; a day ahead is a wrong date. */
const DAY_MS = 86_400_000;

function dayAhead({ atMs, body }: Entry, nowMs: number): FieldProblem | null {
  const lastMs = Math.max(atMs, body.type === 'correction' ? (body.atMs ?? 0) : 0);
  if (lastMs <= nowMs + DAY_MS) return null;
  return {
    field: 'atMs',
    message: 'It cannot have happened yet.',
    remedy: `The kitchen's clock stands at ${new Date(nowMs).toISOString()}: give the time by it.`,
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
  if (body.type === 'finished') return against && { field: 'body.type', ...inEnglish(against) };
  if (!against && holdOf(batch) === null) {
    return { field: 'body.type', message: 'This batch is not on hold.', remedy: 'Nothing needs to be let go.' };
  }
  return null;
}

function lotProblem(body: EntryBody, hasLot: (lotId: string) => boolean): FieldProblem | null {
  if (body.type !== 'took' || hasLot(body.lotId)) return null;
  return {
    field: 'body.lotId',
    message: 'The larder has no such lot.',
    remedy: 'Write the lot first, then what was taken.',
  };
}

function startProblem(body: EntryBody & { type: 'started' }, batch: Batch | null): FieldProblem | null {
  if (batch) {
    return { field: 'body.type', message: 'This batch is already started.', remedy: 'Start another under a new id.' };
  }
  const method = body.method ?? METHODS.find((m) => m.id === body.methodId);
  if (!method) {
    return {
      field: 'body.methodId',
      message: `There is no method "${body.methodId}".`,
      remedy: `Use one of ${METHODS.map((m) => m.id).join(', ')}.`,
    };
  }
  if (body.method) {
    const [fault] = body.method.id === body.methodId ? methodFaults(body.method) : [OTHER_METHOD];
    if (fault) return { ...inEnglish(fault), field: `body.method.${fault.field}` };
  }
  try {
    checkChoices(method, body.choices, body.stocks);
    return null;
  } catch (error) {
    return { field: 'body.choices', message: `${(error as Error).message}.`, remedy: 'Choose what is offered.' };
  }
}

const OTHER_METHOD: FieldProblem = {
  field: 'id',
  message: 'It is not the method that is named.',
  remedy: 'Give the same id in both.',
};

function correctionProblem(body: EntryBody & { type: 'correction' }, log: readonly Entry[]): FieldProblem | null {
  const replaced = log.find((e) => e.id === body.replaces);
  if (!replaced) {
    return {
      field: 'body.replaces',
      message: 'This batch has no such line.',
      remedy: 'Name the id of the line it corrects.',
    };
  }
  if (replaced.body.type === 'correction') {
    return {
      field: 'body.replaces',
      message: 'A correction cannot be corrected.',
      remedy: 'Correct the first line again; the newest correction counts.',
    };
  }
  if (replaced.body.type === 'started') {
    return { field: 'body.replaces', message: 'The start cannot be taken back.', remedy: 'Discard the batch instead.' };
  }
  if (body.body && body.body.type !== replaced.body.type) {
    return {
      field: 'body.body.type',
      message: `A "${replaced.body.type}" is corrected by another "${replaced.body.type}".`,
      remedy: 'Take it back with null and write the other line anew.',
    };
  }
  return null;
}

function bodyProblem(body: EntryBody, batch: Batch): FieldProblem | null {
  const stages = plannedOf(batch).stages;
  if (body.type === 'step' && !stages.some((s) => s.id === body.stageId)) {
    return {
      field: 'body.stageId',
      message: `This make has no stage "${body.stageId}".`,
      remedy: `Use one of ${stages.map((s) => s.id).join(', ')}.`,
    };
  }
  if (body.type === 'cue') {
    const scales = stages.flatMap((s) => s.kind.cues).filter((c) => c.cue === body.cue);
    const answers = scales.flatMap((c) => c.answers);
    if (!answers.includes(body.answer)) {
      return {
        field: scales.length ? 'body.answer' : 'body.cue',
        message: `"${body.cue}: ${body.answer}" is not asked in this make.`,
        remedy: scales.length ? `Answer one of ${[...new Set(answers)].join(', ')}.` : 'Use a cue of its stages.',
      };
    }
  }
  return null;
}
