/** The household: hours, kitchen, money. */
export interface Settings {
  /** Night: hands are unwelcome from here to there, hours of the day. */
  readonly asleepFromH: number;
  readonly asleepToH: number;
  readonly roomC: number;
  readonly refrigeratorC: number;
  readonly hobW: number;
  readonly currency: string;
}

export const USUAL_SETTINGS: Settings = {
  asleepFromH: 22,
  asleepToH: 6,
  roomC: 20,
  refrigeratorC: 4,
  hobW: 1800,
  currency: '¤',
};
