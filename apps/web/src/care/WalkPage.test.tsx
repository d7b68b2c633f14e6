import { pretendServer, Refusal } from '../test/pretendServer.ts';
import { beforeEach, expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CreateWalkaroundDto } from '@zivvo/contract';
import { renderInApp } from '../test/renderInApp.tsx';
import { aCare, aCraft, aModel, aPiece, aWalk } from './care.fixtures.ts';
import { Component as WalkPage } from './WalkPage.tsx';

const answers = (more: object = {}) => ({
  'GET /crafts/c1': aCraft,
  'GET /care/c1': aCare(),
  'GET /prop-models': { items: [aModel], total: 1 },
  'POST /care/c1/walkarounds': aWalk,
  ...more,
});
const show = (): void => void renderInApp(<WalkPage />, { address: '/care/walk?craft=c1' });
const tap = async (name: RegExp | string): Promise<void> =>
  userEvent.click(await screen.findByRole('button', { name }));
const seen = async (count: number): Promise<void> => {
  for (let i = 0; i < count; i++) await tap(/ seen (nothing wrong there|the rest is good)$/);
};
const headline = (): string => screen.getByRole('heading', { level: 1 }).textContent!;

beforeEach(() => localStorage.clear());

test('three taps a prop, one prop after another, then the look is written down with what was seen', async () => {
  const { sent } = pretendServer(answers());
  show();
  await screen.findByRole('heading', { level: 1, name: 'AB12: top' });
  await seen(2);
  expect(headline()).toBe('AB12: edges and root');
  await seen(1);
  expect(headline()).toBe('CD34: top');
  expect(screen.getByRole('button', { name: 'Write the look down' })).toHaveProperty('disabled', true);
  await seen(3);
  expect(headline()).toBe('All seen: write it down');
  await tap(/^Write the look down/);
  await screen.findByText('Not yet');
  const body = sent[0]!.body as CreateWalkaroundDto;
  expect(body.looks.map((l) => [l.place, l.seen])).toEqual([
    ['frontLeft', ['top', 'underside', 'edges']],
    ['frontRight', ['top', 'underside', 'edges']],
  ]);
  expect(body.durationS).toBeGreaterThan(0);
});

test('where something is wrong: place first, then what can be there, and both can be taken back', async () => {
  pretendServer(answers());
  show();
  await tap(/^Something is wrong/);
  await tap('bore');
  const offered = screen.getByRole('region', { name: 'What is seen' });
  expect(within(offered).queryByRole('button', { name: 'bent' })).toBeNull();
  await tap('Another place');
  await tap('leading edge');
  await tap('nick, felt');
  const found = await screen.findByRole('list', { name: 'Found here' });
  expect(found.textContent).toContain('nick, felt: leading edge');
  expect(screen.getByRole('button', { name: /AB12, 0 of 3 sides seen, something found/ })).toBeTruthy();
  await userEvent.click(within(found).getByRole('button', { name: 'Take back' }));
  expect(screen.queryByRole('list', { name: 'Found here' })).toBeNull();
});

test('a tap too many goes back, and a look under way is there after a reload', async () => {
  pretendServer(answers());
  const first = renderInApp(<WalkPage />, { address: '/care/walk?craft=c1' });
  await screen.findByRole('heading', { level: 1, name: 'AB12: top' });
  await seen(2);
  await tap('One tap back');
  expect(headline()).toBe('AB12: underside');
  first.unmount();
  show();
  expect(await screen.findByRole('heading', { level: 1, name: 'AB12: underside' })).toBeTruthy();
  await tap('Start again');
  expect(headline()).toBe('AB12: top');
});

test('a server that refuses leaves the look on the page', async () => {
  pretendServer(
    answers({ 'POST /care/c1/walkarounds': new Refusal(422, 'care.noSuchArm', 'Petrel has no arm nose.') }),
  );
  show();
  await screen.findByRole('heading', { level: 1, name: 'AB12: top' });
  await seen(6);
  await tap(/^Write the look down/);
  expect((await screen.findByRole('alert')).textContent).toContain('Petrel has no arm nose.');
  expect(headline()).toBe('All seen: write it down');
});

test('a piece to be retired is retired with its reason, and Fit comes next', async () => {
  const white = {
    ...aWalk,
    outcome: 'retire',
    looks: [
      {
        ...aWalk.looks[0]!,
        outcome: 'retire',
        reasons: [
          {
            code: 'care.white',
            severity: 'danger',
            values: { place: 'rootUnderside', material: 'polycarbonate' },
            figure: null,
          },
        ],
      },
    ],
  };
  const { sent } = pretendServer(
    answers({
      'POST /care/c1/walkarounds': white,
      'GET /care/c1': aCare({
        ready: { verdict: 'grounded', missing: [] },
        pieces: [aPiece('AB12', 'frontLeft', { openOutcome: 'retire' }), aPiece('CD34', 'frontRight')],
      }),
      'POST /pieces/actions': [],
    }),
  );
  show();
  await screen.findByRole('heading', { level: 1, name: 'AB12: top' });
  await seen(6);
  await tap(/^Write the look down/);
  expect(await screen.findByRole('heading', { level: 1, name: 'AB12: retire' })).toBeTruthy();
  expect(
    screen.getByText('White at the root, underside: the polycarbonate has yielded and will tear there.'),
  ).toBeTruthy();
  await tap('Retire AB12 and fit a spare');
  await screen.findByText(/^\/fit/);
  expect(sent.at(-1)).toMatchObject({
    path: '/pieces/actions',
    body: { ids: ['AB12'], action: 'retire', as: 'scrapped', reason: 'found on the walkaround' },
  });
});

test('without a craft in hand the shelf is offered', async () => {
  pretendServer({ 'GET /crafts': { items: [aCraft], total: 1 } });
  renderInApp(<WalkPage />, { address: '/care/walk' });
  expect(await screen.findByRole('button', { name: 'Petrel' })).toBeTruthy();
});
