import { say } from '../messages/message.js';
import { acidity, amount, percent, temp, mass, ml } from '../messages/quantity.js';
import { SAFE_PH } from '../constants/safety-limits.js';
import { ACIDS, SOUR_AGENTS, type SourAgentId } from '../constants/acids.js';
import { acidDose, phOf, type AcidDose } from '../physics/acids.js';
import { bufferMilkOf } from '../physics/buffer.js';
import { massesBy, totalG } from '../materials/composition.js';
import { pourIn, withCurd, type CrockState } from '../state/crock-state.js';
import type { Acidifying, Body } from '../state/curd.js';
import { CAUTIONS } from './cautions.js';
import type { Problem, StageKind } from './kind.js';
import { standCovered } from './pass-time.js';
import { sournessOf } from './sourness.js';
import type { Added } from './told.js';
import { clearBranches, pouredGauges } from './acid-watch.js';
import { acidityGauge, warmthGauge } from './watch.js';

export interface AcidifyParams {
  readonly agent: SourAgentId;
  /** Acid by mass in the bottle or fruit, percent; 0 = as it usually comes. */
  readonly strengthPct: number;
  readonly targetPh: number;
  /** In how many parts it goes in. */
  readonly parts: number;
  /** What it is to become: curd parted from its whey, or cream thickened without parting. */
  readonly into: 'curd' | 'thick cream';
  /** What hands logged that they poured in, where they did; and whether that was all. */
  readonly poured?: readonly Added[];
  readonly pouredUntilMin?: number;
  readonly pouredAll?: boolean;
}

/** A slow turn with the spoon and a minute's wait show what a part has done. */
const MIN_PER_PART = 1;
/** When the last is in it stands this long, minutes, so that the curd gathers. */
const GATHERS_MIN = 2;

/** Cooler than this (°C) the curd stays fine and does not part from its whey. */
const PARTS_FROM_C = 78;

/** Acid stirred in by parts until the whey is clear: the pH goes down a step with each of them. */
export const acidify: StageKind<AcidifyParams, 'acidify'> = {
  kind: 'acidify',
  defaults: { agent: 'lemon', strengthPct: 0, targetPh: 5.6, parts: 3, into: 'curd' },
  name: () => say('stages.acidify.acid'),
  begins: () => say('stages.acidify.startAcid'),
  over: () => say('stages.acidify.theAcidIsIn'),
  instruction: (params, before) => {
    const dose = doseFor(before, params);
    const { name } = SOUR_AGENTS[params.agent];
    const parts = wholeParts(params);
    const doses = { dose: doseOf(dose), name, parts, part: partOf(dose, parts) };
    if (params.into === 'thick cream') return say('stages.acidify.stirStopWhenCoats', doses);
    const reserve = dose.ml === null ? mass(dose.reserve) : ml(dose.reserve);
    return say('stages.acidify.stirSlowTurnEach', { ...doses, reserve });
  },
  handsMin: lasts,
  attended: true,
  endsBy: 'clock',
  target: lasts,
  gear: () => ['pot', 'spoon'],
  weighIn: (params, before) => {
    const { massG } = doseFor(before, params);
    const { gPerMl } = SOUR_AGENTS[params.agent];
    return [
      {
        what: say('good.acidTitle', { agent: params.agent }),
        massG,
        gPerMl: gPerMl ?? CRYSTALS_G_PER_ML,
        pricedAs: 'acid',
        outOf: 'acid',
      },
    ];
  },
  begin: (state, params) => {
    const { massG, acidMol } = doseFor(state, params);
    const acidifying: Acidifying = {
      sinceMinute: state.minute,
      milk: bufferMilkOf(state.masses, state.freshPh),
      already: sournessOf(state),
      milkG: totalG(state.masses),
      acid: SOUR_AGENTS[params.agent].acid,
      massG,
      acidMol,
      share: 0,
    };
    return pourPart(withCurd(state, { acidifying }), params, dueShare(params, acidifying, state.minute));
  },
  advance: (state, params, environment, minutes) => {
    const after = standCovered(state, environment, minutes);
    const { acidifying } = after.curd;
    if (!acidifying) return after;
    return pourPart(after, params, dueShare(params, acidifying, after.minute));
  },
  windUp: (state, params) => gathered(params.poured ? state : pourPart(state, params, 1), params),
  told: (params, told) => {
    const poured = told.added.filter((a) => a.what === 'acid');
    return poured.length === 0 ? params : { ...params, poured, pouredUntilMin: told.untilMinute, pouredAll: told.over };
  },
  chart: { left: 'ph', right: 'tempC' },
  watch: (params, seen) => [
    ...pouredGauges(params, seen),
    acidityGauge(seen, params.targetPh),
    warmthGauge(seen, seen.planned.tempC),
  ],
  asks: (params, { curd }) => [
    {
      asks: 'added',
      what: 'acid',
      label: say('good.acidTitle', { agent: params.agent }),
      partG: (curd.acidifying?.massG ?? 0) / wholeParts(params),
      gPerMl: SOUR_AGENTS[params.agent].gPerMl ?? null,
    },
  ],
  branches: clearBranches,
  done: (state, params, _environment, since) =>
    state.minute - since >= lasts(params) && (state.curd.acidifying === null || state.curd.acidifying.share >= WHOLE),
  stepMin: MIN_PER_PART,
  slack: () => ({ earlyMin: 0, lateMin: 3, cost: say('stages.acidify.coolingCurdComesFiner') }),
  endCue: (params) =>
    params.into === 'curd' ? say('stages.acidify.curdFloatsClearGreenish') : say('stages.acidify.coatsBackSpoonNo'),
  cues: [{ cue: 'clarity', ask: say('stages.acidify.howWhey'), answers: ['milky', 'cloudy', 'clear', 'greenish'] }],
  cautions: ({ targetPh }) => [CAUTIONS.hot, ...(targetPh > SAFE_PH ? [CAUTIONS.notAcid] : [])],
  problems: (params, state) => [...unlikely(params), ...tooSour(state), ...tooCool(params, state)],
};

/** Nobody pours a part of a part. */
const wholeParts = ({ parts }: Pick<AcidifyParams, 'parts'>) => Math.max(1, Math.round(parts));

function lasts({ parts }: AcidifyParams): number {
  return parts * MIN_PER_PART + GATHERS_MIN;
}

/** What a clock may lack of a whole minute by rounding. */
const CLOCK_SLACK_MIN = 1e-6;

/** As good as all of it. */
const WHOLE = 1 - 1e-9;

/** Share of the dose that should be in by a minute: what was logged as poured, and of what was not, a part a minute. */
function dueShare(params: AcidifyParams, { sinceMinute, massG }: Acidifying, minute: number): number {
  const { parts, poured, pouredUntilMin = 0, pouredAll } = params;
  const partsIn = (since: number) => Math.floor((minute - since + CLOCK_SLACK_MIN) / MIN_PER_PART);
  if (!poured || massG <= 0) return Math.min(1, (1 + partsIn(sinceMinute)) / parts);
  const inG = poured.reduce((sum, p) => sum + (p.minute <= minute + CLOCK_SLACK_MIN ? p.massG : 0), 0);
  const share = inG / massG;
  if (pouredAll || minute <= pouredUntilMin || share >= 1) return share;
  return Math.min(1, share + partsIn(pouredUntilMin) / parts);
}

/** Milk this sour (pH) parts when it is hot enough; sweeter, it stays milk (general dairy practice for heat-and-acid curd). */
const PARTS_BELOW_PH = 6.2;

/** Poured out: it is what it has become, and no more acid is reckoned to this dose. */
function gathered(state: CrockState, params: AcidifyParams): CrockState {
  return withCurd(state, { body: bodyOf(state, params), acidifying: null });
}

function bodyOf(state: CrockState, { into }: AcidifyParams): Body {
  if (into === 'thick cream') return 'thickened';
  return state.tempC >= PARTS_FROM_C && state.ph <= PARTS_BELOW_PH ? 'grains' : 'gel';
}

/** Pours until a share of the dose is in; the last part makes of it what it was to become. */
function pourPart(state: CrockState, params: AcidifyParams, share: number): CrockState {
  const { acidifying } = state.curd;
  if (!acidifying || share <= acidifying.share) return state;
  const { acid, acidMol, already, massG, milk, milkG } = acidifying;
  const part = share - acidifying.share;
  const acidG = part * acidMol * ACIDS[acid].molarG;
  const { component } = ACIDS[acid];
  const poured = pourIn(
    state,
    massesBy((c) => (c === component ? acidG : c === 'water' ? part * massG - acidG : 0)),
  );
  const soured = {
    ...withCurd(poured, { acidifying: { ...acidifying, share } }),
    ph: phOf(milk, { ...already, [acid]: (already[acid] ?? 0) + (1000 * share * acidMol) / milkG }),
  };
  if (share < WHOLE) return soured;
  return params.poured ? withCurd(soured, { body: bodyOf(soured, params) }) : gathered(soured, params);
}

const doseOf = (dose: AcidDose) => (dose.ml === null ? mass(dose.massG) : ml(dose.ml));

const partOf = (dose: AcidDose, parts: number) => (dose.ml === null ? mass(dose.massG / parts) : ml(dose.ml / parts));

/** Milk or whey sourer than this has lost the calcium that its curd would be made of, and parts fine or not at all. */
const SWEET_FROM_PH = 6;

function tooSour(state: CrockState): Problem[] {
  if (state.ph >= SWEET_FROM_PH) return [];
  return [
    {
      field: 'milk',
      message: say('stages.acidify.phTooSourAlready', { ph: acidity(state.ph, 1) }),
      remedy: say('stages.acidify.takeMilkSweetWhey'),
    },
  ];
}

/** A strength that no fruit or bottle of the kind has. */
function unlikely({ agent, strengthPct }: AcidifyParams): Problem[] {
  const { name, weakestPct, strongestPct } = SOUR_AGENTS[agent];
  if (strengthPct === 0 || (strengthPct >= weakestPct && strengthPct <= strongestPct)) return [];
  return [
    {
      field: 'acidPct',
      message: say('stages.acidify.acidWouldVeryUnusual', { name, strength: percent(strengthPct) }),
      remedy: say('stages.acidify.giveNoughtUsual', { weakest: amount(weakestPct), strongest: percent(strongestPct) }),
      works: { acidPct: 0 },
    },
  ];
}

function tooCool({ into }: AcidifyParams, state: CrockState): Problem[] {
  if (into !== 'curd' || state.tempC >= PARTS_FROM_C) return [];
  return [
    {
      field: 'heatC',
      message: say('stages.acidify.curdWillNotPart', { temp: temp(state.tempC) }),
      remedy: say('stages.acidify.heatMoreBeforeAcid', { temp: temp(85) }),
      works: { heatC: 85 },
    },
  ];
}

/** Crystals of a spoonful, g/mL. */
const CRYSTALS_G_PER_ML = 0.9;

/** Fainter than this (percent) is water; it is refused, and reckoned as this. */
const FAINTEST_PCT = 0.5;

function doseFor(state: CrockState, { agent, strengthPct, targetPh }: AcidifyParams): AcidDose {
  const milk = bufferMilkOf(state.masses, state.freshPh);
  const strength = strengthPct === 0 ? SOUR_AGENTS[agent].strengthPct : Math.max(FAINTEST_PCT, strengthPct);
  return acidDose(totalG(state.masses), milk, sournessOf(state), agent, strength, targetPh);
}
