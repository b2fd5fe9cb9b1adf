import { say, type Text } from '../messages/message.js';
import { mass, percent } from '../messages/quantity.js';
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
  readonly says: Text;
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
  runsOff: Text | null,
  usual: UsualLoss | null = null,
): Difference {
  const shortG = forecast.productG - weighed.productG;
  const pct = forecast.productG > 0 ? (-100 * shortG) / forecast.productG : 0;
  const moreWheyG = (weighed.wheyG ?? forecast.wheyG) - forecast.wheyG;
  const moreHeldG = (weighed.heldBackG ?? forecast.heldBackG) - forecast.heldBackG;
  const unaccountedG = shortG - moreWheyG - moreHeldG;
  return { pct, unaccountedG, says: says() };

  function says(): Text {
    if (Math.abs(pct) < AS_FORECAST_PCT)
      return say('balance.difference.forecastWithin', { asForecastPct: percent(AS_FORECAST_PCT) });
    const much = say(pct > 0 ? 'balance.difference.moreThanForecast' : 'balance.difference.lessThanForecast', {
      by: percent(Math.abs(pct), 0),
    });
    const reasons = [
      { share: moreWheyG / shortG, words: wheyWords() },
      { share: moreHeldG / shortG, words: heldWords() },
      { share: unaccountedG / shortG, words: lostWords() },
    ];
    const [best] = reasons.sort((a, b) => b.share - a.share);
    return best!.share >= EXPLAINS
      ? say('balance.difference.because', { much, why: best!.words })
      : say('balance.difference.noOneWeighingExplains', { much });
  }

  function wheyWords(): Text {
    const name = runsOff ?? say('good.whey');
    return moreWheyG > 0
      ? say('balance.difference.moreRanOffDrained', { moreWhey: mass(moreWheyG), name })
      : say('balance.difference.lessRanOffStayed', { moreWhey: mass(-moreWheyG), name });
  }

  function heldWords(): Text {
    return moreHeldG > 0
      ? say('balance.difference.moreHeldBackStarter', { moreHeld: mass(moreHeldG) })
      : say('balance.difference.lessHeldBackStarter', { moreHeld: mass(-moreHeldG) });
  }

  function lostWords(): Text {
    if (unaccountedG < 0) {
      return say('balance.difference.moreCameOutWent', { unaccounted: mass(-unaccountedG) });
    }
    const beyond = usual
      ? say('balance.difference.beyondUsual', { usual: percent(usual.pct), makes: usual.makes })
      : '';
    const lost = { unaccounted: mass(unaccountedG), beyond };
    return runsOff !== null && weighed.wheyG === null
      ? say('balance.difference.noWeighingRunOffUnweighed', { ...lost, name: runsOff })
      : say('balance.difference.noWeighingLeftCloth', lost);
  }
}
