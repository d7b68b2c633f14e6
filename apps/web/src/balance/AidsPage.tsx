import { NativeSelect } from '@mantine/core';
import { tapeMomentKgM, tapeSpot, USUAL_TAPE } from '@zivvo/core';
import { useState } from 'react';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { Action } from '../shared/ui/Action.tsx';
import { EmptyPage } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { AngleGauge } from './AngleGauge.tsx';
import { BalanceTabs } from './BalanceTabs.tsx';

const RULER_MM = 120;

/**
 * Printed aids to scale: a ruler that reads tape in gram-millimetres, a clock disc for behind the shaft, blade gauges.
 */
export function Component() {
  const { data: models } = usePropModelsQuery();
  const { propModelId } = useInHand();
  const [chosen, setChosen] = useState<string | null>(null);
  const model = models?.items.find((m) => m.id === (chosen ?? propModelId)) ?? models?.items[0];
  const perMm = model
    ? tapeMomentKgM(
        0.001,
        { ...tapeSpot('blade', model.measuredDiameterM ?? model.diameterM, USUAL_TAPE), widthM: USUAL_TAPE.widthM },
        USUAL_TAPE,
      ) * 1e6
    : 0;
  const step = [0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10].find((s) => s / perMm >= 5) ?? 20;
  return (
    <StationPage
      eyebrow="Balance · To print"
      headline={model ? `Tape ruler, clock disc and blade gauges for ${propModelName(model)}` : 'Aids to print'}
      detail="Print at 100 %: the bar of 100 mm must measure 100 mm."
      tools={<BalanceTabs />}
      reasons={
        <p style={{ margin: 0 }}>
          The ruler is for clear tape 12 mm wide and 0.05 mm thick, centred at three quarters of the radius. Another
          tape, another ruler: weigh a metre of yours. A gauge reads the blade’s underside: type its angle on the model,
          and its thrust and power are known better.
        </p>
      }
      actions={
        model && (
          <Action weight="main" onClick={() => window.print()}>
            Print all
          </Action>
        )
      }
    >
      {models?.items.length === 0 ? (
        <EmptyPage title="No model yet">
          <p>The ruler depends on the radius of the prop: put a label on the rack first.</p>
        </EmptyPage>
      ) : (
        model && (
          <>
            <NativeSelect
              label="For"
              value={model.id}
              onChange={(e) => setChosen(e.currentTarget.value)}
              data={models!.items.map((m) => ({ value: m.id, label: propModelName(m) }))}
              style={{ maxWidth: 300 }}
              className="no-print"
            />
            <svg
              width={`${RULER_MM + 10}mm`}
              height="26mm"
              viewBox={`0 0 ${RULER_MM + 10} 26`}
              role="img"
              aria-label="Tape ruler in gram-millimetres"
              style={{ background: '#fff', maxWidth: '100%', flex: 'none' }}
            >
              <text x={5} y={5} fontSize={3.6} fill="#000">{`g·mm on ${propModelName(model)}, tape 12 mm`}</text>
              <path d={`M5 12H${RULER_MM + 5}`} stroke="#000" strokeWidth={0.3} />
              {Array.from({ length: Math.floor((RULER_MM * perMm) / step) + 1 }, (_, i) => {
                const x = 5 + (i * step) / perMm;
                return (
                  <g key={i}>
                    <path d={`M${x} 12V${i % 5 === 0 ? 7.5 : 9.5}`} stroke="#000" strokeWidth={0.25} />
                    {i % 5 === 0 && (
                      <text x={x} y={16} fontSize={3} textAnchor="middle" fill="#000">
                        {Number((i * step).toFixed(2))}
                      </text>
                    )}
                  </g>
                );
              })}
              <path d="M5 21H105M5 19.5V22.5M105 19.5V22.5" stroke="#000" strokeWidth={0.3} />
              <text x={107} y={22} fontSize={3} fill="#000">
                100 mm
              </text>
            </svg>
            <svg
              width="120mm"
              height="120mm"
              viewBox="-60 -60 120 120"
              role="img"
              aria-label="Clock disc"
              style={{ background: '#fff', maxWidth: '100%', flex: 'none' }}
            >
              <circle r={58} fill="none" stroke="#000" strokeWidth={0.4} />
              <circle r={3} fill="none" stroke="#000" strokeWidth={0.3} />
              {Array.from({ length: 72 }, (_, i) => (
                <path
                  key={i}
                  d={`M0 -58V${i % 6 === 0 ? -50 : i % 3 === 0 ? -53 : -55.5}`}
                  stroke="#000"
                  strokeWidth={0.3}
                  transform={`rotate(${i * 5})`}
                />
              ))}
              {Array.from({ length: 12 }, (_, i) => (
                <text
                  key={i}
                  x={45 * Math.sin((i * Math.PI) / 6)}
                  y={-45 * Math.cos((i * Math.PI) / 6)}
                  fontSize={5}
                  textAnchor="middle"
                  dominantBaseline="central"
                  fill="#000"
                >
                  {i * 30}
                </text>
              ))}
            </svg>
            <div style={{ display: 'flex', flexWrap: 'wrap', gap: 8, flex: 'none' }}>
              {(['cw', 'ccw'] as const).map((hand) => (
                <AngleGauge key={hand} model={model} hand={hand} />
              ))}
            </div>
          </>
        )
      )}
    </StationPage>
  );
}
