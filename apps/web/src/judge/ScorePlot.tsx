import { Z_95 } from '@zivvo/core';
import { scoreSpan } from './scoreSpan.ts';
import type { JudgeRow } from './judgeView.ts';

const [WIDTH, HEIGHT, PAD] = [104, 22, 5];

/** A score and how far it may be off, on the scale of all; the line is the reference. */
export function ScorePlot({ row, rows, colour }: { row: JudgeRow; rows: readonly JudgeRow[]; colour: string }) {
  const span = scoreSpan(rows);
  if (row.standing === null) return null;
  const at = (score: number): number => PAD + ((score - span.from) / (span.to - span.from)) * (WIDTH - 2 * PAD);
  const { score, deviation } = row.standing;
  const middle = HEIGHT / 2;
  const half = Z_95 * deviation;
  return (
    <svg width={WIDTH} height={HEIGHT} aria-hidden="true">
      <line x1={at(0)} x2={at(0)} y1={1} y2={HEIGHT - 1} stroke="var(--hairline)" strokeWidth="1.5" />
      <line x1={at(score - half)} x2={at(score + half)} y1={middle} y2={middle} stroke={colour} strokeWidth="2" />
      <circle cx={at(score)} cy={middle} r="4.2" fill={colour} />
    </svg>
  );
}
