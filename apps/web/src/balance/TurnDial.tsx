import { clockwiseOf, type Spin } from '@zivvo/core';
import { bladeOutline, type GlyphShape } from '../shared/ui/bladeOutline.ts';
import classes from './Dial.module.css';

/** A mass at an angle after the mark. */
export interface DialMass {
  degrees: number;
  kind: 'trial' | 'correction';
}

/** Where degrees grow on the label's face: from the mark, against the turn; and where the masses go. */
export function TurnDial({
  shape,
  turn,
  masses,
  size,
}: {
  shape: GlyphShape;
  turn: Spin;
  masses: readonly DialMass[];
  size: number;
}) {
  const at = (degrees: number, radius: number): { x: number; y: number } => {
    const angle = ((clockwiseOf(degrees, turn) - 90) * Math.PI) / 180;
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
  };
  const way = turn === 'cw' ? 1 : -1;
  const [grow, spin] = [at(50, 66), { x: way * 66 * Math.sin(0.7), y: -66 * Math.cos(0.7) }];
  const colour = turn === 'cw' ? 'var(--indigo)' : 'var(--plum)';
  const words = turn === 'cw' ? 'clockwise' : 'counter-clockwise';
  return (
    <svg
      width={size}
      height={size}
      viewBox="-104 -104 208 208"
      role="img"
      aria-label={
        `The label facing you, turning ${words}: degrees count from the mark against the ` +
        `turn${masses.map((m) => `, ${m.kind} at ${Math.round(m.degrees)}°`).join('')}`
      }
      style={{ maxWidth: '100%', height: 'auto' }}
    >
      <circle r={88} fill="var(--sheet)" stroke="var(--hairline)" />
      {Array.from({ length: shape.bladeCount }, (_, k) => (
        <g key={k} transform={`rotate(${(k * 360) / shape.bladeCount}) scale(1.25)`}>
          <path d={bladeOutline(shape)} fill="var(--ink)" opacity={0.28} />
        </g>
      ))}
      {[0, 90, 180, 270].map((degrees) => (
        <g key={degrees}>
          <line
            x1={at(degrees, 80).x}
            y1={at(degrees, 80).y}
            x2={at(degrees, 88).x}
            y2={at(degrees, 88).y}
            stroke="var(--ink)"
            strokeWidth={1.4}
          />
          <text {...at(degrees, 96)} className={classes.number}>{`${degrees}°`}</text>
        </g>
      ))}
      <path d={`M0 -${74}L-5 -84H5Z`} fill="var(--ink)" />
      <text x={0} y={-62} className={classes.number}>
        mark
      </text>
      <g fill="none" strokeWidth={2.6}>
        <path d={`M${way * 14} -64.5A66 66 0 0 ${way > 0 ? 1 : 0} ${spin.x} ${spin.y}`} stroke={colour} />
        <path
          d={`M${-way * 14} -64.5A66 66 0 0 ${way > 0 ? 0 : 1} ${grow.x} ${grow.y}`}
          stroke="var(--muted)"
          strokeWidth={1.4}
        />
      </g>
      <circle cx={spin.x} cy={spin.y} r={4} fill={colour} />
      <text x={way * 58} y={-26} className={classes.number} style={{ fill: colour }}>
        {turn === 'cw' ? 'turns CW' : 'turns CCW'}
      </text>
      <text x={-way * 56} y={-26} className={classes.number}>
        degrees grow
      </text>
      {masses.map(({ degrees, kind }, i) => {
        const { x, y } = at(degrees, 50);
        return (
          <rect
            key={i}
            x={x - 6}
            y={y - 6}
            width={12}
            height={12}
            rx={2}
            fill={kind === 'correction' ? 'var(--fjord)' : 'var(--sheet)'}
            stroke="var(--fjord)"
            strokeWidth={2}
          />
        );
      })}
    </svg>
  );
}
