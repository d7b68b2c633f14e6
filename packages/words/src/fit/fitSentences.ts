import type { FitReasons } from '@zivvo/core';
import type { Sentences, Pen } from '../pen.ts';

/** What fit says, in words. */
export const fitSentences: Sentences<FitReasons> = {
  'fit.unknown': (p) =>
    `${p.number('count')} ${p.text('count') === '1' ? 'arm has' : 'arms have'} no known piece yet: put one on, ` +
    'or say its hand.',
  'fit.flies': (p) =>
    p.text('count') === '1'
      ? 'The piece pulls the right way: full thrust.'
      : `All ${p.number('count')} rotors push the right way: it lifts level.`,
  'fit.tips': (p) =>
    `It tips toward ${p.toward('place')} the moment it lifts: ${p.quantity('momentNm', 'torque')} turn it ` +
    `over, ${p.share('liftRatio')} of the lift is there.`,
  'fit.pressed': (p) =>
    `It presses itself to the ground: the pieces push the wrong way on all ${p.number('count')} rotors.`,
  'fit.cannotLift': (p) =>
    `It does not lift: ${p.share('liftRatio')} of the thrust is there, and at full throttle that is less than ` +
    'its weight.',
  'fit.yawRunsAway': (p) => `It lifts, then yaw runs away: ${turnAgainstTable(p)}.`,
  'fit.yawDrifts': (p) => `It lifts, but yaw pulls to one side all the time: ${turnAgainstTable(p)}.`,
  'fit.cannotFly': (p) =>
    `It cannot be flown: ${p.text('wrongSpinCount') === '0' ? 'as these arms turn' : turnAgainstTable(p)}, ` +
    `${p.text('axes') === '' ? 'and no throttles hold it level without turning' : `and nothing is left to steer ${listOf(p.text('axes'))}`}.`,
  'fit.pushesBack': () => 'It pushes backwards: the piece is the other hand for this shaft.',
  'fit.weak': (p) =>
    `It pulls the right way but weakly: ${p.share('liftRatio')} of the thrust, a label faces the wrong way.`,
  'fit.fault.spin': (p) => `${p.placeFirst('place')}: the motor turns against the controller’s table.`,
  'fit.fault.hand': (p) => `${p.placeFirst('place')}: the piece is the other hand.`,
  'fit.fault.face': (p) => `${p.placeFirst('place')}: the label faces the wrong way.`,
  'fit.seeTheSpin': (p) =>
    `See the spin of ${p.text('of') === '1' ? 'the motor' : `${p.number('count')} of ${p.number('of')} motors`}: ` +
    'what is drawn is a proposal, nothing is confirmed without it.',
  'fit.cannotHover': (p) =>
    `No thrusts of these arms hold its ${p.quantity('weightN', 'force')} level: it cannot be flown so. Look at ` +
    'the places of the arms, or at the props.',
  'fit.cannotSteer': (p) =>
    `It cannot be steered in ${p.text('axes')} alone, ${p.number('count')} of 3 ways: places, spins, a lean or ` +
    'a servo must give that. It cannot be flown so.',
  'fit.steers': (p) =>
    `In hover it can be turned with ${p.quantity('rollNm', 'torque')} in roll, ` +
    `${p.quantity('pitchNm', 'torque')} in pitch, ${p.quantity('yawNm', 'torque')} in yaw.`,
  'fit.lossFalls': (p) =>
    `When a rotor stops it comes down: ${p.share('worst')} of its weight is held level at worst; ` +
    `${p.text('count') === '0' ? 'none' : p.number('count')} of ${p.number('of')} may stop.`,
  'fit.lossTurns': (p) =>
    `When a rotor stops it comes down turning: ${p.number('worst', 2)} times its weight is held level only ` +
    'with the opposite one idle, and nothing is left to steer with. ' +
    `${p.text('count') === '0' ? 'None' : p.number('count')} of ${p.number('of')} may stop.`,
  'fit.lossDrops': (p) =>
    `When any of its ${p.number('of')} rotors stops it comes down: the others cannot hold it level.`,
  'fit.lossHolds': (p) =>
    `Any one of ${p.number('of')} rotors may stop: the others hold ${p.number('worst', 2)} times its weight ` +
    `level and steer it in roll and pitch${p.text('yaws') === '1' ? ', in yaw too' : '; yaw is lost'}.`,
  'fit.bladeLoss': (p) =>
    `A lost blade pulls with about ${p.quantity('forceN', 'force')} at full throttle in standard air, ` +
    `${p.number('timesWeight')} times the weight: shut down at once.`,
  'fit.mixed': (p) =>
    `${p.number('count')} models are mixed: ${p.text('names')}. One model on every arm; a new model means new ` +
    'pieces everywhere.',
  'fit.sideThrust': (p) =>
    `${p.text('isPusher') === '1' ? 'The prop end of the shaft points' : 'The motor points'} ${p.text('side')}; ` +
    `these spins twist the plane with ${p.quantity('torqueNm', 'torque')} and ask for ` +
    `${p.text('wanted') === 'none' ? 'a straight one' : `${p.text('isPusher') === '1' ? 'the prop end' : 'a point'} to the ${p.text('wanted')}`}. ` +
    'A reversed motor changes the side.',
  'fit.stop.unknown': (p) => `Fit: ${p.number('count')} of ${p.number('of')} arms without a known piece`,
  'fit.stop.wrong': (p) => `Fit: ${p.number('count')} of ${p.number('of')} arms are wrong`,
  'fit.stop.unseen': (p) => `Fit: the spin of ${p.number('count')} of ${p.number('of')} motors was not seen`,
  'fit.stop.unsigned': (p) => `Fit: all ${p.number('of')} arms are right; nobody signed since the last change`,
  'fit.stop.right': (p) => `Fit: all ${p.number('of')} arms are right, their spin seen, signed`,
};

/** How many motors turn against the controller's table, of how many. */
function turnAgainstTable(p: Pen<'wrongSpinCount' | 'count'>): string {
  const [wrong, of] = [p.number('wrongSpinCount'), p.number('count')];
  if (wrong === of) return `all ${of} motors turn against the controller’s table`;
  return wrong === '1'
    ? `one of ${of} motors turns against the controller’s table`
    : `${wrong} of ${of} motors turn against the controller’s table`;
}

/** *a, b, c* as *a, b and c*. */
function listOf(joined: string): string {
  return joined.replace(/, ([^,]*)$/, ' and $1');
}
