import { SegmentedControl } from '@mantine/core';
import { spinTables, type CraftDto } from '@zivvo/contract';
import { layOut, needsDiagonal, type Layout, type Spin, type SpinTable } from '@zivvo/core';
import { placeNames, spinTableNames } from '@zivvo/words';
import { useEffect } from 'react';
import type { Control } from 'react-hook-form';
import { ChoiceField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';

interface SpinTableFieldProps {
  control: Control<{ [K in keyof CraftDto]: CraftDto[K] }>;
  layout: Layout;
  table: SpinTable;
  /** Spins of an own table, in the order of the layout; null before there is one. */
  own: readonly Spin[] | null;
  onOwn: (spins: Spin[]) => void;
}

/** Any distance serves: only the order of the rotors and their proposed spins are asked for here. */
const SOME_DIAGONAL_M = 0.3;

/** Which way the controller has its motors turn: the usual table, the other way round, or rotor by rotor. */
export function SpinTableField({ control, layout, table, own, onOwn }: SpinTableFieldProps) {
  const rotors = layOut({ layout, diagonalM: needsDiagonal(layout) ? SOME_DIAGONAL_M : null, arms: null });
  const spins = rotors.map((r, i) => own?.[i] ?? r.spin);
  const isMissing = table === 'own' && own?.length !== rotors.length;
  useEffect(() => {
    // A table of another layout does not fit this one: it starts from what is usual here.
    if (isMissing) onOwn(rotors.map((r) => r.spin));
  });
  return (
    <fieldset className={classes.group}>
      <legend>How its motors turn</legend>
      <ChoiceField
        control={control}
        name="spinTable"
        label="The controller’s table"
        description="a proposal: every spin must be seen"
        choices={spinTables.map((t) => ({ value: t, label: spinTableNames[t] }))}
      />
      {table === 'own' && (
        <div className={classes.wide} style={{ display: 'flex', flexWrap: 'wrap', gap: '10px 18px' }}>
          {rotors.map((r, i) => {
            const name = `${placeNames[r.place]}${r.level === 1 ? ', lower' : rotors.some((other) => other.place === r.place && other.level === 1) ? ', upper' : ''}`;
            return (
              <div key={`${r.place}/${r.level}`}>
                <div style={{ fontSize: 13.5 }}>{name}</div>
                <SegmentedControl
                  aria-label={`${name} turns`}
                  value={spins[i]}
                  onChange={(v) => onOwn(spins.map((s, k) => (k === i ? v : s)))}
                  data={[
                    { value: 'cw', label: 'CW' },
                    { value: 'ccw', label: 'CCW' },
                  ]}
                />
              </div>
            );
          })}
        </div>
      )}
    </fieldset>
  );
}
