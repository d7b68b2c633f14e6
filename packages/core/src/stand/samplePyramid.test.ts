import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { samplePyramid } from './samplePyramid.ts';

test('every level holds the least and the greatest of its spans, so no spike is ever missed', () =>
  fc.assert(
    fc.property(fc.array(fc.float({ min: -1000, max: 1000, noNaN: true }), { minLength: 17, maxLength: 1200 }), (values) => {
      const samples = Float32Array.from(values);
      for (const { span, pairs } of samplePyramid(samples)) {
        expect(pairs).toHaveLength(2 * Math.ceil(samples.length / span));
        for (let g = 0; g * span < samples.length; g++) {
          const part = samples.subarray(g * span, (g + 1) * span);
          expect([pairs[2 * g], pairs[2 * g + 1]]).toEqual([Math.min(...part), Math.max(...part)]);
        }
      }
    }),
    { numRuns: 40, seed: 3 },
  ));

test('spans grow by sixteen until one pair stands for all; a short channel needs none', () => {
  expect(samplePyramid(new Float32Array(5000)).map((l) => l.span)).toEqual([16, 256, 4096]);
  expect(samplePyramid(new Float32Array(16))).toEqual([]);
  expect(samplePyramid(new Float32Array(0))).toEqual([]);
});

test('a channel without end is refused', () => expect(() => samplePyramid({ length: 10_000_001 } as Float32Array)).toThrow(/samples/));
