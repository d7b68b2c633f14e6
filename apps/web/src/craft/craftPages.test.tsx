import { address, field, fill, heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CraftDto, CraftView } from '@zivvo/contract';
import { carryThrustN, estimateMotor, layoutKind, layOut, needsDiagonal, type Layout } from '@zivvo/core';
import { Route, Routes } from 'react-router';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as CraftFormPage } from './CraftFormPage.tsx';
import { Component as CraftPage } from './CraftPage.tsx';
import { Component as CraftsPage } from './CraftsPage.tsx';

const MODEL_ID = '01922904-1a0d-72b8-80eb-3103f832088a';
const model = {
  id: MODEL_ID,
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18288,
  measuredDiameterM: null,
  seriesIndex: 0,
};

function craftOf(layout: Layout = 'quadX', more: Partial<CraftView> = {}): CraftView {
  const diagonalM = needsDiagonal(layout) ? 0.294 : null;
  const rotors = layOut({ layout, diagonalM, arms: null });
  const kind = layoutKind(layout);
  return {
    id: 'c1',
    revision: 3,
    createdAt: '2026-11-01T08:00:00Z',
    updatedAt: '2026-11-01T08:00:00Z',
    name: 'Petrel',
    ownerName: 'Seabird count',
    kind,
    layout,
    rotors,
    massKg: 1.92,
    diagonalM,
    arms: null,
    gearRatio: null,
    clearanceDiameterM: 0.2,
    groundClearanceM: null,
    boomClearanceM: null,
    shaftDiameterM: 0.005,
    motorLabel: '2507 1080 kV',
    statorDiameterM: 0.025,
    statorHeightM: 0.007,
    kvRpmPerV: 1080,
    motorResistanceOhm: 0.12,
    motorNoLoadCurrentA: 0.7,
    motorMassKg: 0.04,
    estimatedFields: ['motorResistanceOhm'],
    motorLimitA: null,
    escLimitA: 42,
    packChemistry: 'lipo',
    packSeriesCount: 6,
    packParallelCount: 1,
    packCapacityAh: 4,
    kits: [],
    referencePropModelId: MODEL_ID,
    note: null,
    use: null,
    weights: null,
    carryThrustN: carryThrustN(1.92, rotors.length, kind),
    ...more,
  } as unknown as CraftView;
}

/** Twelve fields typed one after another, on a machine that does something else beside. */
const WHOLE_FORM_MS = 60_000;

function show(address: string, answers: Record<string, unknown>) {
  const server = pretendServer({
    'GET /prop-models': { items: [model], total: 1 },
    'GET /campaigns': { items: [], total: 0 },
    'GET /pack-pieces': listed([]),
    ...answers,
  });
  renderInApp(
    <Routes>
      <Route path="/crafts" element={<CraftsPage />} />
      <Route path="/crafts/new" element={<CraftFormPage />} />
      <Route path="/crafts/:craftId" element={<CraftPage />} />
      <Route path="/crafts/:craftId/edit" element={<CraftFormPage />} />
    </Routes>,
    { address },
  );
  return server;
}

test('the shelf: each craft with what it flies, opened by Enter and taken in hand', async () => {
  show('/crafts', {
    'GET /crafts': {
      items: [craftOf(), craftOf('tractor', { id: 'c2', name: 'Eider', referencePropModelId: null })],
      total: 2,
    },
    'GET /crafts/c2': craftOf('tractor', { id: 'c2', name: 'Eider' }),
  });
  await heading('2 crafts on the shelf');
  expect((await screen.findByRole('row', { name: /Petrel/ })).textContent).toMatch(/1\.92.kg.*Brindlow 7\.2×3\.9×3/);
  screen.getByRole('row', { name: /Eider/ }).focus();
  await userEvent.keyboard('{Enter}');
  expect(address()).toBe('/crafts/c2?craft=c2');
});

test('an empty shelf offers what people come with, and the demo beside it', async () => {
  show('/crafts', { 'GET /crafts': { items: [], total: 0 }, 'POST /demo': { address: 'http://127.0.0.1:4700' } });
  await heading('What brings you here?');
  const steps = within(screen.getByRole('navigation', { name: 'First steps' }));
  expect(steps.getAllByRole('link').map((l) => l.getAttribute('href'))).toEqual([
    '/crafts/new?then=pick',
    '/rack/new?then=delivery',
    '/fit/sketch',
    '/stand/first',
  ]);
  await userEvent.click(steps.getByRole('button', { name: /Open the demo workshop/ }));
  expect((await steps.findByRole('link', { name: /The demo workshop is open/ })).getAttribute('href')).toBe(
    'http://127.0.0.1:4700',
  );
});

test('a usual craft fills the form; its figures are estimated until they are typed over', async () => {
  const { sent } = show('/crafts/new', { 'POST /crafts': craftOf(), 'GET /crafts/c1': craftOf() });
  await heading('Describe the craft');
  await userEvent.selectOptions(
    screen.getByRole('combobox', { name: /^Begin with a usual one/ }),
    'Five-inch, six cells',
  );
  expect(field(/^Take-off weight/)).toHaveProperty('value', '700');
  expect(field(/^Motor label/)).toHaveProperty('value', '2306 1800');
  expect(screen.getByRole('textbox', { name: /^Take-off weight.*estimated/ })).toBeTruthy();
  await fill('Name', 'Dipper');
  await fill(/^Take-off weight/, '0.74 kg');
  expect(screen.queryByRole('textbox', { name: /^Take-off weight.*estimated/ })).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Put on the shelf' }));
  await waitFor(() => expect(sent.length).toBeGreaterThan(0));
  const body = sent[0]!.body as CraftDto;
  expect(body).toMatchObject({ name: 'Dipper', massKg: 0.74, packSeriesCount: 6, layout: 'quadX' });
  expect(body.estimatedFields).toEqual(expect.arrayContaining(['escLimitA', 'kvRpmPerV', 'motorMassKg']));
  expect(body.estimatedFields).not.toContain('massKg');
});

test(
  'the motor’s label is read, what follows from it is estimated, and a typed figure is no estimate any more',
  async () => {
    const { sent } = show('/crafts/new', { 'POST /crafts': craftOf(), 'GET /crafts/c1': craftOf() });
    await heading('Describe the craft');
    await fill('Name', 'Petrel');
    await fill('Take-off weight', '1.92 kg');
    await fill('Motor diagonal', '294 mm');
    await fill(/^Motor label/, '2507 1080 kV');
    const estimate = estimateMotor(0.025, 0.007, 1080);
    await waitFor(() => expect(field(/^Winding/)).toHaveProperty('value', expect.stringMatching(/^\d+(\.\d+)?$/)));
    expect(screen.getAllByText('estimated', { selector: 'span' })).toHaveLength(4);
    expect(field(/^Draw beside the motors/)).toHaveProperty('placeholder', '13');
    await fill(/^No-load current/, '0.9');
    expect(screen.getAllByText('estimated', { selector: 'span' })).toHaveLength(3);
    await fill(/^Draw beside the motors/, '25');
    expect(screen.getAllByText('estimated', { selector: 'span' })).toHaveLength(2);
    await fill('Cells in series', '6');
    await fill('Capacity', '4');
    await fill('C rating', '75');
    await fill('Gain of the ducts', '1.1');
    await userEvent.click(screen.getByRole('button', { name: 'Put on the shelf' }));
    await waitFor(() => expect(sent).toHaveLength(1));
    const body = sent[0]!.body as CraftDto;
    expect(body).toMatchObject({
      name: 'Petrel',
      massKg: 1.92,
      statorDiameterM: 0.025,
      statorHeightM: 0.007,
      kvRpmPerV: 1080,
      motorNoLoadCurrentA: 0.9,
      gearRatio: null,
      arms: null,
      packSeriesCount: 6,
      packCRating: 75,
      packCellResistanceOhm: null,
      packPieceId: null,
      standbyPowerW: 25,
      ductThrustRatio: 1.1,
    });
    expect(body.diagonalM).toBeCloseTo(0.294, 9);
    expect(body.motorResistanceOhm).toBeCloseTo(estimate.resistanceOhm, 9);
    expect([...body.estimatedFields].sort()).toEqual(['motorMassKg', 'motorResistanceOhm']);
  },
  WHOLE_FORM_MS,
);

test('a pack of the shelf stands for its figures; typed again, they are kept to be changed', async () => {
  const pack = {
    id: '01922904-1a0d-72b8-80eb-3103f8320101',
    tag: 'R2',
    chemistry: 'lipo',
    seriesCount: 6,
    parallelCount: 1,
    capacityAh: 1.3,
    cellResistanceOhm: 0.0031,
    cRating: 100,
  };
  const { sent } = show('/crafts/c1/edit', {
    'GET /crafts/c1': craftOf(),
    'GET /pack-pieces': listed([pack]),
    'PUT /crafts/c1': craftOf(),
  });
  await heading('Edit Petrel');
  await userEvent.selectOptions(await screen.findByRole('combobox', { name: 'Pack of the shelf' }), pack.id);
  expect(screen.getByText(/6S1P .*1\.3.Ah, 3\.1.mΩ a cell, measured/)).toBeTruthy();
  expect(screen.queryByRole('textbox', { name: 'Capacity' })).toBeNull();
  await userEvent.click(screen.getByRole('button', { name: 'Save craft' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]!.body).toMatchObject({
    packPieceId: pack.id,
    packCapacityAh: 1.3,
    packCellResistanceOhm: 0.0031,
    packCRating: 100,
  });
});

test('what is missing or makes no sense is said at its field, nothing is sent and nothing lost', async () => {
  const { sent } = show('/crafts/new', {});
  await heading('Describe the craft');
  await fill('Name', 'Petrel');
  await fill('Take-off weight', 'heavy');
  await userEvent.click(screen.getByRole('button', { name: 'Put on the shelf' }));
  expect((await screen.findByRole('alert')).textContent).toMatch(/entries need another look\. Nothing was lost\./);
  expect(field('Take-off weight').getAttribute('aria-invalid')).toBe('true');
  expect(field('Name')).toHaveProperty('value', 'Petrel');
  expect(sent).toEqual([]);
});

test('measured arms: rows come and go, and a layout that cannot be built is told', async () => {
  show('/crafts/new', {});
  await heading('Describe the craft');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Layout' }), 'Measured arms');
  await userEvent.click(screen.getByRole('button', { name: 'Add an arm' }));
  await fill('Arm 1, forward', '120 mm');
  await userEvent.click(screen.getByRole('button', { name: 'Add an arm' }));
  expect(screen.getByRole('textbox', { name: 'Arm 2, forward' })).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Take arm 2 out' }));
  expect(screen.queryByRole('textbox', { name: 'Arm 2, forward' })).toBeNull();
  expect(field('Arm 1, forward')).toHaveProperty('value', '120 mm');
});

test('a geared craft is written down with its sign; what the server refuses stands at the field', async () => {
  const { sent } = show('/crafts/c1/edit', {
    'GET /crafts/c1': craftOf(),
    'PUT /crafts/c1': new Refusal(422, 'invalidField', 'gearRatio must be 0.5 to 20', 'A field cannot be accepted'),
  });
  await heading('Edit Petrel');
  await fill('Gear', '-2.5');
  await userEvent.click(screen.getByRole('button', { name: 'Save craft' }));
  await waitFor(() => expect(sent).toHaveLength(1));
  expect(sent[0]!.body).toMatchObject({ gearRatio: -2.5, revision: 3 });
  expect(await screen.findByText(/gearRatio must be 0\.5 to 20/)).toBeTruthy();
  expect(field('Gear')).toHaveProperty('value', '-2.5');
});

test('a craft that somebody else changed meanwhile is not overwritten', async () => {
  show('/crafts/c1/edit', {
    'GET /crafts/c1': craftOf(),
    'PUT /crafts/c1': new Refusal(
      409,
      'revisionConflict',
      'This change was made on revision 3; the craft is at revision 4. Load it again, nothing was overwritten.',
    ),
  });
  await heading('Edit Petrel');
  await fill('Name', 'Petrel II');
  await userEvent.click(screen.getByRole('button', { name: 'Save craft' }));
  const conflict = await screen.findByRole('alert', { name: 'Changed meanwhile' });
  expect(conflict.textContent).toContain('Petrel II yours');
  expect(conflict.textContent).toContain('Petrel theirs');
  expect(field('Name')).toHaveProperty('value', 'Petrel II');
});

test('the sheet says what each rotor must give, what is estimated, and whether the discs clear', async () => {
  show('/crafts/c1', { 'GET /crafts/c1': craftOf() });
  await heading(/^Petrel needs 480.g from each rotor to hover$/);
  expect(screen.getByText(/of air between the discs of Brindlow 7\.2×3\.9×3/)).toBeTruthy();
  expect(screen.getByRole('button', { name: 'Winding: estimated, show the working' })).toBeTruthy();
  expect(address()).toContain('craft=c1');
});

test('discs that meet are a danger, and a prop larger than the frame clears too', async () => {
  show('/crafts/c1', {
    'GET /crafts/c1': craftOf('quadX', {
      diagonalM: 0.24,
      rotors: layOut({ layout: 'quadX', diagonalM: 0.24, arms: null }),
      clearanceDiameterM: 0.17,
    }),
  });
  await heading(/Petrel needs/);
  expect(await screen.findByText(/The discs of Brindlow 7\.2×3\.9×3 meet/)).toBeTruthy();
  expect(screen.getByText(/the frame clears 6\.69.in/)).toBeTruthy();
});

test('a plane is carried by its wing, and its gear is told', async () => {
  show('/crafts/c1', { 'GET /crafts/c1': craftOf('tractor', { name: 'Eider', gearRatio: -3 }) });
  await heading(/^Eider weighs 1\.92.kg behind one prop$/);
  expect(screen.getByText(/In cruise each prop pulls 240.g: the wing carries, estimated/)).toBeTruthy();
  expect(screen.getByText('3.00 turns of the motor for one of the prop, reversed')).toBeTruthy();
});

test('a figure opens its working; a deleted craft leaves the shelf', async () => {
  const working = {
    key: 'carryThrustN',
    title: 'craft.carryThrustN',
    inputs: [{ symbol: 'm', what: 'massKg', value: 1.92, dimension: 'mass', mark: 'measured' }],
    lines: [{ symbol: 'T', formula: 'm * 9.80665 / 4', value: 4.707, dimension: 'force' }],
    result: {
      value: 4.707,
      dimension: 'force',
      mark: 'measured',
      origin: null,
      uncertainty: null,
      working: 'carryThrustN',
    },
    source: 'hoverShare',
    notes: [],
  };
  const { sent } = show('/crafts/c1', {
    'GET /crafts/c1': craftOf(),
    'GET /crafts/c1/working': working,
    'DELETE /crafts/c1': {},
    'GET /crafts': { items: [], total: 0 },
  });
  await heading(/Petrel needs/);
  await userEvent.click(within(screen.getByRole('complementary')).getByRole('button', { name: 'working' }));
  expect(address()).toContain('working=carryThrustN');
  expect(await screen.findByText(/Hover in still air/)).toBeTruthy();
  await userEvent.click(screen.getByRole('button', { name: 'Delete' }));
  await heading('What brings you here?');
  expect(sent[0]).toMatchObject({ method: 'DELETE', path: '/crafts/c1' });
});

test('a craft that flies in several ways: another pack and other motors are typed by what differs', async () => {
  const { sent } = show('/crafts/c1/edit', { 'GET /crafts/c1': craftOf(), 'PUT /crafts/c1': craftOf() });
  await heading('Edit Petrel');
  await userEvent.click(screen.getByRole('button', { name: 'Add a way it flies' }));
  const kit = within(screen.getByRole('group', { name: 'Kit 1' }));
  const put = async (name: string | RegExp, text: string): Promise<void> => {
    const box = kit.getByRole('textbox', { name });
    await userEvent.clear(box);
    await userEvent.paste(text);
  };
  await put('Called', 'camera on, four cells');
  await put(/^Heavier by/, '180 g');
  await userEvent.click(kit.getByRole('checkbox', { name: 'Another pack' }));
  await put('Cells in series', '4');
  await put('Capacity', '5.2');
  await userEvent.click(kit.getByRole('checkbox', { name: 'Other motors' }));
  await put(/^Motor label/, '2812 900');
  await userEvent.click(screen.getByRole('button', { name: 'Save craft' }));
  await waitFor(() => expect(sent.length).toBeGreaterThan(0));
  expect((sent[0]!.body as CraftDto).kits).toMatchObject([
    {
      name: 'camera on, four cells',
      addedMassKg: expect.closeTo(0.18, 9),
      pack: { chemistry: 'lipo', seriesCount: 4, capacityAh: 5.2 },
      motor: { label: '2812 900', statorDiameterM: expect.closeTo(0.028, 9), kvRpmPerV: 900 },
      escLimitA: null,
    },
  ]);
});
