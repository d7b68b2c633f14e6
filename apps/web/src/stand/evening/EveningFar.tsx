import { standQuantities } from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import { useRunQuery } from '../../shared/api/standApi.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { Action } from '../../shared/ui/Action.tsx';
import live from '../live/Live.module.css';

interface EveningFarProps {
  headline: string;
  /** What to change on the rig. */
  rig: string;
  /** How far the evening is. */
  detail: string;
  /** Who leads; null while nobody does. */
  leader: string | null;
  lastRun: { id: string; name: string } | null;
  onBack: () => void;
}

const SHOWN = ['thrustN', 'currentA'] as const;

/** The evening on a second screen beside the stand, read from three metres: what is next, what the last run gave. */
export function EveningFar({ headline, rig, detail, leader, lastRun, onBack }: EveningFarProps) {
  const format = useFormat();
  const { data: run } = useRunQuery(lastRun?.id ?? '', { skip: lastRun === null });
  const top = run?.steps.toSorted((a, b) => (b.throttleRatio ?? 0) - (a.throttleRatio ?? 0))[0];
  return (
    <main className={live.far}>
      <p className={live.stateWord}>{headline}</p>
      <h1 aria-live="polite">{rig}</h1>
      <div className={live.farFigures}>
        {top &&
          SHOWN.filter((quantity) => top[quantity] !== null).map((quantity) => {
            const shown = format.quantity(top[quantity]!, standQuantities[quantity]);
            return (
              <p key={quantity}>
                <span>{quantityNames[quantity]}</span>
                <strong>{shown.number}</strong>
                <small>{shown.unit}</small>
              </p>
            );
          })}
      </div>
      <p className={live.farLine}>
        {[lastRun && `${lastRun.name} gave this`, detail, leader === null ? null : `${leader} leads`]
          .filter((t) => t)
          .join(' · ')}
      </p>
      <div className={live.controls}>
        <Action onClick={onBack}>Back to the evening</Action>
      </div>
    </main>
  );
}
