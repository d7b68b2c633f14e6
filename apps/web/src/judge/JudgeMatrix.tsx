import { createColumnHelper } from '@tanstack/react-table';
import type { PropModelView } from '@zivvo/contract';
import type { WishName } from '@zivvo/core';
import { limitWords, sourceNames, wishHeads, wishTold, wishWords } from '@zivvo/words';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { useInk } from '../shared/charts/useInk.ts';
import { useFormat } from '../shared/format/useFormat.ts';
import { useInHand } from '../shared/inHand/useInHand.ts';
import { SortedHead } from '../shared/table/SortedHead.tsx';
import table from '../shared/table/Table.module.css';
import { useRowKeys } from '../shared/table/useRowKeys.ts';
import { useSortedGrid } from '../shared/table/useSortedGrid.ts';
import { BladeGlyph } from '../shared/ui/BladeGlyph.tsx';
import { propMark } from '../shared/ui/propColour.ts';
import classes from './Judge.module.css';
import { bestText, differenceText, pathOf, valueText, widthText, type JudgeRow } from './judgeView.ts';
import { ScorePlot } from './ScorePlot.tsx';
import { SourceMark } from './SourceMark.tsx';

interface JudgeMatrixProps {
  rows: JudgeRow[];
  wishes: readonly WishName[];
  models: readonly PropModelView[];
  chosenId: string | null;
  onChoose: (id: string) => void;
  /** On paper nothing leads anywhere. */
  isFrozen?: boolean;
}

const column = createColumnHelper<JudgeRow>();

/** All that is known of the props: each figure against the reference, with where it comes from. */
export function JudgeMatrix({ rows, wishes, models, chosenId, onChoose, isFrozen = false }: JudgeMatrixProps) {
  const { isDark } = useInk();
  const columns = useMemo(
    () => [
      column.accessor('name', { header: 'Prop', sortDescFirst: false }),
      column.accessor((r) => r.standing?.score, {
        id: 'score',
        header: 'By the weights',
        sortUndefined: 'last',
        sortDescFirst: true,
      }),
      ...wishes.map((name) =>
        column.accessor((r) => r.contender.row[name]?.gain, {
          id: name,
          header: wishHeads[name],
          sortUndefined: 'last',
          sortDescFirst: true,
        }),
      ),
    ],
    [wishes],
  );
  const grid = useSortedGrid(rows, columns, (r) => r.id);
  const shown = grid.getRowModel().rows;
  const rowKeys = useRowKeys({ onOpen: (i) => onChoose(shown[i]!.id) });
  return (
    <div className={table.sheet}>
      <table className={`${table.table} ${classes.matrix}`} aria-label="Evidence">
        <SortedHead grid={grid} />
        <tbody {...rowKeys}>
          {shown.map(({ original: row, id }) => {
            const model = models.find((m) => m.id === id);
            const colour = row.isReference ? 'var(--ink)' : propMark(model?.seriesIndex ?? 0, isDark).colour;
            const [bar] = row.contender.bars;
            return (
              <tr
                key={id}
                tabIndex={0}
                data-chosen={id === chosenId}
                data-barred={bar !== undefined}
                onClick={() => onChoose(id)}
              >
                <td>
                  <span className={classes.prop}>
                    {model && (
                      <BladeGlyph
                        size={26}
                        bladeCount={model.bladeCount}
                        tipShape={model.tipShape}
                        diameterM={model.diameterM}
                        pitchM={model.pitchM}
                      />
                    )}
                    <span>
                      <strong>{row.name}</strong>
                      {row.isReference && <span className={classes.under}>the reference</span>}
                    </span>
                  </span>
                </td>
                <td data-right>
                  {row.standing ? (
                    <span className={classes.score}>
                      <ScorePlot row={row} rows={rows} colour={colour} />
                      <span className={classes.under}>{bestText(row.standing.bestShare)}</span>
                    </span>
                  ) : (
                    <span className={classes.barred}>{bar ? limitWords[bar.limit] : '–'}</span>
                  )}
                </td>
                {wishes.map((name) => (
                  <td key={name} data-right>
                    <Cell row={row} name={name} isFrozen={isFrozen} />
                  </td>
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function Cell({ row, name, isFrozen }: { row: JudgeRow; name: WishName; isFrozen: boolean }) {
  const format = useFormat();
  const { to } = useInHand();
  const cell = row.contender.row[name];
  if (!cell) return <span className="muted">open</span>;
  const { difference, source } = cell;
  const value = valueText(name, cell, format);
  const text = difference === null ? value : differenceText(name, difference.value, format);
  const isClear = difference !== null && Math.abs(difference.value) > difference.halfWidth;
  const said =
    difference === null
      ? `${wishWords[name]}: ${value}, ${sourceNames[source]}`
      : `${wishWords[name]}: ${value}, ${text} ${widthText(name, difference.halfWidth, format)}, ` +
        `${difference.value > 0 ? wishTold[name].more : wishTold[name].less}, ${sourceNames[source]}`;
  const content = (
    <>
      <span className={classes.figure} data-clear={isClear} data-better={cell.gain > 0}>
        <SourceMark source={source} isExtended={cell.isExtended} />
        {text}
      </span>
      {difference !== null && <span className={classes.under}>{widthText(name, difference.halfWidth, format)}</span>}
    </>
  );
  return isFrozen ? (
    <span title={said}>{content}</span>
  ) : (
    <Link
      className={classes.cell}
      to={to(pathOf(source, cell, row.id))}
      title={said}
      aria-label={said}
      onClick={(e) => e.stopPropagation()}
    >
      {content}
    </Link>
  );
}
