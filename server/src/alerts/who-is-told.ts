import { isNews, isNight, wakeAfter, type Asleep, type HandsCall } from '@oat-crock/calendar';
import type { AlertRecipient } from '@oat-crock/contract';

const MIN_MS = 60_000;
/** What has been due for longer than this, ms, is no news any more: it stands on Today. */
const OLDEST_MS = 24 * 60 * MIN_MS;

/** Whether hands are somebody's to be told of: all are, or those that are theirs or anybody's. */
export const concerns = ({ about, name }: Pick<AlertRecipient, 'about' | 'name'>, { who }: HandsCall): boolean =>
  about === 'all' || who.some((whose) => whose === '' || isSameName(whose, name));

const isSameName = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Whether hands are so near that somebody is to be told. */
export const isNear = ({ leadMin }: Pick<AlertRecipient, 'leadMin'>, { atMs }: HandsCall, nowMs: number): boolean =>
  atMs - nowMs <= leadMin * MIN_MS && nowMs - atMs < OLDEST_MS;

/** The hands that somebody is to be told of and was not yet. */
export function newCalls(
  recipient: AlertRecipient,
  calls: readonly HandsCall[],
  nowMs: number,
  toldFor: (key: string) => number | undefined,
): readonly HandsCall[] {
  return calls.filter(
    (call) => concerns(recipient, call) && isNear(recipient, call, nowMs) && isNews(call, toldFor(call.key)),
  );
}

/** Somebody's quiet hours, by the household's clock; null where they have none. */
export function quietOf({ quiet }: Pick<AlertRecipient, 'quiet'>, house: Asleep): Asleep | null {
  return quiet === 'house' ? house : quiet && { ...quiet, zone: house.zone };
}

/** Whether somebody is told just now of hands that can wait until a moment: not in their quiet hours, unless it cannot wait. */
export function mayTell(
  recipient: Pick<AlertRecipient, 'quiet' | 'wakes'>,
  latestMs: number,
  nowMs: number,
  house: Asleep,
): boolean {
  const quiet = quietOf(recipient, house);
  if (!quiet || !isNight(nowMs, quiet)) return true;
  return recipient.wakes && latestMs < wakeAfter(nowMs, quiet);
}
