import type { Working, WorkingInput } from '../figure/figure.ts';
import { meanFormula, workingInput, workingLine, workingOf } from '../figure/working.ts';
import type { Dimension } from '../units/dimensions.ts';
import type { AirFigure } from './compareFlights.ts';
import type { FlightFigureName } from './flightCard.ts';

const figureDimensions: Readonly<Record<FlightFigureName, Dimension>> = {
  climbRateMPerS: 'number',
  airspeedMPerS: 'number',
  passCurrentA: 'current',
  hoverCurrentA: 'current',
  hoverThrottleRatio: 'ratio',
  enduranceS: 'time',
  takeOffRollM: 'length',
};

/** Flights of one prop beyond this stand in a working as their mean. */
const SHOWN_FLIGHTS = 12;

/**
 * Shows how a difference in the air follows from the flights of a prop and of the reference; without a reference, how
 * the mean follows from its flights.
 *
 *   d = mean(own)/mean(reference) − 1
 *
 * @param own - of a prop that was flown
 * @param reference - of the reference; null where the difference is not asked for
 */
export function explainFlights(name: FlightFigureName, own: AirFigure, reference: AirFigure | null): Working {
  const dimension = figureDimensions[name];
  const told = (letter: string, { values, mean }: AirFigure): { inputs: WorkingInput[]; formula: string } => {
    if (values.length > SHOWN_FLIGHTS)
      return { inputs: [workingInput(letter, `flights.${name}.${letter}`, mean, dimension)], formula: letter };
    const inputs = values.map((value, i) =>
      workingInput(`${letter}${i + 1}`, `flight.${name}.${letter}.${i + 1}`, value, dimension),
    );
    return { inputs, formula: meanFormula(inputs.map((i) => i.symbol)) };
  };
  const mine = told('x', own);
  const first = workingLine('m', mine.formula, own.mean, dimension);
  const shared = { key: name, mark: 'measured' as const, source: 'flights' };
  if (reference === null || own.differenceRatio === null)
    return workingOf({
      ...shared,
      title: `flight.${name}`,
      inputs: mine.inputs,
      lines: [first],
      uncertainty: own.halfWidthRatio && own.halfWidthRatio * own.mean,
    });
  const theirs = told('r', reference);
  return workingOf({
    ...shared,
    title: `flightDifference.${name}`,
    inputs: [...mine.inputs, ...theirs.inputs],
    lines: [
      first,
      workingLine('q', theirs.formula, reference.mean, dimension),
      workingLine('d', 'm / q - 1', own.differenceRatio, 'ratio'),
    ],
    uncertainty: own.differenceHalfWidthRatio,
  });
}
