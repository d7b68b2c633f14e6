import { Z_95 } from '@zivvo/core';
import type { JudgeRow } from './judgeView.ts';

const LEAST_SPAN = 0.02;

/** From where to where the scores of all reach, the reference at 0 among them. */
export function scoreSpan(rows: readonly JudgeRow[]): { from: number; to: number } {
  const ends = rows.flatMap(({ standing }) =>
    standing ? [standing.score - Z_95 * standing.deviation, standing.score + Z_95 * standing.deviation] : [],
  );
  return { from: Math.min(-LEAST_SPAN, ...ends), to: Math.max(LEAST_SPAN, ...ends) };
}
