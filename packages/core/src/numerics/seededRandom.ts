export interface SeededRandom {
  /** Uniform in [0, 1). */
  next(): number;
  /** Normal with mean 0 and standard deviation 1. */
  normal(): number;
  /** A stream of its own, so that one more draw in one place moves nothing elsewhere. */
  fork(name: string): SeededRandom;
}

/**
 * Random numbers that are the same on every machine for the same seed.
 *
 * The state is 32 bits (mulberry32) spread from the seed text by FNV-1a: ample for simulators, not for secrets.
 *
 * @param seed - any text
 * @example seededRandom('7').next() === seededRandom('7').next() // => true
 */
export function seededRandom(seed: string): SeededRandom {
  let state = hashText(seed);
  const next = (): number => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const normal = (): number => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
  return { next, normal, fork: (name) => seededRandom(`${seed}/${name}`) };
}

/** FNV-1a hash of a text as an unsigned 32-bit integer. */
export function hashText(text: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < text.length; i++) hash = Math.imul(hash ^ text.charCodeAt(i), 0x01000193);
  return hash >>> 0;
}
