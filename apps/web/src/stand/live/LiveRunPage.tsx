import { useElementSize } from '@mantine/hooks';
import { liveChannels, standQuantities, thrustAtSamePower, type LiveChannel } from '@zivvo/core';
import { formatShare, unitFor } from '@zivvo/words';
import { lazy, Suspense, useEffect, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useCraftQuery } from '../../shared/api/craftApi.ts';
import { useKeepLiveMutation, useOpenLiveMutation } from '../../shared/api/liveApi.ts';
import { TAB_ID } from '../../shared/api/liveStream.ts';
import { usePropModelsQuery } from '../../shared/api/rackApi.ts';
import {
  useCampaignQuery,
  usePlanQuery,
  useRemoveRunMutation,
  useRestoreRunMutation,
  useResultsQuery,
} from '../../shared/api/standApi.ts';
import { useInk } from '../../shared/charts/useInk.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { useAddressParam } from '../../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../../shared/ui/Action.tsx';
import { ProblemNote } from '../../shared/ui/PageStates.tsx';
import { propModelName } from '../../shared/ui/propModelName.ts';
import { StationPage } from '../../shared/ui/StationPage.tsx';
import { takeAway } from '../../shared/ui/takeAway.ts';
import { ArmPanel } from './ArmPanel.tsx';
import { LiveReasons } from './LiveReasons.tsx';
import { FarView } from './FarView.tsx';
import classes from './Live.module.css';
import { kindWords } from '../evening/planView.ts';
import { carryName } from '../resultsView.ts';
import { isHolding, liveChart, liveHeadline, phaseWords, type LiveWords } from './liveView.ts';
import { OtherRun } from './OtherRun.tsx';
import { Readings } from './Readings.tsx';
import { useStays } from './useStays.ts';
import { useLiveRun, type LiveRun } from './useLiveRun.ts';
import { useStandKeys } from './useStandKeys.ts';
import { useThrottleSteps } from './useThrottleSteps.ts';

const Chart = lazy(() => import('../../shared/charts/Chart.tsx'));
/** A driven stand has this long to say that it holds nothing [ms]. */
const STUCK_MS = 600;

/** A run on the live stand: readings, points, throttle, cut. */
export function Component() {
  const { runId = '' } = useParams();
  return <LivePage runId={runId} key={runId} />;
}

function LivePage({ runId }: { runId: string }) {
  const live = useLiveRun(runId);
  const { view, isLost } = live;
  if (!view) {
    return (
      <StationPage eyebrow="Stand" headline={isLost ? 'Zivvo’s server does not answer' : 'working…'}>
        {isLost && (
          <p className="muted">
            The stand zeroes itself when nobody speaks to it. Start the server again; this page tries by itself.
          </p>
        )}
      </StationPage>
    );
  }
  return <OnStand live={live} view={view} />;
}

function OnStand({ live, view }: { live: LiveRun; view: NonNullable<LiveRun['view']> }) {
  const { isLost, isPilot, isHot, send } = live;
  const format = useFormat();
  const ink = useInk();
  const go = useGo();
  const { to } = useInHand();
  const [far, setFar] = useAddressParam('far');
  const { data: campaign } = useCampaignQuery(view.campaignId);
  const { data: craft } = useCraftQuery(campaign?.craftId ?? '', { skip: !campaign });
  const { data: models } = usePropModelsQuery();
  const { data: results } = useResultsQuery({ id: view.campaignId, throttleRatio: 0.6 });
  const [keep, keeping] = useKeepLiveMutation();
  const [open, opening] = useOpenLiveMutation();
  const [remove] = useRemoveRunMutation();
  const [restore] = useRestoreRunMutation();
  const model = models?.items.find((m) => m.id === view.propModelId);
  const referenceResult = results?.props.find((p) => p.isReference && p.propModelId !== view.propModelId);
  const referenceModel = models?.items.find((m) => m.id === referenceResult?.propModelId);
  const reference =
    referenceResult && referenceModel && referenceResult.line.length > 1
      ? { name: propModelName(referenceModel), line: referenceResult.line }
      : null;
  const last = view.points.at(-1);
  const comparison =
    last && reference && Number.isFinite(last.values.powerW) ? thrustAtSamePower(reference.line, last.values) : null;
  const words: LiveWords = {
    share: formatShare,
    quantity: (channel, value) => format.quantity(value, standQuantities[channel]).text,
  };
  const ordinal = campaign?.runs.find((r) => r.id === view.runId)?.ordinal;
  const onKeepRun = async (): Promise<void> => {
    const kept = await keep({ id: view.runId, tabId: TAB_ID });
    if (!kept.error) go(`/stand/${view.campaignId}`, { propModelId: view.propModelId });
  };
  const onThrowAway = (): Promise<void> =>
    takeAway(remove(view.runId).unwrap(), {
      text: 'The run was thrown away.',
      undo: () => void restore(view.runId),
      onGone: () => go(`/stand/${view.campaignId}`),
    });
  const step = useThrottleSteps(live, view.throttleRatio);
  const { data: evening } = usePlanQuery(view.campaignId);
  const planned = evening?.plan ?? null;
  const protocol = planned && {
    kind: planned.kind,
    stepCount: planned.stepCount,
    holdS: planned.holdS,
    throttles: planned.throttles,
  };
  const onProgram = (): void => {
    if (isPilot && view.program === null) send({ name: 'program', protocol });
  };
  useStandKeys(isHot, {
    keepPoint: () => isPilot && send({ name: 'keepPoint' }),
    cut: () => send({ name: 'cut' }),
    step,
    program: onProgram,
  });
  const isStuck = useStays(isHolding(view), STUCK_MS);
  const headline = isLost
    ? 'Zivvo’s server does not answer: use your switch'
    : isStuck
      ? 'Told to hold nothing, and the stand does not say that it does: use your switch'
      : liveHeadline(view, comparison, reference?.name ?? null, words);
  const state = isLost ? 'not heard' : phaseWords[view.phase];

  if (far !== null) return <FarView live={live} state={state} headline={headline} onBack={() => setFar(null)} />;
  return (
    <StationPage
      eyebrow={`Stand · ${campaign?.name ?? ''} · run ${ordinal ?? ''} of ${model ? propModelName(model) : ''}`}
      headline={headline}
      detail={[
        state,
        view.restingCellV === null ? '' : `pack at rest ${format.quantity(view.restingCellV, 'voltage').text} a cell`,
        view.deviceName ?? 'simulated',
        isPilot || !view.isOpen ? '' : 'another tab flies; you watch',
      ]
        .filter((t) => t !== '')
        .join(' · ')}
      reasons={
        <LiveReasons
          view={view}
          live={live}
          words={words}
          referenceName={reference?.name ?? null}
          isExtended={comparison?.isExtended ?? false}
        />
      }
      actions={
        <>
          {!view.isOpen && view.phase !== 'stopped' && (
            <Action weight="main" disabled={opening.isLoading} onClick={() => void open(view.runId)}>
              Put it on the stand again
            </Action>
          )}
          {view.fault !== null && (
            <>
              <Action weight="main" disabled={!isPilot} onClick={() => send({ name: 'writeAgain' })}>
                Write it again
              </Action>
              <Action weight="danger" disabled={!isPilot} onClick={() => send({ name: 'goOnWithout' })}>
                Go on without it
              </Action>
            </>
          )}
          {view.isOpen && view.fault === null && view.phase === 'connected' && (
            <Action weight="main" disabled={!isPilot} onClick={() => send({ name: 'tare' })}>
              Tare
            </Action>
          )}
          {isHot && (
            <Action hint="l" disabled={!isPilot || view.program !== null} onClick={onProgram}>
              {kindWords[planned?.kind ?? 'ladder'].runs}
            </Action>
          )}
          {!isHot && view.fault === null && view.points.length > 0 && (
            <Action
              weight={view.isOpen ? 'main' : 'plain'}
              disabled={keeping.isLoading}
              onClick={() => void onKeepRun()}
            >
              Keep run
            </Action>
          )}
          <Action onClick={() => setFar('1')}>Read from afar</Action>
          {!isHot && view.recordingId !== null && view.recordedS > 0 && (
            <ActionLink to={to(`/stand/runs/${view.runId}/readings`)}>All readings</ActionLink>
          )}
          {!isHot && <ActionLink to={to(`/stand/${view.campaignId}`)}>Back to the results</ActionLink>}
          {!isHot && (
            <Action weight="danger" onClick={() => void onThrowAway()}>
              Throw the run away
            </Action>
          )}
        </>
      }
    >
      <ProblemNote error={live.error ?? keeping.error ?? opening.error} />
      {!view.isOpen && <OtherRun runId={view.runId} />}
      <div className={classes.columns}>
        <section className={classes.chart}>
          <GrowingChart
            live={live}
            view={view}
            reference={reference}
            limitPowerW={results?.escLimitPowerW ?? null}
            carryThrustN={results?.carryThrustN ?? null}
            carryWords={carryName(craft)}
            ink={ink}
          />
        </section>
        <Readings live={live} view={view} onStep={step} />
      </div>
      {isHot ? (
        <div className={classes.controls}>
          <button
            type="button"
            className={classes.keepPoint}
            disabled={!isPilot || view.phase !== 'running'}
            onClick={() => send({ name: 'keepPoint' })}
          >
            Keep this point <kbd>Space</kbd>
          </button>
          <button type="button" className={classes.cut} onClick={() => send({ name: 'cut' })}>
            Cut <kbd>Esc</kbd>
          </button>
        </div>
      ) : (
        view.isOpen &&
        view.fault === null &&
        (view.phase === 'tared' || view.phase === 'held') && (
          <ArmPanel
            isPilot={isPilot}
            onArm={() => send({ name: 'arm', hasHardwareStop: true })}
            onTare={() => send({ name: 'tare' })}
          />
        )
      )}
    </StationPage>
  );
}

interface GrowingChartProps {
  live: LiveRun;
  view: NonNullable<LiveRun['view']>;
  reference: { name: string; line: { powerW: number; thrustN: number }[] } | null;
  limitPowerW: number | null;
  carryThrustN: number | null;
  carryWords: string;
  ink: ReturnType<typeof useInk>;
}

/** How often the ring of the reading moves on the chart [ms]. */
const CHART_MS = 250;

function GrowingChart({ live, view, reference, limitPowerW, carryThrustN, carryWords, ink }: GrowingChartProps) {
  const format = useFormat();
  const { ref, height } = useElementSize<HTMLDivElement>();
  const [now, setNow] = useState<{ powerW: number; thrustN: number } | null>(null);
  useEffect(() => {
    const timer = setInterval(() => {
      const { latest } = live.stream;
      if (latest)
        setNow({
          powerW: valueOf(latest.values, 'powerW'),
          thrustN: Math.max(0, valueOf(latest.values, 'thrustN') - (live.stream.view?.zeroN ?? 0)),
        });
    }, CHART_MS);
    return () => clearInterval(timer);
  }, [live.stream]);
  const limitText =
    view.limits.currentA === null ? '' : `over the ${format.quantity(view.limits.currentA, 'current', 0).text} limit`;
  const option = useMemo(
    () =>
      liveChart({
        points: view.points,
        now,
        reference,
        limitPowerW,
        limitText,
        carryThrustN,
        carryName: carryWords,
        thrustUnit: unitFor('force', format.choices),
        ink,
      }),
    [view.points, now, reference, limitPowerW, limitText, carryThrustN, carryWords, format, ink],
  );
  return (
    <div ref={ref} className={classes.chartBox}>
      <Suspense fallback={null}>
        {height > 0 && (
          <Chart option={option} height={height} label={`Thrust against power, ${view.points.length} points kept`} />
        )}
      </Suspense>
    </div>
  );
}

function valueOf(values: readonly (number | null)[], channel: LiveChannel): number {
  return values[liveChannels.indexOf(channel)] ?? NaN;
}
