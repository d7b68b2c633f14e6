import { doesMostFail, type YieldResult } from '@zivvo/core';
import { formatNumber, formatShare } from '@zivvo/words';
import { Link } from 'react-router';
import { useInHand } from '../shared/inHand/useInHand.ts';
import table from '../shared/table/Table.module.css';

export interface YieldRow extends YieldResult {
  key: string;
  name: string;
  /** Beside the name, in small. */
  note: string | null;
  cost: number | null;
  /** The page of what stands in the row. */
  link?: string;
}

/** How much of each came good, with what a usable piece costs where that is known. */
export function Yields({ title, rows }: { title: string; rows: readonly YieldRow[] }) {
  const { to } = useInHand();
  const hasCost = rows.some((r) => r.cost !== null);
  return (
    <div className={table.sheet}>
      <table className={table.table}>
        <thead>
          <tr>
            <th>{title}</th>
            <th data-right>Usable</th>
            <th data-wide aria-label="95 % interval" />
            {hasCost && <th data-right>Each costs</th>}
            <th data-right>Judged</th>
            <th data-right data-wide>
              Bag
            </th>
            <th data-right data-wide>
              Corrected
            </th>
            <th data-right>Rejected</th>
            <th data-right data-wide>
              Not yet
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map((r) => (
            <tr key={r.key} style={{ cursor: 'default' }}>
              <td style={{ minWidth: 130 }}>
                <strong>{r.link === undefined ? r.name : <Link to={to(r.link)}>{r.name}</Link>}</strong>
                {r.note !== null && <div className="muted">{r.note}</div>}
                {doesMostFail(r) && (
                  <div
                    style={{ color: 'var(--rust)' }}
                  >{`${r.rejectedCount} of ${r.pieceCount} failed: change supplier`}</div>
                )}
              </td>
              <td data-right>
                {r.usable ? formatShare(r.usable.ratio, 0) : '–'}
                {r.usable && (
                  <div
                    className="muted"
                    style={{ fontSize: 13, whiteSpace: 'nowrap' }}
                  >{`${Math.round(r.usable.lowRatio * 100)} to ${formatShare(r.usable.highRatio, 0)}`}</div>
                )}
              </td>
              <td data-wide>
                {r.usable && <Interval low={r.usable.lowRatio} at={r.usable.ratio} high={r.usable.highRatio} />}
              </td>
              {hasCost && <td data-right>{r.cost === null ? '–' : formatNumber(r.cost, 2)}</td>}
              <td data-right>{r.pieceCount}</td>
              <td data-right data-wide>
                {r.goodFromBagCount}
              </td>
              <td data-right data-wide>
                {r.goodCorrectedCount}
              </td>
              <td data-right>{r.rejectedCount}</td>
              <td data-right data-wide>
                {r.notJudgedCount}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** An interval from 0 to 1 drawn to scale. */
function Interval({ low, at, high }: { low: number; at: number; high: number }) {
  return (
    <svg width="72" height="14" viewBox="0 0 110 14" preserveAspectRatio="none" aria-hidden="true">
      <path d="M2 7H108" stroke="var(--hairline)" strokeWidth="2" />
      <path d={`M${2 + 106 * low} 7H${2 + 106 * high}`} stroke="var(--fjord)" strokeWidth="4" />
      <path d={`M${2 + 106 * at} 1V13`} stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}
