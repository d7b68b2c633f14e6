import type { UnitTable } from './unit.ts';

export const temperature: UnitTable = {
  suffix: 'C',
  siSymbol: '°C',
  units: [
    { symbol: '°C', aliases: ['c', 'degc', 'celsius'], factor: 1 },
    { symbol: '°F', aliases: ['f', 'degf', 'fahrenheit'], factor: 5 / 9, offset: -32 },
  ],
};

export const pressure: UnitTable = {
  suffix: 'Pa',
  siSymbol: 'Pa',
  units: [
    { symbol: 'hPa', aliases: ['mbar'], factor: 100 },
    { symbol: 'Pa', aliases: [], factor: 1 },
    { symbol: 'kPa', aliases: [], factor: 1000 },
    { symbol: 'inHg', aliases: [], factor: 3386.389 },
  ],
};

export const density: UnitTable = {
  suffix: 'KgPerM3',
  siSymbol: 'kg/m³',
  units: [{ symbol: 'kg/m³', aliases: ['kg/m3'], factor: 1 }],
};
