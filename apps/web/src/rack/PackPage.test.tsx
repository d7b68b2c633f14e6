import { heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { MotorPieceView, PackPieceView, PackServiceView, PartEventView } from '@zivvo/contract';
import { packRecord } from '@zivvo/core';
import { Route, Routes } from 'react-router';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as MotorPage } from './MotorPage.tsx';
import { Component as PackPage } from './PackPage.tsx';

const row = { revision: 4, createdAt: '2026-10-01T10:00:00Z', updatedAt: '2026-11-01T10:00:00Z' };
const pack: PackPieceView = {
  ...row,
  id: 'p1',
  tag: 'P1',
  chemistry: 'lipo',
  seriesCount: 6,
  parallelCount: 1,
  capacityAh: 4,
  cellResistanceOhm: 0.0034,
  cRating: 45,
  cycleCount: 18,
  note: null,
};
const loads = [
  { restingCellV: 4.16, loadedCellV: 3.9, cellOhm: 0.0042 },
  { restingCellV: 3.98, loadedCellV: 3.2, cellOhm: 0.0044 },
];
const service: PackServiceView = {
  runs: loads.map((l, i) => ({
    ...l,
    runId: `r${i}`,
    campaignId: 'k',
    campaignName: 'Cliff season',
    propModelId: 'm1',
    keptAt: '2026-11-12T10:00:00Z',
    maxCurrentA: 42,
  })),
  record: packRecord('lipo', loads),
};
const history: PartEventView[] = [
  {
    sequence: 2,
    at: '2026-11-02T10:00:00Z',
    personName: 'Irva Solt',
    change: 'changed',
    values: { cycleCount: 18, cellResistanceOhm: 0.0041, note: null },
  },
];
const models = {
  items: [
    {
      id: 'm1',
      label: '7.2x3.9x3',
      makerName: 'Brindlow',
      diameterM: 0.18,
      pitchM: 0.1,
      bladeCount: 3,
      tipShape: 'standard',
    },
  ],
  total: 1,
};
const plain = (text: string | null): string => (text ?? '').replace(/\u202f/g, ' ');

const routes = (
  <Routes>
    <Route path="/rack/parts/packs/new" element={<PackPage />} />
    <Route path="/rack/parts/packs/:packId" element={<PackPage />} />
    <Route path="/rack/parts/motors/:motorId" element={<MotorPage />} />
    <Route path="*" element={<p>elsewhere</p>} />
  </Routes>
);
function show(address: string, more: object = {}) {
  const server = pretendServer({
    'GET /pack-pieces': listed([pack]),
    'GET /pack-pieces/p1/runs': service,
    'GET /pack-pieces/p1/history': listed(history),
    'GET /prop-models': models,
    'GET /crafts': { items: [], total: 0 },
    ...more,
  });
  renderInApp(routes, { address });
  return server;
}
const box = (name: string): HTMLElement => screen.getByRole('textbox', { name });

test('a pack says what it has been through, run by run, and who changed what', async () => {
  show('/rack/parts/packs/p1');
  await heading('P1 served 2 runs and was over-drawn in 1');
  const rows = within(screen.getByRole('table'))
    .getAllByRole('row')
    .slice(1)
    .map((r) => plain(r.textContent));
  expect(rows[1]).toContain('3.98 V3.20 V');
  expect(plain(screen.getByRole('complementary').textContent)).toContain(
    'Lowest under load: 3.20 V a cell; under 3.30 V this chemistry is over-drawn.',
  );
  expect((await screen.findByRole('region', { name: 'History of pack P1' })).textContent).toContain(
    'charges so far 18, resistance a cell 4.1 mΩ, note none',
  );
});

test('what the runs show of its resistance is taken over in one press, on the revision that was seen', async () => {
  const { sent } = show('/rack/parts/packs/p1', { 'PUT /pack-pieces/p1': { ...pack, revision: 5 } });
  await heading(/P1 served/);
  expect(plain(screen.getByRole('complementary').textContent)).toContain(
    'The last 2 runs show 4.3 mΩ a cell; predictions use 3.4 mΩ.',
  );
  await userEvent.click(screen.getByRole('button', { name: /^Predict with 4\.3/ }));
  expect(sent[0]).toMatchObject({ body: { tag: 'P1', cellResistanceOhm: 0.0043, cRating: 45, revision: 4 } });
});

test('a change is sent on the revision that was seen; a conflict overwrites nothing', async () => {
  const { sent } = show('/rack/parts/packs/p1', {
    'PUT /pack-pieces/p1': new Refusal(409, 'revisionConflict', 'Load it again, nothing was overwritten.'),
  });
  await heading(/P1 served/);
  await userEvent.clear(box('Charges so far'));
  await userEvent.type(box('Charges so far'), '19');
  await userEvent.click(screen.getByRole('button', { name: 'Save pack' }));
  const conflict = within(await screen.findByRole('alert', { name: 'Changed meanwhile' }));
  expect(sent[0]).toMatchObject({ body: { cycleCount: 19, revision: 4 } });
  // Both values stand there; nothing is overwritten before one is chosen.
  expect(conflict.getByText('19')).toBeTruthy();
  await userEvent.click(conflict.getByText('18'));
  await userEvent.click(conflict.getByRole('button', { name: 'Save as chosen' }));
  expect(sent[1]).toMatchObject({ body: { cycleCount: 18 } });
});

test('a new pack needs a tag, cells and a capacity', async () => {
  const { sent } = show('/rack/parts/packs/new', { 'POST /pack-pieces': pack });
  await heading('A pack gets its tag');
  await userEvent.click(screen.getByRole('button', { name: 'Put on the list' }));
  expect(await screen.findAllByText(/is allowed|enter something/)).not.toHaveLength(0);
  expect(sent).toEqual([]);
  for (const [name, text] of [
    ['Tag', 'K9'],
    ['Cells in series', '4'],
    ['Capacity', '1500 mAh'],
  ] as const)
    await userEvent.type(box(name), text);
  await userEvent.click(screen.getByRole('button', { name: 'Put on the list' }));
  await screen.findByText('elsewhere');
  expect(sent[0]).toMatchObject({
    method: 'POST',
    body: { tag: 'K9', seriesCount: 4, parallelCount: 1, capacityAh: 1.5, cycleCount: null },
  });
});

test('an address of no pack says so', async () => {
  show('/rack/parts/packs/p9');
  expect(await screen.findByText('No such pack')).toBeTruthy();
});

test('a motor says how it is, and its history speaks of arms and bearings', async () => {
  const motor: MotorPieceView = {
    ...row,
    id: 'm7',
    tag: 'M7',
    craftId: null,
    place: null,
    hours: 12.4,
    overLimitCount: 0,
    strikeCount: 2,
    bearing: 'dry',
    shaftPlayM: null,
    shaftRunOutM: 0.00004,
    note: null,
  };
  show('/rack/parts/motors/m7', {
    'GET /motor-pieces': listed([motor]),
    'GET /motor-pieces/m7/history': listed([
      {
        sequence: 1,
        at: '2026-11-02T10:00:00Z',
        personName: null,
        change: 'changed',
        values: { place: 'rearLeft', bearing: 'dry', shaftRunOutM: 0.00004 },
      },
    ]),
  });
  await heading('Motor M7 was struck 2 times: feel it');
  expect((await screen.findByRole('region', { name: 'History of motor M7' })).textContent).toMatch(
    /place rear left, bearing .*dry.*, run-out 0\.04 mm/,
  );
});
