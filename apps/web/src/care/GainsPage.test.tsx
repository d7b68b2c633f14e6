import { listed, pretendServer } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { GainSheetView } from '@zivvo/contract';
import { renderInApp } from '../test/renderInApp.tsx';
import { aCraft, aModel, aSheet, otherModel } from './care.fixtures.ts';
import { Component as GainsPage } from './GainsPage.tsx';

function show(sheets: GainSheetView[], more: object = {}) {
  const server = pretendServer({
    'GET /crafts/c1': aCraft,
    'GET /gain-sheets/of-craft/c1': listed(sheets),
    'GET /prop-models': { items: [aModel, otherModel], total: 2 },
    'PUT /gain-sheets/s1': aSheet(),
    ...more,
  });
  renderInApp(<GainsPage />, { address: '/care/gains?craft=c1' });
  return server;
}
const axis = (name: string): Promise<HTMLElement> => screen.findByRole('group', { name });
const headline = (name: string): Promise<HTMLElement> => screen.findByRole('heading', { level: 1, name });

test('nothing is flown before the rest is excluded', async () => {
  const { sent } = show([aSheet({ checks: [], missingChecks: ['balance', 'tightness', 'shaft'] })]);
  await headline('First exclude what gains cannot mend');
  expect(within(await axis('Roll')).getByRole('button', { name: 'It flutters' })).toHaveProperty('disabled', true);
  await userEvent.click(screen.getByRole('checkbox', { name: /Nuts, arms and controller/ }));
  expect(sent[0]).toMatchObject({ body: { checks: ['tightness'], testFlights: [], revision: 3 } });
});

test('each answer is a look at the value that was proposed', async () => {
  const { sent } = show([aSheet()]);
  await headline('Fly pitch at 100 %');
  const roll = await axis('Roll');
  expect(roll.textContent).toContain('never under 48 %');
  await userEvent.click(within(roll).getByRole('button', { name: 'It flutters' }));
  await userEvent.click(within(roll).getByRole('button', { name: /^It rests/ }));
  await userEvent.click(within(roll).getByRole('button', { name: /^It drifts/ }));
  expect(sent.map((s) => (s.body as { testFlights: unknown[] }).testFlights.at(-1))).toEqual([
    { axis: 'roll', percent: 97, doesFlutter: true, doesReturn: null },
    { axis: 'roll', percent: 97, doesFlutter: false, doesReturn: true },
    { axis: 'roll', percent: 97, doesFlutter: false, doesReturn: false },
  ]);
});

test('the vertical axis is only asked whether it pumps', async () => {
  show([aSheet()]);
  const vertical = await axis('Vertical');
  expect(
    within(vertical)
      .getAllByRole('button')
      .map((b) => b.textContent),
  ).toEqual(['It pumps', 'It restsafter a push it comes back']);
});

test('the old props are back: so are their values', async () => {
  show([aSheet({ fitted: 'old', rollPercent: 104 })]);
  await headline('Brindlow 7.2×3.9×3 is back on: back to its own sheet');
  expect(screen.getByRole('region', { name: 'Back to the old sheet' }).textContent).toContain('Roll 104 %');
});

test('a weaker prop proposes nothing, and a floor that still flutters is not the gain', async () => {
  const { advice } = aSheet();
  show([
    aSheet({
      scale: { ...aSheet().scale!, proportionalRatio: 1.2 },
      advice: { ...advice, roll: { status: 'notTheGain', percent: 48 } },
    }),
  ]);
  await headline('Nothing is lowered: these props answer no harder');
  expect((await axis('Roll')).textContent).toContain('it is not the gain');
  expect(within(await axis('Roll')).queryByRole('button')).toBeNull();
});

test('a new sheet needs two different props and whole percents', async () => {
  const { sent } = show([], { 'POST /gain-sheets': aSheet() });
  await headline('A sheet for the props that are new');
  const open = screen.getByRole('button', { name: 'Open the sheet' });
  const now = screen.getByRole('combobox', { name: 'Props now' });
  await screen.findAllByRole('option', { name: 'Tamsk 7.7×4×3' });
  await userEvent.selectOptions(now, 'm1');
  expect(screen.getByText('the same as before')).toBeTruthy();
  await userEvent.selectOptions(now, 'm2');
  const roll = screen.getByRole('textbox', { name: 'Roll, %' });
  await userEvent.clear(roll);
  await userEvent.type(roll, '98.5');
  expect(screen.getByText('1 to 400, whole')).toBeTruthy();
  expect(open).toHaveProperty('disabled', true);
  await userEvent.clear(roll);
  await userEvent.type(roll, '98');
  await userEvent.click(open);
  expect(sent[0]).toMatchObject({
    body: {
      craftId: 'c1',
      oldPropModelId: 'm1',
      newPropModelId: 'm2',
      rollPercent: 98,
      payloadKg: 0,
      packSeriesCount: 6,
    },
  });
});
