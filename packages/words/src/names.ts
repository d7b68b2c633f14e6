import type { CraftFigure, EvidenceMark, Origin, PackChemistry, PointFigure, PointName, ReadingKind, StandQuantity, TipShape } from '@zivvo/core';

/** What quantities are called where they head a column. */
export const quantityNames: Record<StandQuantity, string> = {
  throttleRatio: 'Throttle',
  thrustN: 'Thrust',
  speedRpm: 'Speed',
  currentA: 'Current',
  voltageV: 'Voltage',
  powerW: 'Power',
  torqueNm: 'Torque',
  temperatureC: 'Bell',
  vibrationMPerS2: 'Shake',
  levelDb: 'Noise',
};

export const figureNames: Record<PointFigure, string> = {
  throttleRatio: 'Throttle',
  thrustN: 'Thrust',
  speedRpm: 'Speed',
  currentA: 'Current',
  voltageV: 'Voltage',
  powerW: 'Power',
  thrustPerPowerNPerW: 'Thrust per watt',
  thrustPerCurrentNPerA: 'Thrust per amp',
};

export const craftFigureNames: Record<CraftFigure, string> = { hoverThrustN: 'Thrust of each rotor in hover', motorResistanceOhm: 'Winding resistance at 25 °C', motorNoLoadCurrentA: 'No-load current at 10 V', motorMassKg: 'Motor weight' };
export const pointNames: Record<PointName, string> = { full: 'full throttle', hover: 'hover', chosen: 'chosen throttle' };
export const markNames: Record<EvidenceMark, string> = { measured: 'measured', calibrated: 'calibrated', estimated: 'estimated', extended: 'extended' };
export const originNames: Record<Origin, string> = { typed: 'typed', imported: 'imported', stand: 'from the stand', simulated: 'simulated' };
export const readingKindNames: Record<ReadingKind, string> = { settledMean: 'settled mean', peakHold: 'peak hold' };
export const chemistryNames: Record<PackChemistry, string> = { lipo: 'Li-po', lipoHighVoltage: 'Li-po, high voltage', liIon: 'Li-ion' };
export const tipNames: Record<TipShape, string> = { pointed: 'pointed', standard: 'standard', square: 'square' };
export const handNames = { cw: 'CW', ccw: 'CCW', either: 'either way' } as const;
export const materialNames: Record<string, string> = {
  polycarbonate: 'polycarbonate',
  glassNylon: 'glass nylon',
  carbonNylon: 'carbon nylon',
  carbon: 'carbon',
  wood: 'wood',
  softPlastic: 'soft plastic',
  printed: 'printed',
  unknown: 'not sure',
};
export const placeNames = { frontLeft: 'Front left', frontRight: 'Front right', rearRight: 'Rear right', rearLeft: 'Rear left' } as const;

/** Names of fields in sentences about them. */
export const fieldNames: Record<string, string> = {
  name: 'Name',
  ownerName: 'Owner',
  kind: 'Kind',
  massKg: 'Take-off weight',
  diagonalM: 'Motor diagonal',
  clearanceDiameterM: 'Largest disc',
  motorLabel: 'Motor',
  statorDiameterM: 'Stator diameter',
  statorHeightM: 'Stator height',
  kvRpmPerV: 'Speed constant',
  motorResistanceOhm: 'Winding resistance',
  motorNoLoadCurrentA: 'No-load current',
  motorMassKg: 'Motor weight',
  motorLimitA: 'Motor limit',
  escLimitA: 'ESC limit',
  packChemistry: 'Pack chemistry',
  packSeriesCount: 'Cells in series',
  packParallelCount: 'Cells in parallel',
  packCapacityAh: 'Capacity',
  referencePropModelId: 'Reference prop',
  note: 'Note',
  label: 'Label',
  makerName: 'Maker',
  diameterM: 'Diameter',
  pitchM: 'Pitch',
  bladeCount: 'Blades',
  tipShape: 'Tip',
  material: 'Material',
  labelHand: 'Hand on the label',
  measuredDiameterM: 'Measured diameter',
  measuredMassKg: 'Measured weight',
  speedLimitRpm: 'Maker’s speed limit',
  colour: 'Colour',
  cwCount: 'CW pieces',
  ccwCount: 'CCW pieces',
  temperatureC: 'Temperature',
  pressurePa: 'Pressure',
  humidityRatio: 'Humidity',
  gateCellV: 'Pack gate',
  restingCellV: 'Resting volts per cell',
  zeroBeforeN: 'Zero before',
  zeroAfterN: 'Zero after',
  tag: 'Tag',
  chemistry: 'Chemistry',
  seriesCount: 'Cells in series',
  parallelCount: 'Cells in parallel',
  capacityAh: 'Capacity',
};
