import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { act, fireEvent, render, screen } from '@testing-library/react';
import { ArmPanel } from './ArmPanel.tsx';

const onArm = jest.fn();
const onTare = jest.fn();

beforeEach(() => {
  jest.useFakeTimers();
  onArm.mockReset();
  onTare.mockReset();
});
afterEach(() => void jest.useRealTimers());

const hold = (): HTMLButtonElement => screen.getByRole('button', { name: /Hold/ });
const wait = (ms: number): void => act(() => void jest.advanceTimersByTime(ms));

function show(isPilot = true): void {
  render(<ArmPanel isPilot={isPilot} onArm={onArm} onTare={onTare} />);
}

function stateTheStop(): void {
  fireEvent.click(screen.getByRole('checkbox'));
}

test('without a stated hardware stop there is nothing to hold', () => {
  show();
  expect(hold().disabled).toBe(true);
  fireEvent.pointerDown(hold());
  wait(5000);
  expect(onArm).not.toHaveBeenCalled();
});

test('held for its time it arms, once', () => {
  show();
  stateTheStop();
  fireEvent.pointerDown(hold());
  wait(1100);
  expect(onArm).not.toHaveBeenCalled();
  wait(200);
  expect(onArm).toHaveBeenCalledTimes(1);
  wait(5000);
  expect(onArm).toHaveBeenCalledTimes(1);
});

test.each(['pointerUp', 'pointerLeave', 'blur'] as const)('%s lets go', (event) => {
  show();
  stateTheStop();
  fireEvent.pointerDown(hold());
  wait(800);
  fireEvent[event](hold());
  wait(5000);
  expect(onArm).not.toHaveBeenCalled();
});

test('by keyboard it is held as well, and a short stroke does nothing', () => {
  show();
  stateTheStop();
  fireEvent.keyDown(hold(), { key: ' ' });
  wait(300);
  fireEvent.keyUp(hold(), { key: ' ' });
  wait(5000);
  expect(onArm).not.toHaveBeenCalled();
  fireEvent.keyDown(hold(), { key: 'Enter' });
  wait(1300);
  expect(onArm).toHaveBeenCalledTimes(1);
});

test('who only watches can neither arm nor tare', () => {
  show(false);
  expect(hold().disabled).toBe(true);
  expect(screen.getByRole<HTMLInputElement>('checkbox').disabled).toBe(true);
  fireEvent.click(screen.getByRole('button', { name: 'Tare again' }));
  expect(onTare).not.toHaveBeenCalled();
});
