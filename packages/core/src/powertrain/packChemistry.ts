export type PackChemistry = 'lipo' | 'lipoHighVoltage' | 'liIon';

export interface CellVoltages {
  fullV: number;
  nominalV: number;
  /** Resting voltage under which a stand run does not start, by default. */
  gateV: number;
  emptyV: number;
}

/** Volts per cell that each chemistry works between; the makers' sheets come first. */
export const cellVoltages: Record<PackChemistry, CellVoltages> = {
  lipo: { fullV: 4.2, nominalV: 3.7, gateV: 4.05, emptyV: 3.3 },
  lipoHighVoltage: { fullV: 4.35, nominalV: 3.8, gateV: 4.2, emptyV: 3.3 },
  liIon: { fullV: 4.2, nominalV: 3.6, gateV: 4.0, emptyV: 2.8 },
};
