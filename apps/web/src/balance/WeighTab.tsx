import { TextInput } from '@mantine/core';
import type { PropModelView, BalanceJobView } from '@zivvo/contract';
import { formatNumber, formatUnbalance } from '@zivvo/words';
import { useState } from 'react';
import { Action } from '../shared/ui/Action.tsx';
import classes from './BalanceJobPage.module.css';
import type { JobChange } from './balanceView.ts';

/** Tips or removable blades on a scale: grams at a radius, blade by blade. */
export function WeighTab({
  job,
  model,
  onSet,
}: {
  job: BalanceJobView;
  model: PropModelView;
  onSet: (change: JobChange) => void;
}) {
  const [radius, setRadius] = useState(String(Math.round((model.diameterM / 2) * 0.75 * 1000)));
  const [grams, setGrams] = useState<readonly string[]>(() => Array.from({ length: model.bladeCount }, () => ''));
  const radiusM = Number(radius.replace(',', '.')) / 1000;
  const moments = grams.map((g) => (Number(g.replace(',', '.')) / 1000) * radiusM);
  const isReady = grams.every((g) => g.trim() !== '') && moments.every((m) => Number.isFinite(m) && m > 0);
  const measured = job.result?.measured;
  return (
    <section className={classes.sheet} style={{ display: 'grid', gap: 12, maxWidth: 460 }}>
      <p className={classes.question}>Hub on an edge, each tip in turn on the scale</p>
      <TextInput
        label="Radius of the support on the scale"
        value={radius}
        onChange={(e) => setRadius(e.currentTarget.value)}
        rightSection="mm"
        inputMode="decimal"
        error={radiusM > 0 ? undefined : 'a length above 0'}
      />
      {grams.map((g, i) => (
        <TextInput
          key={i}
          label={`Blade ${i + 1}`}
          value={g}
          onChange={(e) => setGrams(grams.map((other, k) => (k === i ? e.currentTarget.value : other)))}
          rightSection="g"
          inputMode="decimal"
          error={g === '' || Number(g.replace(',', '.')) > 0 ? undefined : 'a weight above 0'}
        />
      ))}
      <div className={classes.watch}>
        <Action
          weight={isReady ? 'main' : 'plain'}
          disabled={!isReady}
          onClick={() =>
            onSet(({ corrections }) => ({
              bladeMomentsKgM: moments,
              corrections: corrections.map((c, i) => (i === corrections.length - 1 ? { ...c, isWeighed: false } : c)),
            }))
          }
        >
          Keep the weights
        </Action>
      </div>
      {job.bladeMomentsKgM.length > 0 && measured && (
        <p>
          <strong>{formatUnbalance(measured.unbalanceKgM)}</strong>
          {measured.degrees === null ? '' : ` toward ${formatNumber(measured.degrees, 0)}° from blade 1`}. Three blades
          or more and the hub are one vector; two blades say nothing of the hub.
        </p>
      )}
    </section>
  );
}
