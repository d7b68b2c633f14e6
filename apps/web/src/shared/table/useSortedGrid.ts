import {
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type ColumnDef,
  type SortingState,
  type Table,
} from '@tanstack/react-table';
import { useState } from 'react';

/** Rows that are sorted by any column; a second one joins with shift. */
export function useSortedGrid<T>(
  data: T[],
  // Columns of one table hold values of different kinds.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  columns: ColumnDef<T, any>[],
  getRowId: (row: T) => string,
): Table<T> {
  const [sorting, setSorting] = useState<SortingState>([]);
  return useReactTable({
    data,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    maxMultiSortColCount: 2,
    getRowId,
  });
}
