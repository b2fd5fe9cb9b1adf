import type { Kitchen } from '../environment/environment.js';
import { coolingSurroundings, flaskUa } from '../physics/heat.js';
import { fillableL, type Gear } from '../lots/gear.js';

/** Temperature of the room does not enter a vessel's loss; the model wants one. */
const ANY_ROOM_C = 20;

/** What a usual vessel of a kind loses with so much in it, W/K. */
const USUAL: Readonly<Partial<Record<Gear['kind'], (volumeMl: number) => number>>> = {
  pot: (volumeMl) => coolingSurroundings('covered', volumeMl, ANY_ROOM_C).uaWPerK,
  flask: flaskUa,
};

/** Heat that a vessel loses against a usual one of its kind, from what was measured of it; null where nothing was. */
export function lossAgainstUsual(gear: Gear): number | null {
  const measured = gear.learned.lossWPerK;
  const usual = USUAL[gear.kind];
  const litres = measured?.litres ?? fillableL(gear);
  if (!measured || !usual || litres === null) return null;
  return measured.value / usual(1000 * litres);
}

/** A kitchen with the vessels a make is made in, as far as they were measured. */
export function withVessels<T extends Pick<Kitchen, 'potLoss' | 'flaskLoss'>>(kitchen: T, used: readonly Gear[]): T {
  const lossOf = (kind: Gear['kind']) => {
    const vessel = used.find((g) => g.kind === kind);
    return vessel ? lossAgainstUsual(vessel) : null;
  };
  return {
    ...kitchen,
    potLoss: lossOf('pot') ?? kitchen.potLoss,
    flaskLoss: lossOf('flask') ?? kitchen.flaskLoss,
  };
}
