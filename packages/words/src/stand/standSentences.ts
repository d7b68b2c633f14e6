import type { StandReasons } from '@zivvo/core';
import type { Sentences, Pen } from '../pen.ts';

type Crossing = Pen<'powerW' | 'lowW' | 'highW' | 'thrustN' | 'isExtended'>;

const crossedAt = (p: Crossing): string =>
  `${p.quantity('powerW', 'power')} (${p.quantity('lowW', 'power')} to ${p.quantity('highW', 'power')}), ` +
  `${p.quantity('thrustN', 'force')}`;

/** What a power law says beyond the readings is no reading. */
const extended = (p: Crossing): string =>
  p.text('isExtended') === '1' ? ' That is extended beyond what was measured: run it there before you rely on it.' : '';

/** What stand says, in words. */
export const standSentences: Sentences<StandReasons> = {
  noRuns: () => 'No run yet: type one, paste a table or drop a file.',
  noCountedRuns: (p) => `None of ${p.number('count')} runs counts yet.`,
  nothingComparable: (p) => `${p.number('count')} props measured, none up to full throttle or ${p.hover()}.`,
  onlyOne: (p) => `${p.text('name')} is measured. A second prop makes it a comparison.`,
  onlyOneHovers: (p) =>
    `${p.text('name')} ${p.hovers()} at ${p.share('throttleRatio')} throttle. A second prop makes it a comparison.`,
  strongest: (p) => `${p.text('name')} gives most thrust: ${p.quantity('thrustN', 'force')}.`,
  thriftiest: (p) => `${p.text('name')} ${p.hovers()} on least power.`,
  allBarred: (p) =>
    `Every prop measured passes a limit; of them ${p.text('name')} pulls most: ${p.quantity('thrustN', 'force')}.`,
  leadsBoth: (p) => `${p.text('name')} gives most thrust and ${p.hovers()} on least power${withinLimits(p)}.`,
  leadSplit: (p) =>
    `${p.text('name')} gives most thrust, ${p.text('otherName')} ${p.hovers()} on least power${withinLimits(p)}.`,
  leadsBothAgainst: (p) =>
    `${p.text('name')}: ${p.share('differenceRatio')} more thrust than ${p.text('reference')}, and the least ` +
    `power in ${p.hover()}${withinLimits(p)}.`,
  leadSplitAgainst: (p) =>
    `${p.text('name')} gives ${p.share('differenceRatio')} more thrust than ${p.text('reference')}; ` +
    `${p.text('otherName')} ${p.hovers()} on least power${withinLimits(p)}.`,
  sameBothAgainst: (p) =>
    `${p.text('name')} pulls as much as ${p.text('reference')} and ${p.hovers()} on least power${withinLimits(p)}.`,
  sameSplitAgainst: (p) =>
    `${p.text('name')} pulls as much as ${p.text('reference')}; ${p.text('otherName')} ${p.hovers()} on least ` +
    `power${withinLimits(p)}.`,
  lessBothAgainst: (p) =>
    `${p.text('name')} pulls most within the limits, ${p.size('differenceRatio')} less than ` +
    `${p.text('reference')}, and ${p.hovers()} on least power.`,
  lessSplitAgainst: (p) =>
    `${p.text('name')} pulls most within the limits, ${p.size('differenceRatio')} less than ` +
    `${p.text('reference')}; ${p.text('otherName')} ${p.hovers()} on least power.`,
  referenceLeadsBoth: (p) => `Nothing within the limits beats ${p.text('name')}, in thrust or in ${p.hover()}.`,
  referenceStrongest: (p) =>
    `Nothing within the limits out-pulls ${p.text('name')}; ${p.text('otherName')} ${p.hovers()} on least power.`,
  'breach.escCurrent': (p) =>
    `${p.text('name')} draws ${p.quantity('value', 'current')}; the ESC’s limit is ` +
    `${p.quantity('limit', 'current')}, passed from ${p.share('throttleRatio')} throttle.`,
  'breach.motorCurrent': (p) =>
    `${p.text('name')} draws ${p.quantity('value', 'current')}; the motor’s limit is ` +
    `${p.quantity('limit', 'current')}, passed from ${p.share('throttleRatio')} throttle.`,
  'breach.makerSpeed': (p) =>
    `${p.text('name')} turned ${p.quantity('value', 'rotation')}; its maker allows ` +
    `${p.quantity('limit', 'rotation')}, passed from ${p.share('throttleRatio')} throttle.`,
  'breach.clearance': (p) =>
    `${p.text('name')} is ${p.quantity('value', 'length')} across; the frame clears ${p.quantity('limit', 'length')}.`,
  'breaches.escCurrent': (p) =>
    `${p.text('name')} draws ${p.quantity('value', 'current')} and passes the ESC’s ` +
    `${p.quantity('limit', 'current')} from ${p.share('throttleRatio')} throttle. So do ${p.text('others')}.`,
  'breaches.motorCurrent': (p) =>
    `${p.text('name')} draws ${p.quantity('value', 'current')} and passes the motor’s ` +
    `${p.quantity('limit', 'current')} from ${p.share('throttleRatio')} throttle. So do ${p.text('others')}.`,
  'breaches.makerSpeed': (p) =>
    `${p.text('name')} turned ${p.quantity('value', 'rotation')}; its maker allows ` +
    `${p.quantity('limit', 'rotation')}. Over their makers’ limits too: ${p.text('others')}.`,
  'breaches.clearance': (p) =>
    `${p.text('name')} is ${p.quantity('value', 'length')} across; the frame clears ` +
    `${p.quantity('limit', 'length')}. Too large as well: ${p.text('others')}.`,
  cannotHover: (p) =>
    `${p.text('name')} cannot carry the craft: ${p.quantity('thrustN', 'force')} a rotor at most, ` +
    `${p.quantity('neededN', 'force')} needed.`,
  highHover: (p) =>
    `${p.text('craft')} ${p.hovers()} at ${p.share('throttleRatio')} throttle on ${p.text('name')}: little is ` +
    'left for gusts.',
  'evening.belowGate': (p) =>
    p.text('count') === '1'
      ? 'A run was kept under the gate and does not count: it is still to be run.'
      : `${p.number('count')} runs were kept under the gate and do not count: they are still to be run.`,
  'evening.charge': (p) =>
    `As many runs as planned are on ${p.text('packs')}: charge before the next, or trust the volts at rest.`,
  'evening.leads': (p) => `${p.text('name')} leads at full throttle so far.`,
  'evening.beaten': (p) => `${p.text('name')} can no longer catch the leader at full throttle.`,
  'evening.packs': (p) => `Runs so far: ${p.text('packs')}.`,
  protocolChanged: (p) => `Protocol ${p.text('version')} is in force: ${earlier(p)} on record and not counted.`,
  protocolRepeat: (p) =>
    `Protocol ${p.text('version')} is in force: ${earlier(p)} on record and not counted. To be repeated: ` +
    `${p.text('names')}.`,
  'leftOut.otherProtocol': (p) =>
    `Run ${p.text('ordinal')} of ${p.text('name')} is of protocol ${p.text('value')}; protocol ` +
    `${p.text('limit')} is in force, and the two are not ranked together.`,
  'leftOut.belowGate': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} started at ${p.quantity('value', 'voltage')} a cell, ` +
    `under the ${p.quantity('limit', 'voltage')} gate. It is kept and does not count: repeat it.`,
  'leftOut.readingKindDiffers': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} mixes peak hold with settled means. It is kept and does ` +
    'not count.',
  'leftOut.tooFewSteps': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} has ${p.number('value')} usable ` +
    `${p.text('value') === '1' ? 'step, under full throttle' : 'steps'}; two are needed, or full throttle ` +
    'alone.',
  'leftOut.doubt.merit': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: for its thrust and watts a figure of merit of ` +
    `${p.number('value', 2)}, where ${p.number('limit', 2)} is the end of what props do. Look at the units. It ` +
    'is kept and does not count.',
  'leftOut.doubt.power': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: volts times amps are ${p.number('value', 2)} ` +
    'times its watts. It is kept and does not count.',
  'leftOut.doubt.thrustCoefficient': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: its thrust for its speed is ` +
    `${p.number('value', 3)} as a coefficient, where ${p.number('limit', 2)} is the end of what props do. Look ` +
    'at the units. It is kept and does not count.',
  'leftOut.doubt.tipMach': (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: its tips would move at ${p.number('value', 2)} ` +
    'of the speed of sound. Look at the unit of the speed. It is kept and does not count.',
  fullOnly: (p) =>
    `At full throttle alone: ${p.text('names')}. There they rank; ${p.hover()}, part throttle and crossings ` +
    'need a ladder of steps.',
  rowsDropped: (p) => `${p.number('count')} rows of ${p.text('name')} have no throttle or thrust and were left out.`,
  thrustExponent: (p) =>
    `Thrust of ${p.text('name')} grows with speed to the power ${p.number('exponent', 2)}; 1.85 to 2.25 is ` +
    'usual. Look at the scale, stall or flex.',
  bogs: (p) =>
    `${p.text('name')} bogs from ${p.share('throttleRatio')} throttle: the current climbs and the speed no ` +
    'longer follows. Less pitch, or fewer cells.',
  flattens: (p) =>
    `${p.text('name')} flattens from ${p.share('throttleRatio')} throttle: it turns faster and hardly pulls ` +
    'more. Blades bend or stall there.',
  standRings: (p) =>
    `Every prop shakes at about ${p.quantity('speedRpm', 'rotation')}, ${p.number('times', 1)} times what its ` +
    `unbalance explains (${p.number('count')} props): that is the arm or the mount. Leave the band out, or ` +
    'make it stiffer.',
  drifted: (p) =>
    `Over the evening thrust moved by ${p.difference('driftRatio')} from the first run to the last, for every ` +
    'prop alike: it is taken out.',
  reducedToVoltage: (p) =>
    `Full throttle is compared at ${p.quantity('voltageV', 'voltage')}, one motor: the runs lay between ` +
    `${p.quantity('lowV', 'voltage')} and ${p.quantity('highV', 'voltage')} and are reduced through the motor.`,
  voltageDiffers: (p) =>
    `${p.text('name')} had ${p.quantity('value', 'voltage')} at full throttle, the reference ` +
    `${p.quantity('other', 'voltage')}: part of the difference is the pack.`,
  outlierRun: (p) =>
    `Run ${p.number('ordinal')} of ${p.text('name')} stands apart: ${p.quantity('thrustN', 'force')} against ` +
    `${p.quantity('mean', 'force')} on average. Repeat it.`,
  'corrected.thrustN': (p) => corrected(p, 'Thrust', 'the scale, checked'),
  'corrected.speedRpm': (p) => corrected(p, 'Speed', 'the rpm reading, checked'),
  'corrected.currentA': (p) => corrected(p, 'Current', 'the ammeter, checked'),
  'corrected.voltageV': (p) => corrected(p, 'Voltage', 'the voltmeter, checked'),
  'corrected.torqueNm': (p) => corrected(p, 'Torque', 'the torque arm, checked'),
  'dueCheck.thrustN': (p) => due(p, 'The scale'),
  'dueCheck.speedRpm': (p) => due(p, 'The rpm reading'),
  'dueCheck.currentA': (p) => due(p, 'The ammeter'),
  'dueCheck.voltageV': (p) => due(p, 'The voltmeter'),
  'dueCheck.torqueNm': (p) => due(p, 'The torque arm'),
  'staleCheck.thrustN': (p) => stale(p, 'The scale'),
  'staleCheck.speedRpm': (p) => stale(p, 'The rpm reading'),
  'staleCheck.currentA': (p) => stale(p, 'The ammeter'),
  'staleCheck.voltageV': (p) => stale(p, 'The voltmeter'),
  'staleCheck.torqueNm': (p) => stale(p, 'The torque arm'),
  noRepeats: () => 'No prop has two runs: without repeats nobody knows which differences are real.',
  referenceMissing: (p) =>
    p.text('name') === ''
      ? 'No reference prop is chosen: choose the one the craft flies now.'
      : `The reference ${p.text('name')} has no counting run yet.`,
  sameThrust: (p) =>
    `${p.text('name')} differs from the reference by ${p.difference('differenceRatio')} in thrust, inside ` +
    `±${p.share('halfWidthRatio')}: the same.`,
  mostThrust: (p) =>
    `${p.text('name')} pulls ${p.quantity('thrustN', 'force')} at full throttle, ` +
    `${p.difference('differenceRatio')} ± ${p.share('halfWidthRatio')} against the reference.`,
  leastHoverPower: (p) =>
    `${p.text('name')} ${p.hovers()} on ${p.quantity('powerW', 'power')} a motor, ${p.share('differenceRatio')} ` +
    `± ${p.share('halfWidthRatio')} less than the reference.`,
  keepsMost: (p) => `${p.text('name')} holds its thrust best: ${p.share('keptRatio')} of it is left at the end.`,
  leastInertia: (p) => `${p.text('name')} turns with least inertia: ${p.quantity('inertiaKgM2', 'inertia')}.`,
  quickest: (p) =>
    `${p.text('name')} is at its thrust in ${p.number('riseS', 3)} s, ${p.share('differenceRatio')} ± ` +
    `${p.share('halfWidthRatio')} sooner than the reference.`,
  fades: (p) =>
    `${p.text('name')} loses ${p.share('lossRatio')} of its thrust while it is held: the pack sags or the ` +
    'motor warms. Compare at its end as well.',
  dryBearing: (p) =>
    `Bearings take ${p.share('shareRatio')} of the run-down, where the air takes most of it on a free shaft: ` +
    'turn the bell by hand, listen, and oil or change them.',
  betterAbove: (p) =>
    `${p.text('name')} passes ${p.text('reference')} above ${crossedAt(p)}; below it gives less.${extended(p)}`,
  betterBelow: (p) =>
    `${p.text('name')} beats ${p.text('reference')} up to ${crossedAt(p)}; above it gives less.${extended(p)}`,
  'stand.noRuns': () => 'Stand: nothing measured yet',
  'stand.breach': () => 'Stand: the prop in hand passes a current limit',
  'stand.stale': (p) => `Stand: last measured ${p.number('days')} days ago`,
  'stand.noReference': () => 'Stand: the reference prop is not measured',
  'stand.fewRuns': (p) => `Stand: ${p.number('count')} of ${p.number('needed')} runs of the prop in hand`,
  'stand.measured': (p) => `Stand: measured, ${p.number('count')} runs`,
  meanOfRuns: (p) =>
    p.text('count') === '1' ? 'One run counts: its own value.' : `Mean of ${p.number('count')} runs that count.`,
  pooledSpread: () =>
    'The ± is a 95 % interval: the spread between runs, pooled over the whole campaign, and what the ' +
    'instruments may be off. A difference to the reference holds the first alone.',
  currentDoesNotScale: () =>
    'Full-throttle current does not scale with air density; only thrust at the same speed does.',
};

/** Said where somebody would lead but for a limit; which one and why stands among the dangers. */
function withinLimits(p: Pen<'barred'>): string {
  return p.text('barred') === '' ? '' : ', of those within the limits';
}

function corrected(p: Pen<'factor' | 'day' | 'count'>, what: string, by: string): string {
  const runs = p.text('count') === '1' ? 'one run' : `${p.number('count')} runs`;
  return (
    `${what} of ${runs} is multiplied by ${p.number('factor', 3)}: ${by} on ${p.day('day')}. What was read stays ` +
    'as it is.'
  );
}

function stale(p: Pen<'days'>, what: string): string {
  return (
    `${what} had not been checked for ${p.number('days')} days when it was read: check it before the next ` + 'evening.'
  );
}

function due(p: Pen<'days'>, what: string): string {
  return `${what} was last checked ${p.number('days')} days ago: check it before the next run.`;
}

function earlier(p: Pen<'version' | 'count'>): string {
  return p.text('count') === '1' ? 'one run of an earlier one stays' : `${p.number('count')} runs of earlier ones stay`;
}
