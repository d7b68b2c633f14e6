import type { ArmView, FittingView } from '@zivvo/contract';
import { labelSpinOf, type CraftKind } from '@zivvo/core';
import { placeNames } from '@zivvo/words';
import { faultWords, isArm, type ArmKey } from './fitView.ts';

interface SpinMapProps {
  view: FittingView;
  kind: CraftKind;
  chosen: ArmKey | null;
  onChoose: (key: ArmKey) => void;
  size: number;
}

const INK = { cw: 'var(--indigo)', ccw: 'var(--plum)', either: 'var(--ink)' } as const;

/** The craft as its labels are read, a drone from above and a plane from the front: outside how each motor turns, inside which hand sits on it; struck where they clash. */
export function SpinMap({ view, kind, chosen, onChoose, size }: SpinMapProps) {
  const { arms } = view;
  const upper = arms.filter((a) => a.level === 0);
  const reach = Math.max(...arms.map((a) => Math.hypot(a.xM, a.yM)), 0.05);
  const isPlane = kind === 'plane';
  const at = (a: ArmView) => (isPlane ? { x: upper.length === 1 ? 0 : (-a.yM * 58) / reach, y: 0 } : { x: (a.yM * 58) / reach, y: (-a.xM * 58) / reach });
  const nearest = upper.length < 2 ? 88 : Math.min(...upper.flatMap((a, i) => upper.slice(i + 1).map((b) => Math.hypot(at(a).x - at(b).x, at(a).y - at(b).y))));
  const radius = Math.max(12, Math.min(isPlane ? 40 : 30, nearest * 0.46));
  const { tipsDegrees } = view.takeOff.moments ?? { tipsDegrees: null };
  return (
    <svg width={size} height={size} viewBox="-112 -112 224 224" role="group" aria-label={`Spin map: the craft from ${isPlane ? 'the front' : 'above'}`} style={{ display: 'block', maxWidth: '100%', height: 'auto' }}>
      {isPlane ? <PlaneFront /> : <DroneAbove ends={upper.map(at)} />}
      {upper.map((a) => {
        const pair = arms.filter((o) => o.place === a.place);
        return <Arm key={a.place} pair={pair} {...at(a)} kind={kind} radius={radius} view={view} chosen={chosen} onChoose={onChoose} />;
      })}
      {view.takeOff.verdict === 'tips' && tipsDegrees !== null && (
        <g transform={`rotate(${tipsDegrees})`}>
          <path d="M0 -24V-50M-6 -43L0 -51L6 -43" stroke="var(--rust)" strokeWidth={3} fill="none" />
        </g>
      )}
    </svg>
  );
}

/** Arms, body and nose. */
function DroneAbove({ ends }: { ends: readonly { x: number; y: number }[] }) {
  return (
    <>
      {ends.map(({ x, y }) => (
        <line key={`${x}/${y}`} x1={0} y1={0} x2={x} y2={y} stroke="var(--hatch)" strokeWidth={9} strokeLinecap="round" />
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
  pair: ArmView[];
  x: number;
  y: number;
  radius: number;
}

function Arm({ pair, kind, x, y, radius, view, chosen, onChoose }: ArmProps) {
  const [first] = pair;
  const isChosen = pair.some((a) => isArm(a, chosen));
  const words = pair.flatMap((a) => faultWords(view, a));
  const isBelow = kind === 'plane' || y > 0.1;
  const next = pair.find((a) => !isArm(a, chosen)) ?? first!;
  const label = `${placeNames[first!.place]}: ${pair.map((a) => `motor ${labelSpinOf(a.spin, kind).toUpperCase()}${a.isSpinSeen ? ', seen' : ', not seen'}, piece ${a.hand === null ? 'unknown' : a.hand === 'either' ? 'either way' : a.hand.toUpperCase()}`).join('; ')}${words.length > 0 ? `; wrong: ${words.join(', ')}` : ''}`;
  return (
    <g
      transform={`translate(${x} ${y})`}
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={isChosen}
      style={{ cursor: 'pointer' }}
      onClick={() => onChoose(isChosen ? next : first!)}
      onKeyDown={(e) => {
        if (e.key !== 'Enter' && e.key !== ' ') return;
        e.preventDefault();
        onChoose(isChosen ? next : first!);
      }}
    >
      <circle r={radius} fill={isChosen ? 'var(--fjord-wash)' : 'var(--sheet)'} stroke={words.length > 0 ? 'var(--rust)' : 'var(--ink)'} strokeWidth={words.length > 0 ? 2.4 : isChosen ? 2 : 1} />
      {pair.map((a, level) => (
        <g key={level} transform={pair.length > 1 ? `translate(0 ${level === 0 ? -radius * 0.28 : radius * 0.34}) scale(0.66)` : undefined}>
          <Turn spin={labelSpinOf(a.spin, kind)} reach={radius * 0.82} width={a.isSpinSeen ? 3.2 : 1.4} />
          {a.hand !== null && <Turn spin={a.hand === 'either' ? 'cw' : a.hand} reach={radius * 0.48} width={2} colour={INK[a.hand]} isBoth={a.hand === 'either'} />}
          {a.hand === null && (
            <text y={4} textAnchor="middle" fontSize={13} fontWeight={700} fill="var(--muted)">
              ?
            </text>
          )}
          {!a.isLabelForward && a.hand !== null && (
            <text y={radius * 0.2} textAnchor="middle" fontSize={6.5} fill="var(--ochre)">
              over
            </text>
          )}
        </g>
      ))}
      {words.length > 0 && <path d={`M${-radius * 0.72} ${radius * 0.72}L${radius * 0.72} ${-radius * 0.72}`} stroke="var(--rust)" strokeWidth={2.4} />}
      <text y={(isBelow ? 1 : -1) * (radius + 8) + 3} textAnchor="middle" fontSize={8.5} fontWeight={650} fill="var(--ink)">
        {placeNames[first!.place]}
      </text>
      <text y={(isBelow ? 1 : -1) * (radius + 17) + 3} textAnchor="middle" fontSize={7.5} fill={words.length > 0 ? 'var(--rust)' : 'var(--muted)'}>
        {words.length > 0 ? words.join(', ') : pair.map((a) => `${labelSpinOf(a.spin, kind).toUpperCase()}${a.piece ? ` · ${a.piece.tag}` : ''}`).join(' / ')}
      </text>
    </g>
  );
}

/** A curved arrow: three quarters of a turn. */
function Turn({ spin, reach, width, colour = INK[spin], isBoth = false }: { spin: 'cw' | 'ccw'; reach: number; width: number; colour?: string; isBoth?: boolean }) {
  const sign = spin === 'cw' ? 1 : -1;
  const at = (degrees: number): string => `${(sign * reach * Math.sin((degrees * Math.PI) / 180)).toFixed(2)} ${(-reach * Math.cos((degrees * Math.PI) / 180)).toFixed(2)}`;
  const head = `M${at(112)}L${at(130)}L${(sign * (reach + 3.6) * Math.sin((108 * Math.PI) / 180)).toFixed(2)} ${(-(reach + 3.6) * Math.cos((108 * Math.PI) / 180)).toFixed(2)}`;
  return (
    <g fill="none" stroke={colour} strokeWidth={width} strokeLinecap="round" strokeLinejoin="round">
      <path d={`M${at(-130)}A${reach} ${reach} 0 1 ${spin === 'cw' ? 1 : 0} ${at(130)}`} />
      {!isBoth && <path d={head} />}
    </g>
  );
}
