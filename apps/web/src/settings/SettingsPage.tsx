import { NativeSelect, Radio, Switch, TextInput, useMantineColorScheme } from '@mantine/core';
import { ReadAirDto, type AirView } from '@zivvo/contract';
import { v7 } from 'uuid';
import { useAppDispatch, useAppSelector } from '../shared/store/store.ts';
import {
  useAddPersonMutation,
  useAirQuery,
  useHealthQuery,
  usePeopleQuery,
  useReadAirMutation,
} from '../shared/api/workshopApi.ts';
import { useKept } from '../shared/forms/kept.ts';
import { useKeptForm } from '../shared/forms/useKeptForm.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { formatDay, formatTime, useFormat } from '../shared/format/useFormat.ts';
import { Action } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { letterKeysSwitched, personChosen, unitsChosen } from '../shared/store/settingsSlice.ts';

/** Who works, in which air, in which units, by which keys. */
export function Component() {
  const { data: health } = useHealthQuery();
  return (
    <StationPage
      eyebrow="Settings"
      headline="The workshop as you like it"
      detail={
        health
          ? `${health.workshop.name} · Zivvo ${health.version} · database ${health.database.schema}, PostgreSQL ` +
            `${health.database.postgres}`
          : undefined
      }
    >
      <div className={classes.form}>
        <People />
        <Air />
        <Look />
      </div>
    </StationPage>
  );
}

function People() {
  const dispatch = useAppDispatch();
  const personId = useAppSelector((s) => s.settings.personId);
  const { data: people } = usePeopleQuery();
  const [add, adding] = useAddPersonMutation();
  const [name, setName, handedOver] = useKept('person/new', () => '');
  const onAdd = async (): Promise<void> => {
    const added = await add({ id: v7(), name });
    if (!added.data) return;
    dispatch(personChosen(added.data.id));
    handedOver();
  };
  return (
    <fieldset className={classes.group}>
      <legend>Who works</legend>
      <NativeSelect
        label="At work on this browser"
        value={personId ?? ''}
        onChange={(e) => dispatch(personChosen(e.currentTarget.value === '' ? null : e.currentTarget.value))}
        data={[
          { value: '', label: 'nobody chosen' },
          ...(people?.items ?? []).map((p) => ({ value: p.id, label: p.name })),
        ]}
      />
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          if (name.trim() !== '') void onAdd();
        }}
      >
        <TextInput label="New person" value={name} maxLength={80} onChange={(e) => setName(e.currentTarget.value)} />
        <div style={{ marginTop: 8 }}>
          <Action type="submit" disabled={name.trim() === '' || adding.isLoading}>
            Add and choose
          </Action>
        </div>
      </form>
      <div className={classes.wide}>
        <ProblemNote error={adding.error} />
      </div>
    </fieldset>
  );
}

type AirForm = { [K in 'id' | 'temperatureC' | 'pressurePa' | 'humidityRatio']: ReadAirDto[K] };

function Air() {
  const { currentData } = useAirQuery();
  return currentData ? (
    <ReadAir air={currentData.air} key={currentData.air?.readAt} />
  ) : (
    <p className="muted">working…</p>
  );
}

function ReadAir({ air }: { air: AirView | null }) {
  const format = useFormat();
  const [read] = useReadAirMutation();
  const blank = {
    id: v7(),
    temperatureC: air?.temperatureC ?? null,
    pressurePa: air?.pressurePa ?? null,
    humidityRatio: air?.humidityRatio ?? null,
  } as AirForm;
  const { form, save, isBusy, notes } = useKeptForm<AirForm>({
    keptAs: 'air',
    row: null,
    blank,
    Dto: ReadAirDto,
    send: (values, id) => read({ ...values, id }).unwrap(),
    onDone: () => undefined,
  });
  const { control, handleSubmit } = form;
  const onSave = handleSubmit(save);
  return (
    <form noValidate onSubmit={(e) => void onSave(e)}>
      {notes}
      <fieldset className={classes.group}>
        <legend>Air today</legend>
        <QuantityField control={control} name="temperatureC" label="Temperature" dimension="temperature" />
        <QuantityField
          control={control}
          name="pressurePa"
          label="Pressure here"
          dimension="pressure"
          description="not reduced to sea level"
        />
        <QuantityField control={control} name="humidityRatio" label="Humidity" dimension="ratio" />
        <div className={classes.wide} style={{ display: 'flex', alignItems: 'center', gap: 14, flexWrap: 'wrap' }}>
          <Action type="submit" disabled={isBusy}>
            Read the air
          </Action>
          {air && (
            <span className="muted">
              {`${format.quantity(air.densityKgPerM3, 'density').text} by CIPM-2007, as thin as the standard air ` +
                `at ${Math.round(air.densityAltitudeM)} m. Read ${formatDay(air.readAt)}, ` +
                `${formatTime(air.readAt)}.`}
            </span>
          )}
        </div>
      </fieldset>
    </form>
  );
}

function Look() {
  const dispatch = useAppDispatch();
  const { units, areLetterKeysOn } = useAppSelector((s) => s.settings);
  const { colorScheme, setColorScheme } = useMantineColorScheme();
  return (
    <fieldset className={classes.group}>
      <legend>Units, theme, keys</legend>
      <NativeSelect
        label="Lengths"
        value={units.length}
        data={['in', 'mm']}
        onChange={(e) => dispatch(unitsChosen({ length: e.currentTarget.value as 'in' | 'mm' }))}
      />
      <NativeSelect
        label="Thrust"
        value={units.force}
        data={['g', 'N', 'oz']}
        onChange={(e) => dispatch(unitsChosen({ force: e.currentTarget.value as 'g' | 'N' | 'oz' }))}
      />
      <NativeSelect
        label="Weights"
        value={units.mass}
        data={['g', 'oz']}
        onChange={(e) => dispatch(unitsChosen({ mass: e.currentTarget.value as 'g' | 'oz' }))}
      />
      <NativeSelect
        label="Temperature"
        value={units.temperature}
        data={['°C', '°F']}
        onChange={(e) => dispatch(unitsChosen({ temperature: e.currentTarget.value as '°C' | '°F' }))}
      />
      <Radio.Group
        label="Theme"
        value={colorScheme}
        onChange={(value) => setColorScheme(value)}
        className={classes.wide}
      >
        <div style={{ display: 'flex', gap: 20, marginTop: 6, flexWrap: 'wrap' }}>
          <Radio value="auto" label="As the system" />
          <Radio value="light" label="Paper" />
          <Radio value="dark" label="Night hangar" />
        </div>
      </Radio.Group>
      <div className={classes.wide}>
        <Switch
          label="Single letters work as keys"
          checked={areLetterKeysOn}
          onChange={(e) => dispatch(letterKeysSwitched(e.currentTarget.checked))}
        />
      </div>
    </fieldset>
  );
}
