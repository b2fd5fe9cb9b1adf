import { BUFFER_PH, ICE_CHECK, NERNST_MV_PER_K, PH_CHECK } from '../constants/instrument-checks.js';
import { say, type Text } from '../messages/message.js';
import { percent, tempBy } from '../messages/quantity.js';

export type Buffer = keyof typeof BUFFER_PH;
export const BUFFERS = Object.keys(BUFFER_PH) as readonly Buffer[];

/** A pH meter read in the two usual buffers; `shows` says whether it shows pH, or the millivolts of its electrode. */
export interface BufferCheck {
  readonly by: 'buffers';
  readonly shows: 'ph' | 'mV';
  /** The buffers' temperature, °C. */
  readonly tempC: number;
  /** What it showed in each, once it stood still. */
  readonly reads: Readonly<Record<Buffer, number>>;
}

/** A thermometer read in melting ice and water, well stirred. */
export interface IceCheck {
  readonly by: 'ice';
  readonly readsC: number;
}

/** How an instrument was checked against what is known. */
export type InstrumentCheck = BufferCheck | IceCheck;

/** What is to be done with what an instrument shows: what is so is `gain` times what it shows, and `offset`. */
export interface Correction {
  readonly gain: number;
  readonly offset: number;
}

/** What came of a check. */
export interface CheckOutcome {
  readonly level: 'sound' | 'tired' | 'unfit';
  readonly correction: Correction;
  /** Share of the ideal slope of an electrode; null of a thermometer. */
  readonly slope: number | null;
  /** How far it was off at pH 7, or at 0 °C, in what it reads. */
  readonly off: number;
  readonly says: Text;
}

/** pH of a buffer at a temperature, °C; beyond the table as at its end. */
export function bufferPh(buffer: Buffer, tempC: number): number {
  const table = BUFFER_PH[buffer];
  const after = table.findIndex(([atC]) => atC >= tempC);
  if (after === 0) return table[0][1];
  if (after < 0) return table.at(-1)![1];
  const [[fromC, from], [toC, to]] = [table[after - 1]!, table[after]!];
  return from + ((to - from) * (tempC - fromC)) / (toC - fromC);
}

/** Millivolts that an ideal glass electrode gives a unit of pH at a temperature, °C: 59.16 at 25 °C. */
export const nernstMv = (tempC: number): number => NERNST_MV_PER_K * (tempC + 273.15);

/** What came of a check: the correction it gives, and whether the instrument can still be relied on with it. */
export function checkOutcome(check: InstrumentCheck): CheckOutcome {
  return check.by === 'ice' ? iceOutcome(check) : bufferOutcome(check);
}

function iceOutcome({ readsC }: IceCheck): CheckOutcome {
  const size = Math.abs(readsC);
  const level = size <= ICE_CHECK.soundC ? 'sound' : size <= ICE_CHECK.takenC ? 'tired' : 'unfit';
  const correction = { gain: 1, offset: -readsC };
  return {
    level,
    correction,
    slope: null,
    off: readsC,
    says: say(`instruments.ice.${level}`, { by: tempBy(readsC, 1) }),
  };
}

function bufferOutcome({ shows, tempC, reads }: BufferCheck): CheckOutcome {
  const [acid, neutral] = [bufferPh('pH 4.01', tempC), bufferPh('pH 7.00', tempC)];
  const [atAcid, atNeutral] = [reads['pH 4.01'], reads['pH 7.00']];
  const perUnit = (atNeutral - atAcid) / (neutral - acid);
  const gain = 1 / perUnit;
  const correction = { gain, offset: neutral - gain * atNeutral };
  // An electrode gives fewer millivolts the less acid it is; its zero lies at pH 7.
  const ideal = shows === 'mV' ? -nernstMv(tempC) : 1;
  const slope = perUnit / ideal;
  const off = shows === 'mV' ? atNeutral / ideal - (neutral - 7) : atNeutral - neutral;
  const isIn = ([from, to]: readonly [number, number]) => slope >= from && slope <= to;
  const isSound = isIn(PH_CHECK.soundSlope) && Math.abs(off) <= PH_CHECK.soundZeroPh;
  const isTaken = isIn(PH_CHECK.takenSlope) && Math.abs(off) <= PH_CHECK.takenZeroPh;
  const level = isSound ? 'sound' : isTaken ? 'tired' : 'unfit';
  const says = say(`instruments.buffers.${level}`, { slope: percent(100 * slope, 0) });
  return { level, correction, slope, off, says };
}

/** What an instrument showed, as it is. */
export const corrected = (shown: number, { gain, offset }: Correction): number => gain * shown + offset;
