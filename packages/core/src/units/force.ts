import { GRAVITY_M_PER_S2 } from './gravity.ts';
import type { UnitTable } from './unit.ts';

const GRAM_FORCE_N = GRAVITY_M_PER_S2 / 1000;

export const force: UnitTable = {
  suffix: 'N',
  siSymbol: 'N',
  units: [
    { symbol: 'g', aliases: ['gf', 'gr', 'gram', 'grams'], factor: GRAM_FORCE_N },
    { symbol: 'kg', aliases: ['kgf'], factor: GRAM_FORCE_N * 1000 },
    { symbol: 'N', aliases: ['newton', 'newtons'], factor: 1 },
    { symbol: 'oz', aliases: ['ozf', 'ounce', 'ounces'], factor: GRAM_FORCE_N * 28.349523125 },
    { symbol: 'lb', aliases: ['lbf', 'lbs'], factor: GRAM_FORCE_N * 453.59237 },
  ],
};
