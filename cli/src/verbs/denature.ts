import { ALL_NATIVE, denatureAlong, denaturedBetaLg, pasteurisationAlong, type TracePoint } from '@oat-crock/core';
import Joi from 'joi';
import { trace } from '../inputs/trace.js';
import type { Verb } from '../verb.js';
import { english } from '@oat-crock/messages';

const run = ({ trace }: { trace: TracePoint[] }) => {
  const native = denatureAlong(trace, ALL_NATIVE);
  const record = pasteurisationAlong(trace);
  return {
    betaLgPct: 100 * denaturedBetaLg(native),
    alphaLaPct: 100 * (1 - native.alphaLa),
    pasteurised: record.share >= 1,
    pair: english(record.pair),
  };
};

/** Whey protein unfolded along a temperature trace (min, °C. */
export const verb: Verb = {
  says: 'Whey protein unfolded along a temperature trace (min, °C; linear between points), and the heat record.',
  example: {
    trace: [
      { min: 0, tempC: 5 },
      { min: 22, tempC: 85 },
      { min: 37, tempC: 85 },
      { min: 55, tempC: 44 },
    ],
  },
  schema: Joi.object({ trace: trace(-5, 150).required() }),
  run,
};
