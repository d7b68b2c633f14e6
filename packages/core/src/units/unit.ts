/** One unit of a dimension: SI value = (shown + offset) · factor. */
export interface Unit {
  /** How it is written beside a number. */
  symbol: string;
  /** Other ways in which people type it, lower case. */
  aliases: readonly string[];
  factor: number;
  /** Added to the shown number before the factor; only temperatures need it. */
  offset?: number;
}

export interface UnitTable {
  /** Suffix of SI fields in code and JSON: `thrustN`. */
  suffix: string;
  /** The unit of the SI value, as shown in workings. */
  siSymbol: string;
  units: readonly Unit[];
}

/** SI value of a shown number. */
export function toSi(unit: Unit, shown: number): number {
  return (shown + (unit.offset ?? 0)) * unit.factor;
}

/** Shown number of an SI value. */
export function fromSi(unit: Unit, valueSi: number): number {
  return valueSi / unit.factor - (unit.offset ?? 0);
}
