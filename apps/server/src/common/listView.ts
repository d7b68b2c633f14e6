import type { ListView } from '@zivvo/contract';

/** Rows that were read, of so many that there are, as a list answers them. */
export function toListView<Row, View>(
  { rows, total }: { rows: readonly Row[]; total: number },
  toView: (row: Row) => View,
): ListView<View> {
  return { items: rows.map(toView), total, isCut: total > rows.length };
}
