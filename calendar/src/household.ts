import type { Settings } from '@oat-crock/contract/api';
import {
  HOB,
  USUAL_KITCHEN,
  withVessels,
  type Batch,
  type Gear,
  type Household,
  type Known,
  type RoomReading,
} from '@oat-crock/core';
import { wakeAfter, wallOf } from './night.js';
import { asleepOf } from './people.js';
import { roomAround, roomSwingAt } from './room.js';

/** The house that a make stands in: its settings, the gear it is made in, and what was read of the room. */
export interface House {
  readonly settings: Settings;
  readonly gear: readonly Gear[];
  readonly room: readonly RoomReading[];
  /** What the kitchen's makes have taught, and the line of the culture at work. */
  readonly known?: Known | undefined;
}

/** The settings with what was measured of the hob and the cold shelf, which counts before what was typed. */
export function kitchenOf(settings: Settings, gear: readonly Gear[]): Settings {
  const powerW = latest(gear, 'hob', 'powerW');
  const holdsC = latest(gear, 'cold-shelf', 'holdsC');
  return {
    ...settings,
    ...(powerW !== null && { hobW: powerW / HOB.efficiency }),
    ...(holdsC !== null && { refrigeratorC: holdsC }),
  };
}

/** The newest figure measured of any gear of a kind. */
function latest(gear: readonly Gear[], kind: Gear['kind'], key: 'powerW' | 'holdsC'): number | null {
  const measured = gear.filter((g) => g.kind === kind).flatMap((g) => g.learned[key] ?? []);
  const newest = measured.reduce((a, b) => (b.atMs > a.atMs ? b : a), measured[0]!);
  return measured.length > 0 ? newest.value : null;
}

/** The household that the settings describe, with the gear of a make, as the engine wants it. */
export function householdOf(settings: Settings, gear: readonly Gear[] = []): Household {
  const { roomC, refrigeratorC, hobW } = settings;
  return {
    kitchen: withVessels({ ...USUAL_KITCHEN, roomC, refrigeratorC, hobW }, gear),
    ...(settings.roomNightDropC > 0 && { roomSwing: (ms: number) => roomSwingAt(settings, ms) }),
    wake: (ms) => wakeAfter(ms, asleepOf(settings)),
    wall: wallOf(asleepOf(settings)),
  };
}

/** The household around a make that is on or was: with the room as it was read. */
export function householdAround(batch: Batch, { settings, gear, room, known }: House): Household {
  const household = { ...householdOf(settings, gear), known };
  if (room.length === 0) return household;
  const planned = batch.choices['roomC'];
  const plannedC = planned === undefined ? undefined : Number(planned);
  return { ...household, roomAt: roomAround(settings, room, batch.startedMs, plannedC) };
}
