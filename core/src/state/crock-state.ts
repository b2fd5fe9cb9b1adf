import type { CultureId } from '../constants/cultures.js';
import type { BufferMilk } from '../physics/buffer.js';
import { ALL_NATIVE, denaturedBetaLg, type NativeWhey } from '../physics/denaturation.js';
import {
  firmnessIndex,
  firmnessWord,
  type FirmnessWord,
  pastSetting,
  plantFirmnessIndex,
  syneresisIndex,
  type GelConditions,
} from '../physics/gel.js';
import type { StarterPrior } from '../physics/starter-activity.js';
import { UNTOUCHED, type Body, type Curd } from './curd.js';
import {
  addMasses,
  addScaled,
  fractionOf,
  NOTHING,
  proteinFraction,
  solidsFraction,
  subtractMasses,
  totalG,
  type Masses,
} from '../materials/composition.js';
import { say, type Message } from '../messages/message.js';

/** A culture alive in a milk: its relative biomass (1 = ripe milk) and its readiness. */
export interface Living {
  readonly culture: CultureId;
  readonly biomass: number;
  readonly lagQ: number;
}

/** A culture at work in the crock, and others beside it. Acid is reckoned per kg of the milk as it was inoculated. */
export interface Souring extends Living {
  /** The milk as it was inoculated: its buffer decides the pH until the end. */
  readonly milk: BufferMilk;
  readonly waterFraction: number;
  readonly lacticMolPerKg: number;
  readonly beside: readonly Living[];
  /** True where nothing in it lives: it was given up for its age, or turned out dead. */
  readonly dead: boolean;
  readonly prior: StarterPrior;
}

/** The milk in the crock at one moment. All masses in grams, time in minutes since the first stage began. */
export interface CrockState {
  readonly minute: number;
  readonly masses: Masses;
  readonly tempC: number;
  readonly ph: number;
  readonly freshPh: number;
  readonly native: NativeWhey;
  /** 1 = a whole legal pasteurisation; see physics/pasteurisation. */
  readonly pasteurisedShare: number;
  readonly peakC: number;
  readonly souring: Souring | null;
  /** Mean temperature (°C) while it set, once it has. */
  readonly setTempC: number | null;
  readonly curd: Curd;
  /** Everything that ever went in. */
  readonly inputs: Masses;
  readonly whey: Masses;
  readonly lost: Masses;
  /** Kept as the next starter. */
  readonly heldBack: Masses;
  /** Taken off and put by: risen cream, what is left under a crust. */
  readonly aside: Masses;
  /** Gone as gas: carbon dioxide of yeasts and of soda, g. */
  readonly gasG: number;
  readonly evaporatedG: number;
  readonly energyKJ: number;
  /** Minutes between 5 and 57 °C while pH is above 4.6. */
  readonly warmMin: number;
}

/** An empty crock at a temperature. */
export function emptyCrock(tempC: number, freshPh: number): CrockState {
  return {
    minute: 0,
    masses: NOTHING,
    tempC,
    ph: freshPh,
    freshPh,
    native: ALL_NATIVE,
    pasteurisedShare: 0,
    peakC: tempC,
    souring: null,
    setTempC: null,
    curd: UNTOUCHED,
    inputs: NOTHING,
    whey: NOTHING,
    lost: NOTHING,
    heldBack: NOTHING,
    aside: NOTHING,
    gasG: 0,
    evaporatedG: 0,
    energyKJ: 0,
    warmMin: 0,
  };
}

/** Puts masses into the crock and books them as inputs. */
export function pourIn(state: CrockState, masses: Masses): CrockState {
  return { ...state, masses: addMasses(state.masses, masses), inputs: addMasses(state.inputs, masses) };
}

/** Where masses that leave the crock are booked. */
export type Outlet = 'whey' | 'lost' | 'heldBack' | 'aside';

/** Takes masses out of the crock and books them where they went. */
export function takeOut(state: CrockState, masses: Masses, outlet: Outlet): CrockState {
  return {
    ...state,
    masses: subtractMasses(state.masses, masses),
    [outlet]: addMasses(state[outlet], masses),
  };
}

/** The crock with something done to its curd. */
export function withCurd(state: CrockState, done: Partial<Curd>): CrockState {
  return { ...state, curd: { ...state.curd, ...done } };
}

/**
 * A curd from which some whey (masses of any total, times a factor) has run off in its cloth. One literal and no spread, as
 * in passTimeAt: a make that drains spends half its time here.
 */
export function drained(state: CrockState, whey: Masses, factor: number): CrockState {
  const { curd } = state;
  return {
    minute: state.minute,
    masses: addScaled(state.masses, whey, -factor),
    tempC: state.tempC,
    ph: state.ph,
    freshPh: state.freshPh,
    native: state.native,
    pasteurisedShare: state.pasteurisedShare,
    peakC: state.peakC,
    souring: state.souring,
    setTempC: state.setTempC,
    curd: {
      body: curd.body,
      disturbed: curd.disturbed,
      cut: curd.cut,
      turns: curd.turns,
      draining: curd.draining && {
        loaded: curd.draining.loaded,
        wheyG: curd.draining.wheyG + factor * totalG(whey),
      },
      rennetImcuPerKg: curd.rennetImcuPerKg,
      clotted: curd.clotted,
      calciumGPerKg: curd.calciumGPerKg,
      acidifying: curd.acidifying,
      sodaG: curd.sodaG,
      churned: curd.churned,
      washMin: curd.washMin,
      grainsG: curd.grainsG,
      keepsMostDays: curd.keepsMostDays,
      isFrozen: curd.isFrozen,
    },
    inputs: state.inputs,
    whey: addScaled(state.whey, whey, factor),
    lost: state.lost,
    heldBack: state.heldBack,
    aside: state.aside,
    gasG: state.gasG,
    evaporatedG: state.evaporatedG,
    energyKJ: state.energyKJ,
    warmMin: state.warmMin,
  };
}

/** What the gel's texture depends on, as the crock stands. */
export function gelConditions(state: CrockState): GelConditions {
  return {
    ph: state.ph,
    denatured: denaturedBetaLg(state.native),
    caseinPct: (100 * state.masses.casein) / Math.max(1e-9, totalG(state.masses) - state.masses.fat),
    fatPct: 100 * fractionOf(state.masses, 'fat'),
    setTempC: state.setTempC ?? state.tempC,
    disturbed: state.curd.disturbed,
    clotted: state.curd.clotted,
  };
}

/** How far past its setting the crock is, in the pH that a gel by acid takes for as much; below 0 it runs. */
export function pastGelling({ ph, native, curd }: CrockState): number {
  return pastSetting({ ph, denatured: denaturedBetaLg(native), clotted: curd.clotted });
}

export function hasSet(state: CrockState): boolean {
  return pastGelling(state) > 0;
}

export function firmness(state: CrockState): number {
  const { masses, ph } = state;
  if (masses.casein > 0 || totalG(masses) === 0) return firmnessIndex(gelConditions(state));
  return plantFirmnessIndex({ ph, fatPct: 100 * fractionOf(masses, 'fat'), proteinPct: 100 * proteinFraction(masses) });
}

/** Solids (fraction) from which grains of acid curd crumble. */
const CRUMBLES_FROM = 0.38;

/** What it does on a spoon where it is no gel. */
const BODY_WORDS: Readonly<Partial<Record<Body, FirmnessWord | 'slices'>>> = {
  thickened: 'spoons',
  crust: 'stands',
  melt: 'slices',
};

/** What it does on a spoon, in a word. */
export const bodyWord = (state: CrockState): Message => say('state.body', { does: bodyOf(state) });

function bodyOf(state: CrockState): FirmnessWord | 'slices' | 'spreads' | 'crumbles' {
  const { body, churned, disturbed } = state.curd;
  if (churned >= 1) return 'spreads';
  if (body !== 'grains') return BODY_WORDS[body] ?? firmnessWord(firmness(state));
  if (disturbed >= 1) return 'spreads';
  return solidsFraction(state.masses) >= CRUMBLES_FROM ? 'crumbles' : 'spoons';
}

export function syneresis(state: CrockState): number {
  return syneresisIndex(gelConditions(state));
}

/** How far the books are from closing: |in − out| over in, in percent. */
export function balanceErrorPct(state: CrockState): number {
  const inG = totalG(state.inputs);
  if (inG === 0) return 0;
  const outG =
    totalG(state.masses) + totalG(state.whey) + totalG(state.lost) + totalG(state.heldBack) + totalG(state.aside);
  const goneG = state.evaporatedG + state.gasG;
  return (100 * Math.abs(inG - outG - goneG)) / inG;
}
