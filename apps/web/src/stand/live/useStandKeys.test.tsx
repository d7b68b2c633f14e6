import { beforeEach, expect, jest, test } from '@jest/globals';
import { fireEvent, render, screen } from '@testing-library/react';
import { useStandKeys } from './useStandKeys.ts';

const keepPoint = jest.fn();
const cut = jest.fn();
const step = jest.fn();
const global = jest.fn();

beforeEach(() => {
  for (const spy of [keepPoint, cut, step, global]) spy.mockReset();
});

function Page({ isHot }: { isHot: boolean }) {
  useStandKeys(isHot, { keepPoint, cut, step });
  return <button type="button">Cut</button>;
}

/** Shows the page with a listener of the whole app behind it. */
function show(isHot: boolean): void {
  render(<Page isHot={isHot} />);
  window.addEventListener('keydown', global, { once: false });
}

test('Space keeps a point, arrows and brackets step the throttle', () => {
  show(true);
  for (const key of [' ', ']', 'ArrowUp', '[', 'ArrowDown', 'ArrowRight', 'ArrowLeft']) fireEvent.keyDown(document.body, { key });
  expect(keepPoint).toHaveBeenCalledTimes(1);
  expect(step.mock.calls.map(([by]) => by)).toEqual([0.05, 0.05, -0.05, -0.05, 0.05, -0.05]);
  expect(cut).not.toHaveBeenCalled();
});

test.each(['Escape', '.', 'q', '/', '?', 'g', 'F5', 'Backspace', '0'])('%s cuts, and nothing else hears it', (key) => {
  show(true);
  fireEvent.keyDown(document.body, { key });
  expect(cut).toHaveBeenCalledTimes(1);
  expect(global).not.toHaveBeenCalled();
});

test.each(['Tab', 'Enter', 'Shift', 'Control', 'Alt', 'Meta'])('%s is left to the page', (key) => {
  show(true);
  fireEvent.keyDown(document.body, { key });
  for (const spy of [cut, step, keepPoint]) expect(spy).not.toHaveBeenCalled();
});

test('Space on a button presses the button, not the point', () => {
  show(true);
  fireEvent.keyDown(screen.getByRole('button'), { key: ' ' });
  expect(keepPoint).not.toHaveBeenCalled();
  expect(cut).not.toHaveBeenCalled();
});

test('while nothing is armed the keys belong to the app', () => {
  show(false);
  for (const key of [' ', 'q', ']']) fireEvent.keyDown(document.body, { key });
  for (const spy of [cut, step, keepPoint]) expect(spy).not.toHaveBeenCalled();
  expect(global).toHaveBeenCalled();
});
