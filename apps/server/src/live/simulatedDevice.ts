import {
  bellInertiaKgM2,
  cellVoltages,
  inertiaFactors,
  packResistanceOhm,
  propInertiaKgM2,
  rotorAir,
  seededRandom,
  simulatedMotor,
  simulatedProp,
  usualMassKg,
  type LiveLimits,
  type SimulatedStandOptions,
} from '@zivvo/core';
import type { CampaignRow } from '../stand/campaign.repository.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';

type SimulatedCraft = Pick<
  CraftRow,
  | 'kvRpmPerV'
  | 'motorResistanceOhm'
  | 'motorNoLoadCurrentA'
  | 'motorMassKg'
  | 'statorDiameterM'
  | 'packChemistry'
  | 'packSeriesCount'
  | 'packCapacityAh'
  | 'packCellResistanceOhm'
  | 'packCRating'
>;
type SimulatedModel = Pick<
  PropModelRow,
  'label' | 'makerName' | 'diameterM' | 'pitchM' | 'bladeCount' | 'tipShape' | 'material' | 'measuredMassKg'
>;

/** Names the made-up world that every simulated piece belongs to. */
const WORLD = 'shed 9';
/** Usual unbalance of a piece from the bag on its bell, its standard deviation [kg·m]. */
const UNBALANCE_KG_M = 1.2e-6;

/**
 * The made-up stand for a prop on a craft's motor. The same label of the same maker always has the same truth, so a
 * second run agrees with the first as it would on a bench.
 *
 * @param seed - of the instruments, noise and drift of this run
 */
export function simulatedDevice(
  craft: SimulatedCraft,
  model: SimulatedModel,
  air: Pick<CampaignRow, 'temperatureC' | 'pressurePa' | 'humidityRatio'>,
  chargeRatio: number,
  seed: string,
): SimulatedStandOptions {
  const family = `${WORLD}/${model.makerName ?? ''}/${model.tipShape}`;
  const piece = `${family}/${model.label}`;
  const { diameterM, pitchM, bladeCount, tipShape, material } = model;
  const massKg = model.measuredMassKg ?? usualMassKg({ diameterM, bladeCount, material });
  const pack = {
    chemistry: craft.packChemistry,
    seriesCount: craft.packSeriesCount,
    capacityAh: craft.packCapacityAh,
    cellResistanceOhm: craft.packCellResistanceOhm,
    cRating: craft.packCRating,
  };
  return {
    prop: simulatedProp(diameterM, pitchM, {
      bladeCount,
      tip: tipShape,
      material,
      familySeed: family,
      pieceSeed: piece,
    }),
    motor: simulatedMotor(
      craft.kvRpmPerV,
      craft.motorResistanceOhm,
      craft.motorNoLoadCurrentA,
      `${craft.kvRpmPerV}/${craft.motorMassKg}`,
    ),
    inertiaKgM2:
      propInertiaKgM2(massKg, diameterM, inertiaFactors[tipShape]) +
      bellInertiaKgM2({ massKg: craft.motorMassKg, statorDiameterM: craft.statorDiameterM }),
    motorMassKg: craft.motorMassKg,
    pack: {
      cellCount: craft.packSeriesCount,
      capacityAh: craft.packCapacityAh,
      cellResistanceOhm: packResistanceOhm(pack) / craft.packSeriesCount,
      stateOfCharge: chargeRatio,
    },
    airC: air.temperatureC,
    densityKgPerM3: rotorAir(air.temperatureC, air.pressurePa, air.humidityRatio).densityKgPerM3,
    unbalanceKgM: UNBALANCE_KG_M * (0.4 + Math.abs(seededRandom(`unbalance/${piece}`).normal())),
    seed,
  };
}

/** Bell and shake that no run should pass; a maker's own figures come first where there are some. */
const HOTTEST_BELL_C = 100;
const STRONGEST_SHAKE_M_PER_S2 = 60;

/** What a run on this craft may not pass. */
export function limitsOf(
  craft: Pick<CraftRow, 'escLimitA' | 'motorLimitA' | 'packChemistry' | 'packSeriesCount'>,
  speedLimitRpm: number | null,
): LiveLimits {
  const currents = [craft.escLimitA, craft.motorLimitA].filter((limit) => limit !== null);
  return {
    speedRpm: speedLimitRpm,
    currentA: currents.length === 0 ? null : Math.min(...currents),
    voltageV: cellVoltages[craft.packChemistry].emptyV * craft.packSeriesCount,
    powerW: null,
    temperatureC: HOTTEST_BELL_C,
    vibrationMPerS2: STRONGEST_SHAKE_M_PER_S2,
  };
}
