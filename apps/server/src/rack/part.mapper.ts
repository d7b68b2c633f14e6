import type { PackPieceRow } from './part.repository.ts';

/** What a pack of the shelf says of the craft that flies with it. */
export function packColumnsOf({
  chemistry,
  seriesCount,
  parallelCount,
  capacityAh,
  cellResistanceOhm,
  cRating,
}: Pick<PackPieceRow, 'chemistry' | 'seriesCount' | 'parallelCount' | 'capacityAh' | 'cellResistanceOhm' | 'cRating'>) {
  return {
    packChemistry: chemistry,
    packSeriesCount: seriesCount,
    packParallelCount: parallelCount,
    packCapacityAh: capacityAh,
    packCellResistanceOhm: cellResistanceOhm,
    packCRating: cRating,
  };
}
