import type { UnitTable } from './unit.ts';

export const angle: UnitTable = {
  suffix: 'Rad',
  siSymbol: 'rad',
  units: [
    { symbol: '°', aliases: ['deg', 'degree', 'degrees'], factor: Math.PI / 180 },
    { symbol: 'rad', aliases: [], factor: 1 },
  ],
};

export const rotation: UnitTable = {
  suffix: 'Rpm',
  siSymbol: 'rev/min',
  units: [
    { symbol: 'rpm', aliases: ['rev/min', 'r/min', '1/min', 'u/min'], factor: 1 },
    { symbol: 'krpm', aliases: [], factor: 1000 },
    { symbol: 'Hz', aliases: ['1/s', 'rev/s'], factor: 60 },
  ],
};
