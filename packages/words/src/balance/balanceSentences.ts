import type { BalanceReasons } from '@zivvo/core';
import type { Sentences } from '../pen.ts';

/** What balance says, in words. */
export const balanceSentences: Sentences<BalanceReasons> = {
  'balance.sendBack': (p) =>
    `Send it back, or take another school: ${p.gramMillimetres('unbalanceKgM')} of unbalance, and a blade may ` +
    `carry ${p.gramMillimetres('mostKgM')} of tape at most.`,
  'balance.trialTape': (p) =>
    `More than the ${p.gramMillimetres('mostKgM')} that may stay on a blade: it is put on to find out whether ` +
    'tape can mend the piece at all, and comes off again.',
  'balance.single.thrust': (p) =>
    `One blade’s thrust pulls beside the shaft once a turn, ${p.number('thrustMomentNm', 3)} N·m in hover, and ` +
    'no washer takes it away: run it in the cage only, never on a craft.',
  'balance.single.washers': (p) => `${p.number('count')} washers leave least: ${p.gramMillimetres('leftKgM')}.`,
  'balance.single.finest': (p) =>
    `${p.gramMillimetres('leftKgM')} is left of ${p.gramMillimetres('targetKgM')} allowed, and no number of ` +
    `these washers does better: take lighter ones than ${p.grams('washerKg')}.`,
  'balance.single.done': (p) =>
    `${p.gramMillimetres('leftKgM')} is left of ${p.gramMillimetres('targetKgM')} allowed: its mass is balanced.`,
  'balance.contradiction': (p) => `Look ${p.number('look')} contradicts the others: take it back and look again.`,
  'balance.swing.sameSwing': (p) =>
    `Both swings took the same time: the tape tells nothing beside ${p.gramMillimetres('unbalanceKgM')}. Take ` +
    'more of it.',
  'balance.swing.wrongSide': (p) =>
    'The tape sped up what it should slow, or the other way round: it was on the other side. So far ' +
    `${p.gramMillimetres('unbalanceKgM')} from the bare swing.`,
  'balance.swing.tapeTooHeavy': (p) =>
    `The tape outweighs the unbalance of ${p.gramMillimetres('unbalanceKgM')}: take less, or put it on the heavy side.`,
  'balance.whereIsHeavy': (p) =>
    `${p.gramMillimetres('unbalanceKgM')}: now say where the heavy side hangs, and the tape follows.`,
  'balance.putTape': (p) =>
    `${p.text('count') === '1' ? 'The tape makes' : `Together the tape on ${p.number('count')} places makes`} ` +
    `${p.gramMillimetres('unbalanceKgM')}. Then let go and look.`,
  'balance.done': (p) =>
    `${p.gramMillimetres('unbalanceKgM')} is left: the whole craft shakes at ${p.number('shakeG', 3)} g of ` +
    `acceleration, ${p.number('forceN', 2)} N once a turn.`,
  'balance.belowRig': (p) =>
    `Below what this rig can show: at most ${p.gramMillimetres('unbalanceKgM')}, ${p.number('shakeG', 3)} g of ` +
    'acceleration on the whole craft.',
  'balance.left': (p) =>
    `About ${p.gramMillimetres('unbalanceKgM')} is left of ${p.gramMillimetres('targetKgM')} allowed: the ` +
    `whole craft shakes at ${p.number('shakeG', 3)} g of acceleration, ${p.number('forceN', 2)} N once a turn.`,
  'balance.swing': (p) => `The swing says ${p.gramMillimetres('unbalanceKgM')}, ± ${p.share('uncertaintyRatio')}.`,
  'balance.aim.coarse': (p) =>
    `Coarse: ${p.gramMillimetres('targetKgM')} may stay at ${p.quantity('speedRpm', 'rotation')} in hover.`,
  'balance.aim.good': (p) =>
    `Good: ${p.gramMillimetres('targetKgM')} may stay at ${p.quantity('speedRpm', 'rotation')} in hover.`,
  'balance.aim.fine': (p) =>
    `Fine: ${p.gramMillimetres('targetKgM')} may stay at ${p.quantity('speedRpm', 'rotation')} in hover.`,
  'balance.aim.rig': (p) =>
    `The rig decides: it cannot show less than ${p.gramMillimetres('floorKgM')}, so ` +
    `${p.gramMillimetres('targetKgM')} is the aim.`,
  'balance.enough': (p) => `More work is not worth it: the rest is under ${p.gramMillimetres('targetKgM')}.`,
  'balance.vibration.first': (p) =>
    `Run it bare first and write the reading down. A trial mass may be ${p.grams('largestKg')} at most.`,
  'balance.vibration.trial': (p) =>
    `Put a trial mass at the mark, up to ${p.grams('largestKg')}: the reading should change by a third or more.`,
  'balance.vibration.more': (p) =>
    `Move the same mass to ${p.number('degrees')}° and run again: ${p.number('count')} more without phase.`,
  'balance.vibration.inconclusive': (p) =>
    `The trial changed the reading by ${p.share('changeRatio')} only: take more mass, up to ${p.grams('largestKg')}.`,
  'balance.vibration.put': (p) =>
    `Put ${p.grams('massKg')} at ${p.number('degrees')}°, trial mass off. Then run once more to check.`,
  'balance.vibration.left': (p) => `${p.share('leftRatio')} of the shake is left.`,
  'balance.nothingFitted': () => 'Balance: no piece is fitted yet',
  'balance.unbalanced': (p) => `Balance: ${p.number('count')} of ${p.number('of')} fitted pieces are not balanced`,
  'balance.allBalanced': (p) => `Balance: all ${p.number('count')} fitted pieces are balanced`,
};
