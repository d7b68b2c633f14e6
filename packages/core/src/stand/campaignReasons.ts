import { bySeverity, type Reason } from '../figure/reason.ts';
import { mean } from '../statistics/describe.ts';
import { grubbsOutlier } from '../statistics/outliers.ts';
import { powerLawCrossing, powerLawFit, type PowerLawFit } from '../statistics/powerLaw.ts';
import { workingKey, type CampaignInput, type CampaignResults, type LimitName, type PropResult } from './campaign.ts';
import { leader, valueOf } from './campaignHeadline.ts';
import { checkedQuantities } from './instrumentCheck.ts';
import type { PointFigure, PointName } from './pointOfRun.ts';
import type { SortedRuns } from './sortRuns.ts';

/** Hovering above this share of full throttle leaves too little in hand. */
const HIGH_HOVER_THROTTLE = 0.65;
/** Thrust follows speed to about the second power; far from it something else is measured. */
const EXPONENT_RANGE = [1.85, 2.25] as const;
/**
 * Full-throttle voltage that differs more than this makes full-throttle figures incomparable where they are not
 * reduced.
 */
const VOLTAGE_TOLERANCE_RATIO = 0.02;
/** Less than this over an evening needs no word. */
const TOLD_DRIFT_RATIO = 0.003;
/** Voltages that lie closer together need no word. */
const TOLD_VOLTAGE_RATIO = 0.005;

/** More of the run-down than this taken by bearings is worth a look: air takes most of it. */
const DRY_SHARE = 0.3;
/** A hold that loses more than this is told. */
const FADE_RATIO = 0.05;

/** What the props told beside their curves. */
function responses({ props }: CampaignResults, name: (id: string) => string): Reason[] {
  const reasons: Reason[] = [];
  for (const { propModelId, points } of props) {
    const { riseS, keptThrustRatio: kept } = points.response;
    if (riseS?.comparison === 'less')
      reasons.push({
        code: 'quickest',
        severity: 'gain',
        values: {
          name: name(propModelId),
          riseS: riseS.figure.value,
          differenceRatio: -riseS.differenceRatio!,
          halfWidthRatio: riseS.differenceHalfWidthRatio!,
        },
        figure: riseS.figure.working,
      });
    if (kept && kept.figure.value < 1 - FADE_RATIO)
      reasons.push({
        code: 'fades',
        severity: 'caution',
        values: { name: name(propModelId), lossRatio: 1 - kept.figure.value },
        figure: kept.figure.working,
      });
  }
  // Bearings are the motor's, whatever prop is on it.
  const dry = props.flatMap((p) => p.points.response.dryShareRatio ?? []);
  const shareRatio = dry.length === 0 ? 0 : mean(dry.map((d) => d.figure.value));
  if (shareRatio > DRY_SHARE)
    reasons.push({ code: 'dryBearing', severity: 'caution', values: { shareRatio }, figure: dry[0]!.figure.working });
  return reasons;
}

/** Everything worth saying about a campaign, danger first. */
export function campaignReasons(
  input: CampaignInput,
  results: CampaignResults,
  sorted: ReadonlyMap<string, SortedRuns>,
): Reason[] {
  const reasons: Reason[] = [];
  const name = (id: string): string => input.props.find((p) => p.id === id)!.name;
  reasons.push(...breaches(results, name));
  const reference = results.props.find((p) => p.isReference);
  for (const prop of results.props)
    reasons.push(
      ...reasonsOfProp(input, results, prop, name(prop.propModelId), reference, sorted.get(prop.propModelId)!),
    );
  reasons.push(...otherProtocol(input, results, name));
  const fullOnly = results.props.filter((p) => p.isFullOnly).map((p) => name(p.propModelId));
  if (fullOnly.length > 0)
    reasons.push({
      code: 'fullOnly',
      severity: 'note',
      values: { names: fullOnly.join(', '), count: fullOnly.length, kind: results.kind },
      figure: null,
    });
  reasons.push(...leaders(results, name), ...reducedVoltage(results, sorted), ...instruments(results, sorted));
  for (const { propModelId, signs } of results.props) {
    const say = (code: 'bogs' | 'flattens', throttleRatio: number | null): void => {
      if (throttleRatio !== null)
        reasons.push({ code, severity: 'caution', values: { name: name(propModelId), throttleRatio }, figure: null });
    };
    say('bogs', signs?.bogsFromThrottleRatio ?? null);
    say('flattens', signs?.flattensFromThrottleRatio ?? null);
  }
  if (results.shakePeak !== null) {
    const { speedRpm, timesExpected: times, propCount: count } = results.shakePeak;
    reasons.push({ code: 'standRings', severity: 'caution', values: { speedRpm, times, count }, figure: null });
  }
  if (results.driftRatio !== null && Math.abs(results.driftRatio) > TOLD_DRIFT_RATIO)
    reasons.push({ code: 'drifted', severity: 'note', values: { driftRatio: results.driftRatio }, figure: null });
  reasons.push(...responses(results, name), ...crossings(results, name));
  if (results.props.some((p) => p.countedRunIds.length > 0) && results.degreesOfFreedom === 0) {
    reasons.push({ code: 'noRepeats', severity: 'action', values: {}, figure: null });
  }
  if (input.runs.length > 0 && (!reference || reference.countedRunIds.length === 0)) {
    reasons.push({
      code: 'referenceMissing',
      severity: 'action',
      values: { name: reference ? name(reference.propModelId) : '' },
      figure: null,
    });
  }
  return bySeverity(reasons);
}

/** Which props are to be run again because the evening is run another way now. */
function otherProtocol(
  { protocolVersion }: CampaignInput,
  { props }: CampaignResults,
  name: (id: string) => string,
): Reason[] {
  const others = props.filter((p) => p.leftOut.some((l) => l.code === 'otherProtocol'));
  const missing = others.filter((p) => p.countedRunIds.length === 0).map((p) => name(p.propModelId));
  const count = others.reduce((sum, p) => sum + p.leftOut.filter((l) => l.code === 'otherProtocol').length, 0);
  if (count === 0) return [];
  return [
    {
      code: missing.length === 0 ? 'protocolChanged' : 'protocolRepeat',
      severity: missing.length === 0 ? 'note' : 'action',
      values: { version: protocolVersion, count, names: missing.join(', ') },
      figure: null,
    },
  ];
}

/** What was corrected by a check, and which checks were too old when they were leant on. */
function instruments({ corrections }: CampaignResults, sorted: ReadonlyMap<string, SortedRuns>): Reason[] {
  const told = corrections.map(({ quantity, factor, day, runCount }): Reason => ({
    code: `corrected.${quantity}`,
    severity: 'note',
    values: { factor, day, count: runCount },
    figure: null,
  }));
  const stale = [...sorted.values()].flatMap((s) => s.counted.flatMap((r) => r.settled.run.staleChecks));
  const oldest = checkedQuantities.flatMap((quantity): Reason[] => {
    const days = stale.filter((s) => s.quantity === quantity).map((s) => s.ageDays);
    return days.length === 0
      ? []
      : [
          {
            code: `staleCheck.${quantity}`,
            severity: 'caution',
            values: { days: Math.max(...days) },
            figure: null,
          },
        ];
  });
  return [...told, ...oldest];
}

/** To which voltage full throttle is reduced, once it matters. */
function reducedVoltage({ fullVoltageV }: CampaignResults, sorted: ReadonlyMap<string, SortedRuns>): Reason[] {
  const fromV = [...sorted.values()].flatMap((s) => s.counted.flatMap((r) => r.points.full?.reduction?.fromV ?? []));
  if (fullVoltageV === null || fromV.length < 2) return [];
  const [lowV, highV] = [Math.min(...fromV), Math.max(...fromV)];
  return highV / lowV - 1 < TOLD_VOLTAGE_RATIO
    ? []
    : [{ code: 'reducedToVoltage', severity: 'note', values: { voltageV: fullVoltageV, lowV, highV }, figure: null }];
}

function reasonsOfProp(
  input: CampaignInput,
  results: CampaignResults,
  prop: PropResult,
  name: string,
  reference: PropResult | undefined,
  runs: SortedRuns,
): Reason[] {
  const reasons: Reason[] = [];
  const key = (point: PointName, figure: PointFigure): string => workingKey(prop.propModelId, point, figure);
  if (prop.canHover === false) {
    const top = prop.curve.reduce((most, c) => Math.max(most, c.thrustN), 0);
    reasons.push({
      code: 'cannotHover',
      severity: 'danger',
      values: { name, thrustN: top, neededN: results.carryThrustN! },
      figure: null,
    });
  }
  for (const left of prop.leftOut.filter((l) => l.code !== 'otherProtocol')) {
    reasons.push({
      code: `leftOut.${left.code}`,
      severity: 'caution',
      values: {
        name,
        ordinal: left.ordinal,
        ...(left.value === null ? {} : { value: left.value }),
        ...(left.limit === null ? {} : { limit: left.limit }),
      },
      figure: null,
    });
  }
  const dropped = runs.counted.reduce((sum, r) => sum + r.settled.droppedCount, 0);
  if (dropped > 0)
    reasons.push({ code: 'rowsDropped', severity: 'note', values: { name, count: dropped }, figure: null });
  const hover = valueOf(prop, 'hover', 'throttleRatio');
  if (hover !== null && hover > HIGH_HOVER_THROTTLE)
    reasons.push({
      code: 'highHover',
      severity: 'caution',
      values: { name, throttleRatio: hover, craft: input.craft.name, kind: results.kind },
      figure: key('hover', 'throttleRatio'),
    });
  if (
    prop.thrustExponent !== null &&
    (prop.thrustExponent < EXPONENT_RANGE[0] || prop.thrustExponent > EXPONENT_RANGE[1])
  ) {
    reasons.push({
      code: 'thrustExponent',
      severity: 'caution',
      values: { name, exponent: prop.thrustExponent },
      figure: null,
    });
  }
  const own = valueOf(prop, 'full', 'voltageV');
  const other = reference ? valueOf(reference, 'full', 'voltageV') : null;
  const isReduced = runs.counted.every((r) => r.points.full === undefined || r.points.full.reduction !== null);
  if (
    own !== null &&
    other !== null &&
    !prop.isReference &&
    !isReduced &&
    Math.abs(own / other - 1) > VOLTAGE_TOLERANCE_RATIO
  ) {
    reasons.push({
      code: 'voltageDiffers',
      severity: 'caution',
      values: { name, value: own, other },
      figure: key('full', 'voltageV'),
    });
  }
  const thrusts = runs.counted.map((r) => r.points.full?.values.thrustN).filter((v) => v !== undefined);
  if (thrusts.length >= 3) {
    const grubbs = grubbsOutlier(thrusts);
    const usual = mean(thrusts);
    // Three runs that agree within 1 % hold no outlier worth a sentence, however even the other two are.
    if (grubbs.isOutlier && Math.abs(thrusts[grubbs.index]! / usual - 1) > 0.01) {
      reasons.push({
        code: 'outlierRun',
        severity: 'caution',
        values: {
          name,
          ordinal: runs.counted[grubbs.index]!.settled.run.ordinal,
          thrustN: thrusts[grubbs.index]!,
          mean: usual,
        },
        figure: key('full', 'thrustN'),
      });
    }
  }
  const difference = prop.points.full.thrustN;
  if (difference?.comparison === 'same' && reference) {
    reasons.push({
      code: 'sameThrust',
      severity: 'note',
      values: {
        name,
        differenceRatio: difference.differenceRatio!,
        halfWidthRatio: difference.differenceHalfWidthRatio!,
      },
      figure: key('full', 'thrustN'),
    });
  }
  return reasons;
}

const BREACH_FIGURES: Record<LimitName, PointFigure | null> = {
  escCurrent: 'currentA',
  motorCurrent: 'currentA',
  makerSpeed: 'speedRpm',
  clearance: null,
};

/** One sentence a limit: the prop that passes it furthest, and how many others do. */
function breaches(results: CampaignResults, name: (id: string) => string): Reason[] {
  return (Object.keys(BREACH_FIGURES) as LimitName[]).flatMap((limit): Reason[] => {
    const found = results.props.flatMap((p) =>
      p.breaches.filter((b) => b.limit === limit).map((breach) => ({ breach, id: p.propModelId })),
    );
    if (found.length === 0) return [];
    const worst = found.reduce((a, b) =>
      b.breach.value / b.breach.limitValue > a.breach.value / a.breach.limitValue ? b : a,
    );
    const others = found.filter((f) => f !== worst).map((f) => name(f.id));
    const { value, limitValue, fromThrottleRatio } = worst.breach;
    const figure = BREACH_FIGURES[limit];
    return [
      {
        code: others.length === 0 ? `breach.${limit}` : `breaches.${limit}`,
        severity: 'danger',
        values: {
          name: name(worst.id),
          value,
          limit: limitValue,
          others: others.join(', '),
          ...(fromThrottleRatio === null ? {} : { throttleRatio: fromThrottleRatio }),
        },
        figure: figure === null ? null : workingKey(worst.id, 'full', figure),
      },
    ];
  });
}

function leaders(results: CampaignResults, name: (id: string) => string): Reason[] {
  const reasons: Reason[] = [];
  const strongest = leader(results, 'full', 'thrustN');
  const gain = strongest?.points.full.thrustN;
  if (strongest && gain?.comparison === 'more') {
    reasons.push({
      code: 'mostThrust',
      severity: 'gain',
      values: {
        name: name(strongest.propModelId),
        thrustN: gain.figure.value,
        differenceRatio: gain.differenceRatio!,
        halfWidthRatio: gain.differenceHalfWidthRatio!,
      },
      figure: gain.figure.working,
    });
  }
  const thriftiest = leader(results, 'hover', 'thrustPerPowerNPerW');
  const saving = thriftiest?.points.hover.powerW;
  if (thriftiest && saving?.comparison === 'less') {
    reasons.push({
      code: 'leastHoverPower',
      severity: 'gain',
      values: {
        name: name(thriftiest.propModelId),
        powerW: saving.figure.value,
        differenceRatio: -saving.differenceRatio!,
        halfWidthRatio: saving.differenceHalfWidthRatio!,
        kind: results.kind,
      },
      figure: saving.figure.working,
    });
  }
  return reasons;
}

/** Power laws hold so far beyond what was measured; what they say there is told as extended. */
const FURTHEST_EXTENDED = 1.4;

/**
 * Where a prop's thrust against power crosses the reference's, the slopes really different; beyond the measured,
 * extended.
 */
function crossings(results: CampaignResults, name: (id: string) => string): Reason[] {
  const reference = results.props.find((p) => p.isReference);
  const base = reference && thrustAgainstPower(reference);
  if (!base) return [];
  return results.props.flatMap((prop): Reason[] => {
    const fit = prop.isReference ? null : thrustAgainstPower(prop);
    const crossing = fit && powerLawCrossing(base, fit);
    if (crossing?.status !== 'crosses' || !crossing.isSlopeDifferent) return [];
    const isNear = [base, fit!].every(
      ({ lowX, highX }) => crossing.x >= lowX / FURTHEST_EXTENDED && crossing.x <= highX * FURTHEST_EXTENDED,
    );
    if (!isNear) return [];
    const isBetterAbove = fit!.exponent > base.exponent;
    return [
      {
        code: isBetterAbove ? 'betterAbove' : 'betterBelow',
        severity: 'note',
        values: {
          name: name(prop.propModelId),
          reference: name(reference.propModelId),
          powerW: crossing.x,
          lowW: crossing.xLow,
          highW: crossing.xHigh,
          isExtended: crossing.isInsideBothRanges ? 0 : 1,
          thrustN: crossing.y,
        },
        figure: null,
      },
    ];
  });
}

function thrustAgainstPower(prop: PropResult): PowerLawFit | null {
  const points = prop.curve.filter((c) => (c.powerW ?? 0) > 0 && c.thrustN > 0);
  if (points.length < 4) return null;
  return powerLawFit(
    points.map((c) => c.powerW!),
    points.map((c) => c.thrustN),
    100,
  );
}
