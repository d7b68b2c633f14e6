import type { Working } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import { Z_95 } from '../statistics/normal.ts';
import type { JudgeInput, Judgement } from './judge.ts';
import { meanGain } from './verdict.ts';
import { wishNames } from './wishes.ts';

/** The working of a score, by its name. */
export const SCORE_FIGURE = 'score';

/**
 * Shows how the score of a prop follows from its gains and the weights: their mean by weight, as a logarithm of ratios;
 * a wish that is open for it counts as the mean of the others.
 *
 *   s = Σ w·g / Σ w
 *
 * @returns null where the prop has no score
 */
export function explainScore(input: JudgeInput, judgement: Judgement, id: string): Working | null {
  const standing = judgement.verdict?.standings.find((s) => s.id === id);
  const contender = input.contenders.find((c) => c.id === id);
  if (!standing || !contender) return null;
  const pool = input.contenders.flatMap((c) => (c.bars.length === 0 ? { evidence: c.row } : []));
  const wanted = wishNames.filter((name) => input.weights[name] > 0);
  const known = wanted.filter((name) => !judgement.unknown.includes(name));
  const counted = known.length > 0 ? known : wanted;
  const inputs = counted.flatMap((name, i) => {
    const cell = contender.row[name];
    return [
      workingInput(`w${i + 1}`, `weight.${name}`, input.weights[name]),
      workingInput(
        `g${i + 1}`,
        `${cell ? 'gain' : 'openGain'}.${name}`,
        cell?.gain ?? meanGain(pool, name),
        'number',
        cell && cell.source !== 'model' ? 'measured' : 'estimated',
      ),
    ];
  });
  const products = counted.map((_, i) => `w${i + 1} * g${i + 1}`).join(' + ');
  const weights = counted.map((_, i) => `w${i + 1}`).join(' + ');
  return workingOf({
    key: SCORE_FIGURE,
    title: 'judge.score',
    inputs,
    lines: [workingLine('s', `(${products}) / (${weights})`, standing.score)],
    mark: inputs.every((i) => i.mark === 'measured') ? 'measured' : 'estimated',
    uncertainty: Z_95 * standing.deviation,
    source: 'weighedMean',
    notes: [{ code: 'judge.scoreShare', values: { ratio: standing.bestShare } }],
  });
}
