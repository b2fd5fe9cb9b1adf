import { hourKind, type Asleep, type HourKind, type Works } from '@oat-crock/calendar';
import { kitchenMeasure, leftOf, packWords, type Amount, type MakeSheet } from '@oat-crock/core';
import { textOf, units } from '../ui/units';
import { clockTime, dayTime, mass, span, toFive } from '../ui/words';
import type { OwnThings } from './own-things';
import { factsOf, windowsOf, type Fact } from './sheet-facts';

const MIN_MS = 60_000;
/** A make that stays colder than this (°C) scalds nothing. */
const SCALDS_ABOVE_C = 55;
/** Of what is looked at, the changes worth a line on the sheet. */
const EXPECT_SHOWN = new Set(['wobbles', 'leaves the wall', 'tangy']);

/** When a make would be begun, and whose hours it would fall in. */
export interface Begun {
  readonly startMs: number;
  readonly asleep: Asleep;
  readonly works: Works;
  readonly currency: string;
}

/** A sheet in words and the household's units, as the page and the paper show it. */
export interface SheetWords {
  readonly findings: readonly { readonly rule: string; readonly reason: string; readonly doNow: string }[];
  readonly amounts: readonly {
    readonly mass: string;
    readonly what: string;
    readonly kitchen: string;
    /** What the larder lacks of it; empty where nothing. */
    readonly lacking: string;
  }[];
  readonly windows: readonly { readonly what: string; readonly words: string }[];
  readonly handsLine: string;
  readonly nightHands: number;
  readonly offHands: number;
  readonly hands: readonly {
    readonly id: string;
    readonly at: string;
    readonly what: string;
    readonly expect: string;
    readonly hours: HourKind;
  }[];
  readonly lineTitle: string;
  readonly heat: string;
  readonly facts: readonly Fact[];
  readonly cautions: readonly string[];
}

const HOUR_WORDS: Readonly<Record<HourKind, string>> = {
  night: ' In the night.',
  off: ' Outside working hours.',
  work: '',
};

/** All that a sheet says. */
export function sheetWords(sheet: MakeSheet, begun: Begun, own: Pick<OwnThings, 'everyLot' | 'taken'>): SheetWords {
  const hands = sheet.stages.map((stage) => handWords(stage, begun));
  const ends = dayTime(toFive(begun.startMs + sheet.totalMin * MIN_MS));
  return {
    findings: sheet.findings.map((f) => ({ rule: textOf(f.rule), reason: textOf(f.reason), doNow: textOf(f.doNow) })),
    amounts: sheet.amounts.map((amount) => amountWords(amount, own)),
    windows: windowsOf(sheet, begun.startMs),
    handsLine: `${span(sheet.handsMin)} in all, the last ${ends}.`,
    nightHands: hands.filter((h) => h.hours === 'night').length,
    offHands: hands.filter((h) => h.hours === 'off').length,
    hands,
    lineTitle: sheet.souring ? 'Heat and souring' : 'Heat and acid',
    heat: `${heatWords(sheet)} ${sheet.souring ? 'Eight makes in ten stay inside the band.' : ''}`.trimEnd(),
    facts: factsOf(sheet, begun.currency),
    cautions: sheet.cautions.map(textOf),
  };
}

function handWords(stage: MakeSheet['stages'][number], { startMs, asleep, works }: Begun): SheetWords['hands'][number] {
  const atMs = startMs + stage.beginMin * MIN_MS;
  const hours = hourKind(atMs, asleep, works);
  const expect = stage.expect
    .filter((e) => EXPECT_SHOWN.has(e.answer))
    .map((e) => `${e.answer} from about ${clockTime(toFive(startMs + e.fromMin * MIN_MS), startMs)}`)
    .join(', ');
  return {
    id: stage.id,
    at: clockTime(toFive(atMs), startMs),
    what: `${textOf(stage.instruction)}${HOUR_WORDS[hours]}`,
    expect: expect && `Look for it: ${expect}.`,
    hours,
  };
}

/** An amount in packs where it comes out of packs of one's own, and what the larder lacks of it. */
function amountWords(
  amount: Amount,
  { everyLot, taken }: Pick<OwnThings, 'everyLot' | 'taken'>,
): SheetWords['amounts'][number] {
  const lot = amount.lotId === null ? undefined : everyLot[amount.lotId]?.item;
  const said = { mass: mass(amount.massG), what: textOf(amount.what), kitchen: kitchenWords(amount), lacking: '' };
  if (!lot) return said;
  const left = Math.max(0, leftOf(lot, taken));
  return {
    ...said,
    kitchen: lot.pack === null ? said.kitchen : packWords(amount.massG, lot.pack, mass),
    lacking: amount.massG > left + 1 ? `Only ${mass(left)} of it is there.` : '',
  };
}

/** An amount by drops, spoons or cups. */
const kitchenWords = ({ measure, volumeMl }: Amount): string =>
  measure === null ? kitchenMeasure(volumeMl, units().volume) : textOf(measure);

function heatWords({ heat }: MakeSheet): string {
  const unfolded = `${heat.betaLgPct.toFixed(0)} % of the whey protein`;
  if (heat.peakC < SCALDS_ABOVE_C)
    return `Nothing is heated in this make; ${unfolded} was unfolded before it was bought.`;
  const record = heat.pasteurised
    ? `more heat than ${textOf(heat.pair ?? '')}, the listed pasteurisation`
    : 'less heat than any listed pasteurisation';
  return `${unfolded} unfolds; ${record}.`;
}
