import { cellVoltages, liveChannels, standQuantities, type LimitedChannel, type LiveChannel } from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import { useSyncExternalStore } from 'react';
import { useFormat } from '../../shared/format/useFormat.ts';
import classes from './Live.module.css';
import { barShare } from './liveView.ts';
import type { LiveRun } from './useLiveRun.ts';

const SHOWN = [
  'thrustN',
  'speedRpm',
  'currentA',
  'voltageV',
  'temperatureC',
  'vibrationMPerS2',
] as const satisfies readonly LiveChannel[];

interface ReadingsProps {
  live: LiveRun;
  view: NonNullable<LiveRun['view']>;
  onStep: (by: number) => void;
}

/** Large readings, each on its way to its limit; the throttle below them. */
export function Readings({ live, view, onStep }: ReadingsProps) {
  const format = useFormat();
  const values = useReading(live);
  return (
    <section className={classes.readings} aria-label="Readings">
      {SHOWN.map((channel) => {
        const value = values[channel];
        const limit = channel === 'thrustN' ? null : view.limits[channel];
        const shown = format.quantity(value, standQuantities[channel]);
        return (
          <div key={channel} className={classes.reading} data-big={channel === 'thrustN'}>
            <span className={classes.name}>{quantityNames[channel]}</span>
            <span className={classes.value}>
              {shown.number}
              <small>{shown.unit}</small>
            </span>
            {limit !== null && Number.isFinite(value) && (
              <LimitBar channel={channel as LimitedChannel} value={value} limit={limit} />
            )}
          </div>
        );
      })}
      <div className={classes.throttle}>
        <span className={classes.name}>Throttle</span>
        <button
          type="button"
          aria-label="Less throttle"
          disabled={!live.isPilot || !live.isHot}
          onClick={() => onStep(-0.05)}
        >
          <kbd>[</kbd>
        </button>
        <button
          type="button"
          aria-label="More throttle"
          disabled={!live.isPilot || !live.isHot}
          onClick={() => onStep(0.05)}
        >
          <kbd>]</kbd>
        </button>
        <span className={classes.value}>{format.quantity(view.throttleRatio, 'ratio').text}</span>
      </div>
    </section>
  );
}

function LimitBar({ channel, value, limit }: { channel: LimitedChannel; value: number; limit: number }) {
  // A pack counts down: its limit is the empty cell, so full follows from it.
  const fullV = (limit * cellVoltages.lipo.fullV) / cellVoltages.lipo.emptyV;
  const share = barShare(channel, value, limit, fullV);
  return (
    <span className={classes.bar} data-over={share >= 0.9}>
      <span style={{ width: `${100 * share}%` }} />
    </span>
  );
}

/** The latest reading of every channel, thrust from the tare on. */
export function useReading(live: LiveRun): Record<LiveChannel, number> {
  const latest = useSyncExternalStore(live.stream.onReading, () => live.stream.latest);
  const values = Object.fromEntries(
    liveChannels.map((channel, i) => [channel, latest ? (latest.values[i] ?? NaN) : 0]),
  ) as Record<LiveChannel, number>;
  values.thrustN -= live.view?.zeroN ?? 0;
  return values;
}
