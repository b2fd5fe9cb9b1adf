import type { EntryBody } from '../batch/entry.js';
import type { Batch } from '../batch/replay.js';
import { say, type Text } from '../messages/message.js';
import { mass } from '../messages/quantity.js';
import { finishedStockOf, movedIn, type FinishedStock } from './finished-stock.js';

/** Why a line cannot be written of what was made: its field, and what would do. */
export interface MovementProblem {
  readonly field: string;
  readonly message: Text;
  readonly remedy: Text;
}

type Moves = Extract<EntryBody, { type: 'issued' | 'stored' }>;

/** So much of a stock, as it is counted. */
export function countedOf({ unit, called }: Pick<FinishedStock, 'unit' | 'called'>, count: number): Text {
  return unit === 'pots' ? say('ledger.pots', { count, called }) : say('quantity.alone', { quantity: mass(count) });
}

/**
 * What stands against a line that moves something of a make: it is not finished, it is held, it is counted otherwise, or
 * there is not so much. Null where nothing does.
 */
export function movementProblem(batch: Batch, body: Moves): MovementProblem | null {
  const stock = finishedStockOf(batch);
  if (!stock)
    return {
      field: 'body.type',
      message: say('ledger.notFinished', { name: batch.name }),
      remedy: say('ledger.finishFirst'),
    };
  const { unit, left, frozen, hold } = stock;
  const field = unit === 'pots' ? 'body.pots' : 'body.massG';
  const count = movedIn(unit, body);
  if (!(count > 0))
    return { field, message: say('ledger.countedIn', { unit }), remedy: say('ledger.sayHowMuch', { unit }) };
  if (hold && body.type === 'issued' && body.how !== 'thrown')
    return {
      field: 'body.how',
      message: say('ledger.isHeld', { name: batch.name, reason: hold.reason }),
      remedy: say('ledger.letGoFirst'),
    };
  const there = body.type === 'issued' ? left : body.where === 'frozen' ? left - frozen : frozen;
  return count <= there + NOTHING ? null : { field, ...notSoMuch(stock, there) };
}

/** Rounding of what is counted in grams, g. */
const NOTHING = 1e-6;

function notSoMuch(stock: FinishedStock, there: number): Pick<MovementProblem, 'message' | 'remedy'> {
  return there > 0
    ? { message: say('ledger.onlyThere', { there: countedOf(stock, there) }), remedy: say('ledger.atMost') }
    : { message: say('ledger.noneThere'), remedy: say('ledger.lookAtLines') };
}

/** What stands against a correction: by it more would have gone out than was made, or something of what was never finished. */
export function correctedProblem(after: Batch): MovementProblem | null {
  if (after.movements.length === 0) return null;
  const stock = finishedStockOf(after);
  const field = 'body.body';
  if (!stock) return { field, message: say('ledger.wentAlready'), remedy: say('ledger.takeThoseBack') };
  if (stock.left >= -NOTHING) return null;
  return {
    field,
    message: say('ledger.moreOutThanMade', { more: countedOf(stock, -stock.left) }),
    remedy: say('ledger.takeThoseBack'),
  };
}
