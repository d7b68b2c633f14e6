import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { StandView } from '@zivvo/contract';
import { pretendServer, Refusal } from '../../test/pretendServer.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { StandCut } from './StandCut.tsx';

const onStand = (phase: NonNullable<StandView['run']>['phase'], throttleRatio = 0): StandView => ({
  run: { runId: 'r1', campaignId: 'c1', propModelId: 'm1', phase, throttleRatio, cut: null },
});

test('whatever page is open, what turns is said and cut, and then gone', async () => {
  const server = pretendServer({ 'GET /stand': onStand('running', 0.35), 'POST /stand/cut': onStand('held') });
  renderInApp(<StandCut />, { address: '/care' });
  expect((await screen.findByRole('status', { name: 'On the stand' })).textContent).toContain(
    'The stand turns at 35 %.',
  );
  expect(screen.getByRole('link', { name: 'Go to it' }).getAttribute('href')).toContain('/stand/live/r1');
  server.answers['GET /stand'] = onStand('held');
  await userEvent.click(screen.getByRole('button', { name: 'Cut the stand' }));
  await waitFor(() => expect(screen.queryByRole('status')).toBeNull());
  expect(server.sent).toMatchObject([{ path: '/stand/cut', body: { tabId: expect.any(String) } }]);
});

test('a server that falls silent while something is armed is said: the switch is what is left', async () => {
  const server = pretendServer({ 'GET /stand': onStand('armed') });
  renderInApp(<StandCut />, { address: '/rack' });
  expect((await screen.findByRole('status')).textContent).toContain('The stand is armed.');
  server.answers['GET /stand'] = new Refusal(500, 'internal', 'broken');
  await waitFor(() => expect(screen.getByRole('status').textContent).toContain('use your switch'), { timeout: 4000 });
});

test('on its own page, which has a larger cut, and while nothing is armed, nothing stands there', async () => {
  const server = pretendServer({ 'GET /stand': onStand('armed') });
  const { unmount } = renderInApp(<StandCut />, { address: '/stand/live/r1' });
  await new Promise((resolve) => setTimeout(resolve));
  expect(screen.queryByRole('status')).toBeNull();
  unmount();
  server.answers['GET /stand'] = onStand('tared');
  renderInApp(<StandCut />, { address: '/care' });
  await new Promise((resolve) => setTimeout(resolve));
  expect(screen.queryByRole('status')).toBeNull();
});
