import type { motorTouches } from '@zivvo/contract';
import type { FlightFigureName, SegmentKind } from '@zivvo/core';

export const flightFigureTitles: Record<FlightFigureName, string> = {
  climbRateMPerS: 'Climb',
  airspeedMPerS: 'Top speed',
  passCurrentA: 'Amps, full',
  hoverCurrentA: 'Amps, hover',
  hoverThrottleRatio: 'Hover at',
  enduranceS: 'To the gate',
  takeOffRollM: 'Take-off roll',
};

export const touchNames: Record<(typeof motorTouches)[number], string> = {
  cool: 'cool',
  warm: 'warm',
  hot: 'hot, held',
  tooHot: 'too hot to hold',
};

export const segmentNames: Record<SegmentKind, string> = { climb: 'Climb', pass: 'Pass', hover: 'Hover' };
