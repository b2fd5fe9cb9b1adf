import { shortName, ingredientName } from '../materials/short-name.js';
import { say, listOf } from '../messages/message.js';
import { mass, percent, volume, spoons } from '../messages/quantity.js';
import { CROCK_G_PER_ML, STARTER_ROOM } from '../constants/vessels.js';
import { pearsonSquare } from '../blend/square.js';
import { gToMl } from '../units/volume.js';
import { materialDensity } from '../physics/density.js';
import { freshPhOf, massesOfMaterial, type Stock } from '../materials/materials.js';
import { totalG } from '../materials/composition.js';
import { pourIn } from '../state/crock-state.js';
import { mixedNative, nativeAsBought } from '../physics/denaturation.js';
import { MILK_POWDER, stockOf, type StockParam } from '../materials/reference-materials.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';

export interface BlendParams {
  /** Milk and cream to a fat; or the milk, or the cream, as it comes. */
  readonly by: 'fat' | 'milk' | 'cream';
  /** Milk and cream together, g. */
  readonly massG: number;
  /** Wanted fat, percent by mass. */
  readonly fatPct: number;
  readonly milk: StockParam;
  readonly cream: StockParam;
  /** Skimmed-milk powder stirred in, percent of the milk and cream. */
  readonly powderPct: number;
  /** What the pot holds to the brim, L. */
  readonly vesselL: number;
}

/** Share of a pot left free above the milk. */
const HEADSPACE = 0.1;
const WEIGHING_MIN = 8;

/** One material of a blend and its amount. */
export interface BlendPart {
  readonly stock: Stock;
  readonly massG: number;
  readonly pricedAs: 'milk' | 'cream' | 'powder';
}

/** Milk and cream for the wanted fat, or either as it comes; milk alone where the fat asked for lies outside the two. */
export function blendParts(params: BlendParams): readonly BlendPart[] {
  const powderG = (params.massG * params.powderPct) / 100;
  const powder: BlendPart = { stock: MILK_POWDER, massG: powderG, pricedAs: 'powder' };
  return [...liquidParts(params), powder].filter((part) => part.massG > 0.05);
}

function liquidParts(params: BlendParams): readonly BlendPart[] {
  const milk = stockOf(params.milk);
  const cream = stockOf(params.cream);
  if (params.by === 'cream') return [{ stock: cream, massG: params.massG, pricedAs: 'cream' }];
  const square = params.by === 'milk' ? null : pearsonSquare(params.massG, milk.fatPct, cream.fatPct, params.fatPct);
  if (!square) return [{ stock: milk, massG: params.massG, pricedAs: 'milk' }];
  return [
    { stock: milk, massG: square.leanG, pricedAs: 'milk' },
    { stock: cream, massG: square.richG, pricedAs: 'cream' },
  ];
}

/** What a pot (L) takes of milk, g: headspace and room for the starter left free. */
export function fillsWithG(vesselL: number): number {
  return (1000 * vesselL * (1 - HEADSPACE) * CROCK_G_PER_ML) / (1 + STARTER_ROOM);
}

/** Milk and cream weighed into the pot. */
export const blend: StageKind<BlendParams, 'blend'> = {
  kind: 'blend',
  defaults: { by: 'fat', massG: 4000, fatPct: 3.6, milk: 'whole', cream: 'cream-36', powderPct: 0, vesselL: 5 },
  pours: (params) => blendParts(params).map((part) => part.stock),
  name: () => say('stages.blend.blend'),
  begins: () => say('stages.blend.startWeighing'),
  over: () => say('stages.blend.itIsWeighedIn'),
  instruction: (params) => {
    const parts = blendParts(params).map(({ stock, massG }) =>
      say('stages.blend.part', {
        mass: mass(massG),
        name: shortName(stock),
        volume: spoons(gToMl(massG, materialDensity(stock, 5))),
      }),
    );
    return say('stages.blend.weighIntoPot', { parts: listOf(parts) });
  },
  ...handsWork(WEIGHING_MIN),
  gear: () => ['pot', 'scale'],
  weighIn: (params) =>
    blendParts(params).map(({ stock, massG, pricedAs }) => ({
      what: stock.name,
      ingredient: ingredientName(stock),
      massG,
      gPerMl: materialDensity(stock, 5),
      stockId: stock.id,
      pricedAs,
      ...(pricedAs === 'powder' && { outOf: 'powder' as const }),
    })),
  begin: (state, params) =>
    blendParts(params).reduce((crock, { stock, massG }) => {
      const masses = massesOfMaterial(stock, massG);
      const native = nativeAsBought(stock.treatment);
      const share = massG / (totalG(crock.masses) + massG);
      const freshPh = crock.freshPh + share * (freshPhOf(stock) - crock.freshPh);
      return {
        ...pourIn(crock, masses),
        freshPh,
        ph: freshPh,
        native: mixedNative(crock.native, crock.masses.wheyProtein, native, masses.wheyProtein),
      };
    }, state),
  slack: () => ({ earlyMin: 0, lateMin: 30, cost: say('stages.blend.coldMilkWaitsHalf') }),
  endCue: () => say('stages.blend.allWeighed'),
  cues: [],
  cautions: (params) => [
    CAUTIONS.clean,
    CAUTIONS.allergen,
    ...(blendParts(params).some(({ stock }) => stock.treatment === 'raw') ? [CAUTIONS.raw] : []),
  ],
  problems: (params) => [...(params.by === 'fat' ? fatProblems(params) : []), ...vesselProblems(params)],
};

function vesselProblems(params: BlendParams): Problem[] {
  const wanted = params.massG / fillsWithG(1);
  if (params.massG <= fillsWithG(params.vesselL)) return [];
  const fitsKg = fillsWithG(params.vesselL) / 1000;
  return [
    {
      field: 'vesselL',
      message: say('stages.blend.milkStarterNeedsPot', { mass: mass(params.massG), wanted: volume(wanted, 1) }),
      remedy: say('stages.blend.takeLargerPotMost', { fitsKg: mass((1000 * Math.floor(fitsKg * 4)) / 4) }),
      works: { vesselL: Math.ceil(wanted * 2) / 2 },
    },
  ];
}

function fatProblems(params: BlendParams): Problem[] {
  const milk = stockOf(params.milk);
  const cream = stockOf(params.cream);
  if (params.fatPct < milk.fatPct - 1e-9) {
    return [
      {
        field: 'fatPct',
        message: say('stages.blend.cannotBlendedDownFat', { name: milk.name, fat: percent(params.fatPct) }),
        remedy: say('stages.blend.askMoreChooseLeaner', { fat: percent(milk.fatPct) }),
        works: { fatPct: Math.ceil(milk.fatPct * 10 - 1e-9) / 10 },
      },
    ];
  }
  if (params.fatPct > cream.fatPct) {
    return [
      {
        field: 'fatPct',
        message: say('stages.blend.fatMoreCreamItself', { fat: percent(params.fatPct) }),
        remedy: say('stages.blend.askMost', { fat: percent(cream.fatPct) }),
        works: { fatPct: Math.floor(cream.fatPct * 10 + 1e-9) / 10 },
      },
    ];
  }
  return [];
}
