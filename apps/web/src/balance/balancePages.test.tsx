import { field, heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { FinishBalanceJobDto, PieceView, TraysView, UpdateBalanceJobDto } from '@zivvo/contract';
import { Route, Routes } from 'react-router';
import { renderInApp } from '../test/renderInApp.tsx';
import { jobOf, modelOnShaft } from './balance.fixtures.ts';
import { Component as BalanceJobPage } from './BalanceJobPage.tsx';
import { Component as BalancePage } from './BalancePage.tsx';

const piece = (tag: string, hand: PieceView['hand'] = 'cw'): PieceView =>
  ({ id: tag, tag, hand, propModelId: 'm1', state: 'checkedIn' }) as PieceView;
const rig = {
  id: 'r1',
  revision: 1,
  name: 'Glass shaft',
  frictionKgM: 2e-8,
  borePlayM: 0.00005,
  largestM: 0.4,
  inertiaKgM2: 1e-7,
  note: null,
};
const craft = { id: 'c1', name: 'Petrel', massKg: 1.9, referencePropModelId: 'm1', rotors: [] };
const trays = (more: Partial<TraysView> = {}): TraysView => ({
  toDo: [],
  good: [],
  back: [],
  notNeeded: [],
  elsewhereCount: 0,
  isCut: false,
  ...more,
});

function show(address: string, answers: Record<string, unknown>) {
  const server = pretendServer({
    'GET /prop-models': { items: [modelOnShaft], total: 1 },
    'GET /prop-models/m1': modelOnShaft,
    'GET /rigs': listed([rig]),
    'GET /crafts': { items: [craft], total: 1 },
    'GET /crafts/c1': craft,
    ...answers,
  });
  renderInApp(
    <Routes>
      <Route path="/balance" element={<BalancePage />} />
      <Route path="/balance/:pieceId" element={<BalanceJobPage />} />
    </Routes>,
    { address },
  );
  return server;
}

describe('the bench', () => {
  test('three trays with what lies in them, the first of them next, and those that need none are not nagged about', async () => {
    show('/balance?craft=c1', {
      'GET /balance-jobs/trays': trays({
        toDo: [piece('AB12'), piece('CD34', 'ccw')],
        good: [piece('EF56')],
        notNeeded: [piece('GH78')],
      }),
    });
    await heading('2 pieces to balance for Petrel');
    expect(screen.getByText('1 good, 0 to send back, 1 need none.')).toBeTruthy();
    expect(
      within(screen.getByRole('region', { name: 'To do' }))
        .getAllByRole('link')
        .map((l) => l.textContent),
    ).toEqual([expect.stringContaining('AB12'), expect.stringContaining('CD34')]);
    expect(within(screen.getByRole('region', { name: 'Back' })).getByText('empty')).toBeTruthy();
    expect(screen.getByRole('link', { name: /^Balance AB12/ }).getAttribute('href')).toContain('/balance/AB12');
  });

  test('what waits of other models is one click away, and the prop in hand has its own trays', async () => {
    const { answers } = show('/balance?craft=c1&prop=m2', {
      'GET /prop-models': { items: [modelOnShaft, { ...modelOnShaft, id: 'm2', label: '9x4.7x2' }], total: 2 },
      'GET /balance-jobs/trays': trays({ toDo: [piece('AB12')], elsewhereCount: 5 }),
    });
    await heading('1 piece to balance of Brindlow 9×4.7×2');
    answers['GET /balance-jobs/trays'] = trays({
      toDo: ['AB12', 'CD34', 'EF56', 'GH78', 'IJ90', 'KL12'].map((tag) => piece(tag)),
    });
    await userEvent.click(screen.getByRole('button', { name: '5 of other models to balance' }));
    await heading('6 pieces to balance');
    expect(screen.getByRole('button', { name: 'Only what is in hand' })).toBeTruthy();
  });

  test('nothing checked in sends to the delivery; all balanced says so', async () => {
    show('/balance', { 'GET /balance-jobs/trays': trays() });
    await heading('Nothing checked in to balance');
    expect(screen.getByRole('link', { name: 'New delivery' })).toBeTruthy();
  });

  test('a rig is described by its spin test: turns and seconds become the friction it holds', async () => {
    const { sent } = show('/balance', {
      'GET /balance-jobs/trays': trays({ good: [piece('EF56')] }),
      'POST /rigs': rig,
    });
    await heading('Every piece is balanced');
    await userEvent.click(screen.getByRole('button', { name: 'New rig' }));
    await userEvent.type(field('Name'), 'Glass shaft');
    for (const [name, text] of [
      ['Inertia, g·mm²', '12000'],
      ['Turns', '40'],
      ['Seconds', '20'],
    ] as const)
      await userEvent.type(field(name), text);
    await userEvent.click(screen.getByRole('button', { name: /^Take .*g·mm$/ }));
    await userEvent.click(screen.getByRole('button', { name: 'Put on the bench' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const { frictionKgM } = sent[0]!.body as { frictionKgM: number };
    // Slowing evenly from 8π rad/s in 20 s: friction is inertia times 4π·turns over the square of the seconds.
    expect(frictionKgM * 9.80665).toBeCloseTo((12_000e-9 * 4 * Math.PI * 40) / 20 ** 2, 8);
  });

  test('a rig that the server refuses keeps what was typed', async () => {
    show('/balance', {
      'GET /balance-jobs/trays': trays({ good: [piece('EF56')] }),
      'POST /rigs': new Refusal(409, 'nameTaken', 'There is a rig of that name already.'),
    });
    await heading('Every piece is balanced');
    await userEvent.click(screen.getByRole('button', { name: 'New rig' }));
    await userEvent.type(field('Name'), 'Glass shaft');
    await userEvent.click(screen.getByRole('button', { name: 'Put on the bench' }));
    expect(await screen.findByText(/There is a rig of that name already/)).toBeTruthy();
    expect(field('Name')).toHaveProperty('value', 'Glass shaft');
  });
});

describe('a piece before its first look', () => {
  const flown = {
    ...piece('p1'),
    condition: { outcome: 'fly', isTruingVoid: false, reasons: [] },
    history: [{ sequence: 1, at: '2026-11-01T09:00:00Z', personId: null, personName: null, action: 'fit', values: {} }],
  };

  test('a piece that has flown is looked at first; rig and craft go along', async () => {
    const { sent } = show('/balance/p1', {
      'GET /pieces/p1': flown,
      'GET /balance-jobs/of-piece/p1': listed([]),
      'POST /balance-jobs': new Refusal(
        422,
        'balance.notLookedAt',
        'This piece has flown: look for cracks and white marks first.',
      ),
    });
    await heading(/has never been balanced/);
    expect(screen.getByRole('checkbox', { name: /It has flown/ })).toHaveProperty('checked', false);
    await userEvent.click(await screen.findByRole('button', { name: /^Put it on the shaft/ }));
    expect(sent[0]!.body).toMatchObject({ pieceId: 'p1', rigId: 'r1', craftId: 'c1', isLookedAt: false });
    expect(await screen.findByText(/look for cracks and white marks first/)).toBeTruthy();
  });

  test('without a rig there is nothing to put it on', async () => {
    show('/balance/p1', {
      'GET /pieces/p1': { ...flown, history: [] },
      'GET /balance-jobs/of-piece/p1': listed([]),
      'GET /rigs': listed([]),
    });
    expect(await screen.findByText('No rig on the bench')).toBeTruthy();
    expect(screen.queryByRole('checkbox', { name: /It has flown/ })).toBeNull();
  });

  test('the last job is told with what was left', async () => {
    const done = jobOf({
      state: 'trued',
      finishedAt: '2026-11-21T10:00:00Z',
      observations: [{ tape: [0, 0, 0], kind: 'stays', downDegrees: null, fallS: null }],
    });
    show('/balance/p1', {
      'GET /pieces/p1': { ...flown, history: [] },
      'GET /balance-jobs/of-piece/p1': listed([done]),
    });
    await heading(/was balanced, 21 Nov/);
  });
});

describe('a job', () => {
  const shown = (job = jobOf(), answers: Record<string, unknown> = {}) =>
    show('/balance/p1', {
      'GET /pieces/p1': {
        ...piece('p1'),
        condition: { outcome: 'fly', isTruingVoid: false, reasons: [] },
        history: [],
      },
      'GET /balance-jobs/of-piece/p1': listed([job]),
      'PUT /balance-jobs/j1': job,
      ...answers,
    });

  test('what is left opens its working: the pull once a turn and the shake of the craft', async () => {
    const job = jobOf({ observations: [{ tape: [0, 0, 0], kind: 'stays', downDegrees: null, fallS: null }] });
    const residual = job.result!.residual;
    shown(job);
    const open = await screen.findByRole('button', { name: /^Working: / });
    await userEvent.click(open);
    const drawer = await screen.findByRole('dialog');
    expect(drawer.textContent).toContain('F / (m * 9.80665)');
    expect(drawer.textContent).toContain('p1 on Petrel');
    expect(residual).not.toBeNull();
  });

  test('it starts with a look, says how much may stay, and the target can be changed', async () => {
    const { sent } = shown();
    await heading('Let it go with one blade up, and look');
    expect(screen.getAllByText(/may stay at 9,000.rpm/).length).toBeGreaterThan(0);
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'How smooth' }), 'fine');
    expect(sent[0]!.body as UpdateBalanceJobDto).toMatchObject({ target: 'fine', observations: [], revision: 4 });
  });

  test('a fall names the strip, and the last step can be taken back', async () => {
    const fell = jobOf({ observations: [{ tape: [0, 0, 0], kind: 'falls', downDegrees: 0, fallS: null }] });
    const { sent } = shown(fell);
    await heading(/mm.* on /);
    await userEvent.click(screen.getByRole('button', { name: /^Take the last step back/ }));
    expect((sent[0]!.body as UpdateBalanceJobDto).observations).toEqual([]);
  });

  test('the ways to balance are tabs of the address', async () => {
    shown();
    await heading(/Let it go/);
    for (const [name, by] of [
      ['Swing timing', 'swing'],
      ['Weighing', 'weigh'],
      ['Vibration', 'vibration'],
    ] as const) {
      await userEvent.click(screen.getByRole('tab', { name }));
      expect(screen.getByRole('tab', { name }).getAttribute('aria-selected')).toBe('true');
      expect(screen.getByTestId('address').textContent).toContain(`by=${by}`);
    }
  });

  test('it is marked balanced or sent back, and a refusal leaves it on the shaft', async () => {
    const server = shown(jobOf(), {
      'POST /balance-jobs/j1/finish': new Refusal(422, 'piece.boreOpen', 'Ream it before it is called true.'),
      'GET /balance-jobs/trays': trays({ good: [piece('p1')] }),
    });
    await heading(/Let it go/);
    await userEvent.click(screen.getByRole('button', { name: 'Mark it balanced' }));
    expect(await screen.findByText(/Ream it before it is called true/)).toBeTruthy();
    server.answers['POST /balance-jobs/j1/finish'] = jobOf({ state: 'sentBack' });
    await userEvent.click(screen.getByRole('button', { name: 'Send it back' }));
    await heading('Every piece is balanced');
    expect(server.sent.map((s) => (s.body as FinishBalanceJobDto).as)).toEqual(['trued', 'sentBack']);
  });

  test('what cannot be worked out says which entry stands in its way', async () => {
    shown(jobOf({ result: null, problem: { what: 'tapsS', allowed: 'at least 3 taps' } } as never));
    await heading('That cannot be worked out');
    expect(
      screen.getByText(/tapsS: must be at least 3 taps\. Take the last step back; nothing was lost\./),
    ).toBeTruthy();
  });
});
