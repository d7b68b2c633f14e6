import { flexRender, type Table } from '@tanstack/react-table';

/** Headers that sort their column when pressed; the first column's stands left, the figures' right. */
export function SortedHead<T>({ grid }: { grid: Table<T> }) {
  return (
    <thead>
      {grid.getHeaderGroups().map((group) => (
        <tr key={group.id}>
          {group.headers.map((header, i) => {
            const sorted = header.column.getIsSorted();
            return (
              <th
                key={header.id}
                data-right={i === 0 ? undefined : true}
                aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
              >
                <button
                  type="button"
                  onClick={header.column.getToggleSortingHandler()}
                  title="Sort; with shift as a second column"
                >
                  {flexRender(header.column.columnDef.header, header.getContext())}
                  {sorted === 'asc' ? ' ↑' : sorted === 'desc' ? ' ↓' : ''}
                </button>
              </th>
            );
          })}
        </tr>
      ))}
    </thead>
  );
}
