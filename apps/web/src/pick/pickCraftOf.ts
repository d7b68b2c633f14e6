import type { AirView, CraftView, PropModelView } from '@zivvo/contract';
import { isCoaxial, neighbourDistanceM, rotorAir, STANDARD_ROTOR_AIR, type PickCraft, type PickSetting, type PropGeometry, type RotorAir } from '@zivvo/core';

const USUAL_AIR_C = 15;

/** A craft as picking sees it, in the air of today; the standard air where nobody has read any. */
export function pickSettingOf(craft: CraftView, air: AirView | null): PickSetting {
  return { craft: pickCraftOf(craft, air?.temperatureC ?? USUAL_AIR_C), air: rotorAirOf(air) };
}

function rotorAirOf(air: AirView | null): RotorAir {
  return air ? rotorAir(air.temperatureC, air.pressurePa, air.humidityRatio) : STANDARD_ROTOR_AIR;
}

function pickCraftOf(craft: CraftView, airC: number): PickCraft {
  const { rotors, estimatedFields } = craft;
  const typed = (field: (typeof estimatedFields)[number], value: number): number | null => (estimatedFields.includes(field) ? null : value);
  return {
    kind: craft.kind,
    rotorCount: rotors.length,
    isCoaxial: isCoaxial(rotors),
    armM: craft.kind === 'plane' ? null : rotors.reduce((sum, r) => sum + Math.hypot(r.xM, r.yM), 0) / rotors.length,
    neighbourDistanceM: neighbourDistanceM(rotors),
    clearanceDiameterM: craft.clearanceDiameterM,
    groundClearanceM: craft.groundClearanceM,
    boomClearanceM: craft.boomClearanceM,
    massKg: craft.massKg,
    motor: {
      statorDiameterM: craft.statorDiameterM,
      statorHeightM: craft.statorHeightM,
      kvRpmPerV: craft.kvRpmPerV,
      resistanceOhm: typed('motorResistanceOhm', craft.motorResistanceOhm),
      noLoadCurrentA: typed('motorNoLoadCurrentA', craft.motorNoLoadCurrentA),
      massKg: typed('motorMassKg', craft.motorMassKg),
    },
    motorLimitA: craft.motorLimitA,
    escLimitA: craft.escLimitA,
    pack: { chemistry: craft.packChemistry, seriesCount: craft.packSeriesCount, capacityAh: craft.packCapacityAh, cellResistanceOhm: null },
    airC,
  };
}

/** A prop model as the core computes with it: measured where somebody did, the label elsewhere. */
export function geometryOf(model: Pick<PropModelView, 'diameterM' | 'pitchM' | 'bladeCount' | 'tipShape' | 'material' | 'measuredDiameterM' | 'measuredMassKg'>): PropGeometry {
  const { pitchM, bladeCount, tipShape, material } = model;
  return { diameterM: model.measuredDiameterM ?? model.diameterM, pitchM, bladeCount, tipShape, material, section: 'cambered', massKg: model.measuredMassKg, droopM: null, rootCutOutRatio: null };
}
