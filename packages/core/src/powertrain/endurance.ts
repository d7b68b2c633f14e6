import { NotEnoughReadingsError } from '../errors/coreError.ts';
import { requirePositive, requireWithin } from '../errors/guards.ts';
import { drawPower } from './constantPower.ts';
import { openCellV, stateOfChargeAt, type OpenVoltageCurve } from './openVoltage.ts';

/** A pack and how far it may be emptied. */
export interface Discharge {
  curve: OpenVoltageCurve;
  seriesCount: number;
  capacityAh: number;
  resistanceOhm: number;
  /** State of charge at the start and at which to land, 0 to 1. */
  startRatio: number;
  endRatio: number;
  /** Volts per cell under load at which to land in any case; 0 for none. */
  cutoffCellV: number;
}

export interface Endurance {
  /** Time until the landing charge or the cut-off [s]. */
  durationS: number;
  /** State of charge then. */
  stopRatio: number;
}

/** Gauss-Legendre nodes and weights on [−1, 1], five points. */
const NODES = [0, -0.5384693101056831, 0.5384693101056831, -0.906179845938664, 0.906179845938664];
const WEIGHTS = [
  0.5688888888888889, 0.47862867049936647, 0.47862867049936647, 0.23692688505618908, 0.23692688505618908,
];

/**
 * How long a pack gives a constant power.
 *
 *   t = 3600·capacity·∫ ds/I(s); it ends where the voltage under load meets the cut-off, or where the pack can no
 *   longer give the power
 *
 * @param powerW - at the pack [W], > 0
 * @throws {OutOfRangeError} if a value is not positive or a state of charge not 0 to 1
 */
export function enduranceAtPower(discharge: Discharge, powerW: number): Endurance {
  const { curve, seriesCount, capacityAh, resistanceOhm, startRatio, endRatio, cutoffCellV } = discharge;
  requirePositive('powerW', powerW);
  requirePositive('seriesCount', seriesCount);
  requirePositive('capacityAh', capacityAh);
  requireWithin('resistanceOhm', resistanceOhm, 0, 1000);
  requireWithin('startRatio', startRatio, 0, 1);
  requireWithin('endRatio', endRatio, 0, 1);
  requireWithin('cutoffCellV', cutoffCellV, 0, 5);
  const lowestV = Math.max(cutoffCellV * seriesCount, Math.sqrt(resistanceOhm * powerW));
  const lowestOpenV = lowestV === 0 ? 0 : lowestV + (resistanceOhm * powerW) / lowestV;
  const isNeverReached = lowestOpenV / seriesCount > curve.at(-1)![1];
  const stopRatio = isNeverReached
    ? startRatio
    : Math.min(startRatio, Math.max(endRatio, stateOfChargeAt(curve, lowestOpenV / seriesCount)));
  const perCurrent = (ratio: number): number => {
    const draw = drawPower(seriesCount * openCellV(curve, ratio), resistanceOhm, powerW);
    return draw.status === 'given' ? 1 / draw.currentA : 0;
  };
  const knots = [
    stopRatio,
    ...curve.map(([ratio]) => ratio).filter((ratio) => ratio > stopRatio && ratio < startRatio),
    startRatio,
  ];
  let integral = 0;
  for (let k = 0; k + 1 < knots.length; k++) {
    const half = (knots[k + 1]! - knots[k]!) / 2;
    const middle = knots[k]! + half;
    for (let i = 0; i < NODES.length; i++) integral += WEIGHTS[i]! * half * perCurrent(middle + half * NODES[i]!);
  }
  return { durationS: 3600 * capacityAh * integral, stopRatio };
}

/** One part of a flight: how much of the time, and at what power. */
export interface MissionPart {
  shareRatio: number;
  powerW: number;
}

/**
 * Mean power of a mission mix and how long an energy lasts for it.
 *
 *   P = Σ f·P_i, t = 3600·E/P
 *
 * @param parts - shares of the time, at least one, not negative
 * @param usableWh - energy until landing [Wh], > 0
 * @throws {NotEnoughReadingsError} without a part
 * @throws {OutOfRangeError} if a share is negative, or the mean power not positive
 */
export function missionEndurance(
  parts: readonly MissionPart[],
  usableWh: number,
): { meanPowerW: number; durationS: number } {
  if (parts.length === 0) throw new NotEnoughReadingsError('parts', 0, 1);
  requirePositive('usableWh', usableWh);
  let meanPowerW = 0;
  for (const { shareRatio, powerW } of parts) {
    requireWithin('shareRatio', shareRatio, 0, 1);
    requireWithin('powerW', powerW, 0, 1e9);
    meanPowerW += shareRatio * powerW;
  }
  requirePositive('meanPowerW', meanPowerW);
  return { meanPowerW, durationS: (3600 * usableWh) / meanPowerW };
}
