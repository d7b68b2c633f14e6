import type { FlightFigureName } from '@zivvo/core';

/** Figures of the air as the heads of columns name them. */
export const flightFigureTitles: Record<FlightFigureName, string> = {
  climbRateMPerS: 'Climb',
  airspeedMPerS: 'Top speed',
  passCurrentA: 'Amps, full',
  hoverCurrentA: 'Amps, hover',
  hoverThrottleRatio: 'Hover at',
  enduranceS: 'To the gate',
  takeOffRollM: 'Take-off roll',
};
