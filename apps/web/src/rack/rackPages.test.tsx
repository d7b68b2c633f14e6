import { heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { describe, expect, test } from '@jest/globals';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { BatchDetailView, PieceDetailView, PieceSetView, PieceView } from '@zivvo/contract';
import { setState, yieldOf } from '@zivvo/core';
import { Route, Routes } from 'react-router';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as DeliveryPage } from './DeliveryPage.tsx';
import { Component as PiecePage } from './PiecePage.tsx';
import { Component as PiecesPage } from './PiecesPage.tsx';
import { Component as SetsPage } from './SetsPage.tsx';
import { Component as YieldPage } from './YieldPage.tsx';

const model = {
  id: 'm1',
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18288,
  measuredDiameterM: null,
  pitchM: 0.1,
  bladeCount: 3,
  tipShape: 'standard',
  boreDiameterM: 0.005,
};
const row = {
  revision: 1,
  createdAt: '2026-11-01T10:00:00Z',
  updatedAt: '2026-11-01T10:00:00Z',
  touchedAt: '2026-11-01T10:00:00Z',
};
const piece = (tag: string, more: Partial<PieceView> = {}): PieceView => ({
  ...row,
  id: tag,
  tag,
  propModelId: 'm1',
  batchId: 'b1',
  hand: 'cw',
  massKg: 0.0079,
  diameterM: 0.1824,
  boreFit: 'fits',
  look: 'good',
  hubThicknessM: null,
  droopM: null,
  bladeTags: null,
  colour: null,
  note: null,
  photoSha256: null,
  state: 'checkedIn',
  retiredAs: null,
  craftId: null,
  place: null,
  level: 0,
  setId: null,
  location: 'drawer 1',
  isTruedStatic: false,
  isTruedDynamic: false,
  ...more,
});
const list = (items: PieceView[], more: object = {}) => ({
  items,
  total: items.length,
  states: { checkedIn: items.length },
  ...more,
});
const plain = (text: string | null): string => (text ?? '').replace(/\u202f/g, ' ');

const routes = (
  <Routes>
    <Route path="/rack/pieces" element={<PiecesPage />} />
    <Route path="/rack/pieces/:pieceId" element={<PiecePage />} />
    <Route path="/rack/deliveries/:batchId" element={<DeliveryPage />} />
    <Route path="/rack/sets" element={<SetsPage />} />
    <Route path="/rack/yield" element={<YieldPage />} />
    <Route path="*" element={<p>elsewhere</p>} />
  </Routes>
);
function show(address: string, answers: Record<string, unknown>) {
  const server = pretendServer({
    'GET /prop-models': { items: [model], total: 1 },
    'GET /prop-models/m1': model,
    'GET /crafts': { items: [{ id: 'c1', name: 'Petrel', rotors: [] }], total: 1 },
    'GET /sets': listed([]),
    'GET /spare-parts': listed([]),
    'GET /pieces/available': [],
    ...answers,
  });
  renderInApp(routes, { address });
  return server;
}
const box = (name: string | RegExp): HTMLElement => screen.getByRole('textbox', { name });

describe('the list of pieces', () => {
  test('marked pieces are moved together, and nothing is sent without a place', async () => {
    const { sent } = show('/rack/pieces', {
      'GET /pieces': list([piece('AB12'), piece('CD34', { hand: 'ccw' })]),
      'POST /pieces/actions': [],
    });
    await heading('2 pieces');
    for (const tag of ['AB12', 'CD34']) await userEvent.click(screen.getByRole('checkbox', { name: `Mark ${tag}` }));
    const bulk = within(screen.getByRole('region', { name: 'Marked pieces' }));
    expect(bulk.getByText('2 pieces marked')).toBeTruthy();
    expect(bulk.getByRole('button', { name: 'Move' })).toHaveProperty('disabled', true);
    await userEvent.type(bulk.getByRole('textbox', { name: 'Move to' }), 'drawer 9');
    await userEvent.click(bulk.getByRole('button', { name: 'Move' }));
    expect(sent[0]).toMatchObject({
      path: '/pieces/actions',
      body: { ids: ['AB12', 'CD34'], action: 'move', location: 'drawer 9' },
    });
    await waitFor(() => expect(screen.queryByRole('region', { name: 'Marked pieces' })).toBeNull());
  });

  test('what the server refuses is said, and the marks stay', async () => {
    show('/rack/pieces', {
      'GET /pieces': list([piece('AB12')]),
      'POST /pieces/actions': new Refusal(422, 'piece.retired', 'Piece AB12 is retired: bring it back first.'),
    });
    await heading('1 piece');
    await userEvent.click(screen.getByRole('checkbox', { name: 'Mark AB12' }));
    const bulk = within(screen.getByRole('region', { name: 'Marked pieces' }));
    await userEvent.type(bulk.getByRole('textbox', { name: 'Because' }), 'white at the root');
    await userEvent.click(bulk.getByRole('button', { name: 'Retire' }));
    expect((await bulk.findByRole('alert')).textContent).toContain('is retired');
    expect(bulk.getByText('1 piece marked')).toBeTruthy();
  });

  test('a filter is part of the address and of what is asked; nothing found is said', async () => {
    const asked: string[] = [];
    show('/rack/pieces?state=retired', {
      'GET /pieces': ({ path }: { path: string }) => (asked.push(path), list([], { states: {} })),
    });
    expect(await screen.findByText('Nothing like that on the rack')).toBeTruthy();
    expect(asked[0]).toContain('state=retired');
    await userEvent.type(box('Find pieces'), 'zz');
    await waitFor(() => expect(asked.at(-1)).toContain('words=zz'));
  });

  test('an empty rack offers the first delivery; a long one is paged', async () => {
    show('/rack/pieces', { 'GET /pieces': list([piece('AB12')], { total: 450 }) });
    await heading('450 pieces');
    expect(screen.getByText('1 to 1 of 450')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Earlier' })).toHaveProperty('disabled', true);
    await userEvent.click(screen.getByRole('button', { name: 'Later' }));
    await waitFor(() => expect(screen.getByTestId('address').textContent).toContain('page=1'));
  });
});

describe('one piece', () => {
  const detail = (more: Partial<PieceDetailView> = {}): PieceDetailView => ({
    ...piece('AB12'),
    condition: { outcome: 'fly', isTruingVoid: false, reasons: [] },
    history: [
      {
        sequence: 5,
        at: '2026-11-20T10:00:00Z',
        personId: null,
        personName: 'Irva Solt',
        action: 'struck',
        values: { thing: 'twigs', severity: 'light', craftId: 'c1' },
      },
      {
        sequence: 4,
        at: '2026-11-19T10:00:00Z',
        personId: null,
        personName: null,
        action: 'looked',
        values: { outcome: 'clean', craftId: 'c1' },
      },
      {
        sequence: 3,
        at: '2026-11-18T10:00:00Z',
        personId: null,
        personName: null,
        action: 'fit',
        values: { craftId: 'c1', place: 'rearLeft', level: 0, reason: null },
      },
      {
        sequence: 1,
        at: '2026-11-01T10:00:00Z',
        personId: null,
        personName: null,
        action: 'measured',
        values: { massKg: 0.0079, diameterM: 0.1824 },
      },
    ],
    ...more,
  });

  test('its history tells what it hit, how it looked, where it sat', async () => {
    show('/rack/pieces/AB12', { 'GET /pieces/AB12': detail() });
    await heading('AB12 is checked in, drawer 1');
    await screen.findByText(/twigs, light, Petrel/);
    const said = within(screen.getByRole('region', { name: 'History' }))
      .getAllByRole('listitem')
      .map((li) => plain(li.textContent));
    expect(said[0]).toContain('hit something: twigs, light, Petrel');
    expect(said[1]).toContain('looked over: clean up, true again, Petrel');
    expect(said[2]).toContain('fitted: Petrel, rear left');
    expect(said[3]).toContain('measured: 7.90 g');
    expect(screen.getByRole('link', { name: 'Balance it' }).getAttribute('href')).toBe('/balance/AB12');
  });

  test('it is retired with a reason only, and never balanced with an open bore', async () => {
    const { sent } = show('/rack/pieces/AB12', {
      'GET /pieces/AB12': detail({ boreFit: 'needsRing' }),
      'POST /pieces/AB12/actions': detail(),
    });
    await heading(/AB12 is checked in/);
    expect(screen.queryByRole('link', { name: 'Balance it' })).toBeNull();
    expect(screen.getByText(/The bore needs a ring first/)).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Retire' })).toHaveProperty('disabled', true);
    await userEvent.type(box('Because'), 'cut a wire');
    await userEvent.click(screen.getByRole('button', { name: 'Retire' }));
    expect(sent[0]).toMatchObject({ body: { action: 'retire', as: 'benchOnly', reason: 'cut a wire' } });
  });

  test('what is known of it is kept while it is typed, and goes to the server as a whole', async () => {
    const { sent } = show('/rack/pieces/AB12', {
      'GET /pieces/AB12': detail(),
      'PUT /pieces/AB12': detail({ revision: 2 }),
    });
    await heading(/AB12 is checked in/);
    await userEvent.type(box(/^Blade tags/), 'QX7A QX7B');
    cleanup();
    renderInApp(routes, { address: '/rack/pieces/AB12' });
    await heading(/AB12 is checked in/);
    expect(box(/^Blade tags/)).toHaveProperty('value', 'QX7A QX7B');
    expect(screen.getByText(/^Taken up again/)).toBeTruthy();
    await userEvent.click(screen.getByRole('button', { name: 'Write it down' }));
    await waitFor(() => expect(sent.length).toBeGreaterThan(0));
    expect(sent[0]!.body).toMatchObject({ bladeTags: 'QX7A QX7B', massKg: 0.0079, hand: 'cw' });
  });

  test('a retired piece can only be brought back', async () => {
    const { sent } = show('/rack/pieces/AB12', {
      'GET /pieces/AB12': detail({ state: 'retired', retiredAs: 'display' }),
      'POST /pieces/AB12/actions': detail(),
    });
    await heading(/AB12 is retired/);
    expect(screen.queryByRole('button', { name: 'Move' })).toBeNull();
    await userEvent.click(screen.getByRole('button', { name: 'Bring it back' }));
    expect(sent[0]).toMatchObject({ body: { action: 'unretire' } });
  });
});

describe('checking a delivery in', () => {
  const fresh = (tag: string): PieceView =>
    piece(tag, { state: 'new', massKg: null, diameterM: null, boreFit: null, look: null });
  const batch = (pieces: PieceView[], findings: BatchDetailView['findings'] = []): BatchDetailView => ({
    ...row,
    id: 'b1',
    propModelId: 'm1',
    resolutionKg: 1e-5,
    supplierName: null,
    location: null,
    note: null,
    pieceCount: pieces.length,
    checkedInCount: 0,
    pieces,
    findings,
  });

  test('Enter goes on from weight to look and to the next row; each row is written as it is left', async () => {
    const { sent } = show('/rack/deliveries/b1', {
      'GET /batches/b1': batch([fresh('AB12'), fresh('CD34')]),
      'PUT /pieces/AB12/measures': piece('AB12'),
    });
    await heading('2 of 2 pieces still to check in');
    expect(document.activeElement).toBe(box('AB12, weight'));
    await userEvent.keyboard('7.91{Enter}7.18{Enter}');
    expect(document.activeElement).toBe(screen.getByRole('combobox', { name: 'AB12, bore' }));
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'AB12, bore' }), 'fits');
    await userEvent.selectOptions(screen.getByRole('combobox', { name: 'AB12, look' }), 'good');
    expect(document.activeElement).toBe(box('CD34, weight'));
    expect(sent.at(-1)!.path).toBe('/pieces/AB12/measures');
    expect(sent.at(-1)!.body).toEqual({
      massKg: expect.closeTo(0.00791, 8),
      diameterM: expect.closeTo(0.182372, 6),
      boreFit: 'fits',
      look: 'good',
    });
  });

  test('neither bore nor look is ever preset, and no nonsense is sent', async () => {
    const { sent } = show('/rack/deliveries/b1', { 'GET /batches/b1': batch([fresh('AB12')]) });
    await heading(/still to check in/);
    for (const column of ['bore', 'look'])
      expect(screen.getByRole('combobox', { name: `AB12, ${column}` })).toHaveProperty('value', '');
    await userEvent.type(box('AB12, weight'), 'heavy');
    await userEvent.tab();
    expect(screen.getByText('weight: not a size of a prop')).toBeTruthy();
    expect(sent).toEqual([]);
  });

  test('what stands out is said with its numbers, what never flies first', async () => {
    show('/rack/deliveries/b1', {
      'GET /batches/b1': batch(
        [piece('AB12', { look: 'crack' }), piece('CD34'), piece('EF56', { boreFit: 'needsReaming' })],
        [{ code: 'massOutlier', id: 'CD34', massKg: 0.0088, medianKg: 0.0079 }] as BatchDetailView['findings'],
      ),
    });
    await heading('All 3 pieces of Brindlow 7.2×3.9×3 are checked in');
    const lines = within(screen.getByRole('complementary'))
      .getAllByRole('listitem')
      .map((l) => plain(l.textContent));
    expect(lines[0]).toBe('AB12 has a crack: it never flies. Retire it.');
    expect(lines[1]).toContain('CD34 weighs 8.80 g, its batch 7.90 g');
    expect(lines[2]).toContain('EF56: fit the ring or ream before balancing');
  });
});

describe('sets', () => {
  const aSet = (pieces: PieceView[], needed = { cwCount: 2, ccwCount: 2 }): PieceSetView => ({
    ...row,
    id: 's1',
    name: 'K12',
    craftId: 'c1',
    pieces,
    restedAt: null,
    needs: setState(pieces, needed),
  });

  test('the hand that is missing is named, and another model stands out', async () => {
    show('/rack/sets', {
      'GET /sets': listed([
        aSet([piece('AB12'), piece('CD34', { hand: 'ccw' }), piece('EF56', { hand: 'ccw', propModelId: 'm9' })]),
      ]),
    });
    await heading('K12 needs 1 CW');
    const set = screen.getByRole('region', { name: 'K12' });
    expect(within(set).getByText('EF56').closest('li')!.textContent).toContain('another model');
    expect(within(set).getByText('AB12').closest('li')!.textContent).not.toContain('another model');
  });

  test('a piece is taken out by its key', async () => {
    const { sent } = show('/rack/sets', {
      'GET /sets': listed([aSet([piece('AB12'), piece('CD34', { hand: 'ccw' })], { cwCount: 1, ccwCount: 1 })]),
      'POST /pieces/AB12/actions': piece('AB12'),
    });
    await heading('1 set, nothing missing');
    await userEvent.click(screen.getByRole('button', { name: 'Take AB12 out of K12' }));
    expect(sent[0]).toMatchObject({ path: '/pieces/AB12/actions', body: { action: 'leaveSet' } });
  });

  test('a set is opened for the craft in hand, by its name alone', async () => {
    const { sent } = show('/rack/sets?craft=c1', { 'POST /sets': {} });
    await heading('No set yet');
    expect(screen.getByRole('button', { name: 'Open the set' })).toHaveProperty('disabled', true);
    await screen.findByRole('option', { name: 'Petrel' });
    await userEvent.type(box('New set'), ' K13 ');
    await userEvent.click(screen.getByRole('button', { name: 'Open the set' }));
    expect(sent[0]).toMatchObject({ path: '/sets', body: { name: 'K13', craftId: 'c1' } });
    await waitFor(() => expect(box('New set')).toHaveProperty('value', ''));
  });

  test('a name that is refused stays in its field', async () => {
    show('/rack/sets', { 'POST /sets': new Refusal(409, 'alreadyThere', 'name is already taken') });
    await heading('No set yet');
    await userEvent.type(box('New set'), 'K12');
    await userEvent.click(screen.getByRole('button', { name: 'Open the set' }));
    expect(await screen.findByText(/name is already taken/)).toBeTruthy();
    expect(box('New set')).toHaveProperty('value', 'K12');
  });

  test('taken apart it says that the pieces stay', async () => {
    const { sent } = show('/rack/sets', { 'GET /sets': listed([aSet([piece('AB12')])]), 'DELETE /sets/s1': null });
    await heading('K12 needs 1 CW and 2 CCW');
    await userEvent.click(screen.getByRole('button', { name: 'Take apart' }));
    expect(sent[0]).toMatchObject({ method: 'DELETE', path: '/sets/s1' });
    expect(await screen.findByText('K12 was taken apart; its pieces stay on the rack.')).toBeTruthy();
  });

  test('full changes are counted by the hand that ends first, and so are the screws they take', async () => {
    const rotors = ['cw', 'ccw', 'cw', 'ccw'].map((spin) => ({ spin }));
    show('/rack/sets', {
      'GET /crafts': {
        items: [{ id: 'c1', name: 'Petrel', kind: 'multirotor', rotors, referencePropModelId: 'm1' }],
        total: 1,
      },
      'GET /pieces/available': [{ propModelId: 'm1', cwCount: 7, ccwCount: 4 }],
      'GET /spare-parts': listed([{ id: 'x', name: 'M2 × 8', count: 12, perPieceCount: 2 }]),
    });
    const line = (await screen.findByText('Petrel:')).closest('p')!;
    await waitFor(() =>
      expect(plain(line.textContent)).toMatch(
        /^Petrel: 2 full changes of Brindlow 7\.2×3\.9×3 beside what it flies \(7 CW, 4 CCW\); .*runs out first\. M2 × 8: 12 left, 16 needed\.$/,
      ),
    );
  });
});

describe('yield', () => {
  const counted = (goodFromBagCount: number, rejectedCount: number, notJudgedCount = 0) =>
    yieldOf({ goodFromBagCount, goodCorrectedCount: 0, rejectedCount, notJudgedCount });
  const yields = (makers: [string, number, number][], models: [string, number, number, number?][]) => ({
    makers: makers.map(([makerName, good, rejected]) => ({ makerName, ...counted(good, rejected) })),
    models: models.map(([propModelId, good, rejected, waiting]) => ({
      propModelId,
      ...counted(good, rejected, waiting),
    })),
    deliveries: models.map(([propModelId, good, rejected, waiting]) => ({
      batchId: `b-${propModelId}`,
      propModelId,
      cameAt: '2026-11-20T10:00:00Z',
      location: 'drawer 7',
      ...counted(good, rejected, waiting),
    })),
  });

  test.each<[string, [string, number, number][], RegExp]>([
    [
      'the best and the worst maker',
      [
        ['Tamsk', 5, 5],
        ['Brindlow', 9, 1],
      ],
      /^Brindlow 90.% usable, Tamsk 50.%$/,
    ],
    [
      'a maker of one piece is neither praised nor blamed',
      [
        ['Brindlow', 9, 1],
        ['Kessro', 0, 1],
        ['Orle', 1, 0],
        ['Tamsk', 5, 5],
      ],
      /^Brindlow 90.% usable, Tamsk 50.%$/,
    ],
    ['one maker alone', [['Brindlow', 9, 1]], /^90.% of Brindlow’s pieces are usable$/],
    [
      'a maker most of whose pieces fail',
      [
        ['Brindlow', 9, 1],
        ['Tamsk', 2, 18],
      ],
      /^18 of 20 pieces of Tamsk failed: change supplier$/,
    ],
  ])('%s', async (_name, makers, sentence) => {
    show('/rack/yield', { 'GET /pieces/yield': yields(makers, [['m1', 9, 1]]) });
    await heading(sentence);
  });

  test('a bad handful proves nothing yet', async () => {
    show('/rack/yield', { 'GET /pieces/yield': yields([['Tamsk', 1, 2]], [['m1', 1, 2]]) });
    await heading(/^33.% of Tamsk’s pieces are usable$/);
    expect(screen.getAllByText(/^6 to 79.%$/).length).toBeGreaterThan(0);
  });

  test('a usable piece costs its share of the bag and of what was thrown out', async () => {
    show('/rack/yield', {
      'GET /pieces/yield': yields([['Brindlow', 8, 2]], [['m1', 8, 2]]),
      'GET /prop-models': { items: [{ ...model, bagPrice: 9, bagCount: 6 }], total: 1 },
    });
    const [row] = (await screen.findAllByRole('row', { name: /^Brindlow 7\.2×3\.9×3/ })) as [HTMLElement];
    const headings = within(row.closest('table')!)
      .getAllByRole('columnheader')
      .map((h) => h.textContent);
    const cell = (heading: string): string =>
      plain(within(row).getAllByRole('cell')[headings.indexOf(heading)]!.textContent);
    expect(['Usable', 'Each costs', 'Judged', 'Bag', 'Corrected', 'Rejected', 'Not yet'].map(cell)).toEqual([
      '80 %49 to 94 %',
      '1.88',
      '10',
      '8',
      '0',
      '2',
      '0',
    ]);
  });

  test('a delivery most of which fails is told so, with its count; one that waits is not blamed', async () => {
    show('/rack/yield', { 'GET /pieces/yield': yields([['Brindlow', 10, 8]], [['m1', 3, 7]]) });
    await heading(/^56.% of Brindlow’s pieces are usable$/);
    // Of the model and of its delivery, not of the maker.
    const told = await screen.findAllByText('7 of 10 failed: change supplier');
    expect(told.map((t) => t.closest('table')!.querySelector('th')!.textContent)).toEqual(['Model', 'Delivery']);
    expect(told[1]!.closest('tr')!.textContent).toContain('drawer 7');
  });

  test('pieces that nobody has judged yet count for nobody', async () => {
    show('/rack/yield', { 'GET /pieces/yield': yields([['Brindlow', 0, 0]], [['m1', 0, 0, 8]]) });
    await heading('None of 8 pieces is judged yet');
    expect(screen.queryByText(/change supplier$/)).toBeNull();
  });

  test('pieces whose maker nobody named are counted all the same', async () => {
    show('/rack/yield', { 'GET /pieces/yield': yields([], [['m1', 6, 2]]) });
    await heading(/^75.% of the pieces are usable$/);
    expect(screen.queryByRole('columnheader', { name: 'Maker' })).toBeNull();
    expect(screen.getByRole('columnheader', { name: 'Model' })).toBeTruthy();
  });

  test('nothing checked in says what would count', async () => {
    show('/rack/yield', { 'GET /pieces/yield': yields([], []) });
    await heading('No piece has been checked in yet');
    expect(screen.getByRole('link', { name: 'New delivery' })).toBeTruthy();
  });
});
