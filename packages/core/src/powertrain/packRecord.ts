import { mean, median } from '../statistics/describe.ts';
import { cellVoltages, type PackChemistry } from './packChemistry.ts';

/** What one run asked of a pack; null where it was not read. */
export interface PackLoad {
  /** Volts per cell before the run, at rest. */
  restingCellV: number | null;
  /** Lowest volts per cell under load. */
  loadedCellV: number | null;
  /** Resistance that its readings show [Ω per cell]; see `cellResistanceOfRun`. */
  cellOhm: number | null;
}

/** One reading of a run under load. */
export interface CellReading {
  currentA: number;
  cellV: number;
}

/** Currents of a run must lie this far apart, of the largest, before their slope says anything. */
const LEAST_SPAN_RATIO = 0.4;
/** Lithium cells lie far under it; beyond it something else fell. */
const MOST_CELL_OHM = 0.5;
/** The newest runs that tell; a pack ages. */
const RUNS_FOR_RESISTANCE = 6;

/**
 * Resistance of one series step from a run: the slope of volts per cell against current, at rest and under load, by
 * least squares. The pack empties meanwhile, which makes it a few per cent high on a long ladder.
 *
 * @param readings - in any order; volts per cell and amps of the whole pack
 * @param restingCellV - before the run, without current; null where it was not read
 * @returns Ω per series step; null where currents lie too close together or volts do not fall with them
 * @example cellResistanceOfRun([{ currentA: 40, cellV: 4.0 }], 4.2) // => 0.005
 */
export function cellResistanceOfRun(readings: readonly CellReading[], restingCellV: number | null): number | null {
  const points = [...(restingCellV === null ? [] : [{ currentA: 0, cellV: restingCellV }]), ...readings];
  const currents = points.map((p) => p.currentA);
  const most = Math.max(0, ...currents);
  if (points.length < 2 || most - Math.min(...currents) < LEAST_SPAN_RATIO * most || most <= 0) return null;
  const [meanA, meanV] = [mean(currents), mean(points.map((p) => p.cellV))];
  const spread = points.reduce((sum, p) => sum + (p.currentA - meanA) ** 2, 0);
  const slope = points.reduce((sum, p) => sum + (p.currentA - meanA) * (p.cellV - meanV), 0) / spread;
  return slope < 0 && -slope <= MOST_CELL_OHM ? -slope : null;
}

export interface PackRecord {
  runCount: number;
  /** Furthest fall from rest to load [V per cell]; null where no run tells. */
  deepestSagCellV: number | null;
  /** Lowest volts per cell ever seen under load. */
  lowestCellV: number | null;
  /** Runs in which a loaded cell fell under the empty voltage of its chemistry. */
  overDrawnCount: number;
  /** Median of the newest runs that show it [Ω per cell], and of how many; null where none does. */
  measured: { cellOhm: number; runCount: number } | null;
}

/**
 * What a pack has been through, from the runs that it served.
 *
 * A reading that is missing counts for nothing, so a run without voltages is counted as served and no more. Over-drawn
 * is a mark for the shelf, not a measure of damage: the maker's lowest voltage comes first.
 *
 * @param loads - the newest first
 * @example packRecord('lipo', [{ restingCellV: 4.15, loadedCellV: 3.2, cellOhm: null }]).overDrawnCount // => 1
 */
export function packRecord(chemistry: PackChemistry, loads: readonly PackLoad[]): PackRecord {
  const sags = loads.flatMap(({ restingCellV, loadedCellV }) =>
    restingCellV === null || loadedCellV === null ? [] : [restingCellV - loadedCellV],
  );
  const lows = loads.flatMap(({ loadedCellV }) => (loadedCellV === null ? [] : [loadedCellV]));
  const ohms = loads.flatMap(({ cellOhm }) => cellOhm ?? []).slice(0, RUNS_FOR_RESISTANCE);
  return {
    runCount: loads.length,
    deepestSagCellV: sags.length === 0 ? null : Math.max(0, ...sags),
    lowestCellV: lows.length === 0 ? null : Math.min(...lows),
    overDrawnCount: lows.filter((v) => v < cellVoltages[chemistry].emptyV).length,
    measured: ohms.length === 0 ? null : { cellOhm: median(ohms), runCount: ohms.length },
  };
}
