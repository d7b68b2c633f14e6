import type {
  CareOutcome,
  CarePlace,
  CarePolicy,
  CauseName,
  ChangeName,
  DrillKind,
  FatigueState,
  FindingKind,
  GainAxis,
  GainPrecondition,
  ReadyVerdict,
  RecordFact,
  StrikeSeverity,
  StruckThing,
  SymptomName,
  SymptomTestName,
} from '@zivvo/core';

export const carePlaceNames: Record<CarePlace, string> = {
  tip: 'tip',
  leadingEdge: 'leading edge',
  trailingEdge: 'trailing edge',
  topFace: 'top face',
  underside: 'underside',
  rootTop: 'root, top',
  rootUnderside: 'root, underside',
  hub: 'hub',
  bore: 'bore',
  mount: 'nut or screws',
  pivot: 'folding pivot',
};

export const findingNames: Record<FindingKind, string> = {
  dirt: 'dirt',
  scrape: 'scrape, cosmetic',
  nick: 'nick, felt',
  whiteMark: 'white mark',
  crack: 'crack',
  missing: 'piece missing',
  bend: 'bent',
  worn: 'worn',
  loose: 'loose',
  stiff: 'stiff',
};

export const carePolicyNames: Record<CarePolicy, string> = {
  lenient: 'lenient: small things are mended',
  strict: 'strict: every doubt retires',
  makersParts: 'maker’s own parts, never mended',
};

export const careOutcomeNames: Record<CareOutcome, string> = {
  fly: 'may fly',
  clean: 'clean up, true again',
  retire: 'retire',
  retirePair: 'retire the pair',
  retireSet: 'retire the set',
};

export const lookSideNames: Record<'top' | 'underside' | 'edges', string> = {
  top: 'Top',
  underside: 'Underside',
  edges: 'Edges and root',
};

export const struckThingNames: Record<StruckThing, string> = {
  grass: 'grass',
  net: 'a net',
  twigs: 'twigs',
  water: 'water',
  soil: 'soil',
  branch: 'a branch',
  wire: 'a wire',
  gravel: 'gravel',
  wood: 'wood',
  otherCraft: 'another craft',
  concrete: 'concrete or stone',
};

export const strikeSeverityNames: Record<StrikeSeverity, string> = { light: 'light', medium: 'medium', hard: 'hard' };

export const fatigueStateNames: Record<FatigueState, string> = {
  ok: 'plenty left',
  inspect: 'look harder',
  replaceSoon: 'replace soon',
  replace: 'replace',
};

export const readyVerdictNames: Record<ReadyVerdict, string> = {
  grounded: 'stays on the ground',
  wrong: 'must not take off so',
  mend: 'is to be mended first',
  incomplete: 'lacks a prop',
  unseen: 'has spins that nobody saw',
  untrued: 'is to be balanced first',
  unsigned: 'is not signed for',
  look: 'waits for a look',
  fit: 'is fit to fly',
};

export const gainAxisNames: Record<GainAxis, string> = {
  pitch: 'Pitch',
  roll: 'Roll',
  yaw: 'Yaw',
  vertical: 'Vertical',
};

export const gainCheckNames: Record<GainPrecondition, string> = {
  balance: 'Props are balanced: no trembling with the motors at hover speed',
  tightness: 'Nuts, arms and controller are tight',
  shaft: 'No bent shaft: each tip runs still, spun bare',
};

export const symptomWords: Record<SymptomName, string> = {
  tipsAtOnce: 'tips over on take-off',
  yawsAway: 'lifts, then yaw runs away',
  staysDown: 'roars and stays on the ground',
  tremblingPicture: 'picture trembles',
  jellyVideo: 'video wobbles like jelly',
  flutters: 'flutters in the air',
  hotMotors: 'all motors get hot',
  oneHotMotor: 'one motor is hotter',
  mushy: 'feels mushy, slow to answer',
  howlsAtFull: 'howls at full throttle',
  driftsAfterBump: 'drifts after a push',
  lostNut: 'a nut was lost',
  armsShake: 'arms shake visibly',
  shortFlights: 'flights got shorter',
  clicks: 'clicks or grinds',
  stutters: 'a motor stutters',
  leans: 'leans to one side',
  buzzBand: 'buzzes at one throttle only',
};

/** A cause, and what mends it. */
export const causeWords: Record<CauseName, { name: string; mend: string }> = {
  piecesSwapped: { name: 'two pieces swapped', mend: 'Open Fit and swap them back: one move.' },
  pieceTurnedOver: { name: 'a piece turned over', mend: 'Turn it so that the label faces the way of travel.' },
  wrongHand: {
    name: 'a piece of the wrong hand',
    mend: 'Take one of the matching hand; the diagonal arm shows which.',
  },
  motorReversed: {
    name: 'a motor turns the wrong way',
    mend: 'Reverse it in the controller or swap two of its wires, then see the spin again.',
  },
  spinsAllOpposite: {
    name: 'all spins opposite to the controller’s table',
    mend:
      'Fit shows both remedies: reverse every motor and move the pieces, or enter the spins in the controller’s ' +
      'table; never some.',
  },
  piecesAllOpposite: { name: 'all pieces of the other hand', mend: 'Move each piece to its neighbour’s arm.' },
  unbalancedProp: { name: 'an unbalanced prop', mend: 'Balance it; start with the newest piece.' },
  bentBlade: { name: 'a bent or nicked blade', mend: 'Retire it, or dress it on the lenient policy.' },
  crackedBlade: { name: 'a cracked blade', mend: 'Retire it now, and look at its siblings.' },
  looseProp: { name: 'a loose prop or slipping mount', mend: 'New lock nut or screws, then hold the blade and twist.' },
  bentShaft: { name: 'a bent shaft', mend: 'Change the shaft or the motor; no balancing mends it.' },
  dryBearing: { name: 'a dry or broken bearing', mend: 'Oil or change the bearing.' },
  looseArm: { name: 'a loose arm or motor mount', mend: 'Tighten and lock; look for cracks round the screws.' },
  gainTooHigh: { name: 'too much gain', mend: 'Open Gains and go down by single percents.' },
  gainTooLow: { name: 'too little gain', mend: 'Back to the old sheet; raise by hand only, at your own risk.' },
  tooMuchProp: {
    name: 'too much prop',
    mend: 'Less pitch, then less diameter: Pick shows the remedies in order of cost.',
  },
  tooLittleProp: { name: 'too little prop', mend: 'Pick shows what carries this weight.' },
  mixedModels: { name: 'mixed models on the arms', mend: 'One model on every arm.' },
  tiredPack: { name: 'a tired pack', mend: 'Take it out of service; its page shows how deep it sagged.' },
  weakEsc: { name: 'an ESC that loses its motor', mend: 'Check its settings and wires, then change it.' },
  burntWinding: { name: 'a burnt winding', mend: 'Change the motor.' },
  propRubs: { name: 'a prop that rubs', mend: 'Clear the wire or guard; retire the rubbed blade.' },
  softMount: { name: 'a worn camera mount', mend: 'New rubbers; nothing hard may touch the camera.' },
  armResonance: { name: 'an arm that rings at one speed', mend: 'Stiffen it, or keep out of that band.' },
};

/** What to look at, and how. */
export const symptomTestWords: Record<SymptomTestName, { ask: string; how: string }> = {
  readLetters: {
    ask: 'Is a piece of the wrong hand for its arm?',
    how: 'Read the letters against the arrows in Fit, arm by arm.',
  },
  labelsForward: {
    ask: 'Does a label face the wrong way?',
    how: 'Every label looks the way of travel; on hanging motors at the motor.',
  },
  seeSpin: {
    ask: 'Does a motor turn the wrong way?',
    how: 'Pack out, props off, paper strip at the bell, one short bump.',
  },
  readTable: {
    ask: 'Does the controller’s table differ from what you saw?',
    how: 'Read spin and output of each arm in the controller.',
  },
  modelNames: { ask: 'Are different models on the arms?', how: 'Read every label in full.' },
  pullNut: { ask: 'Is a prop loose?', how: 'Pack out: hold the bell, twist each blade, pull at the nut.' },
  wiggleArms: { ask: 'Does an arm or motor move?', how: 'Pack out: push each motor sideways and up.' },
  touchMount: {
    ask: 'Does the camera mount sag or touch?',
    how: 'Push the camera; it must come back and touch nothing.',
  },
  magnifyRoots: {
    ask: 'Is a crack or white mark at a root?',
    how: 'Magnifier and side light on both faces of each root; flex gently.',
  },
  lookAlong: {
    ask: 'Does a blade stand out of line?',
    how: 'Look along the disc, tip to tip, turning slowly by hand.',
  },
  balanceCheck: { ask: 'Is a prop out of balance?', how: 'On the shaft: does it swing heavily from level?' },
  knownGoodSet: { ask: 'Is it gone with a known good set?', how: 'Fit another set of the same model that flew well.' },
  spinBare: {
    ask: 'Does a bell click or grind by hand?',
    how: 'Props off, pack out: turn each bell slowly, then flick it.',
  },
  shaftTip: {
    ask: 'Does a shaft’s tip wander?',
    how: 'Props off: spin each motor bare and watch its tip against something still.',
  },
  rubMarks: {
    ask: 'Are there rub marks on frame, wire or guard?',
    how: 'Look round the discs; paper between blade and frame must slide.',
  },
  touchMotors: {
    ask: 'Is one motor clearly hotter?',
    how: 'A minute of hover, land, pack out, touch all within twenty seconds.',
  },
  otherPack: { ask: 'Is it gone with another pack?', how: 'Fly a minute with a pack that is known to be good.' },
  sagUnderLoad: {
    ask: 'Does the pack sag more than it did?',
    how: 'Read volts per cell at hover and at full throttle.',
  },
  currentAtFull: {
    ask: 'Is full-throttle current over a limit?',
    how: 'On the stand, or from the log of a short climb.',
  },
  hoverThrottle: { ask: 'Does it hover above 60 % throttle?', how: 'Read the throttle in a still hover.' },
  onePercentLess: {
    ask: 'Does it flutter less with lower gain?',
    how: 'A few single percents down on the axis that flutters, over an open field.',
  },
  pushAndWatch: {
    ask: 'Does it fail to come back after a push?',
    how: 'A short stick push in the air; watch whether it returns and rests.',
  },
  bareSpinUp: {
    ask: 'Does a motor shake or stutter bare?',
    how: 'Props off: run each motor up slowly, hand on the arm.',
  },
  moveMotor: {
    ask: 'Does the fault move with the motor?',
    how:
      'Props off: change it for the motor of the diagonal arm, which turns the same way, and run both bare on ' +
      'the bench.',
  },
  throttleBand: {
    ask: 'Does it shake in one throttle band only?',
    how: 'Climb slowly through the throttle; note where it starts and ends.',
  },
};

export const changeWords: Record<ChangeName, string> = {
  props: 'props',
  motor: 'a motor',
  wiring: 'wires, ESC or its software',
  gains: 'gains or controller settings',
  pack: 'the pack',
  frame: 'an arm, guard or mount',
  payload: 'payload or camera',
  strike: 'it hit something',
  nothing: 'nothing that anybody knows',
};

export const recordFactWords: Record<RecordFact, string> = {
  untrued: 'a fitted piece is not balanced',
  lifeOver: 'a fitted piece is near the end of its life',
  layoutUnseen: 'nobody signed for the arrangement since a piece was fitted',
  struckPiece: 'a fitted piece has hit something',
  motorStruck: 'a motor was struck',
  motorGritty: 'a bearing is dry or gritty',
  packOverDrawn: 'a pack was over-drawn on the stand',
  mixedModels: 'different models are fitted',
  overCurrent: 'a motor went over its limit',
  highHover: 'it hovers above 60 % throttle',
};

export const drillNames: Record<DrillKind, string> = {
  label: 'Read the label',
  hand: 'Which hand',
  arm: 'Where will it tip',
  finding: 'What becomes of it',
  tape: 'Where does the tape go',
};
