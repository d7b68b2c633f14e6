import { boreFits, looks, type BatchDetailView, type PieceView, type PropModelView } from '@zivvo/contract';
import { conditionOf, isRetiring, type CheckInFinding, type PropMaterial } from '@zivvo/core';
import { boreFitNames, lookNames } from '@zivvo/words';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { useParams } from 'react-router';
import { useCraftQuery } from '../shared/api/craftApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { readKept, writeKept } from '../shared/forms/kept.ts';
import { useBatchQuery, useMeasurePieceMutation } from '../shared/api/pieceApi.ts';
import { usePropModelQuery } from '../shared/api/rackApi.ts';
import { formatDay, useFormat, type Format } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';
import { ActionLink } from '../shared/ui/Action.tsx';
import actionClasses from '../shared/ui/Action.module.css';
import { HandArrow } from '../shared/ui/HandArrow.tsx';
import { ProblemNote, Ready } from '../shared/ui/PageStates.tsx';
import { propModelName } from '../shared/ui/propModelName.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { expectedFit, findingsByPiece, isSameRow, measuresOf, rowOf, type CheckInRow } from './checkInView.ts';
import classes from './DeliveryPage.module.css';

/** Checking a delivery in: one row a piece, written down as it is typed, hands never leaving the keyboard. */
export function Component() {
  const { batchId = '' } = useParams();
  const query = useBatchQuery(batchId);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(batch) => <Delivery batch={batch} key={batch.id} />}
    </Ready>
  );
}

function Delivery({ batch }: { batch: BatchDetailView }) {
  const { data: model } = usePropModelQuery(batch.propModelId);
  const { craftId, to } = useInHand();
  const { data: craft } = useCraftQuery(craftId ?? '', { skip: craftId === null });
  const format = useFormat();
  const left = batch.pieces.filter((p) => p.state === 'new').length;
  const fit = expectedFit(model?.boreDiameterM ?? null, craft?.shaftDiameterM ?? null);
  const name = model ? propModelName(model) : '';
  return (
    <StationPage
      eyebrow={`Rack · ${name}, ${formatDay(batch.createdAt)}`}
      headline={
        left === 0
          ? batch.pieceCount === 1
            ? `The one piece of ${name} is checked in`
            : `All ${batch.pieceCount} pieces of ${name} are checked in`
          : `${left} of ${batch.pieceCount} pieces still to check in`
      }
      detail="Weight, Enter, diameter, Enter; a letter for the bore, a letter for the look, and the next row is there."
      reasons={
        <Findings
          batch={batch}
          material={model?.material ?? 'unknown'}
          format={format}
          fitText={
            fit === null
              ? null
              : `By the numbers the bore ${boreFitNames[fit] === 'fits' ? 'fits' : boreFitNames[fit]} on ` +
                `${craft!.name}: ${format.millimetres(model!.boreDiameterM!)} over ` +
                `${format.millimetres(craft!.shaftDiameterM!)}. Try it and say what you feel.`
          }
        />
      }
      actions={
        <>
          <a
            className={actionClasses.action}
            data-weight={left === 0 ? 'main' : 'plain'}
            href={`/api/stickers?batchId=${batch.id}`}
            target="_blank"
            rel="noreferrer"
          >
            <span className={actionClasses.label}>Print stickers</span>
          </a>
          <ActionLink to={to('/rack/deliveries')}>Deliveries</ActionLink>
        </>
      }
    >
      <Grid batch={batch} model={model ?? null} />
    </StationPage>
  );
}

function findingText(finding: CheckInFinding, tag: string, format: Format): string {
  switch (finding.code) {
    case 'massOutlier':
      return (
        `${tag} weighs ${format.quantity(finding.massKg, 'mass', 2).text}, its batch ` +
        `${format.quantity(finding.medianKg, 'mass', 2).text}: look for a void or flash.`
      );
    case 'massTooCoarse':
      return (
        `${tag}: ${format.quantity(finding.massKg, 'mass', 2).text} is under five steps of ` +
        `${format.quantity(finding.resolutionKg, 'mass', 2).text}; this scale is too coarse.`
      );
    case 'diameterOutlier':
      return (
        `${tag} is ${format.quantity(finding.diameterM, 'length').text} across, its batch ` +
        `${format.quantity(finding.medianM, 'length').text}.`
      );
    case 'diameterOffLabel':
      return (
        `${tag} is ${format.quantity(finding.diameterM, 'length').text} across, the label says ` +
        `${format.quantity(finding.labelM, 'length').text}.`
      );
  }
}

function Findings({
  batch,
  material,
  format,
  fitText,
}: {
  batch: BatchDetailView;
  material: PropMaterial;
  format: Format;
  fitText: string | null;
}) {
  const tags = new Map(batch.pieces.map((p) => [p.id, p.tag]));
  const open = batch.pieces.filter((p) => p.boreFit === 'needsRing' || p.boreFit === 'needsReaming');
  const bad = batch.pieces.filter(
    (p) =>
      p.state !== 'retired' &&
      p.look !== null &&
      isRetiring(
        conditionOf({ material, isFolding: false, strike: 'none', look: p.look, openOutcome: null }, 'lenient').outcome,
      ),
  );
  const lines = [
    ...bad.map((p) => `${p.tag} has a ${lookNames[p.look!]}: it never flies. Retire it.`),
    ...batch.findings.map((f) => findingText(f, tags.get(f.id)!, format)),
    ...(open.length > 0
      ? [
          `${open.map((p) => p.tag).join(', ')}: fit the ring or ream before balancing. Both move the centre, ` +
            'and Zivvo refuses to balance them until then.',
        ]
      : []),
    ...(fitText === null ? [] : [fitText]),
  ];
  return lines.length === 0 ? (
    <p className="muted" style={{ margin: 0 }}>
      Nothing stands out yet. Four weights show which piece does not belong.
    </p>
  ) : (
    <ul className={classes.findings}>
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
}

const COLUMNS = ['mass', 'diameter', 'bore', 'look'] as const;
type Column = (typeof COLUMNS)[number];

function Grid({ batch, model }: { batch: BatchDetailView; model: PropModelView | null }) {
  const format = useFormat();
  const body = useRef<HTMLTableSectionElement>(null);
  const byPiece = findingsByPiece(batch.findings);
  const focusCell = (row: number, column: Column): void =>
    body.current?.querySelector<HTMLElement>(`[data-cell="${row}/${column}"]`)?.focus();
  const onward = (row: number, column: Column): void => {
    const next = COLUMNS[COLUMNS.indexOf(column) + 1];
    if (next) focusCell(row, next);
    else focusCell(row + 1, 'mass');
  };
  return (
    <div className={table.sheet}>
      <table className={`${table.table} ${table.cards}`}>
        <thead>
          <tr>
            <th>Tag</th>
            <th>Hand</th>
            <th>Weight, g</th>
            <th>{`Diameter, ${format.unit('length')}`}</th>
            <th>Bore</th>
            <th>Look and feel</th>
            <th>Written down</th>
          </tr>
        </thead>
        <tbody ref={body}>
          {batch.pieces.map((piece, row) => (
            <Row
              key={piece.id}
              piece={piece}
              row={row}
              labelM={model?.diameterM ?? null}
              isOdd={byPiece.has(piece.id)}
              isFirst={row === batch.pieces.findIndex((p) => p.state === 'new')}
              onOnward={onward}
              onStep={focusCell}
            />
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface RowProps {
  piece: PieceView;
  row: number;
  labelM: number | null;
  isOdd: boolean;
  isFirst: boolean;
  onOnward: (row: number, column: Column) => void;
  onStep: (row: number, column: Column) => void;
}

function Row({ piece, row, labelM, isOdd, isFirst, onOnward, onStep }: RowProps) {
  const format = useFormat();
  const keptAs = `check-in/${piece.id}`;
  const [cells, setCells] = useState<CheckInRow>(() => readKept<CheckInRow>(keptAs) ?? rowOf(piece, format.choices));
  const [measure, measuring] = useMeasurePieceMutation();
  const { ask, asking } = useAsking();
  const inTurn = useRef<Promise<unknown>>(Promise.resolve());
  const { bad } = measuresOf(cells, format.choices);
  const isWritten = isSameRow(cells, rowOf(piece, format.choices), format.choices);
  const write = (next: CheckInRow): void => {
    const read = measuresOf(next, format.choices);
    if (read.bad.length > 0 || isSameRow(next, rowOf(piece, format.choices), format.choices)) return;
    // One after another, so that the newest is the last to arrive.
    inTurn.current = inTurn.current
      .then(() => ask(() => measure({ id: piece.id, body: read.body }).unwrap()))
      .then(
        () => isSameRow(readKept<CheckInRow>(keptAs) ?? next, next, format.choices) && writeKept(keptAs, null),
        () => undefined,
      );
  };
  const set = (next: CheckInRow): void => {
    setCells(next);
    writeKept(keptAs, next);
  };
  const writeFirst = useRef(() => write(cells));
  // What a closed page could not hand over goes now.
  useEffect(() => writeFirst.current(), []);
  const onKeyDown = (column: Column) => (event: KeyboardEvent<HTMLElement>) => {
    if (event.key === 'Enter') {
      event.preventDefault();
      onOnward(row, column);
    } else if ((event.key === 'ArrowDown' || event.key === 'ArrowUp') && (column === 'mass' || column === 'diameter')) {
      event.preventDefault();
      onStep(row + (event.key === 'ArrowDown' ? 1 : -1), column);
    }
  };
  const number = (column: 'mass' | 'diameter', label: string, placeholder: string) => (
    <input
      data-cell={`${row}/${column}`}
      className={classes.cell}
      inputMode="decimal"
      autoComplete="off"
      autoFocus={isFirst && column === 'mass'}
      aria-label={`${piece.tag}, ${label}`}
      aria-invalid={bad.includes(column)}
      placeholder={placeholder}
      value={cells[column]}
      onChange={(e) => set({ ...cells, [column]: e.currentTarget.value })}
      onBlur={() => write(cells)}
      onKeyDown={onKeyDown(column)}
    />
  );
  const choice = <T extends string>(
    column: 'bore' | 'look',
    label: string,
    options: readonly T[],
    names: Record<T, string>,
  ) => (
    <select
      data-cell={`${row}/${column}`}
      className={classes.choice}
      aria-label={`${piece.tag}, ${label}`}
      value={cells[column]}
      onChange={(e) => {
        const next = { ...cells, [column]: e.currentTarget.value };
        set(next);
        write(next);
        if (e.currentTarget.value !== '') onOnward(row, column);
      }}
      onKeyDown={onKeyDown(column)}
    >
      <option value="">–</option>
      {options.map((o) => (
        <option key={o} value={o}>
          {names[o]}
        </option>
      ))}
    </select>
  );
  return (
    <tr style={{ cursor: 'default' }} data-odd={isOdd}>
      <td className="mono" data-head>
        <strong>{piece.tag}</strong> {isOdd && <span className={classes.odd}>stands out</span>}
      </td>
      <td>
        <HandArrow hand={piece.hand} />
      </td>
      <td data-label="Weight, g">{number('mass', 'weight', '0.00')}</td>
      <td data-label={`Diameter, ${format.unit('length')}`}>
        {number('diameter', 'diameter', labelM === null ? '' : format.quantity(labelM, 'length').number)}
      </td>
      <td data-label="Bore">{choice('bore', 'bore', boreFits, boreFitNames)}</td>
      <td data-label="Look and feel">{choice('look', 'look', looks, lookNames)}</td>
      <td>
        {asking.status === 'waiting' ? (
          <span className={classes.bad} role="status">
            waits for the server
          </span>
        ) : measuring.isError ? (
          <ProblemNote error={measuring.error} />
        ) : bad.length > 0 ? (
          <span className={classes.bad}>{`${bad.includes('mass') ? 'weight' : 'diameter'}: not a size of a prop`}</span>
        ) : measuring.isLoading ? (
          <span className="muted">writing…</span>
        ) : isWritten ? (
          <span className="muted">
            {piece.state === 'new' ? (piece.massKg === null ? '' : 'bore and look?') : 'checked in'}
          </span>
        ) : (
          <span className="muted">…</span>
        )}
      </td>
    </tr>
  );
}
