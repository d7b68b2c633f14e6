import { proxy } from 'comlink';

/**
 * How far work has come, as a worker tells it. The last word of the work may overtake what was told before: once it is
 * over, nothing more is heard.
 */
export function toldShares(hear: (share: number) => void): { tell: (share: number) => void; end: () => void } {
  let isOver = false;
  return {
    tell: proxy((share: number) => {
      if (!isOver) hear(share);
    }),
    end: () => {
      isOver = true;
    },
  };
}
