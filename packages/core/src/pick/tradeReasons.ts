import type { Reason } from '../figure/reason.ts';
import { cellResistance, packMostPowerW } from '../powertrain/pack.ts';
import { cellVoltages } from '../powertrain/packChemistry.ts';
import { MOST_PICK_MACH, type WorkedProp } from './evaluateCandidate.ts';
import type { PickSetting } from './pickCraft.ts';
import { brokenLimits, closestLimit, type PickFigures, type PickLimit } from './pickFigures.ts';
import { goodness, type Scale } from './scores.ts';
import { criteria, criterionNames, type CriterionName, type Weights } from './uses.ts';

/** What sentences about a prop need of its craft. */
export type PickPlace = Pick<PickSetting, 'craft' | 'air'>;

/** What one wish gains or pays against the present prop. */
export interface Trade {
  criterion: CriterionName;
  value: number;
  reference: number;
  /** More than anybody would notice, for the better. */
  isGain: boolean;
  /** Less than anybody would notice. */
  isSame: boolean;
  /** How much it counts: the share of the scale it moves, times its weight. */
  weight: number;
}

/**
 * What a candidate gains and pays against the present prop, the weightiest first. A change under the smallest
 * difference that matters is *the same*, whatever its sign.
 */
export function tradesOf(candidate: PickFigures, reference: PickFigures, scale: Scale, weights: Weights): Trade[] {
  const trades = criterionNames.map((criterion): Trade => {
    const { figure, direction, isLogarithmic, smallestDifference } = criteria[criterion];
    const [value, own] = [candidate[figure], reference[figure]];
    const change = direction * (isLogarithmic ? Math.log(value / own) : value - own);
    const moved = Math.abs(goodness(scale, criterion, value) - goodness(scale, criterion, own));
    return {
      criterion,
      value,
      reference: own,
      isGain: change > 0,
      isSame: !(Math.abs(change) >= smallestDifference),
      weight: weights[criterion] * moved,
    };
  });
  return trades.sort((a, b) => b.weight - a.weight);
}

/** A value that a limit is held against, and what is allowed, in SI. */
export function limitValues(
  { craft, air }: PickPlace,
  { geometry, facts, figures, margins, fullSpeedRpm }: WorkedProp,
  limit: PickLimit,
): { value: number; allowed: number } {
  const margin = margins[limit];
  const from = (value: number): { value: number; allowed: number } => ({ value, allowed: value / margin });
  switch (limit) {
    case 'clearance':
    case 'neighbours':
      return from(geometry.diameterM);
    case 'ground':
      return { value: geometry.diameterM / 2, allowed: craft.groundClearanceM ?? NaN };
    case 'boom':
      return { value: geometry.diameterM / 2, allowed: craft.boomClearanceM ?? NaN };
    case 'carry':
      return from(figures.carryThrottleRatio);
    case 'escCurrent':
    case 'motorCurrent':
      return from(figures.fullCurrentA);
    case 'motorHeat':
      return {
        value: figures.motorTemperatureC,
        allowed: craft.airC + (figures.motorTemperatureC - craft.airC) / margin,
      };
    case 'packSag': {
      const mostPowerW = packMostPowerW(craft.pack);
      return { value: margin * mostPowerW, allowed: mostPowerW };
    }
    case 'tipSpeed':
      return {
        value: Number.isFinite(figures.tipSpeedMPerS)
          ? figures.tipSpeedMPerS
          : margin * MOST_PICK_MACH * air.soundSpeedMPerS,
        allowed: MOST_PICK_MACH * air.soundSpeedMPerS,
      };
    case 'makerSpeed':
      return from(fullSpeedRpm);
    case 'bore':
      return { value: craft.shaftDiameterM ?? NaN, allowed: facts.boreDiameterM ?? NaN };
    case 'stock':
      return {
        value: craft.needed.cwCount + craft.needed.ccwCount,
        allowed:
          Math.min(craft.needed.cwCount, facts.stock?.cwCount ?? 0) +
          Math.min(craft.needed.ccwCount, facts.stock?.ccwCount ?? 0),
      };
  }
}

/** A limit as a reason: what it is, how near or how far beyond. */
export function limitReason(setting: PickPlace, candidate: WorkedProp, name: string, limit: PickLimit): Reason {
  const isBroken = candidate.margins[limit] > 1;
  const values = limitValues(setting, candidate, limit);
  const isUnknown = !Number.isFinite(values.value);
  return {
    code: !isBroken
      ? `pick.closest.${limit}`
      : isUnknown && (limit === 'carry' || limit === 'packSag')
        ? `pick.cannot.${limit}`
        : `pick.barred.${limit}`,
    severity: isBroken ? 'danger' : 'note',
    values: { name, ...values, leftRatio: 1 - candidate.margins[limit], overRatio: candidate.margins[limit] - 1 },
    figure: null,
  };
}

/** Most gains and prices that are told of one candidate. */
const TOLD = 3;

export interface NamedCandidate {
  name: string;
  candidate: WorkedProp;
}

/**
 * A candidate in sentences: what it gains, what it pays, what limit it comes nearest to; or what bars it. Every
 * sentence carries numbers of this craft.
 *
 * @param reference - the present prop; null tells the limit alone
 */
export function candidateReasons(
  setting: PickPlace,
  { name, candidate }: NamedCandidate,
  reference: NamedCandidate | null,
  scale: Scale,
  weights: Weights,
): Reason[] {
  const broken = brokenLimits(candidate.margins);
  if (broken.length > 0) return broken.slice(0, TOLD).map((limit) => limitReason(setting, candidate, name, limit));
  const reasons: Reason[] = [];
  if (reference) {
    const trades = tradesOf(candidate.figures, reference.candidate.figures, scale, weights).filter(
      (t) => Number.isFinite(t.value) && Number.isFinite(t.reference),
    );
    const told = [
      ...trades.filter((t) => !t.isSame && t.isGain).slice(0, TOLD),
      ...trades.filter((t) => !t.isSame && !t.isGain).slice(0, TOLD),
    ];
    for (const trade of told) reasons.push(tradeReason(trade, name, reference.name));
    if (told.length === 0) reasons.push(sameReason(trades, name, reference.name));
  }
  const sag = sagReason(setting, candidate);
  if (sag) reasons.push(sag);
  reasons.push(limitReason(setting, candidate, name, closestLimit(candidate.margins).limit));
  return reasons;
}

/** What a pack that sags under its empty voltage costs, as a caution; null where it does not. */
export function sagReason(
  { craft }: Pick<PickPlace, 'craft'>,
  { figures }: Pick<WorkedProp, 'figures'>,
): Reason | null {
  const { emptyV } = cellVoltages[craft.pack.chemistry];
  if (!(figures.sagCellV < emptyV)) return null;
  return {
    code: 'pick.sag',
    severity: 'caution',
    values: { sagCellV: figures.sagCellV, emptyV, lossRatio: figures.sagLossRatio },
    figure: 'sagCellV',
  };
}

/**
 * What a prediction for a craft takes for granted: where its pack's resistance comes from, what its ducts are assumed
 * to give.
 */
export function assumptionReasons({ craft }: Pick<PickPlace, 'craft'>): Reason[] {
  const { ohm, source } = cellResistance(craft.pack);
  const reasons: Reason[] = [
    {
      code: `pick.pack.${source}`,
      severity: 'note',
      values: { milliohm: 1000 * ohm, cRating: craft.pack.cRating ?? 0 },
      figure: null,
    },
  ];
  if (craft.ductThrustRatio !== null)
    reasons.push({
      code: 'pick.duct',
      severity: 'note',
      values: { gainRatio: craft.ductThrustRatio - 1 },
      figure: null,
    });
  return reasons;
}

function tradeReason({ criterion, value, reference, isGain }: Trade, name: string, referenceName: string): Reason {
  return {
    code: `pick.${isGain ? 'gains' : 'pays'}.${criterion}`,
    severity: isGain ? 'gain' : 'caution',
    values: {
      name,
      reference: referenceName,
      value,
      other: reference,
      difference: value - reference,
      differenceRatio: value / reference - 1,
    },
    figure: criteria[criterion].figure,
  };
}

function sameReason(trades: readonly Trade[], name: string, referenceName: string): Reason {
  const first = trades[0];
  return {
    code: 'pick.same',
    severity: 'note',
    values: {
      name,
      reference: referenceName,
      differenceRatio: first ? first.value / first.reference - 1 : 0,
      criterion: first?.criterion ?? 'minutes',
    },
    figure: first ? criteria[first.criterion].figure : null,
  };
}
