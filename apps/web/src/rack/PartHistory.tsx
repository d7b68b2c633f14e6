import type { ListView, PartEventView } from '@zivvo/contract';
import { bearingNames, chemistryNames, fieldNames, placeNames } from '@zivvo/words';
import { formatDay, formatTime } from '../shared/format/useFormat.ts';
import { CutNote } from '../shared/ui/CutNote.tsx';
import classes from './PiecePage.module.css';

/** Everything that was written down about a motor or a pack, the newest first. */
export function PartHistory({
  list,
  of,
  craftName,
}: {
  list: ListView<PartEventView> | undefined;
  of: string;
  craftName?: (id: string) => string;
}) {
  return (
    <section className={classes.sheet} aria-label={`History of ${of}`}>
      <h2>History</h2>
      {list?.total === 0 && <p className="muted">Nothing was written down yet.</p>}
      <ol className={classes.history}>
        {(list?.items ?? []).map((e) => (
          <li key={e.sequence}>
            <strong>{PAST[e.change]}</strong>
            {e.change === 'changed' &&
              `: ${
                Object.entries(e.values)
                  .map(([name, value]) => `${(fieldNames[name] ?? name).toLowerCase()} ${said(name, value, craftName)}`)
                  .join(', ') || 'nothing new'
              }`}
            <div className="muted">
              {`${formatDay(e.at)}, ` +
                `${formatTime(e.at).slice(0, 5)}${e.personName === null ? '' : `, ${e.personName}`}`}
            </div>
          </li>
        ))}
      </ol>
      {list && <CutNote list={list} what="entries" />}
    </section>
  );
}

const PAST: Record<PartEventView['change'], string> = {
  added: 'put on the list',
  changed: 'changed',
  removed: 'taken off the list',
  restored: 'brought back',
};

/** A value in the reader's words. */
function said(name: string, value: string | number | null, craftName?: (id: string) => string): string {
  if (value === null) return 'none';
  if (name === 'craftId') return craftName?.(String(value)) ?? 'a craft';
  if (name.endsWith('M') && typeof value === 'number') return `${(value * 1000).toFixed(2)} mm`;
  if (name === 'cellResistanceOhm') return `${(Number(value) * 1000).toFixed(1)} mΩ`;
  return (
    placeNames[value as keyof typeof placeNames]?.toLowerCase() ??
    bearingNames[value] ??
    chemistryNames[value as keyof typeof chemistryNames] ??
    String(value)
  );
}
