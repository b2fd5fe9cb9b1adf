import { countedOf, ISSUED_HOW, type MassBalance, weighed } from '@oat-crock/core';
import { listed } from '../../shared/ui/words';
import { tell, textOf } from '../../shared/ui/said';

/** Less than this (g) is not worth a word. */
const NOT_WORTH_G = 5;

/** Where all that went into a make is, in a sentence. */
export function balanceWords(balance: MassBalance): string {
  const { stock, inG, productG, here, out, receivers, wheyG, heldBackG, restG } = balance;
  const counted = (count: number) => textOf(countedOf(stock, count));
  const of = [
    ...ISSUED_HOW.flatMap((how) => {
      const count = out.get(how) ?? 0;
      return count > 0 ? [tell('page.ledger.balance.out', { count: counted(count), how })] : [];
    }),
    ...(here > 0 ? [tell('page.ledger.trace.here', { count: counted(here) })] : []),
  ];
  const parts = [
    tell('page.ledger.balance.product', {
      product: weighed(productG),
      made: stock.unit === 'pots' ? counted(stock.made) : '',
      unit: stock.unit,
      of: listed(of),
    }),
    ...(wheyG > NOT_WORTH_G ? [tell('page.ledger.balance.whey', { whey: weighed(wheyG) })] : []),
    ...(heldBackG > NOT_WORTH_G ? [tell('page.ledger.balance.heldBack', { held: weighed(heldBackG) })] : []),
    ...(restG > NOT_WORTH_G ? [tell('page.ledger.balance.rest', { rest: weighed(restG) })] : []),
  ];
  const whom = receivers > 0 ? ` ${tell('page.ledger.balance.receivers', { count: receivers })}` : '';
  return `${tell('page.ledger.balance.of', { in: weighed(inG) })} ${parts.join('; ')}.${whom}`;
}
