import type { TEXTURES, TextureId } from '../constants/drainage.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { wheyBackG } from './whey-balance.js';
import type { Ask, Branch, Gauge, Seen } from './watch.js';
import { sayMass } from './words.js';

/** The bowl under the cloth, weighed. */
export const WHEY_ASK: Ask = { asks: 'reading', quantity: 'wheyG', label: 'Whey in the bowl' };

/** Whey and solids of a curd on its cloth, against what is wanted. */
export function drainGauges({ begun, here }: Seen, wantedWheyG: number, wantedSolids: number, share: number): Gauge[] {
  const planned = totalG(begun.whey) + wantedWheyG;
  const now = totalG(here.whey);
  return [
    { what: 'Whey', unit: 'g', planned, now, ...(now >= planned && { tone: 'good' as const }) },
    {
      what: 'Solids',
      unit: '%',
      planned: share > 0 ? 'until it gathers' : 100 * wantedSolids,
      now: 100 * solidsFraction(here.masses),
    },
  ];
}

/** Solids (fraction) past what was wanted, from which some whey is better whisked back. */
const OVER = 0.015;

/** What a draining curd may want of somebody. */
export function drainBranches({ here, looks, over }: Seen, texture: (typeof TEXTURES)[TextureId] | null): Branch[] {
  if (over) return [];
  const solids = solidsFraction(here.masses);
  const branches: Branch[] = [];
  if (looks['clarity'] === 'milky') {
    branches.push({
      id: 'through-cloth',
      offer: 'Lay a second cloth under it and pour the first whey through again',
      because: 'The whey is milky: curd goes through the weave.',
      does: { do: 'leave', note: 'Doubled the cloth.' },
    });
  }
  if (texture && solids > texture.solids + OVER) {
    const massG = wheyBackG(here, texture.solids);
    branches.push({
      id: 'whey-back',
      offer: `Whisk ${sayMass(massG)} of its whey back in`,
      because: `It has ${(100 * solids).toFixed(0)} % solids, thicker than ${texture.word}.`,
      does: { do: 'add', what: 'whey', massG },
    });
  } else if (texture && solids >= texture.solids) {
    branches.push({
      id: 'thick-enough',
      offer: 'Take it off the cloth now',
      because: `It is as thick as wanted, ${(100 * solids).toFixed(0)} % solids.`,
      does: { do: 'next' },
    });
  } else if (texture && looks['drip'] === 'stopped') {
    branches.push({
      id: 'stopped-short',
      offer: 'Scrape the rim into the middle and hang it again, or weight it',
      because: `It has stopped at about ${(100 * solids).toFixed(0)} % solids; ${texture.word} is ${(100 * texture.solids).toFixed(0)} %.`,
      does: { do: 'leave', note: 'Turned it in its cloth.' },
    });
  }
  return branches;
}
