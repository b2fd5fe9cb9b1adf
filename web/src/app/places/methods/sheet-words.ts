import { hourKind, type Asleep, type HourKind, type Works } from '@oat-crock/calendar';
import {
  daysBetween,
  isStock,
  leftOf,
  packWords,
  useFirst,
  type Amount,
  type MakeSheet,
  percent,
  answerWords,
  spoons,
} from '@oat-crock/core';
import { textOf, tell, titled, quantity } from '../../shared/ui/said';
import { dayOf, sayDay } from '../../shared/ui/days';
import { clockTime, dayTime, mass, span, toFive } from '../../shared/ui/words';
import type { OwnThings } from '../../state/own-larder';
import { factsOf, windowsOf, type Fact } from './sheet-facts';

const MIN_MS = 60_000;
/** A make that stays colder than this (°C) scalds nothing. */
const SCALDS_ABOVE_C = 55;
/** Of what is looked at, the changes worth a line on the sheet. */
const EXPECT_SHOWN = new Set(['wobbles', 'leaves-the-wall', 'tangy']);

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

/** All that a sheet says. */
export function sheetWords(sheet: MakeSheet, begun: Begun, own: Pick<OwnThings, 'everyLot' | 'taken'>): SheetWords {
  const hands = sheet.stages.map((stage) => handWords(stage, begun));
  const ends = dayTime(toFive(begun.startMs + sheet.totalMin * MIN_MS));
  return {
    findings: sheet.findings.map((f) => ({ rule: textOf(f.rule), reason: textOf(f.reason), doNow: textOf(f.doNow) })),
    amounts: sheet.amounts.map((amount) => amountWords(amount, own)),
    windows: windowsOf(sheet, begun.startMs),
    handsLine: tell('page.methods.sheetWords.allLast', { hands: span(sheet.handsMin), ends }),
    nightHands: hands.filter((h) => h.hours === 'night').length,
    offHands: hands.filter((h) => h.hours === 'off').length,
    hands,
    lineTitle: sheet.souring ? tell('page.methods.sheetWords.heatSouring') : tell('page.methods.sheetWords.heatAcid'),
    heat: [heatWords(sheet), ...(sheet.souring ? [tell('page.methods.sheetWords.band')] : [])].join(' '),
    facts: factsOf(sheet, begun.currency, keepsLonger(sheet, begun, own)),
    cautions: sheet.cautions.map(textOf),
  };
}

function handWords(stage: MakeSheet['stages'][number], { startMs, asleep, works }: Begun): SheetWords['hands'][number] {
  const atMs = startMs + stage.beginMin * MIN_MS;
  const hours = hourKind(atMs, asleep, works);
  const expect = stage.expect
    .filter((e) => EXPECT_SHOWN.has(e.answer))
    .map((e) =>
      tell('page.methods.sheetWords.fromAbout', {
        answer: answerWords(e.cue, e.answer),
        start: clockTime(toFive(startMs + e.fromMin * MIN_MS), startMs),
      }),
    )
    .join(', ');
  return {
    id: stage.id,
    at: clockTime(toFive(atMs), startMs),
    what: tell('page.methods.sheetWords.hand', { says: stage.instruction, hours }),
    expect: expect && tell('page.methods.sheetWords.lookForIt', { expect }),
    hours,
  };
}

const DAY_MS = 24 * 60 * MIN_MS;

/** How much longer it keeps, made so, than the milk or cream of one's own that is to be used first of those in it; empty where it does not. */
function keepsLonger(
  { amounts, keeps, totalMin }: MakeSheet,
  { startMs }: Begun,
  { everyLot }: Pick<OwnThings, 'everyLot'>,
): string {
  const lots = amounts
    .flatMap(({ lotId }) => (lotId === null ? [] : [everyLot[lotId]?.item]))
    .filter((l) => l && isStock(l));
  const [first] = useFirst(lots.flatMap((lot) => (lot?.useBy ? [lot] : [])));
  if (!keeps || !first) return '';
  const days = daysBetween(first.useBy!, dayOf(startMs + totalMin * MIN_MS + keeps.days * DAY_MS));
  return days > 0
    ? tell('page.methods.sheetWords.keepsLonger', { count: days, name: first.name, day: sayDay(first.useBy!) })
    : '';
}

/** An amount in packs where it comes out of packs of one's own, and what the larder lacks of it. */
function amountWords(
  amount: Amount,
  { everyLot, taken }: Pick<OwnThings, 'everyLot' | 'taken'>,
): SheetWords['amounts'][number] {
  const lot = amount.lotId === null ? undefined : everyLot[amount.lotId]?.item;
  const said = { mass: mass(amount.massG), what: titled(amount.what), kitchen: kitchenWords(amount), lacking: '' };
  if (!lot) return said;
  const left = Math.max(0, leftOf(lot, taken));
  return {
    ...said,
    kitchen: lot.pack === null ? said.kitchen : textOf(packWords(amount.massG, lot.pack)),
    lacking: amount.massG > left + 1 ? tell('page.methods.sheetWords.onlyThere', { left: mass(left) }) : '',
  };
}

/** An amount by drops, spoons or cups. */
const kitchenWords = ({ measure, volumeMl }: Amount): string =>
  measure === null ? quantity(spoons(volumeMl)) : textOf(measure);

function heatWords({ heat, hasWheyProtein }: MakeSheet): string {
  if (!hasWheyProtein) return '';
  const unfolded = percent(heat.betaLgPct, 0);
  if (heat.peakC < SCALDS_ABOVE_C) return tell('page.methods.sheetWords.notHeated', { unfolded });
  return heat.pasteurised
    ? tell('page.methods.sheetWords.heatedMore', { unfolded, pair: heat.pair })
    : tell('page.methods.sheetWords.heatedLess', { unfolded });
}
