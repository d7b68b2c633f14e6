import { carryThrustN } from '../craft/carryThrust.ts';
import type { Figure, Origin } from '../figure/figure.ts';
import type { Dimension } from '../units/dimensions.ts';
import { mean } from '../statistics/describe.ts';
import { pooledHalfWidthRatio } from '../statistics/pooledSpread.ts';
import { powerLawFit } from '../statistics/powerLaw.ts';
import {
  standardThrustKey,
  workingKey,
  type CampaignInput,
  type CampaignProp,
  type CampaignResults,
  type ComparedFigure,
  type PropResult,
} from './campaign.ts';
import { campaignHeadline } from './campaignHeadline.ts';
import { campaignReasons } from './campaignReasons.ts';
import { curveSigns, shakePeak, winnersByThrust } from './curveSigns.ts';
import { breachesOf } from './limits.ts';
import {
  pointFigures,
  pointNames,
  responseFigures,
  type PointFigure,
  type PointName,
  type ReadFigure,
  type ResponseFigure,
} from './pointOfRun.ts';
import { readAt, type CurvePoint } from './readAt.ts';
import { standQuantities } from './quantities.ts';
import type { SettledRun } from './settleRun.ts';
import { campaignRuns, type CampaignRuns, type CountedRun, type SortedRuns } from './sortRuns.ts';
import { reduceToStandardDay } from './standardDay.ts';
import {
  commonRatio,
  differenceOf,
  driftFactor,
  figureSpread,
  settledValue,
  type FigureSpread,
  type PlacedValue,
} from './uncertainty.ts';

const DIMENSIONS: Record<PointFigure, Dimension> = {
  ...standQuantities,
  thrustPerPowerNPerW: 'thrustPerPower',
  thrustPerCurrentNPerA: 'thrustPerCurrent',
  ...responseFigures,
};

/** Dimension in which a figure at a point is shown. */
export function figureDimension(figure: PointFigure): Dimension {
  return DIMENSIONS[figure];
}

/**
 * Reduces the runs of one campaign to figures a prop, with their uncertainty and difference to the reference.
 *
 * A figure is the mean over the runs that count. Its 95 % half width comes from the spread between runs of the same
 * prop, pooled over the whole campaign, so two runs of each of seven props give seven degrees of freedom. Two props
 * differ only where the difference exceeds its own interval. Full throttle is reduced to one voltage through the motor.
 * Runs below the pack gate, with another reading kind than the reference, with readings that cannot be, or with fewer
 * than two usable steps are listed and left out; a single
 * step at full throttle counts there.
 *
 * @param input - one craft, its props and kept runs of one protocol version, SI
 * @returns results in the order of `input.props`, a coded headline and coded reasons
 * @throws {OutOfRangeError} if the craft's mass is not positive or a reading is not finite
 */
export function reduceCampaign(input: CampaignInput): CampaignResults {
  return reduceRigs([input])[0]!;
}

/**
 * The same for one campaign on several rigs, other motors or other packs of the craft: each is reduced by itself, and
 * compared with its own reference; how well a run repeats is the stand's, and is pooled over all of them.
 *
 * @returns results in the order of the inputs
 * @throws {OutOfRangeError} as {@link reduceCampaign}
 */
export function reduceRigs(inputs: readonly CampaignInput[]): CampaignResults[] {
  const runs = inputs.map(campaignRuns);
  const spreads = campaignSpreads(runs);
  return inputs.map((input, i) => resultsOf(input, runs[i]!, spreads));
}

function resultsOf(
  input: CampaignInput,
  { of: sorted, fullVoltageV }: CampaignRuns,
  spreads: Map<string, FigureSpread>,
): CampaignResults {
  const hoverN = carryThrustN(input.craft.massKg, input.craft.rotorCount, input.craft.kind);
  const reference = input.referencePropId === null ? undefined : sorted.get(input.referencePropId);
  const props = input.props.map((prop) => propResult(input, prop, sorted.get(prop.id)!, reference, spreads, hoverN));
  const spread = spreads.get('full:thrustN') ?? null;
  const results: CampaignResults = {
    kind: input.craft.kind,
    carryThrustN: hoverN,
    chosenThrottleRatio: input.chosenThrottleRatio,
    fullVoltageV,
    props,
    escLimitPowerW: escLimitPower(input, props),
    spreadRatio: spread?.spreadRatio ?? null,
    degreesOfFreedom: spread?.degreesOfFreedom ?? 0,
    driftRatio: driftRatio([...sorted.values()], spread),
    shakePeak: shakePeak([...sorted.values()].flatMap((s) => s.counted.map((r) => r.settled))),
    winners: winnersByThrust(
      props.filter((p) => p.breaches.length === 0),
      (spreads.get('hover:powerW') ?? spreads.get('full:powerW'))?.halfWidthRatio ?? 0,
    ),
    corrections: correctionsOf([...sorted.values()].flatMap((s) => s.counted)),
    headline: { code: 'noRuns', severity: 'action', values: {}, figure: null },
    reasons: [],
  };
  return { ...results, headline: campaignHeadline(input, results), reasons: campaignReasons(input, results, sorted) };
}

/** Each correction once, with how many of the runs it was made to. */
export function correctionsOf(counted: readonly CountedRun[]): CampaignResults['corrections'] {
  const made = new Map<string, CampaignResults['corrections'][number]>();
  for (const correction of counted.flatMap((r) => r.settled.run.corrections)) {
    const { runCount } = made.get(correction.checkId) ?? { runCount: 0 };
    made.set(correction.checkId, { ...correction, runCount: runCount + 1 });
  }
  return [...made.values()];
}

function escLimitPower(input: CampaignInput, props: PropResult[]): number | null {
  const voltages = props.map((p) => p.points.full.voltageV?.figure.value).filter((v) => v !== undefined);
  return input.craft.escLimitA === null || voltages.length === 0 ? null : input.craft.escLimitA * mean(voltages);
}

/** Figures of the counted runs by `point:figure`, gathered once for runs that are asked many times. */
const gathered = new WeakMap<SortedRuns, ReadonlyMap<string, PlacedValue[]>>();

function gather({ counted }: SortedRuns): ReadonlyMap<string, PlacedValue[]> {
  const found = new Map<string, PlacedValue[]>();
  for (const { points, settled } of counted)
    for (const [point, { values }] of Object.entries(points))
      for (const [figure, value] of Object.entries(values)) {
        const key = `${point}:${figure}`;
        const entry = { value, place: settled.run.place };
        const known = found.get(key);
        if (known) known.push(entry);
        else found.set(key, [entry]);
      }
  return found;
}

const NOTHING: readonly PlacedValue[] = [];

/** Every counted run's figure at a point, in the order of the runs. */
export function valuesAt(runs: SortedRuns, point: PointName, figure: PointFigure): readonly PlacedValue[] {
  let own = gathered.get(runs);
  if (!own) gathered.set(runs, (own = gather(runs)));
  return own.get(`${point}:${figure}`) ?? NOTHING;
}

/** How every figure at every point repeats, over all props and rigs, by `point:figure`. */
export function campaignSpreads(rigs: readonly CampaignRuns[]): Map<string, FigureSpread> {
  const all = rigs.flatMap(({ of }) => [...of.values()]);
  const spreads = new Map<string, FigureSpread>();
  for (const point of pointNames) {
    for (const figure of pointFigures) {
      const groups = all.map((runs) => valuesAt(runs, point, figure)).filter((group) => group.length > 0);
      const spread = figureSpread(groups);
      if (spread) spreads.set(`${point}:${figure}`, spread);
    }
  }
  return spreads;
}

function propResult(
  input: CampaignInput,
  prop: CampaignProp,
  runs: SortedRuns,
  reference: SortedRuns | undefined,
  spreads: Map<string, FigureSpread>,
  hoverN: number | null,
): PropResult {
  const isReference = prop.id === input.referencePropId;
  const points: PropResult['points'] = { full: {}, hover: {}, chosen: {}, response: {} };
  for (const point of pointNames) {
    for (const figure of pointFigures) {
      const against = isReference || !reference ? NOTHING : valuesAt(reference, point, figure);
      const compared = comparedFigure(prop.id, point, figure, runs, against, spreads.get(`${point}:${figure}`) ?? null);
      if (compared) points[point][figure] = compared;
    }
  }
  const curve = meanCurve(runs);
  return {
    propModelId: prop.id,
    isReference,
    countedRunIds: runs.counted.map((r) => r.settled.run.id),
    leftOut: runs.leftOut,
    origin: originOf(runs),
    points,
    canHover: canHover(runs, points, hoverN),
    isFullOnly: isFullOnly(runs),
    standardThrust: standardThrust(prop.id, runs, spreads.get('full:thrustN') ?? null),
    breaches: breachesOf(
      input.craft,
      prop,
      runs.counted.map((r) => r.settled),
    ),
    thrustExponent: thrustExponent(runs),
    signs: runs.counted.length === 0 ? null : curveSigns(runs.counted.at(-1)!.settled),
    curve,
    line: drawnLine(curve),
  };
}

/** Whether every run that counts was read at full throttle and nowhere else. */
function isFullOnly({ counted }: SortedRuns): boolean {
  return counted.length > 0 && counted.every((r) => r.settled.steps.length === 1 && r.points.full !== undefined);
}

/**
 * Whether the craft is carried: read off the curve; of full throttle alone by its thrust, with no word on how much
 * throttle.
 */
function canHover(runs: SortedRuns, points: PropResult['points'], hoverN: number | null): boolean | null {
  if (runs.counted.length === 0 || hoverN === null) return null;
  if (points.hover.throttleRatio !== undefined) return true;
  return isFullOnly(runs) && (points.full.thrustN?.figure.value ?? 0) >= hoverN;
}

function comparedFigure(
  propModelId: string,
  point: PointName,
  figure: PointFigure,
  runs: SortedRuns,
  reference: readonly PlacedValue[],
  spread: FigureSpread | null,
): ComparedFigure | null {
  const values = valuesAt(runs, point, figure);
  if (values.length === 0) return null;
  const drift = spread?.drift ?? null;
  const settled = (all: readonly PlacedValue[]): number => mean(all.map((v) => settledValue(v, drift)));
  const value = settled(values);
  const isExtended =
    !isResponse(figure) && runs.counted.some((r) => r.points[point]?.readings[readBehind(figure)]?.isExtended);
  const repeatHalfWidthRatio = spread ? pooledHalfWidthRatio(spread, values.length) : null;
  const common = commonRatio(figure, runs.counted[0]!.settled.run.corrections);
  const shown: Figure = {
    value,
    dimension: figureDimension(figure),
    mark: isExtended ? 'extended' : 'measured',
    origin: originOf(runs),
    uncertainty: repeatHalfWidthRatio === null ? null : Math.abs(value) * Math.hypot(repeatHalfWidthRatio, common),
    working: workingKey(propModelId, point, figure),
  };
  if (reference.length === 0)
    return {
      figure: shown,
      runCount: values.length,
      repeatHalfWidthRatio,
      differenceRatio: null,
      differenceHalfWidthRatio: null,
      comparison: 'unknown',
    };
  const difference = spread && differenceOf(spread, values, reference);
  const differenceRatio = difference?.ratio ?? value / settled(reference) - 1;
  const differenceHalfWidthRatio = difference?.halfWidth ?? null;
  const comparison =
    differenceHalfWidthRatio === null
      ? 'unknown'
      : Math.abs(differenceRatio) <= differenceHalfWidthRatio
        ? 'same'
        : differenceRatio > 0
          ? 'more'
          : 'less';
  return {
    figure: shown,
    runCount: values.length,
    repeatHalfWidthRatio,
    differenceRatio,
    differenceHalfWidthRatio,
    comparison,
  };
}

/** How full-throttle thrust moved between the first and the last of the counted runs. */
function driftRatio(sorted: SortedRuns[], spread: FigureSpread | null): number | null {
  const places = sorted.flatMap((runs) => runs.counted.map((r) => r.settled.run.place));
  if (!spread?.drift || places.length === 0) return null;
  return Math.exp(spread.drift.perPlace * (Math.max(...places) - Math.min(...places))) - 1;
}

const isResponse = (figure: PointFigure): figure is ResponseFigure => figure in responseFigures;

/** The reading that a figure leans on most, for saying whether it is extended. */
function readBehind(figure: Exclude<PointFigure, ResponseFigure>): ReadFigure {
  if (figure === 'thrustPerPowerNPerW') return 'powerW';
  return figure === 'thrustPerCurrentNPerA' ? 'currentA' : figure;
}

/** Full-throttle thrust in standard air at the speed it was measured at; the motor would turn a little slower there. */
function standardThrust(propModelId: string, runs: SortedRuns, spread: FigureSpread | null): Figure | null {
  const values = runs.counted.flatMap(({ points, settled }) => {
    const { thrustN, speedRpm, powerW } = points.full?.values ?? {};
    if (thrustN === undefined || speedRpm === undefined) return [];
    const { densityKgPerM3, place } = settled.run;
    const standard = reduceToStandardDay(
      { thrustN, speedRpm, powerW: powerW ?? 0, torqueNm: null },
      densityKgPerM3,
      null,
    );
    return [standard.thrustN * driftFactor(place, spread?.drift ?? null)];
  });
  if (values.length === 0) return null;
  const value = mean(values);
  return {
    value,
    dimension: 'force',
    mark: 'measured',
    origin: originOf(runs),
    uncertainty: spread ? value * pooledHalfWidthRatio(spread, values.length) : null,
    working: standardThrustKey(propModelId),
  };
}

/** One origin for a prop's runs; the least direct one where they differ, so that simulated never hides. */
function originOf(runs: SortedRuns): Origin | null {
  const origins = runs.counted.map((r) => r.settled.run.origin);
  return (['simulated', 'imported', 'typed', 'stand'] as const).find((o) => origins.includes(o)) ?? null;
}

function thrustExponent(runs: SortedRuns): number | null {
  const steps = runs.counted
    .flatMap((r) => r.settled.steps)
    .filter((s) => (s.speedRpm ?? 0) > 0 && (s.thrustN ?? 0) > 0);
  const speeds = steps.map((s) => s.speedRpm!);
  if (steps.length < 3 || Math.max(...speeds) < 1.05 * Math.min(...speeds)) return null;
  return powerLawFit(
    speeds,
    steps.map((s) => s.thrustN!),
    10_000,
  ).exponent;
}

const POINTS_PER_SEGMENT = 6;

function drawnLine(curve: PropResult['curve']): PropResult['line'] {
  const points: CurvePoint[] = [];
  for (const { powerW, thrustN } of curve)
    if (powerW !== null && powerW > (points.at(-1)?.x ?? 0)) points.push({ x: powerW, y: thrustN });
  if (points.length < 2) return points.map(({ x, y }) => ({ powerW: x, thrustN: y }));
  return points.flatMap(({ x, y }, i) => {
    const next = points[i + 1];
    const inside = next
      ? Array.from({ length: POINTS_PER_SEGMENT - 1 }, (_, k) => x + ((next.x - x) * (k + 1)) / POINTS_PER_SEGMENT)
      : [];
    return [{ powerW: x, thrustN: y }, ...inside.map((powerW) => ({ powerW, thrustN: readAt(points, powerW).value }))];
  });
}

function meanCurve(runs: SortedRuns): PropResult['curve'] {
  const groups = new Map<number, SettledRun['steps']>();
  for (const step of runs.counted.flatMap((r) => r.settled.steps)) {
    const key = Math.round(step.throttleRatio! * 1000);
    groups.set(key, [...(groups.get(key) ?? []), step]);
  }
  const meanOf = (values: (number | null)[]): number | null => {
    const known = values.filter((v) => v !== null);
    return known.length === 0 ? null : mean(known);
  };
  return [...groups.entries()]
    .sort(([a], [b]) => a - b)
    .map(([key, steps]) => ({
      throttleRatio: key / 1000,
      thrustN: mean(steps.map((s) => s.thrustN!)),
      powerW: meanOf(steps.map((s) => s.powerW)),
      speedRpm: meanOf(steps.map((s) => s.speedRpm)),
      currentA: meanOf(steps.map((s) => s.currentA)),
    }));
}
