import type { Origin } from '../figure/figure.ts';
import { correctStep, type CheckedQuantity, type Correction } from './instrumentCheck.ts';
import { correctZeroDrift } from './standardDay.ts';
import type { DoubtCode } from './runDoubts.ts';
import type { RunFindings } from './runFindings.ts';
import type { ReadingKind, StandQuantity, StandStep } from './quantities.ts';

/** A kept run as the reduction takes it. */
export interface RunRecord {
  id: string;
  propModelId: string;
  origin: Origin;
  /** Order within the prop, from 1, for sentences. */
  ordinal: number;
  /** Of the evening when it was begun. */
  protocolVersion: number;
  /** Place in the order of the evening's runs; a correction has that of the run it corrects. */
  place: number;
  densityKgPerM3: number;
  zeroBeforeN: number | null;
  zeroAfterN: number | null;
  restingCellV: number | null;
  readingKinds: Partial<Record<StandQuantity, ReadingKind>>;
  steps: readonly StandStep[];
  /** What the checks of the instruments make of the readings; none where they were not checked. */
  corrections: readonly Correction[];
  /** What its readings over time told; null where it was typed. */
  findings: RunFindings | null;
  /** Checks that had gone stale when the run was made. */
  staleChecks: readonly { quantity: CheckedQuantity; ageDays: number }[];
}

/** Why a kept run is shown but not counted. */
export type LeftOutCode = 'otherProtocol' | 'belowGate' | 'readingKindDiffers' | 'tooFewSteps' | `doubt.${DoubtCode}`;

export interface SettledRun {
  run: RunRecord;
  /**
   * Sorted by throttle, one step a throttle, zero drift taken off, checked instruments corrected, power filled in
   * where it was not read.
   */
  steps: StandStep[];
  /** The same rows in the order in which they were taken, none averaged. */
  taken: StandStep[];
  /** Rows without throttle or thrust, which nothing can be made of. */
  droppedCount: number;
  /** Rows that repeated a throttle and were averaged into one. */
  mergedCount: number;
}

/**
 * Prepares a run for reading: takes the drifting zero off the thrust, applies what the checks of the instruments ask
 * for, multiplies volts by amps where no power was read, sorts by throttle and averages repeated throttle points. Rows
 * without throttle or thrust are dropped and counted.
 *
 * @param run - steps in the order in which they were taken
 */
export function settleRun(run: RunRecord): SettledRun {
  const usable = run.steps.filter((s) => s.throttleRatio !== null && s.thrustN !== null);
  const last = Math.max(1, usable.length - 1);
  const corrected = usable.map((step, i): StandStep => {
    const thrustN =
      run.zeroBeforeN === null || run.zeroAfterN === null
        ? step.thrustN
        : correctZeroDrift(step.thrustN!, run.zeroBeforeN, run.zeroAfterN, i / last);
    const checked = correctStep({ ...step, thrustN }, run.corrections);
    const { currentA, voltageV } = checked;
    const powerW = checked.powerW ?? (currentA === null || voltageV === null ? null : currentA * voltageV);
    return { ...checked, powerW };
  });
  const steps = mergeThrottles(corrected);
  return {
    run,
    steps,
    taken: corrected,
    droppedCount: run.steps.length - usable.length,
    mergedCount: corrected.length - steps.length,
  };
}

function mergeThrottles(steps: StandStep[]): StandStep[] {
  const groups = new Map<number, StandStep[]>();
  for (const step of steps) {
    const key = Math.round(step.throttleRatio! * 1000);
    groups.set(key, [...(groups.get(key) ?? []), step]);
  }
  return [...groups.entries()]
    .sort(([a], [b]) => a - b)
    .map(([, group]) => (group.length === 1 ? group[0]! : averageSteps(group)));
}

function averageSteps(group: StandStep[]): StandStep {
  const names = Object.keys(group[0]!) as StandQuantity[];
  return Object.fromEntries(
    names.map((name) => {
      const values = group.map((s) => s[name]).filter((v) => v !== null);
      return [name, values.length === group.length ? values.reduce((sum, v) => sum + v, 0) / values.length : null];
    }),
  ) as StandStep;
}
