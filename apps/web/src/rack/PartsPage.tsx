import { TextInput } from '@mantine/core';
import type { MotorPieceView, SparePartView, ListView } from '@zivvo/contract';
import { bearingNames, chemistryNames, placeNames } from '@zivvo/words';
import { useState } from 'react';
import { v7 } from 'uuid';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import {
  useAddSpareMutation,
  useMotorsQuery,
  useRemoveSpareMutation,
  useRestoreSpareMutation,
  useSparesQuery,
  useUpdateSpareMutation,
} from '../shared/api/pieceApi.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import { RackTabs } from './RackTabs.tsx';

/** Motors, packs and small parts: what each has been through. */
export function Component() {
  const query = useMotorsQuery();
  const { to } = useInHand();
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(motors) => {
        const tired = motors.items.filter((m) => m.strikeCount > 0 || m.bearing === 'gritty');
        return (
          <StationPage
            eyebrow="Rack · Parts"
            headline={
              motors.total === 0
                ? 'No motor has a tag yet'
                : tired.length === 0
                  ? `${motors.total} motors, none of them struck`
                  : `Look at ${tired.map((m) => m.tag).join(', ')}: struck or gritty`
            }
            tools={<RackTabs />}
            reasons={
              <p style={{ margin: '0 0 12px' }}>
                Spin the shaft bare, pack out: a bent one shows as run-out. Click or grind means a bearing on its way
                out; it eats props and shakes pictures.
              </p>
            }
            actions={
              <>
                <ActionLink weight="main" to={to('/rack/parts/motors/new')}>
                  New motor
                </ActionLink>
                <ActionLink to={to('/rack/parts/packs/new')}>New pack</ActionLink>
              </>
            }
          >
            <Motors list={motors} />
            <Packs />
            <Spares />
          </StationPage>
        );
      }}
    </Ready>
  );
}

function Motors({ list }: { list: ListView<MotorPieceView> }) {
  const motors = list.items;
  const format = useFormat();
  const go = useGo();
  const onOpen = (id: string): void => go(`/rack/parts/motors/${id}`);
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
              <td>
                {m.craftId === null
                  ? 'the shelf'
                  : `${crafts?.items.find((c) => c.id === m.craftId)?.name ?? ''}${m.place === null ? '' : `, ${placeNames[m.place].toLowerCase()}`}`}
              </td>
              <td data-right>{m.hours.toFixed(1)}</td>
              <td data-right>{m.strikeCount}</td>
              <td data-right data-wide>
                {m.overLimitCount}
              </td>
              <td style={{ color: m.bearing === 'gritty' ? 'var(--rust)' : undefined }}>
                {m.bearing === null ? '–' : bearingNames[m.bearing]}
              </td>
              <td data-right data-wide>
                {m.shaftRunOutM === null
                  ? '–'
                  : `${format.millimetres(m.shaftRunOutM * 10).replace(/[\d.]+/, (n) => (Number(n) / 10).toFixed(2))}`}
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
      <CutNote list={list} what="motors" />
    </div>
  );
}

function Packs() {
  const format = useFormat();
  const go = useGo();
  const onOpen = (id: string): void => go(`/rack/parts/packs/${id}`);
  const { data } = usePacksQuery();
  const rowKeys = useRowKeys({ onOpen: (i) => data && onOpen(data.items[i]!.id) });
  if (!data) return null;
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Pack</th>
            <th>Cells</th>
            <th data-right>Capacity</th>
            <th data-right>Resistance a cell</th>
            <th data-right>Charges</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {data.items.map((p) => (
            <tr key={p.id} tabIndex={0} onClick={() => onOpen(p.id)}>
              <td className="mono">
                <strong>{p.tag}</strong>
              </td>
              <td>{`${p.seriesCount}S${p.parallelCount}P ${chemistryNames[p.chemistry]}`}</td>
              <td data-right>{format.quantity(p.capacityAh, 'charge').text}</td>
              <td data-right>{format.quantityOrDash(p.cellResistanceOhm, 'resistance')}</td>
              <td data-right>{p.cycleCount ?? '–'}</td>
            </tr>
          ))}
          {data.total === 0 && (
            <tr>
              <td colSpan={5} className="muted">
                Give each pack a tag: runs name it, and its sag is kept with it.
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <CutNote list={data} what="packs" />
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
  const count = (part: SparePartView, by: number): void =>
    void update({
      id: part.id,
      body: {
        name: part.name,
        perPieceCount: part.perPieceCount,
        count: Math.max(0, part.count + by),
        revision: part.revision,
      },
    });
  return (
    <section className={table.sheet} style={{ padding: '10px 14px' }} aria-label="Small parts">
      <h2 style={{ margin: '0 0 6px', fontSize: 15 }}>Small parts</h2>
      {data && <CutNote list={data} what="small parts" />}
      {(data?.items ?? []).map((part) => (
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
            .then(
              () => setName(''),
              () => undefined,
            );
        }}
      >
        <TextInput
          label="Screws, nuts, rings"
          placeholder="M2 × 8 with dry lock"
          value={name}
          onChange={(e) => setName(e.currentTarget.value)}
          maxLength={80}
          style={{ flex: 1 }}
        />
        <Action type="submit" disabled={name.trim() === ''}>
          Count them
        </Action>
      </form>
      <ProblemNote error={adding.error ?? updating.error} />
    </section>
  );
}
