import type { RowView } from '@zivvo/contract';

interface StoredRow {
  id: string;
  revision: number;
  createdAt: Date;
  updatedAt: Date;
}

/** What every row tells about itself. */
export function toRowView(row: StoredRow): RowView {
  return {
    id: row.id,
    revision: row.revision,
    createdAt: row.createdAt.toISOString(),
    updatedAt: row.updatedAt.toISOString(),
  };
}
