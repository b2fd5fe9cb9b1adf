const HOUR_MS = 3_600_000;

/** Two waves that hardly ever meet, with their size in °C: weather, as far as a thick wall lets it in. */
const WEATHER = [
  { everyH: 31, sizeC: 0.7 },
  { everyH: 76, sizeC: 0.9 },
] as const;

/** How far the true room of the simulated kitchen is from its usual course at a moment (ms), °C: at most 1.6. */
export function hiddenRoomOffC(atMs: number): number {
  return WEATHER.reduce(
    (sum, { everyH, sizeC }) => sum + sizeC * Math.sin((2 * Math.PI * atMs) / (everyH * HOUR_MS)),
    0,
  );
}
