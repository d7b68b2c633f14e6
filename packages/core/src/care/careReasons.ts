/** Codes of what care says, each with the names of its values; its words are in the words room. */
export interface CareReasons {
  'care.pair': never;
  'care.lifeByHours': 'ratio';
  'care.lifeByFatigue': 'ratio';
  'care.crack': 'place' | 'blade';
  'care.missing': 'place' | 'blade';
  'care.white': 'place' | 'material' | 'blade';
  'care.milky': 'place' | 'blade';
  'care.woodRoot': 'place' | 'blade';
  'care.lacquer': 'place' | 'blade';
  'care.nickCarbon': 'place' | 'blade';
  'care.nickPrinted': 'place' | 'blade';
  'care.nickRoot': 'place' | 'blade';
  'care.nickDress': 'place' | 'blade';
  'care.bendBack': 'place' | 'blade';
  'care.bend': 'place' | 'material' | 'blade';
  'care.wornBore': never;
  'care.wornMount': never;
  'care.wornPivot': never;
  'care.wornEdge': 'place' | 'blade';
  'care.loose': 'place' | 'blade';
  'care.looseHub': 'place' | 'blade';
  'care.stiff': never;
  'care.stiffStrict': never;
  'care.dirt': 'place' | 'blade';
  'care.scrape': 'place' | 'blade';
  'care.doubt': 'place' | 'blade';
  'care.notMakers': never;
  'care.crashStrict': never;
  'care.struckCarbon': never;
  'care.void': never;
  'care.struckLight': never;
  'care.struckLookTrue': 'material';
  'care.struckBrittle': 'material';
  'care.struckTrue': never;
  'care.wrong.tips': 'name';
  'care.wrong.pressed': 'name';
  'care.wrong.cannotLift': 'name';
  'care.wrong.cannotFly': 'name';
  'care.wrong.yawRunsAway': 'name';
  'care.wrong.yawDrifts': 'name' | 'count' | 'of';
  'care.wrong.pushesBack': 'name';
  'care.wrong.weak': 'name';
  'care.unknown': 'name';
  'care.mixed': 'count' | 'name';
  'care.unseen': 'of' | 'count';
  'care.untrued': 'tags' | 'count';
  'care.neverSigned': 'name';
  'care.signedBefore': 'count' | 'place';
  'care.grounded': 'tags' | 'count' | 'alert';
  'care.open.clean': 'tags';
  'care.open.retire': 'tags' | 'count';
  'care.open.retirePair': 'tags';
  'care.open.retireSet': 'tags';
  'care.spentFatigue': 'tags' | 'count' | 'usedRatio';
  'care.spentHours': 'tags' | 'count' | 'hours' | 'usedRatio';
  'care.soonDays': 'tags' | 'count' | 'usedRatio' | 'days';
  'care.soon': 'tags' | 'count' | 'usedRatio';
  'care.strikes': 'count';
  'care.feelMotor': 'tag';
  'care.missingPieces': 'count' | 'of';
  'care.neverLooked': 'name';
  'care.flownSince': 'name' | 'count';
  'care.staleLook': 'day';
  'care.changedSince': 'count' | 'place';
  'care.hurried': 'seconds' | 'least';
  'care.changesLeft': 'count' | 'hand';
  'care.noChange': 'hand';
  'care.cold': 'material' | 'temperatureC' | 'limitC';
  'care.hot': 'material' | 'temperatureC' | 'limitC';
}

declare module '../figure/reason.ts' {
  interface Reasons extends CareReasons {}
}
