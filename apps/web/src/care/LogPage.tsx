import { NativeSelect, TextInput } from '@mantine/core';
import type { CraftView, LogView } from '@zivvo/contract';
import { logSentence } from '@zivvo/words';
import Papa from 'papaparse';
import { useState } from 'react';
import { useHealthQuery } from '../shared/api/workshopApi.ts';
import { useMaintenanceLogQuery } from '../shared/api/careApi.ts';
import { formatDay, formatTime } from '../shared/format/useFormat.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { saveText } from '../shared/ui/saveText.ts';
import { StationPage } from '../shared/ui/StationPage.tsx';
import classes from './Care.module.css';
import { CareTabs } from './CareTabs.tsx';

const DAY_MS = 86_400_000;
const PERIODS = [
  { value: '30', label: 'last 30 days' },
  { value: '90', label: 'last 90 days' },
  { value: '365', label: 'last year' },
  { value: 'own', label: 'from – to' },
];

/** What was done to a craft, when and by whom; to print and to take along. */
export function Component() {
  return <WithCraft station="Care">{(craft) => <LogOf craft={craft} key={craft.id} />}</WithCraft>;
}

function LogOf({ craft }: { craft: CraftView }) {
  const { data: health } = useHealthQuery();
  const [period, setPeriod] = useState('90');
  const [own, setOwn] = useState({ from: '', to: '' });
  const today = health ? new Date(health.now) : null;
  const day = localDay;
  const range =
    period === 'own'
      ? own
      : today && { from: day(new Date(today.getTime() - Number(period) * DAY_MS)), to: day(today) };
  const isGood =
    range !== null &&
    /^\d{4}-\d\d-\d\d$/.test(range.from) &&
    /^\d{4}-\d\d-\d\d$/.test(range.to) &&
    range.from <= range.to;
  const query = useMaintenanceLogQuery(
    isGood ? { craftId: craft.id, ...momentsOf(range) } : { craftId: craft.id, from: '', to: '' },
    { skip: !isGood },
  );
  const tools = (
    <div className={`${classes.bar} no-print`} style={{ marginTop: 0 }}>
      <NativeSelect
        aria-label="Period"
        value={period}
        onChange={(e) => setPeriod(e.currentTarget.value)}
        data={PERIODS}
      />
      {period === 'own' && (
        <>
          <TextInput
            type="date"
            aria-label="From"
            value={own.from}
            onChange={(e) => setOwn({ ...own, from: e.currentTarget.value })}
          />
          <TextInput
            type="date"
            aria-label="To"
            value={own.to}
            onChange={(e) => setOwn({ ...own, to: e.currentTarget.value })}
            error={own.from !== '' && own.to !== '' && own.from > own.to ? 'before its start' : undefined}
          />
        </>
      )}
    </div>
  );
  if (!isGood) return <Log craft={craft} log={NOTHING} range={null} tools={tools} />;
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(log) => <Log craft={craft} log={log} range={range} tools={tools} />}
    </Ready>
  );
}

function Log({
  craft,
  log,
  range,
  tools,
}: {
  craft: CraftView;
  log: LogView;
  range: { from: string; to: string } | null;
  tools: React.ReactNode;
}) {
  const { items: entries, total, isCut, flightCount, flownS } = log;
  const save = (): void => {
    const text = Papa.unparse(
      {
        fields: ['date', 'time', 'what', 'piece', 'by'],
        data: entries.map((e) => [
          localDay(new Date(e.at)),
          formatTime(e.at),
          logSentence({ ...e, tag: null }),
          e.tag ?? '',
          e.personName ?? '',
        ]),
      },
      { escapeFormulae: true },
    );
    saveText(`\uFEFF${text}`, `${craft.name} ${range?.from ?? ''} ${range?.to ?? ''}.csv`, 'text/csv');
  };
  return (
    <StationPage
      eyebrow={`Care · Log · ${craft.name}`}
      headline={
        range === null
          ? 'Which days?'
          : entries.length === 0
            ? `Nothing was written down for ${craft.name}`
            : `${total} entries, ${flightCount} flights, ${(flownS / 3600).toFixed(1)} h`
      }
      detail={
        range &&
        `${formatDay(range.from)} to ${formatDay(range.to)}${craft.ownerName === null ? '' : ` · ${craft.ownerName}`}`
      }
      tools={<CareTabs />}
      reasons={
        <p style={{ margin: 0 }}>
          {isCut
            ? `The newest ${entries.length} of ${total} entries are shown; choose fewer days for the others. `
            : ''}
          Who did what and when, as it was written down at the time. Nothing here can be changed; what was taken back
          stands as taken back.
        </p>
      }
      actions={
        <>
          <Action weight="main" disabled={entries.length === 0} onClick={() => window.print()}>
            Print the log
          </Action>
          <Action disabled={entries.length === 0} onClick={save}>
            Save as CSV
          </Action>
        </>
      }
    >
      {tools}
      <section className={classes.sheet} aria-label="Maintenance log">
        {entries.length === 0 ? (
          <p className="muted">
            Looks, flights, strikes, pieces fitted and retired, gains and tickets stand here as they happen.
          </p>
        ) : (
          <table className={classes.log}>
            <thead>
              <tr>
                <th>When</th>
                <th>What</th>
                <th>By</th>
              </tr>
            </thead>
            <tbody>
              {entries.map((e) => (
                <tr key={e.sequence}>
                  <td style={{ whiteSpace: 'nowrap' }}>{`${formatDay(e.at)}, ${formatTime(e.at).slice(0, 5)}`}</td>
                  <td>{logSentence(e)}</td>
                  <td>{e.personName ?? ''}</td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
      </section>
    </StationPage>
  );
}

const NOTHING: LogView = { items: [], total: 0, isCut: false, flightCount: 0, flownS: 0 };

/** A day as the workshop's calendar has it. */
function localDay(date: Date): string {
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${date.getFullYear()}-${two(date.getMonth() + 1)}-${two(date.getDate())}`;
}

/** From the first moment of a local day to the last of another. */
function momentsOf({ from, to }: { from: string; to: string }): { from: string; to: string } {
  return { from: new Date(`${from}T00:00:00`).toISOString(), to: new Date(`${to}T23:59:59.999`).toISOString() };
}
