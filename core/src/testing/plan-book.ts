import { alternatives, OBJECTIVE_PRESETS, likenessOf } from '../schedule/alternatives.js';
import { lowerBound } from '../schedule/bound.js';
import { neededBy, toBuy, type LotLeftThen } from '../schedule/materials.js';
import { layOut, planFor } from '../schedule/plan.js';

import type { Plan, PlanAsked } from '../schedule/planning-problem.js';
import type { Words } from './make-book.js';
import { EIGHT_PIECES, someWeeks } from './weeks.js';

const ROUNDS = 12;
const rounded = (_key: string, value: unknown) => (typeof value === 'number' ? Math.round(value * 100) / 100 : value);
const told = (value: unknown) => JSON.stringify(value, rounded);

/** A tired jar of yogurt, a fresh one of butter culture: some makes want a feeding, some a new one. */
const STARTERS = [
  { culture: 'thermophilic', massG: 260, activity: 0.55, lossPerDay: 0.045 },
  { culture: 'mesophilic', massG: 60, activity: 1, lossPerDay: 0.045 },
] as const;
const LOTS: readonly LotLeftThen[] = [
  { id: 'early', name: 'Early milk', kind: 'milk', leftG: 3000, untilMin: 3000, onlyNamed: false },
  { id: 'later', name: 'Later milk', kind: 'milk', leftG: 9000, untilMin: null, onlyNamed: false },
];

/** One box and few pots: weeks that do not all fit. */
const TIGHT = EIGHT_PIECES.filter((g) => g.kind !== 'thermostat' || g.holdsL === 10).filter((g) => g.holdsL !== 14);

/** Whole weeks as they are planned: when each make begins and ends, with what gear and starter; what is left out, and why. */
export function planBook(words: Words): readonly string[] {
  const weeks: readonly (readonly [string, PlanAsked])[] = [
    ['roomy', { ...someWeeks(4, 7, 3), starters: [...STARTERS] }],
    ['tight', { ...someWeeks(7, 6, 5), gear: TIGHT, starters: [...STARTERS] }],
  ];
  return weeks.flatMap(([name, asked]) => [
    `# ${name} week`,
    ...planLines(asked, planFor(asked, ROUNDS), words),
    ...[...alternatives(asked, { usual: 12, most: 12 })]
      .filter((_, i, all) => i === all.length - 1 || i % 4 === 3)
      .map(({ preset, plan }) => `leaning ${preset.id}: ${told(likenessOf(plan))} cost ${told(plan.cost)}`),
    `leanings ${OBJECTIVE_PRESETS.map((l) => l.id).join(' ')}`,
    `bound ${told(boundOf(asked))}`,
  ]);
}

function boundOf(asked: PlanAsked): number {
  const { instance } = layOut(asked);
  return lowerBound(instance, Infinity, 40).cost;
}

function planLines(asked: PlanAsked, plan: Plan, words: Words): string[] {
  const needs = neededBy(plan.makes, LOTS);
  return [
    ...plan.makes.map((make) => {
      const { orderId, mode, steps, gear, feed, buysStarter, starterTimes } = make;
      const { startMin, readyMin, readyLateMin, ageH, cost } = mode;
      return `make ${orderId} ${told({ startMin, readyMin, readyLateMin, ageH, cost })} gear ${told(gear)} feed ${told(feed)} buys ${buysStarter} times ${starterTimes} steps ${told(steps.map((s) => [s.beginMin, s.endMin]))}`;
    }),
    ...plan.unmet.map((unmet) => `unmet ${told({ ...unmet, why: words(unmet.why), remedy: words(unmet.remedy) })}`),
    `hands ${told([plan.handsMin, plan.nightHandsMin, plan.offHandsMin])} cost ${told(plan.cost)} bound ${told(plan.bound)}`,
    `needs ${told(needs.map(({ what, massG, atMin, from, shortG }) => [words(what), massG, atMin, from, shortG]))}`,
    `buy ${told(toBuy(needs).map((b) => ({ ...b, what: words(b.what) })))} of ${asked.orders.length}`,
  ];
}
