import { CROCK_G_PER_ML } from '../constants/vessels.js';
import type { GearKind } from '../lots/gear.js';
import type { BoundStage } from '../stages/registry.js';
import { loadsOf, type StrainParams } from '../stages/strain.js';
import { totalG } from '../materials/composition.js';
import { firstOf, lastOf, type StageRun } from './run.js';

/** A vessel or a place that a make takes from one step to another, both included. */
export interface GearDemand {
  readonly gear: GearKind;
  readonly firstStep: number;
  readonly lastStep: number;
  readonly litres: number;
  /** Warmth it is kept at, °C, where that must be shared; null where it has none. */
  readonly keepC: number | null;
  /** Of a demand that is shared out to several pieces: those of the same number are one, and no two of them stand in one piece. */
  readonly ofOne?: number;
}

/** What the names of gear at stages are in a larder; what is not here is never short. */
const GEAR: Readonly<Record<string, GearKind>> = {
  pot: 'pot',
  pan: 'pot',
  hob: 'hob',
  thermostat: 'thermostat',
  flask: 'flask',
  'lamp-oven': 'lamp-oven',
  bath: 'bath',
  strainer: 'strainer',
  churn: 'churn',
  'cold shelf': 'cold-shelf',
};

/** With these at hand the crock has left its pot. */
const OUT_OF_THE_POT = new Set(['strainer', 'moulds', 'paper', 'pots', 'churn', 'mixer', 'food processor', 'sieve']);
/** Gear that stands on through the steps between its first and its last. */
const STANDS_ON: ReadonlySet<GearKind> = new Set<GearKind>(['pot', 'strainer']);

/** Vessels and places, each from the step it is first wanted in to the last. */
export function gearDemandsOf(runs: readonly StageRun[]): readonly GearDemand[] {
  // What is strained in loads waits in its pot for the last of them.
  const leaves = runs.findIndex(({ stage }) => isLastLoad(stage) && gearOf(stage).some((g) => OUT_OF_THE_POT.has(g)));
  const inPot = leaves < 0 ? runs.length : leaves;
  const demands: GearDemand[] = [];
  runs.forEach((run, i) => {
    const litres = Math.max(totalG(firstOf(run).masses), totalG(lastOf(run).masses)) / 1000 / CROCK_G_PER_ML;
    for (const named of gearOf(run.stage)) {
      const gear = GEAR[named];
      if (!gear || (gear === 'pot' && i >= inPot)) continue;
      const last = demands.findLastIndex((s) => s.gear === gear);
      const holds = gear === 'strainer' ? litres / loadOf(run.stage).loads : litres;
      const goesOn = last >= 0 && (STANDS_ON.has(gear) || demands[last]!.lastStep >= i - 1);
      if (goesOn) {
        const one = demands[last]!;
        demands[last] = { ...one, lastStep: i, litres: Math.max(one.litres, holds) };
      } else demands.push({ gear, firstStep: i, lastStep: i, litres: holds, keepC: keptAt(run.stage) });
    }
  });
  return demands.map((s) => (s.gear === 'pot' ? { ...s, lastStep: Math.max(s.lastStep, inPot - 1) } : s));
}

/** In how many loads a stage strains what is in the crock, and which of them it is. */
function loadOf({ params }: BoundStage) {
  const { loads = 1, load = 1 } = params as Partial<StrainParams>;
  return { loads: loadsOf({ loads }), load };
}

function isLastLoad(stage: BoundStage): boolean {
  const { loads, load } = loadOf(stage);
  return load === loads;
}

const gearOf = ({ kind, params }: BoundStage) => kind.gear(params);

function keptAt({ params }: BoundStage): number | null {
  const { keepC } = params as { keepC?: number };
  return keepC === undefined ? null : keepC;
}
