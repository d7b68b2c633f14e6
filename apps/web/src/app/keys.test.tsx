import { beforeEach, expect, test } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { useKeyListener, useKeys } from './keys.ts';

let struck: string[] = [];
beforeEach(() => {
  struck = [];
});

function Page({ keys }: { keys: string[] }) {
  useKeys(keys.map((key) => ({ key, what: key, run: () => struck.push(key) })));
  return (
    <>
      <input aria-label="Name" />
      <input aria-label="Folding" type="checkbox" />
    </>
  );
}

/** The frame listens, the page inside it brings the keys, as in the app. */
function Frame({ keys, areLettersOn = true, isOnTheWay = false }: { keys: string[]; areLettersOn?: boolean; isOnTheWay?: boolean }) {
  useKeyListener(areLettersOn, isOnTheWay);
  return <Page keys={keys} />;
}

/** Strikes a key at a time after the page was opened [ms]. */
function strike(key: string, atMs: number, target: EventTarget = window): void {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true });
  Object.defineProperty(event, 'timeStamp', { value: atMs });
  act(() => void target.dispatchEvent(event));
}

test('a key struck just after the page opened counts at once', () => {
  render(<Frame keys={['/', 'n']} />);
  strike('/', 3);
  strike('n', 9);
  expect(struck).toEqual(['/', 'n']);
});

test('g and a letter are one key, unless the letter comes late', () => {
  render(<Frame keys={['n', 'g n']} />);
  strike('g', 5000);
  strike('n', 5200);
  strike('n', 5300);
  strike('g', 6000);
  strike('n', 9000);
  expect(struck).toEqual(['g n', 'n', 'n']);
});

test('keys never fire into a field, and letters not at all when they are switched off', () => {
  const { rerender } = render(<Frame keys={['n', '/']} />);
  strike('n', 5000, screen.getByRole('textbox'));
  expect(struck).toEqual([]);
  rerender(<Frame keys={['n', '/']} areLettersOn={false} />);
  strike('n', 5000);
  strike('/', 5000);
  expect(struck).toEqual(['/']);
});

test('a checkbox that has the focus takes the space bar and no letter', () => {
  render(<Frame keys={['n', ' ']} />);
  strike('n', 5000, screen.getByRole('checkbox'));
  strike(' ', 5100, screen.getByRole('checkbox'));
  expect(struck).toEqual(['n']);
});

test('keys struck while a page is on its way act on the page that came', () => {
  const { rerender } = render(<Frame keys={[]} isOnTheWay />);
  strike('n', 5000);
  expect(struck).toEqual([]);
  rerender(<Frame keys={['n']} isOnTheWay={false} />);
  expect(struck).toEqual(['n']);
});
