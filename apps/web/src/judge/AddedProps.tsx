import { NativeSelect } from '@mantine/core';
import type { CraftView, JudgeView, PropModelView } from '@zivvo/contract';
import { judgeLimits } from '@zivvo/contract';
import { v7 } from 'uuid';
import { useSetJudgeWishesMutation } from '../shared/api/judgeApi.ts';
import { Action } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import classes from './Judge.module.css';

/** Props of which nothing was measured may be judged too, on what is predicted of them. */
export function AddedProps({
  craft,
  view,
  models,
}: {
  craft: CraftView;
  view: JudgeView;
  models: readonly PropModelView[];
}) {
  const [set, setting] = useSetJudgeWishesMutation();
  const { wishes, input } = view;
  const change = (addedPropModelIds: string[]): void => {
    const id = wishes.isOwn && wishes.id !== null ? wishes.id : v7();
    const { weights, matters } = input;
    void set({
      craftId: craft.id,
      body: { id, revision: wishes.revision, weights: { ...weights }, matters: { ...matters }, addedPropModelIds },
    });
  };
  const others = models.filter((m) => !input.contenders.some((c) => c.id === m.id));
  const added = view.props.filter((p) => p.isAdded);
  const isFull = wishes.addedPropModelIds.length >= judgeLimits.addedCount.max;
  return (
    <div className={classes.row}>
      {others.length > 0 && !isFull && (
        <NativeSelect
          label="Judge another, by what is predicted"
          value=""
          disabled={setting.isLoading}
          onChange={(e) => e.currentTarget.value && change([...wishes.addedPropModelIds, e.currentTarget.value])}
          data={[
            { value: '', label: 'choose a prop' },
            ...others.map((m) => ({ value: m.id, label: propModelName(m) })),
          ]}
        />
      )}
      {added.map(({ propModelId }) => {
        const name = input.contenders.find((c) => c.id === propModelId)?.name ?? '';
        return (
          <Action
            key={propModelId}
            weight="quiet"
            disabled={setting.isLoading}
            onClick={() => change(wishes.addedPropModelIds.filter((id) => id !== propModelId))}
          >
            {`Leave out ${name}`}
          </Action>
        );
      })}
      <ProblemNote error={setting.error} />
    </div>
  );
}
