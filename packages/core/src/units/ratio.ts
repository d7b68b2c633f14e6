import type { UnitTable } from './unit.ts';

export const ratio: UnitTable = {
  suffix: 'Ratio',
  siSymbol: '1',
  units: [
    { symbol: '%', aliases: ['percent', 'pct'], factor: 0.01 },
    { symbol: '1', aliases: [], factor: 1 },
    // Pulses of a servo: 1,000 is nothing, 2,000 all.
    { symbol: 'µs', aliases: ['us', 'usec'], factor: 0.001, offset: -1000 },
  ],
};

export const time: UnitTable = {
  suffix: 'S',
  siSymbol: 's',
  units: [
    { symbol: 's', aliases: ['sec', 'secs'], factor: 1 },
    { symbol: 'ms', aliases: [], factor: 0.001 },
    { symbol: 'min', aliases: [], factor: 60 },
  ],
};

export const number: UnitTable = { suffix: '', siSymbol: '', units: [{ symbol: '', aliases: [], factor: 1 }] };
