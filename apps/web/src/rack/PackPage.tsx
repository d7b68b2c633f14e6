import {
  packChemistries,
  PackPieceDto,
  type PackPieceView,
  type PackServiceView,
  type CreatePackPieceDto,
  type UpdatePackPieceDto,
} from '@zivvo/contract';
import { cellVoltages } from '@zivvo/core';
import { chemistryNames, formatNumber } from '@zivvo/words';
import { useParams } from 'react-router';
import { failureOf } from '../shared/api/api.ts';
import { usePropModelsQuery } from '../shared/api/rackApi.ts';
import {
  useAddPackMutation,
  usePackHistoryQuery,
  usePackRunsQuery,
  useLazyPacksQuery,
  usePacksQuery,
  useRemovePackMutation,
  useRestorePackMutation,
  useUpdatePackMutation,
} from '../shared/api/workshopApi.ts';
import { ChoiceField, CountField, NoteField, TextField } from '../shared/forms/Fields.tsx';
import classes from '../shared/forms/Form.module.css';
import { QuantityField } from '../shared/forms/QuantityField.tsx';
import { formatDay, useFormat } from '../shared/format/useFormat.ts';
import { useGo, useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { Action, ActionLink } from '../shared/ui/Action.tsx';
import { EmptyPage, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { PartHistory } from './PartHistory.tsx';
import piece from './PiecePage.module.css';
import { RackTabs } from './RackTabs.tsx';
import { usePartForm } from './usePartForm.ts';

/** One physical pack: the runs that it served, how deep it sagged, what was written down. */
export function Component() {
  const { packId } = useParams();
  const query = usePacksQuery();
  const { to } = useInHand();
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(packs) => {
        const pack = packs.items.find((p) => p.id === packId) ?? null;
        if (packId === undefined) return <NewPack />;
        if (pack === null)
          return (
            <EmptyPage title="No such pack" actions={<ActionLink to={to('/rack/parts')}>All parts</ActionLink>}>
              <p>It was taken off the list, or the address is of another workshop.</p>
            </EmptyPage>
          );
        return <Pack pack={pack} key={packId} />;
      }}
    </Ready>
  );
}

const CAUTION =
  'Charge and keep lithium packs on a fireproof surface, never unwatched; a puffed, dented or hot one is out ' +
  'of service. The maker’s sheet comes first.';

function NewPack() {
  const { to } = useInHand();
  const go = useGo();
  return (
    <StationPage
      eyebrow="Rack · Pack"
      headline="A pack gets its tag"
      tools={<RackTabs />}
      reasons={<p style={{ margin: 0 }}>{CAUTION}</p>}
      actions={<ActionLink to={to('/rack/parts')}>All parts</ActionLink>}
    >
      <PackForm pack={null} onDone={() => go('/rack/parts')} />
    </StationPage>
  );
}

function Pack({ pack }: { pack: PackPieceView }) {
  const { to } = useInHand();
  const go = useGo();
  const { data: service } = usePackRunsQuery(pack.id);
  const { data: history } = usePackHistoryQuery(pack.id);
  return (
    <StationPage
      eyebrow={`Rack · Pack ${pack.tag}`}
      headline={service ? headlineOf(pack, service) : 'working…'}
      detail={
        `${pack.seriesCount}S${pack.parallelCount}P ${chemistryNames[pack.chemistry]} · ` +
        `${pack.cycleCount === null ? 'charges not counted' : `${pack.cycleCount} charges`}`
      }
      tools={<RackTabs />}
      reasons={
        <>
          {service && <Record pack={pack} service={service} />}
          <p className="muted">{CAUTION}</p>
        </>
      }
      actions={<ActionLink to={to('/rack/parts')}>All parts</ActionLink>}
    >
      {service && <Runs service={service} />}
      <div className={piece.columns}>
        <PackForm
          key={pack.revision}
          pack={pack}
          onDone={() => go(`/rack/parts/packs/${pack.id}`)}
          onGone={() => go('/rack/parts')}
        />
        <PartHistory list={history} of={`pack ${pack.tag}`} />
      </div>
    </StationPage>
  );
}

function headlineOf(
  { tag }: PackPieceView,
  { record: { runCount, deepestSagCellV, overDrawnCount } }: PackServiceView,
): string {
  if (runCount === 0) return `Pack ${tag} has served no run yet`;
  const runs = `${tag} served ${runCount} ${runCount === 1 ? 'run' : 'runs'}`;
  if (overDrawnCount > 0) return `${runs} and was over-drawn in ${overDrawnCount}`;
  return deepestSagCellV === null
    ? `${runs}; no voltage was read`
    : `${runs} and sagged by ${formatNumber(deepestSagCellV, 2)} V a cell at most`;
}

/** What the runs add up to, in sentences. */
function Record({ pack, service: { record } }: { pack: PackPieceView; service: PackServiceView }) {
  const { emptyV, gateV } = cellVoltages[pack.chemistry];
  return (
    <div className={piece.record}>
      {record.lowestCellV !== null && (
        <p>
          {`Lowest under load: ${formatNumber(record.lowestCellV, 2)} V a cell; under ${formatNumber(emptyV, 2)} ` +
            'V this chemistry is over-drawn.'}
        </p>
      )}
      <Measured pack={pack} record={record} />
      <p>{`A run starts at ${formatNumber(gateV, 2)} V a cell or more at rest, or it is kept and does not count.`}</p>
    </div>
  );
}

/** A prediction is not worth changing for less than this. */
const TELLING_RATIO = 0.05;

/** What its runs say of its resistance, and taking that over: Pick and every prediction of its craft then use it. */
function Measured({ pack, record: { measured } }: { pack: PackPieceView; record: PackServiceView['record'] }) {
  const [update, { isLoading, error }] = useUpdatePackMutation();
  if (measured === null) return null;
  const { cellOhm, runCount } = measured;
  const text = (ohm: number): string => `${formatNumber(ohm * 1000, 1)}\u202fmΩ`;
  const known = pack.cellResistanceOhm;
  const isKnown = known !== null && Math.abs(known / cellOhm - 1) < TELLING_RATIO;
  const { tag, chemistry, seriesCount, parallelCount, capacityAh, cRating, cycleCount, note, revision } = pack;
  const body = { tag, chemistry, seriesCount, parallelCount, capacityAh, cRating, cycleCount, note, revision };
  return (
    <>
      <p>
        {`${runCount === 1 ? 'One run shows' : `The last ${runCount} runs show`} ${text(cellOhm)} a cell; `}
        {isKnown
          ? 'predictions use that.'
          : known === null
            ? 'predictions go by its label or its size.'
            : `predictions use ${text(known)}.`}
      </p>
      {!isKnown && (
        <Action
          disabled={isLoading}
          onClick={() => void update({ id: pack.id, body: { ...body, cellResistanceOhm: cellOhm } })}
        >{`Predict with ${text(cellOhm)}`}</Action>
      )}
      {error && <p role="alert">{failureOf(error).detail}</p>}
    </>
  );
}

function Runs({ service: { runs } }: { service: PackServiceView }) {
  const format = useFormat();
  const go = useGo();
  const { data: models } = usePropModelsQuery();
  const onOpen = (i: number): void => go(`/stand/runs/${runs[i]!.runId}`);
  const rowKeys = useRowKeys({ onOpen });
  if (runs.length === 0)
    return <p className="muted">Name this pack when a run is typed, imported or recorded, and the run stands here.</p>;
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>Run</th>
            <th>Prop</th>
            <th data-right>At rest, a cell</th>
            <th data-right>Lowest, a cell</th>
            <th data-right>Most current</th>
          </tr>
        </thead>
        <tbody {...rowKeys}>
          {runs.map((run, i) => {
            const model = models?.items.find((m) => m.id === run.propModelId);
            return (
              <tr key={run.runId} tabIndex={0} onClick={() => onOpen(i)}>
                <td>{`${formatDay(run.keptAt)}, ${run.campaignName}`}</td>
                <td>{model ? propModelName(model) : ''}</td>
                <td data-right>{run.restingCellV === null ? '–' : `${formatNumber(run.restingCellV, 2)} V`}</td>
                <td data-right>{run.loadedCellV === null ? '–' : `${formatNumber(run.loadedCellV, 2)} V`}</td>
                <td data-right>{format.quantityOrDash(run.maxCurrentA, 'current')}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

type PackForm = { [K in keyof Required<PackPieceDto>]: Required<PackPieceDto>[K] | null };
const blankPack: PackForm = {
  tag: '',
  chemistry: 'lipo',
  seriesCount: null,
  parallelCount: 1,
  capacityAh: null,
  cellResistanceOhm: null,
  cRating: null,
  cycleCount: null,
  note: null,
};

function PackForm({ pack, onDone, onGone }: { pack: PackPieceView | null; onDone: () => void; onGone?: () => void }) {
  const [add] = useAddPackMutation();
  const [update] = useUpdatePackMutation();
  const [reread] = useLazyPacksQuery();
  const [remove] = useRemovePackMutation();
  const [restore] = useRestorePackMutation();
  const { control, isBusy, notes, onSave, onRemove } = usePartForm<PackForm>({
    kind: 'pack',
    reread: async () => (await reread().unwrap()).items.find((p) => p.id === pack!.id)!,
    blank: blankPack,
    part: pack,
    Dto: PackPieceDto,
    onDone,
    onGone: () => onGone?.(),
    goneText: `Pack ${pack?.tag} was taken off the list.`,
    add: (body) => add(body as CreatePackPieceDto).unwrap(),
    update: (id, body) => update({ id, body: body as UpdatePackPieceDto }).unwrap(),
    remove: (id) => void remove(id),
    restore: (id) => void restore(id),
  });
  return (
    <form className={classes.form} noValidate onSubmit={onSave}>
      {notes}
      <fieldset className={classes.group}>
        <legend>{pack ? `Pack ${pack.tag}` : 'New pack'}</legend>
        <TextField control={control} name="tag" label="Tag" autoFocus={!pack} />
        <ChoiceField
          control={control}
          name="chemistry"
          label="Chemistry"
          choices={packChemistries.map((c) => ({ value: c, label: chemistryNames[c] }))}
        />
        <CountField control={control} name="seriesCount" label="Cells in series" />
        <CountField control={control} name="parallelCount" label="Cells in parallel" />
        <QuantityField control={control} name="capacityAh" label="Capacity" dimension="charge" />
        <QuantityField control={control} name="cellResistanceOhm" label="Resistance a cell" dimension="resistance" />
        <CountField control={control} name="cRating" label="C rating printed on it" />
        <CountField control={control} name="cycleCount" label="Charges so far" />
        <div className={classes.wide}>
          <NoteField control={control} name="note" label="Note" />
        </div>
        <div className={classes.wide} style={{ display: 'flex', gap: 10 }}>
          <Action type="submit" disabled={isBusy}>
            {pack ? 'Save pack' : 'Put on the list'}
          </Action>
          {pack && (
            <Action weight="danger" onClick={onRemove}>
              Delete
            </Action>
          )}
        </div>
      </fieldset>
    </form>
  );
}
