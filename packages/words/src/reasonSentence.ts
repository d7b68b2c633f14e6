import type { CarePlace, Dimension, LineStop, Reason, RotorPlace } from '@zivvo/core';
import { carePlaceNames } from './careNames.ts';
import { carryNames, materialNames, placeNames, towardName } from './names.ts';
import { formatDifference, formatMilliseconds, formatMinutes, formatNumber, formatQuantity, formatShare, formatSpeed, formatUnbalance } from './formatQuantity.ts';
import type { UnitChoices } from './unitChoices.ts';
import { upperFirst } from './upperFirst.ts';
import { writeLabel } from './writeLabel.ts';

type Values = Reason['values'];
/** Writes the values of one reason in the reader's units. */
interface Pen {
  text(key: string): string;
  quantity(key: string, dimension: Dimension): string;
  share(key: string): string;
  difference(key: string): string;
  /** A share without its sign: the sentence says which way. */
  size(key: string): string;
  number(key: string, digits?: number): string;
  /** Sizes of durations and differences, without a sign: the sentence says which way. */
  minutes(key: string): string;
  milliseconds(key: string): string;
  speed(key: string): string;
  /** A name before what is said of it; nothing where no name is given. */
  named(key: string): string;
  gramMillimetres(key: string): string;
  grams(key: string): string;
  /** An arm by its place. */
  place(key: string): string;
  /** The arm or side that goes down. */
  toward(key: string): string;
  /** An arm at the start of a sentence. */
  placeFirst(key: string): string;
  /** Where on a prop. */
  carePlace(key: string): string;
  material(key: string): string;
  materialFirst(key: string): string;
  /** A local day. */
  day(key: string): string;
  /** Verbs and pronouns for one or several. */
  are(key: string): string;
  have(key: string): string;
  its(key: string): string;
  /** How the craft of the sentence carries itself: a plane cruises. */
  hover(): string;
  hovers(): string;
}

const SENTENCES: Record<string, (pen: Pen) => string> = {
  // Headlines of a campaign
  noRuns: () => 'No run yet: type one, paste a table or drop a file.',
  noCountedRuns: (p) => `None of ${p.number('count')} runs counts yet.`,
  nothingComparable: (p) => `${p.number('count')} props measured, none up to full throttle or ${p.hover()}.`,
  onlyOne: (p) => `${p.text('name')} is measured. A second prop makes it a comparison.`,
  onlyOneHovers: (p) => `${p.text('name')} ${p.hovers()} at ${p.share('throttleRatio')} throttle. A second prop makes it a comparison.`,
  strongest: (p) => `${p.text('name')} gives most thrust: ${p.quantity('thrustN', 'force')}.`,
  thriftiest: (p) => `${p.text('name')} ${p.hovers()} on least power.`,
  allBarred: (p) => `Every prop measured passes a limit; of them ${p.text('name')} pulls most: ${p.quantity('thrustN', 'force')}.`,
  leadsBoth: (p) => `${p.text('name')} gives most thrust and ${p.hovers()} on least power${withinLimits(p)}.`,
  leadSplit: (p) => `${p.text('name')} gives most thrust, ${p.text('otherName')} ${p.hovers()} on least power${withinLimits(p)}.`,
  leadsBothAgainst: (p) => `${p.text('name')}: ${p.share('differenceRatio')} more thrust than ${p.text('reference')}, and the least power in ${p.hover()}${withinLimits(p)}.`,
  leadSplitAgainst: (p) => `${p.text('name')} gives ${p.share('differenceRatio')} more thrust than ${p.text('reference')}; ${p.text('otherName')} ${p.hovers()} on least power${withinLimits(p)}.`,
  sameBothAgainst: (p) => `${p.text('name')} pulls as much as ${p.text('reference')} and ${p.hovers()} on least power${withinLimits(p)}.`,
  sameSplitAgainst: (p) => `${p.text('name')} pulls as much as ${p.text('reference')}; ${p.text('otherName')} ${p.hovers()} on least power${withinLimits(p)}.`,
  lessBothAgainst: (p) => `${p.text('name')} pulls most within the limits, ${p.size('differenceRatio')} less than ${p.text('reference')}, and ${p.hovers()} on least power.`,
  lessSplitAgainst: (p) => `${p.text('name')} pulls most within the limits, ${p.size('differenceRatio')} less than ${p.text('reference')}; ${p.text('otherName')} ${p.hovers()} on least power.`,
  referenceLeadsBoth: (p) => `Nothing within the limits beats ${p.text('name')}, in thrust or in ${p.hover()}.`,
  referenceStrongest: (p) => `Nothing within the limits out-pulls ${p.text('name')}; ${p.text('otherName')} ${p.hovers()} on least power.`,
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
  highHover: (p) => `${p.text('craft')} ${p.hovers()} at ${p.share('throttleRatio')} throttle on ${p.text('name')}: little is left for gusts.`,
  // Runs that do not count, and doubts
  'leftOut.belowGate': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} started at ${p.quantity('value', 'voltage')} a cell, under the ${p.quantity('limit', 'voltage')} gate. It is kept and does not count: repeat it.`,
  'leftOut.readingKindDiffers': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} mixes peak hold with settled means. It is kept and does not count.`,
  'leftOut.tooFewSteps': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} has ${p.number('value')} usable ${p.text('value') === '1' ? 'step, under full throttle' : 'steps'}; two are needed, or full throttle alone.`,
  'leftOut.doubt.merit': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: for its thrust and watts a figure of merit of ${p.number('value', 2)}, where ${p.number('limit', 2)} is the end of what props do. Look at the units. It is kept and does not count.`,
  'leftOut.doubt.power': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: volts times amps are ${p.number('value', 2)} times its watts. It is kept and does not count.`,
  'leftOut.doubt.thrustCoefficient': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: its thrust for its speed is ${p.number('value', 3)} as a coefficient, where ${p.number('limit', 2)} is the end of what props do. Look at the units. It is kept and does not count.`,
  'leftOut.doubt.tipMach': (p) => `Run ${p.number('ordinal')} of ${p.text('name')} cannot be: its tips would move at ${p.number('value', 2)} of the speed of sound. Look at the unit of the speed. It is kept and does not count.`,
  fullOnly: (p) => `At full throttle alone: ${p.text('names')}. There they rank; ${p.hover()}, part throttle and crossings need a ladder of steps.`,
  rowsDropped: (p) => `${p.number('count')} rows of ${p.text('name')} have no throttle or thrust and were left out.`,
  thrustExponent: (p) => `Thrust of ${p.text('name')} grows with speed to the power ${p.number('exponent', 2)}; 1.85 to 2.25 is usual. Look at the scale, stall or flex.`,
  reducedToVoltage: (p) => `Full throttle is compared at ${p.quantity('voltageV', 'voltage')}, one motor: the runs lay between ${p.quantity('lowV', 'voltage')} and ${p.quantity('highV', 'voltage')} and are reduced through the motor.`,
  voltageDiffers: (p) => `${p.text('name')} had ${p.quantity('value', 'voltage')} at full throttle, the reference ${p.quantity('other', 'voltage')}: part of the difference is the pack.`,
  outlierRun: (p) => `Run ${p.number('ordinal')} of ${p.text('name')} stands apart: ${p.quantity('thrustN', 'force')} against ${p.quantity('mean', 'force')} on average. Repeat it.`,
  noRepeats: () => 'No prop has two runs: without repeats nobody knows which differences are real.',
  referenceMissing: (p) => (p.text('name') === '' ? 'No reference prop is chosen: choose the one the craft flies now.' : `The reference ${p.text('name')} has no counting run yet.`),
  sameThrust: (p) => `${p.text('name')} differs from the reference by ${p.difference('differenceRatio')} in thrust, inside ±${p.share('halfWidthRatio')}: the same.`,
  // Gains
  mostThrust: (p) => `${p.text('name')} pulls ${p.quantity('thrustN', 'force')} at full throttle, ${p.difference('differenceRatio')} ± ${p.share('halfWidthRatio')} against the reference.`,
  leastHoverPower: (p) => `${p.text('name')} ${p.hovers()} on ${p.quantity('powerW', 'power')} a motor, ${p.share('differenceRatio')} ± ${p.share('halfWidthRatio')} less than the reference.`,
  betterAbove: (p) => `${p.text('name')} passes ${p.text('reference')} above ${p.quantity('powerW', 'power')} (${p.quantity('thrustN', 'force')}); below it gives less.`,
  betterBelow: (p) => `${p.text('name')} beats ${p.text('reference')} up to ${p.quantity('powerW', 'power')} (${p.quantity('thrustN', 'force')}); above it gives less.`,
  // Picking: what a candidate gains and pays
  'pick.gains.minutes': (p) => `${p.text('name')} flies ${p.minutes('difference')} longer than ${p.text('reference')}: ${p.minutes('value')}.`,
  'pick.pays.minutes': (p) => `It flies ${p.minutes('difference')} shorter: ${p.minutes('value')} instead of ${p.minutes('other')}.`,
  'pick.gains.thrust': (p) => `It pulls ${p.number('value', 2)} times the weight instead of ${p.number('other', 2)}.`,
  'pick.pays.thrust': (p) => `It pulls ${p.number('value', 2)} times the weight, ${p.text('reference')} ${p.number('other', 2)}.`,
  'pick.gains.answer': (p) => `It answers ${p.milliseconds('difference')} sooner, in ${p.milliseconds('value')}.`,
  'pick.pays.answer': (p) => `It answers ${p.milliseconds('difference')} later: ${p.milliseconds('value')} instead of ${p.milliseconds('other')}.`,
  'pick.gains.quiet': (p) => `It is ${p.quantity('difference', 'level')} quieter at 20 m: ${p.quantity('value', 'level')}.`,
  'pick.pays.quiet': (p) => `It is ${p.quantity('difference', 'level')} louder at 20 m: ${p.quantity('value', 'level')}.`,
  'pick.gains.speed': (p) => `Its pitch speed is ${p.speed('value')}, ${p.difference('differenceRatio')}.`,
  'pick.pays.speed': (p) => `Its pitch speed is ${p.speed('value')}, ${p.difference('differenceRatio')}: slower at the top.`,
  'pick.gains.cool': (p) => `The motor stays at ${p.quantity('value', 'temperature')} in normal flying instead of ${p.quantity('other', 'temperature')}.`,
  'pick.pays.cool': (p) => `The motor reaches ${p.quantity('value', 'temperature')} in normal flying instead of ${p.quantity('other', 'temperature')}.`,
  'pick.gains.gentle': (p) => `A third of the throttle gives ${p.share('value')} of the thrust instead of ${p.share('other')}: finer low down.`,
  'pick.pays.gentle': (p) => `A third of the throttle already gives ${p.share('value')} of the thrust instead of ${p.share('other')}: coarser low down.`,
  'pick.gains.tough': (p) => `It survives strikes better: ${p.number('value', 2)} against ${p.number('other', 2)} of a soft blade’s 1 (experience).`,
  'pick.pays.tough': (p) => `It survives strikes worse: ${p.number('value', 2)} against ${p.number('other', 2)} of a soft blade’s 1 (experience).`,
  'pick.same': (p) => `${p.text('name')} differs from ${p.text('reference')} by ${p.difference('differenceRatio')} in what counts most: it does not matter.`,
  // Picking: limits
  'pick.barred.clearance': (p) => `${p.named('name')}${p.quantity('value', 'length')} across: the frame clears ${p.quantity('allowed', 'length')}.`,
  'pick.barred.neighbours': (p) => `${p.named('name')}${p.quantity('value', 'length')} across: with a margin for flex, neighbour discs leave ${p.quantity('allowed', 'length')}.`,
  'pick.barred.ground': (p) => `${p.named('name')}${p.quantity('value', 'length')} from shaft to tip: the ground is ${p.quantity('allowed', 'length')} below, and 10 mm must stay free.`,
  'pick.barred.boom': (p) => `${p.named('name')}${p.quantity('value', 'length')} from shaft to tip: the boom is ${p.quantity('allowed', 'length')} away.`,
  'pick.barred.carry': (p) => `${p.named('name')}${p.share('value')} throttle just to carry: ${p.share('allowed')} at most leaves enough for a gust.`,
  'pick.barred.escCurrent': (p) => `${p.named('name')}${p.quantity('value', 'current')} at full throttle: the ESC bears ${p.quantity('allowed', 'current')}.`,
  'pick.barred.motorCurrent': (p) => `${p.named('name')}${p.quantity('value', 'current')} at full throttle: the motor bears ${p.quantity('allowed', 'current')}.`,
  'pick.barred.motorHeat': (p) => `${p.named('name')}winding at ${p.quantity('value', 'temperature')} in normal flying: ${p.quantity('allowed', 'temperature')} is the limit.`,
  'pick.barred.packSag': (p) => `${p.named('name')}${p.quantity('value', 'power')} at full throttle: the pack can give ${p.quantity('allowed', 'power')} at most.`,
  'pick.barred.tipSpeed': (p) => `${p.named('name')}tips at ${p.speed('value')}: beyond ${p.speed('allowed')} blades howl and the model ends.`,
  'pick.barred.makerSpeed': (p) => `${p.named('name')}${p.quantity('value', 'rotation')} at full throttle: its maker allows ${p.quantity('allowed', 'rotation')}.`,
  'pick.barred.bore': (p) => `${p.named('name')}a bore of ${p.quantity('allowed', 'length')} does not go over the ${p.quantity('value', 'length')} shaft. Reaming moves the centre: then balance.`,
  'pick.barred.stock': (p) => `${p.named('name')}${p.number('allowed')} of the ${p.number('value')} pieces of the right hands are on the rack.`,
  'pick.calibrated': (p) => `${p.number('runCount')} ${p.text('runCount') === '1' ? 'run' : 'runs'} of ${p.number('propCount')} ${p.text('propCount') === '1' ? 'prop' : 'props'} on this motor correct the model: ${p.difference('thrustRatio')} thrust, ${p.difference('powerRatio')} power at a speed.`,
  'pick.cannot.carry': (p) => `${p.named('name')}it cannot carry the craft at any throttle: ${p.share('overRatio')} beyond the limit.`,
  'pick.cannot.packSag': (p) => `${p.named('name')}it asks ${p.share('overRatio')} more than the pack can give.`,
  'pick.closest.clearance': (p) => `Nearest limit: ${p.quantity('value', 'length')} across, the frame clears ${p.quantity('allowed', 'length')}.`,
  'pick.closest.neighbours': (p) => `Nearest limit: ${p.quantity('value', 'length')} across, neighbour discs leave ${p.quantity('allowed', 'length')}.`,
  'pick.closest.ground': (p) => `Nearest limit: ${p.quantity('value', 'length')} from shaft to tip, the ground ${p.quantity('allowed', 'length')} below.`,
  'pick.closest.boom': (p) => `Nearest limit: ${p.quantity('value', 'length')} from shaft to tip, the boom ${p.quantity('allowed', 'length')} away.`,
  'pick.closest.carry': (p) => `Nearest limit: ${p.share('value')} throttle to carry, of at most ${p.share('allowed')}.`,
  'pick.closest.escCurrent': (p) => `Nearest limit: ${p.quantity('value', 'current')} of the ESC’s ${p.quantity('allowed', 'current')}.`,
  'pick.closest.motorCurrent': (p) => `Nearest limit: ${p.quantity('value', 'current')} of the motor’s ${p.quantity('allowed', 'current')}.`,
  'pick.closest.motorHeat': (p) => `Nearest limit: winding at ${p.quantity('value', 'temperature')} of ${p.quantity('allowed', 'temperature')} in normal flying.`,
  'pick.closest.packSag': (p) => `Nearest limit: ${p.quantity('value', 'power')} of the ${p.quantity('allowed', 'power')} that the pack can give.`,
  'pick.sag': (p) => `The pack sags to ${p.quantity('sagCellV', 'voltage')} a cell at full throttle: ${p.share('lossRatio')} of the thrust goes there, and cells under ${p.quantity('emptyV', 'voltage')} age fast.`,
  'pick.pack.measured': (p) => `The pack is taken at its measured ${p.number('milliohm', 1)} mΩ a cell.`,
  'pick.pack.label': (p) => `The pack is taken at ${p.number('milliohm', 1)} mΩ a cell, from the ${p.number('cRating')} C on its label: measure it, and minutes and sag are sure.`,
  'pick.pack.usual': (p) => `The pack is taken at a usual ${p.number('milliohm', 1)} mΩ a cell for its capacity: type its C rate or a measured resistance.`,
  'pick.duct': (p) => `Ducts are assumed to give ${p.difference('gainRatio')} thrust: the figure is yours to change.`,
  'pick.closest.tipSpeed': (p) => `Nearest limit: tips at ${p.speed('value')} of ${p.speed('allowed')}.`,
  'pick.closest.bore': (p) => `Nearest limit: a bore of ${p.quantity('allowed', 'length')} on the ${p.quantity('value', 'length')} shaft.`,
  'pick.closest.stock': (p) => `Nearest limit: ${p.number('allowed')} of ${p.number('value')} pieces on the rack.`,
  'pick.closest.makerSpeed': (p) => `Nearest limit: ${p.quantity('value', 'rotation')} of the maker’s ${p.quantity('allowed', 'rotation')}.`,
  'pick.room.clearance': (p) => `The largest disc is ${p.quantity('largestM', 'length')}: the frame clears no more.`,
  'pick.room.neighbours': (p) => `The largest disc is ${p.quantity('largestM', 'length')}: the shafts are ${p.quantity('limitM', 'length')} apart. Measure again if you moved the arms.`,
  'pick.room.ground': (p) => `The largest disc is ${p.quantity('largestM', 'length')}: the shaft is ${p.quantity('limitM', 'length')} above the ground.`,
  'pick.room.boom': (p) => `The largest disc is ${p.quantity('largestM', 'length')}: the boom is ${p.quantity('limitM', 'length')} from the shaft.`,
  // Picking: remedies for too much or too little prop
  'pick.remedy.pitch': (p) => `${p.text('name')} suits with ${p.quantity('to', 'length')} of pitch instead of ${p.quantity('from', 'length')}.`,
  'pick.remedy.diameter': (p) => `Or ${p.quantity('to', 'length')} across instead of ${p.quantity('from', 'length')}.`,
  'pick.remedy.blades': (p) => `Or ${p.number('to')} blades instead of ${p.number('from')}.`,
  'pick.remedy.cells': (p) => `Or ${p.number('to')} cells instead of ${p.number('from')}.`,
  'pick.remedy.motor': (p) => `Or a motor with ${p.difference('changeRatio')} stator height: ${p.quantity('to', 'length')}.`,
  'pick.remedy.kv': (p) => `Or ${p.quantity('to', 'motorConstant')} instead of ${p.quantity('from', 'motorConstant')}.`,
  'pick.remedy.pitch.notEnough': (p) => `Pitch alone does not cure it: ${p.quantity('currentA', 'current')} even at ${p.quantity('to', 'length')}.`,
  'pick.remedy.diameter.notEnough': (p) => `Diameter alone does not cure it: ${p.quantity('currentA', 'current')} even at ${p.quantity('to', 'length')}.`,
  'pick.remedy.blades.notEnough': (p) => `Blades alone do not cure it: ${p.quantity('currentA', 'current')} even with ${p.number('to')}.`,
  'pick.remedy.cells.notEnough': (p) => `Cells alone do not cure it: ${p.quantity('currentA', 'current')} even with ${p.number('to')}.`,
  'pick.remedy.motor.notEnough': (p) => `A taller motor alone does not cure it: ${p.quantity('currentA', 'current')} even ${p.difference('changeRatio')} taller.`,
  'pick.remedy.kv.notEnough': (p) => `Another winding alone does not cure it: ${p.quantity('currentA', 'current')} even at ${p.quantity('to', 'motorConstant')}.`,
  // Balancing
  'true.sendBack': (p) => `Send it back, or take another school: ${p.gramMillimetres('unbalanceKgM')} of unbalance, and a blade may carry ${p.gramMillimetres('mostKgM')} of tape at most.`,
  'true.trialTape': (p) => `More than the ${p.gramMillimetres('mostKgM')} that may stay on a blade: it is put on to find out whether tape can mend the piece at all, and comes off again.`,
  'true.single.thrust': (p) => `One blade’s thrust pulls beside the shaft once a turn, ${p.number('thrustMomentNm', 3)} N·m in hover, and no washer takes it away: run it in the cage only, never on a craft.`,
  'true.single.washers': (p) => `${p.number('count')} washers leave least: ${p.gramMillimetres('leftKgM')}.`,
  'true.single.finest': (p) => `${p.gramMillimetres('leftKgM')} is left of ${p.gramMillimetres('targetKgM')} allowed, and no number of these washers does better: take lighter ones than ${p.grams('washerKg')}.`,
  'true.single.done': (p) => `${p.gramMillimetres('leftKgM')} is left of ${p.gramMillimetres('targetKgM')} allowed: its mass is balanced.`,
  'true.contradiction': (p) => `Look ${p.number('look')} contradicts the others: take it back and look again.`,
  'true.swing.sameSwing': (p) => `Both swings took the same time: the tape tells nothing beside ${p.gramMillimetres('unbalanceKgM')}. Take more of it.`,
  'true.swing.wrongSide': (p) => `The tape sped up what it should slow, or the other way round: it was on the other side. So far ${p.gramMillimetres('unbalanceKgM')} from the bare swing.`,
  'true.swing.tapeTooHeavy': (p) => `The tape outweighs the unbalance of ${p.gramMillimetres('unbalanceKgM')}: take less, or put it on the heavy side.`,
  'true.whereIsHeavy': (p) => `${p.gramMillimetres('unbalanceKgM')}: now say where the heavy side hangs, and the tape follows.`,
  'true.putTape': (p) => `In all ${p.gramMillimetres('unbalanceKgM')} of tape on ${p.number('count')} ${p.text('count') === '1' ? 'place' : 'places'}. Then let go and look.`,
  'true.done': (p) => `${p.gramMillimetres('unbalanceKgM')} is left: the whole craft shakes at ${p.number('shakeG', 3)} g of acceleration, ${p.number('forceN', 2)} N once a turn.`,
  'true.belowRig': (p) => `Below what this rig can show: at most ${p.gramMillimetres('unbalanceKgM')}, ${p.number('shakeG', 3)} g of acceleration on the whole craft.`,
  'true.left': (p) => `About ${p.gramMillimetres('unbalanceKgM')} is left of ${p.gramMillimetres('targetKgM')} allowed: the whole craft shakes at ${p.number('shakeG', 3)} g of acceleration, ${p.number('forceN', 2)} N once a turn.`,
  'true.swing': (p) => `The swing says ${p.gramMillimetres('unbalanceKgM')}, ± ${p.share('uncertaintyRatio')}.`,
  'true.aim.coarse': (p) => `Coarse: ${p.gramMillimetres('targetKgM')} may stay at ${p.quantity('speedRpm', 'rotation')} in hover.`,
  'true.aim.good': (p) => `Good: ${p.gramMillimetres('targetKgM')} may stay at ${p.quantity('speedRpm', 'rotation')} in hover.`,
  'true.aim.fine': (p) => `Fine: ${p.gramMillimetres('targetKgM')} may stay at ${p.quantity('speedRpm', 'rotation')} in hover.`,
  'true.aim.rig': (p) => `The rig decides: it cannot show less than ${p.gramMillimetres('floorKgM')}, so ${p.gramMillimetres('targetKgM')} is the aim.`,
  'true.enough': (p) => `More work is not worth it: the rest is under ${p.gramMillimetres('targetKgM')}.`,
  'true.vibration.first': (p) => `Run it bare first and write the reading down. A trial mass may be ${p.grams('largestKg')} at most.`,
  'true.vibration.trial': (p) => `Put a trial mass at the mark, up to ${p.grams('largestKg')}: the reading should change by a third or more.`,
  'true.vibration.more': (p) => `Move the same mass to ${p.number('degrees')}° and run again: ${p.number('count')} more without phase.`,
  'true.vibration.inconclusive': (p) => `The trial changed the reading by ${p.share('changeRatio')} only: take more mass, up to ${p.grams('largestKg')}.`,
  'true.vibration.put': (p) => `Put ${p.grams('massKg')} at ${p.number('degrees')}°, trial mass off. Then run once more to check.`,
  'true.vibration.left': (p) => `${p.share('leftRatio')} of the shake is left.`,
  // Fitting
  'fit.unknown': (p) => `${p.number('count')} ${p.text('count') === '1' ? 'arm has' : 'arms have'} no known piece yet: put one on, or say its hand.`,
  'fit.flies': (p) => (p.text('count') === '1' ? 'The piece pulls the right way: full thrust.' : `All ${p.number('count')} rotors push the right way: it lifts level.`),
  'fit.tips': (p) => `It tips toward ${p.toward('place')} the moment it lifts: ${p.quantity('momentNm', 'torque')} turn it over, ${p.share('liftRatio')} of the lift is there.`,
  'fit.pressed': (p) => `It presses itself to the ground: the pieces push the wrong way on all ${p.number('count')} rotors.`,
  'fit.cannotLift': (p) => `It does not lift: ${p.share('liftRatio')} of the thrust is there, and at full throttle that is less than its weight.`,
  'fit.yawRunsAway': (p) => `It lifts, then yaw runs away: ${turnAgainstTable(p)}.`,
  'fit.yawDrifts': (p) => `It lifts, but yaw pulls to one side all the time: ${turnAgainstTable(p)}.`,
  'fit.cannotFly': (p) => `It cannot be flown: ${p.text('wrongSpinCount') === '0' ? 'as these arms turn' : turnAgainstTable(p)}, ${p.text('axes') === '' ? 'and no throttles hold it level without turning' : `and nothing is left to steer ${listOf(p.text('axes'))}`}.`,
  'fit.pushesBack': () => 'It pushes backwards: the piece is the other hand for this shaft.',
  'fit.weak': (p) => `It pulls the right way but weakly: ${p.share('liftRatio')} of the thrust, a label faces the wrong way.`,
  'fit.fault.spin': (p) => `${p.placeFirst('place')}: the motor turns against the controller’s table.`,
  'fit.fault.hand': (p) => `${p.placeFirst('place')}: the piece is the other hand.`,
  'fit.fault.face': (p) => `${p.placeFirst('place')}: the label faces the wrong way.`,
  'fit.seeTheSpin': (p) => `See the spin of ${p.text('of') === '1' ? 'the motor' : `${p.number('count')} of ${p.number('of')} motors`}: what is drawn is a proposal, nothing is confirmed without it.`,
  'fit.cannotHover': (p) => `No thrusts of these arms hold its ${p.quantity('weightN', 'force')} level: it cannot be flown so. Look at the places of the arms, or at the props.`,
  'fit.cannotSteer': (p) => `It cannot be steered in ${p.text('axes')} alone, ${p.number('count')} of 3 ways: places, spins, a lean or a servo must give that. It cannot be flown so.`,
  'fit.steers': (p) => `In hover it can be turned with ${p.quantity('rollNm', 'torque')} in roll, ${p.quantity('pitchNm', 'torque')} in pitch, ${p.quantity('yawNm', 'torque')} in yaw.`,
  'fit.lossFalls': (p) => `When a rotor stops it comes down: ${p.share('worst')} of its weight is held level at worst; ${p.text('count') === '0' ? 'none' : p.number('count')} of ${p.number('of')} may stop.`,
  'fit.lossTurns': (p) => `When a rotor stops it comes down turning: ${p.number('worst', 2)} times its weight is held level only with the opposite one idle, and nothing is left to steer with. ${p.text('count') === '0' ? 'None' : p.number('count')} of ${p.number('of')} may stop.`,
  'fit.lossDrops': (p) => `When any of its ${p.number('of')} rotors stops it comes down: the others cannot hold it level.`,
  'fit.lossHolds': (p) => `Any one of ${p.number('of')} rotors may stop: the others hold ${p.number('worst', 2)} times its weight level and steer it in roll and pitch${p.text('yaws') === '1' ? ', in yaw too' : '; yaw is lost'}.`,
  'fit.bladeLoss': (p) => `A lost blade pulls with about ${p.quantity('forceN', 'force')} at full throttle in standard air, ${p.number('timesWeight')} times the weight: shut down at once.`,
  'fit.mixed': (p) => `${p.number('count')} models are mixed: ${p.text('names')}. One model on every arm; a new model means new pieces everywhere.`,
  'fit.sideThrust': (p) => `${p.text('isPusher') === '1' ? 'The prop end of the shaft points' : 'The motor points'} ${p.text('side')}; these spins twist the plane with ${p.quantity('torqueNm', 'torque')} and ask for ${p.text('wanted') === 'none' ? 'a straight one' : `${p.text('isPusher') === '1' ? 'the prop end' : 'a point'} to the ${p.text('wanted')}`}. A reversed motor changes the side.`,
  // Care: what becomes of a piece
  'care.pair': () => 'One blade of a folding prop is damaged: change both on that motor.',
  'care.crack': (p) => `Crack at the ${p.carePlace('place')}: retire it, whatever else is good.`,
  'care.missing': (p) => `A piece is missing at the ${p.carePlace('place')}: it cannot be balanced and may go on breaking.`,
  'care.white': (p) => `White at the ${p.carePlace('place')}: the ${p.material('material')} has yielded and will tear there.`,
  'care.milky': (p) => `Milky spot at the ${p.carePlace('place')}: layers of carbon have come apart.`,
  'care.woodRoot': (p) => `Crazed lacquer at the ${p.carePlace('place')}: on wood the root is where it breaks.`,
  'care.lacquer': (p) => `Crazed lacquer at the ${p.carePlace('place')}: sand, lacquer, true again.`,
  'care.nickCarbon': (p) => `Nick in carbon at the ${p.carePlace('place')}: carbon hides how deep it goes.`,
  'care.nickPrinted': (p) => `Nick at the ${p.carePlace('place')} of a printed part: it splits between its layers from there.`,
  'care.nickRoot': (p) => `Nick at the ${p.carePlace('place')}: the root carries the whole pull of the blade.`,
  'care.nickDress': (p) => `Nick felt at the ${p.carePlace('place')}: dress it smooth with two fine grits, then true it again.`,
  'care.bendBack': (p) => `Bent at the ${p.carePlace('place')}: polycarbonate may be bent back by hand; white marks after it retire it.`,
  'care.bend': (p) => `Bent at the ${p.carePlace('place')}: ${p.material('material')} does not come back true.`,
  'care.wornBore': () => 'The bore is worn: it runs beside its own centre, and no balancing holds.',
  'care.wornMount': () => 'Worn nut, thread or screws: new ones, locked.',
  'care.wornPivot': () => 'The folding pivot is worn: the blade flaps out of its line.',
  'care.wornEdge': (p) => `Worn at the ${p.carePlace('place')}: smooth it and true it again.`,
  'care.loose': (p) => `Loose at the ${p.carePlace('place')}: new lock nut or screws, then twist each blade.`,
  'care.looseHub': (p) => `Loose at the ${p.carePlace('place')}: an insert that moves cannot be trusted.`,
  'care.stiff': () => 'The folding pivot is stiff: clean and free it until both blades swing alike.',
  'care.stiffStrict': () => 'The folding pivot does not swing free: it goes on the strict policy.',
  'care.dirt': (p) => `Dirt at the ${p.carePlace('place')}: wipe it off; grass and insects weigh.`,
  'care.scrape': (p) => `Cosmetic scrape at the ${p.carePlace('place')}: it flies. Feel it again next time.`,
  'care.doubt': (p) => `Damage at the ${p.carePlace('place')}: the strict policy mends nothing.`,
  'care.notMakers': () => 'A mended piece is no longer the maker’s part: a new one goes on.',
  'care.crashStrict': () => 'A hard strike on the strict policy: nothing from this craft flies again.',
  'care.struckCarbon': () => 'Carbon after a strike: it hides what broke inside.',
  'care.void': () => 'A void or short moulding: it breaks there one day. Retire it.',
  'care.struckLight': () => 'A light strike: counted, and looked at twice.',
  'care.struckLookTrue': (p) => `${p.materialFirst('material')} after a light strike: look along every edge and true it again.`,
  'care.struckBrittle': (p) => `${p.materialFirst('material')} after a hard strike: it breaks at the next one.`,
  'care.struckTrue': () => 'A hard strike: look at every edge, then true it again.',
  // Whether a craft may fly
  'care.wrong.tips': (p) => `${p.text('name')} would tip over on take-off: set its pieces right in Fit.`,
  'care.wrong.pressed': (p) => `${p.text('name')} would press itself to the ground: its pieces are all the other hand.`,
  'care.wrong.cannotLift': (p) => `${p.text('name')} would not lift: labels face the wrong way.`,
  'care.wrong.cannotFly': (p) => `${p.text('name')} cannot be flown as its motors turn: see Fit.`,
  'care.wrong.yawRunsAway': (p) => `${p.text('name')} would lift, then yaw runs away: its motors turn against the controller’s table.`,
  'care.wrong.yawDrifts': (p) => `${p.text('name')} would lift and pull to one side in yaw: ${p.number('count')} of ${p.number('of')} arms are wrong.`,
  'care.wrong.pushesBack': (p) => `${p.text('name')} would push backwards: the piece is the other hand.`,
  'care.wrong.weak': (p) => `${p.text('name')} would pull weakly: a label faces the wrong way.`,
  'care.unknown': (p) => `What is on the arms of ${p.text('name')} is not all known: say it in Fit.`,
  'care.mixed': (p) => `${p.number('count')} models are mixed on ${p.text('name')}: one model on every arm.`,
  'care.unseen': (p) => `The spin of ${p.text('of') === '1' ? 'its motor' : `${p.number('count')} of ${p.number('of')} motors`} was never seen.`,
  'care.untrued': (p) => `${p.text('tags')} ${p.are('count')} to be balanced first: at this size the pull is felt.`,
  'care.neverSigned': (p) => `Nobody has signed for the props of ${p.text('name')} yet.`,
  'care.signedBefore': (p) => `${p.text('count') === '1' ? `${p.placeFirst('place')} was` : `${p.number('count')} arms were`} changed since somebody signed: look at every arm and sign again.`,
  'care.grounded': (p) => `${p.text('tags')} ${p.are('count')} grounded: ${p.text('alert')}.`,
  'care.open.clean': (p) => `${p.text('tags')}: clean up and true again before flight.`,
  'care.open.retire': (p) => `${p.text('tags')} ${p.are('count')} to be retired. Take a spare.`,
  'care.open.retirePair': (p) => `${p.text('tags')}: retire the pair on that motor.`,
  'care.open.retireSet': (p) => `${p.text('tags')}: the whole set is retired after the crash.`,
  'care.spentFatigue': (p) => `${p.text('tags')} ${p.have('count')} used ${p.share('usedRatio')} of ${p.its('count')} life by stress and strikes: replace.`,
  'care.spentHours': (p) => `${p.text('tags')} ${p.have('count')} flown ${p.number('hours', 1)} h, ${p.share('usedRatio')} of what is usual for the material (experience): replace.`,
  'care.soonDays': (p) => `${p.text('tags')} ${p.have('count')} used ${p.share('usedRatio')} of ${p.its('count')} life: due in ${p.number('days')} days at this pace.`,
  'care.soon': (p) => `${p.text('tags')} ${p.have('count')} used ${p.share('usedRatio')} of ${p.its('count')} life.`,
  'care.strikes': (p) => `${p.number('count')} ${p.text('count') === '1' ? 'strike' : 'strikes'} since the last look: walk round before it flies.`,
  'care.feelMotor': (p) => `Motor ${p.text('tag')} was struck: spin it bare, feel the bearing, watch the shaft’s tip.`,
  'care.missingPieces': (p) => `${p.number('count')} of ${p.number('of')} arms without a tagged piece.`,
  'care.neverLooked': (p) => `Nobody has walked round ${p.text('name')} yet.`,
  'care.flownSince': (p) => `${p.text('name')} flew ${p.text('count') === '1' ? 'once' : `${p.number('count')} times`} since the last look: walk round before the next flight.`,
  'care.staleLook': (p) => `The last look is of ${p.day('day')}: a look is of the same day.`,
  'care.changedSince': (p) => `${p.text('count') === '1' ? `${p.placeFirst('place')} was` : `${p.number('count')} arms were`} changed since the last look: walk round again.`,
  'care.hurried': (p) => `The last look took ${p.number('seconds', 1)} s a prop; under ${p.number('least')} s nobody sees a hair crack.`,
  'care.changesLeft': (p) => `${p.number('count')} full ${p.text('count') === '1' ? 'change' : 'changes'} left beside what flies; ${p.text('hand')} runs out first.`,
  'care.noChange': (p) => `No full change left beside what flies: ${p.text('hand')} is missing.`,
  'care.cold': (p) => `${p.materialFirst('material')} at ${p.quantity('temperatureC', 'temperature')}: under ${p.quantity('limitC', 'temperature')} it turns brittle (experience).`,
  'care.hot': (p) => `${p.materialFirst('material')} at ${p.quantity('temperatureC', 'temperature')}: over ${p.quantity('limitC', 'temperature')} it softens (experience).`,
  // Drills: said after the answer
  'drill.label': (p) => `${p.text('label')}: ${p.quantity('diameterM', 'length')} across, ${p.quantity('pitchM', 'length')} of pitch${p.text('bladeCount') === '0' ? '; the blades are not on it' : `, ${p.number('bladeCount')} blades`}.`,
  'drill.hand': (p) => `The higher edge goes first: with it on the ${p.text('leadingEdge')}, a blade up and ${p.text('hollow') === 'away' ? 'the label facing you' : 'the back facing you'}, the piece turns ${p.text('hand').toUpperCase()}.`,
  'drill.armOne': (p) => `The piece on ${p.place('place')} pushes the wrong way: it tips toward ${p.toward('toward')}.`,
  'drill.armSwapped': (p) => `${p.placeFirst('place')} and ${p.place('other')} are swapped: both push down, and it tips toward ${p.toward('toward')}.`,
  'drill.tapeOne': (p) => `Heavy at ${p.number('heavyDegrees')}°, so weight goes to ${p.number('lightDegrees')}°: that is blade ${p.text('blades')}.`,
  'drill.tapeTwo': (p) => `Heavy at ${p.number('heavyDegrees')}°, so weight goes to ${p.number('lightDegrees')}°, between two blades: never there, but shared onto ${p.text('blades').replace('+', ' and ')}.`,
  // Stops of the line
  'pick.noReference': () => 'Pick: no prop chosen yet',
  'pick.discsMeet': (p) => `Pick: ${p.quantity('diameterM', 'length')} across where ${p.quantity('limitM', 'length')} has room`,
  'pick.predicted': () => 'Pick: chosen, not measured yet',
  'pick.measured': (p) => `Pick: chosen and measured, ${p.number('count')} runs`,
  'balance.nothingFitted': () => 'True: no piece is fitted yet',
  'balance.untrued': (p) => `True: ${p.number('count')} of ${p.number('of')} fitted pieces are not trued`,
  'balance.allTrued': (p) => `True: all ${p.number('count')} fitted pieces are trued`,
  'fit.stop.unknown': (p) => `Fit: ${p.number('count')} of ${p.number('of')} arms without a known piece`,
  'fit.stop.wrong': (p) => `Fit: ${p.number('count')} of ${p.number('of')} arms are wrong`,
  'fit.stop.unseen': (p) => `Fit: the spin of ${p.number('count')} of ${p.number('of')} motors was not seen`,
  'fit.stop.unsigned': (p) => `Fit: all ${p.number('of')} arms are right; nobody signed since the last change`,
  'fit.stop.right': (p) => `Fit: all ${p.number('of')} arms are right, their spin seen, signed`,
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
    quantity: (key, dimension) => formatQuantity(key === 'difference' ? Math.abs(numberOf(key)) : numberOf(key), dimension, choices).text,
    share: (key) => formatShare(numberOf(key)),
    difference: (key) => formatDifference(numberOf(key)),
    size: (key) => formatShare(Math.abs(numberOf(key))),
    number: (key, digits = 0) => formatNumber(numberOf(key), digits),
    minutes: (key) => formatMinutes(Math.abs(numberOf(key))),
    milliseconds: (key) => formatMilliseconds(Math.abs(numberOf(key))),
    speed: (key) => formatSpeed(numberOf(key)),
    gramMillimetres: (key) => formatUnbalance(numberOf(key)),
    place: (key) => placeNames[String(values[key] ?? '') as RotorPlace]?.toLowerCase() ?? 'that arm',
    toward: (key) => (values[key] === '' ? 'one side' : towardName(values[key] as RotorPlace)),
    carePlace: (key) => `${carePlaceNames[String(values[key] ?? '') as CarePlace] ?? 'prop'}${values.blade === undefined ? '' : ` of blade ${values.blade}`}`,
    material: (key) => materialNames[String(values[key] ?? '')] ?? 'material',
    materialFirst: (key) => upperFirst(materialNames[String(values[key] ?? '')] ?? 'material'),
    are: (key) => (values[key] === 1 ? 'is' : 'are'),
    have: (key) => (values[key] === 1 ? 'has' : 'have'),
    its: (key) => (values[key] === 1 ? 'its' : 'their'),
    hover: () => carryName(values),
    hovers: () => `${carryName(values)}s`,
    placeFirst: (key) => placeNames[values[key] as RotorPlace] ?? 'That arm',
    day: (key) => new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', timeZone: 'UTC' }).format(new Date(`${String(values[key])}T00:00:00Z`)),
    grams: (key) => `${formatNumber(numberOf(key) * 1000, 2)}\u202fg`,
    named: (key) => (String(values[key] ?? '') === '' ? '' : `${writeLabel(String(values[key]))}: `),
  };
}

/** Said where somebody would lead but for a limit; which one and why stands among the dangers. */
function withinLimits(p: Pen): string {
  return p.text('barred') === '' ? '' : ', of those within the limits';
}

/** How many motors turn against the controller's table, of how many. */
function turnAgainstTable(p: Pen): string {
  const [wrong, of] = [p.number('wrongSpinCount'), p.number('count')];
  if (wrong === of) return `all ${of} motors turn against the controller’s table`;
  return wrong === '1' ? `one of ${of} motors turns against the controller’s table` : `${wrong} of ${of} motors turn against the controller’s table`;
}

/** *a, b, c* as *a, b and c*. */
function listOf(joined: string): string {
  return joined.replace(/, ([^,]*)$/, ' and $1');
}

function carryName({ kind }: Values): string {
  return carryNames[kind === 'plane' ? 'plane' : 'multirotor'];
}
