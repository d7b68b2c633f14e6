import { nearStations } from './Rail.tsx';
import { address } from '../../test/onPage.ts';
import { listed, pretendServer } from '../../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { AirView } from '@zivvo/contract';
import { calibrate, INCH_M, pickGrid, type LineStop, type PickSetting, type StandCalibration } from '@zivvo/core';
import { HeldDesk, type HeldQuestion } from '../../test/ownThreadDesk.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { pickSettingOf } from '../../pick/pickCraftOf.ts';
import type { PickWork } from '../../pick/pickWork.ts';
import { craftForPick, pickAnswers } from '../../pick/pick.fixtures.ts';
import { PickPool, replacePickPool } from '../../pick/pickPool.ts';
import { askAhead } from '../../shared/api/ahead.ts';
import { startPick } from '../../pick/startPick.ts';
import { store } from '../../shared/store/store.ts';
import { InHandBar } from './InHandBar.tsx';
import { Rail } from './Rail.tsx';

const crafts = {
  items: [
    { id: 'c1', name: 'Petrel', ownerName: 'Seabird count' },
    { id: 'c2', name: 'Skua', ownerName: null },
  ],
  total: 2,
};
const models = { items: [{ id: 'm1', label: '7.2x3.9x3', makerName: 'Brindlow' }], total: 1 };
const air = { temperatureC: 6, pressurePa: 100_400, humidityRatio: 0.7, densityKgPerM3: 1.25 };
const nobody = (): void => undefined;

function bar(address: string, more: Record<string, unknown> = {}) {
  pretendServer({
    'GET /crafts': crafts,
    'GET /prop-models': models,
    'GET /air': { air },
    'GET /people': listed([]),
    ...more,
  });
  renderInApp(<InHandBar onFind={nobody} onKeys={nobody} />, { address });
}

test('what is in hand is changed where it stands, and the address owns it', async () => {
  bar('/stand?craft=c1');
  await screen.findByRole('option', { name: 'Petrel · Seabird count' });
  expect(screen.getByRole('combobox', { name: /Craft/ })).toHaveProperty('value', 'c1');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: /Prop/ }), 'Brindlow 7.2×3.9×3');
  expect(address()).toBe('/stand?craft=c1&prop=m1');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: /Craft/ }), 'Skua');
  expect(address()).toContain('craft=c2');
  await userEvent.selectOptions(screen.getByRole('combobox', { name: /Craft/ }), 'none in hand');
  expect(address()).not.toContain('craft=');
});

test('today’s air stands in the reader’s units, or says that nobody has read it', async () => {
  bar('/stand');
  await waitFor(() => expect(screen.getByTitle(/Today’s air/).textContent).toMatch(/6.°C · 1,004.hPa · 1\.250.kg\/m³/));
});

test('an unread air and an unknown person say so', async () => {
  bar('/stand', { 'GET /air': { air: null } });
  expect(await screen.findByText('not read yet')).toBeTruthy();
  expect(screen.getByTitle(/Who is working/).textContent).toBe('Who works?');
});

test('the rail is the work in its order, each station with its stop, and what is in hand goes along', async () => {
  const stops: LineStop[] = [
    { station: 'pick', state: 'full', code: 'pick.measured', values: { count: 3 } },
    { station: 'fit', state: 'notched', code: 'fit.stop.wrong', values: { count: 1, of: 4 } },
  ];
  pretendServer({ 'GET /crafts/c1/line': { stops } });
  renderInApp(<Rail />, { address: '/fit?craft=c1' });
  const links = screen.getAllByRole('link');
  expect(links.map((l) => l.title)).toEqual([
    'Today',
    'Crafts',
    'Rack',
    'Pick',
    'Balance',
    'Fit',
    'Stand',
    'Fly',
    'Listen',
    'Judge',
    'Care',
    'Settings',
  ]);
  expect(links.every((l) => l.getAttribute('href')!.endsWith('?craft=c1'))).toBe(true);
  expect((await screen.findByRole('img', { name: 'Fit: 1 of 4 arms are wrong' })).dataset.state).toBe('notched');
  expect(screen.getByRole('img', { name: /^Pick:/ }).dataset.state).toBe('full');
});

/** A pool whose workers only listen. */
function listeningPool(): HeldQuestion[] {
  const desk = new HeldDesk<PickWork>();
  replacePickPool(new PickPool(() => desk));
  return desk.asked;
}

test('questions are asked ahead of the page; for Pick the runs too, and its first map is begun', async () => {
  const petrel = craftForPick({ id: 'c9' });
  pretendServer({ ...pickAnswers(petrel), 'GET /air': { air } });
  const asked = (): string[] => Object.keys(store.getState().api.queries).sort();
  askAhead(new URL('http://zivvo.test/fit?craft=c9'));
  expect(asked()).toEqual([
    'air(undefined)',
    'craft("c9")',
    'crafts(undefined)',
    'people(undefined)',
    'propModels(undefined)',
  ]);
  const told = listeningPool();
  await startPick(new URL('http://zivvo.test/pick?craft=c9'));
  await startPick(new URL('http://zivvo.test/pick?craft=c9&family=4-square-carbon'));
  await startPick(new URL('http://zivvo.test/pick'));
  expect(asked()).toContain('calibration("c9")');
  const setting = pickSettingOf(petrel, air as AirView);
  const grid = pickGrid(setting.craft, 7.2 * INCH_M);
  expect(told.map(({ name, args }) => [name, ...args])).toEqual([
    ['warm', setting, grid, { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' }],
    ['warm', setting, grid, { bladeCount: 4, tipShape: 'square', material: 'carbon' }],
  ]);
});

test('the first map of Pick is begun anew when the craft’s own runs have come', async () => {
  const skua = craftForPick({ id: 'c8' });
  const byRuns = calibrate(Array.from({ length: 9 }, (_, i) => ({ pitchRatio: 0.4 + 0.03 * i, logRatio: 0.08 })));
  const calibration: StandCalibration = {
    whole: { thrust: byRuns, power: byRuns },
    families: {},
    models: {},
    motor: null,
    standVoltageV: null,
    runCount: 9,
    propCount: 1,
  };
  pretendServer({
    ...pickAnswers(skua),
    'GET /air': { air },
    'GET /crafts/c8/calibration': { calibration, isSimulated: false },
  });
  const told = listeningPool();
  await startPick(new URL('http://zivvo.test/pick?craft=c8'));
  expect(told.map(({ name, args }) => [name, (args[0] as PickSetting).calibration])).toEqual([
    ['warm', null],
    ['warm', calibration],
  ]);
});

test('a craft that is gone is left to the page of Pick to tell', async () => {
  pretendServer({ 'GET /air': { air }, 'GET /prop-models': models });
  const told = listeningPool();
  await startPick(new URL('http://zivvo.test/pick?craft=gone'));
  expect(told).toEqual([]);
});

test.each([
  [7, 0, 0],
  [7, 1, 0],
  [7, 3, 2],
  [7, 6, 3],
  [7, -1, 0],
  [12, 11, 8],
])('of %i stations with number %i open, the narrow rail begins at %i', (count, open, from) => {
  expect(nearStations(count, open)).toEqual({ from, to: from + 4 });
});
