import { sayMass, sayNumber } from '../stages/words.js';
import type { Balance } from './yield.js';

/** What was weighed when a make was finished, g; null where nobody weighed it. */
export interface WeighedOut {
  readonly productG: number;
  readonly wheyG: number | null;
  readonly heldBackG: number | null;
}

/** How a yield differs from its forecast, and the likeliest reason. */
export interface Difference {
  /** Product against forecast, percent of the forecast. */
  readonly pct: number;
  /** Gone, or come from nowhere, after everything that was weighed and what such a make leaves on its vessels, g. */
  readonly unaccountedG: number;
  readonly says: string;
}

/** What the kitchen's own makes leave on cloth, pot and spoons, percent of the product, and from how many it is known. */
export interface UsualLoss {
  readonly pct: number;
  readonly makes: number;
}

/** A forecast is as good as met within this, percent. */
const AS_FORECAST_PCT = 2;

/** A reason must account for this share of the difference to be named. */
const EXPLAINS = 0.5;

/**
 * The likeliest reason why a product weighs otherwise than forecast, by where the balance is otherwise: more or less ran
 * off, more or less was held back, something is in no weighing, or more came out than went in.
 *
 * @param runsOff name of what runs off, where anything does
 * @param usual what earlier makes have left unweighed, which the forecast counts on
 */
export function differenceOf(
  forecast: Balance,
  weighed: WeighedOut,
  runsOff: string | null,
  usual: UsualLoss | null = null,
): Difference {
  const shortG = forecast.productG - weighed.productG;
  const pct = forecast.productG > 0 ? (-100 * shortG) / forecast.productG : 0;
  const moreWheyG = (weighed.wheyG ?? forecast.wheyG) - forecast.wheyG;
  const moreHeldG = (weighed.heldBackG ?? forecast.heldBackG) - forecast.heldBackG;
  const unaccountedG = shortG - moreWheyG - moreHeldG;
  return { pct, unaccountedG, says: says() };

  function says(): string {
    if (Math.abs(pct) < AS_FORECAST_PCT) return `As forecast, within ${AS_FORECAST_PCT} %.`;
    const much = `${Math.abs(pct).toFixed(0)} % ${pct > 0 ? 'more' : 'less'} than forecast.`;
    const reasons = [
      { share: moreWheyG / shortG, words: wheyWords() },
      { share: moreHeldG / shortG, words: heldWords() },
      { share: unaccountedG / shortG, words: lostWords() },
    ];
    const [best] = reasons.sort((a, b) => b.share - a.share);
    return best!.share >= EXPLAINS ? `${much} ${best!.words}` : `${much} No one weighing explains it.`;
  }

  function wheyWords(): string {
    const name = (runsOff ?? 'whey').toLowerCase();
    return moreWheyG > 0
      ? `${sayMass(moreWheyG)} more ${name} ran off: it drained further than planned, or curd went with it.`
      : `${sayMass(-moreWheyG)} less ${name} ran off: it stayed in, and the product is looser.`;
  }

  function heldWords(): string {
    return moreHeldG > 0
      ? `${sayMass(moreHeldG)} more was held back as starter.`
      : `${sayMass(-moreHeldG)} less was held back as starter.`;
  }

  function lostWords(): string {
    if (unaccountedG < 0) {
      return `${sayMass(-unaccountedG)} more came out than went in: a bowl was weighed along, or more milk went in than was logged.`;
    }
    const unweighed =
      runsOff !== null && weighed.wheyG === null ? `; the ${runsOff.toLowerCase()} was not weighed` : '';
    const beyond = usual
      ? `, beyond the ${sayNumber(usual.pct)} % that your makes usually leave there (${usual.makes} of them)`
      : '';
    return `${sayMass(unaccountedG)} is in no weighing: left on cloth, pot and spoons${beyond}, or eaten${unweighed}.`;
  }
}
