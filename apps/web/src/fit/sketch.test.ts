import { describe, expect, test } from '@jest/globals';
import { judgeSketch, newSketch, sketchLayouts, type Sketch } from './sketch.ts';

const turned = (sketch: Sketch, at: readonly number[], what: keyof Sketch['arms'][number]): Sketch => ({
  ...sketch,
  arms: sketch.arms.map((arm, i) => (at.includes(i) ? { ...arm, [what]: true } : arm)),
});

describe.each(sketchLayouts)('a sketched %s', (layout) => {
  test('as it should be it flies, and nothing is to be mended', () => {
    const { takeOff, plan } = judgeSketch(newSketch(layout));
    expect([takeOff.verdict, takeOff.faults, plan.moves]).toEqual(['flies', [], []]);
  });

  test('with one piece of the wrong hand it is not said to fly, and the move that mends it is named', () => {
    const { takeOff, plan } = judgeSketch(turned(newSketch(layout), [0], 'isHandTurned'));
    expect(takeOff.verdict).not.toBe('flies');
    expect(takeOff.faults).toHaveLength(1);
    expect(plan.moves.length).toBeGreaterThan(0);
  });
});

test('two neighbours of a quad swapped: it tips to their side, and swapping them mends it', () => {
  const { takeOff, plan } = judgeSketch(turned(newSketch('quadX'), [0, 1], 'isHandTurned'));
  expect(takeOff).toMatchObject({ verdict: 'tips', tip: { toward: 'front' } });
  expect(plan.moves).toMatchObject([{ kind: 'swap', areNeighbours: true }]);
});
