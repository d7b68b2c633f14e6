import {
  responseFigures,
  type CraftFigure,
  type FlightFigureName,
  type PickFigure,
  type RotorPlace,
  type WishName,
  type Working,
} from '@zivvo/core';
import { flightFigureTitles } from './fly/flyNames.ts';
import { wishWords } from './judge/judgeNames.ts';
import {
  craftFigureNames,
  fieldNames,
  figureNames,
  pickFigureWords,
  placeNames,
  pointNames,
  quantityNames,
} from './names.ts';

const ownTitles: Record<string, string> = {
  'balance.shake': 'Shake of the whole craft, in parts of gravity',
  'life.usedRatio': 'Used share of its life',
  'sound.differenceDb': 'Level against the reference at equal thrust, in dB',
  'sound.levelDb': 'Level at the thrust looked at, in dB',
  'judge.score': 'Score: mean gain by the weights',
  'yield.usable': 'Share of usable pieces',
  'evening.durationS': 'How long the evening takes',
  'fit.momentNm': 'Moment that turns it over',
};

/** Speeds of the air have no dimension here: their unit is said. */
const speedUnit = (figure = ''): string => (figure.endsWith('MPerS') ? ', in m/s' : '');

/** Title of a working: which figure, where on the curve. */
export function workingTitle(working: Pick<Working, 'title'>): string {
  if (working.title in ownTitles) return ownTitles[working.title]!;
  const [point = '', figure = ''] = working.title.split('.');
  if (point === 'pick') return `${pickFigureWords[figure as PickFigure] ?? figure}${speedUnit(figure)}`;
  if (point === 'flight')
    return `${flightFigureTitles[figure as FlightFigureName]}${speedUnit(figure)}: mean of its flights`;
  if (point === 'flightDifference') return `${flightFigureTitles[figure as FlightFigureName]} against the reference`;
  if (point === 'craft') return craftFigureNames[figure as CraftFigure] ?? figure;
  const name = figureNames[figure as keyof typeof figureNames] ?? figure;
  if (point === 'response') return name;
  return point === 'standard'
    ? `${name} at full throttle, in standard air`
    : `${name} at ${pointNames[point as keyof typeof pointNames] ?? point}`;
}

const otherInputNames: Record<string, string> = {
  fullSpeedRpm: 'speed at full throttle, where motor, pack and prop agree',
  thrustCoefficient: 'thrust coefficient of the blade at that speed',
  airDensity: 'air density',
  fullThrustN: 'thrust of a rotor at full throttle',
  coaxialRatio: 'what a pair one above the other keeps of two',
  carryPowerW: 'power of the whole craft while it carries itself',
  rotorCarryPowerW: 'power of a rotor while it carries its share',
  carryThrustN: 'thrust of a rotor that carries its share',
  standbyPowerW: 'power of avionics and payload',
  residualKgM: 'what is left on the piece, in kilogram metres',
  hoverSpeedRpm: 'speed of the rotor in hover',
  givenEnergyJ: 'energy that the pack gives at that power until it lands, in joules',
  massKg: 'take-off mass',
  rotorCount: 'rotors that carry',
  liftToDrag: 'lift over drag of a small plane',
  throttleRatio: 'throttle looked at',
  driftFactor: 'factor to the middle of the evening, by how all props drifted',
  voltageRatio: 'factor to the voltage of the comparison, through the motor',
  flownS: 'time in the air',
  alikeSpeedRpm: 'the one speed that wears as much as all that were flown',
  materialStress: 'stress of its material at 24,000 rpm and 127 mm',
  isNicked: 'nicked: 1, else 0',
  strikeShare: 'share that strikes took',
  rotationHours: 'hours that its material serves',
  comparedThrustN: 'thrust at which they are compared',
  goodFromBagCount: 'good from the bag',
  goodCorrectedCount: 'good after correction',
  rejectedCount: 'rejected',
  runCount: 'runs',
  protocolS: 'a run by the protocol',
  changeS: 'the change to the next prop',
};

const mine = (letter: string): string => (letter === 'r' ? 'of the reference' : 'of the prop');

/** Inputs that come in families, by the first part of their name; the other parts tell them apart. */
const inputFamilies: Record<string, (...parts: string[]) => string> = {
  run: (ordinal = '', quantity = '') =>
    `${(quantityNames[quantity as keyof typeof quantityNames] ?? figureNames[quantity as keyof typeof figureNames] ?? quantity).toLowerCase()} ` +
    `${quantity in responseFigures ? 'by' : 'read in'} run ${ordinal}`,
  flight: (figure, letter = '', nth = '') =>
    `${flightFigureTitles[figure as FlightFigureName].toLowerCase()} in flight ${nth} ` +
    `${mine(letter)}${speedUnit(figure)}`,
  flights: (figure, letter = '') =>
    `${flightFigureTitles[figure as FlightFigureName].toLowerCase()}, mean of the flights ` +
    `${mine(letter)}${speedUnit(figure)}`,
  slope: (letter = '') => `slope of the line ${mine(letter)}, in dB for ten times the thrust`,
  take: (letter = '', nth = '') => `level in take ${nth} ${mine(letter)}, without the place, in dB`,
  takeThrust: (letter = '', nth = '') => `thrust of a rotor in take ${nth} ${mine(letter)}`,
  weight: (wish) => `weight of “${wishWords[wish as WishName].toLowerCase()}”`,
  gain: (wish) => `gain in “${wishWords[wish as WishName].toLowerCase()}”: 0.03 is what usually matters`,
  openGain: (wish) => `“${wishWords[wish as WishName].toLowerCase()}” is not known of it: mean of the others`,
  arm: (what = '', place) => `${placeNames[place as RotorPlace].toLowerCase()}: ${armWords[what] ?? what}`,
};

const armWords: Record<string, string> = {
  xM: 'forward of the middle',
  yM: 'right of the middle',
  offN: 'pull beyond what it should be',
};

/** What an input of a working is. */
export function inputName(what: string): string {
  if (what in otherInputNames) return otherInputNames[what]!;
  const [family = '', ...parts] = what.split('.');
  if (parts.length > 0 && family in inputFamilies) return inputFamilies[family]!(...parts);
  return what in fieldNames ? fieldNames[what]!.toLowerCase() : what;
}

/** Where the law behind a working comes from. */
export function sourceSentence(source: string): string {
  const sentences: Record<string, string> = {
    standReading:
      'Read off the measured curve: between two throttle points a local power law, then the mean over the runs.',
    coastDown:
      'The torque that held the speed, by the power of the motor, over how quickly the rotor slowed without it.',
    hoverBalance:
      'Hover: each rotor carries its share of the weight. Read off the measured curve at that thrust by a ' +
      'local power law.',
    cruiseBalance:
      'Cruise: the wing carries and the props pull its drag, estimated as an eighth of the weight. Read off ' +
      'the curve at rest by a local power law; in the air the same thrust takes more speed and less current.',
    cruiseShare: 'Cruise: the wing carries; the props pull its drag, estimated as an eighth of all that flies.',
    hoverShare: 'Hover in still air: every rotor carries the same share of all that flies.',
    motorEstimate:
      'Estimated from the stator’s size and the speed constant, by laws fitted to usual outrunners of 11 to 50 ' +
      'mm. A measured figure typed in its place wins.',
    centrifugal:
      'The pull of an unbalance that goes round, and a craft that moves as one body under it; arms that give ' +
      'way shake more.',
    definition: 'By definition, from the size and the speed that the model of the rotor gives.',
    thrustCoefficient:
      'Thrust of a rotor from its coefficient, which blade elements and momentum theory give, corrected by own ' +
      'runs where there are some.',
    rotorModel:
      'Motor, ESC, pack and prop are solved together for the thrust that carries the craft, the pack half empty.',
    packEnergy:
      'The pack’s discharge at that constant power is summed up until a fifth of the charge is left, or its ' +
      'cells are empty under load.',
    rotationHours: 'Hours after which a piece of that material is rotated out: experience, not physics.',
    fatigue:
      'Damage adds up over hours and strikes (Miner’s rule, sixth power of stress). Bookkeeping: it orders ' +
      'pieces and says when to look harder. A crack ends a piece whatever it says.',
    flights: 'Flights by the protocol, wind taken out of the passes; the interval has the scatter of all props pooled.',
    soundLines:
      'Each prop’s level is a line over the logarithm of thrust; takes are brought to one thrust along it. The ' +
      'place’s own level is taken out first.',
    weighedMean: 'Gains against the reference, weighed by what counts for whoever chooses.',
    yieldCounts: 'Counted from what became of each piece; the interval beside it is Wilson’s.',
    eveningLength: 'Runs by the protocol, one after the other.',
    layoutMoments: 'Moments about the middle of the craft when every motor gets the same command.',
    similarity:
      'Similarity of rotors: at the same speed thrust is proportional to air density; standard air is 1.225 kg/m³.',
  };
  return sentences[source] ?? source;
}
