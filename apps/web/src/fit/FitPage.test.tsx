import { heading } from '../test/onPage.ts';
import { listed, pretendServer, Refusal } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ArmView, FittingView, SwapArmsDto, UpdateFittingDto } from '@zivvo/contract';
import { otherSpin, type Layout, type RotorPlace } from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import { craftOf, fittingOf, modelOnRack, ready, type ArmChange } from './fit.fixtures.ts';
import { Component as FitCardPage } from './FitCardPage.tsx';
import { Component as FitPage } from './FitPage.tsx';

const { rotors } = craftOf('quadX');
const people = [{ id: 'x1', name: 'Irva Solt' }];
/** Petrel with every piece right, seen and looked at, unless changed. */
const fitting = (
  changes: Partial<Record<RotorPlace, Partial<ArmView>>> = {},
  more: Partial<FittingView> = {},
): FittingView => fittingOf('quadX', (arm) => ({ ...ready(arm), ...changes[arm.place] }), more);

function show(view: FittingView, more: object = {}, layout: Layout = 'quadX') {
  const server = pretendServer({
    'GET /crafts/c1': craftOf(layout),
    'GET /fittings/c1': view,
    'PUT /fittings/c1': view,
    'GET /prop-models': { items: [modelOnRack], total: 1 },
    ...more,
  });
  renderInApp(<FitPage />, { address: '/fit?craft=c1' });
  return server;
}
const open = async (arm: string): Promise<HTMLElement> => {
  await userEvent.click(
    within(screen.getByRole('region', { name: 'Every arm' })).getByRole('button', { name: new RegExp(`^${arm}`) }),
  );
  return screen.findByRole('region', { name: arm });
};
const swapped = (): FittingView => {
  const pieceOf = (place: RotorPlace): ArmView['piece'] => fitting().arms.find((a) => a.place === place)!.piece;
  return fitting({
    rearLeft: { hand: 'cw', piece: pieceOf('rearRight') },
    rearRight: { hand: 'ccw', piece: pieceOf('rearLeft') },
  });
};

test('two neighbours swapped: what it will do, the one move that mends it, and that move by one key', async () => {
  const { sent } = show(swapped(), { 'POST /fittings/c1/swap': fitting() });
  await heading('Petrel will tip toward its rear');
  expect(screen.getByRole('region', { name: 'Fewest moves' }).textContent).toContain(
    'two neighbours swapped, the usual fault',
  );
  await userEvent.click(screen.getByRole('button', { name: 'I swapped them' }));
  const { first, second } = sent[0]!.body as SwapArmsDto;
  expect([first.place, second.place].sort()).toEqual(['rearLeft', 'rearRight']);
});

test('what is drawn is a proposal: every spin is seen by one key, and only then signed for', async () => {
  const server = show(fittingOf('quadX'), {
    'GET /people': listed(people),
    'POST /fittings/c1/confirm': fitting({}, { confirmedAt: '2026-11-24T12:00:00Z', confirmedBy: 'Irva Solt' }),
  });
  await heading('Petrel looks right; its spins were not seen');
  expect(screen.getByText(/Before you sign: 4 spins to see, 4 pieces to look at/)).toBeTruthy();
  server.answers['GET /fittings/c1'] = fittingOf('quadX', (arm) => ({ ...ready(arm), checks: [] }));
  await userEvent.click(screen.getByRole('button', { name: /^I saw every spin as drawn/ }));
  expect((server.sent[0]!.body as UpdateFittingDto).arms.map((a) => a.seenSpin)).toEqual(rotors.map((r) => r.spin));
  await heading('Petrel is right: every piece, every spin');
  server.answers['GET /fittings/c1'] = fitting();
  await userEvent.click(await screen.findByRole('button', { name: /^I looked at every piece/ }));
  expect((server.sent[1]!.body as UpdateFittingDto).arms.map((a) => a.checks)).toEqual(
    rotors.map(() => [{ what: 'noDamage' }]),
  );
  // Nobody signs as nobody.
  expect(await screen.findByRole('button', { name: /^Sign for it/ })).toHaveProperty('disabled', true);
  await userEvent.keyboard('k');
  expect(server.sent).toHaveLength(2);
  await userEvent.selectOptions(screen.getByRole('combobox', { name: 'Who signs?' }), 'Irva Solt');
  await userEvent.click(await screen.findByRole('button', { name: /^Sign for it as Irva Solt/ }));
  expect(server.sent[2]).toMatchObject({ path: '/fittings/c1/confirm' });
});

test('what the signature does not make good stands above it, and stays in what is said of it', async () => {
  const missing = [
    { code: 'care.untrued' as const, severity: 'action' as const, values: { tags: 'T0, T1', count: 2 }, figure: null },
  ];
  show(
    fitting(
      {},
      {
        missing,
        confirmedAt: '2026-11-20T12:00:00Z',
        confirmedBy: 'Irva Solt',
        confirmedMissing: missing,
        isSignatureStale: true,
      },
    ),
    { 'GET /people': listed([]) },
  );
  await heading(/is right/);
  expect(screen.getByRole('region', { name: 'Missing beside the signature' }).textContent).toContain(
    'T0, T1 are to be balanced first',
  );
  expect(
    screen.getByText(
      /^Signed .* by Irva Solt; an arm was changed since\. Missing then: T0, T1 are to be balanced first/,
    ),
  ).toBeTruthy();
  expect((await screen.findByRole('link', { name: /a signature needs a person/ })).getAttribute('href')).toContain(
    '/settings',
  );
});

test('a motor that turns the other way is noted on its arm alone', async () => {
  const { sent } = show(fitting());
  await heading(/is right/);
  const arm = await open('Front left');
  const front = rotors.find((r) => r.place === 'frontLeft')!.spin;
  await userEvent.click(
    within(within(arm).getByRole('radiogroup', { name: 'The shaft turns' })).getByText(otherSpin(front).toUpperCase()),
  );
  const { arms, revision } = sent[0]!.body as UpdateFittingDto;
  expect(revision).toBe(5);
  expect(arms.filter((a) => a.seenSpin !== rotors.find((r) => r.place === a.place)!.spin).map((a) => a.place)).toEqual([
    'frontLeft',
  ]);
});

test('scan to arm: the old mark is read, a no says why, and an override needs its reason', async () => {
  const server = show(fitting(), {
    'POST /fittings/c1/pieces': new Refusal(
      422,
      'fit.otherHand',
      'No: ZZ99 is CCW, this arm needs CW. It would push air the wrong way.',
    ),
  });
  await heading(/is right/);
  const arm = within(await open('Front left'));
  const ask = arm.getByRole('button', { name: 'May it go on?' });
  expect(ask).toHaveProperty('disabled', true);
  await userEvent.type(arm.getByRole('textbox', { name: 'Read the old mark on front left' }), 't0');
  await userEvent.type(arm.getByRole('textbox', { name: 'Tag of the piece that goes on' }), 'zz99');
  await userEvent.click(ask);
  expect((await arm.findByText(/It would push air the wrong way/)).textContent).toContain('this arm needs CW');
  const override = arm.getByRole('button', { name: 'Override, and write it down' });
  expect(override).toHaveProperty('disabled', true);
  server.answers['POST /fittings/c1/pieces'] = fitting();
  await userEvent.type(arm.getByRole('textbox', { name: /all the same, because/ }), 'bench test');
  await userEvent.click(override);
  expect(await arm.findByText('Yes', { exact: false })).toBeTruthy();
  expect(server.sent.map((s) => s.body)).toMatchObject([
    { tag: 'ZZ99', oldTag: 'T0', overrideReason: null },
    { tag: 'ZZ99', overrideReason: 'bench test' },
  ]);
});

test('the tag of a grounded piece is a no without an override', async () => {
  show(fitting(), {
    'POST /fittings/c1/pieces': new Refusal(
      422,
      'fit.grounded',
      'No: ZZ99 is grounded with all its kind: root cracked. Release the alert first.',
    ),
  });
  await heading(/is right/);
  const arm = within(await open('Rear right'));
  await userEvent.type(arm.getByRole('textbox', { name: 'Tag of the piece that goes on' }), 'zz99');
  await userEvent.click(arm.getByRole('button', { name: 'May it go on?' }));
  expect(await arm.findByText(/Release the alert first/)).toBeTruthy();
  expect(arm.queryByRole('button', { name: /^Override/ })).toBeNull();
});

test('a check of the hardware is written down with its arm', async () => {
  const { sent } = show(fitting());
  await heading(/is right/);
  const arm = within(await open('Front right'));
  await userEvent.click(arm.getByRole('checkbox', { name: /turns freely/ }));
  const { arms } = sent[0]!.body as UpdateFittingDto;
  expect(arms.find((a) => a.place === 'frontRight')!.checks).toEqual([{ what: 'noDamage' }, { what: 'turnsFree' }]);
  expect(arms.filter((a) => a.checks.length > 1)).toHaveLength(1);
});

test('the old mark may be photographed instead of read', async () => {
  const server = show(fitting(), {
    'POST /blobs': { sha256: 'a'.repeat(64), mediaType: 'image/jpeg', byteCount: 3 },
    'POST /fittings/c1/pieces': fitting(),
  });
  await heading(/is right/);
  const arm = within(await open('Front left'));
  await userEvent.upload(arm.getByLabelText('or photograph it'), new File(['x'], 'mark.jpg', { type: 'image/jpeg' }));
  expect(await arm.findByText('photographed')).toBeTruthy();
  await userEvent.type(arm.getByRole('textbox', { name: 'Tag of the piece that goes on' }), 'zz99');
  await userEvent.click(arm.getByRole('button', { name: 'May it go on?' }));
  expect(await arm.findByText('Yes', { exact: false })).toBeTruthy();
  expect(server.sent.at(-1)!.body).toMatchObject({ tag: 'ZZ99', oldTag: null, oldMarkSha256: 'a'.repeat(64) });
});

test('any two arms change places by two presses', async () => {
  const { sent } = show(fitting(), { 'POST /fittings/c1/swap': fitting() });
  await heading(/is right/);
  const arm = within(await open('Front left'));
  await userEvent.click(arm.getByRole('button', { name: /^Swap its piece with/ }));
  expect(arm.getAllByRole('button', { name: /^(Front right|Rear)/ })).toHaveLength(3);
  await userEvent.click(screen.getByRole('button', { name: /^Rear right: shaft/ }));
  expect(sent[0]!.body).toEqual({ first: { place: 'frontLeft', level: 0 }, second: { place: 'rearRight', level: 0 } });
});

test('the guided check goes from arm to arm, and a strip that is flicked the other way is written down so', async () => {
  const server = show(fittingOf('quadX'));
  await heading(/looks right/);
  await userEvent.click(screen.getByRole('button', { name: 'See the spin, arm by arm' }));
  const check = screen.getByRole('region', { name: 'See the spin' });
  expect(check.textContent).toContain('Front left, 1 of 4');
  expect(check.textContent).toContain('every prop off');
  await userEvent.click(within(check).getByRole('button', { name: /as drawn/ }));
  expect(check.textContent).toContain('Front right, 2 of 4');
  await userEvent.click(within(check).getByText('the controller’s table'));
  await userEvent.click(within(check).getByRole('button', { name: /the other way/ }));
  expect(check.textContent).toContain('Rear right, 3 of 4');
  const written = server.sent.map((s) =>
    (s.body as UpdateFittingDto).arms.filter((a) => a.seenSpin !== null).map((a) => [a.place, a.seenSpin, a.spinBy]),
  );
  expect(written).toEqual([[['frontLeft', 'cw', 'strip']], [['frontRight', 'cw', 'table']]]);
});

test('the hand of an untagged piece: one question at a time, and a sign that is not there is passed over', async () => {
  const { sent } = show(fitting({ frontLeft: { piece: null, hand: null } }));
  await heading('Petrel: say what is on each arm');
  await userEvent.click(screen.getByRole('button', { name: 'Fit front left' }));
  const arm = within(await screen.findByRole('region', { name: 'Front left' }));
  await userEvent.click(arm.getByRole('button', { name: 'Which hand is it?' }));
  const finder = within(arm.getByRole('region', { name: 'Which hand is it?' }));
  expect(finder.queryByRole('group')).toBeNull();
  for (const sign of ['letters', 'arrow', 'curve marks'])
    await userEvent.click(finder.getByRole('button', { name: `No ${sign} to be made out` }));
  await userEvent.click(finder.getByRole('button', { name: 'right' }));
  expect(finder.getByRole('status').textContent).toContain('CW, by its leading edge');
  await userEvent.click(finder.getByRole('button', { name: 'Write it down' }));
  expect((sent[0]!.body as UpdateFittingDto).arms[0]).toMatchObject({ place: 'frontLeft', hand: 'cw' });
});

test('signs that contradict each other are not believed; started again they are asked anew', async () => {
  show(fitting({ frontLeft: { piece: null, hand: null } }));
  await userEvent.click(await screen.findByRole('button', { name: 'Fit front left' }));
  const arm = within(await screen.findByRole('region', { name: 'Front left' }));
  await userEvent.click(arm.getByRole('button', { name: 'Which hand is it?' }));
  const finder = within(arm.getByRole('region', { name: 'Which hand is it?' }));
  await userEvent.type(finder.getByRole('textbox', { name: 'Letters moulded on it' }), 'Q');
  await userEvent.click(finder.getByRole('button', { name: 'It says so' }));
  // A letter that means nothing on this model leads to the next sign.
  expect(finder.getByRole('group', { name: /arrow moulded/ })).toBeTruthy();
  for (const sign of ['arrow', 'curve marks', 'leading edge'])
    await userEvent.click(finder.getByRole('button', { name: `No ${sign} to be made out` }));
  expect(finder.getByRole('status').textContent).toContain('diagonal arm');
  await userEvent.click(finder.getByRole('button', { name: 'Start again' }));
  expect(finder.getByRole('textbox', { name: 'Letters moulded on it' })).toHaveProperty('value', '');
});

test('a push-on prop is flicked and pulled, a screwed one gets its driver and dry lock', async () => {
  show(fitting({}, { mountKind: 'pushOn' }));
  await heading(/is right/);
  const arm = within(await open('Front left'));
  expect(arm.getAllByRole('checkbox').map((c) => c.closest('li')!.textContent)).toEqual(
    expect.arrayContaining([expect.stringContaining('flicked'), expect.stringContaining('pulled')]),
  );
  expect(arm.queryByRole('checkbox', { name: /dry lock/ })).toBeNull();
});

test('a plane is asked where its motor points', async () => {
  const plane: ArmChange = ready;
  const { sent } = show(fittingOf('tractor', plane), {}, 'tractor');
  await heading(/Eider is right/);
  await userEvent.click(within(screen.getByRole('radiogroup', { name: 'The motor points' })).getByText('left'));
  expect(sent[0]!.body).toMatchObject({ sideThrust: 'left' });
});

test('the card names every arm with its piece, its hand and how its nut comes off', async () => {
  pretendServer({
    'GET /crafts/c1': craftOf('quadX'),
    'GET /fittings/c1': fitting(
      { frontLeft: { outputName: 'M4' } },
      { confirmedAt: '2026-11-24T12:00:00Z', confirmedBy: 'Irva Solt', note: 'ring of the left arm is worn' },
    ),
  });
  renderInApp(<FitCardPage />, { address: '/fit/card?craft=c1' });
  const card = within(await screen.findByRole('article', { name: 'Card of Petrel' }));
  expect(
    card
      .getAllByRole('row')
      .slice(1)
      .map((row) => within(row).getByRole('rowheader').textContent),
  ).toEqual(['Front leftM4', 'Front right', 'Rear right', 'Rear left']);
  expect(card.getByRole('row', { name: /Front left/ }).textContent).toMatch(/T0.*Irva Solt.*CW.*CW/);
  expect(card.getByText('ring of the left arm is worn')).toBeTruthy();
  expect(screen.getByText(/Signed .*by Irva Solt/)).toBeTruthy();
});
