import { describe, expect, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { CreateInstrumentCheckDto, InstrumentCheckView, InstrumentsView } from '@zivvo/contract';
import { checkedQuantities, STALE_DAYS } from '@zivvo/core';
import { defaultUnits } from '@zivvo/words';
import { Route, Routes } from 'react-router';
import { pretendServer } from '../../test/pretendServer.ts';
import { renderInApp } from '../../test/renderInApp.tsx';
import { blankCheck, checkSays, readEntry } from './checkEntry.ts';
import { Component as InstrumentsPage } from './InstrumentsPage.tsx';

const check = (more: Partial<InstrumentCheckView> = {}) =>
  ({
    id: 'k1',
    createdAt: '2026-09-01T18:00:00Z',
    quantity: 'thrustN',
    method: 'knownMass',
    reachesBack: false,
    armM: null,
    pairs: [],
    note: 'after the move',
    factor: 1.013,
    apartRatio: 0,
    ...more,
  }) as InstrumentCheckView;
const view = (checks: InstrumentCheckView[] = [], ageDays = 84): InstrumentsView => ({
  standings: checkedQuantities.map((quantity) => {
    const own = checks.find((c) => c.quantity === quantity);
    const staleAfterDays = STALE_DAYS[quantity];
    return own
      ? { quantity, state: ageDays > staleAfterDays ? 'stale' : 'fresh', ageDays, staleAfterDays, checkId: own.id }
      : { quantity, state: 'unchecked', ageDays: null, staleAfterDays, checkId: null };
  }),
  checks,
});

function show(shown: InstrumentsView, address = '/stand/instruments') {
  const server = pretendServer({ 'GET /instruments': shown, 'POST /instruments/checks': shown });
  renderInApp(
    <Routes>
      <Route path="/stand/instruments" element={<InstrumentsPage />} />
    </Routes>,
    { address },
  );
  return server;
}

describe('what a check says while it is typed', () => {
  const typed = (pairs: [string, string][]) => ({
    ...blankCheck('thrustN'),
    pairs: pairs.map(([actual, shown]) => ({ actual, shown })),
  });
  const says = (pairs: [string, string][]) => checkSays('thrustN', readEntry('thrustN', typed(pairs), defaultUnits));

  test('nothing while a number lacks or cannot be read', () => {
    expect(says([['500', '']])).toBeNull();
    expect(says([['500', 'many']])).toBeNull();
  });
  test('the factor; that it bends; that it is another unit', () => {
    const even: [string, string][] = [
      ['200', '196'],
      ['2000', '1960'],
    ];
    expect(says(even)).toMatchObject({ isGood: true, isDoubtful: false, text: expect.stringContaining('1.020') });
    const bent: [string, string][] = [
      ['200', '200'],
      ['2000', '1900'],
    ];
    expect(says(bent)).toMatchObject({ isGood: true, isDoubtful: true, text: expect.stringContaining('apart') });
    const ounces: [string, string][] = [
      ['500', '17.6'],
      ['1000', '35.2'],
    ];
    expect(says(ounces)).toMatchObject({ isGood: false, text: expect.stringContaining('another unit') });
  });
  test('a torque arm waits for its length; a decimal comma is read', () => {
    const arm = { ...blankCheck('torqueNm'), pairs: [{ actual: '500', shown: '0,96' }] };
    expect(checkSays('torqueNm', readEntry('torqueNm', arm, defaultUnits))).toBeNull();
    const read = readEntry('torqueNm', { ...arm, arm: '200' }, defaultUnits);
    expect(read.armM).toBeCloseTo(0.2, 9);
    expect(checkSays('torqueNm', read)?.isGood).toBe(true);
  });
});

test('an empty workshop: the scale is asked for first; what lacks is where the cursor goes', async () => {
  const server = show(view());
  expect(await screen.findByRole('heading', { level: 1, name: 'Nothing is checked yet' })).toBeTruthy();
  const user = userEvent.setup();
  await user.type(screen.getByRole('textbox', { name: /Mass on it 1/ }), '500');
  await user.tab();
  await user.keyboard('490');
  await user.click(screen.getByRole('button', { name: 'Keep the check' }));
  expect(server.sent).toHaveLength(0);
  expect(screen.getByRole('textbox', { name: /Mass on it 2/ })).toBe(document.activeElement);
  await user.keyboard('2000');
  await user.tab();
  await user.keyboard('1960');
  expect(screen.getByRole('status').textContent).toContain('1.020');
  await user.click(screen.getByRole('button', { name: 'Keep the check' }));
  await waitFor(() => expect(server.sent).toHaveLength(1));
  const body = server.sent[0]!.body as CreateInstrumentCheckDto;
  expect(body).toMatchObject({ quantity: 'thrustN', method: 'knownMass', reachesBack: false, armM: null });
  expect(body.pairs[1]!.actual).toBeCloseTo(19.613, 3);
});

test('a stale instrument is due and asked for first; another one is a row away and stays in the address', async () => {
  show(view([check()]));
  expect(await screen.findByRole('heading', { level: 1, name: 'The scale is due' })).toBeTruthy();
  expect(screen.getByRole('row', { name: /Scale .*84 days ago, trusted for 30 days/ })).toBeTruthy();
  expect(screen.getByRole('region', { name: 'Checks that were made' }).textContent).toContain('after the move');
  await userEvent.click(screen.getByRole('row', { name: /Ammeter never/ }));
  expect(screen.getByRole('combobox', { name: 'Held against' })).toBeTruthy();
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Held against' }), 'putBack');
  expect(screen.getByRole('textbox', { name: 'Charger put back, Ah' })).toBeTruthy();
});
