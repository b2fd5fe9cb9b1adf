import {
  atMinute,
  NOMINAL_MEMBER,
  type Environment,
  type KnownTemp,
  type MeasuredTemps,
} from '../environment/environment.js';
import { starterScores, type KnownSouring, type WarmPlace } from '../forecast/souring-ensemble.js';
import { denaturedBetaLg } from '../physics/denaturation.js';
import { gelPointPh } from '../physics/gel.js';
import { heatCapacityKJPerK } from '../physics/heat.js';
import type { Drainage } from '../stages/kind.js';
import { lawFor, volumeMl } from '../stages/pass-time.js';
import type { BoundStage } from '../stages/registry.js';
import type { CrockState, Living } from '../state/crock-state.js';
import { firstOf, type StageRun } from './run.js';

/** How far ahead a souring is forecast, min. */
const HORIZON_MIN = 24 * 60;
const LONG_HORIZON_MIN = 72 * 60;

/** The souring stage of a run, as a problem for the ensemble, with the temperatures that were read of it. */
export function souringProblem(
  run: StageRun,
  environment: Environment,
  temps: readonly KnownTemp[] = [],
): KnownSouring | null {
  const begin = firstOf(run);
  const { kind, params } = run.stage;
  if (kind.endsBy !== 'acidity' || !kind.around || !begin.souring) return null;
  const nominal = { ...environment, member: NOMINAL_MEMBER };
  const around = kind.around(params, volumeMl(begin), nominal);
  const { activity, lag } = environment.member;
  const asNominal = (living: Pick<Living, 'biomass' | 'lagQ'>) => ({
    biomass: living.biomass / activity,
    lagQ: living.lagQ / lag,
  });
  const law = lawFor(begin.souring.culture, begin.souring.milk);
  return {
    law,
    starter: begin.souring.prior,
    prior: starterScores(begin.souring.prior),
    ...asNominal(begin.souring),
    beside: begin.souring.beside.map(({ culture, biomass, lagQ }) => ({
      law: lawFor(culture, begin.souring!.milk),
      ...asNominal({ biomass, lagQ }),
    })),
    lacticMolPerKg: begin.souring.lacticMolPerKg,
    tempC: begin.tempC,
    place: {
      aroundC: around.aroundC,
      tauMin: (heatCapacityKJPerK(begin.masses, begin.tempC) * 1000) / around.uaWPerK / 60,
      measured: measuredFrom(begin.minute, environment),
      swingC: roomSwing(run.stage, begin, nominal),
    },
    targetPh: kind.target(params),
    gelPh: setsByAcid(begin) ? gelPointPh(denaturedBetaLg(begin.native)) : null,
    horizonMin: law.culture.muOptPerH > 1.2 ? HORIZON_MIN : LONG_HORIZON_MIN,
    temps,
  };
}

/** Milk sets by its acid alone, unless rennet is in it; a plant base thickens as it may. */
const setsByAcid = ({ curd, masses }: CrockState) => curd.rennetImcuPerKg === 0 && masses.casein > 0;

/** What was measured, by the minutes of the souring. */
function measuredFrom(beginMinute: number, { measured }: Environment): MeasuredTemps | undefined {
  if (!measured) return undefined;
  return (from, to) => {
    const known = measured(beginMinute + from, beginMinute + to);
    return known && { ...known, minute: known.minute - beginMinute };
  };
}

/** How far a crock's surroundings are from their mean by the minutes of its souring, °C; undefined where they do not follow the room. */
function roomSwing({ kind, params }: BoundStage, begin: CrockState, environment: Environment): WarmPlace['swingC'] {
  const { roomSwingC } = environment;
  if (!roomSwingC || !kind.around) return undefined;
  const aroundC = (offC: number) =>
    kind.around!(params, volumeMl(begin), atMinute({ ...environment, roomSwingC: () => offC }, 0)).aroundC;
  const share = aroundC(1) - aroundC(0);
  return share > 0 ? (min) => share * roomSwingC(begin.minute + min) : undefined;
}

/** The course of a run's straining and the whey (g) that must leave for its texture; null where nothing drains. */
export function drainProblem(run: StageRun, environment: Environment): Drainage | null {
  const { kind, params } = run.stage;
  if (!kind.drainage) return null;
  const begin = firstOf(run);
  return kind.drainage(begin, params, { ...environment, member: NOMINAL_MEMBER });
}
