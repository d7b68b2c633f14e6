import { NativeSelect } from '@mantine/core';
import type { CraftView, ListeningView } from '@zivvo/contract';
import { fromSi } from '@zivvo/core';
import { unitFor } from '@zivvo/words';
import { useFlyQuery } from '../shared/api/flyApi.ts';
import { useModelRunsQuery } from '../shared/api/rackApi.ts';
import { useRunQuery } from '../shared/api/standApi.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { Action } from '../shared/ui/Action.tsx';
import classes from './Listen.module.css';
import type { TakeEntry } from './takeEntry.ts';

/** What it was taken beside: a run of the stand gives its thrust and speed, a flight card its flight. */
export function Beside({
  entry,
  set,
  craft,
  listening,
}: {
  entry: TakeEntry;
  set: (change: Partial<TakeEntry>) => void;
  craft: CraftView;
  listening: ListeningView;
}) {
  const onStand = listening.heardOn === 'stand';
  const { data: runs } = useModelRunsQuery(entry.propId, { skip: !onStand });
  const { data: fly } = useFlyQuery(craft.id, { skip: onStand });
  const { data: run } = useRunQuery(entry.runId, { skip: entry.runId === '' });
  const format = useFormat();
  const unit = unitFor('force', format.choices);
  const own = runs?.items.filter((r) => r.craftId === craft.id) ?? [];
  const cards = fly?.cards.filter((c) => c.propModelId === entry.propId) ?? [];
  if (onStand ? own.length === 0 : cards.length === 0) return null;
  /** A flight with a payload hovers on more than the craft alone. */
  const chooseCard = (flightCardId: string): void => {
    const payloadKg = cards.find((c) => c.id === flightCardId)?.payloadKg ?? 0;
    const hoverN = listening.hoverThrustN;
    const thrust =
      payloadKg > 0 && hoverN !== null
        ? String(Number(fromSi(unit, hoverN * (1 + payloadKg / craft.massKg)).toPrecision(4)))
        : '';
    set({ flightCardId, thrust });
  };
  const steps = run?.steps.filter((s) => s.thrustN != null && s.thrustN > 0) ?? [];
  return (
    <section className={classes.sheet} aria-label="Taken beside">
      <h2>Taken beside</h2>
      <div className={classes.fields}>
        {onStand ? (
          <NativeSelect
            label="Run of the stand"
            value={entry.runId}
            onChange={(e) => set({ runId: e.currentTarget.value })}
            data={[
              { value: '', label: 'none' },
              ...own.map((r) => ({ value: r.runId, label: `${formatDay(r.keptAt)}, ${r.campaignName}` })),
            ]}
          />
        ) : (
          <NativeSelect
            label="Flight card"
            value={entry.flightCardId}
            onChange={(e) => chooseCard(e.currentTarget.value)}
            data={[
              { value: '', label: 'none' },
              ...cards.map((c) => ({ value: c.id, label: `${formatDay(c.flownAt)}, flight ${c.nthFlight}` })),
            ]}
          />
        )}
      </div>
      {steps.length > 0 && (
        <div className={classes.row} style={{ marginTop: 10 }}>
          {steps.map((step, i) => (
            <Action
              key={i}
              onClick={() =>
                set({
                  thrust: String(Number(fromSi(unit, step.thrustN!).toPrecision(4))),
                  roughRpm: step.speedRpm == null ? entry.roughRpm : String(Math.round(step.speedRpm)),
                })
              }
            >
              {format.quantity(step.thrustN!, 'force').text}
            </Action>
          ))}
        </div>
      )}
    </section>
  );
}
