import { createColumnHelper } from '@tanstack/react-table';
import {
  criteria,
  figureDimension,
  responseFigures,
  type ComparedFigure,
  type CraftKind,
  type PointFigure,
  type PointName,
  type ResponseFigure,
} from '@zivvo/core';
import { figureNames, formatDifference, formatShare } from '@zivvo/words';
import { useMemo } from 'react';
import { useFormat, type Format } from '../shared/format/useFormat.ts';
import { SortedHead } from '../shared/table/SortedHead.tsx';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { useSortedGrid } from '../shared/table/useSortedGrid.ts';
import table from '../shared/table/Table.module.css';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { EvidenceDot } from '../shared/ui/EvidenceDot.tsx';
import { comparedFigureName, type ResultRow } from './resultsView.ts';
import classes from './ResultsTable.module.css';

interface ResultsTableProps {
  kind: CraftKind;
  rows: ResultRow[];
  point: PointName;
  /** Columns, in their order. */
  figures: readonly PointFigure[];
  marked: readonly string[];
  inHandId: string | null;
  /** Figure that a reason points at. */
  pointedKey: string | null;
  onOpen: (row: ResultRow) => void;
  onMark: (row: ResultRow) => void;
  onHide: (row: ResultRow) => void;
  onShow: (key: string, row: ResultRow) => void;
}

const SHOWN: readonly PointFigure[] = [
  'thrustN',
  'speedRpm',
  'currentA',
  'voltageV',
  'powerW',
  'thrustPerCurrentNPerA',
  'thrustPerPowerNPerW',
];
const RESPONSE = Object.keys(responseFigures) as ResponseFigure[];
/** What is looked at at each point. */
export const shownFigures = (point: PointName): readonly PointFigure[] => (point === 'response' ? RESPONSE : SHOWN);
const SHORT: Partial<Record<PointFigure, string>> = { thrustPerCurrentNPerA: '', thrustPerPowerNPerW: '' };

const DIFFERENCE: Record<PointName, string> = {
  full: 'Thrust to ref.',
  hover: 'Power to ref.',
  chosen: 'Thrust to ref.',
  response: 'Time to ref.',
};

const column = createColumnHelper<ResultRow>();

/** Every prop at one point of its curve, sorted by any figure; a second column joins with shift. */
export function ResultsTable({
  kind,
  rows,
  point,
  figures,
  marked,
  inHandId,
  pointedKey,
  onOpen,
  onMark,
  onHide,
  onShow,
}: ResultsTableProps) {
  const format = useFormat();
  const columns = useMemo(
    () => [
      column.accessor('name', { header: 'Prop', sortDescFirst: false }),
      ...figures.map((figure) =>
        column.accessor((r) => r.figures[figure]?.figure.value, {
          id: figure,
          header: heading(figure, format),
          sortUndefined: 'last',
          sortDescFirst: true,
        }),
      ),
      column.accessor((r) => r.figures[comparedFigureName(point)]?.differenceRatio ?? undefined, {
        id: 'difference',
        header: DIFFERENCE[point],
        sortUndefined: 'last',
        sortDescFirst: true,
      }),
      column.accessor((r) => r.hover?.figure.value, {
        id: 'hover',
        header: kind === 'plane' ? 'Cruise at' : 'Hover at',
        sortUndefined: 'last',
        sortDescFirst: false,
      }),
    ],
    [format, point, kind, figures],
  );
  const grid = useSortedGrid(rows, columns, (r) => r.id);
  const shown = grid.getRowModel().rows;
  const rowKeys = useRowKeys({
    onOpen: (i) => onOpen(shown[i]!.original),
    onMark: (i) => onMark(shown[i]!.original),
    onHide: (i) => onHide(shown[i]!.original),
  });
  const figureCell = (row: ResultRow, figure: ComparedFigure | undefined, text: string) =>
    figure && figure.figure.working !== null ? (
      <button
        type="button"
        className={classes.figure}
        data-pointed={figure.figure.working === pointedKey}
        onClick={(e) => (e.stopPropagation(), onShow(figure.figure.working!, row))}
        title="Show the working"
      >
        {text}
      </button>
    ) : (
      text
    );
  return (
    <div className={table.sheet}>
      <table className={`${table.table} ${classes.results}`}>
        <SortedHead grid={grid} />
        <tbody {...rowKeys}>
          {shown.map(({ original: row, id }) => {
            const compared = row.figures[comparedFigureName(point)];
            return (
              <tr key={id} tabIndex={0} data-chosen={row.id === inHandId} onClick={() => onOpen(row)}>
                <td>
                  <span className={classes.prop}>
                    {row.model && (
                      <BladeGlyph
                        size={28}
                        diameterM={row.model.diameterM}
                        pitchM={row.model.pitchM}
                        bladeCount={row.model.bladeCount}
                        tipShape={row.model.tipShape}
                      />
                    )}
                    <span>
                      <span className={classes.name}>
                        <EvidenceDot mark={compared?.figure.mark ?? 'measured'} origin={row.result.origin} />
                        <strong>{row.name}</strong>
                      </span>
                      <span className={classes.sub}>
                        {row.isReference && 'reference · '}
                        {marked.includes(row.id) && 'marked · '}
                        {row.result.countedRunIds.length === 1 ? '1 run' : `${row.result.countedRunIds.length} runs`}
                        {row.result.leftOut.length > 0 && `, ${row.result.leftOut.length} not counted`}
                        {row.breaches.length > 0 && (
                          <b className={classes.breach}>{` · over ${row.breaches.join(', ')}`}</b>
                        )}
                      </span>
                    </span>
                  </span>
                </td>
                {figures.map((figure) => {
                  const cell = row.figures[figure];
                  const isOver =
                    (figure === 'currentA' && row.breaches.some((b) => b === 'ESC' || b === 'motor')) ||
                    (figure === 'speedRpm' && row.breaches.includes('maker’s rpm'));
                  return (
                    <td key={figure} data-right className={isOver && point === 'full' ? classes.over : undefined}>
                      {cell
                        ? figureCell(row, cell, format.quantity(cell.figure.value, cell.figure.dimension).number)
                        : '–'}
                    </td>
                  );
                })}
                <td data-right>
                  {row.isReference ? (
                    <span className="muted">reference</span>
                  ) : (
                    <Difference
                      compared={compared}
                      isLessBetter={point === 'hover' || point === 'response'}
                      least={LEAST_MATTER[point]}
                    />
                  )}
                </td>
                <td data-right>
                  {row.hover ? (
                    figureCell(row, row.hover, formatShare(row.hover.figure.value))
                  ) : row.result.canHover === false ? (
                    <b className={classes.breach}>cannot</b>
                  ) : (
                    '–'
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function heading(figure: PointFigure, format: Format): string {
  const unit = format.unit(figureDimension(figure));
  return SHORT[figure] === '' ? unit : `${figureNames[figure]} ${unit}`;
}

/** Under this a difference is real and matters to nobody, as Judge takes it where nobody says otherwise. */
const LEAST_MATTER: Record<PointName, number> = {
  full: criteria.thrust.smallestDifference,
  chosen: criteria.thrust.smallestDifference,
  hover: criteria.minutes.smallestDifference,
  response: criteria.answer.smallestDifference,
};

/** A difference with its ±; grey when it is inside it, or too small for anybody. */
function Difference({
  compared,
  isLessBetter,
  least,
}: {
  compared: ComparedFigure | undefined;
  isLessBetter: boolean;
  least: number;
}) {
  if (!compared || compared.differenceRatio === null) return <>–</>;
  const { comparison, differenceRatio, differenceHalfWidthRatio } = compared;
  const isBetter = comparison === (isLessBetter ? 'less' : 'more');
  const isSure = comparison === 'more' || comparison === 'less';
  const isSlight = isSure && Math.abs(differenceRatio) + (differenceHalfWidthRatio ?? Infinity) < least;
  const tone = !isSure || isSlight ? undefined : isBetter ? classes.better : classes.worse;
  return (
    <span className={tone}>
      {formatDifference(differenceRatio)}
      <span className={classes.sub}>
        {comparison === 'same'
          ? 'the same'
          : differenceHalfWidthRatio === null
            ? 'spread unknown'
            : `± ${formatShare(differenceHalfWidthRatio)}${isSlight ? ', too little to matter' : ''}`}
      </span>
    </span>
  );
}
