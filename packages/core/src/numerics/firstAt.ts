/** Index at which times that rise reach a moment; their count where they never do. */
export function firstAt(timeS: ArrayLike<number>, fromS: number): number {
  let [low, high] = [0, timeS.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (timeS[middle]! < fromS) low = middle + 1;
    else high = middle;
  }
  return low;
}
