import { NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import type { Reason } from '../figure/reason.ts';
import { mean } from '../statistics/describe.ts';
import type { StandQuantity, StandStep } from './quantities.ts';

/** What an instrument of the stand is checked for. */
export const checkedQuantities = ['thrustN', 'speedRpm', 'currentA', 'voltageV', 'torqueNm'] as const;
export type CheckedQuantity = (typeof checkedQuantities)[number];

/** Against what: for each quantity the ways that a bench has. */
export const checkMethods = {
  thrustN: ['knownMass'],
  speedRpm: ['tachometer', 'sound'],
  currentA: ['secondMeter', 'putBack'],
  voltageV: ['secondMeter'],
  torqueNm: ['torqueArm'],
} as const satisfies Record<CheckedQuantity, readonly string[]>;
export type CheckMethod = (typeof checkMethods)[CheckedQuantity][number];

/** What the instrument showed beside what was there, in the unit of the quantity; put-back: both in ampere-hours. */
export interface CheckPair {
  shown: number;
  actual: number;
}

/** One check of one instrument. */
export interface InstrumentCheck {
  id: string;
  quantity: CheckedQuantity;
  method: CheckMethod;
  atMs: number;
  /** Local day, as 2026-11-29, for sentences. */
  day: string;
  /** Whether what was read since the check before was read with the same instrument as it was found. */
  reachesBack: boolean;
  /** Length of the arm that the known forces hang on [m]; for torque alone. */
  armM: number | null;
  pairs: readonly CheckPair[];
}

/** What a check makes of the readings of its quantity: each is multiplied. */
export interface Correction {
  checkId: string;
  quantity: CheckedQuantity;
  factor: number;
  day: string;
  /** How far a checked reading may still be off, relative, 95 %. */
  uncertaintyRatio: number;
}

/** Beyond this another unit or another pole count is set; a factor would hide the slip. */
const FACTOR_RANGE = { min: 0.75, max: 1.34 } as const;
/** Pairs of one check that ask for factors further apart than this: the instrument bends, one factor mends half. */
export const BENT_RATIO = 0.02;
/** How long a check is trusted [days]: scales and arms are moved and knocked, meters drift. */
export const STALE_DAYS: Record<CheckedQuantity, number> = {
  thrustN: 30,
  speedRpm: 365,
  currentA: 90,
  voltageV: 180,
  torqueNm: 30,
};
/** What a way of checking is itself good to, relative: a judgement. */
const CHECKED_LEAST_RATIO: Record<CheckMethod, number> = {
  knownMass: 0.002,
  tachometer: 0.002,
  sound: 0.005,
  secondMeter: 0.005,
  putBack: 0.015,
  torqueArm: 0.005,
};
const DAY_MS = 86_400_000;

/**
 * The factor that a check asks for: the mean over its pairs of what was there over what was shown. A scale's zero is
 * the tare's business, so pairs ask for a factor alone; two that ask for different ones show an instrument that bends.
 *
 * @param check - pairs in SI; for torque the forces [N] that hung on `armM` [m]
 * @returns the factor, and how far the pairs' own factors lie apart, relative
 * @throws {NotEnoughReadingsError} if a scale was loaded at one point only, or there is no pair
 * @throws {OutOfRangeError} if a reading is not positive, the arm is missing, or the factor is too far from one
 */
export function correctionOf(check: Pick<InstrumentCheck, 'quantity' | 'armM' | 'pairs'>): {
  factor: number;
  apartRatio: number;
} {
  const { quantity, armM, pairs } = check;
  const needed = quantity === 'thrustN' ? 2 : 1;
  if (pairs.length < needed) throw new NotEnoughReadingsError(quantity, pairs.length, needed);
  if (quantity === 'torqueNm' && !(armM! > 0)) throw new OutOfRangeError('armM', armM ?? 0, 'more than 0');
  const lever = quantity === 'torqueNm' ? armM! : 1;
  const factors = pairs.map(({ shown, actual }) => {
    if (!(shown > 0)) throw new OutOfRangeError('shown', shown, 'more than 0');
    if (!(actual > 0)) throw new OutOfRangeError('actual', actual, 'more than 0');
    return (actual * lever) / shown;
  });
  const factor = mean(factors);
  if (!(factor >= FACTOR_RANGE.min && factor <= FACTOR_RANGE.max))
    throw new OutOfRangeError('factor', factor, `${FACTOR_RANGE.min} to ${FACTOR_RANGE.max}`);
  return { factor, apartRatio: (Math.max(...factors) - Math.min(...factors)) / factor };
}

/**
 * What is done to readings of a moment: by the last check before it; by the next one after it where that one reaches
 * back, because the instrument was found so and nobody had touched it.
 *
 * @param checks - in any order; good ones, as `correctionOf` takes them
 */
export function correctionsAt(checks: readonly InstrumentCheck[], atMs: number): Correction[] {
  return checkedQuantities.flatMap((quantity): Correction[] => {
    const own = checks.filter((c) => c.quantity === quantity).sort((a, b) => a.atMs - b.atMs);
    const next = own.find((c) => c.atMs > atMs);
    const last = own.filter((c) => c.atMs <= atMs).at(-1);
    const check = next?.reachesBack ? next : last;
    if (!check) return [];
    const { factor, apartRatio } = correctionOf(check);
    const uncertaintyRatio = Math.max(CHECKED_LEAST_RATIO[check.method], apartRatio / 2);
    return [{ checkId: check.id, quantity, factor, day: check.day, uncertaintyRatio }];
  });
}

/**
 * A step as the checked instruments would have read it. Power that a meter worked out of its own volts and amps follows
 * both; readings that are missing stay missing.
 */
export function correctStep(step: StandStep, corrections: readonly Correction[]): StandStep {
  if (corrections.length === 0) return step;
  const factorOf = (quantity: StandQuantity): number => corrections.find((c) => c.quantity === quantity)?.factor ?? 1;
  const corrected = { ...step };
  for (const quantity of checkedQuantities) {
    const read = step[quantity];
    if (read !== null) corrected[quantity] = read * factorOf(quantity);
  }
  if (step.powerW !== null) corrected.powerW = step.powerW * factorOf('currentA') * factorOf('voltageV');
  return corrected;
}

export type InstrumentState = 'unchecked' | 'fresh' | 'stale';

/** How an instrument stands at a moment. */
export interface InstrumentStanding {
  quantity: CheckedQuantity;
  state: InstrumentState;
  /** Whole days since the last check; null without one. */
  ageDays: number | null;
  check: InstrumentCheck | null;
}

/** What is to be checked before it is leant on: a stale check, not one that nobody ever made. */
export function dueChecks(standings: readonly Pick<InstrumentStanding, 'quantity' | 'state' | 'ageDays'>[]): Reason[] {
  return standings.flatMap(({ quantity, state, ageDays }): Reason[] =>
    state === 'stale'
      ? [{ code: `dueCheck.${quantity}`, severity: 'action', values: { days: ageDays! }, figure: null }]
      : [],
  );
}

/** How every instrument stands at a moment, by its last check before it. */
export function instrumentStandings(checks: readonly InstrumentCheck[], atMs: number): InstrumentStanding[] {
  return checkedQuantities.map((quantity) => {
    const check = checks.reduce<InstrumentCheck | null>(
      (last, c) => (c.quantity === quantity && c.atMs <= atMs && c.atMs >= (last?.atMs ?? -Infinity) ? c : last),
      null,
    );
    if (!check) return { quantity, state: 'unchecked', ageDays: null, check };
    const ageDays = Math.floor((atMs - check.atMs) / DAY_MS);
    return { quantity, state: ageDays > STALE_DAYS[quantity] ? 'stale' : 'fresh', ageDays, check };
  });
}
