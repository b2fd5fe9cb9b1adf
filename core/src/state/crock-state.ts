import { CULTURES, type CultureId } from '../constants/cultures.js';
import type { BufferMilk } from '../physics/buffer.js';
import { ALL_NATIVE, denaturedBetaLg, type NativeWhey } from '../physics/denaturation.js';
import { firmnessIndex, firmnessWord, gelPointPh, syneresisIndex, type GelConditions } from '../physics/gel.js';
import { addMasses, fractionOf, NOTHING, solidsFraction, subtractMasses, totalG, type Masses } from './composition.js';

/** A culture at work in the crock. Acid is reckoned per kg of the milk as it was inoculated. */
export interface Souring {
  readonly culture: CultureId;
  /** The milk as it was inoculated: its buffer decides the pH until the end. */
  readonly milk: BufferMilk;
  readonly waterFraction: number;
  readonly biomass: number;
  readonly lagQ: number;
  readonly lacticMolPerKg: number;
}

/** A curd on its cloth: what went on, for how long, and the whey that will leave in the end. */
export interface Draining {
  readonly loaded: Masses;
  readonly minutes: number;
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
  readonly disturbed: number;
  readonly draining: Draining | null;
  /** True once acid has parted hot milk into grains of curd and whey. */
  readonly parted: boolean;
  /** How far it is churned: 0 = cream, 1 = broken into grains. */
  readonly churned: number;
  /** Minutes of washing still to do. */
  readonly washMin: number;
  /** Everything that ever went in. */
  readonly inputs: Masses;
  readonly whey: Masses;
  readonly lost: Masses;
  readonly heldBack: Masses;
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
    disturbed: 0,
    draining: null,
    parted: false,
    churned: 0,
    washMin: 0,
    inputs: NOTHING,
    whey: NOTHING,
    lost: NOTHING,
    heldBack: NOTHING,
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
export type Outlet = 'whey' | 'lost' | 'heldBack';

/** Takes masses out of the crock and books them where they went. */
export function takeOut(state: CrockState, masses: Masses, outlet: Outlet): CrockState {
  return {
    ...state,
    masses: subtractMasses(state.masses, masses),
    [outlet]: addMasses(state[outlet], masses),
  };
}

/** What the gel's texture depends on, as the crock stands. */
export function gelConditions(state: CrockState): GelConditions {
  return {
    ph: state.ph,
    denatured: denaturedBetaLg(state.native),
    caseinPct: 100 * fractionOf(state.masses, 'casein'),
    fatPct: 100 * fractionOf(state.masses, 'fat'),
    setTempC: state.setTempC ?? state.tempC,
    disturbed: state.disturbed,
  };
}

export function hasSet(state: CrockState): boolean {
  return state.ph < gelPointPh(denaturedBetaLg(state.native));
}

export function firmness(state: CrockState): number {
  return firmnessIndex(gelConditions(state));
}

/** Solids (fraction) from which grains of acid curd crumble. */
const CRUMBLES_FROM = 0.38;

/** What it does on a spoon, in a word. */
export function bodyWord(state: CrockState): string {
  if (state.churned >= 1) return 'spreads';
  if (!state.parted) return firmnessWord(firmness(state));
  if (state.disturbed >= 1) return 'spreads';
  return solidsFraction(state.masses) >= CRUMBLES_FROM ? 'crumbles' : 'spoons';
}

export function shedding(state: CrockState): number {
  return syneresisIndex(gelConditions(state));
}

/** Name of the culture at work, or null. */
export function cultureName(state: CrockState): string | null {
  return state.souring ? CULTURES[state.souring.culture].name : null;
}

/** How far the books are from closing: |in − out| over in, in percent. */
export function balanceErrorPct(state: CrockState): number {
  const inG = totalG(state.inputs);
  if (inG === 0) return 0;
  const outG =
    totalG(state.masses) + totalG(state.whey) + totalG(state.lost) + totalG(state.heldBack) + state.evaporatedG;
  return (100 * Math.abs(inG - outG)) / inG;
}
