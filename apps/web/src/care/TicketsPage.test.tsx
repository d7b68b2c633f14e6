import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { JobTicketView, LogEntryView } from '@zivvo/contract';
import { renderInApp } from '../test/renderInApp.tsx';
import { aCraft } from './care.fixtures.ts';
import { Component as LogPage } from './LogPage.tsx';
import { Component as TicketsPage } from './TicketsPage.tsx';

const ticket: JobTicketView = {
  id: 't1',
  craftId: 'c1',
  revision: 2,
  createdAt: '2026-11-20T10:00:00Z',
  updatedAt: '2026-11-20T10:00:00Z',
  ownerName: 'Upper school',
  complaint: 'hums',
  found: null,
  done: null,
  parts: null,
  minutes: null,
  openedAt: '2026-11-20T10:00:00Z',
  closedAt: null,
};

function show(tickets: JobTicketView[], more: object = {}) {
  const server = pretendServer({ 'GET /crafts/c1': aCraft, 'GET /job-tickets?craftId=c1': listed(tickets), ...more });
  renderInApp(<TicketsPage />, { address: '/care/tickets?craft=c1' });
  return server;
}
const box = (name: string): HTMLElement => screen.getByRole('textbox', { name });

test('an open ticket is filled and closed', async () => {
  const { sent } = show([ticket], { 'PUT /job-tickets/t1': { ...ticket, closedAt: '2026-11-24T10:00:00Z' } });
  await screen.findByRole('heading', { level: 1, name: 'Open: hums' });
  await userEvent.type(box('Found'), 'nick');
  await userEvent.type(box('Minutes'), '2.5');
  expect(screen.getByText('a whole number, 0 or more')).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Save and close it' })).toHaveProperty('disabled', true);
  await userEvent.clear(box('Minutes'));
  await userEvent.type(box('Minutes'), '25');
  await userEvent.click(screen.getByRole('button', { name: 'Save and close it' }));
  expect(sent[0]).toMatchObject({
    method: 'PUT',
    body: { complaint: 'hums', found: 'nick', minutes: 25, isClosed: true, revision: 2 },
  });
});

test('what was typed stays when somebody else changed the ticket meanwhile', async () => {
  show([ticket], {
    'PUT /job-tickets/t1': new Refusal(409, 'revisionConflict', 'Load it again, nothing was overwritten.'),
  });
  await screen.findByRole('heading', { level: 1, name: 'Open: hums' });
  await userEvent.type(box('Done'), 'dressed');
  await userEvent.click(screen.getByRole('button', { name: 'Save the ticket' }));
  expect((await screen.findByRole('alert')).textContent).toContain('nothing was overwritten');
  expect(box('Done')).toHaveProperty('value', 'dressed');
});

test('the page to print holds everything that was written, a dash for the rest', async () => {
  show([{ ...ticket, found: 'nick', closedAt: '2026-11-24T10:00:00Z' }]);
  const paper = await screen.findByRole('region', { name: 'The ticket' });
  for (const said of ['Petrel', 'Upper school', 'hums', 'nick', '24 Nov 2026', '—'])
    expect(paper.textContent).toContain(said);
});

test('a craft without tickets gets its first, with the owner of the craft', async () => {
  const { sent } = show([], { 'POST /job-tickets': ticket });
  await screen.findByRole('heading', { level: 1, name: 'A ticket for this craft' });
  expect(box('Owner')).toHaveProperty('value', 'Seabird count');
  expect(screen.getByRole('button', { name: 'Open the ticket' })).toHaveProperty('disabled', true);
  await userEvent.type(box('Complaint'), 'tips over');
  await userEvent.click(screen.getByRole('button', { name: 'Open the ticket' }));
  expect(sent[0]).toMatchObject({
    method: 'POST',
    body: { craftId: 'c1', complaint: 'tips over', ownerName: 'Seabird count' },
  });
});

test('the log tells when, what and who, over a period that can be chosen', async () => {
  const entry = (
    sequence: number,
    kind: string,
    values: LogEntryView['values'],
    tag: string | null = null,
  ): LogEntryView => ({ sequence, at: '2026-11-23T09:30:00Z', personName: 'Irva Solt', kind, tag, values });
  const asked: string[] = [];
  pretendServer({
    'GET /crafts/c1': aCraft,
    'GET /health': { now: '2026-11-24T12:00:00Z' },
    'GET /care/c1/log': ({ path }: { path: string }) => {
      asked.push(path);
      const items = [
        entry(3, 'flown', { durationS: 5400 }),
        entry(2, 'pieceRetired', { as: 'benchOnly', reason: 'white' }, 'AB12'),
      ];
      return { items, total: 2400, isCut: true, flightCount: 1, flownS: 5400 };
    },
  });
  renderInApp(<LogPage />, { address: '/care/log?craft=c1' });
  await screen.findByRole('heading', { level: 1, name: '2400 entries, 1 flights, 1.5 h' });
  expect(screen.getByText(/The newest 2 of 2400 entries are shown/)).toBeTruthy();
  const [, first, second] = within(screen.getByRole('table'))
    .getAllByRole('row')
    .map((r) => r.textContent!.replace(/\u202f/g, ' '));
  expect(first).toContain('Flown 90.0 minIrva Solt');
  expect(second).toContain('AB12: retired, bench only: white');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Period' }), '30');
  await screen.findByText(/25 Oct 2026 to 24 Nov 2026/);
  expect(asked.map((p) => decodeURIComponent(/from=([^&]+)/.exec(p)![1]!))).toEqual(
    ['2026-08-26', '2026-10-25'].map((day) => new Date(`${day}T00:00:00`).toISOString()),
  );
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Period' }), 'own');
  expect((await screen.findByRole('heading', { level: 1 })).textContent).toBe('Which days?');
  expect(screen.getByRole('button', { name: 'Save as CSV' })).toHaveProperty('disabled', true);
});
