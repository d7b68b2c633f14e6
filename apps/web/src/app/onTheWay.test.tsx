import { beforeEach, expect, test } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { createMemoryRouter, Outlet, RouterProvider, useLocation, useNavigate, useNavigation } from 'react-router';
import { useKeyListener, useKeys } from '../shared/keys/keys.ts';
import { isOnTheWay, watchWays } from './onTheWay.ts';

let done: string[] = [];
beforeEach(() => {
  done = [];
});

/** The frame of the app, as far as keys and pages go. */
function Frame() {
  const go = useNavigate();
  const { key } = useLocation();
  useNavigation();
  useKeyListener(true, () => isOnTheWay(key));
  useKeys(
    ['crafts', 'rack', 'stand'].map((page) => ({ key: `g ${page[0]}`, what: page, run: () => void go(`/${page}`) })),
  );
  return <Outlet />;
}

function Page({ name }: { name: string }) {
  const go = useNavigate();
  useKeys([
    { key: 'n', what: 'New', run: () => done.push(`new on ${name}`) },
    { key: 'o', what: 'Onward', run: () => void go('/stand') },
  ]);
  return <h1>{name}</h1>;
}

/** A page whose code has to be fetched first. */
let fetched: () => void;
const lazily = (name: string) => () =>
  new Promise<{ Component: () => React.ReactElement }>((resolve) => {
    fetched = () => resolve({ Component: () => <Page name={name} /> });
  });

function open(at: string): void {
  const router = createMemoryRouter(
    [
      {
        path: '/',
        Component: Frame,
        children: [
          { path: 'crafts', Component: () => <Page name="crafts" /> },
          { path: 'rack', Component: () => <Page name="rack" /> },
          { path: 'stand', lazy: lazily('stand') },
        ],
      },
    ],
    { initialEntries: [at] },
  );
  watchWays(router);
  render(<RouterProvider router={router} />);
}

/** Strikes keys faster than a page is drawn. */
const strike = (...keys: string[]): Promise<void> =>
  act(async () => {
    for (const key of keys) window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await Promise.resolve();
  });

test('a key struck before the next page is drawn is meant for that page, not for the one that is left', async () => {
  open('/rack');
  await screen.findByRole('heading', { name: 'rack' });
  await strike('g', 'c', 'n');
  await screen.findByRole('heading', { name: 'crafts' });
  expect(done).toEqual(['new on crafts']);
});

test('keys wait as long as a page takes to come, and what one of them leads to gets the rest', async () => {
  open('/rack');
  await screen.findByRole('heading', { name: 'rack' });
  await strike('g', 'c', 'o', 'n');
  await screen.findByRole('heading', { name: 'crafts' });
  expect(done).toEqual([]);
  await act(async () => fetched());
  await screen.findByRole('heading', { name: 'stand' });
  expect(done).toEqual(['new on stand']);
});

test('where the page is on the screen a key counts at once', async () => {
  open('/crafts');
  await screen.findByRole('heading', { name: 'crafts' });
  await strike('n');
  expect(done).toEqual(['new on crafts']);
});
