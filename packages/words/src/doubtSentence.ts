import { ELECTRICAL_RPM, type DoubtCode, type RunDoubt, type UnitMistake } from '@zivvo/core';
import { formatNumber } from './formatQuantity.ts';
import { quantityNames } from './names.ts';

const FIGURES: Record<DoubtCode, string> = {
  merit: 'The figure of merit of these readings',
  power: 'Volts times amps over watts',
  thrustCoefficient: 'Thrust for this speed, as a coefficient,',
  tipMach: 'The tips’ speed over that of sound',
};

/** What of a run cannot be, with the range that can. */
export function doubtSentence({ code, value, min, max }: RunDoubt): string {
  const digits = code === 'thrustCoefficient' ? 3 : 2;
  const shown =
    value >= 100
      ? formatNumber(value, 0)
      : value < 0.5 * 10 ** -digits
        ? `under ${formatNumber(10 ** -digits, digits)}`
        : formatNumber(value, digits);
  return `${FIGURES[code]} would be ${shown}; ${formatNumber(min, 2)} to ${formatNumber(max, 2)} can be.`;
}

/** Which columns make sense in another unit. */
export function unitMistakeSentence(mistakes: readonly UnitMistake[]): string {
  const each = mistakes.map(
    ({ quantity, unitSymbol, likelySymbol }) =>
      `${quantityNames[quantity].toLowerCase()} in ` +
      `${likelySymbol === ELECTRICAL_RPM ? 'electrical turns, which count the motor’s pole pairs' : likelySymbol}, ` +
      `not ${unitSymbol}`,
  );
  return `It makes sense with ${each.join(' and ')}.`;
}
