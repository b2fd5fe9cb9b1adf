/** What hands put in bit by bit, by taste or by look, so that only the log knows how much it came to. */
export type Addition = 'acid' | 'salt' | 'whey' | 'water';

/** What is weighed when it comes out. */
export type Weighed = 'grainsG' | 'asideG';

/** One addition, by the minute of the make. */
export interface Added {
  readonly what: Addition;
  readonly massG: number;
  readonly minute: number;
}

/** What the log tells of a stage that is at hand or over. */
export interface Told {
  readonly added: readonly Added[];
  /** The last weighing of each thing during it, g. */
  readonly weighed: Readonly<Partial<Record<Weighed, number>>>;
  /** The minute of the make up to which this is known. */
  readonly untilMinute: number;
  /** True once it is over: nothing more will be told of it. */
  readonly over: boolean;
}

/** All of one thing that was added, g; null where none was. */
export function addedG({ added }: Told, what: Addition): number | null {
  const parts = added.filter((a) => a.what === what);
  return parts.length > 0 ? parts.reduce((sum, a) => sum + a.massG, 0) : null;
}

/** A parameter "givenG" where something was logged; nothing where not, so that what was planned stands. */
export function given(massG: number | null): { readonly givenG?: number } {
  return massG === null ? {} : { givenG: massG };
}
