import { TextInput } from '@mantine/core';
import { bearingFeels, MotorPieceDto, rotorPlaces, type MotorPieceView, type SparePartView } from '@zivvo/contract';
import { bearingNames, chemistryNames, fieldNames, placeNames } from '@zivvo/words';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { v7 } from 'uuid';
import { problemOf } from '../shared/api/api.ts';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import { useAddMotorMutation, useAddSpareMutation, useMotorHistoryQuery, useMotorsQuery, useRemoveMotorMutation, useRemoveSpareMutation, useRestoreMotorMutation, useRestoreSpareMutation, useSparesQuery, useUpdateMotorMutation, useUpdateSpareMutation } from '../shared/api/pieceApi.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { dtoResolver, toFieldErrors } from '../shared/forms/dtoResolver.ts';
import { ChoiceField, CountField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { RackTabs } from './RackTabs.tsx';

/** Motors, packs and small parts: what each has been through. */
export function Component() {
  const query = useMotorsQuery();
  const { to } = useInHand();
  const [openId, setOpenId] = useState<string | null>(null);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(motors) => {
        const tired = motors.filter((m) => m.strikeCount > 0 || m.bearing === 'gritty');
        const open = openId === 'new' ? null : motors.find((m) => m.id === openId);
        return (
          <StationPage
            eyebrow="Rack · Parts"
            headline={motors.length === 0 ? 'No motor has a tag yet' : tired.length === 0 ? `${motors.length} motors, none of them struck` : `Look at ${tired.map((m) => m.tag).join(', ')}: struck or gritty`}
            tools={<RackTabs />}
            reasons={
              <>
                <p style={{ margin: '0 0 12px' }}>Spin the shaft bare, pack out: a bent one shows as run-out. Click or grind means a bearing on its way out; it eats props and shakes pictures.</p>
                {open && <MotorHistory motor={open} />}
              </>
            }
            actions={
              <Action weight="main" onClick={() => setOpenId('new')}>
                New motor
              </Action>
            }
          >
            {(openId === 'new' || open) && <MotorForm key={openId} motor={open ?? null} onDone={() => setOpenId(null)} />}
            <Motors motors={motors} onOpen={setOpenId} />
            <Packs />
            <Spares />
            <p className="muted">
              Packs are added in the <ActionLink weight="quiet" to={to('/settings')}>settings</ActionLink>
            </p>
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Motors({ motors, onOpen }: { motors: readonly MotorPieceView[]; onOpen: (id: string) => void }) {
  const format = useFormat();
  const { data: crafts } = useCraftsQuery();
  const rowKeys = useRowKeys({ onOpen: (i) => onOpen(motors[i]!.id) });
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Motor</th>
            <th>Sits on</th>
            <th data-right>Hours</th>
            <th data-right>Strikes</th>
            <th data-right data-wide>
              Over limit
            </th>
            <th>Bearing</th>
            <th data-right data-wide>
              Run-out
            </th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {motors.map((m) => (
            <tr key={m.id} tabIndex={0} onClick={() => onOpen(m.id)}>
              <td className="mono">
                <strong>{m.tag}</strong>
              </td>
              <td>{m.craftId === null ? 'the shelf' : `${crafts?.items.find((c) => c.id === m.craftId)?.name ?? ''}${m.place === null ? '' : `, ${placeNames[m.place].toLowerCase()}`}`}</td>
              <td data-right>{m.hours.toFixed(1)}</td>
              <td data-right>{m.strikeCount}</td>
              <td data-right data-wide>
                {m.overLimitCount}
              </td>
              <td style={{ color: m.bearing === 'gritty' ? 'var(--rust)' : undefined }}>{m.bearing === null ? '–' : bearingNames[m.bearing]}</td>
              <td data-right data-wide>
                {m.shaftRunOutM === null ? '–' : `${format.millimetres(m.shaftRunOutM * 10).replace(/[\d.]+/, (n) => (Number(n) / 10).toFixed(2))}`}
              </td>
            </tr>
          ))}
          {motors.length === 0 && (
            <tr>
              <td colSpan={7} className="muted">
                Give each motor a tag and note hours, strikes and how its bearing feels.
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

type MotorForm = { [K in keyof MotorPieceDto]: MotorPieceDto[K] };
const blankMotor: MotorForm = { tag: '', craftId: null, place: null, hours: 0, overLimitCount: 0, strikeCount: 0, bearing: null, shaftPlayM: null, shaftRunOutM: null, note: null };

function MotorForm({ motor, onDone }: { motor: MotorPieceView | null; onDone: () => void }) {
  const format = useFormat();
  const { craftId } = useInHand();
  const { data: crafts } = useCraftsQuery();
  const [add, adding] = useAddMotorMutation();
  const [update, updating] = useUpdateMotorMutation();
  const [remove] = useRemoveMotorMutation();
  const [restore] = useRestoreMotorMutation();
  const [id] = useState(() => motor?.id ?? v7());
  const { control, handleSubmit, setError } = useForm<MotorForm>({ defaultValues: motor ?? { ...blankMotor, craftId }, resolver: dtoResolver<MotorForm>(MotorPieceDto, format.choices), mode: 'onTouched' });
  const onSave = handleSubmit(async (form) => {
    const body = Object.fromEntries(Object.keys(blankMotor).map((key) => [key, form[key as keyof MotorForm]])) as unknown as MotorForm;
    try {
      if (motor) await update({ id, body: { ...body, revision: motor.revision } }).unwrap();
      else await add({ ...body, id }).unwrap();
      onDone();
    } catch (error) {
      for (const [field, problem] of Object.entries(toFieldErrors(problemOf(error)?.fields ?? [], format.choices) as Record<string, { type: string; message: string }>)) setError(field as keyof MotorForm, problem);
    }
  });
  const onRemove = (): void => {
    void remove(id);
    onDone();
    void announceDeletion(`Motor ${motor!.tag} was taken off the list.`, () => void restore(id));
  };
  return (
    <form className={classes.form} noValidate onSubmit={(e) => void onSave(e)} style={{ flex: 'none' }}>
      <ProblemNote error={adding.error ?? updating.error} />
      <fieldset className={classes.group}>
        <legend>{motor ? `Motor ${motor.tag}` : 'New motor'}</legend>
        <TextField control={control} name="tag" label="Tag" autoFocus />
        <ChoiceField control={control} name="craftId" label="Sits on" none="the shelf" choices={(crafts?.items ?? []).map((c) => ({ value: c.id, label: c.name }))} />
        <ChoiceField control={control} name="place" label="Place" none="not noted" choices={rotorPlaces.map((p) => ({ value: p, label: placeNames[p] }))} />
        <QuantityField control={control} name="hours" label="Hours" dimension="number" />
        <CountField control={control} name="strikeCount" label="Strikes" />
        <CountField control={control} name="overLimitCount" label="Times over its limit" />
        <ChoiceField control={control} name="bearing" label="Bearing" none="not felt" choices={bearingFeels.map((b) => ({ value: b, label: bearingNames[b]! }))} />
        <QuantityField control={control} name="shaftPlayM" label="Play" dimension="length" isInMillimetres />
        <QuantityField control={control} name="shaftRunOutM" label="Run-out, spun bare" dimension="length" isInMillimetres />
        <div className={classes.wide}>
          <NoteField control={control} name="note" label="Note" />
        </div>
        <div className={classes.wide} style={{ display: 'flex', gap: 10 }}>
          <Action type="submit">{motor ? 'Save motor' : 'Put on the list'}</Action>
          <Action weight="quiet" onClick={onDone}>
            Cancel
          </Action>
          {motor && (
            <Action weight="danger" onClick={onRemove}>
              Delete
            </Action>
          )}
        </div>
      </fieldset>
    </form>
  );
}

function MotorHistory({ motor }: { motor: MotorPieceView }) {
  const { data } = useMotorHistoryQuery(motor.id);
  return (
    <section aria-label={`History of motor ${motor.tag}`}>
      <h2 style={{ margin: '0 0 8px', fontSize: 15 }}>{`Motor ${motor.tag}`}</h2>
      {(data ?? []).map((e) => (
        <p key={e.sequence} style={{ margin: '0 0 8px' }}>
          {e.change}
          {e.change === 'changed' && `: ${Object.entries(e.values).map(([name, value]) => `${(fieldNames[name] ?? name).toLowerCase()} ${value ?? 'none'}`).join(', ')}`}
          <span className="muted" style={{ display: 'block', fontSize: 12.5 }}>{`${formatDay(e.at)}${e.personName === null ? '' : `, ${e.personName}`}`}</span>
        </p>
      ))}
    </section>
  );
}

function Packs() {
  const format = useFormat();
  const { data } = usePacksQuery();
  if (!data || data.length === 0) return null;
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Pack</th>
            <th>Cells</th>
            <th data-right>Capacity</th>
            <th data-right>Resistance a cell</th>
          </tr>
        </thead>
        <tbody>
          {data.map((p) => (
            <tr key={p.id} style={{ cursor: 'default' }}>
              <td className="mono">
                <strong>{p.tag}</strong>
              </td>
              <td>{`${p.seriesCount}S${p.parallelCount}P ${chemistryNames[p.chemistry]}`}</td>
              <td data-right>{format.quantity(p.capacityAh, 'charge').text}</td>
              <td data-right>{format.quantityOrDash(p.cellResistanceOhm, 'resistance')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Spares() {
  const { data } = useSparesQuery();
  const [add, adding] = useAddSpareMutation();
  const [update, updating] = useUpdateSpareMutation();
  const [remove] = useRemoveSpareMutation();
  const [restore] = useRestoreSpareMutation();
  const [name, setName] = useState('');
  const count = (part: SparePartView, by: number): void => void update({ id: part.id, body: { name: part.name, perPieceCount: part.perPieceCount, count: Math.max(0, part.count + by), revision: part.revision } });
  return (
    <section className={table.sheet} style={{ padding: '10px 14px' }} aria-label="Small parts">
      <h2 style={{ margin: '0 0 6px', fontSize: 15 }}>Small parts</h2>
      {(data ?? []).map((part) => (
        <div key={part.id} style={{ display: 'flex', gap: 10, alignItems: 'center', minHeight: 44 }}>
          <strong style={{ flex: 1 }}>{part.name}</strong>
          <span className="muted">{`${part.perPieceCount} a prop`}</span>
          <Action aria-label={`One ${part.name} less`} onClick={() => count(part, -1)}>
            −
          </Action>
          <span style={{ minWidth: 34, textAlign: 'center' }}>{part.count}</span>
          <Action aria-label={`One ${part.name} more`} onClick={() => count(part, 1)}>
            +
          </Action>
          <Action
            weight="quiet"
            onClick={() => {
              void remove(part.id);
              void announceDeletion(`${part.name} were taken off the list.`, () => void restore(part.id));
            }}
          >
            Take off
          </Action>
        </div>
      ))}
      <form
        style={{ display: 'flex', gap: 10, alignItems: 'end', marginTop: 6 }}
        onSubmit={(e) => {
          e.preventDefault();
          void add({ id: v7(), name: name.trim(), count: 0, perPieceCount: 2 })
            .unwrap()
            .then(() => setName(''), () => undefined);
        }}
      >
        <TextInput label="Screws, nuts, rings" placeholder="M2 × 8 with dry lock" value={name} onChange={(e) => setName(e.currentTarget.value)} maxLength={80} style={{ flex: 1 }} />
        <Action type="submit" disabled={name.trim() === ''}>
          Count them
        </Action>
      </form>
      <ProblemNote error={adding.error ?? updating.error} />
    </section>
  );
}
