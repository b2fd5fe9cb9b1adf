import type { Goods } from './kitchen-goods.js';
import { massesBy, type Masses } from './composition.js';

/** Component masses (g) of an amount (g) of something from the shelf. */
export function massesOfGoods(goods: Goods, massG: number): Masses {
  return massesBy((c) => ((goods.pct[c] ?? 0) * massG) / 100);
}
