import { checkLimits, type CreateInstrumentCheckDto } from '@zivvo/contract';
import { BENT_RATIO, checkMethods, correctionOf, CoreError, fromSi, toSi } from '@zivvo/core';
import type { CheckedQuantity, CheckMethod, Dimension } from '@zivvo/core';
import { formatNumber, formatShare, unitFor, type UnitChoices } from '@zivvo/words';
import { numberIn } from '../../shared/forms/numberIn.ts';

/** Names of the instruments, by what they read. */
export const instrumentNames: Record<CheckedQuantity, string> = {
  thrustN: 'Scale',
  speedRpm: 'Rpm reading',
  currentA: 'Ammeter',
  voltageV: 'Voltmeter',
  torqueNm: 'Torque arm',
};

export const methodNames: Record<CheckMethod, string> = {
  knownMass: 'known masses',
  tachometer: 'a tachometer',
  sound: 'the sound of its blades',
  secondMeter: 'a second meter',
  putBack: 'what the charger puts back',
  torqueArm: 'a known mass on the arm',
};

/** A check as it is typed, in the reader's units. */
export interface CheckEntry {
  method: CheckMethod;
  arm: string;
  pairs: { actual: string; shown: string }[];
  reachesBack: boolean;
  note: string;
}

/** A scale is loaded at two points: one alone cannot show that it bends. */
const LEAST_PAIRS: Record<CheckedQuantity, number> = { thrustN: 2, speedRpm: 1, currentA: 1, voltageV: 1, torqueNm: 1 };

export const blankCheck = (quantity: CheckedQuantity): CheckEntry => ({
  method: checkMethods[quantity][0],
  arm: '',
  pairs: Array.from({ length: LEAST_PAIRS[quantity] }, () => ({ actual: '', shown: '' })),
  reachesBack: false,
  note: '',
});

interface PairField {
  label: string;
  dimension: Dimension;
}

const SHOWN: Record<CheckedQuantity, Dimension> = {
  thrustN: 'force',
  speedRpm: 'rotation',
  currentA: 'current',
  voltageV: 'voltage',
  torqueNm: 'torque',
};
/** What is held against; in the dimension of the quantity where none is given. */
const ACTUAL: Record<CheckMethod, { label: string; dimension?: Dimension }> = {
  knownMass: { label: 'Mass on it' },
  tachometer: { label: 'Tachometer' },
  sound: { label: 'By ear' },
  secondMeter: { label: 'Second meter' },
  putBack: { label: 'Charger put back', dimension: 'charge' },
  torqueArm: { label: 'Mass on the arm', dimension: 'force' },
};

/** What is typed of a pair, and in which dimension. */
export function pairFields(quantity: CheckedQuantity, method: CheckMethod): { actual: PairField; shown: PairField } {
  const { label, dimension = SHOWN[quantity] } = ACTUAL[method];
  return {
    actual: { label, dimension },
    shown:
      method === 'putBack'
        ? { label: 'Stand counted', dimension }
        : { label: 'Stand shows', dimension: SHOWN[quantity] },
  };
}

export interface ReadPairs {
  /** Null where something lacks or cannot be read. */
  pairs: CreateInstrumentCheckDto['pairs'] | null;
  armM: number | null;
  armError: string | undefined;
  errors: { actual: string | undefined; shown: string | undefined }[];
}

/** What was typed, in SI, with what cannot be read at its place. */
export function readEntry(quantity: CheckedQuantity, entry: CheckEntry, choices: UnitChoices): ReadPairs {
  const fields = pairFields(quantity, entry.method);
  const read = (text: string, dimension: Dimension) => {
    const unit = unitFor(dimension, choices);
    const { value, error } = numberIn(text, { min: 0, max: fromSi(unit, checkLimits.reading.max) });
    return { value: value === null ? null : toSi(unit, value), error };
  };
  const rows = entry.pairs.map((pair) => ({
    actual: read(pair.actual, fields.actual.dimension),
    shown: read(pair.shown, fields.shown.dimension),
  }));
  const lengthUnit = unitFor('length', { ...choices, length: 'mm' });
  const arm = numberIn(entry.arm, {
    min: fromSi(lengthUnit, checkLimits.armM.min),
    max: fromSi(lengthUnit, checkLimits.armM.max),
  });
  const armM = quantity === 'torqueNm' && arm.value !== null ? toSi(lengthUnit, arm.value) : null;
  const whole = rows.every((r) => r.actual.value !== null && r.shown.value !== null);
  return {
    pairs: whole ? rows.map((r) => ({ actual: r.actual.value!, shown: r.shown.value! })) : null,
    armM,
    armError: arm.error,
    errors: rows.map((r) => ({ actual: r.actual.error, shown: r.shown.error })),
  };
}

/** What the check says so far: a sentence, whether it can be kept, and whether it needs a second look. */
export interface CheckSays {
  text: string;
  isGood: boolean;
  isDoubtful: boolean;
}

/** What a check asks for, or what stands in its way. Nothing is said of a check that is half typed. */
export function checkSays(quantity: CheckedQuantity, { pairs, armM }: ReadPairs): CheckSays | null {
  if (pairs === null || (quantity === 'torqueNm' && armM === null)) return null;
  try {
    const { factor, apartRatio } = correctionOf({ quantity, armM, pairs });
    const times = `Readings will be multiplied by ${formatNumber(factor, 3)}`;
    if (apartRatio <= BENT_RATIO) return { text: `${times}.`, isGood: true, isDoubtful: false };
    const text =
      `${times}, but the points lie ${formatShare(apartRatio)} apart: tare at no load and try again; one factor ` +
      'does not straighten an instrument that bends.';
    return { text, isGood: true, isDoubtful: true };
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    return { text: refusal(error), isGood: false, isDoubtful: true };
  }
}

function refusal({ code, details }: CoreError): string {
  if (code === 'outOfRange' && details.what === 'factor')
    return (
      `Readings would be multiplied by ${formatNumber(Number(details.value), 2)}. That is another unit or pole ` +
      'count, not drift: set it right on the stand and check again.'
    );
  if (code === 'notEnoughReadings')
    return 'Two masses are needed: one near the lightest thrust, one near the heaviest.';
  return 'Both numbers must be more than nothing.';
}
