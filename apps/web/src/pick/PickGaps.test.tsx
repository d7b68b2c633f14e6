import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { pretendServer, Refusal } from '../test/pretendServer.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { PickGaps } from './PickGaps.tsx';

test('what could not be read is said, and read again when asked', async () => {
  const server = pretendServer({
    'GET /air': { air: null },
    'GET /crafts/c1/calibration': new Refusal(500, 'internal', 'broken'),
  });
  renderInApp(<PickGaps craftId="c1" />);
  expect((await screen.findByRole('alert')).textContent).toMatch(/runs of this craft could not be read/);
  expect(screen.queryByText(/standard air/)).toBeNull();
  server.answers['GET /crafts/c1/calibration'] = { calibration: null, isSimulated: false };
  await userEvent.click(screen.getByRole('button', { name: 'Read them again' }));
  await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
});

test('while all was read nothing stands there', async () => {
  pretendServer({ 'GET /air': { air: null }, 'GET /crafts/c1/calibration': { calibration: null, isSimulated: false } });
  const { container } = renderInApp(<PickGaps craftId="c1" />);
  await new Promise((resolve) => setTimeout(resolve));
  expect(container.querySelector('[role=alert]')).toBeNull();
});
