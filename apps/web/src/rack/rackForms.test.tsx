import { field, fill, heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CreateBatchDto, CreatePropModelDto, PropModelView } from '@zivvo/contract';
import { INCH_M } from '@zivvo/core';
import { Route, Routes } from 'react-router';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as DeliveriesPage } from './DeliveriesPage.tsx';
import { Component as NewDeliveryPage } from './NewDeliveryPage.tsx';
import { Component as PartsPage } from './PartsPage.tsx';
import { Component as PropModelFormPage } from './PropModelFormPage.tsx';
import { Component as RackPage } from './RackPage.tsx';

const MODEL_ID = '01922904-1a0d-72b8-80eb-3103f832088a';
const model = (more: Partial<PropModelView> = {}): PropModelView =>
  ({
    id: MODEL_ID,
    revision: 2,
    createdAt: '2026-11-01T08:00:00Z',
    updatedAt: '2026-11-01T08:00:00Z',
    label: '7.2x3.9x3',
    makerName: 'Brindlow',
    diameterM: 7.2 * INCH_M,
    pitchM: 3.9 * INCH_M,
    bladeCount: 3,
    tipShape: 'standard',
    material: 'polycarbonate',
    labelHand: null,
    measuredDiameterM: 7.18 * INCH_M,
    measuredMassKg: 0.0079,
    speedLimitRpm: null,
    boreDiameterM: 0.005,
    mountKind: 'nut',
    hubThicknessM: null,
    cwLetters: null,
    ccwLetters: null,
    cutFromModelId: null,
    bagPrice: 9,
    bagCount: 6,
    colour: null,
    note: null,
    wantedCount: 0,
    wantedCraftId: null,
    stock: { cwCount: 3, ccwCount: 1, countedAt: '2026-11-20T09:00:00Z' },
    seriesIndex: 0,
    ...more,
  }) as PropModelView;

function show(address: string, answers: Record<string, unknown>) {
  const server = pretendServer({
    'GET /prop-models': { items: [model()], total: 1 },
    'GET /crafts': { items: [{ id: 'c1', name: 'Petrel', rotors: [] }], total: 1 },
    'GET /pack-pieces': listed([]),
    'GET /spare-parts': listed([]),
    'GET /batches': { items: [], total: 0 },
    ...answers,
  });
  renderInApp(
    <Routes>
      <Route path="/rack" element={<RackPage />} />
      <Route path="/rack/new" element={<PropModelFormPage />} />
      <Route path="/rack/deliveries" element={<DeliveriesPage />} />
      <Route path="/rack/deliveries/new" element={<NewDeliveryPage />} />
      <Route path="/rack/parts" element={<PartsPage />} />
      <Route path="/rack/:propModelId" element={<PropModelFormPage />} />
      <Route path="*" element={<p>elsewhere</p>} />
    </Routes>,
    { address },
  );
  return server;
}

describe('the rack', () => {
  test('models from the smallest up, measured beside the label, the hand that is short named', async () => {
    show('/rack', {
      'GET /prop-models': {
        items: [
          model({ id: 'b', label: '9x5x2', diameterM: 9 * INCH_M, stock: null, measuredDiameterM: null }),
          model(),
        ],
        total: 2,
      },
    });
    await heading(/^2 models, /);
    const rows = screen.getAllByRole('row').slice(1);
    expect(rows.map((r) => /7\.2×3\.9×3|9×5×2/.exec(r.textContent)![0])).toEqual(['7.2×3.9×3', '9×5×2']);
    expect(rows[0]!.textContent).toMatch(/measured 7\.18.in/);
    expect(screen.getByText(/One model was never counted/)).toBeTruthy();
  });

  test('an empty rack asks for the first label', async () => {
    show('/rack', { 'GET /prop-models': { items: [], total: 0 } });
    await heading('The rack is empty');
    expect(screen.getByText(/Type what is moulded on the hub/)).toBeTruthy();
  });
});

describe('a prop model', () => {
  test('its label is read while it is typed, and goes to the server as it stands with what was read', async () => {
    const { sent } = show('/rack/new', {
      'POST /prop-models': model(),
      [`POST /prop-models/${MODEL_ID}/stock`]: model(),
    });
    await heading('What is moulded on the hub?');
    await userEvent.type(field(/label/i), '7.2x3.9x3');
    await waitFor(() => expect(field('Diameter')).toHaveProperty('value', '7.2'));
    expect(field('Pitch')).toHaveProperty('value', '3.9');
    expect(field('Blades')).toHaveProperty('value', '3');
    await userEvent.click(screen.getByRole('button', { name: 'Put on the rack' }));
    await waitFor(() => expect(sent.length).toBeGreaterThan(0));
    const body = sent[0]!.body as CreatePropModelDto;
    expect(body).toMatchObject({ label: '7.2x3.9x3', bladeCount: 3, tipShape: 'standard', material: 'unknown' });
    expect(body.diameterM).toBeCloseTo(7.2 * INCH_M, 9);
  });

  test('an electric plane’s letters propose slim blades; width and angle go along as they were measured', async () => {
    const { sent } = show('/rack/new', { 'POST /prop-models': model() });
    await heading('What is moulded on the hub?');
    await userEvent.type(field(/label/i), '10x5E x2');
    expect(await screen.findByRole('radio', { name: /^slim/ })).toHaveProperty('checked', true);
    expect(screen.getByText(/is for electric planes: slim blades, likely/)).toBeTruthy();
    await userEvent.click(screen.getByRole('radio', { name: /^usual/ }));
    await fill(/^Blade width there/, '19.5');
    await fill(/^Blade angle there/, '13.5');
    await userEvent.click(screen.getByRole('button', { name: 'Put on the rack' }));
    await waitFor(() => expect(sent.length).toBeGreaterThan(0));
    expect(sent[0]!.body).toMatchObject({
      planform: 'usual',
      chord75M: expect.closeTo(0.0195, 9),
      angle75Rad: expect.closeTo((13.5 * Math.PI) / 180, 9),
    });
  }, 60_000);

  test('a label with more than one sensible reading is never taken in silence', async () => {
    show('/rack/new', {});
    await heading('What is moulded on the hub?');
    await userEvent.type(field(/label/i), '1147');
    const readings = await screen.findAllByRole('radio');
    expect(readings.length).toBeGreaterThan(1);
  });

  test('a pitch beyond two and a half times the diameter is said at its field and not sent', async () => {
    const { sent } = show('/rack/new', {});
    await heading('What is moulded on the hub?');
    await userEvent.type(field(/label/i), '7.2x3.9x3');
    await waitFor(() => expect(field('Pitch')).toHaveProperty('value', '3.9'));
    await fill('Pitch', '20');
    await userEvent.click(screen.getByRole('button', { name: 'Put on the rack' }));
    expect(await screen.findByText('Pitch: at most 2.5 times the diameter.')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  test('a recount goes as a count of its own, a change on the revision that was seen', async () => {
    const { sent } = show(`/rack/${MODEL_ID}`, {
      [`GET /prop-models/${MODEL_ID}`]: model(),
      [`PUT /prop-models/${MODEL_ID}`]: model({ revision: 3 }),
      [`POST /prop-models/${MODEL_ID}/stock`]: model(),
      [`PUT /prop-models/${MODEL_ID}/stock`]: model(),
    });
    await heading('Brindlow 7.2×3.9×3');
    await fill(/^CCW pieces/, '4');
    await userEvent.click(screen.getByRole('button', { name: 'Save model' }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent[0]!.body).toMatchObject({ revision: 2, label: '7.2x3.9x3' });
    expect(sent[1]!.body).toEqual({ cwCount: 3, ccwCount: 4 });
  });

  test('a model that others hold on to stays, with the reason', async () => {
    show(`/rack/${MODEL_ID}`, {
      [`GET /prop-models/${MODEL_ID}`]: model(),
      [`DELETE /prop-models/${MODEL_ID}`]: new Refusal(409, 'inUse', 'Petrel flies it now.'),
    });
    await heading('Brindlow 7.2×3.9×3');
    await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
    expect(await screen.findByText('It stays. Petrel flies it now.')).toBeTruthy();
  });
});

describe('deliveries', () => {
  test('how many pieces wait, and each delivery with how far it is', async () => {
    show('/rack/deliveries', {
      'GET /batches': {
        items: [
          {
            id: 'b1',
            propModelId: MODEL_ID,
            pieceCount: 8,
            checkedInCount: 8,
            location: 'drawer 1',
            createdAt: '2026-11-01T09:00:00Z',
          },
          {
            id: 'b2',
            propModelId: MODEL_ID,
            pieceCount: 4,
            checkedInCount: 3,
            location: null,
            createdAt: '2026-11-20T09:00:00Z',
          },
        ],
        total: 2,
      },
    });
    await heading('1 piece waits to be checked in');
    expect(
      screen
        .getAllByRole('row')
        .slice(1)
        .map((r) => within(r).getAllByRole('cell')[2]!.textContent),
    ).toEqual(['all', '3']);
  });

  test('a bag of nothing is not sent; counted by hand it is', async () => {
    const { sent } = show('/rack/deliveries/new', { 'POST /batches': {} });
    await heading('What is in the bag?');
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Model' }), 'Brindlow 7.2×3.9×3');
    await userEvent.click(screen.getByRole('button', { name: 'Start the check-in' }));
    expect(await screen.findByText('Count at least one piece of either hand.')).toBeTruthy();
    expect(sent).toEqual([]);
    await fill('CW pieces', '4');
    await fill('CCW pieces', '3');
    await userEvent.click(screen.getByRole('button', { name: 'Start the check-in' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    expect(sent[0]!.body as CreateBatchDto).toMatchObject({
      propModelId: MODEL_ID,
      cwCount: 4,
      ccwCount: 3,
      eitherCount: 0,
      resolutionKg: 1e-5,
    });
  });

  test('without a model the label comes first', async () => {
    show('/rack/deliveries/new', { 'GET /prop-models': { items: [], total: 0 } });
    await heading('Type the label of the model first');
    expect(screen.queryByRole('button', { name: 'Start the check-in' })).toBeNull();
  });
});

describe('motors, packs and small parts', () => {
  const motor = {
    id: 'x',
    revision: 1,
    tag: 'M7',
    craftId: 'c1',
    place: 'rearLeft',
    hours: 12.5,
    overLimitCount: 0,
    strikeCount: 1,
    bearing: 'gritty',
    shaftPlayM: null,
    shaftRunOutM: 0.00004,
    note: null,
  };

  test('what was struck or grinds is named first', async () => {
    show('/rack/parts', {
      'GET /motor-pieces': listed([motor, { ...motor, id: 'y', tag: 'M8', strikeCount: 0, bearing: 'smooth' }]),
    });
    await heading('Look at M7: struck or gritty');
    expect((await screen.findByRole('row', { name: /M7/ })).textContent).toMatch(/Petrel, rear left12\.51/);
  });

  test('small parts are counted one by one, never under nothing', async () => {
    const screws = { id: 's', revision: 3, name: 'M2 × 8', count: 0, perPieceCount: 2 };
    const { sent } = show('/rack/parts', {
      'GET /motor-pieces': listed([]),
      'GET /spare-parts': listed([screws]),
      'PUT /spare-parts/s': screws,
      'POST /spare-parts': screws,
    });
    await heading('No motor has a tag yet');
    await userEvent.click(await screen.findByRole('button', { name: 'One M2 × 8 less' }));
    await userEvent.click(screen.getByRole('button', { name: 'One M2 × 8 more' }));
    await waitFor(() => expect(sent).toHaveLength(2));
    expect(sent.map((s) => (s.body as { count: number }).count)).toEqual([0, 1]);
    await userEvent.type(field('Screws, nuts, rings'), 'lock nut');
    await userEvent.click(screen.getByRole('button', { name: 'Count them' }));
    await waitFor(() => expect(sent).toHaveLength(3));
    expect(sent[2]!.body).toMatchObject({ name: 'lock nut', count: 0, perPieceCount: 2 });
  });
});
