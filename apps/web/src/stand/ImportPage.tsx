import { Checkbox, Textarea } from '@mantine/core';
import { useState } from 'react';
import { useParams } from 'react-router';
import { v7 } from 'uuid';
import { useCraftQuery } from '../shared/api/craftApi.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import { useCampaignQuery, useImportRecipesQuery, useImportRunsMutation } from '../shared/api/standApi.ts';
import { usePacksQuery, useStoreBlobMutation } from '../shared/api/workshopApi.ts';
import classes from '../shared/forms/Form.module.css';
import { useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import { parseDelimited, TEXT_MAX_LENGTH } from '../shared/table/parseDelimited.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { FileDrop } from '../shared/ui/FileDrop.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { DoubtItems } from './DoubtItems.tsx';
import {
  doubtsOf,
  gridFromTable,
  readAside,
  readGrid,
  toReadings,
  type ImportedTable,
  type RunGrid,
} from './runGrid.ts';
import { RunGridTable } from './RunGridTable.tsx';
import { RunSubjectFields, type RunSubject } from './RunSubjectFields.tsx';
import { SamplesImport } from './samples/SamplesImport.tsx';

interface Source {
  name: string;
  text: string;
  table: ImportedTable;
}

/** A run from a file or a paste: headers mapped, every cell looked at, nothing saved before all of it reads. */
export function Component() {
  const { campaignId = '' } = useParams();
  const format = useFormat();
  const go = useGo();
  const { propModelId, to } = useInHand();
  const campaign = useCampaignQuery(campaignId);
  const { data: models } = usePropModelsQuery();
  const { data: shelf } = usePacksQuery();
  const packs = shelf?.items ?? [];
  const { data: remembered, isLoading: areRecipesComing } = useImportRecipesQuery();
  const recipes = remembered?.items ?? [];
  const [store, storing] = useStoreBlobMutation();
  const [importRuns, importing] = useImportRunsMutation();
  const [runId, setRunId] = useState(() => v7());
  const [source, setSource] = useState<Source | null>(null);
  const [note, setNote] = useState<string | null>(null);
  const [subject, setSubject] = useState<RunSubject>({
    propModelId: propModelId ?? '',
    kitId: null,
    packId: '',
    restingCell: '',
  });
  /** A logger's file: too long to be a table of steps. */
  const [samples, setSamples] = useState<File | null>(null);
  const { data: craft } = useCraftQuery(campaign.data?.craftId ?? '', { skip: !campaign.data });
  const [isKeptDoubted, setKeptDoubted] = useState(false);
  const items = models?.items ?? [];
  const { propModelId: propId, kitId, packId, restingCell } = subject;
  const reading = source && readGrid(source.table.grid);
  const aside = readAside({ restingCell, zeroBefore: '', zeroAfter: '' }, format.choices);
  const obstacles = [
    ...(reading?.obstacles ?? []),
    ...Object.values(aside.problems),
    ...(propId === '' ? ['Say which prop this run is of.'] : []),
  ];
  if (source && source.table.leftOverRows > 0)
    obstacles.push(`${source.table.leftOverRows} rows are too many: a run has at most 120 steps.`);

  const prop = items.find((m) => m.id === propId);
  const doubts =
    reading && campaign.data && prop
      ? doubtsOf(reading, source.table.grid, {
          diameterM: prop.measuredDiameterM ?? prop.diameterM,
          densityKgPerM3: campaign.data.densityKgPerM3,
        })
      : [];
  if (doubts.length > 0 && !isKeptDoubted)
    obstacles.push(
      'These readings cannot be: change a unit above its column, or say that they are to be kept all the same.',
    );
  const recipe =
    source &&
    recipes.find(
      (r) =>
        r.header === source.table.recipeHeader &&
        r.columns.length === source.table.grid.columns.length &&
        JSON.stringify(r.columns) !== JSON.stringify(source.table.grid.columns),
    );
  const unknown = source
    ? source.table.headers.filter(
        (h, i) => source.table.unknown.includes(h) && source.table.grid.columns[i]?.quantity === null,
      )
    : [];
  const setGrid = (grid: RunGrid): void => {
    setKeptDoubted(false);
    if (source) setSource({ ...source, table: { ...source.table, grid } });
  };

  const take = (name: string, text: string): void => {
    const rows = parseDelimited(text);
    if (text.length > TEXT_MAX_LENGTH || rows.length === 0 || text.includes('\u0000')) {
      setNote(
        rows.length === 0
          ? `${name} holds no rows.`
          : `${name} is not a table that can be read here: plain text up to 5 MB is allowed.`,
      );
      return;
    }
    setNote(null);
    setKeptDoubted(false);
    setRunId(v7());
    setSource({ name, text, table: gridFromTable(rows) });
  };
  const takeFile = async (file: File): Promise<void> => {
    if (file.size > TEXT_MAX_LENGTH) return setSamples(file);
    const text = await file.text();
    if (gridFromTable(parseDelimited(text)).leftOverRows > 0) setSamples(file);
    else take(file.name, text);
  };
  const onKeep = async (): Promise<void> => {
    if (!source || !reading) return;
    const blob = await store({ bytes: new Blob([source.text]), name: source.name });
    if (!blob.data) return;
    const kept = await importRuns({
      campaignId,
      body: {
        runs: [{ ...toReadings(reading, aside, packId === '' ? null : packId), id: runId, propModelId: propId }],
        kitId,
        blobSha256: blob.data.sha256,
        recipe:
          source.table.recipeHeader === null
            ? null
            : { header: source.table.recipeHeader, columns: source.table.grid.columns },
      },
    });
    if (!kept.error) go(`/stand/${campaignId}`, { propModelId: propId });
  };

  // How these headers were read before is known before they are read again.
  if (samples && campaign.data && !areRecipesComing)
    return (
      <SamplesImport
        file={samples}
        campaign={campaign.data}
        craft={craft}
        models={items}
        packs={packs}
        recipes={recipes}
        onOther={() => setSamples(null)}
      />
    );
  return (
    <Ready query={campaign}>
      {(data) => (
        <StationPage
          eyebrow={`Stand · ${data.name}`}
          headline={
            source === null
              ? 'Drop a file, or paste a table'
              : obstacles.length === 0
                ? `${countWords(reading!.steps.length)} read, ready to keep`
                : `${countWords(reading!.steps.length)} read, not yet ready`
          }
          detail={
            source === null
              ? 'CSV, TSV or semicolons; decimal point or comma; steps, or all that a logger wrote. Nothing is ' +
                'saved before you keep it.'
              : source.name
          }
          reasons={
            <ul style={{ margin: 0, padding: 0, listStyle: 'none', display: 'grid', gap: 12 }}>
              {source !== null && obstacles.map((o) => <li key={o}>{o}</li>)}
              <DoubtItems doubts={doubts} />
              {recipe && (
                <li>
                  These headers were read before.{' '}
                  <Action onClick={() => setGrid({ ...source.table.grid, columns: recipe.columns })}>
                    Read them as then
                  </Action>
                </li>
              )}
              {unknown.length > 0 && (
                <li>{`Not known: ${unknown.slice(0, 6).join(', ')}. Map them above their column, or leave them out.`}</li>
              )}
              {source !== null && reading!.emptyRowCount > 0 && (
                <li>{`${reading!.emptyRowCount} rows are empty and left out.`}</li>
              )}
              {source === null && (
                <li>
                  Throttle and thrust are needed; speed, current, voltage, power, torque, temperature, shake and noise
                  are taken where they stand. Units in the headers are read: Thrust (g), Current [A].
                </li>
              )}
              {source !== null && obstacles.length === 0 && doubts.length === 0 && (
                <li>Every cell reads, and its figures can be. The file itself is stored beside the run.</li>
              )}
            </ul>
          }
          actions={
            <>
              <Action
                weight="main"
                disabled={source === null || obstacles.length > 0 || importing.isLoading || storing.isLoading}
                onClick={() => void onKeep()}
              >
                Keep run
              </Action>
              {source !== null && <Action onClick={() => setSource(null)}>Another file</Action>}
              <ActionLink to={to(`/stand/${campaignId}`)}>Cancel</ActionLink>
            </>
          }
        >
          <ProblemNote error={importing.error ?? storing.error} />
          {note !== null && <p role="alert">{note}</p>}
          {source === null ? (
            <div className={classes.form}>
              <FileDrop
                accept=".csv,.tsv,.txt,text/csv,text/plain,text/tab-separated-values"
                button="Choose a file"
                onFile={(f) => void takeFile(f)}
              >
                or drop it here
              </FileDrop>
              <Textarea
                label="Or paste the table"
                autosize
                minRows={6}
                maxRows={12}
                styles={{ input: { fontFamily: 'var(--font-mono)' } }}
                onPaste={(e) => take('pasted table', e.clipboardData.getData('text'))}
                onChange={(e) => e.currentTarget.value.includes('\n') && take('typed table', e.currentTarget.value)}
              />
            </div>
          ) : (
            <>
              <RunSubjectFields
                subject={subject}
                onChange={setSubject}
                models={items}
                packs={packs}
                craft={craft}
                restingCellProblem={aside.problems.restingCell}
              />
              <RunGridTable
                grid={source.table.grid}
                errors={reading!.errors}
                headers={source.table.headers}
                onChange={setGrid}
              />
              {doubts.length > 0 && (
                <Checkbox
                  checked={isKeptDoubted}
                  onChange={(e) => setKeptDoubted(e.currentTarget.checked)}
                  label="Keep it all the same: it is stored, and does not count"
                />
              )}
            </>
          )}
        </StationPage>
      )}
    </Ready>
  );
}

function countWords(count: number): string {
  return `${count} ${count === 1 ? 'step' : 'steps'}`;
}
