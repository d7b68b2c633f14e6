import { responseFigures, type CraftFigure, type PickFigure, type Working } from '@zivvo/core';
import { craftFigureNames, fieldNames, figureNames, pickFigureWords, pointNames, quantityNames } from './names.ts';

/** Title of a working: which figure, where on the curve. */
export function workingTitle(working: Pick<Working, 'title'>): string {
  const [point = '', figure = ''] = working.title.split('.');
  if (point === 'pick')
    return `${pickFigureWords[figure as PickFigure] ?? figure}${figure.endsWith('MPerS') ? ', in m/s' : ''}`;
  if (point === 'balance') return 'Shake of the whole craft, in parts of gravity';
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
};

/** What an input of a working is. */
export function inputName(what: string): string {
  if (what === 'massKg') return 'take-off mass';
  if (what in otherInputNames) return otherInputNames[what]!;
  if (what === 'rotorCount') return 'rotors that carry';
  if (what === 'liftToDrag') return 'lift over drag of a small plane';
  if (what === 'throttleRatio') return 'throttle looked at';
  if (what === 'driftFactor') return 'factor to the middle of the evening, by how all props drifted';
  if (what === 'voltageRatio') return 'factor to the voltage of the comparison, through the motor';
  if (what === 'airDensity') return 'air density of that evening';
  if (what in fieldNames) return fieldNames[what]!.toLowerCase();
  const [, ordinal = '', quantity = ''] = /^run\.(\d+)\.(\w+)$/.exec(what) ?? [];
  return ordinal === ''
    ? what
    : `${(quantityNames[quantity as keyof typeof quantityNames] ?? figureNames[quantity as keyof typeof figureNames] ?? quantity).toLowerCase()} ${quantity in responseFigures ? 'by' : 'read in'} run ${ordinal}`;
}

/** Where the law behind a working comes from. */
export function sourceSentence(source: string): string {
  const sentences: Record<string, string> = {
    standReading:
      'Read off the measured curve: between two throttle points a local power law, then the mean over the runs.',
    coastDown:
      'The torque that held the speed, by the power of the motor, over how quickly the rotor slowed without it.',
    hoverBalance:
      'Hover: each rotor carries its share of the weight. Read off the measured curve at that thrust by a local power law.',
    cruiseBalance:
      'Cruise: the wing carries and the props pull its drag, estimated as an eighth of the weight. Read off the curve at rest by a local power law; in the air the same thrust takes more speed and less current.',
    cruiseShare: 'Cruise: the wing carries; the props pull its drag, estimated as an eighth of all that flies.',
    hoverShare: 'Hover in still air: every rotor carries the same share of all that flies.',
    motorEstimate:
      'Estimated from the stator’s size and the speed constant, by laws fitted to usual outrunners of 11 to 50 mm. A measured figure typed in its place wins.',
    centrifugal:
      'The pull of an unbalance that goes round, and a craft that moves as one body under it; arms that give way shake more.',
    definition: 'By definition, from the size and the speed that the model of the rotor gives.',
    thrustCoefficient:
      'Thrust of a rotor from its coefficient, which blade elements and momentum theory give, corrected by own runs where there are some.',
    rotorModel:
      'Motor, ESC, pack and prop are solved together for the thrust that carries the craft, the pack half empty.',
    packEnergy:
      'The pack’s discharge at that constant power is summed up until a fifth of the charge is left, or its cells are empty under load.',
    similarity:
      'Similarity of rotors: at the same speed thrust is proportional to air density; standard air is 1.225 kg/m³.',
  };
  return sentences[source] ?? source;
}
