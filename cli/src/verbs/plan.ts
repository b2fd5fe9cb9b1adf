import {
  checkChoices,
  methodById,
  planFor,
  starterActivity,
  ACTIVITY_LOSS,
  type Choices,
  type CultureId,
  type PlanGear,
  type Pooled,
  type StarterForm,
  type StarterStore,
  type Stretch,
} from '@oat-crock/core';
import { refusing } from './refusing.js';

interface PlanIn {
  readonly orders: readonly {
    readonly method: string;
    readonly massG: number;
    readonly dueMin: number;
    readonly choices: Choices;
  }[];
  readonly gear: readonly PlanGear[];
  readonly asleep: readonly Stretch[];
  readonly cultures?: readonly {
    readonly culture: CultureId;
    readonly massG: number;
    readonly form: StarterForm;
    readonly ageDays: number;
    readonly store: StarterStore;
  }[];
  readonly learned?: Pooled;
  readonly seed: number;
}

/** Rounds of search: a clock would make the answer another on another machine. */
const ROUNDS = 60;

export const plan = ({ orders, gear, asleep, cultures, learned, seed }: PlanIn) => {
  const methods = orders.map(({ method: id, choices }, i) => {
    const at = `orders.${i}`;
    const method = refusing(`${at}.method`, () => methodById(id));
    refusing(`${at}.choices`, () => checkChoices(method, choices), `${at}.choices`);
    return method;
  });
  const found = planFor(
    {
      orders: orders.map(({ massG, dueMin, choices }, i) => ({
        id: String(i),
        method: methods[i]!,
        productG: massG,
        dueMin,
        choices,
      })),
      people: [{ name: '', asleep, away: [], works: null }],
      gear,
      ...(learned && { known: { learned } }),
      ...(cultures && {
        starters: cultures.map(({ culture, massG, ...kept }) => ({
          culture,
          massG,
          activity: starterActivity(kept, culture),
          lossPerDay: ACTIVITY_LOSS[kept.form][kept.store].perDay,
        })),
      }),
      horizonMin: Math.max(...orders.map((o) => o.dueMin)) + 60,
      seed,
    },
    ROUNDS,
  );
  return {
    batches: found.makes.map(({ orderId, network, mode, steps, gear: pieces, feed, buysStarter, starterTimes }) => ({
      order: Number(orderId),
      method: network.methodId,
      startMin: mode.startMin,
      readyMin: mode.readyMin,
      readyLateMin: mode.readyLateMin,
      massG: Number(network.choices['massG']),
      productG: network.productG,
      gear: pieces.map(({ kind, name }) => name ?? kind),
      feed,
      buysStarter,
      starterTimes,
      stages: network.steps.map((step, i) => ({
        kind: step.kind,
        startMin: steps[i]!.beginMin,
        endMin: steps[i]!.endMin,
        handsMin: step.handsMin,
      })),
    })),
    unmet: found.unmet.map(({ orderId, why, remedy }) => ({ order: Number(orderId), why, remedy })),
    nightHandsMin: found.nightHandsMin,
    cost: found.cost,
    bound: found.bound,
    proven: found.proven,
  };
};
