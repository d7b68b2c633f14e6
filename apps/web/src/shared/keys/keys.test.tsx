import { beforeEach, expect, test } from '@jest/globals';
import { act, render, screen } from '@testing-library/react';
import { useKeyListener, useKeys, useKeysInForce } from './keys.ts';

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
function Frame({
  keys,
  areLettersOn = true,
  isOnTheWay = false,
}: {
  keys: string[];
  areLettersOn?: boolean;
  isOnTheWay?: boolean;
}) {
  useKeyListener(areLettersOn, () => isOnTheWay);
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

test('a key that waited for a page means the frame as it is drawn with that page', () => {
  function FrameWithKeys({ page, isOnTheWay }: { page: string; isOnTheWay: boolean }) {
    useKeyListener(true, () => isOnTheWay);
    useKeys([{ key: '?', what: 'Keys', run: () => struck.push(`keys of ${page}`) }]);
    return null;
  }
  const { rerender } = render(<FrameWithKeys page="crafts" isOnTheWay />);
  strike('?', 5000);
  rerender(<FrameWithKeys page="stand" isOnTheWay={false} />);
  expect(struck).toEqual(['keys of stand']);
});

test('only so many keys wait for a page: a cat on the keyboard is not obeyed for ever', () => {
  const { rerender } = render(<Frame keys={[]} isOnTheWay />);
  for (let i = 0; i < 30; i++) strike('n', 5000 + i);
  rerender(<Frame keys={['n']} isOnTheWay={false} />);
  expect(struck).toHaveLength(8);
});

test('Ctrl+Z undoes on the page, and stays the field’s own while one types', () => {
  render(<Frame keys={['Ctrl+Z', 'z']} />);
  const undo = (target: EventTarget): KeyboardEvent => {
    const event = new KeyboardEvent('keydown', { key: 'z', ctrlKey: true, bubbles: true, cancelable: true });
    act(() => void target.dispatchEvent(event));
    return event;
  };
  expect(undo(window).defaultPrevented).toBe(true);
  expect(undo(screen.getByRole('textbox')).defaultPrevented).toBe(false);
  expect(struck).toEqual(['Ctrl+Z']);
});

test('the keys of a browser, and those of an open dialog, are left alone', () => {
  render(<Frame keys={['n']} />);
  act(() => void window.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', ctrlKey: true })));
  act(() => void window.dispatchEvent(new KeyboardEvent('keydown', { key: 'n', altKey: true })));
  const dialog = document.body.appendChild(document.createElement('div'));
  dialog.setAttribute('role', 'dialog');
  strike('n', 5000);
  dialog.remove();
  expect(struck).toEqual([]);
  strike('n', 5100);
  expect(struck).toEqual(['n']);
});

test('the innermost binding of a key wins, is the one that is listed, and gives way when its part goes', () => {
  function Part() {
    useKeys([{ key: 'n', what: 'Note', run: () => struck.push('note') }]);
    return null;
  }
  function Listed() {
    return (
      <p>
        {useKeysInForce()
          .map(({ key, what }) => `${key} ${what}`)
          .join(', ')}
      </p>
    );
  }
  const page = (hasPart: boolean) => (
    <>
      <Frame keys={['n', 'x']} />
      {hasPart && <Part />}
      <Listed />
    </>
  );
  const { rerender } = render(page(true));
  strike('n', 5000);
  expect(screen.getByText('n Note, x x')).toBeTruthy();
  rerender(page(false));
  strike('n', 5100);
  expect(screen.getByText('n n, x x')).toBeTruthy();
  expect(struck).toEqual(['note', 'n']);
});
