import { NativeSelect } from '@mantine/core';
import type { RigChoice } from '../shared/craft/rigChoices.ts';

interface RigSelectProps {
  rigs: readonly RigChoice[];
  kitId: string | null;
  onChange: (kitId: string | null) => void;
}

/** Which motor and cells a run is on; nothing to choose where the craft has one. */
export function RigSelect({ rigs, kitId, onChange }: RigSelectProps) {
  if (rigs.length < 2) return null;
  return (
    <NativeSelect
      label="Motor and cells"
      value={kitId ?? ''}
      onChange={(e) => onChange(e.currentTarget.value === '' ? null : e.currentTarget.value)}
      data={rigs.map((r) => ({ value: r.kitId ?? '', label: r.name }))}
    />
  );
}
