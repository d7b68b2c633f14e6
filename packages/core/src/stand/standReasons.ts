import type { CheckedQuantity } from './instrumentCheck.ts';

/** Codes of what stand says, each with the names of its values; its words are in the words room. */
export interface StandReasons
  extends
    Record<`corrected.${CheckedQuantity}`, 'factor' | 'day' | 'count'>,
    Record<`staleCheck.${CheckedQuantity}` | `dueCheck.${CheckedQuantity}`, 'days'> {
  noRuns: never;
  noCountedRuns: 'count';
  nothingComparable: 'count' | 'kind';
  onlyOne: 'name';
  onlyOneHovers: 'name' | 'throttleRatio' | 'kind';
  strongest: 'name' | 'thrustN';
  thriftiest: 'name' | 'kind';
  allBarred: 'name' | 'thrustN';
  leadsBoth: 'name' | 'barred' | 'kind';
  leadSplit: 'name' | 'otherName' | 'barred' | 'kind';
  leadsBothAgainst: 'name' | 'differenceRatio' | 'reference' | 'barred' | 'kind';
  leadSplitAgainst: 'name' | 'differenceRatio' | 'reference' | 'otherName' | 'barred' | 'kind';
  sameBothAgainst: 'name' | 'reference' | 'barred' | 'kind';
  sameSplitAgainst: 'name' | 'reference' | 'otherName' | 'barred' | 'kind';
  lessBothAgainst: 'name' | 'differenceRatio' | 'reference' | 'kind';
  lessSplitAgainst: 'name' | 'differenceRatio' | 'reference' | 'otherName' | 'kind';
  referenceLeadsBoth: 'name' | 'kind';
  referenceStrongest: 'name' | 'otherName' | 'kind';
  'breach.escCurrent': 'name' | 'value' | 'limit' | 'throttleRatio';
  'breach.motorCurrent': 'name' | 'value' | 'limit' | 'throttleRatio';
  'breach.makerSpeed': 'name' | 'value' | 'limit' | 'throttleRatio';
  'breach.clearance': 'name' | 'value' | 'limit';
  'breaches.escCurrent': 'name' | 'value' | 'limit' | 'throttleRatio' | 'others';
  'breaches.motorCurrent': 'name' | 'value' | 'limit' | 'throttleRatio' | 'others';
  'breaches.makerSpeed': 'name' | 'value' | 'limit' | 'others';
  'breaches.clearance': 'name' | 'value' | 'limit' | 'others';
  cannotHover: 'name' | 'thrustN' | 'neededN';
  highHover: 'craft' | 'throttleRatio' | 'name' | 'kind';
  protocolChanged: 'version' | 'count';
  protocolRepeat: 'version' | 'count' | 'names';
  'leftOut.otherProtocol': 'ordinal' | 'name' | 'value' | 'limit';
  'leftOut.belowGate': 'ordinal' | 'name' | 'value' | 'limit';
  'leftOut.readingKindDiffers': 'ordinal' | 'name';
  'leftOut.tooFewSteps': 'ordinal' | 'name' | 'value';
  'leftOut.doubt.merit': 'ordinal' | 'name' | 'value' | 'limit';
  'leftOut.doubt.power': 'ordinal' | 'name' | 'value';
  'leftOut.doubt.thrustCoefficient': 'ordinal' | 'name' | 'value' | 'limit';
  'leftOut.doubt.tipMach': 'ordinal' | 'name' | 'value';
  fullOnly: 'names' | 'kind';
  rowsDropped: 'count' | 'name';
  thrustExponent: 'name' | 'exponent';
  bogs: 'name' | 'throttleRatio';
  flattens: 'name' | 'throttleRatio';
  standRings: 'speedRpm' | 'times' | 'count';
  drifted: 'driftRatio';
  reducedToVoltage: 'voltageV' | 'lowV' | 'highV';
  voltageDiffers: 'name' | 'value' | 'other';
  outlierRun: 'ordinal' | 'name' | 'thrustN' | 'mean';
  noRepeats: never;
  referenceMissing: 'name';
  sameThrust: 'name' | 'differenceRatio' | 'halfWidthRatio';
  mostThrust: 'name' | 'thrustN' | 'differenceRatio' | 'halfWidthRatio';
  leastHoverPower: 'name' | 'powerW' | 'differenceRatio' | 'halfWidthRatio' | 'kind';
  keepsMost: 'name' | 'keptRatio';
  leastInertia: 'name' | 'inertiaKgM2';
  quickest: 'name' | 'riseS' | 'differenceRatio' | 'halfWidthRatio';
  fades: 'name' | 'lossRatio';
  dryBearing: 'shareRatio';
  betterAbove: 'name' | 'reference' | 'powerW' | 'lowW' | 'highW' | 'thrustN' | 'isExtended';
  betterBelow: 'name' | 'reference' | 'powerW' | 'lowW' | 'highW' | 'thrustN' | 'isExtended';
  'evening.belowGate': 'count';
  'evening.charge': 'packs';
  'evening.leads': 'name';
  'evening.beaten': 'name';
  'evening.packs': 'packs';
  'stand.noRuns': never;
  'stand.breach': never;
  'stand.stale': 'days';
  'stand.noReference': never;
  'stand.fewRuns': 'count' | 'needed';
  'stand.measured': 'count';
  meanOfRuns: 'count';
  pooledSpread: never;
  currentDoesNotScale: never;
}

declare module '../figure/reason.ts' {
  interface Reasons extends StandReasons {}
}
