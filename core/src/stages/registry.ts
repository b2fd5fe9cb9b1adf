import { base } from './base.js';
import { bought } from './bought.js';
import { calcium } from './calcium.js';
import { capsule } from './capsule.js';
import { cook } from './cook.js';
import { cut } from './cut.js';
import { dilute } from './dilute.js';
import { grains } from './grains.js';
import { ladle } from './ladle.js';
import { lift } from './lift.js';
import { mould } from './mould.js';
import { neutralise } from './neutralise.js';
import { rennet } from './rennet.js';
import { ripen } from './ripen.js';
import { scaldCream } from './scald-cream.js';
import { secondFerment } from './second-ferment.js';
import { sieve } from './sieve.js';
import { skim } from './skim.js';
import { stirDown } from './stir-down.js';
import { turn } from './turn.js';
import { wheyBack } from './whey-back.js';
import { wild } from './wild.js';
import { acidify } from './acidify.js';
import { blend } from './blend.js';
import { chill } from './chill.js';
import { churn } from './churn.js';
import { cool } from './cool.js';
import { draw } from './draw.js';
import { finish } from './finish.js';
import { fold } from './fold.js';
import { heat } from './heat.js';
import { hold } from './hold.js';
import { incubate } from './incubate.js';
import { inoculate } from './inoculate.js';
import { say, type Text } from '../messages/message.js';
import { endedByClock, isByClock } from './ending.js';
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
  base,
  bought,
  heat,
  hold,
  cool,
  calcium,
  inoculate,
  grains,
  capsule,
  wild,
  ripen,
  rennet,
  incubate,
  chill,
  skim,
  stirDown,
  sieve,
  secondFerment,
  cut,
  ladle,
  acidify,
  rest,
  strain,
  turn,
  wheyBack,
  dilute,
  neutralise,
  cook,
  salt,
  mould,
  scaldCream,
  lift,
  temper,
  churn,
  draw,
  wash,
  work,
  fold,
  finish,
] as const;

type Kinds = (typeof KINDS)[number];
/** The name of a kind there is. */
export type KindName = Kinds['kind'];
/** The parameters of a kind, by its name. */
export type ParamsOf<N extends KindName> = Extract<Kinds, { readonly kind: N }>['defaults'];

/** A stage's kind with its parameters completed from the defaults. */
export interface BoundStage {
  readonly id: string;
  readonly kind: StageKind<Record<string, unknown>>;
  readonly params: Record<string, unknown>;
  /** The choice of the method that tells each parameter; undefined for what nobody chooses. */
  readonly chosenBy?: Readonly<Record<string, string | undefined>>;
}

const BY_NAME = new Map<string, BoundStage['kind']>(
  KINDS.map((kind) => [kind.kind, kind as unknown as StageKind<Record<string, unknown>>]),
);

/**
 * Finds the kind of a planned stage and completes its parameters.
 * @throws RangeError for a kind that does not exist
 */
export function bind(stage: Stage): BoundStage {
  const plain = BY_NAME.get(stage.kind);
  if (!plain) throw new RangeError(`No stage kind "${stage.kind}"; there are ${[...BY_NAME.keys()].join(', ')}`);
  const params = { ...plain.defaults, ...stage.params };
  const kind = isByClock(params) ? endedByClock(plain) : plain;
  const stepMin = kind.stepFor?.(params) ?? kind.stepMin;
  const cues = kind.cuesFor?.(params) ?? kind.cues;
  const isPlain = stepMin === kind.stepMin && cues === kind.cues;
  return { id: stage.id, kind: isPlain ? kind : { ...kind, stepMin, cues }, params };
}

export const STAGE_KIND_NAMES: readonly string[] = [...BY_NAME.keys()];

/** What a kind is called where it is chosen: what the hands do in it. */
export const kindWords = (kind: string): Text => (BY_NAME.has(kind) ? say(`kind.${kind as KindName}`) : kind);
