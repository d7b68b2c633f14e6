import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { readMotorLabel } from './readMotorLabel.ts';

const first = (label: string): [number, number, number | null, number | null] | null => {
  const result = readMotorLabel(label);
  if (result.status !== 'read') return null;
  const r = result.readings[0]!;
  return [Math.round(r.statorDiameterM * 1e4) / 10, Math.round(r.statorHeightM * 1e4) / 10, r.kvRpmPerV, r.turnCount];
};

describe('motor labels', () => {
  test.each<[string, number, number, number | null, number | null]>([
    ['2406 2350', 24, 6, 2350, null],
    ['2208.5 2900 kV', 22, 8.5, 2900, null],
    ['2814/9', 28, 14, null, 9],
    ['2207-1750KV', 22, 7, 1750, null],
    ['2212/13T 1000kV', 22, 12, 1000, 13],
    ['22x8 2450', 22, 8, 2450, null],
    ['24062350', 24, 6, 2350, null],
    ['0802 19000', 8, 2, 19_000, null],
    ['28-14-9', 28, 14, null, 9],
    ['2216 kv880', 22, 16, 880, null],
  ])('%s', (label, ...expected) => expect(first(label)).toEqual(expected));

  test('a tall stator may be a can: both are offered, the stator first', () => {
    const result = readMotorLabel('2814 900');
    expect(result.status === 'read' && result.readings.map((r) => r.reasons[0]!.code)).toEqual([
      'statorDigits',
      'canSize',
    ]);
    expect(result.status === 'read' && result.readings[1]!.statorDiameterM).toBeLessThan(0.028);
  });

  test.each([
    ['', 'empty'],
    ['kV', 'noDigits'],
    ['9', 'noSensibleSize'],
  ])('%j is refused: %s', (label, problem) =>
    expect(readMotorLabel(label)).toMatchObject({ status: 'unreadable', problem }),
  );

  test('any usual size and kV reads as itself', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 11, max: 60 }),
        fc.integer({ min: 2, max: 20 }),
        fc.integer({ min: 100, max: 9000 }),
        (d, h, kv) => {
          expect(first(`${d}${String(h).padStart(2, '0')} ${kv} kV`)).toEqual([d, h, kv, null]);
        },
      ),
    ));

  test('whatever is typed does not throw', () =>
    fc.assert(fc.property(fc.string({ maxLength: 70 }), (label) => void readMotorLabel(label))));
});
