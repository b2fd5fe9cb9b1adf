/** What the rest of the house asks of the ledger. */
export { type FinishedStock, finishedStockOf, issuedBy, movedIn } from './finished-stock.js';
export {
  deliveredOf,
  type DueOrder,
  fillOrders,
  overOf,
  type Over,
  type Filling,
  type MakeComing,
  type SetApart,
  type StockOfMethod,
  willDo,
} from './fill-orders.js';
export { type MakeFigures, makeFiguresOf } from './make-figures.js';
export { GIVEN_AT, type GivenWindow, type LearnedWidth, SHOULD_HOLD, WidthsSeen } from '../learn/widths.js';
export { scorecard, type ScoredGroup, type ScoredWindow } from './scorecard.js';
export {
  MOST_LOOKED_AT,
  TREND_FIGURES,
  type TrendChange,
  type TrendFigure,
  type TrendFinding,
  type TrendMake,
  type Trends,
  trendsOf,
} from './trends.js';
export { LEAST_MAKES, type Shift } from './changes.js';
export {
  type Comparison,
  compareMakes,
  type ComparedRun,
  type Curve,
  CURVES,
  type Facts,
  type OutcomeId,
  type Otherwise,
} from './compare.js';
export { untilMoment } from './until-moment.js';
export { MAKE_STATES, makeLineOf, type MakeLine, type MakeState, saidOf } from './make-line.js';
export {
  madeFrom,
  recalled,
  type Recall,
  receiverId,
  type Trace,
  type Traced,
  type TraceNode,
  traceOf,
} from './trace.js';
export { type MassBalance, massBalanceOf } from './mass-balance.js';
export { correctedProblem, countedOf, movementProblem, type MovementProblem } from './movement-problem.js';
