import { beforeEach, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { useStandKeys } from './useStandKeys.ts';

const keepPoint = jest.fn();
const cut = jest.fn();
const step = jest.fn();
const program = jest.fn();
const global = jest.fn();

beforeEach(() => {
  for (const spy of [keepPoint, cut, step, program, global]) spy.mockReset();
});

function Page({ isHot }: { isHot: boolean }) {
  useStandKeys(isHot, { keepPoint, cut, step, program });
  return <button type="button">Cut</button>;
}

/** Shows the page with a listener of the whole app behind it. */
function show(isHot: boolean): void {
  render(<Page isHot={isHot} />);
  window.addEventListener('keydown', global, { once: false });
}

test('Space keeps a point, arrows and brackets step the throttle', () => {
  show(true);
  for (const key of [' ', ']', 'ArrowUp', '[', 'ArrowDown', 'ArrowRight', 'ArrowLeft'])
    fireEvent.keyDown(document.body, { key });
  expect(keepPoint).toHaveBeenCalledTimes(1);
  expect(step.mock.calls.map(([by]) => by)).toEqual([0.05, 0.05, -0.05, -0.05, 0.05, -0.05]);
  expect(cut).not.toHaveBeenCalled();
});

test.each(['Escape', '.', 'q', '/', '?', 'g', 'F5', 'Backspace', '0', 'Tab', 'Enter', 'CapsLock', 'L'])(
  '%s cuts, and nothing else hears it',
  (key) => {
    show(true);
    fireEvent.keyDown(document.body, { key });
    expect(cut).toHaveBeenCalledTimes(1);
    expect(global).not.toHaveBeenCalled();
  },
);

test.each(['Shift', 'Control', 'Alt', 'Meta'])('%s alone is no stroke', (key) => {
  show(true);
  fireEvent.keyDown(document.body, { key });
  for (const spy of [cut, step, keepPoint, program]) expect(spy).not.toHaveBeenCalled();
});

test.each(['ctrlKey', 'altKey', 'metaKey'] as const)('a listed key with %s is another key, and cuts', (modifier) => {
  show(true);
  fireEvent.keyDown(document.body, { key: ']', [modifier]: true });
  expect(cut).toHaveBeenCalledTimes(1);
  expect(step).not.toHaveBeenCalled();
});

test('no button keeps the focus, so no key presses one: Enter and Tab cut, Space keeps a point', () => {
  show(true);
  const button = screen.getByRole('button');
  button.focus();
  expect(button).not.toHaveFocus();
  for (const key of [' ', 'Enter', 'Tab']) expect(fireEvent.keyDown(button, { key })).toBe(false);
  expect(keepPoint).toHaveBeenCalledTimes(1);
  expect(cut).toHaveBeenCalledTimes(2);
});

test('the button that armed the stand loses the focus, and the key that is still held on it does nothing', () => {
  const { rerender } = render(<Page isHot={false} />);
  screen.getByRole('button').focus();
  rerender(<Page isHot />);
  expect(screen.getByRole('button')).not.toHaveFocus();
  fireEvent.keyDown(document.body, { key: 'Enter', repeat: true });
  expect(cut).not.toHaveBeenCalled();
});

test('a key held down is one step; l runs the program', () => {
  show(true);
  fireEvent.keyDown(document.body, { key: ']' });
  for (let i = 0; i < 5; i++) fireEvent.keyDown(document.body, { key: ']', repeat: true });
  expect(step).toHaveBeenCalledTimes(1);
  fireEvent.keyDown(document.body, { key: 'l' });
  expect(program).toHaveBeenCalledTimes(1);
});

test('while nothing is armed the keys belong to the app', () => {
  show(false);
  for (const key of [' ', 'q', ']']) fireEvent.keyDown(document.body, { key });
  for (const spy of [cut, step, keepPoint]) expect(spy).not.toHaveBeenCalled();
  expect(global).toHaveBeenCalled();
});
