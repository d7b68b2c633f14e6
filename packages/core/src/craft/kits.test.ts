import { expect, test } from '@jest/globals';
import { withKit, type Kit, type KittedCraft } from './kits.ts';

const craft: KittedCraft & { name: string } = {
  name: 'Petrel',
  massKg: 1.92,
  escLimitA: 40,
  motorLimitA: 30,
  packChemistry: 'lipo',
  packSeriesCount: 6,
  packParallelCount: 2,
  packCapacityAh: 4,
  packPieceId: 'p1',
  packCellResistanceOhm: 0.003,
  packCRating: null,
  motorLabel: '2507 1080',
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
  estimatedFields: [],
};
const plain: Kit = { name: 'as it is', addedMassKg: 0, pack: null, motor: null, escLimitA: null };

test('a kit that changes nothing leaves the craft as it is', () => expect(withKit(craft, plain)).toEqual(craft));

test('payload adds to the weight and touches nothing else', () => {
  expect(withKit(craft, { ...plain, addedMassKg: 0.2 })).toEqual({ ...craft, massKg: expect.closeTo(2.12, 12) });
  expect(() => withKit(craft, { ...plain, addedMassKg: -1.92 })).toThrow(/massKg/);
});

test('another pack has none of the measured figures of the described one', () => {
  expect(withKit(craft, { ...plain, pack: { chemistry: 'liIon', seriesCount: 4, capacityAh: 6 } })).toMatchObject({
    packChemistry: 'liIon',
    packSeriesCount: 4,
    packParallelCount: 1,
    packCapacityAh: 6,
    packPieceId: null,
    packCellResistanceOhm: null,
    escLimitA: 40,
  });
});

test('other motors are estimated from their size, and lose the described one’s limit', () => {
  const kitted = withKit(craft, {
    ...plain,
    motor: { label: '2812 900', statorDiameterM: 0.028, statorHeightM: 0.012, kvRpmPerV: 900 },
    escLimitA: 50,
  });
  expect(kitted).toMatchObject({
    motorLabel: '2812 900',
    kvRpmPerV: 900,
    motorLimitA: null,
    escLimitA: 50,
    estimatedFields: ['motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'],
  });
});
