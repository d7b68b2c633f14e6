import { UnknownFigureError } from '../errors/coreError.ts';
import type { EvidenceMark, Working, WorkingInput, WorkingLine } from '../figure/figure.ts';
import { workingInput, workingLine, workingOf } from '../figure/working.ts';
import type { Dimension } from '../units/dimensions.ts';
import type { MarkedProp } from './evaluateCandidate.ts';
import { COAXIAL_THRUST_RATIO, type PickCraft, type PickSetting } from './pickCraft.ts';
import type { PickFigure } from './pickFigures.ts';

/** Figures of a candidate that follow from others by a formula; the rest are read off the model of the rotor. */
export const explainedPickFigures = [
  'enduranceS',
  'carryPowerW',
  'fullThrustN',
  'thrustToWeightRatio',
  'tipSpeedMPerS',
  'pitchSpeedMPerS',
  'thrustPerPowerNPerW',
] as const satisfies readonly PickFigure[];
export type ExplainedPickFigure = (typeof explainedPickFigures)[number];

/** Whether a figure of a candidate has a working. */
export function isExplained(figure: string): figure is ExplainedPickFigure {
  return (explainedPickFigures as readonly string[]).includes(figure);
}

/**
 * Shows how a figure of a candidate follows from its size, its craft and what the model of the rotor gave.
 *
 * @throws {UnknownFigureError} if the figure has no working, or the candidate has no such figure
 */
export function explainPickFigure({ craft, air }: PickSetting, worked: MarkedProp, key: string): Working {
  if (!isExplained(key) || !Number.isFinite(worked.figures[key])) throw new UnknownFigureError(key);
  const { inputs, lines, source, spreadRatio } = parts(craft, air.densityKgPerM3, worked, key);
  const { value } = lines.at(-1)!;
  const mark: EvidenceMark = inputs.some((i) => i.mark !== 'measured') ? worked.mark : 'measured';
  const uncertainty = spreadRatio === null ? null : spreadRatio * value;
  return workingOf({ key, title: `pick.${key}`, inputs, lines, mark, uncertainty, source });
}

interface Parts {
  inputs: WorkingInput[];
  lines: WorkingLine[];
  source: string;
  /** Half width of 95 % as a share; null where it is not known. */
  spreadRatio: number | null;
}

function parts(craft: PickCraft, densityKgPerM3: number, worked: MarkedProp, key: ExplainedPickFigure): Parts {
  const { figures, fullSpeedRpm, geometry, mark, thrustUncertaintyRatio, powerUncertaintyRatio } = worked;
  const model = (...given: Parameters<typeof workingInput>): WorkingInput => ({ ...workingInput(...given), mark });
  const line = (symbol: string, formula: string, dimension: Dimension): WorkingLine =>
    workingLine(symbol, formula, figures[key], dimension);
  const speed = model('n', 'fullSpeedRpm', fullSpeedRpm, 'rotation');
  const diameter = workingInput('D', 'diameterM', geometry.diameterM, 'length');
  const rotors = workingInput('k', 'rotorCount', craft.rotorCount, 'number');
  const rotorPowerW = (figures.carryPowerW - craft.standbyPowerW) / craft.rotorCount;
  const rotorPower = model('P', 'rotorCarryPowerW', rotorPowerW, 'power');
  switch (key) {
    case 'enduranceS': {
      const joules = figures.enduranceS * figures.carryPowerW;
      const inputs = [
        model('P', 'carryPowerW', figures.carryPowerW, 'power'),
        model('E', 'givenEnergyJ', joules, 'number'),
      ];
      return { inputs, lines: [line('t', 'E / P', 'time')], source: 'packEnergy', spreadRatio: powerUncertaintyRatio };
    }
    case 'carryPowerW': {
      const inputs = [rotors, rotorPower, workingInput('S', 'standbyPowerW', craft.standbyPowerW, 'power')];
      return {
        inputs,
        lines: [line('A', 'k * P + S', 'power')],
        source: 'rotorModel',
        spreadRatio: powerUncertaintyRatio,
      };
    }
    case 'fullThrustN': {
      const perSecond = fullSpeedRpm / 60;
      const coefficient = figures.fullThrustN / (densityKgPerM3 * perSecond ** 2 * geometry.diameterM ** 4);
      const inputs = [
        model('c', 'thrustCoefficient', coefficient, 'number'),
        workingInput('r', 'airDensity', densityKgPerM3, 'density'),
        speed,
        diameter,
      ];
      const lines = [line('T', 'c * r * (n / 60)^2 * D^4', 'force')];
      return { inputs, lines, source: 'thrustCoefficient', spreadRatio: thrustUncertaintyRatio };
    }
    case 'thrustToWeightRatio': {
      const pairs = craft.isCoaxial ? [workingInput('x', 'coaxialRatio', COAXIAL_THRUST_RATIO, 'number')] : [];
      const inputs = [
        rotors,
        ...pairs,
        model('T', 'fullThrustN', figures.fullThrustN, 'force'),
        workingInput('m', 'massKg', craft.massKg, 'mass'),
      ];
      const formula = craft.isCoaxial ? 'k * x * T / (m * 9.80665)' : 'k * T / (m * 9.80665)';
      return {
        inputs,
        lines: [line('R', formula, 'number')],
        source: 'definition',
        spreadRatio: thrustUncertaintyRatio,
      };
    }
    case 'tipSpeedMPerS':
      return {
        inputs: [speed, diameter],
        lines: [line('v', '3.141592653589793 * D * n / 60', 'number')],
        source: 'definition',
        spreadRatio: null,
      };
    case 'pitchSpeedMPerS':
      return {
        inputs: [workingInput('p', 'pitchM', geometry.pitchM, 'length'), speed],
        lines: [line('v', 'p * n / 60', 'number')],
        source: 'definition',
        spreadRatio: null,
      };
    case 'thrustPerPowerNPerW': {
      const thrustN = figures.thrustPerPowerNPerW * rotorPowerW;
      return {
        inputs: [workingInput('T', 'carryThrustN', thrustN, 'force'), rotorPower],
        lines: [line('e', 'T / P', 'thrustPerPower')],
        source: 'rotorModel',
        spreadRatio: powerUncertaintyRatio,
      };
    }
  }
}
