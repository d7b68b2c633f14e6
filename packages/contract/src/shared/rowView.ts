/** What every row tells about itself. */
export interface RowView {
  id: string;
  revision: number;
  createdAt: string;
  updatedAt: string;
}
