/** A source of numbers in [0, 1): handed to whatever needs chance, so that a seed makes it repeatable. */
export type Random = () => number;

/**
 * Small fast counting generator of 128-bit state (Chris Doty-Humphrey, PractRand "sfc32"), seeded from one number.
 * Same seed, same numbers, on every machine.
 */
export function seededRandom(seed: number): Random {
  let a = 0x9e3779b9 | 0;
  let b = seed | 0;
  let c = (seed / 0x100000000) | 0;
  let counter = 1;
  const next = () => {
    const t = (((a + b) | 0) + counter) | 0;
    counter = (counter + 1) | 0;
    a = b ^ (b >>> 9);
    b = (c + (c << 3)) | 0;
    c = (c << 21) | (c >>> 11);
    c = (c + t) | 0;
    return (t >>> 0) / 0x100000000;
  };
  for (let i = 0; i < 12; i++) next();
  return next;
}

/** Standard normal numbers by Marsaglia's polar method, two at a time. */
export function normals(random: Random): () => number {
  let spare: number | null = null;
  return () => {
    if (spare !== null) {
      const value = spare;
      spare = null;
      return value;
    }
    for (;;) {
      const u = 2 * random() - 1;
      const v = 2 * random() - 1;
      const s = u * u + v * v;
      if (s > 0 && s < 1) {
        const factor = Math.sqrt((-2 * Math.log(s)) / s);
        spare = v * factor;
        return u * factor;
      }
    }
  };
}

/** A 32-bit seed from any text (FNV-1a). */
export function seedFromText(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}
