import '../test/completeAddresses.ts';
import { beforeEach, expect, jest, test } from '@jest/globals';
import { screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import type { FoundView } from '@zivvo/contract';
import { renderInApp } from '../test/renderInApp.tsx';
import { pages } from '../app/features.ts';
import { useKeys } from '../shared/keys/keys.ts';
import Finder from './Finder.tsx';

Element.prototype.scrollIntoView = () => undefined;

const found: FoundView[] = [
  { kind: 'craft', id: 'c1', title: 'Petrel', detail: '2507 1080 kV', craftId: 'c1', propModelId: null },
  { kind: 'campaign', id: 'k1', title: 'Cliff season', detail: 'Petrel', craftId: 'c1', propModelId: null },
];
let asked: string[] = [];
beforeEach(() => {
  asked = [];
  globalThis.fetch = (async (request: Request) => {
    const words = new URL(request.url).searchParams.get('words') ?? '';
    asked.push(words);
    return Response.json(found.filter((f) => `${f.title} ${f.detail}`.toLowerCase().includes(words.toLowerCase())));
  }) as typeof fetch;
});

const onClose = jest.fn();
function show(): void {
  onClose.mockReset();
  renderInApp(<Finder pages={pages} onClose={onClose} />);
}

const box = (): Promise<HTMLElement> => screen.findByRole('textbox', { name: 'Find anything' });

test('open, it offers the pages', async () => {
  show();
  await box();
  for (const page of ['Crafts', 'Rack', 'Stand', 'Settings', 'New craft'])
    expect(screen.getByRole('button', { name: new RegExp(`^${page}`) })).toBeTruthy();
});

test('a few letters find crafts and evenings, and lead there with their craft in hand', async () => {
  show();
  await userEvent.type(await box(), 'petrel');
  // A slow hand is asked about before its word is whole; those answers go again.
  await waitFor(() => expect(asked.at(-1)).toBe('petrel'));
  const evening = await screen.findByRole('button', { name: /Cliff season.*Stand evening · Petrel/ });
  expect(screen.getByRole('button', { name: /Petrel.*Craft · 2507/ })).toBeTruthy();
  await userEvent.click(evening);
  await waitFor(() => expect(screen.getByTestId('address').textContent).toBe('/stand/k1?craft=c1'));
  expect(onClose).toHaveBeenCalled();
});

test('it asks once the hand rests, not at every letter', async () => {
  show();
  await userEvent.type(await box(), 'cliff');
  await screen.findByRole('button', { name: /Cliff season/ }, { timeout: 5000 });
  // A slow hand is asked about before its word is whole.
  await waitFor(() => expect(asked.at(-1)).toBe('cliff'));
  expect(asked.length).toBeLessThan(5);
});

test('what is nowhere is said with its word', async () => {
  show();
  await userEvent.type(await box(), 'albatross');
  expect(await screen.findByText('Nothing is called “albatross”.')).toBeTruthy();
});

test('pages and symptoms are found by their words', async () => {
  show();
  await userEvent.type(await box(), 'walk');
  expect(await screen.findByRole('button', { name: /^Walk round/ })).toBeTruthy();
  await userEvent.clear(await box());
  await userEvent.type(await box(), 'shak');
  expect(await screen.findByRole('button', { name: /^Something shakes/ })).toBeTruthy();
});

test('what can be done on the page is found by its words, and done', async () => {
  const done = jest.fn();
  function Page() {
    useKeys([{ key: 'n', what: 'Walk round', run: done }]);
    return <Finder pages={[]} onClose={onClose} />;
  }
  renderInApp(<Page />);
  await userEvent.type(await box(), 'walk');
  await userEvent.click(await screen.findByRole('button', { name: /^Walk round.*On this page/ }));
  expect(done).toHaveBeenCalledTimes(1);
  expect(onClose).toHaveBeenCalled();
});
