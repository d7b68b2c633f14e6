import type { Working } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import type { RotorPlace } from '../craft/layouts.ts';
import type { Tip } from './takeOff.ts';

/** The working of the moment that turns a craft over, by its name. */
export const TIP_FIGURE = 'momentNm';

/** An arm as the working of its tip needs it. */
export interface PullingArm {
  place: RotorPlace;
  level: number;
  xM: number;
  yM: number;
  /** Degrees by which its shaft leans; 0 for none. */
  cantDegrees?: number;
  /** Predicted pull, negative the wrong way [N]. */
  pullN: number;
  /** What it should pull [N]. */
  rightPullN: number;
}

/**
 * Shows how the moment that turns a craft over follows from where its arms are and how far each pull is off.
 *
 *   roll = −Σ y·(T − T₀)·cos κ, pitch = Σ x·(T − T₀)·cos κ, M = √(roll² + pitch²)
 *
 * @returns null where nothing is off
 */
export function explainTip(arms: readonly PullingArm[], { momentNm }: Pick<Tip, 'momentNm'>): Working | null {
  const off = arms
    .map((arm) => ({ ...arm, offN: (arm.pullN - arm.rightPullN) * Math.cos(((arm.cantDegrees ?? 0) * Math.PI) / 180) }))
    .filter((arm) => Math.abs(arm.offN) > 1e-12);
  if (off.length === 0) return null;
  const sumOf = (letter: 'x' | 'y'): string => off.map((_, i) => `${letter}${i + 1} * f${i + 1}`).join(' + ');
  const total = (of: 'xM' | 'yM'): number => off.reduce((sum, arm) => sum + arm[of] * arm.offN, 0);
  return workingOf({
    key: TIP_FIGURE,
    title: 'fit.momentNm',
    inputs: off.flatMap(({ place, level, xM, yM, offN }, i) => [
      workingInput(`x${i + 1}`, `arm.xM.${place}.${level}`, xM, 'length'),
      workingInput(`y${i + 1}`, `arm.yM.${place}.${level}`, yM, 'length'),
      workingInput(`f${i + 1}`, `arm.offN.${place}.${level}`, offN, 'force', 'estimated'),
    ]),
    lines: [
      workingLine('roll', `0 - (${sumOf('y')})`, -total('yM'), 'torque'),
      workingLine('pitch', sumOf('x'), total('xM'), 'torque'),
      workingLine('M', 'sqrt(roll^2 + pitch^2)', momentNm, 'torque'),
    ],
    mark: 'estimated',
    source: 'layoutMoments',
  });
}
