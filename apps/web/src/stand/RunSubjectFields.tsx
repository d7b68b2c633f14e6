import { NativeSelect, TextInput } from '@mantine/core';
import type { CraftView, PackPieceView, PropModelView } from '@zivvo/contract';
import { rigChoices } from '../shared/craft/rigChoices.ts';
import classes from '../shared/forms/Form.module.css';
import { propModelName } from '../shared/ui/propModelName.ts';
import { RigSelect } from './RigSelect.tsx';

/** What a run from a file is of, as far as the file does not say it. */
export interface RunSubject {
  propModelId: string;
  kitId: string | null;
  packId: string;
  restingCell: string;
}

interface RunSubjectFieldsProps {
  subject: RunSubject;
  onChange: (subject: RunSubject) => void;
  models: readonly PropModelView[];
  packs: readonly PackPieceView[];
  craft: CraftView | undefined;
  restingCellProblem?: string;
}

/** Prop, rig, pack and its rest: what no table of readings tells. */
export function RunSubjectFields({
  subject,
  onChange,
  models,
  packs,
  craft,
  restingCellProblem,
}: RunSubjectFieldsProps) {
  const set = (some: Partial<RunSubject>): void => onChange({ ...subject, ...some });
  return (
    <div className={classes.group} style={{ paddingTop: 14 }}>
      <NativeSelect
        label="Prop"
        autoFocus
        value={subject.propModelId}
        onChange={(e) => set({ propModelId: e.currentTarget.value })}
        data={[{ value: '', label: 'choose' }, ...models.map((m) => ({ value: m.id, label: propModelName(m) }))]}
      />
      <RigSelect rigs={craft ? rigChoices(craft) : []} kitId={subject.kitId} onChange={(kitId) => set({ kitId })} />
      <NativeSelect
        label="Pack"
        value={subject.packId}
        onChange={(e) => set({ packId: e.currentTarget.value })}
        data={[{ value: '', label: 'not noted' }, ...packs.map((p) => ({ value: p.id, label: p.tag }))]}
      />
      <TextInput
        label="Pack at rest, a cell"
        value={subject.restingCell}
        maxLength={40}
        onChange={(e) => set({ restingCell: e.currentTarget.value })}
        error={restingCellProblem}
        rightSection={<span className="muted">V</span>}
      />
    </div>
  );
}
