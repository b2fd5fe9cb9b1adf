import type { Forgotten, Pinned, Units, WorkWish } from '@oat-crock/core';

/** A time in which somebody is away, ms. */
export interface Away {
  readonly fromMs: number;
  readonly toMs: number;
}

/** Somebody who lends a hand: hours of the day, and days of the week (0 is Sunday), in which they are there. */
export interface Helper {
  readonly name: string;
  readonly fromH: number;
  readonly toH: number;
  readonly days: readonly number[];
  /** What they may not do, and what they would rather. */
  readonly wishes?: WorkWish;
  /** So many hours of hands on a day are enough for them; as many as come where left out. */
  readonly mostH?: number;
  /** Hours of their days at which they are at the crocks of their own accord; whenever they are there where left out. */
  readonly works?: { readonly fromH: number; readonly toH: number };
  /** When they are not there though they would be: once, and each week. */
  readonly away?: readonly Away[];
  readonly awayWeekly?: readonly WeeklyAway[];
}

/** Hours of some days of each week (0 is Sunday) at which nobody of the house is at home: "market, Saturday mornings". */
export interface WeeklyAway {
  readonly days: readonly number[];
  readonly fromH: number;
  readonly toH: number;
}

/** Sheets of labels, or labels one by one (a row and a column), mm. */
export interface LabelStock {
  readonly pageWidthMm: number;
  readonly pageHeightMm: number;
  readonly columns: number;
  readonly rows: number;
  readonly widthMm: number;
  readonly heightMm: number;
  /** From the edges of the page to the first label, and from one to the next. */
  readonly leftMm: number;
  readonly topMm: number;
  readonly gapXMm: number;
  readonly gapYMm: number;
}

/** Who cuts labels rounds their measures, mm. */
const ROUNDING_MM = 1;

/** Whether all labels of a sheet lie on its page. */
export function labelsLieOnPage(stock: LabelStock): boolean {
  const reach = (from: number, count: number, size: number, gap: number) => from + count * size + (count - 1) * gap;
  return (
    reach(stock.leftMm, stock.columns, stock.widthMm, stock.gapXMm) <= stock.pageWidthMm + ROUNDING_MM &&
    reach(stock.topMm, stock.rows, stock.heightMm, stock.gapYMm) <= stock.pageHeightMm + ROUNDING_MM
  );
}

/** The household: hours, kitchen, money, units. */
export interface Settings {
  /** Night: hands are unwelcome from here to there, hours of the day. */
  readonly asleepFromH: number;
  readonly asleepToH: number;
  /** Mean of the room in the coldest month and in the warmest, which month that is, and how much cooler nights are. */
  readonly roomC: number;
  readonly roomSummerC: number;
  readonly warmestMonth: number;
  readonly roomNightDropC: number;
  readonly refrigeratorC: number;
  readonly hobW: number;
  readonly currency: string;
  /** When somebody is at the crocks, hours of the day, and on which days of the week (0 is Sunday). */
  readonly worksFromH: number;
  readonly worksToH: number;
  readonly worksDays: readonly number[];
  /** Times at which nobody of the house is at home. */
  readonly away: readonly Away[];
  readonly awayWeekly: readonly WeeklyAway[];
  readonly helpers: readonly Helper[];
  /** One carries a pot with so much in it, kg; null where one carries whatever it is. */
  readonly liftKg: number | null;
  /** So many hours of hands on a day are enough for those of the house; null where as many as come are. */
  readonly mostH: number | null;
  /** The language that is spoken, as "es"; empty for that of each browser. */
  readonly language: string;
  /** What amounts are said and typed in. */
  readonly temperatureIn: Units['temperature'];
  readonly massIn: Units['mass'];
  readonly volumeIn: Units['volume'];
  /** Whose way of writing dates and clock times, a language tag; empty for that of each browser. */
  readonly datesIn: DatesIn;
  /** Time zone whose clocks hang on its walls, by its IANA name. */
  readonly zone: string;
  /** Who makes it, and where, as it stands on labels and delivery notes; empty where nothing goes out of the house. */
  readonly dairyName: string;
  readonly dairyAddress: string;
  /** What pots are labelled with; null until somebody has said. */
  readonly labelStock: LabelStock | null;
  /** Plans are made for all orders to be met with such a chance, 0–1. */
  readonly planChance: number;
  /** What was learned and is to be forgotten: whose, and from makes begun before when, ms. */
  readonly forgotten: readonly Forgotten[];
  /** What was learned and is to stay as it is: whose, and from makes begun before when, ms. */
  readonly pinned: readonly Pinned[];
}

/** Ways of writing dates that are offered: the day first, the month first, or as the browser has it. */
export const DATES_IN = ['en-GB', 'en-US', ''] as const;
export type DatesIn = (typeof DATES_IN)[number];

/** The units of a household. */
export function unitsOf({ temperatureIn, massIn, volumeIn }: Settings): Units {
  return { temperature: temperatureIn, mass: massIn, volume: volumeIn };
}

export const USUAL_SETTINGS: Settings = {
  asleepFromH: 22,
  asleepToH: 6,
  roomC: 20,
  roomSummerC: 20,
  warmestMonth: 7,
  roomNightDropC: 0,
  refrigeratorC: 4,
  hobW: 1800,
  currency: '¤',
  worksFromH: 6,
  worksToH: 22,
  worksDays: [0, 1, 2, 3, 4, 5, 6],
  away: [],
  awayWeekly: [],
  helpers: [],
  liftKg: null,
  mostH: null,
  language: '',
  temperatureIn: 'C',
  massIn: 'g',
  volumeIn: 'metric',
  datesIn: 'en-GB',
  zone: 'UTC',
  dairyName: '',
  dairyAddress: '',
  labelStock: null,
  planChance: 0.9,
  forgotten: [],
  pinned: [],
};
