import { pretendServer, Refusal } from '../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { ArmView, CraftView, FittingView, UpdateFittingDto } from '@zivvo/contract';
import { fixPlan, layOut, otherSpin, takeOff, threadAdvice, type RotorPlace } from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import { Component as FitPage } from './FitPage.tsx';

const rotors = layOut({ layout: 'quadX', diagonalM: 0.3, arms: null });
const craft = { id: 'c1', name: 'Petrel', kind: 'multirotor', layout: 'quadX', rotors, referencePropModelId: 'm1' } as unknown as CraftView;
const model = { id: 'm1', label: '7.2x3.9x3', makerName: 'Brindlow', mountKind: 'nut', cwLetters: null, ccwLetters: null };
const spares = { cwCount: 1, ccwCount: 1 };

/** The craft as the server would tell of it, each arm with its matching piece unless changed. */
function fitting(changes: Partial<Record<RotorPlace, Partial<ArmView>>> = {}, more: Partial<FittingView> = {}): FittingView {
  const arms = rotors.map(({ place, level, xM, yM, spin }, i): ArmView => {
    const tag = `T${i}`;
    return { place, level, xM, yM, spin, expectedSpin: spin, isSpinSeen: true, hand: spin, isLabelForward: true, piece: { id: tag, tag, hand: spin, propModelId: 'm1', place, level } as ArmView['piece'], seenSpin: spin, neededHand: spin, threadOn: null, thread: threadAdvice(spin, false, null), checks: [], ...changes[place] };
  });
  return { craftId: 'c1', revision: 5, isHanging: false, note: null, arms, takeOff: takeOff(arms, 'multirotor'), plan: fixPlan(arms, 'multirotor', spares), spares, propModelIds: ['m1'], marginsAfterLoss: null, bladeLoss: null, confirmedAt: null, confirmedBy: null, ...more };
}

function show(view: FittingView, more: object = {}) {
  const server = pretendServer({ 'GET /crafts/c1': craft, 'GET /fittings/c1': view, 'PUT /fittings/c1': view, 'GET /prop-models': { items: [model], total: 1 }, ...more });
  renderInApp(<FitPage />, { address: '/fit?craft=c1' });
  return server;
}
const heading = (name: string | RegExp): Promise<HTMLElement> => screen.findByRole('heading', { level: 1, name });
const open = async (arm: string): Promise<HTMLElement> => {
  await userEvent.click(within(screen.getByRole('region', { name: 'See the spin' })).getByRole('button', { name: new RegExp(`^${arm}`) }));
  return screen.findByRole('region', { name: arm });
};
const swapped = (): FittingView => {
  const pieceOf = (place: RotorPlace): ArmView['piece'] => fitting().arms.find((a) => a.place === place)!.piece;
  return fitting({ rearLeft: { hand: 'cw', piece: pieceOf('rearRight') }, rearRight: { hand: 'ccw', piece: pieceOf('rearLeft') } });
};

test('two neighbours swapped: what it will do, the one move that mends it, and that move by one key', async () => {
  const { sent } = show(swapped(), { 'POST /fittings/c1/swap': fitting() });
  await heading('Petrel will tip toward its rear');
  expect(screen.getByRole('region', { name: 'Fewest moves' }).textContent).toContain('two neighbours swapped, the usual fault');
  await userEvent.click(screen.getByRole('button', { name: 'I swapped them' }));
  const body = sent[0]!.body as { firstPieceId: string; secondPieceId: string };
  const at = (place: RotorPlace): string => swapped().arms.find((a) => a.place === place)!.piece!.id;
  expect([body.firstPieceId, body.secondPieceId].sort()).toEqual([at('rearLeft'), at('rearRight')].sort());
});

test('what is drawn is a proposal: every spin is seen by one key, and only then signed for', async () => {
  const unseen = Object.fromEntries(rotors.map((r) => [r.place, { isSpinSeen: false, seenSpin: null }]));
  const server = show(fitting(unseen), { 'POST /fittings/c1/confirm': fitting({}, { confirmedAt: '2026-11-24T12:00:00Z', confirmedBy: 'Irva Solt' }) });
  await heading('Petrel looks right; its spins were not seen');
  server.answers['GET /fittings/c1'] = fitting();
  await userEvent.click(screen.getByRole('button', { name: /^I saw every spin as drawn/ }));
  expect((server.sent[0]!.body as UpdateFittingDto).arms.map((a) => a.seenSpin)).toEqual(rotors.map((r) => r.spin));
  await heading('Petrel is right: every piece, every spin');
  await userEvent.click(await screen.findByRole('button', { name: /^Sign for it/ }));
  expect(server.sent[1]).toMatchObject({ path: '/fittings/c1/confirm' });
});

test('a motor that turns the other way is noted on its arm alone', async () => {
  const { sent } = show(fitting());
  await heading(/is right/);
  const arm = await open('Front left');
  const front = rotors.find((r) => r.place === 'frontLeft')!.spin;
  await userEvent.click(within(within(arm).getByRole('radiogroup', { name: 'The motor turns' })).getByText(otherSpin(front).toUpperCase()));
  const { arms, revision } = sent[0]!.body as UpdateFittingDto;
  expect(revision).toBe(5);
  expect(arms.filter((a) => a.seenSpin !== rotors.find((r) => r.place === a.place)!.spin).map((a) => a.place)).toEqual(['frontLeft']);
});

test('scan to arm: the old mark is read, a no says why, and an override needs its reason', async () => {
  const server = show(fitting(), { 'POST /fittings/c1/pieces': new Refusal(422, 'fit.otherHand', 'No: ZZ99 is CCW, this arm needs CW. It would push air the wrong way.') });
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
  expect(server.sent.map((s) => s.body)).toMatchObject([{ tag: 'ZZ99', oldTag: 'T0', overrideReason: null }, { tag: 'ZZ99', overrideReason: 'bench test' }]);
});

test('the tag of a grounded piece is a no without an override', async () => {
  show(fitting(), { 'POST /fittings/c1/pieces': new Refusal(422, 'fit.grounded', 'No: ZZ99 is grounded with all its kind: root cracked. Release the alert first.') });
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
  expect(arms.find((a) => a.place === 'frontRight')!.checks).toEqual([{ what: 'turnsFree' }]);
  expect(arms.filter((a) => a.checks.length > 0)).toHaveLength(1);
});
