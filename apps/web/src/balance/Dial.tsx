import type { TapePlace, TapeState } from '@zivvo/core';
import type { KeyboardEvent } from 'react';
import { bladeOutline, type GlyphShape } from '../shared/ui/bladeOutline.ts';
import { onScreenDegrees, type DialPose } from './dialView.ts';
import classes from './Dial.module.css';

interface DialProps {
  shape: GlyphShape;
  pose: DialPose;
  onTurn: (degrees: number) => void;
  places: readonly TapePlace[];
  /** Moments that are on now, by place [kg·m]. */
  tape: readonly number[];
  /** What the unbalance still can be; null before the first look. */
  unbalance: TapeState['unbalance'];
  targetKgM: number;
  size: number;
}

const STEP_DEGREES = 15;
const FINE_DEGREES = 5;
const RADIUS = 78;

/** The prop face-on, turned by hand until it looks like the one on the shaft. */
export function Dial({ shape, pose, onTurn, places, tape, unbalance, targetKgM, size }: DialProps) {
  const outline = bladeOutline(shape);
  const step = 360 / shape.bladeCount;
  const onKeyDown = (event: KeyboardEvent): void => {
    const by = { ArrowLeft: -STEP_DEGREES, ArrowRight: STEP_DEGREES, ArrowDown: -FINE_DEGREES, ArrowUp: FINE_DEGREES }[
      event.key
    ];
    if (by === undefined) return;
    event.preventDefault();
    onTurn((pose.turnDegrees + by + 360) % 360);
  };
  const point = (degrees: number, radius: number): { x: number; y: number } => {
    const angle = ((onScreenDegrees(degrees, pose) - 90) * Math.PI) / 180;
    return { x: radius * Math.cos(angle), y: radius * Math.sin(angle) };
  };
  const heavy = unbalance
    ? point(unbalance.degrees, Math.min(RADIUS - 6, 18 + 34 * Math.log10(1 + unbalance.amountKgM / targetKgM)))
    : null;
  const drag = (event: React.PointerEvent<SVGSVGElement>): void => {
    if (event.buttons === 0) return;
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left - box.width / 2, event.clientY - box.top - box.height / 2];
    onTurn(Math.round(((Math.atan2(y, x) * 180) / Math.PI + 90 + 360) % 360));
  };
  return (
    <svg
      className={classes.dial}
      width={size}
      height={size}
      viewBox="-100 -100 200 200"
      role="slider"
      tabIndex={0}
      aria-label="The prop on its shaft: turn it until it looks like yours"
      aria-valuemin={0}
      aria-valuemax={360}
      aria-valuenow={Math.round(pose.turnDegrees)}
      aria-valuetext={`first blade at ${Math.round(pose.turnDegrees)} degrees from straight up`}
      onKeyDown={onKeyDown}
      onPointerDown={drag}
      onPointerMove={drag}
    >
      <circle r={88} fill="var(--sheet)" stroke="var(--hairline)" strokeWidth={1} />
      {Array.from({ length: 24 }, (_, i) => (
        <line
          key={i}
          x1={0}
          y1={-88}
          x2={0}
          y2={i % 6 === 0 ? -80 : -84}
          stroke="var(--muted)"
          strokeWidth={i % 6 === 0 ? 1.4 : 0.8}
          transform={`rotate(${i * 15})`}
        />
      ))}
      <path d="M0 95l-5 -7h10z" fill="var(--ochre)" />
      <circle r={18} fill="none" stroke="var(--moss)" strokeWidth={1.2} />
      {Array.from({ length: shape.bladeCount }, (_, k) => {
        const at = onScreenDegrees(k * step, pose);
        return (
          <g key={k}>
            <g transform={`rotate(${at}) scale(${pose.isBackSeen ? -1.45 : 1.45} 1.45)`}>
              <path d={outline} fill="var(--ink)" opacity={0.82} />
            </g>
            <text {...label(at)} className={classes.number}>
              {k + 1}
            </text>
          </g>
        );
      })}
      <circle r={10} fill="var(--ink)" />
      <circle r={3.4} fill="var(--sheet)" />
      {places.map(({ degrees, kind }, i) => {
        if (!(tape[i]! > 0)) return null;
        const { x, y } = point(degrees, kind === 'blade' ? 0.75 * 70 : 14);
        return (
          <rect
            key={i}
            x={x - 5}
            y={y - 3.4}
            width={10}
            height={6.8}
            rx={1.2}
            fill="var(--fjord)"
            stroke="var(--sheet)"
            strokeWidth={0.8}
            transform={`rotate(${onScreenDegrees(degrees, pose)} ${x} ${y})`}
          />
        );
      })}
      {heavy && (
        <g stroke="var(--rust)" strokeWidth={2.4} fill="none">
          <path d={`M0 0L${heavy.x} ${heavy.y}`} />
          <circle cx={heavy.x} cy={heavy.y} r={3.4} fill="var(--rust)" />
        </g>
      )}
    </svg>
  );
}

function label(at: number): { x: number; y: number } {
  const angle = ((at - 90) * Math.PI) / 180;
  return { x: 73 * Math.cos(angle + 0.22), y: 73 * Math.sin(angle + 0.22) };
}
