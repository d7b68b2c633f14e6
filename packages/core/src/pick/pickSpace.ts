import { requireWithin } from '../errors/guards.ts';
import { INCH_M, type TipShape } from '../label/propLabel.ts';
import { labelGeometry, type PropGeometry, type PropMaterial } from '../propeller/propGeometry.ts';
import { evaluateCandidate, NO_FACTS, type WorkedProp } from './evaluateCandidate.ts';
import type { PreparedCraft, PickCraft } from './pickCraft.ts';
import { PICK_COLUMNS, pickFigureNames, pickLimitNames, type PickFigures, type PickMargins } from './pickFigures.ts';

/** Candidates alike in everything but size and pitch: one map. */
export interface PickFamily {
  bladeCount: number;
  tipShape: TipShape;
  material: PropMaterial;
}

/** Sizes and pitches of a map, both rising. */
export interface PickGrid {
  diametersM: readonly number[];
  pitchesM: readonly number[];
}

export const DIAMETER_COUNT = 40;
export const PITCH_COUNT = 25;
const BLADES = [2, 3, 4, 5, 6] as const;
const TIPS: readonly TipShape[] = ['pointed', 'standard', 'square'];
const MATERIALS: readonly PropMaterial[] = ['polycarbonate', 'glassNylon'];

/** Every family of the space; the materials are those most blades are moulded from, unless others are named. */
export function pickFamilies(materials: readonly PropMaterial[] = MATERIALS): PickFamily[] {
  return materials.flatMap((material) =>
    BLADES.flatMap((bladeCount) => TIPS.map((tipShape) => ({ bladeCount, tipShape, material }))),
  );
}

/** The smallest and the largest propeller that is looked for. */
export const LEAST_DIAMETER_M = 1.2 * INCH_M;
const MOST_DIAMETER_M = 18 * INCH_M;
const LEAST_PITCH_RATIO = 0.25;
const MOST_PITCH_RATIO = 1.1;
/** The map reaches a little beyond the largest disc, so that the barred water is seen. */
const BEYOND_RATIO = 1.1;
const SMALLEST_RATIO = 0.55;

/** The largest disc that has room on a craft [m]; null where nothing stands in its way. */
export function largestDiscM({
  clearanceDiameterM,
  neighbourDistanceM,
  groundClearanceM,
  boomClearanceM,
}: Pick<PickCraft, 'clearanceDiameterM' | 'neighbourDistanceM' | 'groundClearanceM' | 'boomClearanceM'>):
  number | null {
  const rooms = [
    clearanceDiameterM,
    neighbourDistanceM,
    groundClearanceM === null ? null : 2 * groundClearanceM,
    boomClearanceM === null ? null : 2 * boomClearanceM,
  ].filter((r) => r !== null);
  return rooms.length === 0 ? null : Math.min(...rooms);
}

/**
 * Sizes and pitches worth looking at for a craft: from half to a little more than the largest disc that has room,
 * pitches from shallow to steep.
 *
 * @param referenceM - diameter of the present prop, kept inside the map; null without one
 */
export function pickGrid(craft: PickCraft, referenceM: number | null): PickGrid {
  const largest = largestDiscM(craft) ?? (referenceM === null ? MOST_DIAMETER_M / BEYOND_RATIO : 1.4 * referenceM);
  const high = clamp(
    Math.max(largest * BEYOND_RATIO, (referenceM ?? 0) * 1.05),
    LEAST_DIAMETER_M * 1.35,
    MOST_DIAMETER_M,
  );
  const low = clamp(Math.min(largest * SMALLEST_RATIO, (referenceM ?? Infinity) * 0.9), LEAST_DIAMETER_M, high / 1.3);
  const middle = (low + high) / 2;
  return {
    diametersM: evenly(low, high, DIAMETER_COUNT),
    pitchesM: evenly(LEAST_PITCH_RATIO * middle, MOST_PITCH_RATIO * 0.8 * high, PITCH_COUNT),
  };
}

function evenly(low: number, high: number, count: number): number[] {
  return Array.from({ length: count }, (_, i) => low + ((high - low) * i) / (count - 1));
}

function clamp(value: number, low: number, high: number): number {
  return Math.min(high, Math.max(low, value));
}

/** A worked-out map: one row of columns a candidate, pitch by pitch, sizes running fastest; NaN where there is none. */
export interface PickMap {
  family: PickFamily;
  grid: PickGrid;
  values: Float64Array;
}

/** A map of PICK_COLUMNS numbers a size, all NaN until they are worked out. */
export function emptyPickMap(family: PickFamily, grid: PickGrid): PickMap {
  requireWithin('diametersM', grid.diametersM.length, 2, 400);
  requireWithin('pitchesM', grid.pitchesM.length, 2, 400);
  return {
    family,
    grid,
    values: new Float64Array(grid.diametersM.length * grid.pitchesM.length * PICK_COLUMNS).fill(NaN),
  };
}

/** Blade shape [m] of the size at an index of a map, diameters running fastest as in its grid. */
export function geometryAt({ family, grid }: Pick<PickMap, 'family' | 'grid'>, index: number): PropGeometry {
  const { diametersM, pitchesM } = grid;
  const { bladeCount, tipShape, material } = family;
  return labelGeometry(
    diametersM[index % diametersM.length]!,
    pitchesM[Math.floor(index / diametersM.length)]!,
    bladeCount,
    tipShape,
    material,
  );
}

/** Whether a size and pitch is a propeller that somebody would mould. */
export function isPlausible(diameterM: number, pitchM: number): boolean {
  const ratio = pitchM / diameterM;
  return ratio >= LEAST_PITCH_RATIO * 0.7 && ratio <= MOST_PITCH_RATIO;
}

/** Writes a candidate into its row. */
export function writeCandidate(values: Float64Array, index: number, { figures, margins }: WorkedProp): void {
  const at = index * PICK_COLUMNS;
  pickFigureNames.forEach((name, k) => (values[at + k] = figures[name]));
  pickLimitNames.forEach((name, k) => (values[at + pickFigureNames.length + k] = margins[name]));
}

/** A place of a map as a worked-out prop, read back from its row. */
export function workedAt(map: PickMap, index: number): WorkedProp {
  const at = index * PICK_COLUMNS;
  const figures = Object.fromEntries(pickFigureNames.map((name, k) => [name, map.values[at + k]!])) as PickFigures;
  const margins = Object.fromEntries(
    pickLimitNames.map((name, k) => [name, map.values[at + pickFigureNames.length + k]!]),
  ) as PickMargins;
  const geometry = geometryAt(map, index);
  return {
    geometry,
    facts: NO_FACTS,
    figures,
    margins,
    fullSpeedRpm: (60 * figures.pitchSpeedMPerS) / geometry.pitchM,
  };
}

/** Every how many sizes and pitches a coarse map has a candidate. */
const COARSE_STRIDE = 4;

/** How far a map has come. */
export interface PickProgress {
  done: number;
  total: number;
  /** True once a coarse map covers everything. */
  isCoarse: boolean;
}

/**
 * Works a map out, coarse first and then refined, one candidate a step: whoever runs it decides when to draw, to
 * breathe and to stop.
 *
 *   for (const progress of refineMap(prepared, map)) { … }
 *
 * @yields after each candidate
 */
export function* refineMap(prepared: PreparedCraft, map: PickMap): Generator<PickProgress, void> {
  const { grid, values } = map;
  const columns = grid.diametersM.length;
  const coarse: number[] = [];
  const fine: number[] = [];
  for (let row = 0; row < grid.pitchesM.length; row++) {
    for (let column = 0; column < columns; column++) {
      if (!isPlausible(grid.diametersM[column]!, grid.pitchesM[row]!)) continue;
      const isOnCoarse = onStride(row, grid.pitchesM.length) && onStride(column, columns);
      (isOnCoarse ? coarse : fine).push(row * columns + column);
    }
  }
  const total = coarse.length + fine.length;
  let done = 0;
  for (const index of [...coarse, ...fine]) {
    writeCandidate(values, index, evaluateCandidate(prepared, geometryAt(map, index)));
    done++;
    yield { done, total, isCoarse: done >= coarse.length };
  }
}

function onStride(i: number, count: number): boolean {
  return i % COARSE_STRIDE === 0 || i === count - 1;
}

/**
 * A coarse map filled in between its candidates, for drawing while the rest is worked out: each gap takes the nearest.
 */
export function fillCoarse({ family, grid, values }: PickMap): PickMap {
  const filled = values.slice();
  const columns = grid.diametersM.length;
  for (let row = 0; row < grid.pitchesM.length; row++) {
    for (let column = 0; column < columns; column++) {
      if (!isPlausible(grid.diametersM[column]!, grid.pitchesM[row]!)) continue;
      const at = (row * columns + column) * PICK_COLUMNS;
      if (!Number.isNaN(values[at + PICK_COLUMNS - 1]!)) continue;
      const from = nearestKnown(values, row, column, grid);
      if (from !== null) filled.set(values.subarray(from * PICK_COLUMNS, (from + 1) * PICK_COLUMNS), at);
    }
  }
  return { family, grid, values: filled };
}

function nearestKnown(values: Float64Array, row: number, column: number, grid: PickGrid): number | null {
  const columns = grid.diametersM.length;
  let nearest: number | null = null;
  let least = Infinity;
  for (let r = Math.max(0, row - COARSE_STRIDE); r <= Math.min(grid.pitchesM.length - 1, row + COARSE_STRIDE); r++) {
    for (let c = Math.max(0, column - COARSE_STRIDE); c <= Math.min(columns - 1, column + COARSE_STRIDE); c++) {
      const index = r * columns + c;
      const distance = (r - row) ** 2 + (c - column) ** 2;
      if (distance < least && !Number.isNaN(values[(index + 1) * PICK_COLUMNS - 1]!))
        [nearest, least] = [index, distance];
    }
  }
  return nearest;
}
