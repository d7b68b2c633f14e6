import { address, heading } from '../../test/onPage.ts';
import { pretendServer, Refusal } from '../../test/pretendServer.ts';
import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { renderInApp } from '../../test/renderInApp.tsx';
import { useFormat } from '../format/useFormat.ts';
import { WithCraft } from './WithCraft.tsx';

const petrel = { id: 'c1', name: 'Petrel', clearanceDiameterM: 0.2, rotors: [] };
const skua = { ...petrel, id: 'c2', name: 'Skua' };

function station(at: string, answers: Record<string, unknown>): void {
  pretendServer(answers);
  renderInApp(<WithCraft station="Fit">{(craft) => <h1>{`On the bench: ${craft.name}`}</h1>}</WithCraft>, {
    address: at,
  });
}

test('the craft in hand is worked on', async () => {
  station('/fit?craft=c2', { 'GET /crafts/c2': skua });
  await heading('On the bench: Skua');
});

test('around a craft on tiny discs lengths are in millimetres, around others as the reader likes', async () => {
  for (const [clearanceDiameterM, text] of [
    [0.032, '31.0\u202fmm'],
    [0.2, '1.22\u202fin'],
  ] as const) {
    pretendServer({ 'GET /crafts/c1': { ...petrel, clearanceDiameterM } });
    const { unmount } = renderInApp(<WithCraft station="Pick">{() => <Size />}</WithCraft>, {
      address: '/pick?craft=c1',
    });
    expect((await screen.findByTestId('size')).textContent).toBe(text);
    unmount();
  }
});

function Size() {
  return <p data-testid="size">{useFormat().quantity(0.031, 'length').text}</p>;
}

test('with none in hand those on the shelf are offered, and one is taken', async () => {
  station('/fit', { 'GET /crafts': { items: [petrel, skua], total: 2 }, 'GET /crafts/c2': skua });
  await heading('Which craft is on the bench?');
  expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['Petrel', 'Skua']);
  await userEvent.click(screen.getByRole('button', { name: 'Skua' }));
  await heading('On the bench: Skua');
  expect(address()).toBe('/fit?craft=c2');
});

test('an empty shelf asks for a craft first', async () => {
  station('/fit', { 'GET /crafts': { items: [], total: 0 } });
  await heading('No craft on the shelf yet');
  expect(screen.getByRole('link', { name: 'New craft' }).getAttribute('href')).toBe('/crafts/new');
});

test('a craft that is gone, and a server that does not answer, are told with the way on', async () => {
  station('/fit?craft=gone', {});
  await screen.findByRole('alert');
  expect(screen.queryByRole('heading', { name: /On the bench/ })).toBeNull();
  station('/fit', {
    'GET /crafts': new Refusal(500, 'internal', 'Nothing was changed. The fault is logged as incident 1a2b.'),
  });
  expect(await screen.findByText(/incident 1a2b/)).toBeTruthy();
});
