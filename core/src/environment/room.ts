/** How warm a room is through the year and the day. */
export interface RoomClimate {
  /** Mean of the coldest month and of the warmest, °C. */
  readonly winterC: number;
  readonly summerC: number;
  /** The warmest month, 1–12; the coldest is half a year from it. */
  readonly warmestMonth: number;
  /** How much cooler the coldest hour is than the warmest, °C. */
  readonly nightDropC: number;
}

/** A moment of the year and the day, as a calendar in the kitchen shows it. */
export interface CalendarMoment {
  /** 1–12, and the share of it that has passed. */
  readonly month: number;
  readonly monthShare: number;
  /** 0–24. */
  readonly hour: number;
}

/** The hour at which a room is warmest: some hours after noon. */
const WARMEST_HOUR = 16;

/** Mean of the day, °C: a year's wave between the coldest month and the warmest, each taken at its middle. */
export function roomMeanC({ winterC, summerC, warmestMonth }: RoomClimate, at: CalendarMoment): number {
  const months = at.month + at.monthShare - (warmestMonth + 0.5);
  const wave = Math.cos((2 * Math.PI * months) / 12);
  return (winterC + summerC) / 2 + (wave * (summerC - winterC)) / 2;
}

/** How far the room is from the mean of its day at an hour, °C: a day's wave. */
export function roomSwingC({ nightDropC }: Pick<RoomClimate, 'nightDropC'>, hour: number): number {
  return (nightDropC / 2) * Math.cos((2 * Math.PI * (hour - WARMEST_HOUR)) / 24);
}
