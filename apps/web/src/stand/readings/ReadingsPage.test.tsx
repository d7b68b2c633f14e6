import { expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { pretendServer } from '../../test/pretendServer.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { Component as ReadingsPage } from './ReadingsPage.tsx';

// There is no canvas here to draw hatching on.
jest.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);

const open = () =>
  renderInApp(
    <Routes>
      <Route path="/stand/runs/:runId/readings" element={<ReadingsPage />} />
    </Routes>,
    { address: '/stand/runs/r1/readings' },
  );
const run = { id: 'r1', campaignId: 'c1', propModelId: 'm1', ordinal: 2, recordingId: null };

test('a run without a recording says so, and leads back', async () => {
  pretendServer({ 'GET /runs/r1': run });
  open();
  expect(await screen.findByRole('heading', { level: 1 })).toHaveProperty(
    'textContent',
    'This run has only its points',
  );
  expect(screen.getByRole('link', { name: 'Back to the run' })).toBeTruthy();
});

test('a run that went on leads to each of its parts, and to a table of what is shown', async () => {
  const recording = {
    id: 'x1',
    tracks: [
      {
        name: 'stand',
        rateHz: 100,
        channels: [{ name: 'thrustN', dimension: 'force', unit: 'N', sampleType: 'float32', step: 1 }],
      },
    ],
    segments: [
      { startedAt: '2026-11-24T18:00:00Z', startS: 0, endS: 60 },
      { startedAt: '2026-11-24T18:05:00Z', startS: 300, endS: 420 },
    ],
  };
  pretendServer({
    'GET /runs/r1': { ...run, recordingId: 'x1' },
    'GET /recordings/x1': recording,
    'GET /live/r1': { points: [], limits: {} },
    'GET /prop-models/m1': { id: 'm1', label: '7x4', makerName: null },
  });
  open();
  await userEvent.click(await screen.findByRole('button', { name: /· 1:00$/ }));
  const file = screen.getByRole('link', { name: /as a table/ });
  await waitFor(() => expect(file.getAttribute('href')).toBe('/api/recordings/x1/samples.csv?track=0&fromS=0&toS=60'));
  await userEvent.click(screen.getByRole('button', { name: /Further/ }));
  expect(file.getAttribute('href')).toContain('toS=120');
});
