import { TextInput } from '@mantine/core';
import type { SingleBladeDto, BalanceJobView } from '@zivvo/contract';
import { useState } from 'react';
import { formatNumber, formatUnbalance } from '@zivvo/words';
import { Action } from '../shared/ui/Action.tsx';
import { numberOf } from './benchFields.ts';
import classes from './BalanceJobPage.module.css';
import type { JobChange } from './balanceView.ts';

const FIELDS = [
  { key: 'bladeMassKg', label: 'The blade weighs', unit: 'g', perSi: 1000 },
  { key: 'centreOfMassM', label: 'It balances on an edge, from the shaft', unit: 'mm', perSi: 1000 },
  { key: 'washerMassKg', label: 'A washer weighs', unit: 'g', perSi: 1000 },
  { key: 'washerRadiusM', label: 'Washers sit, from the shaft', unit: 'mm', perSi: 1000 },
  { key: 'washerCount', label: 'Washers on now', unit: '', perSi: 1 },
] as const satisfies readonly { key: keyof SingleBladeDto; label: string; unit: string; perSi: number }[];

/** A prop with one blade: washers against it, and what they cannot take away. */
export function SingleBladeTab({ job, onSet }: { job: BalanceJobView; onSet: (change: JobChange) => void }) {
  const kept = job.singleBlade;
  const [typed, setTyped] = useState<Record<keyof SingleBladeDto, string>>(
    () =>
      Object.fromEntries(
        FIELDS.map(({ key, perSi }) => [key, kept ? String(Math.round(1e6 * kept[key] * perSi) / 1e6) : '']),
      ) as Record<keyof SingleBladeDto, string>,
  );
  const valueOf = (key: keyof SingleBladeDto): number => numberOf(typed[key]);
  const isRight = (key: keyof SingleBladeDto): boolean =>
    key === 'washerCount' ? Number.isInteger(valueOf(key)) && valueOf(key) >= 0 : valueOf(key) > 0;
  const isReady = FIELDS.every(({ key }) => isRight(key));
  const keep = (more: Partial<SingleBladeDto> = {}): void => {
    const entries = Object.fromEntries(
      FIELDS.map(({ key, perSi }) => [key, valueOf(key) / perSi]),
    ) as unknown as SingleBladeDto;
    onSet(() => ({ singleBlade: { ...entries, ...more } }));
  };
  const { single } = job;
  const onTakeBest = (): void => {
    setTyped({ ...typed, washerCount: String(single!.washerCount) });
    keep({ washerCount: single!.washerCount });
  };
  return (
    <section className={classes.sheet} style={{ alignItems: 'stretch', maxWidth: 560 }}>
      <p className={classes.question}>Washers against one blade: grams times millimetres on both sides</p>
      <div className={classes.fields}>
        {FIELDS.map(({ key, label, unit }) => (
          <TextInput
            key={key}
            label={label}
            value={typed[key]}
            onChange={(e) => setTyped({ ...typed, [key]: e.currentTarget.value })}
            rightSection={unit}
            inputMode="decimal"
            error={typed[key] === '' || isRight(key) ? undefined : key === 'washerCount' ? 'a whole number' : 'above 0'}
          />
        ))}
      </div>
      <div className={classes.watch}>
        <Action weight={isReady && single === null ? 'main' : 'plain'} disabled={!isReady} onClick={() => keep()}>
          Work it out
        </Action>
        {single?.verdict === 'open' && (
          <Action weight="main" onClick={onTakeBest}>{`${single.washerCount} washers are on`}</Action>
        )}
      </div>
      {single && (
        <p aria-live="polite">
          <strong>{`${single.washerCount} washers`}</strong>
          {` leave ${formatUnbalance(Math.abs(single.leftKgM))}; the ${kept?.washerCount} on now leave ` +
            `${formatUnbalance(Math.abs(single.nowKgM))}. Its thrust still pulls beside the shaft once a turn ` +
            `with ${formatNumber(single.thrustMomentNm, 3)} N·m in hover: in the cage only.`}
        </p>
      )}
    </section>
  );
}
