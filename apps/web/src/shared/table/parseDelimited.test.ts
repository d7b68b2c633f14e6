import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { parseDelimited } from './parseDelimited.ts';

test.each([
  ['commas', 'Throttle,Thrust\n50,700\n'],
  ['tabs', 'Throttle\tThrust\n50\t700\n'],
  ['semicolons', 'Throttle;Thrust\n50;700\n'],
  ['Windows line ends', 'Throttle,Thrust\r\n50,700\r\n'],
  ['a byte order mark', '\uFEFFThrottle,Thrust\n50,700'],
  ['a line that names the separator', 'sep=;\nThrottle;Thrust\n50;700'],
  ['empty lines', '\n\nThrottle,Thrust\n\n50,700\n\n'],
])('%s', (_what, text) =>
  expect(parseDelimited(text)).toEqual([
    ['Throttle', 'Thrust'],
    ['50', '700'],
  ]),
);

test('a decimal comma survives where tabs or semicolons separate', () => {
  expect(parseDelimited('Current\tVoltage\n0,7\t24,9')[1]).toEqual(['0,7', '24,9']);
  expect(parseDelimited('Current;Voltage\n0,7;24,9')[1]).toEqual(['0,7', '24,9']);
});

test('quoted cells may hold the separator', () => {
  expect(parseDelimited('Prop,Note\n"7.2x3.9x3","smoke, second bag"')[1]).toEqual(['7.2x3.9x3', 'smoke, second bag']);
});

test('whatever is dropped, rows of texts come back, and never more than are allowed', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 2000 }), (text) => {
      for (const row of parseDelimited(text)) for (const cell of row) expect(typeof cell).toBe('string');
    }),
    { numRuns: 200, seed: 8 },
  );
  expect(parseDelimited('1,2\n'.repeat(30_000))).toHaveLength(20_000);
});
