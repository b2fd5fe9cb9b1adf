import { say } from '../messages/message.js';
import { mass, percent } from '../messages/quantity.js';
import type { TEXTURES, TextureId } from '../constants/drainage.js';
import { solidsFraction, totalG } from '../materials/composition.js';
import { wheyBackG } from './whey-balance.js';
import type { Ask, Branch, Gauge, Seen } from './watch.js';

/** The bowl under the cloth, weighed. */
export const WHEY_ASK: Ask = { asks: 'reading', quantity: 'wheyG', label: say('stages.drainWatch.wheyBowl') };

/** Whey and solids of a curd on its cloth, against what is wanted. */
export function drainGauges({ begun, here }: Seen, wantedWheyG: number, wantedSolids: number | null): Gauge[] {
  const planned = totalG(begun.whey) + wantedWheyG;
  const now = totalG(here.whey);
  return [
    { what: say('stages.drainWatch.whey'), unit: 'g', planned, now, ...(now >= planned && { tone: 'good' as const }) },
    {
      what: say('stages.drainWatch.solids'),
      unit: '%',
      planned: wantedSolids === null ? say('stages.drainWatch.untilGathers') : 100 * wantedSolids,
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
      offer: say('stages.drainWatch.laySecondClothUnder'),
      because: say('stages.drainWatch.wheyMilkyCurdGoes'),
      does: { do: 'leave', note: say('stages.drainWatch.doubledCloth') },
    });
  }
  if (texture && solids > texture.solids + OVER) {
    const massG = wheyBackG(here, texture.solids);
    branches.push({
      id: 'whey-back',
      offer: say('stages.drainWatch.whiskWheyBack', { mass: mass(massG) }),
      because: say('stages.drainWatch.solidsThicker', { solids: percent(100 * solids, 0), word: texture.word }),
      does: { do: 'add', what: 'whey', massG },
    });
  } else if (texture && solids >= texture.solids) {
    branches.push({
      id: 'thick-enough',
      offer: say('stages.drainWatch.takeOffClothNow'),
      because: say('stages.drainWatch.thickWantedSolids', { solids: percent(100 * solids, 0) }),
      does: { do: 'next' },
    });
  } else if (texture && looks['drip'] === 'stopped') {
    branches.push({
      id: 'stopped-short',
      offer: say('stages.drainWatch.scrapeRimIntoMiddle'),
      because: say('stages.drainWatch.stoppedAboutSolids', {
        solids: percent(100 * solids, 0),
        word: texture.word,
        solids2: percent(100 * texture.solids, 0),
      }),
      does: { do: 'leave', note: say('stages.drainWatch.turnedCloth') },
    });
  }
  return branches;
}
