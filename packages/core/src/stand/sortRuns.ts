import { carryThrustN } from '../craft/carryThrust.ts';
import type { CampaignInput, PropResult } from './campaign.ts';
import type { Drive } from '../powertrain/equilibrium.ts';
import { mean } from '../statistics/describe.ts';
import {
  FULL_THROTTLE_LEAST,
  pointOfRun,
  pointPlaces,
  withQuotients,
  type PointName,
  type RunPoint,
} from './pointOfRun.ts';
import { voltageStep } from './reduceVoltage.ts';
import { responseOfRun } from './responseOfRun.ts';
import { runDoubts } from './runDoubts.ts';
import { settleRun, type LeftOutCode, type RunRecord, type SettledRun } from './settleRun.ts';

/** One counted run with its points, as the reduction and the workings both use it. */
export interface CountedRun {
  settled: SettledRun;
  points: Partial<Record<PointName, RunPoint>>;
}

export interface SortedRuns {
  counted: CountedRun[];
  leftOut: PropResult['leftOut'];
}

/** The runs of all props of a campaign, full throttle reduced to one voltage. */
export interface CampaignRuns {
  of: ReadonlyMap<string, SortedRuns>;
  /** The voltage [V]; null where nothing was reduced. */
  fullVoltageV: number | null;
}

/**
 * Settles all runs of a campaign, says which count, and reduces full throttle to one voltage through the motor: that of
 * the reference's runs, or the mean of all. A run without volts or amps, or too far away, stays as it was read.
 */
export function campaignRuns(input: CampaignInput): CampaignRuns {
  const sorted = new Map(input.props.map((prop) => [prop.id, sortRuns(input, prop.id)]));
  const voltages = (runs: readonly CountedRun[]): number[] => runs.flatMap((r) => r.points.full?.values.voltageV ?? []);
  const own = input.referencePropId === null ? [] : voltages(sorted.get(input.referencePropId)?.counted ?? []);
  const all = own.length > 0 ? own : voltages([...sorted.values()].flatMap((s) => s.counted));
  const { drive, gearRatio } = input.craft;
  if (drive === null || all.length === 0) return { of: sorted, fullVoltageV: null };
  const fullVoltageV = mean(all);
  const reduced = [...sorted].map(
    ([id, { counted, leftOut }]) =>
      [id, { counted: counted.map((run) => withReducedFull(run, drive, gearRatio, fullVoltageV)), leftOut }] as const,
  );
  return { of: new Map(reduced), fullVoltageV };
}

function withReducedFull(run: CountedRun, drive: Drive, gearRatio: number, toV: number): CountedRun {
  const { full } = run.points;
  const { voltageV, currentA, speedRpm, thrustN, powerW } = full?.values ?? {};
  if (!full || !(voltageV! > 0) || !(currentA! > 0)) return run;
  const step = voltageStep(
    drive,
    {
      voltageV: voltageV!,
      currentA: currentA!,
      speedRadPerS: speedRpm === undefined ? null : (2 * Math.PI * speedRpm * gearRatio) / 60,
    },
    toV,
  );
  if (step === null) return run;
  const values = withQuotients({
    ...full.values,
    currentA: currentA! * step.currentRatio,
    ...(speedRpm === undefined ? {} : { speedRpm: speedRpm * step.speedRatio }),
    ...(thrustN === undefined ? {} : { thrustN: thrustN * step.thrustRatio }),
    ...(powerW === undefined ? {} : { powerW: powerW * step.powerRatio }),
  });
  return {
    ...run,
    points: { ...run.points, full: { ...full, values, reduction: { ...step, fromV: voltageV!, toV } } },
  };
}

/** Settles the runs of one prop and says which count; every point as it was read. */
export function sortRuns(input: CampaignInput, propModelId: string): SortedRuns {
  const hoverN = carryThrustN(input.craft.massKg, input.craft.rotorCount, input.craft.kind);
  const result: SortedRuns = { counted: [], leftOut: [] };
  for (const run of input.runs.filter((r) => r.propModelId === propModelId)) {
    const settled = settleRun(run);
    const why = whyLeftOut(input, settled);
    if (why) {
      result.leftOut.push({ runId: run.id, ordinal: run.ordinal, ...why });
      continue;
    }
    const points: CountedRun['points'] = {};
    for (const place of pointPlaces(hoverN, input.chosenThrottleRatio)) {
      const point = pointOfRun(settled, place);
      if (point) points[place.point] = point;
    }
    const { drive, gearRatio } = input.craft;
    const response = responseOfRun(settled, input.protocol, drive, gearRatio);
    if (response) points.response = response;
    result.counted.push({ settled, points });
  }
  return result;
}

function whyLeftOut(
  input: CampaignInput,
  settled: SettledRun,
): { code: LeftOutCode; value: number | null; limit: number | null } | null {
  const { run, steps } = settled;
  if (run.protocolVersion !== input.protocolVersion)
    return { code: 'otherProtocol', value: run.protocolVersion, limit: input.protocolVersion };
  const isFullAlone = steps.length === 1 && steps[0]!.throttleRatio! >= FULL_THROTTLE_LEAST;
  const isOneThrottle = input.protocol?.kind === 'coast' || input.protocol?.kind === 'hold';
  if (steps.length < (isOneThrottle ? 1 : 2) && !isFullAlone)
    return { code: 'tooFewSteps', value: steps.length, limit: 2 };
  const [doubt] = runDoubts(steps, {
    diameterM: input.props.find((p) => p.id === run.propModelId)!.diameterM,
    densityKgPerM3: run.densityKgPerM3,
  });
  if (doubt)
    return { code: `doubt.${doubt.code}`, value: doubt.value, limit: doubt.value < doubt.min ? doubt.min : doubt.max };
  if (input.gateCellV !== null && run.restingCellV !== null && run.restingCellV < input.gateCellV)
    return { code: 'belowGate', value: run.restingCellV, limit: input.gateCellV };
  return hasOtherKind(input, run) ? { code: 'readingKindDiffers', value: null, limit: null } : null;
}

/** Whether a run holds peaks where the reference's first run (or the first run of all) holds means, or the reverse. */
function hasOtherKind(input: CampaignInput, run: RunRecord): boolean {
  const own = input.runs.filter((r) => r.protocolVersion === input.protocolVersion);
  const standard = own.find((r) => r.propModelId === input.referencePropId) ?? own[0]!;
  return (['thrustN', 'currentA', 'voltageV', 'powerW', 'speedRpm'] as const).some((name) => {
    const [a, b] = [run.readingKinds[name], standard.readingKinds[name]];
    return a !== undefined && b !== undefined && a !== b;
  });
}
