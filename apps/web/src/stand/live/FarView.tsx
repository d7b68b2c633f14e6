import { standQuantities, type LiveChannel } from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import { useFormat } from '../../shared/format/useFormat.ts';
import { Action } from '../../shared/ui/Action.tsx';
import classes from './Live.module.css';
import { useReading } from './Readings.tsx';
import type { LiveRun } from './useLiveRun.ts';

const FAR: readonly LiveChannel[] = ['thrustN', 'currentA', 'voltageV'];

/** The stand read from three metres: three figures, one word, Cut. */
export function FarView({
  live,
  state,
  headline,
  onBack,
}: {
  live: LiveRun;
  state: string;
  headline: string;
  onBack: () => void;
}) {
  const format = useFormat();
  const values = useReading(live);
  return (
    <main className={classes.far}>
      <h1 aria-live="polite">{headline}</h1>
      <p className={classes.stateWord}>{state}</p>
      <div className={classes.farFigures}>
        {FAR.map((channel) => {
          const shown = format.quantity(values[channel], standQuantities[channel]);
          return (
            <p key={channel}>
              <span>{quantityNames[channel]}</span>
              <strong>{shown.number}</strong>
              <small>{shown.unit}</small>
            </p>
          );
        })}
      </div>
      <div className={classes.controls}>
        {!live.isHot && <Action onClick={onBack}>Back to the run</Action>}
        {live.isHot && (
          <button type="button" className={classes.cut} onClick={() => live.send({ name: 'cut' })}>
            Cut <kbd>Esc</kbd>
          </button>
        )}
      </div>
    </main>
  );
}
