import { Injectable } from '@nestjs/common';
import {
  brokenLimits,
  correctionFor,
  criteria,
  criterionNames,
  evaluateCandidate,
  modelGeometry,
  serviceHours,
  wearSpeedRpm,
  type Candidate,
  type CriterionName,
  type JudgeBar,
  type KnownFigure,
  type PreparedCraft,
  type StandCalibration,
} from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import { CalibrationService } from '../stand/calibration.service.ts';

/** What the model says of one prop on one craft. */
export interface PredictedProp {
  known: Partial<Record<CriterionName | 'life', KnownFigure>>;
  bars: JudgeBar[];
}

/** Half widths of 95 % of what is predicted beside thrust and power [share; dB; °C; share]: judgements. */
const HALF_WIDTHS: Readonly<Record<Exclude<CriterionName, 'thrust' | 'minutes'>, number>> = {
  answer: 0.15,
  quiet: 4,
  speed: 0.05,
  cool: 8,
  gentle: 0.02,
  tough: 0.15,
};

/** The same of the hours that a piece serves, which orders materials and sizes and foretells none. */
const LIFE_WIDTH = 0.4;

/** Predictions of props on a craft, corrected by what its own motor did on the stand. */
@Injectable()
export class PredictedEvidence {
  constructor(
    private readonly rotors: CraftRotors,
    private readonly calibrations: CalibrationService,
  ) {}

  /** The craft made ready, corrected by what its own runs say of all props, and those corrections. */
  async prepared(craft: CraftRow): Promise<{ prepared: PreparedCraft; calibration: StandCalibration | null }> {
    const { calibration } = await this.calibrations.ofCraft(craft.id);
    return { prepared: this.rotors.of(craft, calibration), calibration };
  }

  async of(craft: CraftRow, models: readonly PropModelRow[]): Promise<Map<string, PredictedProp>> {
    const { prepared, calibration } = await this.prepared(craft);
    return new Map(
      models.map((model) => {
        const candidate = evaluateCandidate(prepared, modelGeometry(model), {
          calibration: calibration && correctionFor(calibration, model.id, model.makerName),
          makerLimitRpm: model.speedLimitRpm,
          boreDiameterM: model.boreDiameterM,
        });
        const speedRpm = wearSpeedRpm(prepared, candidate.geometry);
        const hours = speedRpm && serviceHours(model.material, candidate.geometry.diameterM, speedRpm);
        return [model.id, predictedProp(candidate, hours)];
      }),
    );
  }
}

function predictedProp(candidate: Candidate, hours: number | null): PredictedProp {
  const known = criterionNames.flatMap((name) => {
    const value = candidate.figures[criteria[name].figure];
    if (!Number.isFinite(value)) return [];
    const halfWidth = halfWidthOf(name, candidate) * (criteria[name].isLogarithmic ? value : 1);
    return [[name, predictedFigure(value, halfWidth)] as const];
  });
  return {
    known: { ...Object.fromEntries(known), ...(hours ? { life: predictedFigure(hours, LIFE_WIDTH * hours) } : {}) },
    bars: brokenLimits(candidate.margins).map((limit) => ({
      limit,
      margin: candidate.margins[limit],
      isMeasured: false,
    })),
  };
}

/** At one thrust the power goes as its coefficient, and as that of thrust to the power of −3/2. */
function halfWidthOf(name: CriterionName, { thrustUncertaintyRatio, powerUncertaintyRatio }: Candidate): number {
  if (name === 'thrust') return thrustUncertaintyRatio;
  if (name === 'minutes') return Math.hypot(powerUncertaintyRatio, 1.5 * thrustUncertaintyRatio);
  return HALF_WIDTHS[name];
}

const predictedFigure = (value: number, halfWidth: number): KnownFigure => ({
  source: 'model',
  value,
  halfWidth,
  place: null,
  against: null,
  count: 0,
  isExtended: false,
  isSimulated: false,
});
