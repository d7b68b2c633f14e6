import { cellVoltages, type PackChemistry } from './packChemistry.ts';

/** What one run asked of a pack; null where it was not read. */
export interface PackLoad {
  /** Volts per cell before the run, at rest. */
  restingCellV: number | null;
  /** Lowest volts per cell under load. */
  loadedCellV: number | null;
}

export interface PackRecord {
  runCount: number;
  /** Furthest fall from rest to load [V per cell]; null where no run tells. */
  deepestSagCellV: number | null;
  /** Lowest volts per cell ever seen under load. */
  lowestCellV: number | null;
  /** Runs in which a loaded cell fell under the empty voltage of its chemistry. */
  overDrawnCount: number;
}

/**
 * What a pack has been through, from the runs that it served.
 *
 * A reading that is missing counts for nothing, so a run without voltages is counted as served and no more. Over-drawn
 * is a mark for the shelf, not a measure of damage: the maker's lowest voltage comes first.
 *
 * @example packRecord('lipo', [{ restingCellV: 4.15, loadedCellV: 3.2 }]).overDrawnCount // => 1
 */
export function packRecord(chemistry: PackChemistry, loads: readonly PackLoad[]): PackRecord {
  const sags = loads.flatMap(({ restingCellV, loadedCellV }) =>
    restingCellV === null || loadedCellV === null ? [] : [restingCellV - loadedCellV],
  );
  const lows = loads.flatMap(({ loadedCellV }) => (loadedCellV === null ? [] : [loadedCellV]));
  return {
    runCount: loads.length,
    deepestSagCellV: sags.length === 0 ? null : Math.max(0, ...sags),
    lowestCellV: lows.length === 0 ? null : Math.min(...lows),
    overDrawnCount: lows.filter((v) => v < cellVoltages[chemistry].emptyV).length,
  };
}
