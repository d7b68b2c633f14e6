import { TextInput } from '@mantine/core';
import { STEP_MAX_COUNT, type RunDraftDto, type RunView } from '@zivvo/contract';
import { lazy, Suspense, useState } from 'react';
import {
  useCampaignQuery,
  useKeepRunMutation,
  useRemoveRunMutation,
  useRestoreRunMutation,
} from '../shared/api/standApi.ts';
import { usePropModelQuery } from '../shared/api/rackApi.ts';
import { usePacksQuery } from '../shared/api/workshopApi.ts';
import { formatTime, useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { quantityNames } from '@zivvo/words';
import { useKeys } from '../shared/keys/keys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { ProblemNote } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { takeAway } from '../shared/ui/takeAway.ts';
import { PictureBeside } from './PictureBeside.tsx';
import { DoubtItems } from './DoubtItems.tsx';
import {
  doubtsOf,
  freshGrid,
  readAside,
  readGrid,
  toReadings,
  withReading,
  type RunAside,
  type RunGrid,
} from './runGrid.ts';
import { RunGridTable } from './RunGridTable.tsx';
import classes from './TypedRun.module.css';
import { leftBehind, useDraftSaving, type DraftState } from './useDraftSaving.ts';

const FeedPanel = lazy(() => import('./feed/FeedPanel.tsx'));

/** Typing a run: every entry is saved as it is typed, and kept for good with one key. */
export function TypedRun({ run }: { run: RunView }) {
  const format = useFormat();
  const go = useGo();
  const { to } = useInHand();
  const { data: model } = usePropModelQuery(run.propModelId);
  const { data: packs } = usePacksQuery();
  const [keep, keeping] = useKeepRunMutation();
  const [remove] = useRemoveRunMutation();
  const [restore] = useRestoreRunMutation();
  const [draft, setDraft] = useState<RunDraftDto>(
    () =>
      leftBehind(run.id, run.revision) ??
      run.draft ?? { ...freshGrid(), restingCell: '', zeroBefore: '', zeroAfter: '' },
  );
  const [device, setDevice] = useAddressParam('device');
  const [leftOver, setLeftOver] = useState(0);
  const saving = useDraftSaving(run);
  const reading = readGrid(draft);
  const aside = readAside(draft, format.choices);
  const obstacles = [...reading.obstacles, ...Object.values(aside.problems)];
  const { data: campaign } = useCampaignQuery(run.campaignId);
  const doubts =
    model && campaign
      ? doubtsOf(reading, draft, {
          diameterM: model.measuredDiameterM ?? model.diameterM,
          densityKgPerM3: campaign.densityKgPerM3,
        })
      : [];
  const pack = packs?.items.find((p) => p.id === run.packPieceId);
  const filled = reading.steps.length;

  const change = (part: Partial<RunDraftDto>): void => {
    const next = { ...draft, ...part };
    setDraft(next);
    saving.save(next);
  };
  const onGrid = (grid: RunGrid, leftOverRows: number): void => {
    setLeftOver(leftOverRows);
    change(grid);
  };
  const toggleDevice = (): void => setDevice(device === null ? '1' : null);
  useKeys([{ key: 'd', what: 'Read a device', run: toggleDevice }]);
  const onKeep = async (): Promise<void> => {
    const revision = await saving.flush();
    const kept = await keep({ id: run.id, body: { ...toReadings(reading, aside, run.packPieceId), revision } });
    if (!kept.error) go(`/stand/${run.campaignId}`, { propModelId: run.propModelId });
  };
  const onRemove = (): Promise<void> =>
    takeAway(remove(run.id).unwrap(), {
      text: 'The draft was thrown away.',
      undo: () => void restore(run.id),
      onGone: () => go(`/stand/${run.campaignId}`),
    });
  const field = (name: keyof RunAside, label: string, unit: string) => (
    <TextInput
      label={label}
      value={draft[name]}
      maxLength={40}
      onChange={(e) => change({ [name]: e.currentTarget.value })}
      error={aside.problems[name]}
      rightSection={<span className="muted">{unit}</span>}
      inputMode="decimal"
      autoComplete="off"
    />
  );

  return (
    <StationPage
      eyebrow={
        'Stand · run ' +
        `${run.ordinal}${model ? ` of ${propModelName(model)}` : ''}${pack ? ` · pack ${pack.tag}` : ''}`
      }
      headline={
        filled === 0
          ? 'Type the run: throttle down, readings across'
          : obstacles.length === 0
            ? `${filled} ${filled === 1 ? 'step' : 'steps'}, ready to keep`
            : `${filled} ${filled === 1 ? 'step' : 'steps'} so far`
      }
      detail={<SavedNote state={saving.state} />}
      reasons={
        <ul style={{ margin: 0, padding: 0, listStyle: 'none', display: 'grid', gap: 12 }}>
          {obstacles.map((o) => (
            <li key={o}>{o}</li>
          ))}
          <DoubtItems doubts={doubts} />
          {doubts.length > 0 && <li>Kept like this it does not count.</li>}
          {obstacles.length === 0 && doubts.length === 0 && (
            <li>
              {filled === 1 && 'Full throttle alone ranks the prop there; hover and part throttle need more steps. '}
              Every cell reads. Keep the run: a kept run is never changed, a mistake is mended by a new one.
            </li>
          )}
          <li className="muted">
            Enter and the arrows move. Paste a block from a spreadsheet into any cell. Drop a picture of the scale or
            the radio beside the grid.
          </li>
        </ul>
      }
      actions={
        <>
          <Action weight="main" onClick={() => void onKeep()} disabled={obstacles.length > 0 || keeping.isLoading}>
            Keep run
          </Action>
          <Action aria-pressed={device !== null} hint="d" onClick={toggleDevice}>
            {device === null ? 'Read a device' : 'Leave the device'}
          </Action>
          <ActionLink to={to(`/stand/${run.campaignId}`)}>Later</ActionLink>
          <Action weight="danger" onClick={() => void onRemove()}>
            Throw the draft away
          </Action>
        </>
      }
    >
      <ProblemNote error={keeping.error} />
      {saving.state.status === 'conflict' && (
        <TwoDrafts
          conflict={saving.state}
          onChoose={(chosen, revision) => {
            setDraft(chosen);
            saving.choose(chosen, revision);
          }}
        />
      )}
      {leftOver > 0 && <p role="status">{`${leftOver} pasted rows did not fit: a run has at most 120 steps.`}</p>}
      {device !== null && (
        <Suspense fallback={null}>
          <FeedPanel isFull={filled >= STEP_MAX_COUNT} onTake={(step) => change(withReading(draft, step))} />
        </Suspense>
      )}
      <div className={classes.beside} data-has-picture={run.pictures.length > 0}>
        <PictureBeside run={run} />
        <div className={classes.entry}>
          <RunGridTable grid={draft} errors={reading.errors} onChange={onGrid} autoFocus={device === null} />
          <div className={classes.fields}>
            {field('restingCell', 'Pack at rest, a cell', 'V')}
            {field('zeroBefore', 'Scale before, at rest', format.unit('force'))}
            {field('zeroAfter', 'Scale after, at rest', format.unit('force'))}
          </div>
        </div>
      </div>
    </StationPage>
  );
}

const MOST_CELLS = 8;

/** Two tabs typed into one run: the cells that differ, and whose shall hold. */
function TwoDrafts({
  conflict: { mine, theirs, revision },
  onChoose,
}: {
  conflict: Extract<DraftState, { status: 'conflict' }>;
  onChoose: (draft: RunDraftDto, revision: number) => void;
}) {
  const rows = Math.max(mine.cells.length, theirs.cells.length);
  const at = (draft: RunDraftDto, row: number, column: number): string => draft.cells[row]?.[column] ?? '';
  const differing = Array.from({ length: rows }, (_, row) =>
    mine.columns.flatMap((c, column) =>
      at(mine, row, column) === at(theirs, row, column)
        ? []
        : [
            {
              name: `Step ${row + 1}, ${c.quantity ? quantityNames[c.quantity].toLowerCase() : `column ${column + 1}`}`,
              mine: at(mine, row, column),
              theirs: at(theirs, row, column),
            },
          ],
    ),
  ).flat();
  return (
    <section role="alert" aria-label="Typed twice" className={classes.twoDrafts}>
      <h2>This run was typed into somewhere else as well: which shall hold?</h2>
      <ul>
        {differing.slice(0, MOST_CELLS).map((d) => (
          <li key={d.name}>
            {`${d.name}: here ${d.mine === '' ? 'nothing' : d.mine}, there ` +
              `${d.theirs === '' ? 'nothing' : d.theirs}`}
          </li>
        ))}
        {differing.length > MOST_CELLS && <li>{`and ${differing.length - MOST_CELLS} cells more`}</li>}
      </ul>
      <Action onClick={() => onChoose(mine, revision)}>What I typed here</Action>{' '}
      <Action onClick={() => onChoose(theirs, revision)}>What was typed there</Action>
    </section>
  );
}

function SavedNote({ state }: { state: DraftState }) {
  if (state.status === 'saving' || state.status === 'conflict') return <span data-draft="saving">writing down…</span>;
  if (state.status === 'waiting') {
    return (
      <span role="alert" data-draft="waiting" style={{ color: 'var(--rust)' }}>
        {state.problem.title}:{' '}
        {state.problem.status === 0 || state.problem.status >= 500
          ? 'your entries wait on this page and are sent again.'
          : state.problem.detail}
      </span>
    );
  }
  return (
    <span data-draft="kept">
      {state.at === null
        ? 'Every entry is written down as you type.'
        : `All entries written down, ${formatTime(state.at)}.`}
    </span>
  );
}
