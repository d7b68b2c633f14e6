import { carryThrustN } from '../craft/carryThrust.ts';
import type { CampaignInput, PropResult } from './campaign.ts';
import { pointOfRun, pointPlaces, type PointName, type RunPoint } from './pointOfRun.ts';
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

/** Settles the runs of one prop and says which count. */
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
    result.counted.push({ settled, points });
  }
  return result;
}

function whyLeftOut(input: CampaignInput, settled: SettledRun): { code: LeftOutCode; value: number | null; limit: number | null } | null {
  const { run, steps } = settled;
  if (steps.length < 2) return { code: 'tooFewSteps', value: steps.length, limit: 2 };
  if (input.gateCellV !== null && run.restingCellV !== null && run.restingCellV < input.gateCellV) return { code: 'belowGate', value: run.restingCellV, limit: input.gateCellV };
  return hasOtherKind(input, run) ? { code: 'readingKindDiffers', value: null, limit: null } : null;
}

/** Whether a run holds peaks where the reference's first run (or the first run of all) holds means, or the reverse. */
function hasOtherKind(input: CampaignInput, run: RunRecord): boolean {
  const standard = input.runs.find((r) => r.propModelId === input.referencePropId) ?? input.runs[0]!;
  return (['thrustN', 'currentA', 'voltageV', 'powerW', 'speedRpm'] as const).some((name) => {
    const [a, b] = [run.readingKinds[name], standard.readingKinds[name]];
    return a !== undefined && b !== undefined && a !== b;
  });
}
