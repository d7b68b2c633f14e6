import type { Drill } from '@zivvo/core';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { givenOf } from './drillView.ts';

/** What the question is about, drawn. */
export function DrillPicture({ drill }: { drill: Drill }) {
  const given = givenOf(drill);
  return (
    <figure style={{ margin: 0, textAlign: 'center' }}>
      {drill.kind === 'label' && (
        <span style={{ font: '700 44px var(--font-mono)' }}>{String(drill.values.label)}</span>
      )}
      {drill.kind === 'hand' && <BladeUp leadingEdge={drill.values.leadingEdge as 'left' | 'right'} />}
      {drill.kind === 'arm' && <Arms drill={drill} />}
      {drill.kind === 'tape' && (
        <Settled bladeCount={Number(drill.values.bladeCount)} heavyDegrees={Number(drill.values.heavyDegrees)} />
      )}
      {given !== null && (
        <figcaption style={{ maxWidth: 300, marginTop: 10, fontSize: drill.kind === 'finding' ? 19 : 15 }}>
          {given}
        </figcaption>
      )}
    </figure>
  );
}

/** One blade pointing up: the thick edge is the higher one. */
function BladeUp({ leadingEdge }: { leadingEdge: 'left' | 'right' }) {
  return (
    <svg
      width={220}
      height={220}
      viewBox="-60 -110 120 130"
      role="img"
      aria-label={`A blade pointing up; its higher edge is on the ${leadingEdge}`}
    >
      <g transform={leadingEdge === 'right' ? undefined : 'scale(-1 1)'}>
        <path
          d="M-6 0C-20 -22 -22 -70 -4 -98 4 -104 12 -100 16 -88 24 -60 18 -24 8 0Z"
          fill="var(--depth-3)"
          stroke="var(--ink)"
          strokeWidth={1}
        />
        <path
          d="M8 0C18 -24 24 -60 16 -88 12 -100 4 -104 -4 -98"
          fill="none"
          stroke="var(--ink)"
          strokeWidth={5}
          strokeLinecap="round"
        />
        <path d="M34 -40V-62M28 -56L34 -63L40 -56" stroke="var(--muted)" strokeWidth={2} fill="none" />
        <text
          x={34}
          y={-26}
          fontSize={9}
          textAnchor="middle"
          fill="var(--muted)"
          transform={leadingEdge === 'right' ? undefined : 'scale(-1 1) translate(-68 0)'}
        >
          higher
        </text>
      </g>
      <circle r={11} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
      <circle r={3.5} fill="var(--ink)" />
    </svg>
  );
}

/** The craft from above: what each motor turns, and which hand sits on it. */
function Arms({ drill: { rotors } }: { drill: Drill }) {
  const arms = rotors ?? [];
  const reach = Math.max(...arms.map((a) => Math.hypot(a.xM, a.yM)), 0.01);
  return (
    <div
      style={{ position: 'relative', width: 300, height: 260 }}
      role="img"
      aria-label={arms.map((a) => `${a.place}: motor ${a.spin}, piece ${a.hand ?? 'unknown'}`).join('; ')}
    >
      <svg width={300} height={260} viewBox="-150 -130 300 260" aria-hidden="true">
        {arms.map((a) => (
          <line
            key={a.place}
            x1={0}
            y1={0}
            x2={(90 * a.yM) / reach}
            y2={(-90 * a.xM) / reach}
            stroke="var(--hatch)"
            strokeWidth={9}
            strokeLinecap="round"
          />
        ))}
        <rect x={-13} y={-17} width={26} height={34} rx={5} fill="var(--sheet)" stroke="var(--ink)" />
        <path d="M-5 -9L0 -15L5 -9Z" fill="var(--ink)" />
      </svg>
      {arms.map((a) => (
        <span
          key={a.place}
          style={{
            position: 'absolute',
            left: 150 + (104 * a.yM) / reach,
            top: 130 - (96 * a.xM) / reach,
            transform: 'translate(-50%, -50%)',
            padding: '4px 8px',
            background: 'var(--sheet)',
            border: '1px solid var(--hairline)',
            borderRadius: 6,
            fontSize: 13,
            lineHeight: 1.4,
            whiteSpace: 'nowrap',
          }}
        >
          motor <HandArrow hand={a.spin} />
          <br />
          piece <HandArrow hand={a.hand ?? 'either'} />
        </span>
      ))}
    </div>
  );
}

/** A prop on the shaft, at rest with its heavy side where it settled; angles clockwise from blade 1. */
function Settled({ bladeCount, heavyDegrees }: { bladeCount: number; heavyDegrees: number }) {
  const at = (degrees: number, radius: number) => ({
    x: radius * Math.sin((degrees * Math.PI) / 180),
    y: -radius * Math.cos((degrees * Math.PI) / 180),
  });
  const heavy = at(heavyDegrees, 84);
  return (
    <svg
      width={240}
      height={240}
      viewBox="-110 -110 220 220"
      role="img"
      aria-label={`${bladeCount} blades; heavy at ${heavyDegrees} degrees`}
    >
      <circle r={92} fill="none" stroke="var(--hairline)" />
      {Array.from({ length: bladeCount }, (_, k) => {
        const degrees = (k * 360) / bladeCount;
        const tip = at(degrees, 78);
        const label = at(degrees, 46);
        return (
          <g key={k}>
            <line x1={0} y1={0} x2={tip.x} y2={tip.y} stroke="var(--depth-5)" strokeWidth={16} strokeLinecap="round" />
            <text
              x={label.x}
              y={label.y}
              fontSize={13}
              fontWeight={700}
              textAnchor="middle"
              dominantBaseline="central"
              fill="var(--ink)"
            >
              {k + 1}
            </text>
          </g>
        );
      })}
      <circle r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5} />
      <circle cx={heavy.x} cy={heavy.y} r={9} fill="var(--rust)" />
      <text
        x={heavy.x * 1.17}
        y={heavy.y * 1.17 + (heavy.y < 0 ? -4 : 10)}
        fontSize={11}
        textAnchor="middle"
        fill="var(--rust)"
      >
        heavy
      </text>
    </svg>
  );
}
