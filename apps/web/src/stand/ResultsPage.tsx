import { CopyButton, NativeSelect, SegmentedControl } from '@mantine/core';
import { useElementSize } from '@mantine/hooks';
import type { CampaignDetailView, CampaignResultsView, PropModelView } from '@zivvo/contract';
import { pointNames, type PointFigure } from '@zivvo/core';
import { carryNames, formatShare, standText, unitFor, upperFirst } from '@zivvo/words';
import { lazy, Suspense, useMemo, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { useKeys } from '../shared/keys/keys.ts';
import { useAppDispatch, useAppSelector } from '../shared/store/store.ts';
import { useCraftsQuery } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCampaignQuery, useResultsQuery, useWorkingQuery } from '../shared/api/standApi.ts';
import { useInk } from '../shared/charts/useInk.ts';
import { useIsNarrow } from '../shared/charts/useIsNarrow.ts';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useKept } from '../shared/forms/kept.ts';
import { useAddressParam } from '../shared/inHand/useAddressParam.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { ReasonList } from '../shared/ui/ReasonList.tsx';
import { saveText } from '../shared/ui/saveText.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { WorkingDrawer } from '../shared/working/WorkingDrawer.tsx';
import { propMarkToggled, selectMarks } from './markSlice.ts';
import { differenceChart, differenceSentence } from './differenceChart.ts';
import { SaveWorkbook } from './SaveWorkbook.tsx';
import { ShownChoice } from './ShownChoice.tsx';
import { resultCells, toCsv, toTabs, winnersText } from './resultsTable.ts';
import { ResultsTable, shownFigures } from './ResultsTable.tsx';
import { RigMatrix } from './RigMatrix.tsx';
import { rigName } from './rigName.ts';
import { carryName, chartSentence, resultRows, type ResultRow } from './resultsView.ts';
import classes from './ResultsPage.module.css';
import { RunList } from './RunList.tsx';
import { thrustPowerChart } from './thrustPowerChart.ts';

const Chart = lazy(() => import('../shared/charts/Chart.tsx'));

const DEFAULT_THROTTLE = 60;
const THROTTLES = Array.from({ length: 17 }, (_, i) => 15 + i * 5);

/** Results of an evening: the answer, the curves, every prop at three points, and what the numbers mean. */
export function Component() {
  const { campaignId = '' } = useParams();
  const [params] = useSearchParams();
  const at = Number(params.get('at') ?? DEFAULT_THROTTLE);
  const throttleRatio = THROTTLES.includes(at) ? at / 100 : DEFAULT_THROTTLE / 100;
  const kitId = params.get('rig');
  const results = useResultsQuery({ id: campaignId, throttleRatio, kitId });
  const campaign = useCampaignQuery(campaignId);
  const { data: models } = usePropModelsQuery();
  // While another throttle is asked for, the last answer stays on the page.
  const shown = {
    ...results,
    currentData: results.currentData ?? (results.data?.campaign.id === campaignId ? results.data : undefined),
  };
  return (
    <Ready query={shown}>
      {(data) => (
        <Ready query={campaign}>
          {(detail) => (
            <Results
              key={campaignId}
              results={data}
              campaign={detail}
              models={models?.items ?? []}
              throttleRatio={throttleRatio}
            />
          )}
        </Ready>
      )}
    </Ready>
  );
}

interface ResultsProps {
  results: CampaignResultsView;
  campaign: CampaignDetailView;
  models: PropModelView[];
  throttleRatio: number;
}

function Results({ results, campaign, models, throttleRatio }: ResultsProps) {
  const format = useFormat();
  const go = useGo();
  const dispatch = useAppDispatch();
  const ink = useInk();
  const isNarrow = useIsNarrow();
  const [, setThrottle] = useAddressParam('at');
  const [pointParam, setPoint] = useAddressParam('point');
  const [workingKey, showWorking] = useAddressParam('working');
  const { propModelId, take, to } = useInHand();
  const { data: crafts } = useCraftsQuery();
  const marked = useAppSelector(selectMarks);
  const [pointed, setPointed] = useState<string | null>(null);
  const hasResponse = results.props.some((p) => Object.keys(p.points.response).length > 0);
  const hasFull = results.props.some((p) => p.points.full.thrustN !== undefined);
  const point = pointNames.find((p) => p === pointParam) ?? (hasResponse && !hasFull ? 'response' : 'full');
  const [, setRig] = useAddressParam('rig');
  const craft = crafts?.items.find((c) => c.id === campaign.craftId);
  const rows = useMemo(() => resultRows(results, models, point), [results, models, point]);
  useKeys([
    { key: 'n', what: 'Type a run', run: () => go(`/stand/${campaign.id}/type`) },
    { key: 'i', what: 'Paste or drop a file', run: () => go(`/stand/${campaign.id}/import`) },
    { key: 'e', what: 'Edit this evening', run: () => go(`/stand/${campaign.id}/edit`) },
    { key: 'v', what: 'The evening’s plan', run: () => go(`/stand/${campaign.id}/evening`) },
    { key: '1', what: 'Look at full throttle', run: () => setPoint(null) },
    { key: '2', what: `Look at ${carryNames[results.kind]}`, run: () => setPoint('hover') },
    { key: '3', what: 'Look at the chosen throttle', run: () => setPoint('chosen') },
    ...(hasResponse ? [{ key: '4', what: 'Look at the response', run: () => setPoint('response') }] : []),
  ]);
  const [hiddenFigures, setHiddenFigures] = useKept<PointFigure[]>('results/columns', () => []);
  const [hiddenIds, setHiddenIds] = useKept<string[]>(`results/${campaign.id}/hidden`, () => []);
  const figures = shownFigures(point).filter((f) => !hiddenFigures.includes(f));
  const shownRows = useMemo(() => rows.filter((r) => !hiddenIds.includes(r.id)), [rows, hiddenIds]);
  const { ref: chartBox, width: chartWidth } = useElementSize<HTMLDivElement>();
  const chartHeight = isNarrow ? 250 : 316;
  const hasRuns = rows.some((r) => r.result.curve.length > 0);
  const [view, setView] = useAddressParam('view');
  const isDifference = view === 'difference' && rows.some((r) => r.isReference && r.result.line.length > 1);
  const option = useMemo(
    () =>
      isDifference
        ? differenceChart({
            rows: rows.filter((r) => r.isReference || shownRows.includes(r)),
            strong: new Set(marked.filter((id) => rows.some((r) => r.id === id))),
            halfWidthRatio:
              rows.find((r) => !r.isReference)?.result.points.full.thrustN?.differenceHalfWidthRatio ?? null,
            ink,
            isNarrow,
            width: chartWidth,
          })
        : thrustPowerChart({
            results,
            rows: shownRows,
            strong: new Set([
              ...marked.filter((id) => rows.some((r) => r.id === id)),
              ...(propModelId === null ? [] : [propModelId]),
            ]),
            thrustUnit: unitFor('force', format.choices),
            ink,
            carryName: carryName(craft),
            escLimit: craft?.escLimitA ? format.quantity(craft.escLimitA, 'current', 0).text : '',
            isNarrow,
            width: chartWidth,
            height: chartHeight,
          }),
    [
      results,
      rows,
      shownRows,
      marked,
      propModelId,
      format,
      ink,
      craft,
      isNarrow,
      chartWidth,
      chartHeight,
      isDifference,
    ],
  );
  const cells = resultCells(shownRows, figures, format.choices);
  const winners = winnersText(results, (id) => rows.find((r) => r.id === id)?.name ?? '', format.choices);
  const inHand = rows.find((r) => r.id === propModelId) ?? null;
  const isSimulated = rows.some((r) => r.result.origin === 'simulated');
  return (
    <StationPage
      eyebrow={`Stand · ${craft?.name ?? ''} · ${campaign.name}`}
      headline={format.sentence(results.headline)}
      detail={[
        `${campaign.runCount} runs, ${formatDay(campaign.createdAt)}, ` +
          `${format.quantity(campaign.temperatureC, 'temperature').text}, ` +
          `${format.quantity(campaign.densityKgPerM3, 'density').text}`,
        results.spreadRatio === null
          ? ''
          : `one run repeats within ${formatShare(results.spreadRatio)} (${results.degreesOfFreedom} degrees of ` +
            'freedom)',
        results.fullVoltageV === null ? '' : `full throttle: ${standText(results.fullVoltageV)}`,
        isSimulated ? 'simulated' : '',
      ]
        .filter((t) => t !== '')
        .join(' · ')}
      reasons={<ReasonList reasons={results.reasons} onShow={showWorking} onPoint={setPointed} />}
      actions={
        <>
          <ActionLink weight="main" hint="n" to={to(`/stand/${campaign.id}/type`)}>
            Type a run
          </ActionLink>
          <ActionLink hint="i" to={to(`/stand/${campaign.id}/import`)}>
            Paste or drop a file
          </ActionLink>
          <ActionLink hint="v" to={to(`/stand/${campaign.id}/evening`)}>
            The evening’s plan
          </ActionLink>
          <ActionLink hint="e" to={to(`/stand/${campaign.id}/edit`)}>
            Edit evening
          </ActionLink>
        </>
      }
    >
      {!hasRuns ? (
        <EmptyPage
          title="The first run"
          actions={
            <>
              <ActionLink weight="main" to={to(`/stand/${campaign.id}/type`)}>
                Type a run
              </ActionLink>
              <ActionLink to={to(`/stand/${campaign.id}/plan`)}>Plan the evening</ActionLink>
              <ActionLink to={to(`/stand/${campaign.id}/import`)}>Paste or drop a file</ActionLink>
            </>
          }
        >
          <p>
            Start with the reference prop, run it first and last. Two runs of each prop let Zivvo say which differences
            are real.
          </p>
          <p className="muted">Stand behind the disc, nobody in its plane, the switch within reach.</p>
        </EmptyPage>
      ) : (
        <>
          <section className={classes.chart}>
            <div ref={chartBox}>
              <Suspense fallback={<div style={{ height: chartHeight }} />}>
                <Chart
                  option={option}
                  height={chartHeight}
                  label={
                    isDifference
                      ? differenceSentence(rows)
                      : chartSentence(rows, (n) => format.quantity(n, 'force').text)
                  }
                />
              </Suspense>
            </div>
          </section>
          {winners !== null && <p className={classes.standard}>{winners}</p>}
          <div className={classes.points}>
            {rows.some((r) => r.isReference && r.result.line.length > 1) && (
              <SegmentedControl
                aria-label="What the chart shows"
                value={isDifference ? 'difference' : 'thrust'}
                onChange={(value) => setView(value === 'thrust' ? null : value)}
                data={[
                  { value: 'thrust', label: 'Thrust' },
                  { value: 'difference', label: 'Against the reference' },
                ]}
              />
            )}
            {results.rigs.length > 1 && (
              <NativeSelect
                aria-label="Motor and cells"
                value={results.kitId ?? ''}
                onChange={(e) => setRig(e.currentTarget.value === '' ? null : e.currentTarget.value)}
                data={results.rigs.map((rig) => ({ value: rig.kitId ?? '', label: rigName(rig) }))}
              />
            )}
            <SegmentedControl
              aria-label="Where on the curve"
              value={point}
              onChange={(value) => setPoint(value === 'full' ? null : value)}
              data={[
                { value: 'full', label: 'Full throttle' },
                { value: 'hover', label: upperFirst(carryName(craft)) },
                { value: 'chosen', label: `${Math.round(throttleRatio * 100)} % throttle` },
                ...(hasResponse ? [{ value: 'response', label: 'Response' }] : []),
              ]}
            />
            {point === 'chosen' && (
              <NativeSelect
                aria-label="Throttle"
                value={String(Math.round(throttleRatio * 100))}
                onChange={(e) => setThrottle(e.currentTarget.value)}
                data={THROTTLES.map((t) => ({ value: String(t), label: `${t} %` }))}
              />
            )}
            {point === 'hover' && results.carryThrustN !== null && (
              <span className="muted">{`${format.quantity(results.carryThrustN, 'force').text} a rotor`}</span>
            )}
          </div>
          <ResultsTable
            kind={results.kind}
            rows={shownRows}
            point={point}
            figures={figures}
            onHide={(row) => setHiddenIds((now) => [...now, row.id])}
            marked={marked}
            inHandId={propModelId}
            pointedKey={pointed}
            onOpen={(row) => take({ propModelId: row.id })}
            onMark={(row) => dispatch(propMarkToggled(row.id))}
            onShow={showWorking}
          />
          <div className={classes.points}>
            <ShownChoice
              figures={shownFigures(point)}
              hiddenFigures={hiddenFigures}
              onFigures={setHiddenFigures}
              rows={rows}
              hiddenIds={hiddenIds}
              onRows={setHiddenIds}
            />
            <CopyButton value={toTabs(cells)}>
              {({ copied, copy }) => (
                <Action weight="quiet" onClick={copy}>
                  {copied ? 'Copied' : 'Copy the table'}
                </Action>
              )}
            </CopyButton>
            <Action weight="quiet" onClick={() => saveText(toCsv(cells), `${campaign.name} ${point}.csv`, 'text/csv')}>
              Save it as CSV
            </Action>
            <SaveWorkbook campaign={campaign} results={cells} models={models} />
            <ActionLink weight="quiet" to={`/api/campaigns/${campaign.id}/export`} reloadDocument download>
              Save all runs as JSON
            </ActionLink>
          </div>
          <StandardAir rows={rows} onShow={showWorking} />
          {results.rigs.length > 1 && (
            <RigMatrix campaignId={campaign.id} throttleRatio={throttleRatio} point={point} models={models} />
          )}
        </>
      )}
      <RunList
        runs={campaign.runs}
        models={models}
        rows={rows}
        propModelId={inHand?.id ?? null}
        rigs={results.rigs}
        to={to}
      />
      {workingKey !== null && (
        <Working
          campaign={campaign}
          throttleRatio={throttleRatio}
          kitId={results.kitId}
          workingKey={workingKey}
          models={models}
          onClose={() => showWorking(null)}
        />
      )}
    </StationPage>
  );
}

/** Full-throttle thrust reduced to standard air, for comparing evenings. */
function StandardAir({ rows, onShow }: { rows: ResultRow[]; onShow: (key: string) => void }) {
  const format = useFormat();
  const known = rows.filter((r) => r.result.standardThrust !== null);
  if (known.length === 0) return null;
  return (
    <p className={classes.standard}>
      <span className="muted">Full throttle in standard air, 1.225 kg/m³: </span>
      {known.map((r) => (
        <button key={r.id} type="button" onClick={() => onShow(r.result.standardThrust!.working!)}>
          {r.name} {format.quantity(r.result.standardThrust!.value, 'force').text}
        </button>
      ))}
    </p>
  );
}

interface WorkingProps {
  campaign: CampaignDetailView;
  throttleRatio: number;
  kitId: string | null;
  workingKey: string;
  models: PropModelView[];
  onClose: () => void;
}

function Working({ campaign, throttleRatio, kitId, workingKey, models, onClose }: WorkingProps) {
  const { to } = useInHand();
  const { currentData, error } = useWorkingQuery({ id: campaign.id, throttleRatio, kitId, key: workingKey });
  const model = models.find((m) => workingKey.startsWith(m.id));
  const ordinals = new Set((currentData?.inputs ?? []).map((i) => /^run\.(\d+)\./.exec(i.what)?.[1]));
  const sources = campaign.runs
    .filter(
      (run) =>
        run.propModelId === model?.id &&
        run.kitId === kitId &&
        run.replacedByRunId === null &&
        ordinals.has(String(run.ordinal)),
    )
    .map(({ id, ordinal, recordingId }) =>
      recordingId === null
        ? { label: `Run ${ordinal}: its rows`, to: to(`/stand/runs/${id}`) }
        : { label: `Run ${ordinal}: every sample`, to: to(`/stand/runs/${id}/readings`) },
    );
  return (
    <WorkingDrawer
      working={currentData ?? null}
      error={error}
      subject={model ? propModelName(model) : ''}
      sources={sources}
      onClose={onClose}
    />
  );
}
