import { requirePositive, requireWithin } from '../errors/guards.ts';
import type { Working } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import { shakeOf } from './targets.ts';

/** The working of what a residual does to the whole craft, by its name. */
export const SHAKE_FIGURE = 'shake';

/**
 * Shows how the shake of the whole craft follows from what is left on a piece.
 *
 *   F = U·ω²; the craft is taken to move as one body, a = F/m
 *
 * @param unbalanceKgM - what is left [kg·m], ≥ 0
 * @param speedRpm - of the rotor in hover [rev/min], > 0
 * @param massKg - of the craft [kg], > 0
 * @returns acceleration in parts of gravity
 * @throws {OutOfRangeError} if a value is not of that kind
 */
export function explainShake(unbalanceKgM: number, speedRpm: number, massKg: number): Working {
  requireWithin('unbalanceKgM', unbalanceKgM, 0, Number.MAX_VALUE);
  requirePositive('speedRpm', speedRpm);
  requirePositive('massKg', massKg);
  const forceN = unbalanceKgM * ((2 * Math.PI * speedRpm) / 60) ** 2;
  const value = shakeOf(unbalanceKgM, { massKg, hoverSpeedRpm: speedRpm });
  return workingOf({
    key: SHAKE_FIGURE,
    title: 'balance.shake',
    inputs: [
      workingInput('U', 'residualKgM', unbalanceKgM),
      workingInput('n', 'hoverSpeedRpm', speedRpm, 'rotation', 'estimated'),
      workingInput('m', 'massKg', massKg, 'mass'),
    ],
    lines: [
      workingLine('F', 'U * (2 * 3.141592653589793 * n / 60)^2', forceN, 'force'),
      workingLine('s', 'F / (m * 9.80665)', value),
    ],
    mark: 'estimated',
    source: 'centrifugal',
  });
}
