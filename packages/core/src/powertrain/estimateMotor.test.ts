import { expect, test } from '@jest/globals';
import fc from 'fast-check';
import { OutOfRangeError } from '../errors/coreError.ts';
import { estimateMotor } from './estimateMotor.ts';

test('a 23 × 6 mm stator at 1750 rpm/V comes out as such motors are', () => {
  const motor = estimateMotor(0.023, 0.006, 1750);
  expect(motor.resistanceOhm).toBeGreaterThan(0.06);
  expect(motor.resistanceOhm).toBeLessThan(0.11);
  expect(motor.massKg).toBeGreaterThan(0.025);
  expect(motor.massKg).toBeLessThan(0.04);
  expect(motor.noLoadCurrentA).toBeGreaterThan(0.4);
  expect(motor.noLoadCurrentA).toBeLessThan(2.5);
});

test('more kV winds less resistance, a larger stator weighs more', () =>
  fc.assert(
    fc.property(
      fc.double({ min: 0.01, max: 0.06, noNaN: true }),
      fc.double({ min: 0.004, max: 0.02, noNaN: true }),
      fc.double({ min: 100, max: 5000, noNaN: true }),
      (d, h, kv) => {
        expect(estimateMotor(d, h, kv * 2).resistanceOhm).toBeCloseTo(estimateMotor(d, h, kv).resistanceOhm / 4, 9);
        expect(estimateMotor(d * 1.1, h, kv).massKg).toBeGreaterThan(estimateMotor(d, h, kv).massKg);
      },
    ),
  ));

test('no motor is refused', () => expect(() => estimateMotor(0.023, 0.006, 0)).toThrow(OutOfRangeError));
