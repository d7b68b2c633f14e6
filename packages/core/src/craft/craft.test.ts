import { expect, test } from '@jest/globals';
import { carryThrustN } from './carryThrust.ts';
import { UnknownFigureError } from '../errors/coreError.ts';
import { evaluateWorking } from '../test/evaluateWorking.ts';
import { craftFigures, explainCraftFigure } from './explainCraftFigure.ts';

test('each rotor carries its share', () => {
  expect(carryThrustN(1.92, 4)).toBeCloseTo(4.7072, 4);
  expect(() => carryThrustN(0, 4)).toThrow();
});

const explained = {
  kind: 'multirotor' as const,
  massKg: 1.92,
  rotorCount: 4,
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
};

test.each(craftFigures)('%s: the shown formula on the shown inputs gives the shown figure', (key) => {
  const working = explainCraftFigure(explained, key);
  expect(evaluateWorking(working) / working.result.value).toBeCloseTo(1, 9);
  expect(working.result.mark).toBe(key === 'carryThrustN' ? 'measured' : 'estimated');
});

test('a plane is carried by its wing: an eighth of the weight, estimated', () => {
  const plane = { ...explained, kind: 'plane' as const, rotorCount: 1 };
  expect(carryThrustN(2.1, 1, 'plane')).toBeCloseTo((2.1 * 9.80665) / 8, 9);
  const working = explainCraftFigure(plane, 'carryThrustN');
  expect(evaluateWorking(working) / working.result.value).toBeCloseTo(1, 9);
  expect(working.result.mark).toBe('estimated');
});

test('a figure that a craft does not have is refused', () =>
  expect(() => explainCraftFigure(explained, 'beauty')).toThrow(UnknownFigureError));
