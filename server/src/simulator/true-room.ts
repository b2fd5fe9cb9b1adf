import { usualRoomC } from '@oat-crock/calendar';
import { type Settings } from '@oat-crock/contract';
import { hiddenRoomOffC } from '@oat-crock/core';

/** The true room of the simulated kitchen, °C at a moment (ms): as the household says it is, and some weather. */
export function trueRoom(settings: Settings): (atMs: number) => number {
  return (atMs) => usualRoomC(settings, atMs) + hiddenRoomOffC(atMs);
}
