import type { Working, WorkingLine } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import { stressOf, strikeShareOf } from './fatigue.ts';
import { rotationHours, type PieceLifeLeft } from './life.ts';

/** The working of the used share of a piece's life, by its name. */
export const LIFE_FIGURE = 'usedRatio';

/**
 * Shows how the used share of a piece's life follows from what wore it: by stress and strikes, or by hours, whichever
 * leads.
 *
 *   s = k·(n·D/(24,000·0.127))², used = h·s⁶/40·(1 + ½ if nicked) + what strikes took; or h over the hours of its
 *   material
 */
export function explainLife(life: PieceLifeLeft): Working {
  const { usedRatio, durationS, wear } = life;
  const time = workingInput('t', 'flownS', durationS, 'time');
  const shared = {
    key: LIFE_FIGURE,
    title: 'life.usedRatio',
    mark: 'estimated' as const,
    notes: [
      life.isByFatigue
        ? { code: 'care.lifeByHours', values: { ratio: life.hoursRatio } }
        : { code: 'care.lifeByFatigue', values: { ratio: life.fatigueRatio } },
    ] satisfies Working['notes'],
  };
  if (!life.isByFatigue)
    return workingOf({
      ...shared,
      inputs: [time, workingInput('H', 'rotationHours', rotationHours[wear.material], 'number', 'estimated')],
      lines: [workingLine('used', 't / 3600 / H', usedRatio, 'ratio')],
      source: 'rotationHours',
    });
  const stress = stressOf(wear.material, wear.alikeSpeedRpm, wear.diameterM);
  const struck = strikeShareOf(wear.material, wear.strikes);
  const flownRatio = usedRatio - struck;
  const lines: WorkingLine[] = [
    workingLine('s', 'k * (n * D / (24000 * 0.127))^2', stress),
    workingLine('flown', 't / 3600 * s^6 / 40 * (1 + 0.5 * c)', flownRatio, 'ratio'),
    workingLine('used', 'flown + z', usedRatio, 'ratio'),
  ];
  return workingOf({
    ...shared,
    inputs: [
      time,
      workingInput('n', 'alikeSpeedRpm', wear.alikeSpeedRpm, 'rotation', 'estimated'),
      workingInput('D', 'diameterM', wear.diameterM, 'length'),
      workingInput('k', 'materialStress', stressOf(wear.material, 24_000, 0.127), 'number', 'estimated'),
      workingInput('c', 'isNicked', wear.hasNick ? 1 : 0),
      workingInput('z', 'strikeShare', struck, 'ratio', 'estimated'),
    ],
    lines,
    source: 'fatigue',
  });
}
