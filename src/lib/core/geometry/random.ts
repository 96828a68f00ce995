/** A source of uniform numbers in [0, 1), repeatable from its seed. */
export type RandomSource = () => number;

/**
 * Mulberry32, a small seeded generator in the public domain. Good enough for sampling errors and demo data; not for secrets.
 *
 * @example seededRandom(1)() // the same number on every machine
 */
export function seededRandom(seed: number): RandomSource {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** A standard normal number by the Box–Muller transform. */
export function normalDraw(random: RandomSource): number {
  const radius = Math.sqrt(-2 * Math.log(1 - random()));
  return radius * Math.cos(2 * Math.PI * random());
}
