import { NativeSelect } from '@mantine/core';
import type { CraftView } from '@zivvo/contract';
import { criterionNames, useNames, useWeights, type CriterionName, type UseName, type Weights } from '@zivvo/core';
import { criterionWords, useWords } from '@zivvo/words';
import { useState } from 'react';
import { useSetCraftUseMutation } from '../shared/api/craftApi.ts';
import { WeightSliders } from '../shared/forms/WeightSliders.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import classes from './UsePanel.module.css';

interface UsePanelProps {
  craft: CraftView;
  use: UseName;
  weights: Weights;
  /** Weights while a handle moves; nothing is written down until it rests. */
  onTry: (weights: Weights | null) => void;
}

/** What the craft is flown for, and how much each wish counts. */
export function UsePanel({ craft, use, weights, onTry }: UsePanelProps) {
  const [setUse, setting] = useSetCraftUseMutation();
  const [moving, setMoving] = useState<Weights | null>(null);
  const shown = moving ?? weights;
  const write = (next: UseName, changed: Weights | null): void => {
    void setUse({ id: craft.id, body: { use: next, weights: changed } })
      .unwrap()
      .catch(() => undefined)
      .finally(() => {
        setMoving(null);
        onTry(null);
      });
  };
  const move = (name: CriterionName, value: number): void => {
    const next = { ...shown, [name]: value };
    setMoving(next);
    onTry(next);
  };
  const isChanged = craft.weights !== null;
  return (
    <section className={classes.panel} aria-label="What counts">
      <NativeSelect
        label="Flown for"
        value={use}
        onChange={(e) => write(e.currentTarget.value as UseName, null)}
        data={useNames.map((name) => ({ value: name, label: useWords[name] }))}
      />
      <div className={classes.head}>
        <h2>What counts</h2>
        {isChanged && (
          <Action weight="quiet" onClick={() => write(use, null)}>
            Proposed
          </Action>
        )}
      </div>
      <WeightSliders
        names={criterionNames}
        labels={criterionWords}
        weights={shown}
        onMove={move}
        onRest={() => moving && write(use, moving)}
      />
      {JSON.stringify(shown) === JSON.stringify(useWeights[use]) && (
        <p className="muted">Proposed for this use; move a handle to make them yours.</p>
      )}
      <ProblemNote error={setting.error} />
    </section>
  );
}
