import type { CraftView, JudgeView } from '@zivvo/contract';
import { judgeLimits } from '@zivvo/contract';
import { isLogarithmicWish, usualJudgeWeights, USUAL_USE, wishNames, type WishName } from '@zivvo/core';
import { TextInput } from '@mantine/core';
import { formatNumber, wishWords } from '@zivvo/words';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useSetJudgeWishesMutation } from '../shared/api/judgeApi.ts';
import { useFormat, type Format } from '../shared/format/useFormat.ts';
import { numberIn } from '../shared/forms/numberIn.ts';
import { WeightSliders } from '../shared/forms/WeightSliders.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import classes from './Judge.module.css';
import type { WishDraft } from './judgeView.ts';

interface WishPanelProps {
  craft: CraftView;
  view: JudgeView;
  draft: WishDraft | null;
  setDraft: (draft: WishDraft | null) => void;
}

/** How much each wish counts, and what difference of it matters to whoever decides. */
export function WishPanel({ craft, view, draft, setDraft }: WishPanelProps) {
  const { weights, matters } = draft ?? view.input;
  const [set, setting] = useSetJudgeWishesMutation();
  const proposed = usualJudgeWeights(craft.weights, craft.use ?? USUAL_USE);
  const isProposed = wishNames.every((name) => weights[name] === proposed[name]);
  const isWeightless = wishNames.every((name) => weights[name] === 0);
  const keep = async (): Promise<void> => {
    const { id, revision, addedPropModelIds } = view.wishes;
    const isOwn = view.wishes.isOwn && id !== null;
    const body = {
      id: isOwn ? id : v7(),
      revision,
      weights: { ...weights },
      matters: { ...matters },
      addedPropModelIds,
    };
    const answer = await set({ craftId: craft.id, body });
    if (!answer.error) setDraft(null);
  };
  return (
    <section className={classes.sheet} aria-label="What counts">
      <div className={classes.panelHead}>
        <h2>What counts</h2>
        {!isProposed && (
          <Action weight="quiet" onClick={() => setDraft({ weights: proposed, matters })}>
            Proposed
          </Action>
        )}
      </div>
      <div className={classes.wishes}>
        <WeightSliders
          names={wishNames}
          labels={wishWords}
          weights={weights}
          onMove={(name, value) => setDraft({ weights: { ...weights, [name]: value }, matters })}
        />
      </div>
      <details className={classes.matters}>
        <summary>What difference matters to you</summary>
        <p className="muted">
          Props that lie closer together than this are the same to you, however well they are known.
        </p>
        <div className={classes.matterFields}>
          {wishNames
            .filter((name) => weights[name] > 0)
            .map((name) => (
              <MatterField
                key={name}
                name={name}
                value={matters[name]}
                onChange={(value) => setDraft({ weights, matters: { ...matters, [name]: value } })}
              />
            ))}
        </div>
      </details>
      {isWeightless && <p role="alert">Give at least one wish more than 0: nothing counts now.</p>}
      {draft !== null && (
        <div className={classes.row}>
          <Action disabled={isWeightless || setting.isLoading} onClick={() => void keep()}>
            Keep these weights
          </Action>
          <Action weight="quiet" onClick={() => setDraft(null)}>
            As kept
          </Action>
        </div>
      )}
      {!view.wishes.isOwn && view.wishes.id !== null && draft === null && (
        <p className="muted">As somebody else set them; move a handle to make them yours.</p>
      )}
      <ProblemNote error={setting.error} />
    </section>
  );
}

/** In what a difference is typed, and how many of it one is. */
function unitOf(name: WishName, { choices }: Format): { symbol: string; times: number } {
  if (name === 'quiet') return { symbol: 'dB', times: 1 };
  if (name === 'cool') return { symbol: choices.temperature, times: choices.temperature === '°F' ? 1.8 : 1 };
  return { symbol: isLogarithmicWish(name) ? '%' : 'points', times: 100 };
}

function MatterField({ name, value, onChange }: { name: WishName; value: number; onChange: (value: number) => void }) {
  const { symbol, times } = unitOf(name, useFormat());
  const shown = formatNumber(value * times, 1);
  const [typed, setTyped] = useState<string | null>(null);
  const range = { min: judgeLimits.matters.min * times, max: times === 100 ? 100 : judgeLimits.matters.max };
  const { error } = numberIn(typed ?? shown, range);
  return (
    <TextInput
      label={`${wishWords[name]}, ${symbol}`}
      inputMode="decimal"
      size="sm"
      value={typed ?? shown}
      error={error}
      onChange={(e) => {
        const text = e.currentTarget.value;
        setTyped(text);
        const read = numberIn(text, range);
        if (read.value !== null) onChange(read.value / times);
      }}
      onBlur={() => !error && setTyped(null)}
    />
  );
}
