/** Codes of what Judge says, each with the names of its values; its words are in the words room. */
export interface JudgeReasons {
  'judge.takes': 'name' | 'craft';
  'judge.stays': 'name' | 'craft';
  'judge.alike': 'name' | 'other' | 'more';
  'judge.alone': 'name' | 'craft';
  'judge.onlyOne': 'name' | 'craft';
  'judge.none': 'craft';
  'judge.sure': 'name' | 'share' | 'count';
  'judge.scoreShare': 'ratio';
  'judge.gives': 'name' | 'wish' | 'difference' | 'halfWidth' | 'source';
  'judge.costs': 'name' | 'wish' | 'difference' | 'halfWidth' | 'source';
  'judge.predicted': 'name';
  'judge.open': 'name' | 'wish';
  'judge.unknown': 'wish';
  'judge.next': 'name' | 'way' | 'minutes';
  'judge.dominated': 'name' | 'by';
  'judge.swingUp': 'wish' | 'factor';
  'judge.swingDown': 'wish' | 'factor';
  'judge.barred': 'name' | 'limit' | 'margin';
  'judge.changed.first': 'name';
  'judge.changed.reference': 'name';
  'judge.changed.left': 'name';
  'judge.changed.joined': 'name';
  'judge.changed.evidence': 'name' | 'wish' | 'source';
  'judge.changed.weights': never;
  'judge.stop.none': never;
  'judge.stop.frozen': 'count';
  'judge.stop.open': 'count';
}

declare module '../figure/reason.ts' {
  interface Reasons extends JudgeReasons {}
}
