/** Codes of what balance says, each with the names of its values; its words are in the words room. */
export interface BalanceReasons {
  'balance.sendBack': 'unbalanceKgM' | 'mostKgM';
  'balance.trialTape': 'mostKgM';
  'balance.single.thrust': 'thrustMomentNm';
  'balance.single.washers': 'count' | 'leftKgM';
  'balance.single.finest': 'leftKgM' | 'targetKgM' | 'washerKg';
  'balance.single.done': 'leftKgM' | 'targetKgM';
  'balance.contradiction': 'look';
  'balance.swing.sameSwing': 'unbalanceKgM';
  'balance.swing.wrongSide': 'unbalanceKgM';
  'balance.swing.tapeTooHeavy': 'unbalanceKgM';
  'balance.whereIsHeavy': 'unbalanceKgM';
  'balance.putTape': 'unbalanceKgM' | 'count';
  'balance.done': 'unbalanceKgM' | 'shakeG' | 'forceN';
  'balance.belowRig': 'unbalanceKgM' | 'shakeG';
  'balance.left': 'unbalanceKgM' | 'targetKgM' | 'shakeG' | 'forceN';
  'balance.swing': 'unbalanceKgM' | 'uncertaintyRatio';
  'balance.aim.coarse': 'targetKgM' | 'speedRpm';
  'balance.aim.good': 'targetKgM' | 'speedRpm';
  'balance.aim.fine': 'targetKgM' | 'speedRpm';
  'balance.aim.rig': 'floorKgM' | 'targetKgM';
  'balance.enough': 'targetKgM';
  'balance.vibration.first': 'largestKg';
  'balance.vibration.trial': 'largestKg';
  'balance.vibration.more': 'degrees' | 'count';
  'balance.vibration.inconclusive': 'changeRatio' | 'largestKg';
  'balance.vibration.put': 'massKg' | 'degrees';
  'balance.vibration.left': 'leftRatio';
  'balance.nothingFitted': never;
  'balance.unbalanced': 'count' | 'of';
  'balance.allBalanced': 'count';
}

declare module '../figure/reason.ts' {
  interface Reasons extends BalanceReasons {}
}
