import type { KeyboardEvent } from 'react';
import type { ArmView, FittingView, PieceView } from '@zivvo/contract';
import { labelSpinOf, type CraftKind } from '@zivvo/core';
import { placeNames } from '@zivvo/words';
import { useFormat } from '../shared/format/useFormat.ts';
import { faultWords, isArm, type ArmKey } from './fitView.ts';

/** What the map shows of an arm. */
export type MappedArm = Pick<
  ArmView,
  'place' | 'level' | 'xM' | 'yM' | 'spin' | 'isSpinSeen' | 'hand' | 'isLabelForward' | 'pullN'
> & { piece: Pick<PieceView, 'tag'> | null };

/** What the map shows of a craft. */
export type MappedCraft = Pick<FittingView, 'takeOff' | 'sideThrust' | 'wantedSideThrust'> & { arms: MappedArm[] };

interface SpinMapProps {
  view: MappedCraft;
  kind: CraftKind;
  chosen: ArmKey | null;
  /** Left out where the map is only to be looked at. */
  onChoose?: (key: ArmKey) => void;
  size: number;
}

const INK = { cw: 'var(--indigo)', ccw: 'var(--plum)', either: 'var(--ink)' } as const;

/**
 * The craft as its labels are read, a drone from above and a plane from the front: outside how each shaft turns, inside
 * which hand sits on it and what it will pull; struck where they clash.
 */
export function SpinMap({ view, kind, chosen, onChoose, size }: SpinMapProps) {
  const { arms } = view;
  const upper = arms.filter((a) => a.level === 0);
  const reach = Math.max(...arms.map((a) => Math.hypot(a.xM, a.yM)), 0.05);
  const isPlane = kind === 'plane';
  const at = (a: MappedArm) =>
    isPlane
      ? { x: upper.length === 1 ? 0 : (-a.yM * 58) / reach, y: 0 }
      : { x: (a.yM * 58) / reach, y: (-a.xM * 58) / reach };
  const nearest =
    upper.length < 2
      ? 88
      : Math.min(
          ...upper.flatMap((a, i) => upper.slice(i + 1).map((b) => Math.hypot(at(a).x - at(b).x, at(a).y - at(b).y))),
        );
  const radius = Math.max(12, Math.min(isPlane ? 40 : 30, nearest * 0.46));
  return (
    <svg
      width={size}
      height={size}
      viewBox={isPlane ? '-108 -106 216 212' : boxAround(upper.map(at), radius)}
      role="group"
      aria-label={`Spin map: the craft from ${isPlane ? 'the front' : 'above'}`}
      style={{ display: 'block', maxWidth: '100%', height: 'auto' }}
    >
      {isPlane ? <PlaneFront /> : <DroneAbove ends={upper.map(at)} />}
      {upper.map((a) => {
        const pair = arms.filter((o) => o.place === a.place);
        return (
          <Arm
            key={a.place}
            pair={pair}
            {...at(a)}
            kind={kind}
            radius={radius}
            view={view}
            chosen={chosen}
            onChoose={onChoose}
          />
        );
      })}
      <TiltLine view={view} />
      {isPlane && view.sideThrust !== null && view.sideThrust !== 'none' && (
        <ThrustLine side={view.sideThrust} isWrong={view.sideThrust !== view.wantedSideThrust} />
      )}
    </svg>
  );
}

/** A box that holds every disc with its name. */
function boxAround(discs: readonly { x: number; y: number }[], radius: number): string {
  const wide = Math.max(...discs.map((d) => Math.abs(d.x))) + radius + 8;
  const high = Math.max(...discs.map((d) => Math.abs(d.y))) + radius + 24;
  return `${-wide} ${-high} ${2 * wide} ${2 * high}`;
}

/** The line over which it tips, and which side goes down. */
function TiltLine({ view }: { view: Pick<MappedCraft, 'takeOff'> }) {
  const degrees = view.takeOff.verdict === 'tips' ? view.takeOff.tip?.degrees : null;
  if (degrees === null || degrees === undefined) return null;
  return (
    <g transform={`rotate(${degrees})`} stroke="var(--rust)" fill="none">
      <path d="M-46 0H46" strokeWidth={1.4} />
      <path d="M0 -20V-42M-6 -35L0 -43L6 -35" strokeWidth={3} />
    </g>
  );
}

/** Where a plane's motor points: the pilot's right is on the left of whoever stands before it. */
function ThrustLine({ side, isWrong }: { side: 'left' | 'right'; isWrong: boolean }) {
  const to = side === 'right' ? -1 : 1;
  return (
    <g stroke={isWrong ? 'var(--rust)' : 'var(--ink)'} fill="none">
      <path d={`M0 58H${to * 26}M${to * 20} 53L${to * 27} 58L${to * 20} 63`} strokeWidth={2} />
      <text
        x={to * 32}
        y={61}
        textAnchor={to < 0 ? 'end' : 'start'}
        fontSize={7.5}
        fill={isWrong ? 'var(--rust)' : 'var(--ink)'}
        stroke="none"
      >
        {`points to the pilot’s ${side}`}
      </text>
    </g>
  );
}

/** Arms, body and nose. */
function DroneAbove({ ends }: { ends: readonly { x: number; y: number }[] }) {
  return (
    <>
      {ends.map(({ x, y }) => (
        <line
          key={`${x}/${y}`}
          x1={0}
          y1={0}
          x2={x}
          y2={y}
          stroke="var(--hatch)"
          strokeWidth={9}
          strokeLinecap="round"
        />
      ))}
      <rect x={-13} y={-17} width={26} height={34} rx={5} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.2} />
      <path d="M-5 -9L0 -15L5 -9Z" fill="var(--ink)" />
    </>
  );
}

/** Wing, fin and body as they stand before whoever holds the nut. */
function PlaneFront() {
  return (
    <g stroke="var(--hatch)" strokeWidth={9} strokeLinecap="round" fill="none">
      <path d="M-102 -4L0 4L102 -4M0 0V-84" />
      <circle r={22} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.2} />
    </g>
  );
}

interface ArmProps extends Omit<SpinMapProps, 'size'> {
  pair: MappedArm[];
  x: number;
  y: number;
  radius: number;
}

function Arm({ pair, kind, x, y, radius, view, chosen, onChoose }: ArmProps) {
  const format = useFormat();
  const [first] = pair;
  const isChosen = pair.some((a) => isArm(a, chosen));
  const words = pair.flatMap((a) => faultWords(view, a));
  const isBelow = kind === 'plane' || y > 0.1;
  const next = pair.find((a) => !isArm(a, chosen)) ?? first!;
  const take = (): void => onChoose?.(isChosen ? next : first!);
  const pulls = pair.map((a) => a.pullN);
  const pull = pulls.every((p) => p !== null) ? pulls.reduce((sum, p) => sum + p, 0) : null;
  const pullWords =
    pull === null
      ? ''
      : `; pulls ${format.quantity(Math.abs(pull), 'force').text} ` +
        `${pull < 0 ? 'the wrong way' : kind === 'plane' ? 'forward' : 'up'}`;
  const label =
    `${placeNames[first!.place]}: ` +
    `${pair.map((a) => `shaft ${labelSpinOf(a.spin, kind).toUpperCase()}${a.isSpinSeen ? ', seen' : ', not seen'}, piece ${a.hand === null ? 'unknown' : a.hand === 'either' ? 'either way' : a.hand.toUpperCase()}`).join('; ')}${pullWords}${words.length > 0 ? `; wrong: ${words.join(', ')}` : ''}`;
  return (
    <g
      transform={`translate(${x} ${y})`}
      {...(onChoose
        ? {
            role: 'button',
            tabIndex: 0,
            'aria-pressed': isChosen,
            style: { cursor: 'pointer' },
            onClick: take,
            onKeyDown: (e: KeyboardEvent) => {
              if (e.key !== 'Enter' && e.key !== ' ') return;
              e.preventDefault();
              take();
            },
          }
        : { role: 'img' })}
      aria-label={label}
    >
      <circle
        r={radius}
        fill={isChosen ? 'var(--fjord-wash)' : 'var(--sheet)'}
        stroke={words.length > 0 ? 'var(--rust)' : 'var(--ink)'}
        strokeWidth={words.length > 0 ? 2.4 : isChosen ? 2 : 1}
      />
      {pair.map((a, level) => (
        <g
          key={level}
          transform={
            pair.length > 1 ? `translate(0 ${level === 0 ? -radius * 0.28 : radius * 0.34}) scale(0.66)` : undefined
          }
        >
          <Turn spin={labelSpinOf(a.spin, kind)} reach={radius * 0.82} width={a.isSpinSeen ? 3.2 : 1.4} />
          {a.hand !== null && (
            <Turn
              spin={a.hand === 'either' ? 'cw' : a.hand}
              reach={radius * 0.48}
              width={2}
              colour={INK[a.hand]}
              isBoth={a.hand === 'either'}
            />
          )}
          {a.hand === null && (
            <text y={4} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--muted)">
              ?
            </text>
          )}
          {!a.isLabelForward && a.hand !== null && (
            <text y={radius * 0.36} textAnchor="middle" fontSize={6.5} fill="var(--ochre)">
              over
            </text>
          )}
        </g>
      ))}
      {words.length > 0 && (
        <path
          d={`M${-radius * 0.72} ${radius * 0.72}L${radius * 0.72} ${-radius * 0.72}`}
          stroke="var(--rust)"
          strokeWidth={2.4}
        />
      )}
      {pair.length === 1 && pull !== null && (
        <text
          y={2.4}
          textAnchor="middle"
          fontSize={7}
          fontWeight={650}
          fill={pull < 0 ? 'var(--rust)' : 'var(--ink)'}
          stroke="var(--sheet)"
          strokeWidth={words.length > 0 ? 3 : 0}
          paintOrder="stroke"
        >
          {format.quantity(pull, 'force').text}
        </text>
      )}
      <text
        y={(isBelow ? 1 : -1) * (radius + 8) + 3}
        textAnchor="middle"
        fontSize={8.5}
        fontWeight={650}
        fill="var(--ink)"
      >
        {placeNames[first!.place]}
      </text>
      <text
        y={(isBelow ? 1 : -1) * (radius + 17) + 3}
        textAnchor="middle"
        fontSize={7.5}
        fill={words.length > 0 ? 'var(--rust)' : 'var(--muted)'}
      >
        {words.length > 0
          ? words.join(', ')
          : pair
              .map((a) => `${labelSpinOf(a.spin, kind).toUpperCase()}${a.piece ? ` · ${a.piece.tag}` : ''}`)
              .join(' / ')}
      </text>
    </g>
  );
}

/** A curved arrow: three quarters of a turn. */
function Turn({
  spin,
  reach,
  width,
  colour = INK[spin],
  isBoth = false,
}: {
  spin: 'cw' | 'ccw';
  reach: number;
  width: number;
  colour?: string;
  isBoth?: boolean;
}) {
  const sign = spin === 'cw' ? 1 : -1;
  const at = (degrees: number): string =>
    `${(sign * reach * Math.sin((degrees * Math.PI) / 180)).toFixed(2)} ` +
    `${(-reach * Math.cos((degrees * Math.PI) / 180)).toFixed(2)}`;
  const head =
    `M${at(112)}L${at(130)}L${(sign * (reach + 3.6) * Math.sin((108 * Math.PI) / 180)).toFixed(2)} ` +
    `${(-(reach + 3.6) * Math.cos((108 * Math.PI) / 180)).toFixed(2)}`;
  return (
    <g fill="none" stroke={colour} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round">
      <path d={`M${at(-130)}A${reach} ${reach} 0 1 ${spin === 'cw' ? 1 : 0} ${at(130)}`} />
      {!isBoth && <path d={head} />}
    </g>
  );
}
