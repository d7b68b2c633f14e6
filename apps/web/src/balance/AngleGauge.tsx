import type { PropModelView } from '@zivvo/contract';
import { bladeAngle75Rad, modelGeometry } from '@zivvo/core';
import { handNames } from '@zivvo/words';

/** Length of the rays of a fan, and room around it [mm]. */
const RAY_MM = 52;
const EDGE_MM = 7;
const MOST_DEGREES = 45;
/** Where blades are measured, as a share of the radius. */
const STATION = 0.75;

/**
 * A gauge for the angle of a blade at three quarters of the radius: the foot lies along the blade with its cross under
 * the hub, the fan is folded up across it and read against the blade's underside. One for each hand.
 */
export function AngleGauge({ model, hand }: { model: PropModelView; hand: 'cw' | 'ccw' }) {
  const geometry = modelGeometry({ ...model, angle75Rad: null });
  const stationMm = (1000 * STATION * geometry.diameterM) / 2;
  const labelDegrees = (bladeAngle75Rad(geometry) * 180) / Math.PI;
  const width = RAY_MM + 2 * EDGE_MM;
  const foldY = EDGE_MM + RAY_MM * Math.sin((MOST_DEGREES * Math.PI) / 180);
  const height = foldY + stationMm + EDGE_MM;
  // The fan opens the way the blade leans.
  const lean = hand === 'cw' ? 1 : -1;
  const cornerX = hand === 'cw' ? EDGE_MM : EDGE_MM + RAY_MM;
  const middleX = width / 2;
  const at = (degrees: number, mm: number): { x: number; y: number } => {
    const rad = (degrees * Math.PI) / 180;
    return { x: cornerX + lean * mm * Math.cos(rad), y: foldY - mm * Math.sin(rad) };
  };
  const ray = (degrees: number, fromMm: number, toMm: number): string => {
    const [a, b] = [at(degrees, fromMm), at(degrees, toMm)];
    return `M${a.x.toFixed(2)} ${a.y.toFixed(2)}L${b.x.toFixed(2)} ${b.y.toFixed(2)}`;
  };
  return (
    <svg
      width={`${width}mm`}
      height={`${height}mm`}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`Angle gauge for ${handNames[hand]} pieces`}
      style={{ background: '#fff', maxWidth: '100%', flex: 'none' }}
    >
      {Array.from({ length: MOST_DEGREES + 1 }, (_, degrees) => (
        <path
          key={degrees}
          d={degrees % 5 === 0 ? ray(degrees, 8, RAY_MM - 5) : ray(degrees, RAY_MM - 3, RAY_MM - 0.5)}
          stroke="#000"
          strokeWidth={degrees % 5 === 0 ? 0.25 : 0.15}
        />
      ))}
      {Array.from({ length: MOST_DEGREES / 5 + 1 }, (_, i) => (
        <text
          key={i}
          x={at(5 * i, RAY_MM - 2.5).x}
          y={at(5 * i, RAY_MM - 2.5).y + 1}
          fontSize={2.8}
          textAnchor="middle"
          fill="#000"
        >
          {5 * i}
        </text>
      ))}
      <path d={ray(labelDegrees, 8, RAY_MM - 5)} stroke="#000" strokeWidth={0.5} strokeDasharray="2 1" />
      <path d={`M0 ${foldY}H${width}`} stroke="#000" strokeWidth={0.2} strokeDasharray="1 1" />
      <path
        d={`M${middleX} ${foldY}V${foldY + stationMm}m-2.5 0h5m-2.5 -2.5v5`}
        stroke="#000"
        strokeWidth={0.3}
        fill="none"
      />
      {[
        `${handNames[hand]} pieces`,
        'fold up here',
        `${stationMm.toFixed(1)} mm to the hub`,
        `dashed: ${labelDegrees.toFixed(1)}° by the label`,
      ].map((text, i) => (
        <text key={text} x={EDGE_MM - 4} y={foldY + 5 + 4.2 * i} fontSize={2.8} fill="#000">
          {text}
        </text>
      ))}
      <text x={middleX + 4} y={foldY + stationMm + 1} fontSize={2.8} fill="#000">
        hub here
      </text>
    </svg>
  );
}
