import { readAt, type CurvePoint, type CurveReading } from './readAt.ts';
import type { StandQuantity, StandStep } from './quantities.ts';
import type { VoltageStep } from './reduceVoltage.ts';
import type { Dimension } from '../units/dimensions.ts';
import type { SettledRun } from './settleRun.ts';

/**
 * Where on its curve a prop is looked at; `hover` is where it carries the craft, for a plane at its cruising thrust;
 * `response` is beside the curve: how it follows the throttle, and how it holds.
 */
export const pointNames = ['full', 'hover', 'chosen', 'response'] as const;
export type PointName = (typeof pointNames)[number];

/** Figures that are read off the curve itself. */
export const readFigures = [
  'throttleRatio',
  'thrustN',
  'speedRpm',
  'currentA',
  'voltageV',
  'powerW',
] as const satisfies readonly StandQuantity[];
export type ReadFigure = (typeof readFigures)[number];

/** What follows from how a prop moves in time, with the dimension of each. */
export const responseFigures = {
  /** From a burst to nine tenths of its thrust. */
  riseS: 'time',
  /** Until half the speed is left without throttle. */
  halfSpeedS: 'time',
  /** Of propeller and bell, by their run-down. */
  inertiaKgM2: 'inertia',
  /** Of what slows them that the bearings take. */
  dryShareRatio: 'ratio',
  /** Thrust at the end of a hold over that at its beginning. */
  keptThrustRatio: 'ratio',
} as const satisfies Record<string, Dimension>;
export type ResponseFigure = keyof typeof responseFigures;

/** Figures at a point: those read off the curve, the two quotients, and the response. */
export const pointFigures = [
  ...readFigures,
  'thrustPerPowerNPerW',
  'thrustPerCurrentNPerA',
  ...(Object.keys(responseFigures) as ResponseFigure[]),
] as const;
export type PointFigure = (typeof pointFigures)[number];

/** One run at one point of its curve. */
export interface RunPoint {
  readings: Partial<Record<ReadFigure, CurveReading>>;
  /** At full throttle reduced to the campaign's voltage, where that could be done. */
  values: Partial<Record<PointFigure, number>>;
  isExtended: boolean;
  /** How a full-throttle point came to one voltage; null where it stands as it was read. */
  reduction: (VoltageStep & { fromV: number; toV: number }) | null;
}

/** Full throttle may be extended from a top step of at least this. */
const LEAST_TOP_THROTTLE = 0.85;
/** A single step from here on is full throttle itself. */
export const FULL_THROTTLE_LEAST = 0.98;

export interface PointPlace {
  point: Exclude<PointName, 'response'>;
  axis: 'throttleRatio' | 'thrustN';
  at: number;
}

/** The axis on which each point is looked up: full and chosen by throttle, hover by the thrust it needs. */
export function pointPlaces(carryThrustN: number | null, chosenThrottleRatio: number): PointPlace[] {
  const places: PointPlace[] = [
    { point: 'full', axis: 'throttleRatio', at: 1 },
    { point: 'chosen', axis: 'throttleRatio', at: chosenThrottleRatio },
  ];
  return carryThrustN === null ? places : [...places, { point: 'hover', axis: 'thrustN', at: carryThrustN }];
}

/**
 * Reads one settled run at a place of its curve.
 *
 * @returns null where the run says nothing: fewer than two steps and not full throttle alone, thrust that does not
 *   rise, a full throttle too far
 * above the top step, or a thrust beyond what the prop gave at its top step
 */
export function pointOfRun(run: SettledRun, place: PointPlace): RunPoint | null {
  const steps = rising(run.steps, place.axis);
  const top = steps.at(-1)?.[place.axis];
  if (top === undefined || top === null) return null;
  if (steps.length === 1) return place.point === 'full' && top >= FULL_THROTTLE_LEAST ? asRead(steps[0]!) : null;
  if (place.point === 'full' && top < LEAST_TOP_THROTTLE) return null;
  if (place.axis === 'thrustN' && place.at > top) return null;
  const readings: RunPoint['readings'] = {};
  for (const name of readFigures) {
    const points = steps.filter((s) => s[name] !== null).map((s): CurvePoint => ({ x: s[place.axis]!, y: s[name]! }));
    if (points.length >= 2) readings[name] = readAt(points, place.at);
  }
  const values: RunPoint['values'] = Object.fromEntries(
    Object.entries(readings).map(([name, reading]) => [name, reading.value]),
  );
  return {
    readings,
    values: withQuotients(values),
    isExtended: Object.values(readings).some((r) => r.isExtended),
    reduction: null,
  };
}

/** A single full-throttle step: its readings are its values. */
function asRead(step: StandStep): RunPoint {
  const readings = Object.fromEntries(
    readFigures.flatMap((name) =>
      step[name] === null
        ? []
        : [[name, { value: step[name], isExtended: false, between: null } satisfies CurveReading]],
    ),
  ) as RunPoint['readings'];
  const values: RunPoint['values'] = Object.fromEntries(
    Object.entries(readings).map(([name, reading]) => [name, reading.value]),
  );
  return { readings, values: withQuotients(values), isExtended: false, reduction: null };
}

/** Values with the quotients that follow from them. */
export function withQuotients(read: RunPoint['values']): RunPoint['values'] {
  const values = { ...read };
  const { thrustN, powerW, currentA } = values;
  if (thrustN !== undefined && powerW !== undefined && powerW > 0) values.thrustPerPowerNPerW = thrustN / powerW;
  if (thrustN !== undefined && currentA !== undefined && currentA > 0)
    values.thrustPerCurrentNPerA = thrustN / currentA;
  return values;
}

/** Steps on which the axis strictly rises; a thrust that falls at the top (bogging) ends the curve there. */
function rising(steps: readonly StandStep[], axis: 'throttleRatio' | 'thrustN'): StandStep[] {
  const kept: StandStep[] = [];
  for (const step of steps) {
    const value = step[axis];
    if (value === null) continue;
    const before = kept.at(-1)?.[axis] ?? -Infinity;
    if (value > before) kept.push(step);
  }
  return kept;
}
