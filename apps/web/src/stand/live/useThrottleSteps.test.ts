import { expect, test } from '@jest/globals';
import { act, renderHook } from '@testing-library/react';
import type { TellCommand } from './useLiveRun.ts';
import { useThrottleSteps } from './useThrottleSteps.ts';

/** A pilot's throttle whose commands come back when the test says so. */
function flown(start = { isPilot: true, isHot: true }) {
  const sent: (number | null | undefined)[] = [];
  const back: (() => void)[] = [];
  const tell: TellCommand = ({ throttleRatio }) => {
    sent.push(throttleRatio);
    return new Promise((resolve) => back.push(() => resolve(null)));
  };
  const hook = renderHook(({ isPilot, isHot, shown }) => useThrottleSteps({ isPilot, isHot, tell }, shown), {
    initialProps: { ...start, shown: 0 },
  });
  const answer = (): Promise<void> => act(async () => back.shift()!());
  return { sent, answer, hook, step: (by: number) => act(() => hook.result.current(by)) };
}

test('quick steps add up, and none overtakes another: the last asked for follows the one on its way', async () => {
  const { sent, answer, step } = flown();
  for (let i = 0; i < 6; i++) step(0.05);
  expect(sent).toEqual([0.05]);
  await answer();
  expect(sent).toEqual([0.05, 0.3]);
  step(-0.05);
  step(-0.05);
  await answer();
  expect(sent).toEqual([0.05, 0.3, 0.2]);
  await answer();
  expect(sent).toHaveLength(3);
});

test('once the stand is cut nothing follows, and the next arming starts from what the stand shows', async () => {
  const { sent, answer, hook, step } = flown();
  step(0.05);
  step(0.05);
  hook.rerender({ isPilot: true, isHot: false, shown: 0 });
  await answer();
  step(0.05);
  expect(sent).toEqual([0.05]);
  hook.rerender({ isPilot: true, isHot: true, shown: 0 });
  step(0.05);
  expect(sent).toEqual([0.05, 0.05]);
});

test('who watches steps nothing, and a throttle stays between nothing and full', async () => {
  const watching = flown({ isPilot: false, isHot: true });
  watching.step(0.05);
  expect(watching.sent).toEqual([]);
  const { sent, answer, step } = flown();
  step(-0.05);
  await answer();
  step(2);
  expect(sent).toEqual([0, 1]);
});
