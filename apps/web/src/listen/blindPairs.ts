import type { TakeView } from '@zivvo/contract';

/** Two recordings of different props. */
export interface Pair {
  first: TakeView;
  second: TakeView;
}

/** Every pair of props of which a recording is kept; the last recording of each speaks for it. */
export function playablePairs(takes: readonly TakeView[]): Pair[] {
  const last = new Map<string, TakeView>();
  for (const take of takes) if (take.soundKey !== null && take.soundSha256 !== null) last.set(take.soundKey, take);
  const playable = [...last.values()];
  return playable.flatMap((first, i) => playable.slice(i + 1).map((second) => ({ first, second })));
}

/** How much each of a pair is turned down, so that both are as loud as the quieter one: never up, never cut off. */
export function matchedGain(take: TakeView, { first, second }: Pair): number {
  const level = (t: TakeView): number => t.levelDb ?? 0;
  return 10 ** ((Math.min(level(first), level(second)) - level(take)) / 20);
}
