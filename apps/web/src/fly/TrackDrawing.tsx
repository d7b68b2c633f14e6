import type { LoggedSegment, LogReport } from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import classes from './Log.module.css';
import { segmentNames } from './flyWords.ts';

const SIZE = { width: 260, height: 182, margin: 16 };
const WIDE = { width: 520, height: 182, left: 52, bottom: 26, top: 12 };

interface DrawingProps {
  report: LogReport;
  segments: readonly LoggedSegment[];
  chosen: number | null;
  onChoose: (index: number) => void;
}

/** The track from above, north up, with the stretches drawn on it. */
export function TrackDrawing({ report: { line }, segments, chosen, onChoose }: DrawingProps) {
  const [minE, maxE] = [Math.min(...line.map((p) => p.eastM)), Math.max(...line.map((p) => p.eastM))];
  const [minN, maxN] = [Math.min(...line.map((p) => p.northM)), Math.max(...line.map((p) => p.northM))];
  const scale = Math.min(
    (SIZE.width - 2 * SIZE.margin) / Math.max(20, maxE - minE),
    (SIZE.height - 2 * SIZE.margin) / Math.max(20, maxN - minN),
  );
  const x = (east: number): number => SIZE.width / 2 + (east - (minE + maxE) / 2) * scale;
  const y = (north: number): number => SIZE.height / 2 - (north - (minN + maxN) / 2) * scale;
  const path = (points: LogReport['line']): string =>
    points.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.eastM).toFixed(1)} ${y(p.northM).toFixed(1)}`).join('');
  const bar = scaleBar(scale);
  return (
    <svg
      viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
      className={classes.drawing}
      role="img"
      aria-label="Track from above"
    >
      <path d={path(line)} className={classes.way} />
      {segments.map((s, i) => (
        <path
          key={`${s.kind}${s.fromS}`}
          d={path(line.filter((p) => p.timeS >= s.fromS && p.timeS <= s.toS))}
          className={classes.stretch}
          data-kind={s.kind}
          data-chosen={i === chosen}
          onClick={() => onChoose(i)}
        />
      ))}
      <path d={`M${SIZE.width - SIZE.margin} ${SIZE.height - 8}h${-bar * scale}`} className={classes.axis} />
      <text x={SIZE.width - SIZE.margin} y={SIZE.height - 13} textAnchor="end" className={classes.label}>
        {`${bar} m`}
      </text>
      <path d={`M${SIZE.width - 16} 30V10m-4 6l4-6l4 6`} className={classes.axis} />
      <text x={SIZE.width - 16} y={42} textAnchor="middle" className={classes.label}>
        N
      </text>
    </svg>
  );
}

/** Height over time, the stretches as bands under it. */
export function HeightDrawing({ report: { line }, segments, chosen, onChoose }: DrawingProps) {
  const [startS, endS] = [line[0]!.timeS, line.at(-1)!.timeS];
  const heights = line.map((p) => p.upM);
  const [low, high] = [Math.min(0, ...heights), Math.max(10, ...heights)];
  const x = (t: number): number =>
    WIDE.left + ((t - startS) / Math.max(1, endS - startS)) * (WIDE.width - WIDE.left - 8);
  const y = (up: number): number => WIDE.top + ((high - up) / (high - low)) * (WIDE.height - WIDE.top - WIDE.bottom);
  const minutes = Array.from({ length: Math.min(60, Math.floor((endS - startS) / 60) + 1) }, (_, i) => i);
  return (
    <svg
      viewBox={`0 0 ${WIDE.width} ${WIDE.height}`}
      className={classes.drawing}
      role="img"
      aria-label="Height over time"
    >
      {segments.map((s, i) => (
        <rect
          key={`${s.kind}${s.fromS}`}
          x={x(s.fromS)}
          width={Math.max(2, x(s.toS) - x(s.fromS))}
          y={WIDE.top}
          height={WIDE.height - WIDE.top - WIDE.bottom}
          className={classes.band}
          data-kind={s.kind}
          data-chosen={i === chosen}
          onClick={() => onChoose(i)}
        >
          <title>{segmentNames[s.kind]}</title>
        </rect>
      ))}
      <path
        d={line.map((p, i) => `${i === 0 ? 'M' : 'L'}${x(p.timeS).toFixed(1)} ${y(p.upM).toFixed(1)}`).join('')}
        className={classes.height}
      />
      {[low, high].map((up) => (
        <text key={up} x={WIDE.left - 6} y={y(up) + 4} textAnchor="end" className={classes.label}>
          {`${formatNumber(up, 0)} m`}
        </text>
      ))}
      {minutes.map((m) => (
        <text key={m} x={x(startS + 60 * m)} y={WIDE.height - 6} textAnchor="middle" className={classes.label}>
          {`${m} min`}
        </text>
      ))}
    </svg>
  );
}

/** A round length that takes about a fifth of the drawing [m]. */
function scaleBar(scale: number): number {
  const wanted = SIZE.width / 5 / scale;
  const power = 10 ** Math.floor(Math.log10(wanted));
  return [1, 2, 5, 10].map((n) => n * power).reduce((best, n) => (n <= wanted ? n : best), power);
}
