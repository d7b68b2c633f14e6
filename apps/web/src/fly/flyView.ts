import type { FlyView, StaticFiguresView } from '@zivvo/contract';
import {
  explainFlights,
  type AirFigure,
  type CardFigures,
  type FlightFigureName,
  type FlownProp,
  type Working,
} from '@zivvo/core';
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
  const share = `${differenceRatio > 0 ? '+' : '−'}${formatShare(Math.abs(differenceRatio))}`;
  return comparison === 'same' ? 'the same' : comparison === 'untold' ? `${share}, once` : share;
}

/** The answer of the page: what the air says of these props. */
export function flyHeadline({ comparison, total, referencePropModelId }: FlyView): string {
  if (total === 0) return 'Nothing is flown by protocol yet';
  const counting = comparison.props.filter((p) => p.flightCount > 0);
  if (counting.length === 0) return `${total} to fly again before anything counts`;
  const most = (name: 'climbRateMPerS' | 'enduranceS'): FlownProp | undefined =>
    counting
      .filter((p) => p.figures[name]?.comparison === 'more')
      .sort((a, b) => b.figures[name]!.differenceRatio! - a.figures[name]!.differenceRatio!)[0];
  const by = (prop: FlownProp, name: 'climbRateMPerS' | 'enduranceS'): string =>
    formatShare(prop.figures[name]!.differenceRatio!);
  const climber = most('climbRateMPerS');
  if (climber) return `${climber.propName} climbs ${by(climber, 'climbRateMPerS')} faster than the reference`;
  if (counting.length === 1) return `${counting[0]!.propName} is flown; no other prop beside it yet`;
  if (referencePropModelId === null) return 'Say which prop it flies now: nothing is held against it yet';
  if (!counting.some((p) => p.isReference)) return 'The reference is not flown yet: nothing is held against it';
  const climbs = counting.flatMap((p) => (p.isReference ? [] : (p.figures.climbRateMPerS?.comparison ?? [])));
  const said = climbs.includes('less')
    ? 'no prop climbs faster than the reference'
    : climbs.includes('same')
      ? 'the climb tells none apart'
      : climbs.includes('untold')
        ? 'flown once each, nothing is told of the climb'
        : 'no climb stands beside the reference';
  const longest = most('enduranceS');
  return longest ? `${longest.propName} stays up ${by(longest, 'enduranceS')} longer; ${said}` : upperFirst(said);
}

/**
 * How the figure of the headline follows from the flights: the difference that it tells, else the mean of the first.
 */
export function flyWorking({ comparison }: FlyView): { working: Working; subject: string } | null {
  const reference = comparison.props.find((p) => p.isReference);
  const others = comparison.props.filter((p) => !p.isReference);
  const told = (['climbRateMPerS', 'enduranceS'] as const).flatMap((name) =>
    others
      .filter((p) => p.figures[name]?.differenceRatio != null && reference?.figures[name])
      .sort((a, b) => b.figures[name]!.differenceRatio! - a.figures[name]!.differenceRatio!)
      .map((prop) => ({ name, prop })),
  );
  const first = told.find(({ name, prop }) => prop.figures[name]!.comparison === 'more') ?? told[0];
  if (first) {
    const { name, prop } = first;
    return {
      working: explainFlights(name, prop.figures[name]!, reference!.figures[name]),
      subject: `${prop.propName} beside ${reference!.propName}`,
    };
  }
  const alone = comparison.props.find((p) => p.figures.climbRateMPerS ?? p.figures.enduranceS);
  if (!alone) return null;
  const name = alone.figures.climbRateMPerS ? 'climbRateMPerS' : 'enduranceS';
  return { working: explainFlights(name, alone.figures[name]!, null), subject: alone.propName };
}

/** Wind by the passes of a card in words: two opposite ones tell the part along them alone. */
export function windText({ windMPerS, fromDegrees }: NonNullable<CardFigures['wind']>): string {
  return fromDegrees === null
    ? `${formatNumber(windMPerS, 1)} m/s of wind along the passes`
    : `wind ${formatNumber(windMPerS, 1)} m/s from ${formatNumber(fromDegrees, 0)}°`;
}

/** What the stand and the model put beside a figure of the air, a line each. */
export function besideTexts(
  name: FlightFigureName,
  mean: number,
  standing: StaticFiguresView | undefined,
): readonly string[] {
  const { fullCurrentA = null, pass = null, hoverThrottleRatio = null } = standing ?? {};
  if (name === 'hoverThrottleRatio' && hoverThrottleRatio !== null)
    return [`model ${formatShare(hoverThrottleRatio, 0)}`];
  if (name === 'airspeedMPerS' && pass) return [`${formatShare(pass.pitchSpeedRatio, 0)} of pitch speed`];
  if (name !== 'passCurrentA' || fullCurrentA === null || fullCurrentA === 0) return [];
  const expected = pass === null ? [] : [`model ${formatShare(pass.currentRatio, 0)}`];
  return [`${formatShare(mean / fullCurrentA, 0)} of static`, ...expected];
}
