import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import type { ReasonCode } from '@zivvo/core';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { MotorPieceView, RotationView } from '@zivvo/contract';
import { renderInApp } from '../test/renderInApp.tsx';
import { aCare, aCraft, aModel, aPiece, aWalk } from './care.fixtures.ts';
import { Component as CarePage } from './CarePage.tsx';

const answers = (care = aCare(), more: object = {}) => ({
  'GET /crafts/c1': aCraft,
  'GET /care/c1': care,
  'GET /prop-models': { items: [aModel], total: 1 },
  'GET /pack-pieces': listed([{ id: 'p1', tag: 'P1' }]),
  'GET /care/c1/rotation': { sets: [], nextSetId: null },
  ...more,
});
const show = (): void => void renderInApp(<CarePage />, { address: '/care?craft=c1' });
const plain = (text: string | null): string => (text ?? '').replace(/\u202f/g, ' ');
const region = (name: string): Promise<HTMLElement> => screen.findByRole('region', { name });

test('spares are told from a log that is long enough; before that, how much was flown', async () => {
  pretendServer(
    answers(
      aCare({
        season: {
          days: 180,
          flightCount: 3,
          logDays: 12,
          hands: [
            { hand: 'cw', spares: null },
            { hand: 'ccw', spares: null },
          ],
        },
      }),
    ),
  );
  show();
  const spares = await region('Spares for the season');
  expect(spares.textContent).toContain(
    'Not enough flown to say: 3 flights in 12 days of log, of 10 in 30 that are needed.',
  );
  expect(spares.textContent).not.toContain('Buy');
});

test('the headline says how the craft stands, and each piece how much of its life is used', async () => {
  pretendServer(answers(aCare({ lastWalkaround: aWalk })));
  show();
  expect(await screen.findByRole('heading', { level: 1, name: 'Petrel waits for a look' })).toBeTruthy();
  expect(plain(document.body.textContent)).toContain('by Irva Solt: 30 s for 1 prop.');
  const pieces = await region('Pieces on the craft');
  expect(
    within(pieces)
      .getAllByRole('img')
      .map((g) => plain(g.getAttribute('aria-label'))),
  ).toEqual(['84 % of its life used: replace soon', '84 % of its life used: replace soon']);
  expect(plain(pieces.textContent)).toContain('front left · 50.0 h in 30 flights');
  expect(within(pieces).getByRole('link', { name: 'AB12' }).getAttribute('href')).toBe('/rack/pieces/AB12?craft=c1');
});

test('a flight is minutes, a pack, and what was hit; nonsense is said at its field', async () => {
  const { sent } = pretendServer(answers(aCare(), { 'POST /care/c1/flights': aCare({ flownS: 750 }) }));
  show();
  const flight = await region('A flight');
  const minutes = within(flight).getByRole('textbox', { name: 'Minutes' });
  await userEvent.type(minutes, '0');
  expect(within(flight).getByText('more than 0, at most 600')).toBeTruthy();
  await userEvent.clear(minutes);
  await userEvent.type(minutes, '12,5');
  await within(flight).findByRole('option', { name: 'P1' });
  await userEvent.selectOptions(within(flight).getByRole('combobox', { name: 'Pack' }), 'p1');
  await userEvent.click(within(flight).getByRole('button', { name: 'It hit something' }));
  await userEvent.selectOptions(within(flight).getByRole('combobox', { name: 'It hit' }), 'twigs');
  await userEvent.click(within(flight).getByRole('button', { name: 'Front right' }));
  await userEvent.click(within(flight).getByRole('button', { name: 'Log the flight' }));
  expect(sent[0]).toMatchObject({
    path: '/care/c1/flights',
    body: {
      durationS: 750,
      packPieceId: 'p1',
      strikes: [{ thing: 'twigs', throttleRatio: 0.4, isCrash: false, arms: [{ place: 'frontRight', level: 0 }] }],
    },
  });
  expect(minutes).toHaveProperty('value', '');
});

test('a strike alone needs the props that hit', async () => {
  const { sent } = pretendServer(answers(aCare(), { 'POST /care/c1/strikes': aCare() }));
  show();
  const flight = await region('A flight');
  await userEvent.click(within(flight).getByRole('button', { name: 'It hit something' }));
  expect(within(flight).getByRole('button', { name: 'Log the strike alone' })).toHaveProperty('disabled', true);
  await userEvent.click(within(flight).getByRole('button', { name: 'Front left' }));
  await userEvent.click(within(flight).getByRole('button', { name: 'Front left' }));
  await userEvent.click(within(flight).getByRole('button', { name: 'Front right' }));
  await userEvent.click(within(flight).getByRole('button', { name: 'Log the strike alone' }));
  expect(sent).toMatchObject([{ path: '/care/c1/strikes', body: { arms: [{ place: 'frontRight', level: 0 }] } }]);
});

test('a flight that the server refuses keeps what was typed', async () => {
  pretendServer(answers(aCare(), { 'POST /care/c1/flights': new Refusal(500, 'broken', 'The disk is full.') }));
  show();
  const flight = await region('A flight');
  await userEvent.type(within(flight).getByRole('textbox', { name: 'Minutes' }), '9');
  await userEvent.click(within(flight).getByRole('button', { name: 'Log the flight' }));
  expect((await within(flight).findByRole('alert')).textContent).toContain('The disk is full.');
  expect(within(flight).getByRole('textbox', { name: 'Minutes' })).toHaveProperty('value', '9');
});

test('what the last look asked for stays until it is done: mend one piece, or throw the set out together', async () => {
  const { sent } = pretendServer(
    answers(
      aCare({
        ready: { verdict: 'mend', missing: [] },
        pieces: [aPiece('AB12', 'frontLeft', { openOutcome: 'clean' }), aPiece('CD34', 'frontRight')],
      }),
      { 'POST /care/c1/pieces/AB12/mended': aCare() },
    ),
  );
  show();
  await userEvent.click(await screen.findByRole('button', { name: 'It is mended' }));
  expect(sent[0]!.path).toBe('/care/c1/pieces/AB12/mended');
});

test('a set that is retired goes by one key', async () => {
  const { sent } = pretendServer(
    answers(
      aCare({
        ready: { verdict: 'grounded', missing: [] },
        pieces: [
          aPiece('AB12', 'frontLeft', { openOutcome: 'retireSet' }),
          aPiece('CD34', 'frontRight', { openOutcome: 'retireSet' }),
        ],
      }),
      { 'POST /pieces/actions': [] },
    ),
  );
  show();
  await userEvent.click(await screen.findByRole('button', { name: 'Retire all 2 and fit another set' }));
  expect(sent[0]).toMatchObject({ body: { ids: ['AB12', 'CD34'], action: 'retire' } });
});

test('a struck motor is asked about until it is felt', async () => {
  const motor = {
    id: 'mo1',
    tag: 'M2',
    craftId: 'c1',
    place: 'frontRight',
    hours: 3,
    overLimitCount: 0,
    strikeCount: 1,
    bearing: null,
    shaftPlayM: null,
    shaftRunOutM: null,
    note: null,
    revision: 4,
  } as MotorPieceView;
  const { sent } = pretendServer(
    answers(aCare({ motorsToFeel: [motor] }), { 'PUT /motor-pieces/mo1': { ...motor, bearing: 'gritty' } }),
  );
  show();
  await userEvent.click(within(await region('Struck motors')).getByRole('button', { name: 'gritty' }));
  expect(sent[0]).toMatchObject({ method: 'PUT', body: { tag: 'M2', bearing: 'gritty', revision: 4 } });
});

test('an alert is raised and released with a reason, never without', async () => {
  const alert = {
    id: 'a1',
    createdAt: '2026-11-20T10:00:00Z',
    propModelId: 'm1',
    batchId: null,
    reason: 'root cracked',
    raisedAt: '2026-11-20T10:00:00Z',
    releasedAt: null,
    releaseReason: null,
    revision: 1,
    updatedAt: '2026-11-20T10:00:00Z',
  };
  const server = pretendServer(
    answers(aCare(), { 'POST /model-alerts': alert, 'POST /model-alerts/a1/release': alert }),
  );
  show();
  const alerts = await region('Model alerts');
  expect(within(alerts).getByRole('button', { name: 'Ground them all' })).toHaveProperty('disabled', true);
  await userEvent.type(within(alerts).getByRole('textbox', { name: 'What failed' }), 'root cracked');
  server.answers['GET /care/c1'] = aCare({ ready: { verdict: 'grounded', missing: [] }, alerts: [alert] });
  await userEvent.click(within(alerts).getByRole('button', { name: 'Ground them all' }));
  await userEvent.type(await within(alerts).findByRole('textbox', { name: 'Why it may be released' }), 'all looked at');
  await userEvent.click(within(alerts).getByRole('button', { name: 'Release' }));
  expect(server.sent.map((s) => s.path)).toEqual(['/model-alerts', '/model-alerts/a1/release']);
  expect(server.sent[1]!.body).toEqual({ reason: 'all looked at' });
});

test('a craft without tagged pieces says what belongs there', async () => {
  pretendServer(answers(aCare({ pieces: [], ready: { verdict: 'look', missing: [] } })));
  show();
  expect(await screen.findByText('No tagged piece is on this craft')).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Fit a tagged set' }).getAttribute('href')).toBe('/fit?craft=c1');
});

test('one delivery alone may be grounded: the rest of the model flies on', async () => {
  const batch = {
    id: 'b7',
    revision: 1,
    createdAt: '2026-10-03T10:00:00Z',
    updatedAt: '2026-10-03T10:00:00Z',
    propModelId: 'm1',
    resolutionKg: 1e-5,
    location: null,
    note: null,
    pieceCount: 8,
    checkedInCount: 8,
  };
  const { sent } = pretendServer(
    answers(aCare(), {
      'GET /batches': { items: [batch, { ...batch, id: 'b8', propModelId: 'other' }], total: 2 },
      'POST /model-alerts': {},
    }),
  );
  show();
  const alerts = await region('Model alerts');
  const which = await within(alerts).findByRole('combobox', { name: 'Which of them' });
  expect(
    within(which)
      .getAllByRole('option')
      .map((o) => o.textContent),
  ).toEqual(['all of this model', expect.stringMatching(/^only the delivery of .*Oct.*, 8 pieces$/)]);
  await userEvent.selectOptions(which, 'b7');
  await userEvent.type(within(alerts).getByRole('textbox', { name: 'What failed' }), 'void in the hub');
  await userEvent.click(within(alerts).getByRole('button', { name: 'Ground them all' }));
  expect(sent[0]!.body).toMatchObject({ propModelId: 'm1', batchId: 'b7', reason: 'void in the hub' });
});

test('what is missing before it flies stands first, each with the way there', async () => {
  const point = (
    verdict: 'unsigned' | 'untrued' | 'look',
    where: 'fit' | 'balance' | 'walk',
    code: ReasonCode,
    values = {},
  ) => ({ verdict, where, reason: { code, severity: 'action' as const, values, figure: null } });
  pretendServer(
    answers(
      aCare({
        ready: {
          verdict: 'untrued',
          missing: [
            point('untrued', 'balance', 'care.untrued', { tags: 'AB12', count: 1 }),
            point('unsigned', 'fit', 'care.signedBefore', { count: 1, place: 'frontLeft' }),
            point('look', 'walk', 'care.staleLook', { day: '2026-11-23' }),
          ],
        },
      }),
    ),
  );
  show();
  expect(await screen.findByRole('heading', { level: 1, name: 'Petrel is to be balanced first' })).toBeTruthy();
  const missing = await region('Before it flies');
  expect(
    within(missing)
      .getAllByRole('link')
      .map((l) => [l.textContent, l.getAttribute('href')]),
  ).toEqual([
    ['Balance', '/balance?craft=c1'],
    ['Open Fit', '/fit?craft=c1'],
    ['Walk round', '/care/walk?craft=c1'],
  ]);
  expect(plain(missing.textContent)).toContain('The last look is of 23 November: a look is of the same day.');
  expect(plain(missing.textContent)).toContain('Front left was changed since somebody signed');
});

test('sets take turns: whose it is, which rests, and putting one to rest', async () => {
  const turns: RotationView = {
    sets: [
      {
        id: 's2',
        name: 'K13',
        revision: 4,
        usedRatio: 0.2,
        flownS: 7200,
        isOn: false,
        isComplete: true,
        restedAt: null,
      },
      {
        id: 's1',
        name: 'K12',
        revision: 2,
        usedRatio: 0.6,
        flownS: 36_000,
        isOn: true,
        isComplete: true,
        restedAt: null,
      },
      {
        id: 's3',
        name: 'K14',
        revision: 1,
        usedRatio: 0.1,
        flownS: 0,
        isOn: false,
        isComplete: true,
        restedAt: '2026-10-01T10:00:00Z',
      },
    ],
    nextSetId: 's2',
  };
  const { sent } = pretendServer(answers(aCare(), { 'GET /care/c1/rotation': turns, 'PUT /sets/s1': {} }));
  show();
  const rest = await region('Rest and rotate');
  expect(within(rest).getByRole('heading', { name: 'K13 is next: it has flown least' })).toBeTruthy();
  expect(plain(rest.textContent)).toContain('10 % used, 0.0 h, resting since 1 Oct 2026');
  await userEvent.click(within(rest).getByRole('button', { name: 'Rest K12' }));
  expect(sent.at(-1)!.body).toEqual({ name: 'K12', craftId: 'c1', isResting: true, revision: 2 });
});
