/** The household: hours, kitchen, money. */
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
};
