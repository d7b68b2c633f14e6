import { requirePositive, requireWithin } from '../errors/guards.ts';
import { GRAVITY_M_PER_S2 } from '../units/gravity.ts';
import { gradeOf, unbalanceForceN } from './balanceGrade.ts';

/** How smooth a craft should be: shake of the whole craft in hover, once a turn [g]. */
export const shakeTargets = { coarse: 0.2, good: 0.1, fine: 0.05 } as const;
export type ShakeTarget = keyof typeof shakeTargets;

/** A balancing rig and what it cannot show. */
export interface BalancingRig {
  /** Moment that friction holds [kg·m]: below it the prop stays wherever it is left. */
  frictionKgM: number;
  /** Play between bore and cones or shaft [m]. */
  borePlayM: number;
  /** Largest prop that it takes [m]. */
  largestM: number;
  /** Moment of inertia of arbor and cones [kg·m²]. */
  inertiaKgM2: number;
}

/**
 * Moment that a rig's friction holds, from a spin test: turns until it stands still, slowing evenly [kg·m].
 *
 *   M = I·4π·turns/(t²·g)
 *
 * @throws {OutOfRangeError} if a value is not positive
 */
export function spinTestFrictionKgM(inertiaKgM2: number, turnCount: number, durationS: number): number {
  requirePositive('inertiaKgM2', inertiaKgM2);
  requirePositive('turnCount', turnCount);
  requirePositive('durationS', durationS);
  return (inertiaKgM2 * 4 * Math.PI * turnCount) / durationS ** 2 / GRAVITY_M_PER_S2;
}

/** Nothing is asked of a piece that its rig cannot show one and a half times. */
const FLOOR_FACTOR = 1.5;

/** What a rig cannot show for a piece [kg·m]: friction, and a centre that is off by the play of the bore. */
export function rigFloorKgM({ frictionKgM, borePlayM }: BalancingRig, massKg: number): number {
  requireWithin('frictionKgM', frictionKgM, 0, 1);
  requireWithin('borePlayM', borePlayM, 0, 0.01);
  requirePositive('massKg', massKg);
  return Math.max(frictionKgM, massKg * borePlayM);
}

/** The craft that a piece is balanced for. */
export interface ShakenCraft {
  massKg: number;
  hoverSpeedRpm: number;
}

/** Shake of the whole craft, once a turn [g]: F/(m·g). */
export function shakeOf(unbalanceKgM: number, { massKg, hoverSpeedRpm }: ShakenCraft): number {
  requirePositive('massKg', massKg);
  return unbalanceForceN(unbalanceKgM, hoverSpeedRpm) / (massKg * GRAVITY_M_PER_S2);
}

export interface UnbalanceTarget {
  /** What may be left [kg·m]. */
  unbalanceKgM: number;
  /** True where the rig decides, not the craft. */
  isRigLimited: boolean;
  floorKgM: number;
}

/**
 * What may be left on a piece: the shake that the craft may have, but never below one and a half times what the rig
 * can show.
 */
export function unbalanceTarget(
  craft: ShakenCraft,
  target: ShakeTarget,
  rig: BalancingRig,
  pieceMassKg: number,
): UnbalanceTarget {
  const perShake = shakeOf(1e-6, craft) / 1e-6;
  const wanted = shakeTargets[target] / perShake;
  const floorKgM = rigFloorKgM(rig, pieceMassKg);
  const least = FLOOR_FACTOR * floorKgM;
  return { unbalanceKgM: Math.max(wanted, least), isRigLimited: least > wanted, floorKgM };
}

/** When balancing is worth it at all. */
export type BalancePolicy =
  { kind: 'all' } | { kind: 'fromDiameter'; diameterM: number } | { kind: 'byForce'; shareRatio: number };

/** Share of a rotor's hover thrust that the once-per-turn pull may be before a piece is worth balancing. */
export const USUAL_FORCE_SHARE = 0.05;
/** Unbalance of a usual piece from the bag, over mass times radius. */
const USUAL_UNBALANCE_RATIO = 0.006;

/**
 * Whether a piece is worth balancing under a policy. By force: the pull that a usual piece of that size would have
 * at hover, against the thrust of a rotor. A piece that needs none counts as done and is not nagged about.
 */
export function needsBalancing(
  policy: BalancePolicy,
  piece: { massKg: number; diameterM: number },
  craft: ShakenCraft,
  rotorThrustN: number,
): boolean {
  if (policy.kind === 'all') return true;
  if (policy.kind === 'fromDiameter') return piece.diameterM >= policy.diameterM;
  requirePositive('rotorThrustN', rotorThrustN);
  const usual = (USUAL_UNBALANCE_RATIO * piece.massKg * piece.diameterM) / 2;
  return unbalanceForceN(usual, craft.hoverSpeedRpm) > policy.shareRatio * rotorThrustN;
}

/** A residual in every way it is spoken of. */
export interface Residual {
  unbalanceKgM: number;
  forceN: number;
  shakeG: number;
  /** Grade with the bell counted [m/s]. */
  gradeMPerS: number;
  /** True where the rig cannot show less: then it is *below what this rig can show*, never 0. */
  isBelowRig: boolean;
}

/** What is left, as force, shake and grade; never told smaller than the rig can show. */
export function residualOf(unbalanceKgM: number, craft: ShakenCraft, rotorMassKg: number, floorKgM: number): Residual {
  const told = Math.max(unbalanceKgM, floorKgM);
  return {
    unbalanceKgM: told,
    forceN: unbalanceForceN(told, craft.hoverSpeedRpm),
    shakeG: shakeOf(told, craft),
    gradeMPerS: gradeOf(told, rotorMassKg, craft.hoverSpeedRpm),
    isBelowRig: unbalanceKgM <= floorKgM,
  };
}
