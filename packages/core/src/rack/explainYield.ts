import type { Working } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import type { YieldResult } from './yield.ts';

/** The working of a usable share, by its name. */
export const YIELD_FIGURE = 'usable';

/**
 * Shows how a share of usable pieces follows from what became of them.
 *
 *   p = (bag + corrected)/n
 *
 * @returns null where no piece was judged
 */
export function explainYield(result: YieldResult): Working | null {
  const { goodFromBagCount, goodCorrectedCount, rejectedCount, pieceCount, usable } = result;
  if (!usable) return null;
  return workingOf({
    key: YIELD_FIGURE,
    title: 'yield.usable',
    inputs: [
      workingInput('g', 'goodFromBagCount', goodFromBagCount),
      workingInput('c', 'goodCorrectedCount', goodCorrectedCount),
      workingInput('r', 'rejectedCount', rejectedCount),
    ],
    lines: [workingLine('n', 'g + c + r', pieceCount), workingLine('p', '(g + c) / n', usable.ratio, 'ratio')],
    mark: 'measured',
    source: 'yieldCounts',
  });
}
