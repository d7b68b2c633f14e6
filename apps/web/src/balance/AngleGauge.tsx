import type { PropModelView } from '@zivvo/contract';
import { bladeAngle75Rad, modelGeometry } from '@zivvo/core';
import { handNames } from '@zivvo/words';
import { propModelName } from '../shared/ui/propModelName.ts';

/** Length of the rays of a fan, room around it, and width of the foot [mm]. */
const RAY_MM = 52;
const EDGE_MM = 6;
const FOOT_MM = 16;
const MOST_DEGREES = 45;
/** Where blades are measured, as a share of the radius. */
const STATION = 0.75;

/**
 * A gauge for the angle of a blade at three quarters of the radius: the foot lies under the prop with its cross under
 * the hub, the fan is folded up and read against the blade's underside. One for each hand.
 */
export function AngleGauge({ model, hand }: { model: PropModelView; hand: 'cw' | 'ccw' }) {
  const geometry = modelGeometry({ ...model, angle75Rad: null });
  const stationMm = (1000 * STATION * geometry.diameterM) / 2;
  const labelDegrees = (bladeAngle75Rad(geometry) * 180) / Math.PI;
  const width = Math.max(stationMm + EDGE_MM, RAY_MM) + 2 * EDGE_MM;
  const height = RAY_MM + FOOT_MM + 2 * EDGE_MM;
  const [foldY, lean] = [EDGE_MM + RAY_MM, hand === 'cw' ? 1 : -1];
  // The fan opens the way the blade leans; its corner stands at the edge that leads.
  const cornerX = hand === 'cw' ? EDGE_MM : EDGE_MM + RAY_MM;
  const point = (degrees: number, mm: number): string => {
    const rad = (degrees * Math.PI) / 180;
    return `${(cornerX + lean * mm * Math.cos(rad)).toFixed(2)} ${(foldY - mm * Math.sin(rad)).toFixed(2)}`;
  };
  return (
    <svg width={`${width}mm`} height={`${height}mm`} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={`Angle gauge for ${handNames[hand]} pieces`} style={{ background: '#fff', maxWidth: '100%' }}>
      {Array.from({ length: MOST_DEGREES + 1 }, (_, degrees) => (
        <path key={degrees} d={`M${point(degrees, degrees % 5 === 0 ? 8 : RAY_MM - 3)}L${point(degrees, RAY_MM - (degrees % 5 === 0 ? 5 : 0.5))}`} stroke="#000" strokeWidth={degrees % 5 === 0 ? 0.25 : 0.15} />
      ))}
      {Array.from({ length: MOST_DEGREES / 5 + 1 }, (_, i) => (
        <text key={i} x={Number(point(5 * i, RAY_MM - 2.5).split(' ')[0])} y={Number(point(5 * i, RAY_MM - 2.5).split(' ')[1]) + 1} fontSize={3} textAnchor="middle" fill="#000">
          {5 * i}
        </text>
      ))}
      <path d={`M${point(labelDegrees, 8)}L${point(labelDegrees, RAY_MM - 5)}`} stroke="#000" strokeWidth={0.5} strokeDasharray="2 1" />
      <path d={`M0 ${foldY}H${width}`} stroke="#000" strokeWidth={0.2} strokeDasharray="1 1" />
      <text x={EDGE_MM} y={foldY + 4} fontSize={3} fill="#000">{`${handNames[hand]} pieces, fold up here`}</text>
      <path d={`M${EDGE_MM} ${foldY + 10}h4m-2 -2v4M${EDGE_MM + 2} ${foldY + 10}h${stationMm}m0 -2v4`} stroke="#000" strokeWidth={0.3} fill="none" />
      <text x={EDGE_MM} y={foldY + 16} fontSize={3} fill="#000">{`cross under the hub, blade over the tick at ${stationMm.toFixed(1)} mm · dashed: ${labelDegrees.toFixed(1)}° as ${propModelName(model)} says`}</text>
    </svg>
  );
}
