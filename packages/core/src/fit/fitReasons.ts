/** Codes of what fit says, each with the names of its values; its words are in the words room. */
export interface FitReasons {
  'fit.unknown': 'count';
  'fit.flies': 'count';
  'fit.tips': 'place' | 'momentNm' | 'liftRatio';
  'fit.pressed': 'count';
  'fit.cannotLift': 'liftRatio';
  'fit.yawRunsAway': 'wrongSpinCount' | 'count';
  'fit.yawDrifts': 'wrongSpinCount' | 'count';
  'fit.cannotFly': 'wrongSpinCount' | 'axes' | 'count';
  'fit.pushesBack': never;
  'fit.weak': 'liftRatio';
  'fit.fault.spin': 'place';
  'fit.fault.hand': 'place';
  'fit.fault.face': 'place';
  'fit.seeTheSpin': 'of' | 'count';
  'fit.cannotHover': 'weightN';
  'fit.cannotSteer': 'axes' | 'count';
  'fit.steers': 'rollNm' | 'pitchNm' | 'yawNm';
  'fit.lossFalls': 'worst' | 'count' | 'of';
  'fit.lossTurns': 'worst' | 'count' | 'of';
  'fit.lossDrops': 'of';
  'fit.lossHolds': 'of' | 'worst' | 'yaws';
  'fit.bladeLoss': 'forceN' | 'timesWeight';
  'fit.mixed': 'count' | 'names';
  'fit.sideThrust': 'isPusher' | 'side' | 'torqueNm' | 'wanted';
  'fit.stop.unknown': 'count' | 'of';
  'fit.stop.wrong': 'count' | 'of';
  'fit.stop.unseen': 'count' | 'of';
  'fit.stop.unsigned': 'of';
  'fit.stop.right': 'of';
}

declare module '../figure/reason.ts' {
  interface Reasons extends FitReasons {}
}
