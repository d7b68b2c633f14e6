import { GRAVITY_M_PER_S2 } from './gravity.ts';
import type { UnitTable } from './unit.ts';

export const torque: UnitTable = {
  suffix: 'Nm',
  siSymbol: 'N·m',
  units: [
    { symbol: 'N·m', aliases: ['nm', 'n*m', 'n.m'], factor: 1 },
    { symbol: 'mN·m', aliases: ['mnm'], factor: 0.001 },
    { symbol: 'N·cm', aliases: ['ncm'], factor: 0.01 },
    { symbol: 'kg·cm', aliases: ['kgcm', 'kgf·cm'], factor: GRAVITY_M_PER_S2 / 100 },
  ],
};

export const inertia: UnitTable = {
  suffix: 'KgM2',
  siSymbol: 'kg·m²',
  units: [
    { symbol: 'g·cm²', aliases: ['g*cm2', 'gcm2'], factor: 1e-7 },
    { symbol: 'kg·m²', aliases: ['kg*m2', 'kgm2'], factor: 1 },
  ],
};

export const acceleration: UnitTable = {
  suffix: 'MPerS2',
  siSymbol: 'm/s²',
  units: [
    { symbol: 'g', aliases: ['gn'], factor: GRAVITY_M_PER_S2 },
    { symbol: 'm/s²', aliases: ['m/s2'], factor: 1 },
  ],
};

export const level: UnitTable = {
  suffix: 'Db',
  siSymbol: 'dB(A)',
  units: [{ symbol: 'dB(A)', aliases: ['db', 'dba'], factor: 1 }],
};
