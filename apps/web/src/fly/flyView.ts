import type { FlyView } from '@zivvo/contract';
import type { AirFigure, FlightFigureName, FlownProp } from '@zivvo/core';
import { formatNumber, formatShare, upperFirst } from '@zivvo/words';

/** A figure of the air in words. */
export function flightFigureText(name: FlightFigureName, value: number): string {
  switch (name) {
    case 'climbRateMPerS':
    case 'airspeedMPerS':
      return `${formatNumber(value, 1)} m/s`;
    case 'passCurrentA':
    case 'hoverCurrentA':
      return `${formatNumber(value, 1)} A`;
    case 'hoverThrottleRatio':
      return formatShare(value, 0);
    case 'enduranceS':
      return `${formatNumber(value / 60, 1)} min`;
    case 'takeOffRollM':
      return `${formatNumber(value, 0)} m`;
  }
}

/** How a figure stands against the reference, as short as a cell takes. */
export function againstText({ differenceRatio, comparison, count }: AirFigure): string {
  if (differenceRatio === null) return count > 1 ? `${count} flights` : 'once';
  const share = `${differenceRatio > 0 ? '+' : '−'}${formatShare(Math.abs(differenceRatio), 0)}`;
  return comparison === 'same' ? 'the same' : comparison === 'untold' ? `${share}, once` : share;
}

/** The answer of the page: what the air says of these props. */
export function flyHeadline({ comparison, total }: FlyView): string {
  if (total === 0) return 'Nothing is flown by protocol yet';
  const counting = comparison.props.filter((p) => p.flightCount > 0);
  if (counting.length === 0) return `${total} to fly again before anything counts`;
  const told = comparison.props.filter((p) => p.figures.climbRateMPerS?.comparison === 'more');
  if (told.length > 0) {
    const [best] = told;
    const ratio = best!.figures.climbRateMPerS!.differenceRatio!;
    return `${best!.propName} climbs ${formatShare(ratio, 0)} faster than the reference`;
  }
  const reference = comparison.props.find((p) => p.isReference);
  if (counting.length === 1) return `${counting[0]!.propName} is flown; no other prop beside it yet`;
  if (!reference || reference.flightCount === 0) return 'The reference is not flown yet: nothing is held against it';
  const [longest] = comparison.props
    .filter((p) => p.figures.enduranceS?.comparison === 'more')
    .sort((a, b) => b.figures.enduranceS!.differenceRatio! - a.figures.enduranceS!.differenceRatio!);
  const climbs = comparison.props.some((p) => p.figures.climbRateMPerS?.comparison === 'less')
    ? 'no prop climbs faster than the reference'
    : 'the climb tells none apart';
  return longest
    ? `${longest.propName} stays up ${formatShare(longest.figures.enduranceS!.differenceRatio!, 0)} longer; ${climbs}`
    : upperFirst(climbs);
}

/** Amps in the air over amps on the stand, both at full throttle; null where one is missing. */
export function airOverStand(prop: FlownProp, standing: FlyView['static']): number | null {
  const stand = standing.find((s) => s.propModelId === prop.propId)?.fullCurrentA ?? null;
  const air = prop.figures.passCurrentA?.mean ?? null;
  return stand === null || air === null || stand === 0 ? null : air / stand;
}
