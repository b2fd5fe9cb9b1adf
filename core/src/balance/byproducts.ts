import type { BoundStage } from '../stages/registry.js';
import { totalG, type Masses } from '../materials/composition.js';
import type { CrockState } from '../state/crock-state.js';
import type { Material } from '../materials/materials.js';
import { say, type Text } from '../messages/message.js';

/** Something left over from a make: what it is, what is in it, how long it keeps and what it is good for. */
export interface Byproduct {
  readonly is: 'whey' | 'buttermilk' | 'cream' | 'starter' | 'grains';
  /** What it is called within a sentence. */
  readonly name: Text;
  readonly massG: number;
  readonly fatPct: number;
  readonly proteinPct: number;
  readonly sugarsPct: number;
  /** Its composition as a label would give it, percent by mass, and its pH. */
  readonly material: Material;
  readonly ph: number;
  readonly use: Text;
  /** Days it keeps at 4 °C. */
  readonly keepsDays: number;
}

/** What is sold or used besides the product; what goes on living is no goods. */
export const isGoods = ({ is }: Pick<Byproduct, 'is'>): boolean => is !== 'starter' && is !== 'grains';

/** Less than this is not worth a jar, g. */
const WORTH_A_JAR_G = 5;

/** Whey by the acid in it (fraction, from): its name, its uses and the days it keeps. */
const WHEYS = [
  {
    fromAcid: 0.0035,
    name: say('good.acidWhey'),
    use: say('use.acidWhey'),
    keepsDays: 14,
  },
  {
    fromAcid: 0.0005,
    name: say('good.whey'),
    use: say('use.whey'),
    keepsDays: 3,
  },
  {
    fromAcid: 0,
    name: say('good.sweetWhey'),
    use: say('use.sweetWhey'),
    keepsDays: 2,
  },
] as const;

const SOUR_CREAM_KEEPS_DAYS = 10;
const SWEET_CREAM_KEEPS_DAYS = 4;
const BUTTERMILK = { keepsDays: 7, use: say('use.buttermilk') } as const;

/** What is left of a make besides its product. */
export function byproductsOf(end: CrockState, stages: readonly BoundStage[]): readonly Byproduct[] {
  return [...runOff(end, stages), ...putAside(end, stages), ...keptBack(end, stages)].filter(
    (left) => left.massG >= WORTH_A_JAR_G,
  );
}

function runOff({ whey, souring, ph }: CrockState, stages: readonly BoundStage[]): Byproduct[] {
  const is = stages.find((s) => s.kind.runsOff)?.kind.runsOff?.is;
  if (is === 'buttermilk') {
    const name = souring ? say('good.culturedButtermilk') : say('good.sweetButtermilk');
    return [{ is, name, ...inIt(whey, ph), ...BUTTERMILK }];
  }
  const acid = (whey.lactic + whey.citric + whey.acetic) / Math.max(1e-9, totalG(whey));
  const kind = WHEYS.find((w) => acid >= w.fromAcid)!;
  return [{ is: 'whey', name: kind.name, ...inIt(whey, ph), use: kind.use, keepsDays: kind.keepsDays }];
}

function putAside({ aside, ph }: CrockState, stages: readonly BoundStage[]): Byproduct[] {
  const put = stages.find((s) => s.kind.setsAside)?.kind.setsAside;
  if (!put) return [];
  const keepsDays = ph < 5 ? SOUR_CREAM_KEEPS_DAYS : SWEET_CREAM_KEEPS_DAYS;
  return [{ is: 'cream', name: put.name, ...inIt(aside, ph), use: put.use, keepsDays }];
}

function keptBack({ heldBack, ph }: CrockState, stages: readonly BoundStage[]): Byproduct[] {
  const kept = stages.find((s) => s.kind.keepsBack)?.kind.keepsBack;
  return kept ? [{ ...kept, ...inIt(heldBack, ph) }] : [];
}

/** What is in some masses: how much of it there is, what a label would say of it, and its pH. */
export function inIt(masses: Masses, ph: number) {
  const massG = totalG(masses);
  const pct = (g: number) => (massG > 0 ? (100 * g) / massG : 0);
  return {
    massG,
    fatPct: pct(masses.fat),
    proteinPct: pct(masses.casein + masses.wheyProtein),
    sugarsPct: pct(masses.lactose + masses.galactose + masses.glucose + masses.sucrose),
    material: materialIn(masses, pct),
    ph,
  };
}

/** As a label names it: what is neither fat, protein, milk sugar nor mineral counts with the rest. */
function materialIn(masses: Masses, pct: (g: number) => number): Material {
  const { casein, wheyProtein, lactic, citric, acetic, ethanol, salt, other } = masses;
  const protein = casein + wheyProtein;
  return {
    fatPct: pct(masses.fat),
    proteinPct: pct(protein),
    lactosePct: pct(masses.lactose + masses.galactose + masses.glucose),
    ...(masses.glucose > masses.lactose && { lactoseSplit: true }),
    mineralsPct: pct(masses.minerals),
    sucrosePct: pct(masses.sucrose),
    otherPct: pct(lactic + citric + acetic + ethanol + salt + other),
    ...(protein > 0 && { caseinShare: casein / protein }),
  };
}
