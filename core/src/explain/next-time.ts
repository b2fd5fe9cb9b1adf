import { inUnit } from '../messages/quantity.js';
import { say, type Text, type Value } from '../messages/message.js';
import { SAFE_PH } from '../constants/safety-limits.js';
import { choicesOf, holds, decided, type Choice, type Choices, type Method } from '../methods/method.js';
import type { Stock } from '../materials/materials.js';
import type { CauseId } from './causes.js';

/** What a choice should be next time: moved by so much, no more or no less than something, or something else. */
type Change =
  | { readonly key: string; readonly by: number }
  | { readonly key: string; readonly atLeast: number }
  | { readonly key: string; readonly atMost: number }
  | { readonly key: string; readonly to: string };

/** What would mend a cause, by the choices there are; causes that no choice mends (a lump, a flame, a lid) have none. */
const CHANGES: Readonly<Partial<Record<CauseId, readonly Change[]>>> = {
  deadStarter: [
    { key: 'ageDays', atMost: 4 },
    { key: 'generation', atMost: 1 },
  ],
  weakStarter: [
    { key: 'ageDays', atMost: 4 },
    { key: 'dosePct', by: 1 },
  ],
  manyGenerations: [{ key: 'generation', atMost: 1 }],
  killedStarter: [
    { key: 'starterC', atMost: 44 },
    { key: 'warmC', atMost: 40 },
  ],
  tooCold: [
    { key: 'keepC', by: 2 },
    { key: 'roomC', by: 2 },
  ],
  tooHot: [{ key: 'keepC', by: -2 }],
  noSugar: [{ key: 'sugarPct', by: 1 }],
  renneted: [{ key: 'milk', to: 'whole' }],
  underHeated: [
    { key: 'heatC', atLeast: 85 },
    { key: 'holdMin', by: 10 },
  ],
  lowProtein: [{ key: 'powderPct', by: 2 }],
  lowDose: [
    { key: 'dosePct', by: 1 },
    { key: 'grainsPct', by: 2 },
    { key: 'perLitre', by: 1 },
  ],
  bigDose: [
    { key: 'dosePct', by: -1 },
    { key: 'grainsPct', by: -2 },
  ],
  stoppedEarly: [{ key: 'targetPh', by: -0.1 }],
  tooLong: [{ key: 'targetPh', by: 0.1 }],
  overAcid: [{ key: 'targetPh', by: 0.1 }],
  cooledSlowly: [{ key: 'coolMethod', to: 'ice-bath' }],
  highFat: [{ key: 'fatPct', by: -2 }],
  closedEarly: [{ key: 'lid', to: 'off' }],
  muchRennet: [{ key: 'imcuPerKg', by: -2 }],
  littleAcid: [{ key: 'targetPh', by: -0.2 }],
  weakAcid: [{ key: 'targetPh', by: -0.1 }],
  acidTooCool: [{ key: 'heatC', by: 3 }],
  acidRough: [{ key: 'heatC', by: -4 }],
  ultraHeated: [
    { key: 'milk', to: 'whole' },
    { key: 'cream', to: 'cream-36' },
  ],
  overDrained: [{ key: 'stopping', to: 'scale' }],
  overHeated: [{ key: 'heatC', by: -3 }],
  openWeave: [{ key: 'weave', to: 'fine' }],
  churnedCold: [{ key: 'churnC', by: 2 }],
  churnedWarm: [{ key: 'churnC', by: -3 }],
  leanCream: [{ key: 'fatPct', by: 6 }],
  fullChurn: [{ key: 'churnL', by: 1 }],
  unwashed: [{ key: 'washing', to: 'clear' }],
};

/** What to choose otherwise next time, and the same in words. */
export interface NextTime {
  readonly choices: Choices;
  /** "Hold: 25 min instead of 15 min" */
  readonly words: readonly Text[];
}

/**
 * What would mend a cause in a method, against what was chosen: within the bounds of each choice, and only where it has a
 * say. Null where no choice mends it. What acid is to guard is never to be left less sour than is safe.
 *
 * @param stocks lots of one's own that the choices name
 */
export function nextTime(
  cause: CauseId,
  method: Method,
  chosen: Choices,
  stocks: readonly Pick<Stock, 'id' | 'name'>[] = [],
): NextTime | null {
  const was = decided(method, chosen);
  const changed = (CHANGES[cause] ?? []).flatMap((change) => {
    const choice = choicesOf(method).find((c) => c.key === change.key);
    if (!choice || (choice.onlyIf && !holds(choice.onlyIf, was))) return [];
    const value = guarded(choice, changedTo(choice, change, was[choice.key]!), was[choice.key]!, method);
    return value === null || value === was[choice.key] ? [] : [{ choice, value }];
  });
  if (changed.length === 0) return null;
  return {
    choices: Object.fromEntries(changed.map(({ choice, value }) => [choice.key, value])),
    words: changed.map(({ choice, value }) =>
      say('explain.nextTime.instead', {
        label: choice.label,
        now: named(choice, value, stocks),
        was: named(choice, was[choice.key]!, stocks),
      }),
    ),
  };
}

function changedTo(choice: Choice, change: Change, was: number | string): number | string | null {
  if (choice.kind === 'option') {
    return 'to' in change && choice.options.some((o) => o.id === change.to) ? change.to : null;
  }
  if ('to' in change || typeof was !== 'number') return null;
  const wanted =
    'by' in change
      ? was + change.by
      : 'atMost' in change
        ? Math.min(was, change.atMost)
        : Math.max(was, change.atLeast);
  const stepped = Math.round(wanted / choice.step) * choice.step;
  return Number(Math.min(choice.max, Math.max(choice.min, stepped)).toFixed(4));
}

/** A wanted acidity is not moved above the safe one, nor on from there, where a culture is to guard what is made. */
function guarded(choice: Choice, value: number | string | null, was: number | string, method: Method) {
  const sours = method.stages.some((s) => s.kind === 'incubate');
  if (choice.key !== 'targetPh' || !sours || typeof value !== 'number' || value <= Number(was)) return value;
  return Number(was) >= SAFE_PH ? null : Math.min(value, SAFE_PH);
}

function named(choice: Choice, value: number | string, stocks: readonly Pick<Stock, 'id' | 'name'>[]): Value {
  if (choice.kind === 'number') return inUnit(Number(value), choice.unit);
  const option = choice.options.find((o) => o.id === value)?.label;
  return option ?? stocks.find(({ id }) => id === value)?.name ?? say('explain.nextTime.whatWasTaken');
}
