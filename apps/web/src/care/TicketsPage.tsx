import { Textarea, TextInput } from '@mantine/core';
import { NOTE_MAX_LENGTH, type CraftView, type JobTicketDto, type JobTicketView, type ListView } from '@zivvo/contract';
import { useState } from 'react';
import { v7 } from 'uuid';
import {
  useOpenTicketMutation,
  useRemoveTicketMutation,
  useRestoreTicketMutation,
  useTicketsQuery,
  useUpdateTicketMutation,
} from '../shared/api/careApi.ts';
import { useAsking } from '../shared/api/useAsking.ts';
import { useKept } from '../shared/forms/kept.ts';
import { formatDay } from '../shared/format/useFormat.ts';
import { WithCraft } from '../shared/inHand/WithCraft.tsx';
import { CutNote } from '../shared/ui/CutNote.tsx';
import { Action } from '../shared/ui/Action.tsx';
import { AskedNote } from '../shared/ui/AskedNote.tsx';
import { Ready } from '../shared/ui/PageStates.tsx';
import { StationPage } from '../shared/ui/StationPage.tsx';
import { announceDeletion } from '../shared/ui/undo.ts';
import classes from './Care.module.css';
import { CareTabs } from './CareTabs.tsx';

/** Work on somebody else's craft: complaint, found, done, parts, minutes, on one page. */
export function Component() {
  return <WithCraft station="Care">{(craft) => <TicketsOf craft={craft} key={craft.id} />}</WithCraft>;
}

function TicketsOf({ craft }: { craft: CraftView }) {
  const query = useTicketsQuery(craft.id);
  return (
    <Ready query={{ ...query, currentData: query.currentData ?? query.data }}>
      {(list) => <Tickets craft={craft} list={list} />}
    </Ready>
  );
}

function Tickets({ craft, list }: { craft: CraftView; list: ListView<JobTicketView> }) {
  const tickets = list.items;
  const [chosenId, choose] = useState<string | null>(null);
  const open = tickets.filter((t) => t.closedAt === null);
  const ticket = chosenId === 'new' ? null : (tickets.find((t) => t.id === chosenId) ?? open[0] ?? tickets[0] ?? null);
  const [remove] = useRemoveTicketMutation();
  const [restore] = useRestoreTicketMutation();
  return (
    <StationPage
      eyebrow={`Care · Tickets · ${craft.name}`}
      headline={
        ticket
          ? ticket.closedAt === null
            ? `Open: ${ticket.complaint}`
            : `Done ${formatDay(ticket.closedAt)}: ${ticket.complaint}`
          : 'A ticket for this craft'
      }
      detail={`${open.length} open, ${tickets.length - open.length} done.`}
      tools={<CareTabs />}
      reasons={
        <>
          <CutNote list={list} what="tickets" />
          <ul className={classes.rows}>
            {tickets.map((t) => (
              <li key={t.id}>
                <button
                  type="button"
                  className={classes.key}
                  style={{ width: '100%', minHeight: 44 }}
                  aria-pressed={t.id === ticket?.id}
                  onClick={() => choose(t.id)}
                >
                  {t.complaint}
                  <small>
                    {t.closedAt === null ? `open since ${formatDay(t.openedAt)}` : `done ${formatDay(t.closedAt)}`}
                  </small>
                </button>
              </li>
            ))}
          </ul>
        </>
      }
      actions={
        <>
          {ticket && (
            <Action weight="main" onClick={() => window.print()}>
              Print the page
            </Action>
          )}
          <Action onClick={() => choose('new')}>New ticket</Action>
          {ticket && (
            <Action
              weight="danger"
              onClick={() => {
                void remove(ticket.id);
                choose(null);
                void announceDeletion('The ticket was deleted.', () => void restore(ticket.id));
              }}
            >
              Delete this ticket
            </Action>
          )}
        </>
      }
    >
      {ticket !== null && ticket.closedAt !== null && <Paper craft={craft} ticket={ticket} />}
      <TicketForm
        key={`${ticket?.id ?? 'new'}/${ticket?.revision ?? 0}`}
        craft={craft}
        ticket={ticket}
        onDone={choose}
      />
      {ticket?.closedAt === null && <Paper craft={craft} ticket={ticket} />}
    </StationPage>
  );
}

/** What the owner takes home. */
function Paper({ craft, ticket }: { craft: CraftView; ticket: JobTicketView }) {
  const rows: [string, string | null][] = [
    ['Craft', craft.name],
    ['Owner', ticket.ownerName ?? craft.ownerName],
    ['Opened', formatDay(ticket.openedAt)],
    ['Complaint', ticket.complaint],
    ['Found', ticket.found],
    ['Done', ticket.done],
    ['Parts', ticket.parts],
    ['Minutes', ticket.minutes === null ? null : String(ticket.minutes)],
    ['Closed', ticket.closedAt === null ? null : formatDay(ticket.closedAt)],
  ];
  return (
    <section className={classes.paper} aria-label="The ticket">
      <dl>
        {rows.map(([name, value]) => (
          <div key={name} style={{ display: 'contents' }}>
            <dt>{name}</dt>
            <dd>{value ?? '—'}</dd>
          </div>
        ))}
      </dl>
      <p className="muted" style={{ margin: '16px 0 0' }}>
        Work as found and done; no certificate of airworthiness. Makers’ manuals and local rules come first.
      </p>
    </section>
  );
}

const BLANK: JobTicketDto = {
  ownerName: null,
  complaint: '',
  found: null,
  done: null,
  parts: null,
  minutes: null,
  isClosed: false,
};

function TicketForm({
  craft,
  ticket,
  onDone,
}: {
  craft: CraftView;
  ticket: JobTicketView | null;
  onDone: (id: string) => void;
}) {
  const [add, adding] = useOpenTicketMutation();
  const [update, updating] = useUpdateTicketMutation();
  const { ask, isAsking, asking } = useAsking();
  const start = (): JobTicketDto & { minutesText: string } => {
    const fields: JobTicketDto = ticket
      ? {
          ownerName: ticket.ownerName,
          complaint: ticket.complaint,
          found: ticket.found,
          done: ticket.done,
          parts: ticket.parts,
          minutes: ticket.minutes,
          isClosed: ticket.closedAt !== null,
        }
      : { ...BLANK, ownerName: craft.ownerName };
    return { ...fields, minutesText: fields.minutes === null ? '' : String(fields.minutes) };
  };
  const [{ minutesText: minutes, ...form }, setEntry, handedOver] = useKept(
    `ticket/${craft.id}/${ticket?.id ?? 'new'}/${ticket?.revision ?? 0}`,
    start,
  );
  const setForm = (next: JobTicketDto): void => setEntry((now) => ({ ...now, ...next }));
  const setMinutes = (minutesText: string): void => setEntry((now) => ({ ...now, minutesText }));
  const value = minutes.trim() === '' ? null : Number(minutes);
  const isMinutesGood = value === null || (Number.isInteger(value) && value >= 0 && value <= 100_000);
  const save = async (isClosed: boolean): Promise<void> => {
    const body = { ...form, complaint: form.complaint.trim(), minutes: value, isClosed };
    try {
      const newId = v7();
      const { id } = await ask(() =>
        (ticket
          ? update({ id: ticket.id, body: { ...body, revision: ticket.revision } })
          : add({ ...body, id: newId, craftId: craft.id })
        ).unwrap(),
      );
      handedOver();
      onDone(id);
    } catch {
      // The note below says why; what was typed stays.
    }
  };
  const area = (key: 'complaint' | 'found' | 'done' | 'parts', label: string) => (
    <Textarea
      label={label}
      value={form[key] ?? ''}
      onChange={(e) =>
        setForm({ ...form, [key]: e.currentTarget.value === '' && key !== 'complaint' ? null : e.currentTarget.value })
      }
      autosize
      minRows={key === 'parts' ? 1 : 2}
      maxRows={8}
      maxLength={NOTE_MAX_LENGTH}
    />
  );
  return (
    <section className={`${classes.sheet} no-print`} aria-label={ticket ? 'Fill the ticket' : 'New ticket'}>
      <div className={classes.columns}>
        {area('complaint', 'Complaint')}
        {area('found', 'Found')}
        {area('done', 'Done')}
        {area('parts', 'Parts')}
        <TextInput
          label="Owner"
          value={form.ownerName ?? ''}
          onChange={(e) => setForm({ ...form, ownerName: e.currentTarget.value === '' ? null : e.currentTarget.value })}
          maxLength={80}
        />
        <TextInput
          label="Minutes"
          value={minutes}
          onChange={(e) => setMinutes(e.currentTarget.value)}
          inputMode="numeric"
          error={isMinutesGood ? undefined : 'a whole number, 0 or more'}
        />
      </div>
      <div className={classes.bar}>
        <Action
          weight={ticket ? 'plain' : 'main'}
          disabled={form.complaint.trim() === '' || !isMinutesGood || isAsking}
          onClick={() => void save(form.isClosed)}
        >
          {ticket ? 'Save the ticket' : 'Open the ticket'}
        </Action>
        {ticket && (
          <Action
            disabled={form.complaint.trim() === '' || !isMinutesGood || isAsking}
            onClick={() => void save(!form.isClosed)}
          >
            {form.isClosed ? 'Open it again' : 'Save and close it'}
          </Action>
        )}
      </div>
      <AskedNote asking={asking} error={adding.error ?? updating.error} />
    </section>
  );
}
