import { acidify } from './acidify.js';
import { blend } from './blend.js';
import { chill } from './chill.js';
import { churn } from './churn.js';
import { cool } from './cool.js';
import { draw } from './draw.js';
import { finish } from './finish.js';
import { heat } from './heat.js';
import { hold } from './hold.js';
import { incubate } from './incubate.js';
import { inoculate } from './inoculate.js';
import type { Stage, StageKind } from './kind.js';
import { rest } from './rest.js';
import { salt } from './salt.js';
import { strain } from './strain.js';
import { temper } from './temper.js';
import { wash } from './wash.js';
import { work } from './work.js';

/** Every kind of stage; a new kind is one file and one name here. */
const KINDS = [
  blend,
  heat,
  hold,
  cool,
  inoculate,
  incubate,
  chill,
  acidify,
  rest,
  strain,
  salt,
  temper,
  churn,
  draw,
  wash,
  work,
  finish,
] as const;

/** A stage's kind with its parameters completed from the defaults. */
export interface BoundStage {
  readonly id: string;
  readonly kind: StageKind<Record<string, unknown>>;
  readonly params: Record<string, unknown>;
}

const BY_NAME = new Map(KINDS.map((kind) => [kind.kind, kind as unknown as StageKind<Record<string, unknown>>]));

/**
 * Finds the kind of a planned stage and completes its parameters.
 * @throws RangeError for a kind that does not exist
 */
export function bind(stage: Stage): BoundStage {
  const kind = BY_NAME.get(stage.kind);
  if (!kind) throw new RangeError(`No stage kind "${stage.kind}"; there are ${[...BY_NAME.keys()].join(', ')}`);
  return { id: stage.id, kind, params: { ...kind.defaults, ...stage.params } };
}

export const STAGE_KIND_NAMES: readonly string[] = [...BY_NAME.keys()];
