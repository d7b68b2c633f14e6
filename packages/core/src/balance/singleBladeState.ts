import type { Reason } from '../figure/reason.ts';
import { singleBladeBalance, type SingleBlade, type SingleBladeResult } from './corrections.ts';
import {
  residualOf,
  unbalanceTarget,
  type BalancingRig,
  type Residual,
  type ShakenCraft,
  type ShakeTarget,
} from './targets.ts';

/** A single blade's thrust acts at about this share of its radius. */
const THRUST_RADIUS_RATIO = 0.7;

export interface SingleBladeSetting {
  diameterM: number;
  /** Of the blade in hover [N]. */
  thrustN: number;
  craft: ShakenCraft;
  rig: BalancingRig;
  target: ShakeTarget;
}

/** Where a single blade and its washers stand. */
export interface SingleBladeState extends SingleBladeResult {
  targetKgM: number;
  residual: Residual;
  /** *Finest*: no washer more or less does better, yet more is left than may stay; lighter washers would. */
  verdict: 'open' | 'trued' | 'finest';
  reasons: Reason[];
}

/**
 * A single blade against the washers that are on: what they leave, how many would be best, and the pull of its thrust
 * that no washer takes away.
 *
 * @throws {OutOfRangeError} if a mass or radius is not positive
 */
export function singleBladeState(
  { diameterM, thrustN, craft, rig, target }: SingleBladeSetting,
  entries: SingleBlade,
): SingleBladeState {
  const found = singleBladeBalance(entries, thrustN, (THRUST_RADIUS_RATIO * diameterM) / 2);
  const massKg = entries.bladeMassKg + entries.washerCount * entries.washerMassKg;
  const aim = unbalanceTarget(craft, target, rig, massKg);
  const leftKgM = Math.abs(found.nowKgM);
  const residual = residualOf(leftKgM, craft, massKg, aim.floorKgM);
  const verdict =
    leftKgM <= aim.unbalanceKgM ? 'trued' : leftKgM <= Math.abs(found.leftKgM) * (1 + 1e-9) ? 'finest' : 'open';
  const reasons: Reason[] = [
    {
      code: 'balance.single.thrust',
      severity: 'danger',
      values: { thrustMomentNm: found.thrustMomentNm, thrustN },
      figure: null,
    },
    verdict === 'open'
      ? {
          code: 'balance.single.washers',
          severity: 'action',
          values: { count: found.washerCount, leftKgM: Math.abs(found.leftKgM) },
          figure: null,
        }
      : verdict === 'finest'
        ? {
            code: 'balance.single.finest',
            severity: 'caution',
            values: { leftKgM, targetKgM: aim.unbalanceKgM, washerKg: entries.washerMassKg },
            figure: null,
          }
        : {
            code: 'balance.single.done',
            severity: 'gain',
            values: { leftKgM, targetKgM: aim.unbalanceKgM },
            figure: null,
          },
  ];
  return { ...found, targetKgM: aim.unbalanceKgM, residual, verdict, reasons };
}
