import { GRAVITY_M_PER_S2 } from './gravity.ts';
import type { UnitTable } from './unit.ts';

const GRAM_FORCE_N = GRAVITY_M_PER_S2 / 1000;

export const thrustPerPower: UnitTable = {
  suffix: 'NPerW',
  siSymbol: 'N/W',
  units: [
    { symbol: 'g/W', aliases: [], factor: GRAM_FORCE_N },
    { symbol: 'N/W', aliases: [], factor: 1 },
    { symbol: 'oz/W', aliases: [], factor: GRAM_FORCE_N * 28.349523125 },
  ],
};

export const thrustPerCurrent: UnitTable = {
  suffix: 'NPerA',
  siSymbol: 'N/A',
  units: [
    { symbol: 'g/A', aliases: [], factor: GRAM_FORCE_N },
    { symbol: 'N/A', aliases: [], factor: 1 },
    { symbol: 'oz/A', aliases: [], factor: GRAM_FORCE_N * 28.349523125 },
  ],
};
