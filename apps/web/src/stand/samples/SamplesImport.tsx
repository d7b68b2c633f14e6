import { Checkbox, NumberInput } from '@mantine/core';
import type { CampaignDetailView, CraftView, ImportRecipeView, PackPieceView, PropModelView } from '@zivvo/contract';
import { runDoubts, standQuantities, standQuantityNames } from '@zivvo/core';
import { doubtSentence, formatNumber, quantityNames, sampleFaultSentence } from '@zivvo/words';
import { useEffect, useRef, useState } from 'react';
import { v7 } from 'uuid';
import {
  useBeginSamplesMutation,
  useGiveUpSamplesMutation,
  useKeepSamplesMutation,
} from '../../shared/api/standApi.ts';
import { useFormat } from '../../shared/format/useFormat.ts';
import { useGo, useInHand } from '../../shared/inHand/useInHand.ts';
import table from '../../shared/table/Table.module.css';
import { Action, ActionLink } from '../../shared/ui/Action.tsx';
import { ProblemNote } from '../../shared/ui/PageStates.tsx';
import { SaidList } from '../../shared/ui/ReasonList.tsx';
import { StationPage } from '../../shared/ui/StationPage.tsx';
import { toldShares } from '../../shared/worker/toldShares.ts';
import { WorkRefusal } from '../../shared/worker/workProblem.ts';
import { readAside, recipeHeaderOf } from '../runGrid.ts';
import { RunSubjectFields, type RunSubject } from '../RunSubjectFields.tsx';
import { ColumnMap } from './ColumnMap.tsx';
import classes from './Samples.module.css';
import {
  isReadable,
  lacksOf,
  mappingOf,
  readingsOf,
  recipeColumns,
  rememberedMapping,
  samplesProblem,
} from './samplesView.ts';
import type { SamplesMapping, SamplesPreview, SamplesReport } from './samplesWork.ts';
import { useSamplesWork } from './useSamplesWork.ts';

interface SamplesImportProps {
  file: File;
  campaign: CampaignDetailView;
  craft: CraftView | undefined;
  models: readonly PropModelView[];
  packs: readonly PackPieceView[];
  recipes: readonly ImportRecipeView[];
  onOther: () => void;
}

/** What is under way, and how far it has come. */
interface Work {
  kind: 'reading' | 'saving';
  share: number;
}

/**
 * A logger's file: columns said, every row read by a worker, steps found, samples and run kept together or not at
 * all.
 */
export function SamplesImport({ file, campaign, craft, models, packs, recipes, onOther }: SamplesImportProps) {
  const format = useFormat();
  const go = useGo();
  const { propModelId, to } = useInHand();
  const work = useSamplesWork();
  const [begin] = useBeginSamplesMutation();
  const [keep, keeping] = useKeepSamplesMutation();
  const [giveUp] = useGiveUpSamplesMutation();
  const [preview, setPreview] = useState<SamplesPreview | null>(null);
  const [mapping, setMapping] = useState<SamplesMapping | null>(null);
  const [isRemembered, setRemembered] = useState(false);
  const [report, setReport] = useState<SamplesReport | null>(null);
  const [under, setUnder] = useState<Work | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [isKeptDoubted, setKeptDoubted] = useState(false);
  const [runId] = useState(() => v7());
  const [subject, setSubject] = useState<RunSubject>({
    propModelId: propModelId ?? '',
    kitId: null,
    packId: '',
    restingCell: '',
  });

  const during = async (
    kind: Work['kind'],
    what: (onShare: (share: number) => void) => Promise<void>,
  ): Promise<void> => {
    setUnder({ kind, share: 0 });
    setProblem(null);
    const shares = toldShares((share) => setUnder({ kind, share }));
    try {
      await what(shares.tell);
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setProblem(samplesProblem(error.problem));
    } finally {
      shares.end();
      setUnder(null);
    }
  };
  const read = (said: SamplesMapping): Promise<void> =>
    during('reading', async (onShare) => setReport(await work.ask((w) => w.read(file, said, onShare))));
  const change = (next: SamplesMapping): void => {
    setMapping(next);
    setReport(null);
    setKeptDoubted(false);
  };
  const open = useRef(async (): Promise<void> => {
    try {
      const found = await work.ask((w) => w.preview(file));
      const guessed = mappingOf(found);
      const known = rememberedMapping(found, recipes, guessed);
      setPreview(found);
      setMapping(known ?? guessed);
      setRemembered(known !== null);
      if (lacksOf(known ?? guessed).length === 0) await read(known ?? guessed);
    } catch (error) {
      if (!(error instanceof WorkRefusal)) throw error;
      setProblem(samplesProblem(error.problem));
    }
  });
  useEffect(() => void open.current(), []);
  /** The import that is under way on the server: whoever leaves gives it up. */
  const begunId = useRef<string | null>(null);
  const leave = useRef(() => {
    if (begunId.current !== null) void giveUp(begunId.current);
    begunId.current = null;
  });
  useEffect(() => () => leave.current(), []);

  const lacks = mapping ? lacksOf(mapping) : [];
  const prop = models.find((m) => m.id === subject.propModelId);
  const aside = readAside({ restingCell: subject.restingCell, zeroBefore: '', zeroAfter: '' }, format.choices);
  const doubts =
    report && prop
      ? runDoubts(
          report.steps.map((s) => s.step),
          { diameterM: prop.measuredDiameterM ?? prop.diameterM, densityKgPerM3: campaign.densityKgPerM3 },
        )
      : [];
  const obstacles = [
    ...lacks,
    ...(report && !prop ? ['Say which prop this run is of.'] : []),
    ...Object.values(aside.problems),
    ...(doubts.length > 0 && !isKeptDoubted
      ? ['These readings cannot be: change a unit, or keep them all the same.']
      : []),
  ];
  const canKeep = report !== null && isReadable(report) && obstacles.length === 0 && under === null;

  const onKeep = (): Promise<void> =>
    during('saving', async (onShare) => {
      // Made anew at each try: what an earlier one left behind is cleared away.
      const id = v7();
      const quantities = report!.columns.map((c) => c.quantity);
      const begun = await begin({ id, campaignId: campaign.id, quantities });
      if (begun.error) throw refusalOf(begun.error);
      begunId.current = id;
      try {
        await work.ask((w) => w.save(`/api/sample-imports/${id}/samples`, onShare));
      } catch (error) {
        leave.current();
        throw error;
      }
      const packPieceId = subject.packId === '' ? null : subject.packId;
      const run = {
        ...readingsOf(report!, mapping!, aside.restingCellV, packPieceId),
        id: runId,
        propModelId: subject.propModelId,
      };
      const recipe = preview!.hasHeader
        ? { header: recipeHeaderOf(preview!.names), columns: recipeColumns(mapping!) }
        : null;
      const kept = await keep({ id, body: { runs: [run], kitId: subject.kitId, blobSha256: null, recipe } });
      if (kept.error) return leave.current();
      begunId.current = null;
      go(`/stand/runs/${runId}`, { propModelId: subject.propModelId });
    });
  const stop = (): void => {
    // What was read goes with the worker that read it.
    work.stop();
    setReport(null);
  };

  return (
    <StationPage
      eyebrow={`Stand · ${campaign.name} · ${file.name}`}
      headline={headlineOf(file, under, report, problem)}
      detail={detailOf(report, isRemembered)}
      reasons={
        <SaidList
          said={[
            ...obstacles.map((text) => ({ severity: 'action' as const, text, key: text })),
            ...(report?.faults ?? []).map((fault) => ({
              severity: isReadable({ ...report!, faults: [fault] }) ? ('caution' as const) : ('danger' as const),
              text: sampleFaultSentence(fault, format.choices),
              key: JSON.stringify(fault),
            })),
            ...doubts.map((doubt) => ({ severity: 'danger' as const, text: doubtSentence(doubt), key: doubt.code })),
            ...(report?.unreadable
              ? [
                  {
                    severity: 'caution' as const,
                    text:
                      `${formatNumber(report.unreadable.count, 0)} ` +
                      `${report.unreadable.count === 1 ? 'cell is' : 'cells are'} no number and stay open, the ` +
                      `first in row ${formatNumber(report.unreadable.row, 0)}: “${report.unreadable.text}”.`,
                    key: 'unreadable',
                  },
                ]
              : []),
            ...(report && isReadable(report)
              ? [
                  {
                    severity: 'note' as const,
                    text:
                      'Each step is the mean once the thrust has settled; rests before and after are taken as ' +
                      'the zero of the scale. All samples are kept beside the run.',
                    key: 'steps',
                  },
                ]
              : []),
          ]}
        />
      }
      actions={
        <>
          {under !== null ? (
            <Action weight="main" onClick={stop}>
              Stop
            </Action>
          ) : report === null ? (
            <Action weight="main" disabled={mapping === null || lacks.length > 0} onClick={() => void read(mapping!)}>
              Read all rows
            </Action>
          ) : (
            <Action weight="main" disabled={!canKeep} onClick={() => void onKeep()}>
              Keep run
            </Action>
          )}
          <Action disabled={under?.kind === 'saving'} onClick={onOther}>
            Another file
          </Action>
          <ActionLink to={to(`/stand/${campaign.id}`)}>Cancel</ActionLink>
        </>
      }
    >
      <ProblemNote error={keeping.error} />
      {problem !== null && <p role="alert">{problem}</p>}
      {under !== null && (
        <div
          className={classes.progress}
          role="progressbar"
          aria-label={under.kind === 'reading' ? 'Reading' : 'Saving'}
          aria-valuenow={Math.round(100 * under.share)}
        >
          <span style={{ width: `${100 * under.share}%` }} />
        </div>
      )}
      {/* What is under way is of these entries: they stay as they are until it is over. */}
      <fieldset disabled={under !== null} className={classes.entries}>
        {mapping && (
          <RunSubjectFields
            subject={subject}
            onChange={setSubject}
            models={models}
            packs={packs}
            craft={craft}
            restingCellProblem={aside.problems.restingCell}
          />
        )}
        {report && report.steps.length > 0 && <Steps report={report} />}
        {preview && mapping && (
          <>
            <ColumnMap preview={preview} mapping={mapping} summaries={report?.columns ?? []} onChange={change} />
            {mapping.columns.some((c) => c.quantity === 'speedRpm') && (
              <NumberInput
                label="Pole pairs, where the turns are electrical ones"
                description="1 where the column counts turns of the shaft"
                value={mapping.polePairs}
                min={1}
                max={40}
                allowDecimal={false}
                style={{ maxWidth: 340 }}
                onChange={(value) => change({ ...mapping, polePairs: Math.min(40, Math.max(1, Number(value) || 1)) })}
              />
            )}
          </>
        )}
      </fieldset>
      {doubts.length > 0 && (
        <Checkbox
          checked={isKeptDoubted}
          onChange={(e) => setKeptDoubted(e.currentTarget.checked)}
          label="Keep it all the same: it is stored, and does not count"
        />
      )}
    </StationPage>
  );
}

function Steps({ report: { steps } }: { report: SamplesReport }) {
  const { quantity: format } = useFormat();
  const shown = standQuantityNames.filter((q) => steps.some((s) => s.step[q] !== null));
  return (
    <div className={`${table.sheet} ${classes.steps}`}>
      <table className={table.table} aria-label="Steps found">
        <thead>
          <tr>
            <th data-right>From</th>
            <th data-right>Settled</th>
            <th data-right>To</th>
            {shown.map((q) => (
              <th key={q} data-right>
                {quantityNames[q]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {steps.map((s) => (
            <tr key={s.fromS}>
              {[s.fromS, s.settledFromS, s.toS].map((at, i) => (
                <td key={i} data-right>{`${formatNumber(at, 1)}\u202fs`}</td>
              ))}
              {shown.map((q) => (
                <td key={q} data-right>
                  {s.step[q] === null ? '' : format(s.step[q], standQuantities[q]).text}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function headlineOf(file: File, under: Work | null, report: SamplesReport | null, problem: string | null): string {
  if (under) return `${under.kind === 'reading' ? 'Reading' : 'Saving'}… ${formatNumber(100 * under.share, 0)} %`;
  if (report === null)
    return problem === null ? `What do the columns of ${file.name} hold?` : `${file.name} is not read`;
  const rows = `${formatNumber(report.rowCount, 0)} rows`;
  if (!isReadable(report)) return `${rows} read: they cannot be kept like this`;
  const { length } = report.steps;
  return `${rows} read: ${length} ${length === 1 ? 'step' : 'steps'} found`;
}

function detailOf(report: SamplesReport | null, isRemembered: boolean): string | undefined {
  const parts = [
    report ? `${formatNumber(report.durationS, 1)} s of readings` : null,
    isRemembered ? 'columns read as the last time' : null,
  ].filter((part) => part !== null);
  return parts.length === 0 ? undefined : parts.join(' · ');
}

/** What the server refuses, as what a worker refuses is told. */
function refusalOf(error: unknown): WorkRefusal {
  const detail = (error as { data?: { detail?: string } }).data?.detail;
  return new WorkRefusal({ code: 'refused', what: detail ?? 'Zivvo’s server does not answer', allowed: '' });
}
