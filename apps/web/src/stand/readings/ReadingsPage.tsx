import { useElementSize } from '@mantine/hooks';
import type { RecordingView, RunView } from '@zivvo/contract';
import { standQuantities } from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { useKeys } from '../../shared/keys/keys.ts';
import { useLiveRunQuery } from '../../shared/api/liveApi.ts';
import { usePropModelQuery } from '../../shared/api/rackApi.ts';
import { samplesFile, useRecordingQuery } from '../../shared/api/recordingApi.ts';
import { useRunQuery } from '../../shared/api/standApi.ts';
import { useInk } from '../../shared/charts/useInk.ts';
import { formatDay, formatTime, useFormat } from '../../shared/format/useFormat.ts';
import { useInHand } from '../../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../../shared/ui/Action.tsx';
import { Failure, Ready } from '../../shared/ui/PageStates.tsx';
import { propModelName } from '../../shared/ui/propModelName.ts';
import { SaidList } from '../../shared/ui/ReasonList.tsx';
import { StationPage } from '../../shared/ui/StationPage.tsx';
import classes from './ReadingsPage.module.css';
import {
  clockText,
  closestToLimit,
  firstSpan,
  moved,
  readingsChart,
  samplesAPoint,
  zoomed,
  type Span,
} from './readingsView.ts';
import { useSamples } from './useSamples.ts';

const Chart = lazy(() => import('../../shared/charts/Chart.tsx'));

/** All readings of a run over time, from the whole of it to single samples. */
export function Component() {
  const { runId = '' } = useParams();
  const query = useRunQuery(runId);
  return (
    <Ready query={query}>
      {(run) =>
        run.recordingId === null ? (
          <NotRecorded run={run} />
        ) : (
          <Recorded run={run} recordingId={run.recordingId} key={run.id} />
        )
      }
    </Ready>
  );
}

function NotRecorded({ run }: { run: RunView }) {
  const { to } = useInHand();
  return (
    <StationPage
      eyebrow="Stand · all readings"
      headline="This run has only its points"
      actions={<ActionLink to={to(`/stand/runs/${run.id}`)}>Back to the run</ActionLink>}
    >
      <p className="muted">
        It was typed or taken in from a file. What a stand reads in between is recorded when it runs here.
      </p>
    </StationPage>
  );
}

function Recorded({ run, recordingId }: { run: RunView; recordingId: string }) {
  const query = useRecordingQuery(recordingId, { refetchOnMountOrArgChange: true });
  return <Ready query={query}>{(recording) => <Drawn run={run} recording={recording} />}</Ready>;
}

function Drawn({ run, recording }: { run: RunView; recording: RecordingView }) {
  const { to } = useInHand();
  const format = useFormat();
  const ink = useInk();
  const track = recording.tracks[0]!;
  const whole = useMemo((): Span => ({ fromS: 0, toS: recording.segments.at(-1)?.endS ?? 0 }), [recording]);
  const [span, setSpan] = useState(() => firstSpan(recording.segments));
  const { ref, width, height } = useElementSize<HTMLDivElement>();
  const { stretches, problem, isReading, again } = useSamples(recording.id, span, Math.min(2000, Math.floor(width)));
  const { data: live } = useLiveRunQuery(run.id);
  const { data: model } = usePropModelQuery(run.propModelId);
  const spanS = span.toS - span.fromS;
  const closest = stretches && live ? closestToLimit(track, stretches, live.limits) : null;
  const option = useMemo(
    () =>
      stretches && height > 0
        ? readingsChart({
            track,
            stretches,
            span,
            whole,
            limits: live?.limits ?? null,
            pointsS: live?.points.map((p) => p.atS) ?? [],
            choices: format.choices,
            ink,
            height,
          })
        : null,
    [track, stretches, span, whole, live, format.choices, ink, height],
  );
  const zoom = (factor: number): void => setSpan((s) => zoomed(s, factor, whole));
  const move = (share: number): void => setSpan((s) => moved(s, share, whole));
  useKeys([
    { key: '+', what: 'Closer', run: () => zoom(0.5) },
    { key: '-', what: 'Further away', run: () => zoom(2) },
    { key: 'ArrowLeft', what: 'Earlier', run: () => move(-0.25) },
    { key: 'ArrowRight', what: 'Later', run: () => move(0.25) },
    { key: '0', what: 'The whole recording', run: () => setSpan(whole) },
  ]);
  const figure = (channel: keyof typeof standQuantities, value: number): string =>
    format.quantity(value, standQuantities[channel]).text;
  const aPoint = stretches ? samplesAPoint(stretches, track.rateHz) : 1;
  const headline = problem
    ? problem.title
    : whole.toS === 0
      ? 'Nothing was recorded'
      : closest === null
        ? `${clockText(whole.toS, 60)} of readings`
        : closest.isOver
          ? `${quantityNames[closest.channel]} reached ${figure(closest.channel, closest.value)}: the limit is ` +
            `${figure(closest.channel, closest.limit)}`
          : `Nearest to its limit: ${quantityNames[closest.channel].toLowerCase()}, ` +
            `${figure(closest.channel, closest.value)} of ${figure(closest.channel, closest.limit)}`;
  return (
    <StationPage
      eyebrow={`Stand · all readings${model ? ` of ${propModelName(model)}` : ''}`}
      headline={headline}
      detail={
        `${clockText(span.fromS, spanS)} to ${clockText(span.toS, spanS)} of ${clockText(whole.toS, 60)} · ` +
        `${aPoint === 1 ? 'every sample' : `a point is the least and the greatest of ${aPoint} samples`}${isReading ? ' · reading…' : ''}`
      }
      reasons={
        <>
          <SaidList
            said={[
              {
                severity: 'note',
                key: 'extremes',
                text: 'No extreme is lost: however far away, each point is drawn from its least to its greatest.',
              },
              ...(live && live.points.length > 0
                ? [
                    {
                      severity: 'note' as const,
                      key: 'points',
                      text:
                        `${live.points.length === 1 ? 'A dotted line is the moment at which the point was kept.' : `The ${live.points.length} dotted lines are the moments at which points were kept.`} ` +
                        'A full line is a limit, where it is within reach.',
                    },
                  ]
                : []),
            ]}
          />
          {recording.segments.length > 1 && (
            <>
              <h3>It went on {recording.segments.length} times</h3>
              <ol className={classes.segments}>
                {recording.segments.map(({ startedAt, startS, endS }) => (
                  <li key={startedAt}>
                    <button type="button" onClick={() => setSpan({ fromS: startS, toS: endS })}>
                      {formatDay(startedAt)}, {formatTime(startedAt)} · {clockText(endS - startS, 60)}
                    </button>
                  </li>
                ))}
              </ol>
            </>
          )}
        </>
      }
      actions={
        <>
          <ActionLink weight="main" to={to(`/stand/runs/${run.id}`)}>
            Back to the run
          </ActionLink>
          <a
            className={classes.file}
            href={samplesFile(recording.id, 0, span.fromS, span.toS)}
            download={`run-${run.ordinal}.csv`}
          >
            Save this stretch as a table
          </a>
        </>
      }
    >
      <div className={classes.tools} role="toolbar" aria-label="What is shown">
        <Action hint="+" disabled={spanS <= 0.11} onClick={() => zoom(0.5)}>
          Closer
        </Action>
        <Action hint="-" disabled={spanS >= whole.toS} onClick={() => zoom(2)}>
          Further
        </Action>
        <Action hint="←" disabled={span.fromS <= 0} onClick={() => move(-0.25)}>
          Earlier
        </Action>
        <Action hint="→" disabled={span.toS >= whole.toS} onClick={() => move(0.25)}>
          Later
        </Action>
        <Action hint="0" disabled={spanS >= whole.toS} onClick={() => setSpan(whole)}>
          All of it
        </Action>
      </div>
      {problem && <Failure error={problem} onRetry={again} />}
      <div className={classes.chart}>
        <div ref={ref} className={classes.box}>
          <Suspense fallback={null}>
            {option && (
              <Chart
                option={option}
                height={height}
                label={`${track.channels.length} channels over ${clockText(spanS, spanS)}`}
                onZoom={(fromS, toS) => setSpan({ fromS, toS })}
              />
            )}
          </Suspense>
        </div>
      </div>
    </StationPage>
  );
}
