import { describe, expect, test } from '@jest/globals';
import { screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { AirView, HealthView, PersonView } from '@zivvo/contract';
import { heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as SettingsPage } from './SettingsPage.tsx';

const health: HealthView = {
  status: 'ok',
  version: '0.1.0',
  database: { kind: 'embedded', schema: '0011_sent_back', postgres: '18.1' },
  workshop: { name: 'My workshop', kind: 'own' },
  now: '2026-11-24T12:00:00Z',
};
const people: PersonView[] = [
  { id: 'p1', name: 'Irva Solt' },
  { id: 'p2', name: 'Benno Krail' },
];
const air: AirView = {
  temperatureC: 6,
  pressurePa: 100_400,
  humidityRatio: 0.8,
  densityKgPerM3: 1.2501,
  densityAltitudeM: -200,
  readAt: '2026-11-24T07:30:00Z',
};
const plain = (text: string | null): string => (text ?? '').replace(/\u202f/g, ' ');

function show(answers: object = {}) {
  const server = pretendServer({
    'GET /health': health,
    'GET /people': listed(people),
    'GET /air': { air },
    ...answers,
  });
  renderInApp(<SettingsPage />, { address: '/settings' });
  return server;
}
const box = (name: string | RegExp): HTMLInputElement => screen.getByRole('textbox', { name });
const group = (name: string): ReturnType<typeof within> => within(screen.getByRole('group', { name }));

test('whose workshop it is, and on which database it stands, is said in the head', async () => {
  show();
  await heading('The workshop as you like it');
  expect(await screen.findByText('My workshop · Zivvo 0.1.0 · database 0011_sent_back, PostgreSQL 18.1')).toBeTruthy();
});

describe('who works', () => {
  test('one of those who are known is chosen', async () => {
    show();
    const choice = await screen.findByRole('combobox', { name: 'At work on this browser' });
    await screen.findByRole('option', { name: 'Benno Krail' });
    await userEvent.selectOptions(choice, 'Benno Krail');
    expect((choice as HTMLSelectElement).value).toBe('p2');
    await userEvent.selectOptions(choice, 'nobody chosen');
    expect((choice as HTMLSelectElement).value).toBe('');
  });

  test('a new person is added and at work at once; a name of spaces is nobody', async () => {
    const { sent } = show({ 'POST /people': { id: 'p3', name: 'Runa Feld' } });
    await heading('The workshop as you like it');
    const add = screen.getByRole('button', { name: 'Add and choose' });
    expect(add).toHaveProperty('disabled', true);
    await userEvent.type(box('New person'), '   ');
    expect(add).toHaveProperty('disabled', true);
    await userEvent.type(box('New person'), 'Runa Feld{Enter}');
    await waitFor(() => expect(sent.filter((s) => s.method === 'POST')).toHaveLength(1));
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({ name: expect.stringContaining('Runa Feld') });
    await waitFor(() => expect(box('New person').value).toBe(''));
  });

  test('a name that the server refuses stays in its field', async () => {
    show({ 'POST /people': new Refusal(409, 'nameTaken', 'There is an Irva Solt already.') });
    await heading('The workshop as you like it');
    await userEvent.type(box('New person'), 'Irva Solt{Enter}');
    expect(await screen.findByText(/There is an Irva Solt already/)).toBeTruthy();
    expect(box('New person').value).toBe('Irva Solt');
  });
});

describe('the air', () => {
  test('what was read stands in the fields, with what it makes of the day', async () => {
    show();
    await waitFor(() => expect(box('Temperature').value).toBe('6'));
    expect([box('Pressure here').value, box('Humidity').value]).toEqual(['1004', '80']);
    expect(plain(group('Air today').getByText(/by CIPM-2007/).textContent)).toMatch(
      /^1\.250 kg\/m³ by CIPM-2007, as thin as the standard air at -200 m\. Read 24 Nov 2026/,
    );
  });

  test('typed in any unit it is sent in SI', async () => {
    const { sent } = show({ 'GET /air': { air: null }, 'POST /air': { air } });
    await heading('The workshop as you like it');
    await userEvent.type(await screen.findByRole('textbox', { name: 'Temperature' }), '41 °F');
    await userEvent.type(box('Pressure here'), '98.9 kPa');
    await userEvent.type(box('Humidity'), '55');
    await userEvent.click(screen.getByRole('button', { name: 'Read the air' }));
    await waitFor(() => expect(sent.filter((s) => s.method === 'POST')).toHaveLength(1));
    expect(sent.find((s) => s.method === 'POST')!.body).toMatchObject({
      temperatureC: expect.closeTo(5, 9),
      pressurePa: expect.closeTo(98_900, 6),
      humidityRatio: expect.closeTo(0.55, 9),
    });
  });

  test.each([
    ['Temperature', '-80', /Temperature/],
    ['Humidity', '150', /Humidity/],
    ['Pressure here', '12 bananas', /bananas|unit/],
  ])('%s of %s is told at its field and not sent', async (name, text, told) => {
    const { sent } = show();
    await waitFor(() => expect(box('Temperature').value).toBe('6'));
    await userEvent.clear(box(name));
    await userEvent.type(box(name), text);
    await userEvent.click(screen.getByRole('button', { name: 'Read the air' }));
    await waitFor(() => expect(box(name).getAttribute('aria-invalid')).toBe('true'));
    const described = box(name)
      .getAttribute('aria-describedby')!
      .split(' ')
      .map((id) => document.getElementById(id)?.textContent ?? '');
    expect(described.join(' ')).toMatch(told);
    expect(box(name).value).toBe(text);
    expect(sent.filter((s) => s.method === 'POST')).toEqual([]);
  });
});

describe('units, theme and keys', () => {
  test('units and single letters are the reader’s own and take at once', async () => {
    show();
    await heading('The workshop as you like it');
    for (const [name, unit] of [
      ['Lengths', 'mm'],
      ['Thrust', 'N'],
      ['Weights', 'oz'],
      ['Temperature', '°F'],
    ] as const) {
      const choice = screen.getByRole<HTMLSelectElement>('combobox', { name });
      await userEvent.selectOptions(choice, unit);
      expect(choice.value).toBe(unit);
    }
    // The air is told in the chosen unit from now on: 6 °C are 42.8 °F.
    await waitFor(() => expect(box('Temperature').value).toBe('42.8'));
    const letters = screen.getByRole<HTMLInputElement>('switch', { name: 'Single letters work as keys' });
    const before = letters.checked;
    await userEvent.click(letters);
    expect(letters.checked).toBe(!before);
  });

  test('the theme follows the system until somebody chooses', async () => {
    show();
    await heading('The workshop as you like it');
    const night = screen.getByRole<HTMLInputElement>('radio', { name: 'Night hangar' });
    await userEvent.click(night);
    expect(night.checked).toBe(true);
    expect(document.documentElement.getAttribute('data-mantine-color-scheme')).toBe('dark');
    await userEvent.click(screen.getByRole('radio', { name: 'Paper' }));
    expect(document.documentElement.getAttribute('data-mantine-color-scheme')).toBe('light');
  });
});
