import type { CraftView } from '@zivvo/contract';
import { placeNames } from '@zivvo/words';
import { useFormat } from '../shared/format/useFormat.ts';
import { craftDrawing, type DrawnShaft } from './craftDrawing.ts';

interface CraftDrawingProps {
  craft: Pick<CraftView, 'rotors' | 'massKg' | 'name' | 'kind'>;
  /** Disc that is drawn; null draws the arms alone. */
  discDiameterM: number | null;
  size: number;
  /** Without words and measures, for rows. */
  isMini?: boolean;
}

/** The craft from above, nose up, to scale. */
export function CraftDrawing({ craft, discDiameterM, size, isMini = false }: CraftDrawingProps) {
  const format = useFormat();
  const isPlane = craft.kind === 'plane';
  const drawing = craftDrawing(craft.rotors, discDiameterM);
  const { half, shafts, radius, body, gap } = drawing;
  const view = isMini ? half : half * 1.16;
  const stroke = view / (isMini ? 26 : 150);
  const letter = view / 15.5;
  const discInk = isMini ? 'var(--muted)' : 'var(--ink)';
  return (
    <svg
      width={size}
      height={size}
      viewBox={`${-view} ${-view} ${2 * view} ${2 * view}`}
      role="img"
      aria-label={`${craft.name} from above, nose up`}
      style={{ display: 'block', maxWidth: '100%' }}
    >
      {isPlane ? (
        <PlaneBody shafts={shafts} view={view} body={body} stroke={stroke} />
      ) : (
        <>
          {shafts.map((s) => (
            <line
              key={s.place}
              x1={0}
              y1={0}
              x2={s.x}
              y2={s.y}
              stroke="var(--hatch)"
              strokeWidth={body / 2.6}
              strokeLinecap="round"
            />
          ))}
          {radius !== null &&
            shafts.map((s) => (
              <circle
                key={s.place}
                cx={s.x}
                cy={s.y}
                r={radius}
                fill="none"
                stroke={discInk}
                strokeWidth={stroke * (isMini ? 1 : 1.2)}
              />
            ))}
          {shafts.map((s) => (
            <circle key={s.place} cx={s.x} cy={s.y} r={Math.min(body / 4, (radius ?? body) / 4)} fill="var(--ink)" />
          ))}
          <rect
            x={-body * 0.62}
            y={-body * 0.8}
            width={body * 1.24}
            height={body * 1.6}
            rx={body * 0.2}
            fill="var(--sheet)"
            stroke="var(--ink)"
            strokeWidth={stroke * 1.4}
          />
          <path
            d={`M${-body * 0.26} ${-body * 0.42}L0 ${-body * 0.72}L${body * 0.26} ${-body * 0.42}Z`}
            fill="var(--ink)"
          />
        </>
      )}
      {isPlane &&
        radius !== null &&
        shafts.map((s) => (
          <line
            key={s.place}
            x1={s.x - radius}
            x2={s.x + radius}
            y1={propY(s, view)}
            y2={propY(s, view)}
            stroke="var(--ink)"
            strokeWidth={stroke * (isMini ? 1.6 : 3)}
            strokeLinecap="round"
          />
        ))}
      {!isMini && (
        <>
          <text
            x={isPlane ? view * 0.32 : 0}
            y={isPlane ? view * 0.2 : body * 0.25}
            textAnchor="middle"
            fontSize={letter}
            fill="var(--muted)"
          >
            {format.quantity(craft.massKg, 'mass').text}
          </text>
          {shafts.map((s) =>
            isPlane ? (
              <PlaneLabel key={s.place} shaft={s} view={view} letter={letter} />
            ) : (
              <ShaftLabel key={s.place} shaft={s} radius={radius} body={body} letter={letter} stroke={stroke} />
            ),
          )}
          {!isPlane && gap !== null && (
            <g>
              <line
                x1={gap.from.x}
                x2={gap.to.x}
                y1={gap.from.y}
                y2={gap.to.y}
                stroke="var(--muted)"
                strokeWidth={stroke}
              />
              <g transform={`translate(${(gap.from.x + gap.to.x) / 2} ${(gap.from.y + gap.to.y) / 2})`}>
                <rect
                  x={-letter * 2.4}
                  y={-letter * 0.8}
                  width={letter * 4.8}
                  height={letter * 1.5}
                  fill="var(--sheet)"
                  opacity={0.92}
                />
                <text
                  y={letter * 0.35}
                  textAnchor="middle"
                  fontSize={letter * 0.9}
                  fill={gap.freeM < 0 ? 'var(--rust)' : 'var(--muted)'}
                >
                  {gap.freeM < 0 ? 'discs meet' : `${format.quantity(gap.freeM, 'length').text} free`}
                </text>
              </g>
            </g>
          )}
        </>
      )}
    </svg>
  );
}

const spinInk = { cw: 'var(--indigo)', ccw: 'var(--plum)' } as const;

/** An arm's name and spins outside its disc, and the way the upper rotor turns inside. */
function ShaftLabel({
  shaft,
  radius,
  body,
  letter,
  stroke,
}: {
  shaft: DrawnShaft;
  radius: number | null;
  body: number;
  letter: number;
  stroke: number;
}) {
  const [spin] = shaft.spins;
  const reach = (radius ?? body / 3) * 0.62;
  const lift = -reach * 0.6;
  const [fromX, toX] = spin === 'cw' ? [-reach * 0.8, reach * 0.8] : [reach * 0.8, -reach * 0.8];
  const isFront = shaft.y <= 0;
  return (
    <g transform={`translate(${shaft.x} ${shaft.y})`}>
      <path
        d={`M${fromX} ${lift}A${reach} ${reach} 0 0 ${spin === 'cw' ? 1 : 0} ${toX} ${lift}`}
        fill="none"
        stroke={spinInk[spin!]}
        strokeWidth={stroke * 3}
      />
      <path
        d={
          `M${toX - Math.sign(toX) * letter * 0.75} ${lift - letter * 0.05}L${toX} ` +
          `${lift}L${toX + Math.sign(toX) * letter * 0.08} ${lift - letter * 0.8}`
        }
        fill="none"
        stroke={spinInk[spin!]}
        strokeWidth={stroke * 3}
      />
      <text
        y={(isFront ? -1 : 1) * ((radius ?? 0) + letter * 0.9) + letter * 0.35}
        textAnchor="middle"
        fontSize={letter}
        fontWeight={650}
        fill="var(--ink)"
      >
        {placeNames[shaft.place]}{' '}
        {shaft.spins.map((s, level) => (
          <tspan key={s} fill={spinInk[s]}>
            {level === 0 ? '' : ' over '}
            {s.toUpperCase()}
          </tspan>
        ))}
      </text>
    </g>
  );
}

/** Where a plane's prop stands along the body. */
function propY({ place }: DrawnShaft, view: number): number {
  return (place === 'nose' ? -0.62 : place === 'tail' ? 0.76 : -0.3) * view;
}

function PlaneLabel({ shaft, view, letter }: { shaft: DrawnShaft; view: number; letter: number }) {
  const [spin] = shaft.spins;
  return (
    <text
      x={shaft.x}
      y={propY(shaft, view) - letter * 0.8}
      textAnchor="middle"
      fontSize={letter}
      fontWeight={650}
      fill="var(--ink)"
    >
      {placeNames[shaft.place]} <tspan fill={spinInk[spin!]}>{spin!.toUpperCase()} from behind</tspan>
    </text>
  );
}

/** A plane's outline: fuselage, wing, tail. Only the props are to scale. */
function PlaneBody({
  shafts,
  view,
  body,
  stroke,
}: {
  shafts: readonly DrawnShaft[];
  view: number;
  body: number;
  stroke: number;
}) {
  const ink = { fill: 'var(--hatch-ground)', stroke: 'var(--ink)', strokeWidth: stroke * 1.4 };
  const wide = Math.min(view * 0.94, Math.max(view * 0.8, ...shafts.map((s) => Math.abs(s.x) + body)));
  return (
    <g>
      <rect x={-wide} y={-view * 0.22} width={2 * wide} height={view * 0.24} rx={view * 0.06} {...ink} />
      <rect x={-view * 0.3} y={view * 0.56} width={view * 0.6} height={view * 0.14} rx={view * 0.04} {...ink} />
      <path
        d={
          `M${-view * 0.09} ${-view * 0.5}Q0 ${-view * 0.68} ${view * 0.09} ${-view * 0.5}L${view * 0.05} ` +
          `${view * 0.72}L${-view * 0.05} ${view * 0.72}Z`
        }
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={stroke * 1.4}
      />
    </g>
  );
}
