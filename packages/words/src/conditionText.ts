import type { FullAt } from '@zivvo/core';
import { formatNumber } from './formatQuantity.ts';

const COUNTS = [
  'no',
  'one',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
];

/** Where full throttle is spoken of, in three words: *one motor, 24.0 V*; *four motors, half pack*. */
export function conditionText(
  { condition, voltageV }: Pick<FullAt, 'condition' | 'voltageV'>,
  rotorCount: number,
): string {
  switch (condition) {
    case 'oneMotorStand':
      return standText(voltageV);
    case 'oneMotorHalfPack':
      return 'one motor, half pack';
    case 'allMotorsHalfPack':
      return `${COUNTS[rotorCount] ?? rotorCount} ${rotorCount === 1 ? 'motor' : 'motors'}, half pack`;
  }
}

/** Full throttle as a stand has it. */
export function standText(voltageV: number): string {
  return `one motor, ${formatNumber(voltageV, 1)} V`;
}
