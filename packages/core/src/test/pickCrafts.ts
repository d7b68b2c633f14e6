import { CoefficientTables } from '../propeller/coefficientTables.ts';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { INCH_M } from '../label/propLabel.ts';
import { labelGeometry, type PropGeometry } from '../propeller/propGeometry.ts';
import { prepareCraft, type PreparedCraft, type PickCraft } from '../pick/pickCraft.ts';

/** A survey quad for tests: 1.92 kg on seven-inch discs. */
export const surveyQuad: PickCraft = {
  kind: 'multirotor',
  rotorCount: 4,
  isCoaxial: false,
  armM: 0.147,
  neighbourDistanceM: 0.2079,
  clearanceDiameterM: 0.2,
  groundClearanceM: null,
  boomClearanceM: null,
  massKg: 1.92,
  gearRatio: 1,
  shaftDiameterM: null,
  needed: { cwCount: 2, ccwCount: 2 },
  motor: {
    statorDiameterM: 0.025,
    statorHeightM: 0.007,
    kvRpmPerV: 1080,
    resistanceOhm: null,
    noLoadCurrentA: null,
    massKg: null,
  },
  motorLimitA: null,
  escLimitA: 42,
  pack: { chemistry: 'lipo', seriesCount: 6, capacityAh: 4, cellResistanceOhm: null, cRating: null },
  standbyPowerW: 12,
  ductThrustRatio: null,
  style: 'normal',
  airC: 6,
};

/** A mapping plane for tests: 2.1 kg behind an eleven-inch prop. */
export const mappingPlane: PickCraft = {
  ...surveyQuad,
  kind: 'plane',
  rotorCount: 1,
  needed: { cwCount: 0, ccwCount: 1 },
  armM: null,
  neighbourDistanceM: null,
  clearanceDiameterM: null,
  groundClearanceM: 0.17,
  massKg: 2.1,
  motor: { ...surveyQuad.motor, statorDiameterM: 0.028, statorHeightM: 0.014, kvRpmPerV: 900 },
  pack: { ...surveyQuad.pack, seriesCount: 4 },
};

/** One set of tables for a whole test file: making them is what takes time. */
export const standardTables = new CoefficientTables(STANDARD_ROTOR_AIR);

export function preparedOf(craft: PickCraft): PreparedCraft {
  return prepareCraft(craft, standardTables);
}

export function inches(
  diameter: number,
  pitch: number,
  bladeCount: number,
  more: Partial<PropGeometry> = {},
): PropGeometry {
  return { ...labelGeometry(diameter * INCH_M, pitch * INCH_M, bladeCount, 'standard', 'polycarbonate'), ...more };
}
