import { mass, ml } from '../messages/quantity.js';
import { say } from '../messages/message.js';
import { SOUR_AGENTS } from '../constants/acids.js';
import type { AcidifyParams } from './acidify.js';
import type { Branch, Gauge, Seen } from './watch.js';

/** Acid in so far, against the dose, in mL of a liquid, else in g. */
export function pouredGauges(params: AcidifyParams, { begun, here }: Seen): Gauge[] {
  const dose = begun.curd.acidifying;
  if (!dose) return [];
  const { gPerMl } = SOUR_AGENTS[params.agent];
  const inG = params.poured ? pouredG(params) : (here.curd.acidifying?.share ?? 1) * dose.massG;
  return [
    {
      what: say('stages.acidWatch.in', { agent: params.agent }),
      unit: gPerMl ? 'mL' : 'g',
      planned: dose.massG / (gPerMl ?? 1),
      now: inG / (gPerMl ?? 1),
      ...(params.poured ? {} : { says: say('stages.acidWatch.clockLogEachPart') }),
    },
  ];
}

const pouredG = ({ poured = [] }: AcidifyParams) => poured.reduce((sum, p) => sum + p.massG, 0);

/** The clear whey is the true end: more acid while it is cloudy, none once it is clear. */
export function clearBranches(params: AcidifyParams, { begun, looks, over }: Seen): Branch[] {
  const dose = begun.curd.acidifying;
  if (over || !dose || params.into !== 'curd' || looks['clarity'] === undefined) return [];
  const clear = looks['clarity'] === 'clear' || looks['clarity'] === 'greenish';
  if (clear) {
    return [
      {
        id: 'clear',
        offer: say('stages.acidWatch.stopHere'),
        because: say('stages.acidWatch.wheyClearCurdAll'),
        does: { do: 'next' },
      },
    ];
  }
  const partG = dose.massG / params.parts;
  const { gPerMl, name } = SOUR_AGENTS[params.agent];
  const part = gPerMl ? ml(partG / gPerMl) : mass(partG);
  return [
    {
      id: 'more-acid',
      offer: say('stages.acidWatch.stirAnother', { part, name }),
      because: say('stages.acidWatch.wheyStill', { clarity: looks['clarity'] }),
      does: { do: 'add', what: 'acid', massG: partG },
    },
  ];
}
