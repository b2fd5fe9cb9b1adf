import { say, type Text } from '../messages/message.js';
import { planStages } from '../make/plan.js';
import { lotIdOf } from '../lots/lot.js';
import { choicesThatCount, decided, offersAll, type Choices, type Method } from '../methods/method.js';

/** Something that may not be there: gear, or what goes in. */
export type AbsentId = keyof typeof ABSENT;

interface Absent {
  /** Whether a make that is decided so wants it. */
  readonly wanted: (method: Method, choices: Choices) => boolean;
  /** Choices that may do without it, in the order they are tried. */
  readonly instead: readonly Choices[];
}

/** A make that takes any of some gear in hand. */
const usesGear =
  (...names: readonly string[]) =>
  (method: Method, choices: Choices) =>
    planStages(method, choices).some(({ kind, params }) => kind.gear(params).some((g) => names.includes(g)));

/** A make that asks how much, or which, of something it takes in. */
const asks =
  (...keys: readonly string[]) =>
  (method: Method, choices: Choices) =>
    method.groups.some((group) => choicesThatCount(group, choices).some(({ key }) => keys.includes(key)));

const KEPT_OTHERWISE = ['lamp-oven', 'flask', 'bath', 'wrapped', 'counter'].map((keeper): Choices => ({ keeper }));
const UNHEATED: readonly Choices[] = [{ scald: 'no' }, { pasteurise: 'no' }, { from: 'bought' }];

/** What may be wanting, how it is known that a make takes it, and how it may be made without. */
const ABSENT = {
  thermostat: { wanted: usesGear('thermostat'), instead: KEPT_OTHERWISE },
  oven: { wanted: usesGear('oven', 'lamp-oven'), instead: [] },
  hob: { wanted: usesGear('hob'), instead: UNHEATED },
  thermometer: { wanted: usesGear('thermometer'), instead: UNHEATED },
  cloth: { wanted: usesGear('cloth'), instead: [] },
  mixer: { wanted: usesGear('mixer', 'food processor'), instead: [{ device: 'jar' }, { device: 'crank' }] },
  rennet: { wanted: asks('imcuPerKg'), instead: [{ rennet: 'none' }] },
  acid: { wanted: asks('agent'), instead: [] },
  starter: {
    wanted: asks('dosePct', 'packets', 'grainsPct', 'perLitre'),
    instead: [{ seeding: 'wild' }, { from: 'bought' }],
  },
  cream: { wanted: asks('cream'), instead: [{ blendBy: 'milk' }] },
} as const satisfies Readonly<Record<string, Absent>>;

export const ABSENT_IDS = Object.keys(ABSENT) as readonly AbsentId[];

/** How a make may be decided without something; or why it cannot be made without. */
export function without(
  method: Method,
  id: AbsentId,
  chosen: Choices,
): { readonly choices: Choices; readonly against: Text } {
  const { wanted, instead }: Absent = ABSENT[id];
  const wants = (choices: Choices) => wanted(method, decided(method, ownedAside(choices)));
  if (!wants(chosen)) return { choices: chosen, against: '' };
  for (const other of instead) {
    const choices = { ...chosen, ...other };
    if (offersAll(method, other) && !wants(choices)) return { choices, against: '' };
  }
  return { choices: chosen, against: say('larder.absent.wants', { what: id }) };
}

/** Lots of one's own are no matter here: a usual one of their kind stands for them. */
const ownedAside = (choices: Choices): Choices =>
  Object.fromEntries(Object.entries(choices).filter(([, v]) => typeof v !== 'string' || lotIdOf(v) === null));
