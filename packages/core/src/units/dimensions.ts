import { thrustPerCurrent, thrustPerPower } from './efficiency.ts';
import { charge, current, motorConstant, power, resistance, voltage } from './electric.ts';
import { force } from './force.ts';
import { length } from './length.ts';
import { mass } from './mass.ts';
import { acceleration, inertia, level, torque } from './mechanics.ts';
import { number, ratio, time } from './ratio.ts';
import { angle, rotation } from './rotation.ts';
import { density, pressure, temperature } from './surroundings.ts';
import type { Unit } from './unit.ts';

/** Every dimension that Zivvo reads or shows, with its units. */
export const dimensions = {
  length,
  mass,
  force,
  rotation,
  current,
  voltage,
  power,
  resistance,
  charge,
  motorConstant,
  torque,
  inertia,
  acceleration,
  level,
  temperature,
  pressure,
  density,
  ratio,
  time,
  number,
  angle,
  thrustPerPower,
  thrustPerCurrent,
} as const;

export type Dimension = keyof typeof dimensions;

/** The unit that a typed or printed symbol names, or undefined. Exact case first: mW is not MW, but RPM is rpm. */
export function findUnit(dimension: Dimension, written: string): Unit | undefined {
  const name = written.trim();
  const lower = name.toLowerCase();
  const { units } = dimensions[dimension];
  return (
    units.find((u) => u.symbol === name) ??
    units.find((u) => u.symbol.toLowerCase() === lower || u.aliases.includes(lower))
  );
}
