import { clockFrom, PLAIN_WALL } from '../environment/day-clock.js';
import type { Environment } from '../environment/environment.js';
import { say, type Text } from '../messages/message.js';
import { duration, hourOfDay } from '../messages/quantity.js';
import type { StageKind } from './kind.js';

/** What ends a wait: what is wanted of it, so many hours, an hour of the day, or that somebody gets up. */
export type Until = 'aim' | 'hours' | 'hour' | 'morning';

/** Until when a wait goes on: parameters that every kind has that may end by what is wanted of it or by the clock. */
export interface Ending {
  readonly until: Until;
  /** Hours it lasts, where it lasts so long. */
  readonly untilH: number;
  /** Hour of the day it ends at (18.5 is half past six), where it ends so. */
  readonly untilHour: number;
}

export const BY_AIM: Ending = { until: 'aim', untilH: 8, untilHour: 7 };

/** A wait that ends at an hour of the day is not meant to be over at once: it ends when the clock shows that hour next after this. */
export const LEAST_MIN = 120;

/** When a wait that was begun at a minute is over by the clock, minutes of the make. */
export function endMinute({ until, untilH, untilHour }: Ending, { clock }: Environment, since: number): number {
  const wall = clock ?? clockFrom(0, PLAIN_WALL);
  if (until === 'hour') return wall.nextAt(since + LEAST_MIN, untilHour);
  if (until === 'morning') return wall.morning(since + LEAST_MIN);
  return since + 60 * untilH;
}

/** Whether the clock ends it. */
export const isByClock = ({ until = 'aim' }: { readonly until?: unknown }): boolean => until !== 'aim';

/** Until when, after what is done: "for 8 h", "until 07:00", "until somebody is up". */
function withEnd(does: Text, { until, untilH, untilHour }: Ending): Text {
  if (until === 'hour') return say('stages.ending.untilHour', { does, hour: hourOfDay(untilHour) });
  if (until === 'morning') return say('stages.ending.untilMorning', { does });
  return say('stages.ending.forHours', { does, hours: duration(60 * untilH) });
}

/** A kind of wait ended by the clock, whatever has come of it by then. */
export function endedByClock<P extends object, N extends string>(kind: StageKind<P, N>): StageKind<P, N> {
  const ending = (params: P) => params as unknown as Ending;
  const endsAt = (params: P, environment: Environment, since: number) => endMinute(ending(params), environment, since);
  return {
    ...kind,
    endsAt,
    done: (state, params, environment, since) => state.minute >= endsAt(params, environment, since) - 1e-6,
    instruction: (params, before, after) => withEnd(kind.instruction(params, before, after), ending(params)),
    over: () => say('stages.ending.timeIsUp'),
    endCue: () => say('stages.ending.whenTimeIsUp'),
  };
}
