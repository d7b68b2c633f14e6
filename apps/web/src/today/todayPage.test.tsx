import { describe, expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { TodayCraftView, TodayView } from '@zivvo/contract';
import { stopAt, type Reason, type ReadyVerdict } from '@zivvo/core';
import { pretendServer, Refusal } from '../test/pretendServer.ts';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as TodayPage } from './TodayPage.tsx';
import { byNeed, todayHeadline } from './todayView.ts';

const reason = (code: Reason['code'], values: Reason['values'] = {}, severity: Reason['severity'] = 'action') => ({
  code,
  severity,
  values,
  figure: null,
});
const aCraft = (name: string, verdict: ReadyVerdict, missing: Reason[] = []): TodayCraftView => ({
  id: name.toLowerCase(),
  name,
  ownerName: null,
  verdict,
  missing: missing.map((r) => ({ verdict: 'mend', where: 'care', reason: r })),
  missingCount: missing.length,
  stops: [stopAt('pick')('full', 'pick.measured', { count: 2 }), stopAt('judge')('empty', 'judge.stop.none')],
});
const empty: TodayView = {
  at: '2026-11-24T12:00:00Z',
  crafts: [],
  craftTotal: 0,
  due: [],
  dueTotal: 0,
  jobs: [],
  recent: [],
};
const ticket = {
  reason: reason('due.ticket', { complaint: 'hums', days: 2 }),
  path: '/care/tickets',
  craftId: 'petrel',
};
const bag = {
  reason: reason('due.checkIn', { name: 'Tamsk 7.7×4×3', count: 6, supplier: '' }),
  path: '/rack/deliveries/b1',
  craftId: null,
};
const full: TodayView = {
  at: '2026-11-24T12:00:00Z',
  crafts: [
    aCraft('Petrel', 'fit'),
    aCraft('Skua', 'grounded', [reason('care.feelMotor', { tag: 'M2' }), reason('care.feelMotor', { tag: 'M3' })]),
    aCraft('Eider', 'look'),
  ],
  craftTotal: 3,
  due: [ticket, bag],
  dueTotal: 2,
  jobs: [
    { ...ticket, minutes: 30 },
    { ...bag, minutes: 15 },
  ],
  recent: [
    {
      kind: 'campaign',
      id: 'k1',
      title: 'Cliff season',
      detail: 'Petrel',
      craftId: 'petrel',
      propModelId: null,
      at: '2026-11-20T10:00:00Z',
    },
  ],
};
const headline = async (): Promise<string | null> => (await screen.findByRole('heading', { level: 1 })).textContent;
const show = (answer: TodayView | Refusal): void => {
  pretendServer({ 'GET /today': answer });
  renderInApp(<TodayPage />, { address: '/today' });
};

describe('the morning', () => {
  test('says who may fly and how much waits; each craft with its line, the one that needs most first', async () => {
    show(full);
    expect(await headline()).toBe('Petrel may fly; 2 things wait');
    const shelf = screen.getByRole('region', { name: 'May it fly?' });
    expect(
      within(shelf)
        .getAllByRole('listitem')
        .map((li) => li.textContent),
    ).toEqual([
      expect.stringMatching(/^Skuagrounded.*M2.* 1 more$/),
      expect.stringMatching(/^Eiderto be looked over/),
      expect.stringMatching(/^Petrelmay fly/),
    ]);
    expect(within(shelf).getAllByRole('img', { name: 'Judge: nothing decided yet' })).toHaveLength(3);
    const waits = screen.getByRole('region', { name: 'What waits' });
    expect(
      within(waits)
        .getByRole('link', { name: /Petrel: “hums” is open for 2 days/ })
        .getAttribute('href'),
    ).toBe('/care/tickets?craft=petrel');
    expect(screen.getByRole('link', { name: 'Cliff season' }).getAttribute('href')).toBe('/stand/k1?craft=petrel');
  });

  test('minutes at hand choose the jobs that fit', async () => {
    show(full);
    const bench = await screen.findByRole('region', { name: 'Not a flying day' });
    expect(within(bench).getAllByRole('listitem')).toHaveLength(1);
    await userEvent.click(within(bench).getByRole('radio', { name: /^60/ }));
    expect(within(bench).getAllByRole('listitem')).toHaveLength(2);
    await userEvent.click(within(bench).getByRole('radio', { name: /^15/ }));
    expect(within(bench).getByRole('listitem').textContent).toContain('6 pieces of Tamsk 7.7×4×3');
  });

  test('an empty workshop is asked what brings it here', async () => {
    show(empty);
    expect(await headline()).toBe('What brings you here?');
    expect(screen.getByRole('navigation', { name: 'First steps' })).toBeTruthy();
  });

  test('a server that fails says so, and the page offers another try', async () => {
    show(new Refusal(500, 'broken', 'Something broke', 'Nothing was changed.'));
    expect(await screen.findByText('Something broke')).toBeTruthy();
  });

  test('a long list is told in part, and opens', async () => {
    const due = Array.from({ length: 10 }, (_, i) => ({ ...bag, path: `/rack/deliveries/b${i}` }));
    show({ ...full, due, dueTotal: 12 });
    const waits = await screen.findByRole('region', { name: 'What waits' });
    expect(within(waits).getAllByRole('listitem')).toHaveLength(7);
    await userEvent.click(within(waits).getByRole('button', { name: '5 more' }));
    expect(within(waits).getAllByRole('listitem')).toHaveLength(10);
  });
});

test.each<[string, TodayCraftView[], number, string]>([
  [
    'two that may',
    [aCraft('Petrel', 'fit'), aCraft('Eider', 'fit')],
    0,
    'Petrel and Eider may fly; nothing else waits',
  ],
  ['one after a look', [aCraft('Eider', 'unsigned')], 1, 'Eider may fly after the checks on the field; 1 thing waits'],
  ['none', [aCraft('Skua', 'grounded')], 3, 'Nothing may fly yet; 3 things wait'],
  ['many', ['a', 'b', 'c'].map((n) => aCraft(n, 'fit')), 0, '3 craft may fly; nothing else waits'],
])('%s: the headline', (_what, crafts, dueTotal, text) => expect(todayHeadline({ crafts, dueTotal })).toBe(text));

test('need stands before name', () =>
  expect(byNeed([aCraft('B', 'fit'), aCraft('A', 'fit'), aCraft('C', 'untrued')]).map((c) => c.name)).toEqual([
    'C',
    'A',
    'B',
  ]));
