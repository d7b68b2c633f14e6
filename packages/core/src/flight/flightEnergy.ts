import { requirePositive, requireWithin } from '../errors/guards.ts';
import { NotEnoughReadingsError } from '../errors/coreError.ts';

/** Battery readings of a flight, read together. */
export interface BatteryReadings {
  timeS: ArrayLike<number>;
  voltageV: ArrayLike<number>;
  currentA: ArrayLike<number>;
}

/**
 * Energy and charge between two times, by the trapezoid of what was read; gaps longer than the longest step count nothing.
 *
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

/** Where a time that rises reaches a moment; its length where it never does. */
export function firstAt(timeS: ArrayLike<number>, fromS: number): number {
  let [low, high] = [0, timeS.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (timeS[middle]! < fromS) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * Minutes left in the air until the landing gate, at the mean current of what was flown.
 *
 *   t = (C·(1 − gate) − used)/I
 *
 * @param capacityAh - of the pack
 * @param usedAh - since it was full
 * @param gateRatio - charge left at which one lands, 0 to 0.9
 * @returns 0 where the gate is passed [s]
 */
export function timeToGateS(capacityAh: number, usedAh: number, currentA: number, gateRatio: number): number {
  requirePositive('capacityAh', capacityAh);
  requireWithin('usedAh', usedAh, 0, 10 * capacityAh);
  requirePositive('currentA', currentA);
  requireWithin('gateRatio', gateRatio, 0, 0.9);
  return (Math.max(0, capacityAh * (1 - gateRatio) - usedAh) / currentA) * 3600;
}
