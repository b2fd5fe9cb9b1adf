import { CROCK_G_PER_ML } from '../constants/vessels.js';
import { FLAVOURS, type FlavourId } from '../materials/flavours.js';
import { GOODS, type Goods } from '../materials/kitchen-goods.js';
import type { Stock } from '../materials/materials.js';
import { choicesOf, decided, type Choices, type Method } from '../methods/method.js';
import { emptyCrock } from '../state/crock-state.js';
import type { AskedAmount } from '../amounts/read-amount.js';
import { planStages, pouredBy } from './plan.js';

/** Skimmed-milk powder as a spoon takes it, loose, g/mL. */
const LOOSE_POWDER_G_PER_ML = 0.5;

/** What lets an amount be said for a choice in other words than its own unit. */
export type SaidWith = Pick<AskedAmount, 'gPerMl' | 'pieceG' | 'wholeG' | 'perMl' | 'dropMl'>;

/**
 * How dense what a choice asks for is, what a can or packet of it holds, and what a percentage of it is of: so that milk may
 * be said in quarts or cans, a dose in spoons, a packet in grams.
 *
 * @param productG what the make gives, g, of which salt is a share; null where that is not known yet
 */
export function saidWith(
  method: Method,
  key: string,
  given: Choices,
  { stocks = [], productG = null }: { readonly stocks?: readonly Stock[]; readonly productG?: number | null } = {},
): SaidWith {
  const choice = choicesOf(method).find((c) => c.key === key);
  if (choice?.kind !== 'number') return {};
  const choices: Choices = decided(method, given);
  if (choice.unit === 'packets') return { gPerMl: LOOSE_POWDER_G_PER_ML, pieceG: Number(choices['packetG']) };
  if (choice.unit === 'IMCU a kg') {
    return {
      perMl: (1000 * Number(choices['imcuPerMl'])) / Number(choices['massG']),
      dropMl: 1 / Number(choices['dropsPerMl']),
    };
  }
  if (choice.unit === '% of the milk') {
    const gPerMl = key === 'powderPct' ? LOOSE_POWDER_G_PER_ML : CROCK_G_PER_ML;
    return { wholeG: Number(choices['massG']), gPerMl };
  }
  if (choice.unit === '% of the curd') {
    const gPerMl = GOODS_OF[key]?.gPerMl ?? CROCK_G_PER_ML;
    return productG === null ? {} : { wholeG: curdG(method, choices, productG), gPerMl };
  }
  if (key === 'potSaltPct') return { wholeG: Number(choices['massG']), gPerMl: GOODS.salt.gPerMl };
  if (key === 'saltPct' || key === 'flavourPct') {
    if (productG === null) return {};
    const gPerMl = key === 'saltPct' ? GOODS.salt.gPerMl : flavourGPerMl(choices['flavour']);
    return { wholeG: productG / (1 + Number(choices[key]) / 100), gPerMl };
  }
  return key === 'massG' || key === 'boughtG' ? pouredWith(method, choices, stocks) : {};
}

/** What is reckoned on a curd, as it lies in a spoon or a cup. */
const GOODS_OF: Readonly<Record<string, Goods>> = {
  butterPct: GOODS.butter,
  milkPct: GOODS.milk,
  eggPct: GOODS.egg,
  saltPct: GOODS.salt,
};

/** How dense what is folded in lies in a spoon, g/mL. */
const flavourGPerMl = (flavour: unknown) => FLAVOURS[flavour as FlavourId]?.gPerMl ?? 1;

/** The curd that a product was before what is reckoned on it went in, g. */
function curdG(method: Method, choices: Choices, productG: number): number {
  const onCurd = choicesOf(method).filter((c) => c.kind === 'number' && c.unit === '% of the curd');
  return productG / (1 + onCurd.reduce((sum, c) => sum + Number(choices[c.key]), 0) / 100);
}

/** Density of all that is poured in, and what a pack of it holds where all comes in packs of one size. */
function pouredWith(method: Method, choices: Choices, stocks: readonly Stock[]): SaidWith {
  const stages = planStages(method, choices, stocks);
  const weighed = stages
    .filter((s) => s.kind.pours)
    .flatMap((s) => s.kind.weighIn?.(s.params, emptyCrock(5, 6.7)) ?? []);
  const massG = weighed.reduce((sum, w) => sum + w.massG, 0);
  const volumeMl = weighed.reduce((sum, w) => sum + w.massG / w.gPerMl, 0);
  const packs = new Set(pouredBy(stages).map((stock) => stock.packG));
  const [packG] = packs;
  return {
    gPerMl: massG > 0 ? massG / volumeMl : CROCK_G_PER_ML,
    ...(packs.size === 1 && packG !== undefined && { pieceG: packG }),
  };
}
