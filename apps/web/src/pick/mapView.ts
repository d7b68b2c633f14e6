import {
  columnOf,
  criteria,
  criterionNames,
  goodness,
  isPlausible,
  lessIsBetter,
  PICK_COLUMNS,
  pickLimitNames,
  type PickLimit,
  type PickMap,
  type Scale,
  type Weights,
} from '@zivvo/core';
import { contourPath, type GridField } from '../shared/charts/contours.ts';
import type { RankedProp } from './rankProps.ts';

/** What the colour of a map may be: the score, or one figure. */
export const mapColours = [
  'score',
  'enduranceS',
  'fullThrustN',
  'fullCurrentA',
  'tipSpeedMPerS',
  'levelDb',
  'riseTimeS',
] as const;
export type MapColour = (typeof mapColours)[number];

export const DEPTH_COUNT = 7;

/** Ground that a limit bars. */
export interface BarredGround {
  limit: PickLimit;
  path: string;
  /** Where its name is written, and whether along a tall, narrow strip. */
  labelX: number;
  labelY: number;
  isUpright: boolean;
}

export interface MapPicture {
  /** Paths from the shallowest to the deepest; the first covers everything. */
  depths: { path: string; value: number }[];
  figures: { x: number; y: number; value: number; isDeep: boolean }[];
  barred: BarredGround[];
}

/** The value that colours a place: the score whether barred or not, or a figure. */
export function colourField(map: PickMap, colour: MapColour, scale: Scale, weights: Weights): GridField {
  const columns = map.grid.diametersM.length;
  const rows = map.grid.pitchesM.length;
  const values = new Float64Array(columns * rows).fill(NaN);
  const wishes = criterionNames.filter((name) => weights[name] > 0);
  const whole = wishes.reduce((sum, name) => sum + weights[name], 0);
  for (let i = 0; i < values.length; i++) {
    const at = i * PICK_COLUMNS;
    if (colour !== 'score') values[i] = map.values[at + columnOf(colour)]!;
    else if (
      Number.isFinite(map.values[at + columnOf('enduranceS')]!) &&
      Number.isFinite(map.values[at + columnOf('fullThrustN')]!)
    ) {
      values[i] =
        wishes.reduce(
          (sum, name) => sum + weights[name] * goodness(scale, name, map.values[at + columnOf(criteria[name].figure)]!),
          0,
        ) * (whole > 0 ? 100 / whole : 0);
    }
  }
  return { columns, rows, values };
}

/** Fills places without a value from the nearest that has one, so that a contour never ends in nothing. */
export function filled({ columns, rows, values }: GridField): Float64Array {
  const out = Float64Array.from(values);
  let frontier = [...out.keys()].filter((i) => Number.isFinite(out[i]!));
  if (frontier.length === 0) return out.fill(0);
  while (frontier.length > 0) {
    const next: number[] = [];
    for (const i of frontier) {
      const [row, column] = [Math.floor(i / columns), i % columns];
      for (const [r, c] of [
        [row - 1, column],
        [row + 1, column],
        [row, column - 1],
        [row, column + 1],
      ] as const) {
        if (r < 0 || r >= rows || c < 0 || c >= columns) continue;
        const j = r * columns + c;
        if (Number.isFinite(out[j]!)) continue;
        out[j] = out[i]!;
        next.push(j);
      }
    }
    frontier = next;
  }
  return out;
}

/** Everything a map draws, in a picture of a size. */
export function mapPicture(
  map: PickMap,
  colour: MapColour,
  scale: Scale,
  weights: Weights,
  width: number,
  height: number,
): MapPicture {
  const field = colourField(map, colour, scale, weights);
  // Drawn upside down where less is better, so that deeper always is.
  const sign = colour !== 'score' && lessIsBetter.has(colour) ? -1 : 1;
  const whole = filled(field).map((v) => sign * v);
  const water = [...whole].filter((_, i) => isOpenWater(map, i)).sort((a, b) => a - b);
  const range = water.length > 0 ? water : [...whole].sort((a, b) => a - b);
  const low = range[Math.floor(0.06 * range.length)] ?? 0;
  const high = range[Math.floor(0.97 * (range.length - 1))] ?? 1;
  const steps = Array.from({ length: DEPTH_COUNT - 1 }, (_, k) => low + ((high - low) * (k + 1)) / DEPTH_COUNT);
  const grid = { columns: field.columns, rows: field.rows, values: whole };
  const depths = [
    { path: `M0 0H${width}V${height}H0Z`, value: sign * low },
    ...steps.map((step) => ({ path: contourPath(grid, step, width, height), value: sign * step })),
  ];
  return {
    depths,
    figures: contourFigures(depths.slice(1), width, height, (x, y) =>
      isOpenWater(map, indexAt(map, x / width, 1 - y / height)),
    ),
    barred: barredGround(map, width, height),
  };
}

/** Whether nothing bars a place and somebody would mould it. */
function isOpenWater(map: PickMap, index: number): boolean {
  const at = index * PICK_COLUMNS;
  return pickLimitNames.every((limit) => map.values[at + columnOf(limit)]! <= 1);
}

/** Index of the place nearest to a spot, given as shares of the chart. */
function indexAt({ grid }: PickMap, across: number, up: number): number {
  const columns = grid.diametersM.length;
  return Math.round(up * (grid.pitchesM.length - 1)) * columns + Math.round(across * (columns - 1));
}

const FIGURE_APART = 46;

/** One figure on each line, where it is far from the edge and from the others. */
function contourFigures(
  lines: readonly { path: string; value: number }[],
  width: number,
  height: number,
  isOpen: (x: number, y: number) => boolean,
): MapPicture['figures'] {
  const placed: MapPicture['figures'] = [];
  lines.forEach(({ path, value }, k) => {
    const points = [...path.matchAll(/([\d.]+) ([\d.]+)/g)].map((m) => ({ x: Number(m[1]), y: Number(m[2]) }));
    let best: { x: number; y: number } | null = null;
    let most = 0;
    for (const { x, y } of points) {
      const edge = Math.min(x, width - x, y, height - y);
      const apart = Math.min(Infinity, ...placed.map((p) => Math.hypot(p.x - x, p.y - y)));
      const room = Math.min(edge, 40) + Math.min(apart, 120);
      if (edge > 18 && apart > FIGURE_APART && room > most && isOpen(x, y)) [best, most] = [{ x, y }, room];
    }
    if (best) placed.push({ ...best, value, isDeep: k >= 3 });
  });
  return placed;
}

const LEAST_LABELLED = 0.025;
/** Half of a usual name along the ground. */
const LABEL_EDGE = 22;

/** Ground of each limit, with its name where most of it is barred by that limit first. */
function barredGround(map: PickMap, width: number, height: number): BarredGround[] {
  const columns = map.grid.diametersM.length;
  const rows = map.grid.pitchesM.length;
  const margins = pickLimitNames.flatMap((limit) => {
    const values = Float64Array.from(
      { length: columns * rows },
      (_, i) => map.values[i * PICK_COLUMNS + columnOf(limit)]!,
    );
    return values.some((margin) => margin > 1) ? [{ limit, values: filled({ columns, rows, values }) }] : [];
  });
  return margins.flatMap(({ limit, values }): BarredGround[] => {
    const cells: { x: number; y: number }[] = [];
    values.forEach((margin, i) => {
      const [column, row] = [i % columns, Math.floor(i / columns)];
      if (margin <= 1 || !isPlausible(map.grid.diametersM[column]!, map.grid.pitchesM[row]!)) return;
      if (margins.every((other) => other.values[i]! <= margin))
        cells.push({ x: (column / (columns - 1)) * width, y: height - (row / (rows - 1)) * height });
    });
    const path = contourPath({ columns, rows, values }, 1, width, height);
    if (path === '') return [];
    if (cells.length < LEAST_LABELLED * values.length)
      return [{ limit, path, labelX: NaN, labelY: NaN, isUpright: false }];
    const mean = (of: (c: { x: number; y: number }) => number): number =>
      cells.reduce((sum, c) => sum + of(c), 0) / cells.length;
    const wide = Math.max(...cells.map((c) => c.x)) - Math.min(...cells.map((c) => c.x));
    return [
      {
        limit,
        path,
        labelX: Math.min(
          width - LABEL_EDGE,
          Math.max(
            LABEL_EDGE,
            mean((c) => c.x),
          ),
        ),
        labelY: mean((c) => c.y),
        isUpright: wide < 110,
      },
    ];
  });
}

/** Where a size lies in a picture of a map; null where it is outside. */
export function placeOf(
  { diametersM, pitchesM }: PickMap['grid'],
  diameterM: number,
  pitchM: number,
  width: number,
  height: number,
): { x: number; y: number } | null {
  const x = (diameterM - diametersM[0]!) / (diametersM.at(-1)! - diametersM[0]!);
  const y = (pitchM - pitchesM[0]!) / (pitchesM.at(-1)! - pitchesM[0]!);
  return x < -0.001 || x > 1.001 || y < -0.001 || y > 1.001 ? null : { x: x * width, y: height - y * height };
}

/** A prop on the chart with its name where it covers no other mark and no other name. */
export interface PlacedMark {
  ranked: RankedProp;
  x: number;
  y: number;
  label: { dx: number; dy: number; anchor: 'start' | 'end' | 'middle' };
}

const LETTER_PX = 6.6;
const LINE_PX = 15;

/** Places marks and finds room for their names: right, left, above or below of the mark, the least covered wins. */
export function placeMarks(props: readonly RankedProp[], map: PickMap, width: number, height: number): PlacedMark[] {
  const spots = props.flatMap((ranked) => {
    const { diameterM, pitchM } = ranked.prop.geometry;
    const place = placeOf(map.grid, diameterM, pitchM, width, height);
    return place ? [{ ranked, ...place }] : [];
  });
  const taken: Box[] = spots.map(({ x, y }) => ({ left: x - 9, right: x + 9, top: y - 9, bottom: y + 9 }));
  return spots.map(({ ranked, x, y }) => {
    const wide = ranked.prop.name.length * LETTER_PX;
    const choices: { label: PlacedMark['label']; box: Box }[] = [
      {
        label: { dx: 13, dy: 4.5, anchor: 'start' },
        box: { left: x + 11, right: x + 13 + wide, top: y - 8, bottom: y + 7 },
      },
      {
        label: { dx: -13, dy: 4.5, anchor: 'end' },
        box: { left: x - 13 - wide, right: x - 11, top: y - 8, bottom: y + 7 },
      },
      {
        label: { dx: 0, dy: -13, anchor: 'middle' },
        box: { left: x - wide / 2, right: x + wide / 2, top: y - 13 - LINE_PX, bottom: y - 10 },
      },
      {
        label: { dx: 0, dy: 23, anchor: 'middle' },
        box: { left: x - wide / 2, right: x + wide / 2, top: y + 10, bottom: y + 10 + LINE_PX },
      },
    ];
    const cost = (box: Box): number =>
      taken.reduce((sum, other) => sum + overlap(box, other), 0) +
      40 * (Math.max(0, -box.left) + Math.max(0, box.right - width) + Math.max(0, -box.top));
    const best = choices.reduce((a, b) => (cost(b.box) < cost(a.box) ? b : a));
    taken.push(best.box);
    return { ranked, x, y, label: best.label };
  });
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

function overlap(a: Box, b: Box): number {
  return (
    Math.max(0, Math.min(a.right, b.right) - Math.max(a.left, b.left)) *
    Math.max(0, Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top))
  );
}
