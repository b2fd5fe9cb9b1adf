import { amount } from '../messages/quantity.js';
import { say, type Text } from '../messages/message.js';
import {
  DEAD_CHANCE,
  PACE_SD,
  PACKET_SETS_LIKE_PCT,
  PACKETS_LIKE_AT_MOST_PCT,
  SPENT,
  SPENT_FROZEN,
  TIRED,
} from '../constants/starter.js';
import {
  CULTURES,
  LINES,
  ACTIVITY_LOSS,
  type CultureId,
  type StarterForm,
  type StarterStore,
} from '../constants/cultures.js';

/** A starter as it is taken from its store. */
export interface Starter {
  readonly form: StarterForm;
  readonly ageDays: number;
  readonly store: StarterStore;
  /** Temperature of the store, °C, where it is known; else the store's usual one. */
  readonly tempC?: number | undefined;
  /** Makes it has been carried through since the culture was bought; 0 when left out. */
  readonly generation?: number | undefined;
}

/** Share (0–1) of a fresh starter's activity that is left after its time in store and its generations. */
export function starterActivity(starter: Starter, culture: CultureId = 'thermophilic'): number {
  const loss = ACTIVITY_LOSS[starter.form][starter.store];
  const faster = loss.q10 ** (((starter.tempC ?? loss.usualC) - loss.usualC) / 10);
  const kept = 10 ** -(loss.atOnce + loss.perDay * faster * starter.ageDays);
  return kept * (1 - LINES[culture].lossPerGeneration) ** (starter.generation ?? 0);
}

/** Readiness of a culture by the form it comes in: q0 of Baranyi & Roberts (1994). */
export function lagQOf(culture: CultureId, form: StarterForm): number {
  const { lagQActive, lagQFreezeDried } = CULTURES[culture];
  return form === 'active' || form === 'grains' ? lagQActive : lagQFreezeDried;
}

/** Dose of live starter, percent by mass, that packets of a powder are as good as: by what one sets, L, in so many litres. */
export function packetDosePct(packets: number, setsL: number, litres: number): number {
  return Math.min(PACKETS_LIKE_AT_MOST_PCT, (PACKET_SETS_LIKE_PCT * packets * setsL) / litres);
}

/** What is known of a starter before anything is seen of its make. */
export interface StarterPrior {
  /** Chance (0–1) that it is dead. */
  readonly deadChance: number;
  /** Standard deviation of the natural logarithm of its pace: wide where nobody knows where it comes from. */
  readonly paceSd: number;
}

/** Share of fresh activity under which a starter is given up. */
export function spentBelow({ form, store }: Pick<Starter, 'form' | 'store'>): number {
  return form === 'active' && store === 'frozen' ? SPENT_FROZEN : SPENT;
}

/**
 * What is known of a starter before anything is seen of its make.
 *
 * @param activity share of a fresh starter's activity that is left in it
 */
export function starterPrior(starter: Pick<Starter, 'form' | 'store'>, activity: number): StarterPrior {
  const { enough, tired, givenUp } = DEAD_CHANCE;
  const deadChance = activity < spentBelow(starter) ? givenUp : activity < TIRED ? tired : enough;
  return { deadChance, paceSd: PACE_SD[starter.form] };
}

/** What to do about a starter's activity, in a sentence or two. */
export function starterAdvice(starter: Starter, culture: CultureId = 'thermophilic'): Text {
  const { generations } = LINES[culture];
  const now = adviceNow(starter, starterActivity(starter, culture));
  if (generations === null || (starter.generation ?? 0) < generations) return now;
  return say('physics.starterActivity.alsoDrifted', { now, generations });
}

function adviceNow(starter: Starter, left: number): Text {
  if (left < spentBelow(starter)) return say('physics.starterActivity.spent');
  return left < TIRED
    ? say('physics.starterActivity.tired', { times: amount(1 / left, 1) })
    : say('physics.starterActivity.good');
}
