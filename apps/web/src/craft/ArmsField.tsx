import type { CraftDto } from '@zivvo/contract';
import { CUSTOM_ARMS } from '@zivvo/core';
import { useFieldArray, type Control } from 'react-hook-form';
import { ChoiceField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { Action } from '../shared/ui/Action.tsx';

type CraftForm = { [K in keyof CraftDto]: CraftDto[K] };

const SPINS = [
  { value: 'cw', label: 'CW from above' },
  { value: 'ccw', label: 'CCW from above' },
];
const newArm = { xM: null, yM: null, spin: 'cw' } as unknown as NonNullable<CraftDto['arms']>[number];

/**
 * Arms that were measured: each shaft forward and right of the centre, and how it turns. Two at one place are a pair.
 */
export function ArmsField({ control, error }: { control: Control<CraftForm>; error?: string }) {
  const { fields, append, remove } = useFieldArray({ control, name: 'arms' });
  return (
    <fieldset className={classes.group}>
      <legend>Measured arms</legend>
      <p className={`muted ${classes.wide}`} style={{ margin: 0 }}>
        From the centre to each shaft: forward and right are plus, back and left are minus. Two rotors one above the
        other are two rows of the same place.
      </p>
      {fields.map((arm, i) => (
        <div
          key={arm.id}
          className={classes.wide}
          style={{
            display: 'grid',
            gridTemplateColumns: 'repeat(3, minmax(90px, 1fr)) auto',
            gap: 12,
            alignItems: 'end',
          }}
        >
          <QuantityField control={control} name={`arms.${i}.xM`} label={`Arm ${i + 1}, forward`} dimension="length" />
          <QuantityField control={control} name={`arms.${i}.yM`} label="Right" dimension="length" />
          <ChoiceField control={control} name={`arms.${i}.spin`} label="Spin" choices={SPINS} />
          <Action weight="quiet" onClick={() => remove(i)} aria-label={`Take arm ${i + 1} out`}>
            Take out
          </Action>
        </div>
      ))}
      {error !== undefined && (
        <p role="alert" className={classes.wide} style={{ margin: 0, color: 'var(--rust)' }}>
          {error}
        </p>
      )}
      {fields.length < CUSTOM_ARMS.max && (
        <div className={classes.wide}>
          <Action onClick={() => append(newArm)}>Add an arm</Action>
        </div>
      )}
    </fieldset>
  );
}

/** The sentence about the list as a whole; those about single arms stand at their fields. */
export function armsProblem(error: unknown): string | undefined {
  const found = error as { message?: unknown; root?: { message?: unknown } } | undefined;
  const own = found?.root?.message ?? found?.message;
  return typeof own === 'string' ? own : undefined;
}
