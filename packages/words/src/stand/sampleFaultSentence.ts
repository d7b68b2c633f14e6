import type { SampleFault } from '@zivvo/core';
import { dimensions, standQuantities, type StandQuantity } from '@zivvo/core';
import { formatNumber, formatQuantity } from '../formatQuantity.ts';
import { quantityNames } from '../names.ts';
import type { UnitChoices } from '../unitChoices.ts';

const name = (quantity: StandQuantity): string => quantityNames[quantity];
const row = (n: number): string => `Row ${formatNumber(n, 0)}`;
const seconds = (s: number): string => `${formatNumber(s, 3)}\u202fs`;

/** What is wrong with samples, or worth a word, with its place. */
export function sampleFaultSentence(fault: SampleFault, choices: UnitChoices): string {
  const value = (quantity: StandQuantity, si: number): string =>
    standQuantities[quantity] in dimensions ? formatQuantity(si, standQuantities[quantity], choices).text : String(si);
  switch (fault.code) {
    case 'tooFewRows':
      return (
        `${formatNumber(fault.count, 0)} rows are too few for samples: ${fault.needed} at least, or type them as ` +
        'steps.'
      );
    case 'noTime':
      return `${row(fault.row)} has no time that can be read: choose the column and its unit, or mend the file.`;
    case 'timeRunsBack':
      return fault.fromS === fault.toS
        ? 'Time stands still from the first row to the last: another column is the time.'
        : `${row(fault.row)}: time runs back from ${seconds(fault.fromS)} to ${seconds(fault.toS)}. Two ` +
            'recordings in one file are imported one by one.';
    case 'outOfLimits':
      return (
        `${row(fault.row)}, ${name(fault.quantity).toLowerCase()}: ${value(fault.quantity, fault.value)} cannot ` +
        `be; ${value(fault.quantity, fault.min)} to ${value(fault.quantity, fault.max)} ` +
        `can${fault.count > 1 ? `. So it is in ${formatNumber(fault.count, 0)} rows` : ''}. Is it another unit?`
      );
    case 'noThrottle':
      return 'No column is the throttle: without it nobody knows which step a reading belongs to.';
    case 'noThrust':
      return 'No column is the thrust.';
    case 'noSteps':
      return 'The throttle never stands still for most of a second: no step can be read.';
    case 'tooManySteps':
      return (
        `The throttle stands still ${formatNumber(fault.count, 0)} times; a run has at most ${fault.most} steps. ` +
        'Cut the file in two.'
      );
    case 'constant':
      return (
        `${name(fault.quantity)} is ${value(fault.quantity, fault.value)} from the first row to the last: is its ` +
        'sensor connected?'
      );
    case 'empty':
      return `${name(fault.quantity)} has no reading in any row.`;
    case 'gaps':
      return fault.count === 1
        ? `Nothing was written for ${seconds(fault.longestS)}, from ${seconds(fault.atS)} on; the gap stays a gap.`
        : `${formatNumber(fault.count, 0)} gaps, the longest ${seconds(fault.longestS)} from ` +
            `${seconds(fault.atS)} on; they stay gaps.`;
  }
}
