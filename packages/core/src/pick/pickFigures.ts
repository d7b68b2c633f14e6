import type { Dimension } from '../units/dimensions.ts';

/** What is worked out of every candidate, in the order of its columns. */
export const pickFigureNames = [
  'carryThrottleRatio',
  'carryPowerW',
  'enduranceS',
  'fullThrustN',
  'thrustToWeightRatio',
  'fullCurrentA',
  'sagCellV',
  'sagLossRatio',
  'motorTemperatureC',
  'tipSpeedMPerS',
  'levelDb',
  'riseTimeS',
  'pitchSpeedMPerS',
  'inertiaKgM2',
  'thrustPerPowerNPerW',
  'lowRiseRatio',
  'bladeLossForceN',
  'propMassKg',
  'toughnessRatio',
] as const;
export type PickFigure = (typeof pickFigureNames)[number];

/** Figures of which less is better; of all others more is. */
export const lessIsBetter: ReadonlySet<PickFigure> = new Set([
  'carryThrottleRatio',
  'carryPowerW',
  'fullCurrentA',
  'sagLossRatio',
  'motorTemperatureC',
  'tipSpeedMPerS',
  'levelDb',
  'riseTimeS',
  'inertiaKgM2',
  'lowRiseRatio',
  'bladeLossForceN',
  'propMassKg',
]);

/** What may bar a candidate. Its margin is the value over what is allowed: above 1 it is barred. */
export const pickLimitNames = [
  'clearance',
  'neighbours',
  'ground',
  'boom',
  'carry',
  'escCurrent',
  'motorCurrent',
  'motorHeat',
  'packSag',
  'tipSpeed',
  'makerSpeed',
  'bore',
  'stock',
] as const;
export type PickLimit = (typeof pickLimitNames)[number];

export type PickFigures = Record<PickFigure, number>;
export type PickMargins = Record<PickLimit, number>;

/** Columns of one candidate in a table of many. */
export const PICK_COLUMNS = pickFigureNames.length + pickLimitNames.length;

export const pickFigureDimensions: Readonly<Partial<Record<PickFigure, Dimension>>> = {
  carryThrottleRatio: 'ratio',
  carryPowerW: 'power',
  enduranceS: 'time',
  fullThrustN: 'force',
  thrustToWeightRatio: 'number',
  fullCurrentA: 'current',
  sagCellV: 'voltage',
  sagLossRatio: 'ratio',
  motorTemperatureC: 'temperature',
  levelDb: 'level',
  riseTimeS: 'time',
  thrustPerPowerNPerW: 'thrustPerPower',
  lowRiseRatio: 'ratio',
  bladeLossForceN: 'force',
  propMassKg: 'mass',
};

/** Column of a figure [its SI unit] or of a limit [share used] in a row of a map, from 0. */
export function columnOf(name: PickFigure | PickLimit): number {
  return COLUMNS[name];
}

const COLUMNS = Object.fromEntries([...pickFigureNames, ...pickLimitNames].map((name, k) => [name, k])) as Record<
  PickFigure | PickLimit,
  number
>;

/** The limit that a candidate comes nearest to, and by how much it keeps or breaks it. */
export function closestLimit(margins: PickMargins): { limit: PickLimit; margin: number } {
  let limit: PickLimit = 'carry';
  let margin = -Infinity;
  for (const name of pickLimitNames) {
    if (margins[name] > margin) {
      limit = name;
      margin = margins[name];
    }
  }
  return { limit, margin };
}

/** Limits that a candidate breaks, the worst first. */
export function brokenLimits(margins: PickMargins): PickLimit[] {
  return pickLimitNames.filter((name) => margins[name] > 1).sort((a, b) => margins[b] - margins[a]);
}

/** What a change does to limits: those that were broken before and stay so, those that break by it, those it mends. */
export interface LimitChange {
  already: PickLimit[];
  fresh: PickLimit[];
  mended: PickLimit[];
}

/** Compares the limits before and after a change, each list with the worst first. */
export function limitChange(before: PickMargins, after: PickMargins): LimitChange {
  const broken = brokenLimits(after);
  return {
    already: broken.filter((l) => before[l] > 1),
    fresh: broken.filter((l) => !(before[l] > 1)),
    mended: brokenLimits(before).filter((l) => !(after[l] > 1)),
  };
}
