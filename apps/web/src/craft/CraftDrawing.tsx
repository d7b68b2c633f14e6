import type { CraftView } from '@zivvo/contract';
import { placeNames } from '@zivvo/words';
import { useFormat } from '../shared/format/useFormat.ts';
import { craftDrawing } from './craftDrawing.ts';

interface CraftDrawingProps {
  craft: Pick<CraftView, 'rotors' | 'massKg' | 'name'>;
  /** Disc that is drawn; null draws the arms alone. */
  discDiameterM: number | null;
  size: number;
  /** Without words and measures, for rows. */
  isMini?: boolean;
}

/** The craft from above, nose up, to scale. */
export function CraftDrawing({ craft, discDiameterM, size, isMini = false }: CraftDrawingProps) {
  const format = useFormat();
  const drawing = craftDrawing(craft.rotors, discDiameterM);
  const { half, rotors, radius, body } = drawing;
  const view = isMini ? half : half * 1.16;
  const stroke = view / (isMini ? 26 : 150);
  const letter = view / 15.5;
  return (
    <svg width={size} height={size} viewBox={`${-view} ${-view} ${2 * view} ${2 * view}`} role="img" aria-label={`${craft.name} from above, nose up`} style={{ display: 'block', maxWidth: '100%' }}>
      {rotors.map((r) => (
        <line key={r.place} x1={0} y1={0} x2={r.x} y2={r.y} stroke="var(--hatch)" strokeWidth={body / 2.6} strokeLinecap="round" />
      ))}
      {radius !== null && rotors.map((r) => <circle key={r.place} cx={r.x} cy={r.y} r={radius} fill="none" stroke={isMini ? 'var(--muted)' : 'var(--ink)'} strokeWidth={stroke * (isMini ? 1 : 1.2)} />)}
      {rotors.map((r) => (
        <circle key={r.place} cx={r.x} cy={r.y} r={body / 4} fill="var(--ink)" />
      ))}
      <rect x={-body * 0.62} y={-body * 0.8} width={body * 1.24} height={body * 1.6} rx={body * 0.2} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={stroke * 1.4} />
      <path d={`M${-body * 0.26} ${-body * 0.42}L0 ${-body * 0.72}L${body * 0.26} ${-body * 0.42}Z`} fill="var(--ink)" />
      {!isMini && (
        <>
          <text y={body * 0.25} textAnchor="middle" fontSize={letter} fill="var(--muted)">
            {format.quantity(craft.massKg, 'mass').text}
          </text>
          {rotors.map((r) => {
            const isFront = r.y < 0;
            const colour = r.spin === 'cw' ? 'var(--indigo)' : 'var(--plum)';
            const reach = (radius ?? body / 3) * 0.62;
            const sweep = r.spin === 'cw' ? 1 : 0;
            const [fromX, toX] = r.spin === 'cw' ? [-reach * 0.8, reach * 0.8] : [reach * 0.8, -reach * 0.8];
            const lift = -reach * 0.6;
            return (
              <g key={r.place} transform={`translate(${r.x} ${r.y})`}>
                <path d={`M${fromX} ${lift}A${reach} ${reach} 0 0 ${sweep} ${toX} ${lift}`} fill="none" stroke={colour} strokeWidth={stroke * 3} />
                <path d={`M${toX - Math.sign(toX) * letter * 0.75} ${lift - letter * 0.05}L${toX} ${lift}L${toX + Math.sign(toX) * letter * 0.08} ${lift - letter * 0.8}`} fill="none" stroke={colour} strokeWidth={stroke * 3} />
                <text y={(isFront ? -1 : 1) * ((radius ?? 0) + letter * 0.9) + letter * 0.35} textAnchor="middle" fontSize={letter} fontWeight={650} fill="var(--ink)">
                  {placeNames[r.place]} <tspan fill={colour}>{r.spin.toUpperCase()}</tspan>
                </text>
              </g>
            );
          })}
          {radius !== null && drawing.gap !== null && (
            <g>
              <line x1={-drawing.spacing / 2} x2={drawing.spacing / 2} y1={rotors[0]!.y} y2={rotors[0]!.y} stroke="var(--muted)" strokeWidth={stroke} />
              <rect x={-letter * 2.4} y={rotors[0]!.y - letter * 1.75} width={letter * 4.8} height={letter * 1.5} fill="var(--sheet)" opacity={0.92} />
              <text y={rotors[0]!.y - letter * 0.6} textAnchor="middle" fontSize={letter * 0.9} fill={drawing.gap < 0 ? 'var(--rust)' : 'var(--muted)'}>
                {drawing.gap < 0 ? 'discs meet' : `${format.quantity(drawing.gap, 'length').text} free`}
              </text>
            </g>
          )}
        </>
      )}
    </svg>
  );
}
