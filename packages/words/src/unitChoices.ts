import { dimensions, findUnit, type Dimension, type Unit } from '@zivvo/core';

/** The reader's units. Everything not listed has one usual unit. */
export interface UnitChoices {
  length: 'in' | 'mm';
  mass: 'g' | 'oz';
  force: 'g' | 'N' | 'oz';
  temperature: '°C' | '°F';
}

export const defaultUnits: UnitChoices = { length: 'in', mass: 'g', force: 'g', temperature: '°C' };

const USUAL: Partial<Record<Dimension, string>> = {
  rotation: 'rpm',
  current: 'A',
  voltage: 'V',
  power: 'W',
  resistance: 'mΩ',
  charge: 'Ah',
  motorConstant: 'kV',
  torque: 'N·m',
  inertia: 'g·cm²',
  acceleration: 'g',
  level: 'dB(A)',
  pressure: 'hPa',
  density: 'kg/m³',
  ratio: '%',
  time: 's',
  number: '',
  angle: '°',
};

/** The unit in which a reader sees a dimension. */
export function unitFor(dimension: Dimension, choices: UnitChoices): Unit {
  const symbol =
    dimension === 'length' || dimension === 'mass' || dimension === 'force' || dimension === 'temperature'
      ? choices[dimension]
      : dimension === 'thrustPerPower'
        ? `${choices.force}/W`
        : dimension === 'thrustPerCurrent'
          ? `${choices.force}/A`
          : USUAL[dimension]!;
  return findUnit(dimension, symbol) ?? dimensions[dimension].units[0]!;
}
