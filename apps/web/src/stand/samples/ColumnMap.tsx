import { standQuantities, standQuantityNames, type ColumnSummary } from '@zivvo/core';
import { quantityNames } from '@zivvo/words';
import { useFormat } from '../../shared/format/useFormat.ts';
import table from '../../shared/table/Table.module.css';
import classes from './Samples.module.css';
import { holdsOf, unitsOf, withHolds, withUnit, type Holds } from './samplesView.ts';
import type { SamplesMapping, SamplesPreview } from './samplesWork.ts';

interface ColumnMapProps {
  preview: SamplesPreview;
  mapping: SamplesMapping;
  /** Over all rows, once they are read. */
  summaries: readonly ColumnSummary[];
  onChange: (mapping: SamplesMapping) => void;
}

/** What each column holds and in which unit, beside its first cells and, once all is read, its range. */
export function ColumnMap({ preview, mapping, summaries, onChange }: ColumnMapProps) {
  const { quantity: format } = useFormat();
  return (
    <div className={`${table.sheet} ${classes.columns}`}>
      <table className={table.table} aria-label="Columns of the file">
        <thead>
          <tr>
            <th>Column</th>
            <th>First cells</th>
            <th>Holds</th>
            <th>Unit</th>
            <th data-right>Least</th>
            <th data-right>Mean</th>
            <th data-right>Most</th>
          </tr>
        </thead>
        <tbody>
          {preview.names.map((name, at) => {
            const holds = holdsOf(mapping, at);
            const units = unitsOf(holds);
            const unit = at === mapping.time ? mapping.timeUnit : (mapping.columns[at]?.unitSymbol ?? '');
            const summary = summaries.find((s) => s.quantity === holds);
            const shown = (value: number): string =>
              summary && summary.count > 0 ? format(value, standQuantities[summary.quantity]).text : '';
            return (
              <tr key={at} data-left-out={holds === ''}>
                <th scope="row">{name}</th>
                <td className={classes.cells}>
                  {preview.rows
                    .slice(0, 3)
                    .map((row) => row[at] ?? '')
                    .join(' · ')}
                </td>
                <td>
                  <select
                    aria-label={`${name} holds`}
                    value={holds}
                    onChange={(e) => onChange(withHolds(mapping, at, e.target.value as Holds))}
                  >
                    <option value="">left out</option>
                    <option value="time">Time</option>
                    {standQuantityNames.map((q) => (
                      <option key={q} value={q}>
                        {quantityNames[q]}
                      </option>
                    ))}
                  </select>
                </td>
                <td>
                  {units.length > 0 && (
                    <select
                      aria-label={`Unit of ${name}`}
                      value={unit}
                      onChange={(e) => onChange(withUnit(mapping, at, e.target.value))}
                    >
                      {!units.includes(unit) && <option value={unit}>unit?</option>}
                      {units.map((u) => (
                        <option key={u} value={u}>
                          {u === 'clock' ? 'hh:mm:ss' : u === '1' ? '0 to 1' : u}
                        </option>
                      ))}
                    </select>
                  )}
                </td>
                <td data-right>{summary && shown(summary.least)}</td>
                <td data-right>{summary && shown(summary.mean)}</td>
                <td data-right>{summary && shown(summary.most)}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}
