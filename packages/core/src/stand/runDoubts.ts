import { dimensions, findUnit } from '../units/dimensions.ts';
import { standQuantities, type StandQuantity, type StandStep } from './quantities.ts';

/** What was turned, and in which air. */
export interface DoubtedProp {
  diameterM: number;
  densityKgPerM3: number;
}

export type DoubtCode = 'merit' | 'power' | 'thrustCoefficient' | 'tipMach';

/** A figure of a run that no prop has, or no meter shows. */
export interface RunDoubt {
  code: DoubtCode;
  value: number;
  min: number;
  max: number;
}

/** What props between an inch and a metre can do, with room: motor and controller are in the figure of merit. */
const ALLOWED: Readonly<Record<DoubtCode, readonly [min: number, max: number]>> = {
  /** Ideal hover power over electrical power; the most that physics gives a rotor is 1. */
  merit: [0.1, 0.85],
  /** Volts times amps over the power that was read. */
  power: [0.8, 1.25],
  /** T/(ρ·n²·D⁴) of anything that is shaped like a propeller. */
  thrustCoefficient: [0.02, 0.4],
  tipMach: [0.03, 0.95],
};
/** Small readings are mostly zero and friction. */
const LEAST_THROTTLE = 0.5;
const SOUND_M_PER_S = 340;

/**
 * Holds a run against physics: figure of merit, volts times amps, thrust coefficient and tip speed of its upper half.
 *
 * @param steps - SI; steps without throttle or thrust say nothing
 *   FM = T^1.5/(√(2ρA)·P_el), C_T = T/(ρn²D⁴), M = π·n·D/340; the median of the steps from half throttle on
 *
 * @returns what cannot be; empty where everything can, or nothing was read that tells
 * @see momentum theory for the end at 0.85; the ranges hold props from an inch to a metre with room
 */
export function runDoubts(steps: readonly StandStep[], prop: DoubtedProp): RunDoubt[] {
  const upper = steps.filter((s) => (s.throttleRatio ?? 0) >= LEAST_THROTTLE && (s.thrustN ?? 0) > 0);
  return (Object.keys(ALLOWED) as DoubtCode[]).flatMap((code): RunDoubt[] => {
    const values = upper.flatMap((step) => figureOf(code, step, prop) ?? []).sort((a, b) => a - b);
    if (values.length === 0) return [];
    const value = values[Math.floor(values.length / 2)]!;
    const [min, max] = ALLOWED[code];
    return value >= min && value <= max ? [] : [{ code, value, min, max }];
  });
}

function figureOf(
  code: DoubtCode,
  { thrustN, speedRpm, currentA, voltageV, powerW }: StandStep,
  { diameterM, densityKgPerM3 }: DoubtedProp,
): number | null {
  const circuitW = currentA === null || voltageV === null ? null : currentA * voltageV;
  const turns = speedRpm === null || speedRpm <= 0 ? null : speedRpm / 60;
  switch (code) {
    case 'merit': {
      const spentW = powerW ?? circuitW;
      const discM2 = (Math.PI * diameterM ** 2) / 4;
      return spentW === null || spentW <= 0 ? null : thrustN! ** 1.5 / Math.sqrt(2 * densityKgPerM3 * discM2) / spentW;
    }
    case 'power':
      return powerW === null || powerW <= 0 || circuitW === null ? null : circuitW / powerW;
    case 'thrustCoefficient':
      return turns === null ? null : thrustN! / (densityKgPerM3 * turns ** 2 * diameterM ** 4);
    case 'tipMach':
      return turns === null ? null : (Math.PI * turns * diameterM) / SOUND_M_PER_S;
  }
}

/** A column that makes sense in another unit. */
export interface UnitMistake {
  quantity: StandQuantity;
  unitSymbol: string;
  /** What it would have to be; `electrical rpm` for a speed that counts the poles. */
  likelySymbol: string;
}

/** Pole pairs of usual motors: their telemetry counts electrical turns. */
const POLE_PAIRS = [7, 6, 12, 11, 14];
export const ELECTRICAL_RPM = 'electrical rpm';

/**
 * The smallest change of units, of one column or of two, after which nothing of a run is in doubt.
 *
 * @param columns - quantity and unit of each column as it was read
 * @returns null where nothing is in doubt, or no change helps; of changes that help, the one nearest to usual props
 */
export function likelyUnits(
  steps: readonly StandStep[],
  columns: readonly { quantity: StandQuantity | null; unitSymbol: string }[],
  prop: DoubtedProp,
): UnitMistake[] | null {
  if (runDoubts(steps, prop).length === 0) return null;
  const changes = columns.flatMap(({ quantity, unitSymbol }) =>
    quantity === null ? [] : changesOf(quantity, unitSymbol),
  );
  const tried = [
    ...changes.map((c) => [c]),
    ...changes.flatMap((a, i) =>
      changes
        .slice(i + 1)
        .filter((b) => b.mistake.quantity !== a.mistake.quantity)
        .map((b) => [a, b]),
    ),
  ];
  const helping = tried.filter((set) => runDoubts(changed(steps, set), prop).length === 0);
  const fewest = Math.min(...helping.map((set) => set.length));
  const best = helping
    .filter((set) => set.length === fewest)
    .sort((a, b) => oddness(changed(steps, a), prop) - oddness(changed(steps, b), prop))[0];
  return best?.map((c) => c.mistake) ?? null;
}

interface UnitChange {
  mistake: UnitMistake;
  /** Turns the wrong SI value into the right one. */
  factor: number;
}

/** Quantities that physics here says something about. */
const TOLD: readonly StandQuantity[] = ['thrustN', 'speedRpm', 'currentA', 'voltageV', 'powerW'];

function changesOf(quantity: StandQuantity, unitSymbol: string): UnitChange[] {
  const unit = findUnit(standQuantities[quantity], unitSymbol);
  if (!TOLD.includes(quantity) || !unit) return [];
  const others = dimensions[standQuantities[quantity]].units.filter((u) => u.symbol !== unit.symbol);
  const found = others.map((u): UnitChange => ({
    mistake: { quantity, unitSymbol, likelySymbol: u.symbol },
    factor: u.factor / unit.factor,
  }));
  return quantity === 'speedRpm'
    ? [
        ...found,
        ...POLE_PAIRS.map((pairs): UnitChange => ({
          mistake: { quantity, unitSymbol, likelySymbol: ELECTRICAL_RPM },
          factor: 1 / pairs,
        })),
      ]
    : found;
}

function changed(steps: readonly StandStep[], changes: readonly UnitChange[]): StandStep[] {
  return steps.map((step) =>
    changes.reduce(
      (s, { mistake: { quantity }, factor }) => ({
        ...s,
        [quantity]: s[quantity] === null ? null : s[quantity] * factor,
      }),
      step,
    ),
  );
}

/** Between one cell and twelve. */
const USUAL_VOLTAGE_V = 14;

/** How far a run is from a usual prop: ratios of its figures to usual ones, in logarithms. */
function oddness(steps: readonly StandStep[], prop: DoubtedProp): number {
  const usual: Readonly<Record<DoubtCode, number>> = { merit: 0.45, power: 1, thrustCoefficient: 0.13, tipMach: 0.45 };
  const top = steps.reduce<StandStep | null>((best, s) => ((s.thrustN ?? 0) > (best?.thrustN ?? 0) ? s : best), null);
  if (!top) return Infinity;
  const volts = top.voltageV === null ? 0 : Math.abs(Math.log(top.voltageV / USUAL_VOLTAGE_V));
  return (Object.keys(usual) as DoubtCode[]).reduce((sum, code) => {
    const value = figureOf(code, top, prop);
    return sum + (value === null ? 0 : Math.abs(Math.log(value / usual[code])));
  }, volts);
}
