import type { AirView, CalibrationView, CraftView } from '@zivvo/contract';
import { pickCraftOf, rotorAir, STANDARD_ROTOR_AIR, type PickSetting, type RotorAir } from '@zivvo/core';

const USUAL_AIR_C = 15;

/**
 * A craft as picking sees it, in the air of today, its own runs counted; the standard air where nobody has read any.
 */
export function pickSettingOf(
  craft: CraftView,
  air: AirView | null,
  calibration: CalibrationView['calibration'] = null,
): PickSetting {
  return { craft: pickCraftOf(craft, air?.temperatureC ?? USUAL_AIR_C), air: rotorAirOf(air), calibration };
}

/** Today's air as rotors feel it. */
export function rotorAirOf(air: AirView | null): RotorAir {
  return air ? rotorAir(air.temperatureC, air.pressurePa, air.humidityRatio) : STANDARD_ROTOR_AIR;
}
