import type { Environment } from '../environment/environment.js';
import type { DrainageCourse } from '../physics/drainage.js';
import type { Surroundings } from '../physics/heat.js';
import type { Text } from '../messages/message.js';
import type { CrockState } from '../state/crock-state.js';
import type { Stock } from '../materials/materials.js';
import type { Told } from './told.js';
import type { Ask, Branch, Chart, Gauge, Seen } from './watch.js';

/** How early or late the end of a stage may come, in minutes, and what it costs. */
export interface Slack {
  readonly earlyMin: number;
  readonly lateMin: number;
  readonly cost: Text;
}

/** A stage's course about its planned end: the state `minutesFromEnd` (negative before it, positive if left to go on). */
export interface Course {
  readonly at: (minutesFromEnd: number) => CrockState;
  readonly lastedMin: number;
}

/** A reason why a stage cannot do what its parameters ask, with the nearest that works. */
export interface Problem {
  readonly field: string;
  readonly message: Text;
  readonly remedy: Text;
  /** The nearest choices that work, by key, where some do. */
  readonly works?: Readonly<Record<string, number | string>>;
  /** It can be made so, and will be the worse for it. */
  readonly mild?: true;
}

/** What decides that a stage is over. */
export type EndsBy = 'clock' | 'temperature' | 'acidity' | 'solids';

/** Whose price a thing has: that of the choice "…Price"; what is one's own, or weighs nothing in money, has none. */
export type PricedAs =
  'milk' | 'cream' | 'powder' | 'acid' | 'butter' | 'egg' | 'capsule' | 'packet' | 'flavour' | 'own';

/** Something to weigh out: what, how much, how dense, and whose price it has. */
export interface WeighedIn {
  readonly what: Text;
  /** What it is called among the ingredients on a label, where that is shorter. */
  readonly ingredient?: Text;
  readonly massG: number;
  readonly gPerMl: number;
  readonly pricedAs: PricedAs;
  /** Which milk, cream or base it is, where it is one. */
  readonly stockId?: string;
  /** Out of which kind of lot it may come, where that is none of those. */
  readonly outOf?: 'acid' | 'rennet' | 'calcium' | 'salt' | 'powder' | 'flavour' | 'culture' | 'yogurt' | 'clabber';
  /** How it is measured out where a spoon is too big for it: "2 drops". */
  readonly measure?: Text;
  /** How many there are of it, where it is priced by the piece. */
  readonly count?: number;
}

/** How a curd drains from the state it was loaded in. */
export interface Drainage {
  readonly course: DrainageCourse;
  /** Whey that must leave until it is as wanted, g. */
  readonly wantedWheyG: number;
}

/** What leaves a crock as it drains: what it is, and its name. */
export interface RunsOff {
  readonly is: 'whey' | 'buttermilk';
  readonly name: Text;
}

/** What is taken off and put by: its name and its uses. */
export interface SetAside {
  readonly name: Text;
  readonly use: Text;
}

/** What is kept for the next make. */
export interface KeepsBack {
  readonly is: 'starter' | 'grains';
  readonly name: Text;
  readonly use: Text;
  readonly keepsDays: number;
}

/** A thing to look, smell or feel for, and what each answer is called. */
export interface CueScale {
  readonly cue: string;
  readonly ask: Text;
  readonly answers: readonly string[];
}

/**
 * A kind of stage: one file that says everything about itself.
 * P are its parameters, plain data that a method file or a maker's choice fills in; N is its name.
 */
export interface StageKind<P, N extends string = string> {
  readonly kind: N;
  readonly defaults: P;
  /** One word for the drawing and the lists. */
  readonly name: (params: P) => Text;
  /** What is said as its hands begin it, "Start heating"; and once it is over, "It is at 85 °C". */
  readonly begins: (params: P) => Text;
  readonly over: (params: P) => Text;
  /** What the hands do to begin it, as a sentence with amounts; `after` is the crock as it leaves it, where that is known. */
  readonly instruction: (params: P, before: CrockState, after?: CrockState) => Text;
  /** The milks, creams and bases that it pours in, as they come; also marks what a make can begin with. */
  readonly pours?: (params: P) => readonly Stock[];
  /** Minutes of hands to begin it. */
  readonly handsMin: (params: P) => number;
  /** Nothing but some minutes of hands: that it is over needs no word of its own. */
  readonly brief?: true;
  /** True where the hands must stay or look in throughout. */
  readonly attended: boolean;
  readonly gear: (params: P) => readonly string[];
  /** The vessels of one's own that the product goes into here. */
  readonly fillsInto?: 'jar' | 'mould';
  /** What decides that it is over, and the value wanted (°C, pH, solids as a fraction or 0 where no texture is asked for, minutes). */
  readonly endsBy: EndsBy;
  readonly target: (params: P) => number;
  /** What the crock exchanges heat with, for kinds whose end depends on a culture kept warm. */
  readonly around?: (params: P, volumeMl: number, environment: Environment) => Surroundings;
  /** What is weighed in when it begins. */
  readonly weighIn?: (params: P, before: CrockState) => readonly WeighedIn[];
  /** How the crock drains, for kinds that let whey go. */
  readonly drainage?: (state: CrockState, params: P, environment: Environment) => Drainage;
  /** What runs off in it, where anything does, and what that is good for. */
  readonly runsOff?: RunsOff;
  /** What is put by in it, where anything is. */
  readonly setsAside?: SetAside;
  /** What is kept for the next make in it, where anything is. */
  readonly keepsBack?: KeepsBack;
  /** What happens in the moment it begins. */
  readonly begin: (state: CrockState, params: P, environment: Environment) => CrockState;
  /** Moves the state through minutes, at most {@link stepMin}. */
  readonly advance: (state: CrockState, params: P, environment: Environment, minutes: number) => CrockState;
  /** What was still to be done in it when somebody went on to the next stage before the clock had run out. */
  /**
   * Of a stage that ends at a temperature and that somebody ended: where that was later, or sooner, than the engine's kitchen would
   * have come to it, and nobody measured, it is this kitchen that is slower or quicker, and not the hand that missed the aim. Milk on
   * a hob is not left boiling; no starter goes into milk that would kill it.
   */
  readonly endsAtAim?: 'when later' | 'when sooner';
  readonly windUp?: (state: CrockState, params: P) => CrockState;
  /** Where the clock ends it: the minute at which, of a stage that began at `since`. */
  readonly endsAt?: (params: P, environment: Environment, since: number) => number;
  /** True once the stage has done its work; `since` is the minute it began. */
  readonly done: (state: CrockState, params: P, environment: Environment, since: number) => boolean;
  /** Longest step in minutes that keeps {@link advance} accurate. */
  readonly stepMin: number;
  /** The same where it depends on the parameters; the registry puts it in place of {@link stepMin}. */
  readonly stepFor?: (params: P) => number;
  /** How much give its end has, read off its course. */
  readonly slack: (params: P, course: Course) => Slack;
  /** What to look for as it nears its end, in a crock that holds this. */
  readonly endCue: (params: P, state: CrockState) => Text;
  readonly cues: readonly CueScale[];
  /** The same where they depend on the parameters; the registry puts them in place of {@link cues}. */
  readonly cuesFor?: (params: P) => readonly CueScale[];
  /** Its parameters as the log tells they came out, for what only hands decide: acid by parts, salt to taste. */
  readonly told?: (params: P, told: Told) => P;
  /** The figures worth watching while it is at hand, planned against actual. */
  readonly watch?: (params: P, seen: Seen) => readonly Gauge[];
  /** What it is drawn by, where that is not the warmth. */
  readonly chart?: Chart;
  /** What can be put into numbers during it, besides temperature and pH. */
  readonly asks?: (params: P, begun: CrockState) => readonly Ask[];
  /** Ways to go that its evidence calls for. */
  readonly branches?: (params: P, seen: Seen) => readonly Branch[];
  readonly cautions: (params: P, state: CrockState) => readonly Text[];
  readonly problems: (params: P, state: CrockState) => readonly Problem[];
  /** What is wrong with what has come of it by its end. */
  readonly problemsAtEnd?: (params: P, end: CrockState, begun: CrockState) => readonly Problem[];
}

/** A planned stage: its kind and the parameters it runs with. */
export interface Stage {
  readonly id: string;
  readonly kind: string;
  readonly params: Readonly<Record<string, unknown>>;
}

/** Longest a stage is followed before it is taken never to end, minutes. */
export const LONGEST_STAGE_MIN = 5 * 24 * 60;
