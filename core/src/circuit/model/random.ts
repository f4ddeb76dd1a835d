/** A seeded source of chance: the same seed gives the same vehicle. */
export interface Random {
  /** Uniform in [low, high). */
  between(low: number, high: number): number;
  /** Normal with this mean and standard deviation, held within three of them. */
  normal(mean: number, sd: number): number;
  /** A factor whose logarithm is normal with this standard deviation. */
  factor(sd: number): number;
  chance(probability: number): boolean;
  pick<T>(list: readonly T[]): T;
}

/**
 * The 32-bit mulberry generator: small, fast, and good enough for drawing vehicles.
 *
 * @param seed Any number; its low 32 bits count.
 */
export function randomOf(seed: number): Random {
  let state = (seed ^ 0x9e3779b9) >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
  const standard = (): number => {
    const radius = Math.sqrt(-2 * Math.log(1 - next()));
    return Math.max(-3, Math.min(3, radius * Math.cos(2 * Math.PI * next())));
  };
  return {
    between: (low, high) => low + (high - low) * next(),
    normal: (mean, sd) => mean + sd * standard(),
    factor: (sd) => Math.exp(sd * standard()),
    chance: (probability) => next() < probability,
    pick: (list) => list[Math.floor(next() * list.length)]!,
  };
}
