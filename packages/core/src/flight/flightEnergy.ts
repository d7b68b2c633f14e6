import { requirePositive, requireWithin } from '../errors/guards.ts';
import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { firstAt } from '../numerics/firstAt.ts';

/** Battery readings of a flight, read together. */
export interface BatteryReadings {
  timeS: ArrayLike<number>;
  voltageV: ArrayLike<number>;
  currentA: ArrayLike<number>;
}

/**
 * Energy [J] and charge [C] between two times, by the trapezoid of what was read, and how long was read [s]; gaps
 * longer than the longest step count nothing.
 *
 * @param fromS - on the axis of the readings, as toS
 * @param longestStepS - a longer step between two readings is a gap
 * @throws {NotEnoughReadingsError} if fewer than two readings lie between them
 */
export function energyBetween(
  { timeS, voltageV, currentA }: BatteryReadings,
  fromS: number,
  toS: number,
  longestStepS = 5,
): { energyJ: number; chargeC: number; coveredS: number } {
  let energyJ = 0;
  let chargeC = 0;
  let coveredS = 0;
  let count = 0;
  for (let i = firstAt(timeS, fromS) + 1; i < timeS.length && timeS[i]! <= toS; i++) {
    const step = timeS[i]! - timeS[i - 1]!;
    if (!(step > 0) || step > longestStepS) continue;
    const power = (voltageV[i]! * currentA[i]! + voltageV[i - 1]! * currentA[i - 1]!) / 2;
    const current = (currentA[i]! + currentA[i - 1]!) / 2;
    if (!Number.isFinite(power + current)) continue;
    energyJ += power * step;
    chargeC += current * step;
    coveredS += step;
    count++;
  }
  if (count === 0) throw new NotEnoughReadingsError('battery', 0, 2);
  return { energyJ, chargeC, coveredS };
}

/**
 * Time left in the air until the landing gate [s], at the mean current of what was flown.
 *
 *   t = (C·(1 − gate) − used)/I
 *
 * @param capacityAh - of the pack
 * @param usedAh - since it was full
 * @param gateRatio - charge left at which one lands, 0 to 0.9
 * @returns 0 where the gate is passed
 * @throws {OutOfRangeError} if capacity or current is not positive, or the gate not within 0 to 0.9
 */
export function timeToGateS(capacityAh: number, usedAh: number, currentA: number, gateRatio: number): number {
  requirePositive('capacityAh', capacityAh);
  requireWithin('usedAh', usedAh, 0, 10 * capacityAh);
  requirePositive('currentA', currentA);
  requireWithin('gateRatio', gateRatio, 0, 0.9);
  return (Math.max(0, capacityAh * (1 - gateRatio) - usedAh) / currentA) * 3600;
}
