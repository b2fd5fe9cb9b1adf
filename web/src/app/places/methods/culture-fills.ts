import {
  asStarter,
  choicesOf,
  lotIdOf,
  mismatchOf,
  planStages,
  ripeningH,
  type Choices,
  type CultureLot,
  type Due,
  type Method,
  type Mismatch,
} from '@oat-crock/core';
import { textOf, tell } from '../../shared/ui/said';
import { span } from '../../shared/ui/words';
import { allows, type OwnFill } from './own-things';

/** Cultures of one's own as starters of a make: what they answer, and why one does not suit. */
export interface CultureFill extends OwnFill {
  readonly beside: string;
  readonly lot: CultureLot;
  readonly mismatch: Mismatch | null;
}

/** Less than this is not worth offering, g. */
const WORTH_G = 1;
/** Cultures offered beside a choice, and how many of those that would not do are named. */
const OFFERED = 3;
const REFUSED = 2;
const ASKED_BESIDE = ['form', 'ageDays'];
/** A make that takes a culture in asks how strong it is, or how many capsules. */
const ASKED_OF_IT = ['vigourPct', 'perLitre'];

/**
 * What lives in the household, as starters of a make that is decided so: those that suit first, the strongest leading; at
 * the end those that would defeat it, each with the reason.
 */
export function cultureFills(
  method: Method,
  choices: Choices,
  dues: readonly Due[],
  nowMs: number,
): readonly CultureFill[] {
  const known = new Map(choicesOf(method).map((c) => [c.key, c]));
  const beside = ASKED_BESIDE.find((key) => known.has(key));
  if (!beside || !ASKED_OF_IT.some((key) => known.has(key))) return [];
  // Which milk it is has no say here, and a lot of one's own may not be known yet.
  const ofTheList = Object.entries(choices).filter(([, value]) => lotIdOf(String(value)) === null);
  const stages = planStages(method, Object.fromEntries(ofTheList));
  const fills = dues
    .filter(({ lot, leftG }) => leftG >= WORTH_G && (known.has('vigourPct') || lot.form === 'capsule'))
    .flatMap((due): (CultureFill & { activity: number })[] => {
      const { lot, activity } = due;
      const mismatch = mismatchOf(lot, stages);
      const answers = { ...asStarter(lot, nowMs, activity), culture: lot.culture };
      const kept = Object.entries(answers).filter(([key, value]) => known.has(key) && allows(known.get(key)!, value));
      if (mismatch?.grave) {
        const refused = { refused: textOf(mismatch.says), label: lot.name, choices: {} };
        return [{ id: lot.id, beside, lot, mismatch, ...refused, activity: activity.likely }];
      }
      if (!kept.some(([key]) => key === beside)) return [];
      const label = `${lot.name}, ${Math.round(100 * activity.likely)} %${paceWords(lot, activity.likely, choices)}`;
      return [
        { id: lot.id, beside, lot, mismatch, label, choices: Object.fromEntries(kept), activity: activity.likely },
      ];
    })
    .sort((a, b) => Number(a.mismatch !== null) - Number(b.mismatch !== null) || b.activity - a.activity);
  const byName = new Map(fills.filter((f) => f.refused).map((f) => [f.label, f]));
  return [...fills.filter((f) => !f.refused).slice(0, OFFERED), ...[...byName.values()].slice(0, REFUSED)];
}

/** ": about 5 h 20", how long it takes to sour in the warmth that is chosen; nothing where that is not known. */
function paceWords({ culture, form }: CultureLot, activity: number, choices: Choices): string {
  const { dosePct, keeper, keepC, roomC, targetPh } = choices;
  const tempC = Number(keeper === undefined || keeper === 'counter' ? roomC : keepC);
  if (form !== 'active' || dosePct === undefined || targetPh === undefined || !Number.isFinite(tempC)) return '';
  const hours = ripeningH(culture, Number(dosePct) / 100, activity, tempC, Number(targetPh));
  return hours === null
    ? tell('page.methods.cultureFills.doesNotGetThere')
    : tell('page.methods.cultureFills.about', { hours: span(Math.round((hours * 60) / 10) * 10) });
}
