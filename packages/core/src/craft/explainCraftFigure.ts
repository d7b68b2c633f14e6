import { UnknownFigureError } from '../errors/coreError.ts';
import type { Working, WorkingInput, WorkingLine } from '../figure/figure.ts';
import { workingInput as input, workingLine as line, workingOf } from '../figure/working.ts';
import { estimateMotor } from '../powertrain/estimateMotor.ts';
import { NO_LOAD_VOLTAGE_V, statorFriction } from '../powertrain/frictionLaw.ts';
import { carryThrustN, LIFT_TO_DRAG } from './carryThrust.ts';
import type { CraftKind } from './layouts.ts';

/** Figures of a craft that open their working. */
export const craftFigures = ['carryThrustN', 'motorResistanceOhm', 'motorNoLoadCurrentA', 'motorMassKg'] as const;
export type CraftFigure = (typeof craftFigures)[number];

/** What a craft's figures follow from. */
export interface ExplainedCraft {
  kind: CraftKind;
  massKg: number;
  rotorCount: number;
  statorDiameterM: number;
  statorHeightM: number;
  kvRpmPerV: number;
}

/** Half widths of 95 % of the estimates, as shares: a judgement. */
const ESTIMATE_SPREAD: Record<Exclude<CraftFigure, 'carryThrustN'>, number> = {
  motorResistanceOhm: 0.25,
  motorNoLoadCurrentA: 0.5,
  motorMassKg: 0.12,
};

/** The same of a plane's lift over drag. */
const CRUISE_SPREAD = 0.3;

/**
 * Shows how a figure of a craft follows from its entries: the hover thrust, or what is estimated of its motor.
 *
 * @param key - one of {@link craftFigures}
 * @throws {UnknownFigureError} if there is no such figure
 */
export function explainCraftFigure(craft: ExplainedCraft, key: string): Working {
  const figure = craftFigures.find((name) => name === key);
  if (figure === undefined) throw new UnknownFigureError(key);
  if (figure === 'carryThrustN') {
    const { massKg, rotorCount, kind } = craft;
    const inputs = [input('m', 'massKg', massKg, 'mass'), input('k', 'rotorCount', rotorCount, 'number')];
    const thrustN = carryThrustN(massKg, rotorCount, kind);
    if (kind === 'multirotor')
      return working(figure, inputs, [line('T', 'm * 9.80665 / k', thrustN, 'force')], 'hoverShare', null);
    inputs.push(input('e', 'liftToDrag', LIFT_TO_DRAG, 'number', 'estimated'));
    return working(
      figure,
      inputs,
      [line('T', 'm * 9.80665 / e / k', thrustN, 'force')],
      'cruiseShare',
      CRUISE_SPREAD * thrustN,
    );
  }
  const lines = motorLines(craft, figure);
  const value = lines.at(-1)!.value;
  return working(figure, motorInputs(craft, figure), lines, 'motorEstimate', ESTIMATE_SPREAD[figure] * value);
}

function motorInputs(
  { statorDiameterM, statorHeightM, kvRpmPerV }: ExplainedCraft,
  figure: CraftFigure,
): WorkingInput[] {
  const stator = [
    input('d', 'statorDiameterM', statorDiameterM, 'length'),
    input('h', 'statorHeightM', statorHeightM, 'length'),
  ];
  return figure === 'motorMassKg' ? stator : [...stator, input('kV', 'kvRpmPerV', kvRpmPerV, 'motorConstant')];
}

function motorLines({ statorDiameterM, statorHeightM, kvRpmPerV }: ExplainedCraft, figure: CraftFigure): WorkingLine[] {
  const estimate = estimateMotor(statorDiameterM, statorHeightM, kvRpmPerV);
  if (figure === 'motorResistanceOhm')
    return [line('R', '1.6e11 / (kV^2 * (1000 * h) * (1000 * d)^3.69)', estimate.resistanceOhm, 'resistance')];
  if (figure === 'motorMassKg')
    return [line('m', '0.0000455 * (1000 * d)^1.585 * (1000 * h)^0.868', estimate.massKg, 'mass')];
  const noLoadSpeed = NO_LOAD_VOLTAGE_V / estimate.torqueConstantNmPerA;
  return [
    line('Kt', '60 / (2 * 3.141592653589793 * kV)', estimate.torqueConstantNmPerA, 'number'),
    line('w', '10 / Kt', noLoadSpeed, 'number'),
    line(
      'Q',
      '0.00000194 * ((1000 * d)^2 * (1000 * h))^0.85 * w^0.127',
      statorFriction(statorDiameterM, statorHeightM)(noLoadSpeed),
      'torque',
    ),
    line('I', 'Q / Kt', estimate.noLoadCurrentA, 'current'),
  ];
}

function working(
  key: CraftFigure,
  inputs: WorkingInput[],
  lines: WorkingLine[],
  source: string,
  uncertainty: number | null,
): Working {
  const mark = uncertainty === null ? 'measured' : 'estimated';
  return workingOf({ key, title: `craft.${key}`, inputs, lines, mark, source, uncertainty });
}
