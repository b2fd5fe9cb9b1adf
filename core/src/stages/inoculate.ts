import { say, type Text } from '../messages/message.js';
import { amount, mass, percent, spoons, tempBy, volume } from '../messages/quantity.js';
import { CULTURES, type CultureId, type StarterForm } from '../constants/cultures.js';
import { MOLAR_G } from '../constants/milk.js';
import { POWDER_G_PER_ML, STARTER_AS_MILK, STARTER_LACTIC_MOL_PER_KG } from '../constants/starter.js';
import { CROCK_G_PER_ML } from '../constants/vessels.js';
import type { Member } from '../environment/environment.js';
import {
  lagQOf,
  packetDosePct,
  starterPrior,
  starterActivity,
  type Starter,
  type StarterPrior,
} from '../physics/starter-activity.js';
import { massesBy, totalG, type Masses } from '../materials/composition.js';
import { massesOfMaterial } from '../materials/materials.js';
import { pourIn, type CrockState, type Living } from '../state/crock-state.js';
import { CAUTIONS } from './cautions.js';
import { handsWork } from './hands-work.js';
import type { Problem, StageKind } from './kind.js';
import { lethalProblems, sown, spentProblems } from './sowing.js';
import type { Branch, Gauge, Seen } from './watch.js';

export interface InoculateParams {
  readonly culture: CultureId;
  /** A second culture that takes a share of the dose, or none; and its share, percent of the dose. */
  readonly beside: CultureId | 'none';
  readonly besidePct: number;
  /** Live starter as a share of the milk, percent by mass; a powder is dosed by the packet. */
  readonly dosePct: number;
  /** Packets of a powder, parts of one too; how much milk one sets, L, by its label; and what one weighs, g. */
  readonly packets: number;
  readonly packetSetsL: number;
  readonly packetG: number;
  readonly form: StarterForm;
  readonly ageDays: number;
  readonly store: Starter['store'];
  /** Makes it has been carried through since it was bought. */
  readonly generation: number;
  /** Its activity against what age, store and generation say of it, percent. */
  readonly vigourPct: number;
  /** Dispersed as a slurry, or sprinkled on and stirred in. */
  readonly how: 'slurry' | 'sprinkled';
  /** Weighed or spooned in, or what clings to the pot that the last make was eaten out of. */
  readonly sownBy: 'spoon' | 'residue';
}

type Dosed = Pick<InoculateParams, 'form' | 'sownBy' | 'dosePct' | 'packets' | 'packetSetsL' | 'packetG'>;

const isPowder = ({ form }: Pick<InoculateParams, 'form'>) => form === 'freeze-dried';

/** Starter mass (g) for a crock: a share of it, or the packets' powder. */
function starterG(params: Dosed, crock: Masses): number {
  if (isPowder(params)) return params.packets * params.packetG;
  return params.sownBy === 'residue' ? clingingG(crock) : (totalG(crock) * params.dosePct) / 100;
}

/** Yogurt that clings to the wall of an emptied pot, g for each m². Judgement: a spoon or two in a pot of some litres. */
const CLINGS_G_PER_M2 = 300;

/** What clings to a pot as wide as deep that this milk fills, g. */
function clingingG(crock: Masses): number {
  const radiusM = (crockL(crock) / 1000 / (2 * Math.PI)) ** (1 / 3);
  return CLINGS_G_PER_M2 * 5 * Math.PI * radiusM ** 2;
}

/** The dose as a share of live starter that brings as much, percent by mass: of a powder, by the milk that it sets. */
export function doseOfLivePct(params: Dosed, crock: Masses): number {
  if (!isPowder(params)) return (100 * starterG(params, crock)) / totalG(crock);
  return packetDosePct(params.packets, params.packetSetsL, crockL(crock));
}

const crockL = (crock: Masses) => totalG(crock) / CROCK_G_PER_ML / 1000;

/** Density of a yogurt, g/mL. */
const STARTER_G_PER_ML = 1.03;
const TAKES_MIN = 6;
/** Milk is called warm above this, °C. */
const WARM_C = 30;

/** A starter on the sheet: what it is, how old, and in how many makes it has been carried on. */
function starterWords({ form, ageDays, generation }: InoculateParams): Text {
  if (isPowder({ form })) return say('stages.inoculate.starterPowder');
  const age = ageDays < 1 ? 0 : Math.round(ageDays);
  const times = Math.round(generation);
  return times > 1
    ? say('stages.inoculate.starterCarriedOn', { age, times })
    : say('stages.inoculate.starter', { age });
}

/** How a text tells the second starter. */
const BESIDE: Readonly<Record<InoculateParams['beside'], string>> = {
  none: 'none',
  thermophilic: 'thermophilic',
  mesophilic: 'mesophilic',
  'kefir-grains': 'kefirGrains',
  'room-yogurt': 'roomYogurt',
  clabber: 'clabber',
  plant: 'plant',
};

/** Starter dispersed in warm milk. */
export const inoculate: StageKind<InoculateParams, 'inoculate'> = {
  kind: 'inoculate',
  defaults: {
    culture: 'thermophilic',
    beside: 'none',
    besidePct: 50,
    dosePct: 2.5,
    packets: 1,
    packetSetsL: 4,
    packetG: 1,
    form: 'active',
    ageDays: 4,
    store: 'cold',
    generation: 1,
    vigourPct: 100,
    how: 'slurry',
    sownBy: 'spoon',
  },
  name: () => say('stages.inoculate.starter2'),
  begins: () => say('stages.inoculate.putStarter'),
  over: () => say('stages.inoculate.theStarterIsIn'),
  instruction: (params, before) => {
    if (isPowder(params)) return powderWords(params);
    const massG = starterG(params, before.masses);
    const second = mass((massG * params.besidePct) / 100);
    const starter = {
      mass: mass(massG),
      beside: BESIDE[params.beside],
      second,
      volume: spoons(massG / STARTER_G_PER_ML),
    };
    if (params.sownBy === 'residue') return say('stages.inoculate.intoEmptiedPot', { mass: mass(massG) });
    if (params.how === 'sprinkled') return say('stages.inoculate.sprinkleStarter', starter);
    return say('stages.inoculate.stirSmoothCupMilk', { ...starter, milk: calledWhat(before) });
  },
  ...handsWork(TAKES_MIN),
  gear: () => ['pot'],
  weighIn: (params, before) => [
    {
      what: starterWords(params),
      ingredient: isPowder(params) ? say('stages.inoculate.starterPowder') : say('good.starter'),
      massG: starterG(params, before.masses),
      outOf: 'culture',
      ...(isPowder(params)
        ? { gPerMl: POWDER_G_PER_ML, pricedAs: 'packet', count: params.packets, measure: sayPackets(params.packets) }
        : { gPerMl: STARTER_G_PER_ML, pricedAs: 'milk' }),
    },
  ],
  begin: (state, params, environment) => addStarter(state, params, environment.member),
  slack: () => ({ earlyMin: 0, lateMin: 10, cost: say('stages.inoculate.everyTenMinutesCool', { temp: tempBy(1) }) }),
  endCue: () => say('stages.inoculate.noLumpsLeftWhen'),
  cues: [{ cue: 'slurry', ask: say('stages.inoculate.lumpsStarter'), answers: ['smooth', 'a-few', 'lumpy'] }],
  watch: (params, seen) => [
    {
      what: say('stages.inoculate.slurry'),
      unit: '',
      planned: say('stages.inoculate.smooth'),
      now: seen.looks['slurry'] ?? say('stages.inoculate.notLooked'),
    },
    likesGauge(params.culture, seen),
  ],
  branches: (_params, { looks, over }) => (over ? [] : lumpBranches(looks)),
  cautions: () => [CAUTIONS.spoon],
  problems: (params, state) => [
    ...spentProblems(params, activityOf(params), {
      remedy: say('stages.inoculate.takeFreshOneFeed'),
      works: { ageDays: 1, vigourPct: 100 },
    }),
    ...lethalProblems(params.culture, state.tempC),
    ...packetProblems(params, state),
    ...doseProblems(params),
  ],
};

/** "0.5 packet", "1 packet", "2.5 packets": as it is measured out. */
function sayPackets(packets: number): Text {
  return say('stages.inoculate.packet', { count: Math.ceil(packets), packets: amount(Number(packets.toFixed(2))) });
}

function powderWords({ packets, packetG, beside, besidePct }: InoculateParams): Text {
  return say('stages.inoculate.sprinklePowder', {
    second: mass((packets * packetG * besidePct) / 100),
    packets: sayPackets(packets),
    mass: mass(packets * packetG),
    beside,
  });
}

/** From this fat on (percent) it is called cream. */
const CREAM_FROM_PCT = 12;

function calledWhat({ tempC, masses }: CrockState): 'warm' | 'cold' | 'warmCream' | 'coldCream' {
  const isCream = (100 * masses.fat) / totalG(masses) >= CREAM_FROM_PCT;
  if (isCream) return tempC > WARM_C ? 'warmCream' : 'coldCream';
  return tempC > WARM_C ? 'warm' : 'cold';
}

/** More live starter than this (percent of the milk) brings so much of its own acid and body that it is worth a word. */
const MUCH_STARTER_PCT = 12;

function doseProblems(params: InoculateParams): Problem[] {
  if (isPowder(params) || params.dosePct <= MUCH_STARTER_PCT) return [];
  return [
    {
      field: 'dosePct',
      message: say('stages.inoculate.muchStarter', { dose: percent(params.dosePct) }),
      remedy: say('stages.inoculate.lessIsRounder', { dose: percent(MUCH_STARTER_PCT) }),
      works: { dosePct: MUCH_STARTER_PCT },
      mild: true,
    },
  ];
}

/** A powder that is meant for less than this share of the milk, or for more than so many times of it, is worth a word. */
const FEW_PACKETS = 0.6;
const MANY_PACKETS = 2.5;

function packetProblems(params: InoculateParams, { masses }: CrockState): Problem[] {
  if (!isPowder(params)) return [];
  const { packets, packetSetsL } = params;
  const litres = crockL(masses);
  const share = (packets * packetSetsL) / litres;
  if (share >= FEW_PACKETS && share <= MANY_PACKETS) return [];
  const wanted = Math.max(0.05, Math.round((20 * litres) / packetSetsL) / 20);
  const slower = share < FEW_PACKETS;
  return [
    {
      field: 'packets',
      message: say(slower ? 'stages.inoculate.packetsTooFew' : 'stages.inoculate.packetsTooMany', {
        packets: sayPackets(packets),
        count: Math.ceil(packets),
        sets: volume(packets * packetSetsL, 1),
        holds: volume(litres, 1),
      }),
      remedy: say('stages.inoculate.take', { wanted: sayPackets(wanted) }),
      works: { packets: wanted },
      mild: true,
    },
  ];
}

function addStarter(state: CrockState, params: InoculateParams, member: Member): CrockState {
  const massG = starterG(params, state.masses);
  const soured = !isPowder(params);
  const filled = pourIn(state, soured ? asYogurt(massG) : massesBy((c) => (c === 'other' ? massG : 0)));
  const share = massG / totalG(filled.masses);
  const cooler = { ...filled, tempC: state.tempC + share * (5 - state.tempC) };
  const sowing = {
    living: starterAtWork(params, doseOfLivePct(params, state.masses), member),
    lacticMolPerKg: soured ? share * STARTER_LACTIC_MOL_PER_KG : 0,
    prior: lessSure(starterPrior(params, activityOf(params)), params),
  };
  return sown(cooler, sowing, member);
}

/** Nobody knows how much clings to a pot: as far off as a half or twice as much is usual (sd of the logarithm of the dose's pace). */
const CLINGING_SD = 0.35;

const lessSure = (prior: StarterPrior, { sownBy }: InoculateParams): StarterPrior =>
  sownBy === 'residue' ? { ...prior, paceSd: Math.hypot(prior.paceSd, CLINGING_SD) } : prior;

/** The cultures that a dose of starter brings, each with its biomass and readiness; two share the dose. */
function starterAtWork(params: InoculateParams, dosePct: number, member: Member): readonly [Living, ...Living[]] {
  const { culture, beside } = params;
  const living = (id: CultureId, pct: number): Living => ({
    culture: id,
    biomass: (pct / 100) * CULTURES[id].biomassPerDose * activityOf(params, id) * member.activity,
    lagQ: lagQOf(id, params.form) * member.lag,
  });
  if (beside === 'none' || beside === culture) return [living(culture, dosePct)];
  const second = (dosePct * params.besidePct) / 100;
  return [living(culture, dosePct - second), living(beside, second)];
}

/** Share of a fresh starter's activity that is left: by its age, store and generation, and by what its makes have shown. */
function activityOf(params: InoculateParams, culture: CultureId = params.culture): number {
  return (starterActivity(params, culture) * params.vigourPct) / 100;
}

/** A starter's component masses. */
const asYogurt = (massG: number): Masses => ripened(massesOfMaterial(STARTER_AS_MILK, massG), massG);

/** A milk (of so many g) ripened to a starter's sourness by a yogurt culture: its acid came from its own lactose. */
export function ripened(milk: Masses, massG: number): Masses {
  const lacticMol = (STARTER_LACTIC_MOL_PER_KG * massG) / 1000;
  const lacticG = lacticMol * MOLAR_G.lactic;
  const lactoseG = (lacticMol / 2) * MOLAR_G.lactose;
  const galactoseG = (lacticMol / 2) * MOLAR_G.galactose;
  return {
    ...milk,
    lactic: lacticG,
    galactose: galactoseG,
    lactose: milk.lactose - lactoseG,
    water: milk.water - (lacticG + galactoseG - lactoseG),
  };
}

/** The milk against the warmth its culture grows best in, and against what kills it. */
export function likesGauge(culture: CultureId, { here }: Seen): Gauge {
  const { optC, maxC } = CULTURES[culture].growth;
  const hot = here.tempC > maxC;
  return {
    what: say('stages.inoculate.milk'),
    unit: '°C',
    planned: optC,
    now: here.tempC,
    ...(hot && { tone: 'bad' as const, says: say('stages.inoculate.tooHotStarterLet') }),
  };
}

function lumpBranches(looks: Seen['looks']): Branch[] {
  if (looks['slurry'] === undefined || looks['slurry'] === 'smooth') return [];
  return [
    {
      id: 'lumps',
      offer: say('stages.inoculate.pressLumpsOutAgainst'),
      because: say('stages.inoculate.lumpStarterSoursWhere'),
      does: { do: 'leave', note: say('stages.inoculate.pressedLumpsOutStarter') },
    },
  ];
}
