import { say, type Text } from '../messages/message.js';
import { bind } from '../stages/registry.js';
import { METHODS } from './index.js';
import { choicesOf, type Choice } from './method.js';

/** What a parameter of a stage may be told: a number within bounds, or one of some words. */
export type Asked =
  | {
      readonly kind: 'number';
      readonly label: Text;
      readonly unit: string;
      readonly min: number;
      readonly max: number;
      readonly step: number;
    }
  | {
      readonly kind: 'option';
      readonly label: Text;
      readonly values: readonly string[];
      /** What each is called. */
      readonly labels: Readonly<Record<string, Text>>;
    };

/** Bounds and names of what no shipped method asks, but one's own may. */
const BESIDE: Readonly<Record<string, Readonly<Record<string, Asked>>>> = {
  heat: { paceCPerMin: ofNumber(say('methods.stageAsks.howFastWhereMust'), '°C a minute', [0, 5, 0.5]) },
  chill: {
    targetC: ofNumber(say('methods.stageAsks.chillItTo'), '°C', [2, 15, 1]),
    holdBackPct: ofNumber(say('methods.stageAsks.keptNextStarter'), '%', [0, 10, 0.5]),
    depthCm: ofNumber(say('methods.stageAsks.spreadDeepDishCrock'), 'cm', [0, 12, 0.5]),
    pieceG: ofNumber(say('methods.stageAsks.mouldsAllOne'), 'g', [0, 5000, 25]),
  },
  cool: { depthCm: ofNumber(say('methods.stageAsks.deepShallowPanPot'), 'cm', [0, 12, 0.5]) },
  cut: { edgeCm: ofNumber(say('methods.stageAsks.edgePiece'), 'cm', [0.5, 5, 0.5]) },
  acidify: { parts: ofNumber(say('methods.stageAsks.manyParts'), 'parts', [1, 8, 1]) },
  strain: { share: ofNumber(say('methods.stageAsks.doneWhenMuchWhat'), 'share', [0, 0.99, 0.01]) },
  wash: { waterShare: ofNumber(say('methods.stageAsks.waterEachWash'), 'times the butter', [0.25, 3, 0.25]) },
};

function ofNumber(label: Text, unit: string, [min, max, step]: readonly [number, number, number]): Asked {
  return { kind: 'number', label, unit, min, max, step };
}

const KNOWN = new Map<string, Readonly<Record<string, Asked>>>();

/**
 * What a kind of stage may be told, gathered from what the shipped methods ask and tell of it: bounds and options of the
 * choices that feed a parameter, taken together, and every fixed value and default. So a value is allowed where some
 * method of the house allows it.
 */
export function askedOf(kind: string): Readonly<Record<string, Asked>> {
  const known = KNOWN.get(kind) ?? gather(kind);
  KNOWN.set(kind, known);
  return known;
}

function gather(kind: string): Readonly<Record<string, Asked>> {
  const asked: Record<string, Asked> = {};
  for (const [key, value] of Object.entries(bind({ id: kind, kind, params: {} }).params)) {
    widen(asked, key, ofValue(value));
  }
  for (const [key, more] of Object.entries(BESIDE[kind] ?? {})) widen(asked, key, more);
  for (const method of METHODS) {
    const choices = new Map(choicesOf(method).map((c) => [c.key, c]));
    for (const stage of method.stages.filter((s) => s.kind === kind)) {
      for (const [key, value] of Object.entries(stage.params)) {
        if (typeof value !== 'object') widen(asked, key, ofValue(value));
        else widen(asked, key, ofChoice(choices.get('stock' in value ? value.stock : value.choice)!));
      }
    }
  }
  return asked;
}

function ofValue(value: unknown): Asked {
  return typeof value === 'number'
    ? { kind: 'number', label: '', unit: '', min: value, max: value, step: 0 }
    : { kind: 'option', label: '', values: [String(value)], labels: {} };
}

function ofChoice(choice: Choice): Asked {
  const { label } = choice;
  if (choice.kind === 'number') {
    const { unit, min, max, step } = choice;
    return { kind: 'number', label, unit, min, max, step };
  }
  const values = choice.options.map((o) => o.id);
  return { kind: 'option', label, values, labels: Object.fromEntries(choice.options.map((o) => [o.id, o.label])) };
}

/** What one method allows is added to what others do. */
function widen(asked: Record<string, Asked>, key: string, more: Asked): void {
  const before = asked[key];
  if (!before) asked[key] = more;
  else if (before.kind === 'number' && more.kind === 'number') {
    asked[key] = {
      kind: 'number',
      label: before.label || more.label,
      unit: before.unit || more.unit,
      min: Math.min(before.min, more.min),
      max: Math.max(before.max, more.max),
      step: before.step || more.step,
    };
  } else if (before.kind === 'option' && more.kind === 'option') {
    asked[key] = {
      kind: 'option',
      label: before.label || more.label,
      values: [...new Set([...before.values, ...more.values])],
      labels: { ...more.labels, ...before.labels },
    };
  }
}
