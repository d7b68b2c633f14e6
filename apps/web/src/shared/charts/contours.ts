import { contours } from 'd3-contour';

/** A field over an even grid, row by row; every value a number. */
export interface GridField {
  columns: number;
  rows: number;
  values: ArrayLike<number>;
}

/** Where a field is at least a value, as the path of a picture `width` × `height` whose first row is at the bottom. */
export function contourPath(
  { columns, rows, values }: GridField,
  threshold: number,
  width: number,
  height: number,
): string {
  const shape = contours().size([columns, rows]).contour(Array.from(values), threshold);
  const x = (gridX: number): number => (Math.min(columns - 1, Math.max(0, gridX - 0.5)) / (columns - 1)) * width;
  const y = (gridY: number): number => height - (Math.min(rows - 1, Math.max(0, gridY - 0.5)) / (rows - 1)) * height;
  return shape.coordinates
    .map((polygon) =>
      polygon
        .map((ring) => `M${ring.map(([gx, gy]) => `${x(gx!).toFixed(1)} ${y(gy!).toFixed(1)}`).join('L')}Z`)
        .join(''),
    )
    .join('');
}
