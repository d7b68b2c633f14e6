import type { PickReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

/** What pick says, in words. */
export const pickSentences: Sentences<PickReasons> = {
  'pick.gains.minutes': (p) =>
    `${p.text('name')} flies ${p.minutes('difference')} longer than ${p.text('reference')}: ${p.minutes('value')}.`,
  'pick.pays.minutes': (p) => `It flies shorter: ${p.minutes('value')} instead of ${p.minutes('other')}.`,
  'pick.gains.thrust': (p) => `It pulls ${p.number('value', 2)} times the weight instead of ${p.number('other', 2)}.`,
  'pick.pays.thrust': (p) =>
    `It pulls ${p.number('value', 2)} times the weight, ${p.text('reference')} ${p.number('other', 2)}.`,
  'pick.gains.answer': (p) => `It answers ${p.milliseconds('difference')} sooner, in ${p.milliseconds('value')}.`,
  'pick.pays.answer': (p) => `It answers later: ${p.milliseconds('value')} instead of ${p.milliseconds('other')}.`,
  'pick.gains.quiet': (p) =>
    `It is ${p.quantity('difference', 'level')} quieter at 20 m: ${p.quantity('value', 'level')}.`,
  'pick.pays.quiet': (p) =>
    `It is ${p.quantity('difference', 'level')} louder at 20 m: ${p.quantity('value', 'level')}.`,
  'pick.gains.speed': (p) => `Its pitch speed is ${p.speed('value')}, ${p.difference('differenceRatio')}.`,
  'pick.pays.speed': (p) =>
    `Its pitch speed is ${p.speed('value')}, ${p.difference('differenceRatio')}: slower at the top.`,
  'pick.gains.cool': (p) =>
    `The motor stays at ${p.quantity('value', 'temperature')} in normal flying instead of ` +
    `${p.quantity('other', 'temperature')}.`,
  'pick.pays.cool': (p) =>
    `The motor reaches ${p.quantity('value', 'temperature')} in normal flying instead of ` +
    `${p.quantity('other', 'temperature')}.`,
  'pick.gains.gentle': (p) =>
    `A third of the throttle gives ${p.share('value')} of the thrust instead of ${p.share('other')}: finer low down.`,
  'pick.pays.gentle': (p) =>
    `A third of the throttle already gives ${p.share('value')} of the thrust instead of ${p.share('other')}: ` +
    'coarser low down.',
  'pick.gains.tough': (p) =>
    `It survives strikes better: ${p.number('value', 2)} against ${p.number('other', 2)} of a soft blade’s 1 ` +
    '(experience).',
  'pick.pays.tough': (p) =>
    `It survives strikes worse: ${p.number('value', 2)} against ${p.number('other', 2)} of a soft blade’s 1 ` +
    '(experience).',
  'pick.same': (p) =>
    `${p.text('name')} differs from ${p.text('reference')} by ${p.difference('differenceRatio')} in what ` +
    'counts most: it does not matter.',
  'pick.barred.clearance': (p) =>
    `${p.named('name')}${p.quantity('value', 'length')} across: the frame clears ${p.quantity('allowed', 'length')}.`,
  'pick.barred.neighbours': (p) =>
    `${p.named('name')}${p.quantity('value', 'length')} across: with a margin for flex, neighbour discs leave ` +
    `${p.quantity('allowed', 'length')}.`,
  'pick.barred.ground': (p) =>
    `${p.named('name')}${p.quantity('value', 'length')} from shaft to tip: the ground is ` +
    `${p.quantity('allowed', 'length')} below, and 10 mm must stay free.`,
  'pick.barred.boom': (p) =>
    `${p.named('name')}${p.quantity('value', 'length')} from shaft to tip: the boom is ` +
    `${p.quantity('allowed', 'length')} away.`,
  'pick.barred.carry': (p) =>
    `${p.named('name')}${p.share('value')} throttle just to carry: ${p.share('allowed')} at most leaves enough ` +
    'for a gust.',
  'pick.barred.escCurrent': (p) =>
    `${p.named('name')}${p.quantity('value', 'current')} at full throttle: the ESC bears ` +
    `${p.quantity('allowed', 'current')}.`,
  'pick.barred.motorCurrent': (p) =>
    `${p.named('name')}${p.quantity('value', 'current')} at full throttle: the motor bears ` +
    `${p.quantity('allowed', 'current')}.`,
  'pick.barred.motorHeat': (p) =>
    `${p.named('name')}winding at ${p.quantity('value', 'temperature')} in normal flying: ` +
    `${p.quantity('allowed', 'temperature')} is the limit.`,
  'pick.barred.packSag': (p) =>
    `${p.named('name')}${p.quantity('value', 'power')} at full throttle: the pack can give ` +
    `${p.quantity('allowed', 'power')} at most.`,
  'pick.barred.tipSpeed': (p) =>
    `${p.named('name')}tips at ${p.speed('value')}: beyond ${p.speed('allowed')} blades howl and the model ends.`,
  'pick.barred.makerSpeed': (p) =>
    `${p.named('name')}${p.quantity('value', 'rotation')} at full throttle: its maker allows ` +
    `${p.quantity('allowed', 'rotation')}.`,
  'pick.barred.bore': (p) =>
    `${p.named('name')}a bore of ${p.quantity('allowed', 'length')} does not go over the ` +
    `${p.quantity('value', 'length')} shaft. Reaming moves the centre: then balance.`,
  'pick.barred.stock': (p) =>
    `${p.named('name')}${p.number('allowed')} of the ${p.number('value')} pieces of the right hands are on the rack.`,
  'pick.calibrated': (p) =>
    `${p.number('runCount')} ${p.text('runCount') === '1' ? 'run' : 'runs'} of ${p.number('propCount')} ` +
    `${p.text('propCount') === '1' ? 'prop' : 'props'} on this motor correct the model: ` +
    `${p.difference('thrustRatio')} thrust, ${p.difference('powerRatio')} power at a speed.`,
  'pick.cannot.carry': (p) =>
    `${p.named('name')}it cannot carry the craft at any throttle: ${p.share('overRatio')} beyond the limit.`,
  'pick.cannot.packSag': (p) => `${p.named('name')}it asks ${p.share('overRatio')} more than the pack can give.`,
  'pick.closest.clearance': (p) =>
    `Nearest limit: ${p.quantity('value', 'length')} across, the frame clears ${p.quantity('allowed', 'length')}.`,
  'pick.closest.neighbours': (p) =>
    `Nearest limit: ${p.quantity('value', 'length')} across, neighbour discs leave ${p.quantity('allowed', 'length')}.`,
  'pick.closest.ground': (p) =>
    `Nearest limit: ${p.quantity('value', 'length')} from shaft to tip, the ground ` +
    `${p.quantity('allowed', 'length')} below.`,
  'pick.closest.boom': (p) =>
    `Nearest limit: ${p.quantity('value', 'length')} from shaft to tip, the boom ` +
    `${p.quantity('allowed', 'length')} away.`,
  'pick.closest.carry': (p) =>
    `Nearest limit: ${p.share('value')} throttle to carry, of at most ${p.share('allowed')}.`,
  'pick.closest.escCurrent': (p) =>
    `Nearest limit: ${p.quantity('value', 'current')} of the ESC’s ${p.quantity('allowed', 'current')}.`,
  'pick.closest.motorCurrent': (p) =>
    `Nearest limit: ${p.quantity('value', 'current')} of the motor’s ${p.quantity('allowed', 'current')}.`,
  'pick.closest.motorHeat': (p) =>
    `Nearest limit: winding at ${p.quantity('value', 'temperature')} of ${p.quantity('allowed', 'temperature')} ` +
    'in normal flying.',
  'pick.closest.packSag': (p) =>
    `Nearest limit: ${p.quantity('value', 'power')} of the ${p.quantity('allowed', 'power')} that the pack can give.`,
  'pick.sag': (p) =>
    `The pack sags to ${p.quantity('sagCellV', 'voltage')} a cell at full throttle: ${p.share('lossRatio')} of ` +
    `the thrust goes there, and cells under ${p.quantity('emptyV', 'voltage')} age fast.`,
  'pick.pack.measured': (p) => `The pack is taken at its measured ${p.number('milliohm', 1)} mΩ a cell.`,
  'pick.pack.label': (p) =>
    `The pack is taken at ${p.number('milliohm', 1)} mΩ a cell, from the ${p.number('cRating')} C on its ` +
    'label: measure it, and minutes and sag are sure.',
  'pick.pack.usual': (p) =>
    `The pack is taken at a usual ${p.number('milliohm', 1)} mΩ a cell for its capacity: type its C rate or a ` +
    'measured resistance.',
  'pick.duct': (p) => `Ducts are assumed to give ${p.difference('gainRatio')} thrust: the figure is yours to change.`,
  'pick.closest.tipSpeed': (p) => `Nearest limit: tips at ${p.speed('value')} of ${p.speed('allowed')}.`,
  'pick.closest.bore': (p) =>
    `Nearest limit: a bore of ${p.quantity('allowed', 'length')} on the ${p.quantity('value', 'length')} shaft.`,
  'pick.closest.stock': (p) => `Nearest limit: ${p.number('allowed')} of ${p.number('value')} pieces on the rack.`,
  'pick.closest.makerSpeed': (p) =>
    `Nearest limit: ${p.quantity('value', 'rotation')} of the maker’s ${p.quantity('allowed', 'rotation')}.`,
  'pick.room.clearance': (p) => `The largest disc is ${p.quantity('largestM', 'length')}: the frame clears no more.`,
  'pick.room.neighbours': (p) =>
    `The largest disc is ${p.quantity('largestM', 'length')}: the shafts are ${p.quantity('limitM', 'length')} ` +
    'apart. Measure again if you moved the arms.',
  'pick.room.ground': (p) =>
    `The largest disc is ${p.quantity('largestM', 'length')}: the shaft is ${p.quantity('limitM', 'length')} ` +
    'above the ground.',
  'pick.room.boom': (p) =>
    `The largest disc is ${p.quantity('largestM', 'length')}: the boom is ${p.quantity('limitM', 'length')} ` +
    'from the shaft.',
  'pick.remedy.pitch': (p) =>
    `${p.text('name')} suits with ${p.quantity('to', 'length')} of pitch instead of ${p.quantity('from', 'length')}.`,
  'pick.remedy.diameter': (p) => `Or ${p.quantity('to', 'length')} across instead of ${p.quantity('from', 'length')}.`,
  'pick.remedy.blades': (p) => `Or ${p.number('to')} blades instead of ${p.number('from')}.`,
  'pick.remedy.cells': (p) => `Or ${p.number('to')} cells instead of ${p.number('from')}.`,
  'pick.remedy.motor': (p) =>
    `Or a motor with ${p.difference('changeRatio')} stator height: ${p.quantity('to', 'length')}.`,
  'pick.remedy.kv': (p) => `Or ${p.quantity('to', 'motorConstant')} instead of ${p.quantity('from', 'motorConstant')}.`,
  'pick.remedy.pitch.notEnough': (p) =>
    `Pitch alone does not cure it: ${p.quantity('currentA', 'current')} even at ${p.quantity('to', 'length')}.`,
  'pick.remedy.diameter.notEnough': (p) =>
    `Diameter alone does not cure it: ${p.quantity('currentA', 'current')} even at ${p.quantity('to', 'length')}.`,
  'pick.remedy.blades.notEnough': (p) =>
    `Blades alone do not cure it: ${p.quantity('currentA', 'current')} even with ${p.number('to')}.`,
  'pick.remedy.cells.notEnough': (p) =>
    `Cells alone do not cure it: ${p.quantity('currentA', 'current')} even with ${p.number('to')}.`,
  'pick.remedy.motor.notEnough': (p) =>
    `A taller motor alone does not cure it: ${p.quantity('currentA', 'current')} even ` +
    `${p.difference('changeRatio')} taller.`,
  'pick.remedy.kv.notEnough': (p) =>
    `Another winding alone does not cure it: ${p.quantity('currentA', 'current')} even at ` +
    `${p.quantity('to', 'motorConstant')}.`,
  'pick.noReference': () => 'Pick: no prop chosen yet',
  'pick.discsMeet': (p) =>
    `Pick: ${p.quantity('diameterM', 'length')} across where ${p.quantity('limitM', 'length')} has room`,
  'pick.predicted': () => 'Pick: chosen, not measured yet',
  'pick.measured': (p) => `Pick: chosen and measured, ${p.number('count')} runs`,
};
