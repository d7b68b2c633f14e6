import type { Dimension, LineStop, Reason } from '@zivvo/core';
import { formatDifference, formatNumber, formatQuantity, formatShare } from './formatQuantity.ts';
import type { UnitChoices } from './unitChoices.ts';
import { writeLabel } from './writeLabel.ts';

type Values = Reason['values'];
/** Writes the values of one reason in the reader's units. */
interface Pen {
  text(key: string): string;
  quantity(key: string, dimension: Dimension): string;
  share(key: string): string;
  difference(key: string): string;
  number(key: string, digits?: number): string;
}

const SENTENCES: Record<string, (pen: Pen) => string> = {
  // Headlines of a campaign
  noRuns: () => 'No run yet: type one, paste a table or drop a file.',
  noCountedRuns: (p) => `None of ${p.number('count')} runs counts yet.`,
  nothingComparable: (p) => `${p.number('count')} props measured, none up to full throttle or hover.`,
  onlyOne: (p) => `${p.text('name')} is measured. A second prop makes it a comparison.`,
  onlyOneHovers: (p) => `${p.text('name')} hovers at ${p.share('throttleRatio')} throttle. A second prop makes it a comparison.`,
  strongest: (p) => `${p.text('name')} gives most thrust: ${p.quantity('thrustN', 'force')}.`,
  thriftiest: (p) => `${p.text('name')} hovers on least power.`,
  leadsBoth: (p) => `${p.text('name')} gives most thrust and hovers on least power.`,
  leadSplit: (p) => `${p.text('name')} gives most thrust, ${p.text('otherName')} hovers on least power.`,
  leadsBothAgainst: (p) => `${p.text('name')}: ${p.share('differenceRatio')} more thrust than ${p.text('reference')}, and the least power in hover.`,
  leadSplitAgainst: (p) => `${p.text('name')} gives ${p.share('differenceRatio')} more thrust than ${p.text('reference')}; ${p.text('otherName')} hovers on least power.`,
  referenceLeadsBoth: (p) => `Nothing within the limits beats ${p.text('name')}, in thrust or in hover.`,
  referenceStrongest: (p) => `Nothing within the limits out-pulls ${p.text('name')}; ${p.text('otherName')} hovers on least power.`,
  // Limits and dangers
  'breach.escCurrent': (p) => `${p.text('name')} draws ${p.quantity('value', 'current')}; the ESC’s limit is ${p.quantity('limit', 'current')}, passed from ${p.share('throttleRatio')} throttle.`,
  'breach.motorCurrent': (p) => `${p.text('name')} draws ${p.quantity('value', 'current')}; the motor’s limit is ${p.quantity('limit', 'current')}, passed from ${p.share('throttleRatio')} throttle.`,
  'breach.makerSpeed': (p) => `${p.text('name')} turned ${p.quantity('value', 'rotation')}; its maker allows ${p.quantity('limit', 'rotation')}, passed from ${p.share('throttleRatio')} throttle.`,
  'breach.clearance': (p) => `${p.text('name')} is ${p.quantity('value', 'length')} across; the frame clears ${p.quantity('limit', 'length')}.`,
  'breaches.escCurrent': (p) => `${p.text('name')} draws ${p.quantity('value', 'current')} and passes the ESC’s ${p.quantity('limit', 'current')} from ${p.share('throttleRatio')} throttle. So do ${p.text('others')}.`,
  'breaches.motorCurrent': (p) => `${p.text('name')} draws ${p.quantity('value', 'current')} and passes the motor’s ${p.quantity('limit', 'current')} from ${p.share('throttleRatio')} throttle. So do ${p.text('others')}.`,
  'breaches.makerSpeed': (p) => `${p.text('name')} turned ${p.quantity('value', 'rotation')}; its maker allows ${p.quantity('limit', 'rotation')}. Over their makers’ limits too: ${p.text('others')}.`,
  'breaches.clearance': (p) => `${p.text('name')} is ${p.quantity('value', 'length')} across; the frame clears ${p.quantity('limit', 'length')}. Too large as well: ${p.text('others')}.`,
  cannotHover: (p) => `${p.text('name')} cannot carry the craft: ${p.quantity('thrustN', 'force')} a rotor at most, ${p.quantity('neededN', 'force')} needed.`,
  highHover: (p) => `${p.text('craft')} hovers at ${p.share('throttleRatio')} throttle on ${p.text('name')}: little is left for gusts.`,
  // Runs that do not count, and doubts
  'leftOut.belowGate': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} started at ${p.quantity('value', 'voltage')} a cell, under the ${p.quantity('limit', 'voltage')} gate. It is kept and does not count: repeat it.`,
  'leftOut.readingKindDiffers': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} mixes peak hold with settled means. It is kept and does not count.`,
  'leftOut.tooFewSteps': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} has ${p.number('value')} usable steps; two are needed.`,
  rowsDropped: (p) => `${p.number('count')} rows of ${p.text('name')} have no throttle or thrust and were left out.`,
  thrustExponent: (p) => `Thrust of ${p.text('name')} grows with speed to the power ${p.number('exponent', 2)}; 1.85 to 2.25 is usual. Look at the scale, stall or flex.`,
  voltageDiffers: (p) => `${p.text('name')} had ${p.quantity('value', 'voltage')} at full throttle, the reference ${p.quantity('other', 'voltage')}: part of the difference is the pack.`,
  outlierRun: (p) => `Run ${p.number('ordinal')} of ${p.text('name')} stands apart: ${p.quantity('thrustN', 'force')} against ${p.quantity('mean', 'force')} on average. Repeat it.`,
  noRepeats: () => 'No prop has two runs: without repeats nobody knows which differences are real.',
  referenceMissing: (p) => (p.text('name') === '' ? 'No reference prop is chosen: choose the one the craft flies now.' : `The reference ${p.text('name')} has no counting run yet.`),
  sameThrust: (p) => `${p.text('name')} differs from the reference by ${p.difference('differenceRatio')} in thrust, inside ±${p.share('halfWidthRatio')}: the same.`,
  // Gains
  mostThrust: (p) => `${p.text('name')} pulls ${p.quantity('thrustN', 'force')} at full throttle, ${p.difference('differenceRatio')} ± ${p.share('halfWidthRatio')} against the reference.`,
  leastHoverPower: (p) => `${p.text('name')} hovers on ${p.quantity('powerW', 'power')} a motor, ${p.share('differenceRatio')} ± ${p.share('halfWidthRatio')} less than the reference.`,
  betterAbove: (p) => `${p.text('name')} passes ${p.text('reference')} above ${p.quantity('powerW', 'power')} (${p.quantity('thrustN', 'force')}); below it gives less.`,
  betterBelow: (p) => `${p.text('name')} beats ${p.text('reference')} up to ${p.quantity('powerW', 'power')} (${p.quantity('thrustN', 'force')}); above it gives less.`,
  // Stops of the line
  'stand.noRuns': () => 'Stand: nothing measured yet',
  'stand.breach': () => 'Stand: the prop in hand passes a current limit',
  'stand.stale': (p) => `Stand: last measured ${p.number('days')} days ago`,
  'stand.noReference': () => 'Stand: the reference prop is not measured',
  'stand.fewRuns': (p) => `Stand: ${p.number('count')} of ${p.number('needed')} runs of the prop in hand`,
  'stand.measured': (p) => `Stand: measured, ${p.number('count')} runs`,
  // Remarks under a working
  meanOfRuns: (p) => (p.text('count') === '1' ? 'One run counts: its own value.' : `Mean of ${p.number('count')} runs that count.`),
  pooledSpread: () => 'The ± is a 95 % interval; the spread between runs is pooled over the whole campaign.',
  currentDoesNotScale: () => 'Full-throttle current does not scale with air density; only thrust at the same speed does.',
};

/** A reason in words and in the reader's units. A code without words is shown as it is, never hidden. */
export function reasonSentence(reason: Pick<Reason, 'code' | 'values'>, choices: UnitChoices): string {
  const sentence = SENTENCES[reason.code];
  return sentence ? sentence(pen(reason.values, choices)) : reason.code;
}

/** A stop of the line in words. */
export function stopSentence(stop: LineStop, choices: UnitChoices): string {
  return reasonSentence(stop, choices);
}

/** Whether a code has words; a test holds every code of the core against it. */
export function hasSentence(code: string): boolean {
  return code in SENTENCES;
}

function pen(values: Values, choices: UnitChoices): Pen {
  const numberOf = (key: string): number => Number(values[key] ?? NaN);
  return {
    text: (key) => writeLabel(String(values[key] ?? '')),
    quantity: (key, dimension) => formatQuantity(numberOf(key), dimension, choices).text,
    share: (key) => formatShare(numberOf(key)),
    difference: (key) => formatDifference(numberOf(key)),
    number: (key, digits = 0) => formatNumber(numberOf(key), digits),
  };
}
