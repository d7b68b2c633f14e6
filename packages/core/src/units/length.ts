import type { UnitTable } from './unit.ts';

export const length: UnitTable = {
  suffix: 'M',
  siSymbol: 'm',
  units: [
    { symbol: 'in', aliases: ['inch', 'inches', '"', '″', '”', "''"], factor: 0.0254 },
    { symbol: 'mm', aliases: ['millimetre', 'millimetres', 'millimeter'], factor: 0.001 },
    { symbol: 'cm', aliases: [], factor: 0.01 },
    { symbol: 'm', aliases: ['metre', 'meter'], factor: 1 },
  ],
};
