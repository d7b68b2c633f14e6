import { NativeSelect } from '@mantine/core';
import {
  shakeTargetNames,
  type PieceDetailView,
  type PropModelView,
  type BalanceJobDto,
  type BalanceJobView,
} from '@zivvo/contract';
import { formatNumber, formatUnbalance, shakeTargetWords } from '@zivvo/words';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 } from 'uuid';
import { isRetiring, explainShake, SHAKE_FIGURE } from '@zivvo/core';
import { useKeys } from '../shared/keys/keys.ts';
import {
  useChangeBalanceJobMutation,
  useFinishBalanceJobMutation,
  useRigsQuery,
  useLazyBalanceJobsOfQuery,
  useStartBalanceJobMutation,
  useBalanceJobsOfQuery,
} from '../shared/api/balanceApi.ts';
import { useCraftQuery, useCraftsQuery } from '../shared/api/craftApi.ts';
import { usePieceQuery } from '../shared/api/pieceApi.ts';
import { usePropModelQuery } from '../shared/api/rackApi.ts';
import { useQueuedChanges } from '../shared/api/useQueuedChanges.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { WaitingNote } from '../shared/ui/WaitingNote.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { WorkingDrawer } from '../shared/working/WorkingDrawer.tsx';
import tabs from '../shared/ui/Tabs.module.css';
import classes from './BalanceJobPage.module.css';
import { jobHeadline } from './balanceView.ts';
import { Corrections } from './Corrections.tsx';
import { SingleBladeTab } from './SingleBladeTab.tsx';
import { SwingTab } from './SwingTab.tsx';
import { TapeTab } from './TapeTab.tsx';
import { VibrationTab } from './VibrationTab.tsx';
import { WeighTab } from './WeighTab.tsx';

/** One piece on the shaft: what to do next, what was seen, when it is good enough. */
export function Component() {
  const { pieceId = '' } = useParams();
  const piece = usePieceQuery(pieceId);
  const jobs = useBalanceJobsOfQuery(pieceId);
  return (
    <Ready query={{ ...piece, currentData: piece.currentData ?? piece.data }}>
      {(p) => (
        <Ready query={{ ...jobs, currentData: jobs.currentData ?? jobs.data }}>
          {({ items }) => <Piece piece={p} jobs={items} />}
        </Ready>
      )}
    </Ready>
  );
}

function Piece({ piece, jobs }: { piece: PieceDetailView; jobs: readonly BalanceJobView[] }) {
  const { data: model } = usePropModelQuery(piece.propModelId);
  const open = jobs.find((j) => j.state === 'open');
  if (!model) return null;
  return open ? (
    <Job key={open.id} piece={piece} model={model} job={open} />
  ) : (
    <Start piece={piece} model={model} jobs={jobs} />
  );
}

const ENDS = { open: 'open', trued: 'balanced', truedDynamic: 'balanced on its motor', sentBack: 'sent back' } as const;

/** Before the first look: which rig, which craft, and whether the piece is sound. */
function Start({
  piece,
  model,
  jobs,
}: {
  piece: PieceDetailView;
  model: PropModelView;
  jobs: readonly BalanceJobView[];
}) {
  const { data: rigs } = useRigsQuery();
  const { data: crafts } = useCraftsQuery();
  const { craftId, to } = useInHand();
  const [begin, beginning] = useStartBalanceJobMutation();
  const [rigId, setRigId] = useState<string | null>(null);
  const [forId, setForId] = useState<string | null>(null);
  const [isLookedAt, setLookedAt] = useState(false);
  const hasFlown = piece.history.some((h) => h.action === 'fit');
  const rig = rigId ?? rigs?.items[0]?.id ?? '';
  // What it is balanced for is asked where nothing tells: never simply the newest craft.
  const flying = crafts?.items.filter((c) => c.referencePropModelId === piece.propModelId) ?? [];
  const only = flying.length === 1 ? flying[0] : crafts?.items.length === 1 ? crafts.items[0] : undefined;
  const forCraft = forId ?? flying.find((c) => c.id === craftId)?.id ?? only?.id ?? '';
  const canStart = rig !== '' && forCraft !== '' && !beginning.isLoading;
  const start = (): void => {
    if (canStart) void begin({ id: v7(), pieceId: piece.id, rigId: rig, craftId: forCraft, isLookedAt });
  };
  useKeys([{ key: 'n', what: 'Put it on the shaft', run: start }]);
  const [last] = jobs;
  return (
    <StationPage
      eyebrow={`Balance · ${propModelName(model)}`}
      headline={
        <>
          <span className="mono">{piece.tag}</span>{' '}
          {last
            ? `was ${ENDS[last.state]}${last.finishedAt === null ? '' : `, ${formatDay(last.finishedAt)}`}`
            : 'has never been balanced'}
        </>
      }
      detail={
        last?.result?.residual
          ? `${formatUnbalance(last.result.residual.unbalanceKgM)} were left, ` +
            `${formatNumber(last.result.residual.shakeG, 3)} g of acceleration on the craft.`
          : undefined
      }
      reasons={
        <p style={{ margin: 0 }}>
          Cones must not meet in the hub; in a shallow one turn one round. Spring firm, blade clear of the stand, large
          props over the edge of the bench. Spin it first: a sticky arbor shows false level.
        </p>
      }
      actions={
        <>
          <Action weight="main" hint="n" disabled={!canStart} onClick={start}>
            Put it on the shaft
          </Action>
          <ActionLink to={to('/balance')}>Trays</ActionLink>
        </>
      }
    >
      {rigs?.total === 0 ? (
        <EmptyPage
          title="No rig on the bench"
          actions={
            <ActionLink weight="main" to={to('/balance')}>
              Describe a rig
            </ActionLink>
          }
        >
          <p>What a rig cannot show, nobody can balance: describe the shaft, its friction and play first.</p>
        </EmptyPage>
      ) : (
        <section className={classes.sheet} style={{ display: 'grid', gap: 14, maxWidth: 460 }}>
          <NativeSelect
            label="Rig"
            value={rig}
            onChange={(e) => setRigId(e.currentTarget.value)}
            data={(rigs?.items ?? []).map((r) => ({ value: r.id, label: r.name }))}
          />
          <NativeSelect
            label="Balanced for"
            value={forCraft}
            onChange={(e) => setForId(e.currentTarget.value)}
            data={[
              ...(forCraft === '' ? [{ value: '', label: 'choose the craft' }] : []),
              ...(crafts?.items ?? []).map((c) => ({ value: c.id, label: c.name })),
            ]}
            error={
              forCraft === '' && crafts !== undefined ? 'its weight and hover speed say how much may stay' : undefined
            }
          />
          {hasFlown && (
            <label className={classes.check}>
              <input type="checkbox" checked={isLookedAt} onChange={(e) => setLookedAt(e.currentTarget.checked)} /> It
              has flown. I looked at both faces, both edges, the tips and the root: no crack, no white mark.
            </label>
          )}
          <ProblemNote error={beginning.error} />
        </section>
      )}
    </StationPage>
  );
}

/** What was seen of a job, as it is sent at each step. */
function evidenceOf({
  target,
  observations,
  swings,
  heavyDegrees,
  bladeMomentsKgM,
  corrections,
  singleBlade,
  runs,
  runSpeedRpm,
  note,
}: BalanceJobView): BalanceJobDto {
  return {
    target,
    observations,
    swings,
    heavyDegrees,
    bladeMomentsKgM,
    corrections,
    singleBlade,
    runs,
    runSpeedRpm,
    note,
  };
}

const TABS = [
  { key: 'tape', name: 'Tape trials' },
  { key: 'swing', name: 'Swing timing' },
  { key: 'weigh', name: 'Weighing' },
  { key: 'vibration', name: 'Vibration' },
] as const;

function Job({ piece, model, job }: { piece: PieceDetailView; model: PropModelView; job: BalanceJobView }) {
  const { to } = useInHand();
  const go = useGo();
  const format = useFormat();
  const [tab, setTab] = useAddressParam('by');
  const [change] = useChangeBalanceJobMutation();
  const [reread] = useLazyBalanceJobsOfQuery();
  const [finish, finishing] = useFinishBalanceJobMutation();
  const { add: set, state: saving } = useQueuedChanges<BalanceJobView, Partial<BalanceJobDto>>(job, {
    send: (newest, more) =>
      change({ id: job.id, body: { ...evidenceOf(newest), ...more, revision: newest.revision } }).unwrap(),
    reread: async () => (await reread(piece.id).unwrap()).items.find((j) => j.id === job.id) ?? job,
    has: (row, more) => JSON.stringify(evidenceOf(row)) === JSON.stringify({ ...evidenceOf(row), ...more }),
  });
  const end = async (as: 'trued' | 'truedDynamic' | 'sentBack'): Promise<void> => {
    try {
      await finish({ id: job.id, body: { as, note: null } }).unwrap();
      go('/balance');
    } catch {
      // The note above the dial says why; what was seen stays.
    }
  };
  const isDynamic = tab === 'vibration' && job.vibration?.leftRatio !== null && job.vibration?.leftRatio !== undefined;
  const [shown, show] = useAddressParam('working');
  const { data: craft } = useCraftQuery(job.craftId);
  const { result, single, problem } = job;
  const isSingle = model.bladeCount === 1;
  const target = result?.targetKgM ?? single?.targetKgM;
  const verdict = result?.verdict ?? single?.verdict;
  const isUnsound = isRetiring(piece.condition.outcome);
  const undo = (): void => {
    if (tab === 'vibration') set(({ runs }) => ({ runs: runs.slice(0, -1) }));
    else if (tab === 'swing')
      set(({ heavyDegrees, swings }) =>
        heavyDegrees !== null ? { heavyDegrees: null } : { swings: swings.slice(0, -1) },
      );
    else if (tab === 'weigh') set(() => ({ bladeMomentsKgM: [] }));
    else if (isSingle) set(() => ({ singleBlade: null }));
    else
      set(({ observations, corrections }) =>
        corrections.at(-1)?.observationCount === observations.length
          ? { corrections: corrections.slice(0, -1) }
          : { observations: observations.slice(0, -1) },
      );
  };
  useKeys([{ key: 'u', what: 'Take the last step back', run: undo }]);
  return (
    <StationPage
      eyebrow={
        <>
          {`Balance · ${propModelName(model)} · `}
          <span className="mono">{piece.tag}</span>
        </>
      }
      headline={jobHeadline(job, model.bladeCount)}
      detail={
        target !== undefined
          ? `${formatUnbalance(target)} may stay at ${format.quantity(job.hoverSpeedRpm, 'rotation').text}.`
          : problem
            ? `${problem.what}: ${problem.allowed === '' ? 'cannot be' : `must be ${problem.allowed}`}. Take the ` +
              'last step back; nothing was lost.'
            : undefined
      }
      tools={
        !isSingle && (
          <div className={tabs.tabs} role="tablist" aria-label="Ways to balance">
            {TABS.map(({ key, name }) => (
              <button
                key={key}
                type="button"
                role="tab"
                aria-selected={(tab ?? 'tape') === key}
                className={tabs.tab}
                onClick={() => setTab(key === 'tape' ? null : key)}
              >
                {name}
              </button>
            ))}
          </div>
        )
      }
      reasons={
        <>
          <ReasonList
            reasons={[
              ...(tab === 'vibration' ? (job.vibration?.reasons ?? []) : []),
              ...(result?.reasons ?? single?.reasons ?? []),
            ]}
            onShow={show}
          />
          {shown === SHAKE_FIGURE && result?.residual && craft && (
            <WorkingDrawer
              working={explainShake(result.residual.unbalanceKgM, job.hoverSpeedRpm, craft.massKg)}
              subject={`${piece.tag} on ${craft.name}`}
              onClose={() => show(null)}
            />
          )}
          <NativeSelect
            label="How smooth"
            value={job.target}
            onChange={(e) => {
              const target = e.currentTarget.value as BalanceJobDto['target'];
              set(() => ({ target }));
            }}
            data={shakeTargetNames.map((t) => ({ value: t, label: shakeTargetWords[t] }))}
            mt="sm"
          />
          {!isSingle && <Corrections material={model.material} isUnsound={isUnsound} />}
          {result?.residual && (
            <p className="muted" style={{ fontSize: 13 }}>
              {`Grade G${formatNumber(result.residual.gradeMPerS * 1000, 1)} with the bell counted; judged by the ` +
                'shake of the whole craft.'}
            </p>
          )}
        </>
      }
      actions={
        <>
          <Action
            weight={verdict === 'trued' || isDynamic ? 'main' : 'plain'}
            disabled={finishing.isLoading || (!isDynamic && (verdict === undefined || verdict === 'contradiction'))}
            onClick={() => void end(isDynamic ? 'truedDynamic' : 'trued')}
          >
            {isDynamic ? 'Mark it balanced on its motor' : 'Mark it balanced'}
          </Action>
          <Action
            weight={verdict === 'sendBack' ? 'main' : 'plain'}
            disabled={finishing.isLoading}
            onClick={() => void end('sentBack')}
          >
            Send it back
          </Action>
          <Action weight="quiet" hint="u" onClick={undo}>
            Take the last step back
          </Action>
          <ActionLink weight="quiet" to={to('/balance')}>
            Leave it, it is written down
          </ActionLink>
        </>
      }
    >
      <ProblemNote error={(saving.status === 'refused' ? saving.problem : null) ?? finishing.error} />
      <WaitingNote state={saving} />
      {isSingle && <SingleBladeTab job={job} onSet={set} />}
      {!isSingle && (tab === null || tab === 'tape') && (
        <TapeTab job={job} model={model} isUnsound={isUnsound} onSet={set} />
      )}
      {!isSingle && tab === 'swing' && <SwingTab job={job} model={model} onSet={set} />}
      {!isSingle && tab === 'weigh' && <WeighTab job={job} model={model} onSet={set} />}
      {!isSingle && tab === 'vibration' && <VibrationTab job={job} piece={piece} model={model} onSet={set} />}
    </StationPage>
  );
}
