import type { UnitTable } from './unit.ts';

export const mass: UnitTable = {
  suffix: 'Kg',
  siSymbol: 'kg',
  units: [
    { symbol: 'g', aliases: ['gr', 'gram', 'grams'], factor: 0.001 },
    { symbol: 'kg', aliases: [], factor: 1 },
    { symbol: 'oz', aliases: ['ounce', 'ounces'], factor: 0.028349523125 },
    { symbol: 'lb', aliases: ['lbs', 'pound', 'pounds'], factor: 0.45359237 },
  ],
};
