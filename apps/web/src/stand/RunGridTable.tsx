import type { CellError, StandQuantity } from '@zivvo/core';
import { standQuantities, standQuantityNames, unitSymbols } from '@zivvo/core';
import { quantityNames, readingKindNames } from '@zivvo/words';
import { useId, useRef, type ClipboardEvent, type KeyboardEvent } from 'react';
import { useFormat } from '../shared/format/useFormat.ts';
import { parseDelimited } from '../shared/table/parseDelimited.ts';
import { cellErrorSentence, withAddedColumn, withCell, withColumn, withPasted, type RunGrid } from './runGrid.ts';
import classes from './RunGridTable.module.css';

interface RunGridTableProps {
  grid: RunGrid;
  errors: readonly CellError[];
  onChange: (grid: RunGrid, leftOverRows: number) => void;
  /** Headers as they stood in a file, above the mapping. */
  headers?: readonly string[];
  autoFocus?: boolean;
}

const MOST_SENTENCES = 6;

/** Throttle steps down, quantities across; made for the keyboard, for pasting, and for hands that hold a radio. */
export function RunGridTable({ grid, errors, onChange, headers, autoFocus = false }: RunGridTableProps) {
  const { choices } = useFormat();
  const id = useId();
  const body = useRef<HTMLTableSectionElement>(null);
  const errorAt = new Map(errors.map((e) => [`${e.row}/${e.column}`, e]));
  const columnName = (column: number): string => {
    const quantity = grid.columns[column]?.quantity;
    return quantity ? quantityNames[quantity].toLowerCase() : (headers?.[column] ?? `column ${column + 1}`);
  };
  const sentence = (e: CellError): string =>
    cellErrorSentence(e, columnName(e.column), standQuantities[e.quantity], choices);
  const focus = (row: number, column: number): void =>
    body.current?.rows[row]?.querySelectorAll('input')[column]?.focus();

  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>, row: number, column: number): void => {
    const input = event.currentTarget;
    const atStart = input.selectionStart === 0 && input.selectionEnd === 0;
    const atEnd = input.selectionStart === input.value.length && input.selectionEnd === input.value.length;
    const isWhole = input.selectionStart === 0 && input.selectionEnd === input.value.length;
    const target =
      event.key === 'ArrowDown' || (event.key === 'Enter' && !event.shiftKey)
        ? [row + 1, column]
        : event.key === 'ArrowUp' || event.key === 'Enter'
          ? [row - 1, column]
          : event.key === 'ArrowLeft' && (atStart || isWhole)
            ? [row, column - 1]
            : event.key === 'ArrowRight' && (atEnd || isWhole)
              ? [row, column + 1]
              : null;
    if (!target) return;
    event.preventDefault();
    focus(target[0]!, target[1]!);
  };
  const onPaste = (event: ClipboardEvent<HTMLInputElement>, row: number, column: number): void => {
    const text = event.clipboardData.getData('text');
    if (!/[\t\n;]/.test(text.trim())) return;
    event.preventDefault();
    const { grid: next, leftOverRows } = withPasted(grid, row, column, parseDelimited(text));
    onChange(next, leftOverRows);
  };
  const set = (next: RunGrid): void => onChange(next, 0);

  return (
    <div>
      <div className={classes.scroll}>
        <table className={classes.grid}>
          <thead>
            {headers && (
              <tr className={classes.headers}>
                <th />
                {headers.map((h, i) => (
                  <th key={i} title={h}>
                    {h}
                  </th>
                ))}
              </tr>
            )}
            <tr>
              <th className={classes.corner}>
                <span className="visually-hidden">Step</span>
              </th>
              {grid.columns.map((c, i) => (
                <th key={i} data-unknown={c.quantity === null}>
                  <select
                    aria-label={`Column ${i + 1} holds`}
                    value={c.quantity ?? ''}
                    onChange={(e) =>
                      set(
                        withColumn(
                          grid,
                          i,
                          { quantity: e.target.value === '' ? null : (e.target.value as StandQuantity) },
                          headers === undefined,
                        ),
                      )
                    }
                  >
                    <option value="">left out</option>
                    {standQuantityNames.map((q) => (
                      <option key={q} value={q}>
                        {quantityNames[q]}
                      </option>
                    ))}
                  </select>
                  <span className={classes.sub}>
                    {c.quantity !== null && (
                      <select
                        aria-label={`Unit of ${columnName(i)}`}
                        aria-invalid={c.unitSymbol === ''}
                        value={c.unitSymbol}
                        onChange={(e) => set(withColumn(grid, i, { unitSymbol: e.target.value }))}
                      >
                        {c.unitSymbol === '' && <option value="">unit?</option>}
                        {unitSymbols(c.quantity).map((u) => (
                          <option key={u} value={u}>
                            {u}
                          </option>
                        ))}
                      </select>
                    )}
                    {c.quantity !== null && c.quantity !== 'throttleRatio' && (
                      <select
                        aria-label={`${columnName(i)} is`}
                        value={c.readingKind}
                        onChange={(e) =>
                          set(withColumn(grid, i, { readingKind: e.target.value as 'settledMean' | 'peakHold' }))
                        }
                      >
                        <option value="settledMean">{readingKindNames.settledMean}</option>
                        <option value="peakHold">{readingKindNames.peakHold}</option>
                      </select>
                    )}
                  </span>
                </th>
              ))}
              {headers === undefined && (
                <th className={classes.add}>
                  <button type="button" onClick={() => set(withAddedColumn(grid))} title="Add a quantity">
                    +<span className="visually-hidden"> add a quantity</span>
                  </button>
                </th>
              )}
            </tr>
          </thead>
          <tbody ref={body}>
            {grid.cells.map((cells, row) => (
              <tr key={row}>
                <th scope="row" className={classes.corner}>
                  {row + 1}
                </th>
                {grid.columns.map((c, column) => {
                  const error = errorAt.get(`${row}/${column}`);
                  return (
                    <td key={column} data-bad={error !== undefined} data-out={c.quantity === null}>
                      <input
                        aria-label={`Step ${row + 1}, ${columnName(column)}`}
                        aria-invalid={error !== undefined}
                        aria-describedby={error ? `${id}-${row}-${column}` : undefined}
                        title={error ? sentence(error) : undefined}
                        inputMode="decimal"
                        autoComplete="off"
                        autoFocus={autoFocus && row === 0 && column === 0}
                        value={cells[column] ?? ''}
                        onChange={(e) => set(withCell(grid, row, column, e.target.value))}
                        onKeyDown={(e) => onKeyDown(e, row, column)}
                        onPaste={(e) => onPaste(e, row, column)}
                        onFocus={(e) => e.target.select()}
                      />
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {errors.length > 0 && (
        <ul className={classes.errors} role="alert">
          {errors.slice(0, MOST_SENTENCES).map((e) => (
            <li key={`${e.row}/${e.column}`} id={`${id}-${e.row}-${e.column}`}>
              <button type="button" onClick={() => focus(e.row, e.column)}>
                {sentence(e)}
              </button>
            </li>
          ))}
          {errors.length > MOST_SENTENCES && <li>and {errors.length - MOST_SENTENCES} more.</li>}
        </ul>
      )}
    </div>
  );
}
