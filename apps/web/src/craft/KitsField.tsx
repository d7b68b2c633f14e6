import { craftLimits, packChemistries, type KitDto } from '@zivvo/contract';
import { readMotorLabel } from '@zivvo/core';
import { chemistryNames, labelProblemSentence } from '@zivvo/words';
import { Checkbox, TextInput } from '@mantine/core';
import { useController, useFieldArray, useWatch, type Control, type UseFormSetValue } from 'react-hook-form';
import { v7 } from 'uuid';
import type { CraftForm } from '../shared/craft/usualCraft.ts';
import { ChoiceField, CountField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { Action } from '../shared/ui/Action.tsx';

/** Other ways in which the airframe flies: the camera on, another pack, other motors. Pick shows them side by side. */
export function KitsField({
  control,
  setValue,
}: {
  control: Control<CraftForm>;
  setValue: UseFormSetValue<CraftForm>;
}) {
  const { fields, append, remove } = useFieldArray({ control, name: 'kits', keyName: 'rowId' });
  const kits = useWatch({ control, name: 'kits' }) ?? [];
  return (
    <fieldset className={classes.group}>
      <legend>Flies also as</legend>
      <p className={`muted ${classes.wide}`} style={{ margin: 0 }}>
        With the camera on, with another pack, with other motors: what differs from above. Pick takes one of them and
        shows all side by side.
      </p>
      {fields.map((row, i) => (
        <div key={row.rowId} role="group" aria-label={`Kit ${i + 1}`} className={`${classes.wide} ${classes.kit}`}>
          <TextField control={control} name={`kits.${i}.name`} label="Called" />
          <QuantityField
            control={control}
            name={`kits.${i}.addedMassKg`}
            label="Heavier by"
            dimension="mass"
            description="minus where something is left off"
          />
          <Checkbox
            label="Another pack"
            checked={kits[i]?.pack != null}
            onChange={(e) => setValue(`kits.${i}.pack`, e.currentTarget.checked ? newPack : null)}
          />
          {kits[i]?.pack != null && (
            <>
              <ChoiceField
                control={control}
                name={`kits.${i}.pack.chemistry`}
                label="Chemistry"
                choices={packChemistries.map((c) => ({ value: c, label: chemistryNames[c] }))}
              />
              <CountField control={control} name={`kits.${i}.pack.seriesCount`} label="Cells in series" />
              <QuantityField control={control} name={`kits.${i}.pack.capacityAh`} label="Capacity" dimension="charge" />
            </>
          )}
          <Checkbox
            label="Other motors"
            checked={kits[i]?.motor != null}
            onChange={(e) => setValue(`kits.${i}.motor`, e.currentTarget.checked ? newMotor : null)}
          />
          {kits[i]?.motor != null && (
            <>
              <KitMotor
                control={control}
                name={`kits.${i}.motor.label`}
                onMotor={(motor) => setValue(`kits.${i}.motor`, motor)}
              />
              <QuantityField
                control={control}
                name={`kits.${i}.motor.kvRpmPerV`}
                label="Speed constant"
                dimension="motorConstant"
              />
            </>
          )}
          <QuantityField
            control={control}
            name={`kits.${i}.escLimitA`}
            label="ESC limit"
            dimension="current"
            description="empty as above"
          />
          <Action weight="quiet" onClick={() => remove(i)} aria-label={`Take kit ${i + 1} out`}>
            Take out
          </Action>
        </div>
      ))}
      {fields.length < craftLimits.kitCount.max && (
        <div className={classes.wide}>
          <Action
            onClick={() => append({ id: v7(), name: '', addedMassKg: 0, pack: null, motor: null, escLimitA: null })}
          >
            Add a way it flies
          </Action>
        </div>
      )}
    </fieldset>
  );
}

const newPack = { chemistry: 'lipo', seriesCount: null, capacityAh: null } as unknown as NonNullable<KitDto['pack']>;
const newMotor = { label: '', statorDiameterM: null, statorHeightM: null, kvRpmPerV: null } as unknown as NonNullable<
  KitDto['motor']
>;

/** Motors of a kit by their label: what stands on it is what they are. */
function KitMotor({
  control,
  name,
  onMotor,
}: {
  control: Control<CraftForm>;
  name: `kits.${number}.motor.label`;
  onMotor: (motor: NonNullable<KitDto['motor']>) => void;
}) {
  const { field, fieldState } = useController({ control, name });
  const value = field.value ?? '';
  const read = readMotorLabel(value);
  const change = (label: string): void => {
    const found = readMotorLabel(label);
    const reading = found.status === 'read' ? found.readings[0]! : null;
    onMotor({
      label,
      statorDiameterM: reading?.statorDiameterM ?? NaN,
      statorHeightM: reading?.statorHeightM ?? NaN,
      kvRpmPerV: reading?.kvRpmPerV ?? NaN,
    });
  };
  return (
    <TextInput
      ref={field.ref}
      label="Motor label"
      description="stator size and kV: 2306 1800"
      autoComplete="off"
      value={value}
      onChange={(e) => change(e.currentTarget.value)}
      error={
        value.trim() !== '' && read.status === 'unreadable'
          ? labelProblemSentence(read.problem)
          : fieldState.error?.message
      }
    />
  );
}
