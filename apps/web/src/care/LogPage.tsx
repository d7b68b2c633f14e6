import { NativeSelect, TextInput } from '@mantine/core';
import type { CraftView, LogEntryView } from '@zivvo/contract';
import { logSentence } from '@zivvo/words';
import Papa from 'papaparse';
import { useState } from 'react';
import { useHealthQuery } from '../shared/api/workshopApi.ts';
import { useMaintenanceLogQuery } from '../shared/api/careApi.ts';
import { formatDay, formatTime } from '../shared/format/useFormat.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
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
  const day = (date: Date): string => date.toISOString().slice(0, 10);
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
    { craftId: craft.id, from: `${range?.from ?? ''}T00:00:00Z`, to: `${range?.to ?? ''}T23:59:59Z` },
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
  if (!isGood) return <Log craft={craft} entries={[]} range={null} tools={tools} />;
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(entries) => <Log craft={craft} entries={entries} range={range} tools={tools} />}
    </Ready>
  );
}

function Log({
  craft,
  entries,
  range,
  tools,
}: {
  craft: CraftView;
  entries: readonly LogEntryView[];
  range: { from: string; to: string } | null;
  tools: React.ReactNode;
}) {
  const save = (): void => {
    const text = Papa.unparse(
      {
        fields: ['date', 'time', 'what', 'piece', 'by'],
        data: entries.map((e) => [
          e.at.slice(0, 10),
          e.at.slice(11, 19),
          logSentence({ ...e, tag: null }),
          e.tag ?? '',
          e.personName ?? '',
        ]),
      },
      { escapeFormulae: true },
    );
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([`\uFEFF${text}`], { type: 'text/csv;charset=utf-8' }));
    link.download = `${craft.name} ${range?.from ?? ''} ${range?.to ?? ''}.csv`;
    link.click();
    URL.revokeObjectURL(link.href);
  };
  const flights = entries.filter((e) => e.kind === 'flown');
  const hours = flights.reduce((sum, e) => sum + Number(e.values.durationS), 0) / 3600;
  return (
    <StationPage
      eyebrow={`Care · Log · ${craft.name}`}
      headline={
        range === null
          ? 'Which days?'
          : entries.length === 0
            ? `Nothing was written down for ${craft.name}`
            : `${entries.length} entries, ${flights.length} flights, ${hours.toFixed(1)} h`
      }
      detail={
        range &&
        `${formatDay(range.from)} to ${formatDay(range.to)}${craft.ownerName === null ? '' : ` · ${craft.ownerName}`}`
      }
      tools={<CareTabs />}
      reasons={
        <p style={{ margin: 0 }}>
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
