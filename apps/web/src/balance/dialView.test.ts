import { describe, expect, test } from '@jest/globals';
import { downOf, onScreenDegrees, watchS } from './dialView.ts';

describe('the dial', () => {
  test('first blade up: its opposite points down, from either face', () => {
    expect(downOf({ turnDegrees: 0, isBackSeen: false })).toBe(180);
    expect(downOf({ turnDegrees: 0, isBackSeen: true })).toBe(180);
  });
  test('turned a quarter clockwise, a quarter on from the first blade points down; from behind the quarter before', () => {
    expect(downOf({ turnDegrees: 90, isBackSeen: false })).toBe(90);
    expect(downOf({ turnDegrees: 90, isBackSeen: true })).toBe(270);
  });
  test.each([0, 37, 120, 240, 359])(
    'turned by %i°, what points down is drawn at the bottom, from both faces',
    (turnDegrees) => {
      for (const isBackSeen of [false, true]) {
        const pose = { turnDegrees, isBackSeen };
        expect(onScreenDegrees(downOf(pose), pose)).toBeCloseTo(180, 9);
      }
    },
  );
  test('a direction is mirrored on the other face', () => {
    expect(onScreenDegrees(90, { turnDegrees: 0, isBackSeen: false })).toBe(90);
    expect(onScreenDegrees(90, { turnDegrees: 0, isBackSeen: true })).toBe(270);
  });
});

test('the watch runs from the first to the last stroke', () => {
  expect([watchS([]), watchS([1000]), watchS([1000, 2250])]).toEqual([null, null, 1.25]);
});
