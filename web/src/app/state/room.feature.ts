import { createActionGroup, createFeature, createReducer, on, props } from '@ngrx/store';
import type { RoomReading } from '@oat-crock/core';

export const RoomActions = createActionGroup({
  source: 'room',
  events: {
    /** What was read of the room: of late, of a stretch asked for, or just now. */
    Received: props<{ readings: readonly RoomReading[] }>(),
  },
});

export interface RoomState {
  /** In order of time, one a moment. */
  readonly readings: readonly RoomReading[];
}

const initial: RoomState = { readings: [] };

export const roomFeature = createFeature({
  name: 'room',
  reducer: createReducer(
    initial,
    on(RoomActions.received, (state, { readings }) =>
      readings.length > 0 ? { readings: merged(state, readings) } : state,
    ),
  ),
});

function merged({ readings }: RoomState, more: readonly RoomReading[]): readonly RoomReading[] {
  const byMoment = new Map([...readings, ...more].map((reading) => [reading.atMs, reading]));
  return [...byMoment.values()].sort((a, b) => a.atMs - b.atMs);
}
