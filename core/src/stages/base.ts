import { shortName, ingredientName } from '../materials/short-name.js';
import { say, type Text } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { GOODS } from '../materials/kitchen-goods.js';
import { stockOf, type StockParam } from '../materials/reference-materials.js';
import { materialDensity } from '../physics/density.js';
import { massesOfMaterial } from '../materials/materials.js';
import { massesOfGoods } from '../materials/goods.js';
import { pourIn } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { StageKind } from './kind.js';

export interface BaseParams {
  readonly massG: number;
  readonly base: StockParam;
  /** Sugar for the culture, percent: there is no lactose. */
  readonly sugarPct: number;
}

const TAKES_MIN = 8;

/** A plant base poured from its cans or cartons, with sugar for the culture. */
export const base: StageKind<BaseParams, 'base'> = {
  kind: 'base',
  defaults: { massG: 800, base: 'coconut-cream', sugarPct: 1 },
  pours: (params) => [stockOf(params.base)],
  name: () => say('stages.base.base'),
  begins: () => say('stages.base.openCans'),
  over: () => say('stages.base.itIsMixed'),
  instruction: (params) => {
    const stock = stockOf(params.base);
    const leftG = params.massG * (stock.leavesG ?? 0);
    const does = pourWords(params);
    return leftG > 0 ? say('stages.base.waterIsLeft', { does, left: mass(leftG) }) : does;
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['jar', 'scale'],
  weighIn: (params) => {
    const stock = stockOf(params.base);
    return [
      {
        what: stock.name,
        ingredient: ingredientName(stock),
        massG: params.massG,
        gPerMl: materialDensity(stock, 5),
        stockId: stock.id,
        pricedAs: 'milk' as const,
      },
      { what: GOODS.sugar.name, massG: sugarG(params), gPerMl: GOODS.sugar.gPerMl, pricedAs: 'own' as const },
    ].filter((w) => w.massG > 0.05);
  },
  begin: (state, params) => {
    const stock = stockOf(params.base);
    const full = pourIn(
      pourIn(state, massesOfMaterial(stock, params.massG)),
      massesOfGoods(GOODS.sugar, sugarG(params)),
    );
    const ph = stock.freshPh ?? state.freshPh;
    return { ...full, ph, freshPh: ph, tempC: SHELF_C };
  },
  slack: () => ({ earlyMin: 0, lateMin: 60, cost: say('stages.base.waitsHourOpenCan') }),
  endCue: () => say('stages.base.smoothNoLumpsFat'),
  cues: [],
  cautions: (params) => [CAUTIONS.clean, CAUTIONS.boilRinse, ALLERGENS[stockOf(params.base).allergen ?? 'none']],
  problems: () => [],
};

function pourWords(params: BaseParams): Text {
  const sugar = sugarG(params);
  const base = { mass: mass(params.massG), name: shortName(stockOf(params.base)) };
  return sugar > 0.05
    ? say('stages.base.rinseJarWithSugar', { ...base, sugar: mass(sugar) })
    : say('stages.base.rinseJar', base);
}

const ALLERGENS = {
  none: CAUTIONS.allergenNuts,
  coconut: CAUTIONS.allergenCoconut,
  cashew: CAUTIONS.allergenNuts,
  soya: CAUTIONS.allergenSoya,
} as const;

/** Cans and cartons stand on the shelf, °C. */
const SHELF_C = 18;

const sugarG = ({ massG, sugarPct }: BaseParams) => (massG * sugarPct) / 100;
