import type { UnitTable } from './unit.ts';

export const rotation: UnitTable = {
  suffix: 'Rpm',
  siSymbol: 'rev/min',
  units: [
    { symbol: 'rpm', aliases: ['rev/min', 'r/min', '1/min', 'u/min'], factor: 1 },
    { symbol: 'krpm', aliases: [], factor: 1000 },
    { symbol: 'Hz', aliases: ['1/s', 'rev/s'], factor: 60 },
  ],
};
