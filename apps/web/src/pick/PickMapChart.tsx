import { brokenLimits, workedAt, type PickMap, type Scale, type Weights } from '@zivvo/core';
import { limitWords, pickFigureWords } from '@zivvo/words';
import { useId, useMemo, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { useFormat } from '../shared/format/useFormat.ts';
import { mapPicture, placeMarks, type MapColour } from './mapView.ts';
import { usePickFormat } from './usePickFormat.ts';
import type { RankedProp } from './rankProps.ts';
import classes from './PickMapChart.module.css';

const WIDTH = 560;
const HEIGHT = 396;
const LEFT = 44;
const BOTTOM = 40;
const TOP = 8;
const RIGHT = 8;

interface PickMapChartProps {
  map: PickMap;
  colour: MapColour;
  scale: Scale;
  weights: Weights;
  /** Props of the rack that belong on this map. */
  props: readonly RankedProp[];
  /** The present prop, drawn as a cross-hair. */
  referenceId: string | null;
  chosenId: string | null;
  onChoose: (id: string) => void;
  /** A place of the map was taken, by its index. */
  onTake: (index: number) => void;
}

/** Diameter across, pitch up, deeper water the better: a chart one can walk over with the arrow keys. */
export function PickMapChart({
  map,
  colour,
  scale,
  weights,
  props,
  referenceId,
  chosenId,
  onChoose,
  onTake,
}: PickMapChartProps) {
  const format = useFormat();
  const pick = usePickFormat();
  const clip = useId();
  const picture = useMemo(() => mapPicture(map, colour, scale, weights, WIDTH, HEIGHT), [map, colour, scale, weights]);
  const { diametersM, pitchesM } = map.grid;
  const columns = diametersM.length;
  const [cursor, setCursor] = useState<number | null>(null);
  const at =
    cursor === null
      ? null
      : {
          x: ((cursor % columns) / (columns - 1)) * WIDTH,
          y: HEIGHT - (Math.floor(cursor / columns) / (pitchesM.length - 1)) * HEIGHT,
        };

  const onKeyDown = (event: KeyboardEvent): void => {
    const step = { ArrowLeft: -1, ArrowRight: 1, ArrowUp: columns, ArrowDown: -columns }[event.key];
    const from = cursor ?? Math.floor(pitchesM.length / 2) * columns + Math.floor(columns / 2);
    if (step !== undefined) {
      event.preventDefault();
      const isWrapping = Math.abs(step) === 1 && Math.floor((from + step) / columns) !== Math.floor(from / columns);
      const next = cursor === null ? from : from + step;
      if (!isWrapping && next >= 0 && next < columns * pitchesM.length) setCursor(next);
    } else if (event.key === 'Enter' && cursor !== null) {
      event.preventDefault();
      onTake(cursor);
    } else if (event.key === 'Escape') setCursor(null);
  };
  const indexUnder = (event: PointerEvent<SVGElement>): number => {
    const box = event.currentTarget.getBoundingClientRect();
    const column = Math.round(((event.clientX - box.left) / box.width) * (columns - 1));
    const row = Math.round((1 - (event.clientY - box.top) / box.height) * (pitchesM.length - 1));
    return Math.min(pitchesM.length - 1, Math.max(0, row)) * columns + Math.min(columns - 1, Math.max(0, column));
  };
  const marks = useMemo(() => placeMarks(props, map, WIDTH, HEIGHT), [props, map]);
  const told = cursor === null ? null : pick.place(map, cursor, colour, scale, weights);

  return (
    <figure className={classes.chart}>
      {/* An application of its own: arrow keys walk over the chart. */}
      <div
        className={classes.frame}
        role="application"
        aria-label={
          `Chart of diameter and pitch, coloured by ${colour === 'score' ? 'score' : pickFigureWords[colour]}. ` +
          'Arrow keys walk, Enter takes the size.'
        }
        tabIndex={0}
        onKeyDown={onKeyDown}
      >
        <svg
          viewBox={`${-LEFT} ${-TOP} ${WIDTH + LEFT + RIGHT} ${HEIGHT + TOP + BOTTOM}`}
          className={classes.svg}
          aria-hidden="true"
        >
          <defs>
            <clipPath id={clip}>
              <path d={plausiblePath(map)} />
            </clipPath>
            <pattern
              id={`${clip}-hatch`}
              width="9"
              height="9"
              patternUnits="userSpaceOnUse"
              patternTransform="rotate(45)"
            >
              <rect width="9" height="9" fill="var(--hatch-ground)" />
              <line y2="9" stroke="var(--hatch)" strokeWidth="2.4" />
            </pattern>
          </defs>
          <rect width={WIDTH} height={HEIGHT} fill="var(--sheet)" />
          <g clipPath={`url(#${clip})`}>
            {picture.depths.map(({ path }, k) => (
              <path
                key={k}
                d={path}
                fill={`var(--depth-${k + 1})`}
                stroke={k === 0 ? 'none' : 'var(--sheet)'}
                strokeWidth={0.6}
                strokeOpacity={0.6}
              />
            ))}
            {picture.barred.map(({ limit, path }) => (
              <path key={limit} d={path} fill={`url(#${clip}-hatch)`} stroke="var(--ink)" strokeWidth={1.2} />
            ))}
            {picture.figures.map(({ x, y, value, isDeep }) => (
              <text
                key={`${x} ${y}`}
                x={x}
                y={y}
                className={classes.depth}
                fill={isDeep ? 'var(--on-deep)' : 'var(--ink)'}
              >
                {colour === 'score' ? Math.round(value) : pick.figure(colour, value)}
              </text>
            ))}
            {picture.barred.map(({ limit, labelX, labelY, isUpright }) =>
              Number.isFinite(labelX) ? (
                <text
                  key={limit}
                  x={labelX}
                  y={labelY}
                  className={classes.land}
                  transform={isUpright ? `rotate(-90 ${labelX} ${labelY})` : undefined}
                >
                  {limitWords[limit]}
                </text>
              ) : null,
            )}
          </g>
          <rect width={WIDTH} height={HEIGHT} fill="none" stroke="var(--ink)" strokeWidth={1} />
          <Axes map={map} />
          {marks.map(({ ranked: { prop }, x, y, label }) => {
            const isReference = prop.id === referenceId;
            return (
              <g key={prop.id} transform={`translate(${x} ${y})`}>
                {isReference ? (
                  <>
                    <circle r={7} fill="none" stroke="var(--ink)" strokeWidth={1.8} />
                    <path d="M-11 0H11M0 -11V11" stroke="var(--ink)" strokeWidth={1.8} />
                  </>
                ) : (
                  <rect
                    x={-4.5}
                    y={-4.5}
                    width={9}
                    height={9}
                    fill="var(--sheet)"
                    stroke="var(--ink)"
                    strokeWidth={prop.id === chosenId ? 3 : 1.8}
                  />
                )}
                <text x={label.dx} y={label.dy} textAnchor={label.anchor} className={classes.name}>
                  {prop.name}
                </text>
              </g>
            );
          })}
          {at && (
            <path
              d={`M${at.x - 9} ${at.y}H${at.x + 9}M${at.x} ${at.y - 9}V${at.y + 9}`}
              stroke="var(--ink)"
              strokeWidth={2.4}
            />
          )}
          <rect
            width={WIDTH}
            height={HEIGHT}
            fill="transparent"
            style={{ cursor: 'crosshair' }}
            onPointerMove={(e) => e.pointerType === 'mouse' && setCursor(indexUnder(e))}
            onPointerLeave={() => setCursor(null)}
            onClick={(e) => {
              const index = indexUnder(e as unknown as PointerEvent<SVGElement>);
              const near = nearestProp(props, map, index);
              if (near) onChoose(near);
              else onTake(index);
            }}
          />
        </svg>
      </div>
      <p className={classes.told} role="status">
        {told ?? 'Deeper is better, hatched is barred. Arrow keys or the mouse read a place, Enter takes it.'}
      </p>
      <MapTable map={map} format={format} />
    </figure>
  );
}

/** Cells of the chart within which a click means the prop that is drawn there. */
const NEAR_CELLS = 1.2;

function nearestProp(props: readonly RankedProp[], map: PickMap, index: number): string | null {
  const { diametersM, pitchesM } = map.grid;
  const columns = diametersM.length;
  const [dx, dy] = [diametersM[1]! - diametersM[0]!, pitchesM[1]! - pitchesM[0]!];
  const near = props.find(
    ({ prop }) =>
      Math.hypot(
        (prop.geometry.diameterM - diametersM[index % columns]!) / dx,
        (prop.geometry.pitchM - pitchesM[Math.floor(index / columns)]!) / dy,
      ) < NEAR_CELLS,
  );
  return near?.prop.id ?? null;
}

/** The part of the picture where blades are moulded: between a shallow and a steep pitch. */
function plausiblePath({ grid }: PickMap): string {
  const { diametersM, pitchesM } = grid;
  const corner = (diameterM: number, ratio: number): string => {
    const pitch = Math.min(pitchesM.at(-1)!, Math.max(pitchesM[0]!, ratio * diameterM));
    const x = ((diameterM - diametersM[0]!) / (diametersM.at(-1)! - diametersM[0]!)) * WIDTH;
    return (
      `${x.toFixed(1)} ` +
      `${(HEIGHT - ((pitch - pitchesM[0]!) / (pitchesM.at(-1)! - pitchesM[0]!)) * HEIGHT).toFixed(1)}`
    );
  };
  const steep = diametersM.map((d) => corner(d, 1.1));
  const shallow = [...diametersM].reverse().map((d) => corner(d, 0.175));
  return `M${[...steep, ...shallow].join('L')}Z`;
}

function Axes({ map }: { map: PickMap }) {
  const format = useFormat();
  const { diametersM, pitchesM } = map.grid;
  const unit = format.unit('length');
  const across = ticksOf(diametersM[0]!, diametersM.at(-1)!, unit);
  const up = ticksOf(pitchesM[0]!, pitchesM.at(-1)!, unit);
  return (
    <g className={classes.axis}>
      {across.map(({ share, text }) => (
        <text key={text} x={share * WIDTH} y={HEIGHT + 17} textAnchor="middle">
          {text}
        </text>
      ))}
      {up.map(({ share, text }) => (
        <text key={text} x={-8} y={HEIGHT - share * HEIGHT + 4.5} textAnchor="end">
          {text}
        </text>
      ))}
      <text x={WIDTH / 2} y={HEIGHT + 35} textAnchor="middle">
        diameter, {unit === 'in' ? 'inch' : unit}
      </text>
      <text transform={`translate(-32 ${HEIGHT / 2}) rotate(-90)`} textAnchor="middle">
        pitch, {unit === 'in' ? 'inch' : unit}
      </text>
    </g>
  );
}

/** Round values along an axis, in the reader's unit. */
function ticksOf(lowM: number, highM: number, unit: string): { share: number; text: string }[] {
  const perUnit = unit === 'in' ? 0.0254 : 0.001;
  const [low, high] = [lowM / perUnit, highM / perUnit];
  const step = [0.5, 1, 2, 5, 10, 20, 50, 100].find((s) => (high - low) / s <= 7) ?? 200;
  const first = Math.ceil(low / step - 1e-9);
  return Array.from({ length: Math.floor(high / step + 1e-9) - first + 1 }, (_, k) => (first + k) * step).map(
    (value) => ({ share: (value - low) / (high - low), text: String(Number(value.toFixed(1))) }),
  );
}

const TABLE_STRIDE = 6;

/** The same chart as numbers, for those who cannot see it. */
function MapTable({ map, format }: { map: PickMap; format: ReturnType<typeof useFormat> }) {
  const { diametersM, pitchesM } = map.grid;
  const across = diametersM.filter((_, i) => i % TABLE_STRIDE === 0);
  const up = pitchesM.filter((_, i) => i % TABLE_STRIDE === 0);
  return (
    <div className="visually-hidden">
      <table>
        <caption>Air time by diameter and pitch; barred sizes name their limit</caption>
        <thead>
          <tr>
            <th>Pitch</th>
            {across.map((d) => (
              <th key={d}>{format.quantity(d, 'length').text}</th>
            ))}
          </tr>
        </thead>
        <tbody>
          {up.map((p, row) => (
            <tr key={p}>
              <th>{format.quantity(p, 'length').text}</th>
              {across.map((d, column) => (
                <td key={d}>{cellText(map, row * TABLE_STRIDE * diametersM.length + column * TABLE_STRIDE)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function cellText(map: PickMap, index: number): string {
  const { figures, margins } = workedAt(map, index);
  if (Number.isNaN(margins.carry)) return 'no such blade';
  const [broken] = brokenLimits(margins);
  return broken ? limitWords[broken] : `${Math.round(figures.enduranceS / 60)} min`;
}
