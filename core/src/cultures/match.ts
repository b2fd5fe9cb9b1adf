import { say, type Text } from '../messages/message.js';
import { temp } from '../messages/quantity.js';
import { CULTURES, type CultureId } from '../constants/cultures.js';
import type { BoundStage } from '../stages/registry.js';
import type { CultureLot } from '../lots/culture-lot.js';

/** Why a culture does not suit a make; what is grave would defeat it. */
export interface Mismatch {
  readonly grave: boolean;
  readonly says: Text;
}

interface Sown {
  readonly culture?: CultureId;
  readonly beside?: CultureId | 'none';
  readonly keeper?: string;
  readonly keepC?: number;
}

/** Why a culture does not suit a make that is decided so; null where it does. */
export function mismatchOf(
  lot: Pick<CultureLot, 'culture' | 'form' | 'name'>,
  stages: readonly BoundStage[],
): Mismatch | null {
  const params = stages.map((s) => s.params as Sown);
  const sown = params.find((p) => p.culture !== undefined);
  const wanted = sown?.culture;
  if (wanted === undefined || wanted === lot.culture || sown?.beside === lot.culture) return null;
  const place = params.find((p) => p.keeper !== undefined);
  const { optC, minC, maxC } = CULTURES[lot.culture].growth;
  if (lot.culture === 'plant') return { grave: true, says: say('cultures.match.capsulePlantBaseLives') };
  if (place?.keeper === 'counter' && optC > 40)
    return {
      grave: true,
      says: say('cultures.match.warmCultureUnderStands', { p: temp(minC) }),
    };
  if (place?.keepC !== undefined && place.keeper !== 'counter' && place.keepC >= maxC)
    return { grave: true, says: say('cultures.match.doesNotGrowWants', { keep: temp(place.keepC), opt: temp(optC) }) };
  return {
    grave: false,
    says: say('cultures.match.makeReckonedOneHours', { name: CULTURES[wanted].name }),
  };
}
