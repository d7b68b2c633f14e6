import type { UnitTable } from './unit.ts';

export const current: UnitTable = {
  suffix: 'A',
  siSymbol: 'A',
  units: [
    { symbol: 'A', aliases: ['amp', 'amps', 'ampere'], factor: 1 },
    { symbol: 'mA', aliases: [], factor: 0.001 },
  ],
};

export const voltage: UnitTable = {
  suffix: 'V',
  siSymbol: 'V',
  units: [
    { symbol: 'V', aliases: ['volt', 'volts'], factor: 1 },
    { symbol: 'mV', aliases: [], factor: 0.001 },
  ],
};

export const power: UnitTable = {
  suffix: 'W',
  siSymbol: 'W',
  units: [
    { symbol: 'W', aliases: ['watt', 'watts'], factor: 1 },
    { symbol: 'kW', aliases: [], factor: 1000 },
  ],
};

export const resistance: UnitTable = {
  suffix: 'Ohm',
  siSymbol: 'Ω',
  units: [
    { symbol: 'mΩ', aliases: ['mohm', 'milliohm'], factor: 0.001 },
    { symbol: 'Ω', aliases: ['ohm', 'ohms'], factor: 1 },
  ],
};

export const charge: UnitTable = {
  suffix: 'Ah',
  siSymbol: 'Ah',
  units: [
    { symbol: 'mAh', aliases: [], factor: 0.001 },
    { symbol: 'Ah', aliases: [], factor: 1 },
  ],
};

export const motorConstant: UnitTable = {
  suffix: 'RpmPerV',
  siSymbol: 'rpm/V',
  units: [{ symbol: 'kV', aliases: ['rpm/v', 'kv'], factor: 1 }],
};
