import { address } from '../../test/onPage.ts';
import { pretendServer } from '../../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { LineStop } from '@zivvo/core';
import { renderInApp } from '../../test/renderInApp.tsx';
import { askAhead } from '../ahead.ts';
import { store } from '../store.ts';
import { InHandBar } from './InHandBar.tsx';
import { Rail } from './Rail.tsx';

const crafts = { items: [{ id: 'c1', name: 'Petrel', ownerName: 'Seabird count' }, { id: 'c2', name: 'Skua', ownerName: null }], total: 2 };
const models = { items: [{ id: 'm1', label: '7.2x3.9x3', makerName: 'Brindlow' }], total: 1 };
const air = { temperatureC: 6, pressurePa: 100_400, humidityRatio: 0.7, densityKgPerM3: 1.25 };
const nobody = (): void => undefined;

function bar(address: string, more: Record<string, unknown> = {}) {
  pretendServer({ 'GET /crafts': crafts, 'GET /prop-models': models, 'GET /air': { air }, 'GET /people': [], ...more });
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
  const stops: LineStop[] = [{ station: 'pick', state: 'full', code: 'pick.measured', values: { count: 3 } }, { station: 'fit', state: 'notched', code: 'fit.stop.wrong', values: { count: 1, of: 4 } }];
  pretendServer({ 'GET /crafts/c1/line': { stops } });
  renderInApp(<Rail />, { address: '/fit?craft=c1' });
  const links = screen.getAllByRole('link');
  expect(links.map((l) => l.title)).toEqual(['Crafts', 'Rack', 'Pick', 'True', 'Fit', 'Stand', 'Care', 'Settings']);
  expect(links.every((l) => l.getAttribute('href')!.endsWith('?craft=c1'))).toBe(true);
  expect((await screen.findByRole('img', { name: 'Fit: 1 of 4 arms are wrong' })).dataset.state).toBe('notched');
  expect(screen.getByRole('img', { name: /^Pick:/ }).dataset.state).toBe('full');
});

test('questions are asked ahead of the page, those of Pick only where Pick is opened', async () => {
  pretendServer({ 'GET /crafts/c9': { id: 'c9' }, 'GET /air': { air }, 'GET /prop-models': models, 'GET /crafts/c9/calibration': { calibration: null, isSimulated: false } });
  const asked = (): string[] => Object.keys(store.getState().api.queries).sort();
  askAhead(new URL('http://zivvo.test/fit?craft=c9'));
  expect(asked()).toEqual(['air(undefined)', 'craft("c9")', 'propModels(undefined)']);
  askAhead(new URL('http://zivvo.test/pick?craft=c9'));
  expect(asked()).toContain('calibration("c9")');
  await waitFor(() => expect(Object.values(store.getState().api.queries).every((q) => q?.status === 'fulfilled')).toBe(true));
});
