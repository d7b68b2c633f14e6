import { NativeSelect, TextInput } from '@mantine/core';
import {
  gainAxes,
  gainPreconditions,
  type CraftView,
  type GainSheetView,
  type UpdateGainSheetDto,
  type ListView,
} from '@zivvo/contract';
import type { GainAdvice, GainAxis } from '@zivvo/core';
import { formatShare, gainAxisNames, gainCheckNames } from '@zivvo/words';
import { useState } from 'react';
import { v7 } from 'uuid';
import {
  useGainSheetsQuery,
  useLazyGainSheetsQuery,
  useOpenGainSheetMutation,
  useRemoveGainSheetMutation,
  useRestoreGainSheetMutation,
  useUpdateGainSheetMutation,
} from '../shared/api/careApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useKept } from '../shared/forms/kept.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useQueuedChanges } from '../shared/api/useQueuedChanges.ts';
import { WaitingNote } from '../shared/ui/WaitingNote.tsx';
import { formatDay } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { EvidenceDot } from '../shared/ui/EvidenceDot.tsx';
import { EmptyPage, ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import classes from './Care.module.css';
import { CareTabs } from './CareTabs.tsx';

/** Gains after a change of props: expected from label data, flown down by single percents, never up by formula. */
export function Component() {
  return <WithCraft station="Care">{(craft) => <GainsOf craft={craft} key={craft.id} />}</WithCraft>;
}

function GainsOf({ craft }: { craft: CraftView }) {
  const query = useGainSheetsQuery(craft.id);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(list) => <Gains craft={craft} list={list} />}
    </Ready>
  );
}

const percentOf = (advice: GainAdvice): number => advice.percent;

function Gains({ craft, list }: { craft: CraftView; list: ListView<GainSheetView> }) {
  const sheets = list.items;
  const [chosenId, choose] = useState<string | null>(null);
  const { data: models } = usePropModelsQuery();
  const nameOf = (id: string): string => {
    const model = models?.items.find((m) => m.id === id);
    return model ? propModelName(model) : 'a prop';
  };
  const sheet = chosenId === 'new' ? null : (sheets.find((s) => s.id === chosenId) ?? sheets[0] ?? null);
  const [remove] = useRemoveGainSheetMutation();
  const [restore] = useRestoreGainSheetMutation();
  return (
    <StationPage
      eyebrow={`Care · Gains · ${craft.name}`}
      headline={sheet ? headlineOf(sheet, nameOf) : 'A sheet for the props that are new'}
      detail={
        sheet &&
        `Opened ${formatDay(sheet.updatedAt)}: ${nameOf(sheet.oldPropModelId)} before, ` +
          `${nameOf(sheet.newPropModelId)} ` +
          `now${sheet.payloadKg > 0 ? `, ${sheet.payloadKg * 1000} g of payload` : ''}${sheet.hasGuards ? ', guards on' : ''}, ` +
          `${sheet.packSeriesCount} cells.`
      }
      tools={<CareTabs />}
      reasons={
        <>
          <p style={{ margin: '0 0 12px' }}>
            Changing gains is at the pilot’s own risk, over an open field, high enough to give up. Stop well before it
            feels sluggish.
          </p>
          <p className="muted">
            Raising is never proposed. Zivvo writes nothing into the controller: type each value there yourself.
          </p>
        </>
      }
      actions={
        <>
          <Action weight={sheet ? 'plain' : 'quiet'} onClick={() => choose('new')}>
            New sheet
          </Action>
          {sheets
            .filter((s) => s.id !== sheet?.id)
            .slice(0, 5)
            .map((s) => (
              <Action
                key={s.id}
                onClick={() => choose(s.id)}
              >{`${nameOf(s.newPropModelId)}, ${formatDay(s.updatedAt)}`}</Action>
            ))}
          {sheet && (
            <Action
              weight="danger"
              onClick={() => {
                void remove(sheet.id);
                choose(null);
                void announceDeletion('The gain sheet was deleted.', () => void restore(sheet.id));
              }}
            >
              Delete this sheet
            </Action>
          )}
        </>
      }
    >
      {sheet ? <Sheet sheet={sheet} nameOf={nameOf} key={sheet.id} /> : <NewSheet craft={craft} onOpened={choose} />}
    </StationPage>
  );
}

function headlineOf(sheet: GainSheetView, nameOf: (id: string) => string): string {
  if (sheet.fitted === 'old') return `${nameOf(sheet.oldPropModelId)} is back on: back to its own sheet`;
  if (sheet.missingChecks.length > 0) return 'First exclude what gains cannot mend';
  const { scale } = sheet;
  if (scale === null) return 'No estimate for these props: look for yourself';
  if (scale.proportionalRatio >= 1) return 'Nothing is lowered: these props answer no harder';
  const axis = gainAxes.find((a) => sheet.advice[a].status === 'try');
  return axis ? `Fly ${gainAxisNames[axis].toLowerCase()} at ${sheet.advice[axis].percent} %` : 'Every axis is found';
}

type GainEntries = Partial<Omit<UpdateGainSheetDto, 'revision'>>;

function entriesOf({ checks, testFlights, note }: GainSheetView): Required<GainEntries> {
  return { checks, testFlights, note };
}

function Sheet({ sheet, nameOf }: { sheet: GainSheetView; nameOf: (id: string) => string }) {
  const [update] = useUpdateGainSheetMutation();
  const [reread] = useLazyGainSheetsQuery();
  const { scale } = sheet;
  const { add: put, state: writing } = useQueuedChanges<GainSheetView, GainEntries>(sheet, {
    send: (newest, entries) =>
      update({ id: sheet.id, body: { ...entriesOf(newest), ...entries, revision: newest.revision } }).unwrap(),
    reread: async () => (await reread(sheet.craftId).unwrap()).items.find((s) => s.id === sheet.id) ?? sheet,
    has: (newest, entries) =>
      JSON.stringify(entriesOf(newest)) === JSON.stringify({ ...entriesOf(newest), ...entries }),
  });
  const fly = (axis: GainAxis, percent: number, doesFlutter: boolean, doesReturn: boolean | null): void =>
    put(({ testFlights }) => ({ testFlights: [...testFlights, { axis, percent, doesFlutter, doesReturn }] }));
  // What must be excluded stands first until it is, then it makes room.
  const excluded = (
    <section className={classes.sheet} aria-label="Excluded first">
      <h2>Excluded first</h2>
      {gainPreconditions.map((check) => (
        <label key={check} style={{ display: 'flex', gap: 10, alignItems: 'center', minHeight: 44 }}>
          <input
            type="checkbox"
            checked={sheet.checks.includes(check)}
            onChange={(e) => {
              const isDone = e.currentTarget.checked;
              put(({ checks }) => ({ checks: [...checks.filter((c) => c !== check), ...(isDone ? [check] : [])] }));
            }}
          />{' '}
          {gainCheckNames[check]}
        </label>
      ))}
      {scale && (
        <p style={{ marginTop: 10 }}>
          <EvidenceDot mark="estimated" />{' '}
          {scale.proportionalRatio < 1
            ? `Expected in the end: about ${formatShare(scale.proportionalRatio, 0)} of the old value, after ` +
              `some ${scale.stepCount} single percents. Nobody goes under ${formatShare(scale.floorRatio, 0)}.`
            : 'By label data this prop answers no harder than the old one: nothing is lowered, and nothing is ' +
              'raised by formula.'}
        </p>
      )}
    </section>
  );
  return (
    <>
      {sheet.fitted === 'old' && (
        <section className={classes.sheet} aria-label="Back to the old sheet">
          <h2>{`Back to the sheet of ${nameOf(sheet.oldPropModelId)}`}</h2>
          <p>{gainAxes.map((axis) => `${gainAxisNames[axis]} ${startOf(sheet, axis)} %`).join(' · ')}</p>
          <p className="muted">
            Type these before the next flight: gains found for a stronger prop are too soft for this one.
          </p>
        </section>
      )}
      {sheet.missingChecks.length > 0 && excluded}
      <section className={classes.sheet} aria-label="Axes">
        <div className={classes.axes}>
          {gainAxes.map((axis) => (
            <Axis key={axis} axis={axis} sheet={sheet} onFly={fly} />
          ))}
        </div>
        {sheet.testFlights.length > 0 && (
          <div className={classes.bar}>
            <Action onClick={() => put(({ testFlights }) => ({ testFlights: testFlights.slice(0, -1) }))}>
              Take the last flight back
            </Action>
          </div>
        )}
        {writing.status === 'refused' && <ProblemNote error={writing.problem} />}
        <WaitingNote state={writing} />
      </section>
      {sheet.missingChecks.length === 0 && excluded}
    </>
  );
}

const startOf = (sheet: GainSheetView, axis: GainAxis): number => sheet[`${axis}Percent`];

const SAID: Record<GainAdvice['status'], (advice: GainAdvice) => string> = {
  stays: () => 'stays as it is',
  try: (a) => `fly it so and look${a.status === 'try' ? `; never under ${a.floorPercent} %` : ''}`,
  found: () => 'rests and comes back: found',
  backUp: () => 'one step too far: back up to this, and done',
  notTheGain: () => 'the floor is reached and it still flutters: it is not the gain',
};

function Axis({
  axis,
  sheet,
  onFly,
}: {
  axis: GainAxis;
  sheet: GainSheetView;
  onFly: (axis: GainAxis, percent: number, doesFlutter: boolean, doesReturn: boolean | null) => void;
}) {
  const advice = sheet.advice[axis];
  const percent = percentOf(advice);
  const isOpen =
    advice.status === 'try' || (advice.status === 'stays' && !sheet.testFlights.some((l) => l.axis === axis));
  const isBlocked = sheet.missingChecks.length > 0;
  return (
    <div className={classes.axis} role="group" aria-label={gainAxisNames[axis]}>
      <strong>{gainAxisNames[axis]}</strong>
      <span className={classes.percent}>{percent}&#8239;%</span>
      <span className="muted">{SAID[advice.status](advice)}</span>
      {isOpen && (
        <>
          <button
            type="button"
            className={classes.key}
            disabled={isBlocked}
            onClick={() => onFly(axis, percent, true, null)}
          >
            {axis === 'vertical' ? 'It pumps' : 'It flutters'}
          </button>
          <button
            type="button"
            className={classes.key}
            disabled={isBlocked}
            onClick={() => onFly(axis, percent, false, true)}
          >
            It rests
            <small>after a push it comes back</small>
          </button>
          {axis !== 'vertical' && (
            <button
              type="button"
              className={classes.key}
              disabled={isBlocked}
              onClick={() => onFly(axis, percent, false, false)}
            >
              It drifts
              <small>after a push it does not come back</small>
            </button>
          )}
        </>
      )}
    </div>
  );
}

function NewSheet({ craft, onOpened }: { craft: CraftView; onOpened: (id: string) => void }) {
  const { propModelId } = useInHand();
  const { data: models } = usePropModelsQuery();
  const [open, opening] = useOpenGainSheetMutation();
  const { ask, isAsking, asking } = useAsking();
  const [{ oldId, newId, values, hasGuards }, setEntry, handedOver] = useKept(`gains/${craft.id}/new`, () => ({
    oldId: craft.referencePropModelId ?? '',
    newId: propModelId ?? '',
    values: { pitch: '100', roll: '100', yaw: '100', vertical: '100', payload: '0' },
    hasGuards: false,
  }));
  const setOldId = (id: string): void => setEntry((now) => ({ ...now, oldId: id }));
  const setNewId = (id: string): void => setEntry((now) => ({ ...now, newId: id }));
  const setValues = (next: typeof values): void => setEntry((now) => ({ ...now, values: next }));
  const setGuards = (isOn: boolean): void => setEntry((now) => ({ ...now, hasGuards: isOn }));
  const choices = [
    { value: '', label: 'choose' },
    ...(models?.items ?? []).map((m) => ({ value: m.id, label: propModelName(m) })),
  ];
  const n = (key: keyof typeof values): number => Number(values[key].replace(',', '.'));
  const isPercent = (key: GainAxis): boolean => Number.isInteger(n(key)) && n(key) >= 1 && n(key) <= 400;
  const isGood =
    oldId !== '' &&
    newId !== '' &&
    oldId !== newId &&
    gainAxes.every(isPercent) &&
    n('payload') >= 0 &&
    n('payload') <= 50_000;
  const start = async (): Promise<void> => {
    const id = v7();
    try {
      await ask(() =>
        open({
          id,
          craftId: craft.id,
          oldPropModelId: oldId,
          newPropModelId: newId,
          payloadKg: n('payload') / 1000,
          hasGuards,
          packSeriesCount: craft.packSeriesCount,
          pitchPercent: n('pitch'),
          rollPercent: n('roll'),
          yawPercent: n('yaw'),
          verticalPercent: n('vertical'),
        }).unwrap(),
      );
      handedOver();
      onOpened(id);
    } catch {
      // The note below says why.
    }
  };
  if (models?.items.length === 0)
    return (
      <EmptyPage title="No prop model yet">
        <p>A sheet compares the props before and now: put both labels on the rack first.</p>
      </EmptyPage>
    );
  return (
    <section className={classes.sheet} aria-label="New sheet">
      <div className={classes.fields}>
        <NativeSelect
          label="Props before"
          value={oldId}
          onChange={(e) => setOldId(e.currentTarget.value)}
          data={choices}
        />
        <NativeSelect
          label="Props now"
          value={newId}
          onChange={(e) => setNewId(e.currentTarget.value)}
          data={choices}
          error={newId !== '' && newId === oldId ? 'the same as before' : undefined}
        />
        <TextInput
          label="Payload, g"
          value={values.payload}
          onChange={(e) => setValues({ ...values, payload: e.currentTarget.value })}
          inputMode="decimal"
          error={n('payload') >= 0 ? undefined : '0 or more'}
        />
        <label style={{ display: 'flex', gap: 8, alignItems: 'center', minHeight: 44 }}>
          <input type="checkbox" checked={hasGuards} onChange={(e) => setGuards(e.currentTarget.checked)} /> guards on
        </label>
      </div>
      <h3>Values of the old sheet, in percent of stock</h3>
      <div className={classes.fields}>
        {gainAxes.map((axis) => (
          <TextInput
            key={axis}
            label={`${gainAxisNames[axis]}, %`}
            value={values[axis]}
            onChange={(e) => setValues({ ...values, [axis]: e.currentTarget.value })}
            inputMode="numeric"
            error={isPercent(axis) ? undefined : '1 to 400, whole'}
          />
        ))}
      </div>
      <div className={classes.bar}>
        <Action weight="main" disabled={!isGood || isAsking} onClick={() => void start()}>
          Open the sheet
        </Action>
      </div>
      <AskedNote asking={asking} error={opening.error} />
    </section>
  );
}
