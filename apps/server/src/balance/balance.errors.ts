import { FeatureError } from '../common/featureError.ts';

/** A piece that has flown must be looked at before it is put on a shaft: balance does not prove soundness. */
export class LookFirstError extends FeatureError {
  constructor(tag: string) {
    super(
      422,
      'balanceJob.lookFirst',
      'Look first',
      `Piece ${tag} has flown: look at both faces, the edges and the root before you balance it. Balance does ` +
        'not prove soundness.',
    );
  }
}

export class TooLargeForRigError extends FeatureError {
  constructor(tag: string, diameterM: number, largestM: number) {
    super(
      422,
      'balanceJob.tooLarge',
      'The rig is too small',
      `Piece ${tag} is ${(diameterM * 1000).toFixed(0)} mm across; this rig takes ${(largestM * 1000).toFixed(0)} mm.`,
    );
  }
}

export class BalanceJobEndedError extends FeatureError {
  constructor() {
    super(
      409,
      'balanceJob.ended',
      'This job has ended',
      'A finished balancing job is never changed; start another one.',
    );
  }
}

/** A trial mass that would pull more than is safe. */
export class TrialTooHeavyError extends FeatureError {
  constructor(massKg: number, largestKg: number) {
    super(
      422,
      'balanceJob.trialTooHeavy',
      'The trial mass is too large',
      `${(massKg * 1000).toFixed(2)} g would pull more than 15 % of the craft’s weight; the largest allowed is ` +
        `${(largestKg * 1000).toFixed(2)} g.`,
      [
        {
          path: 'runs',
          rule: 'max',
          value: String(massKg),
          allowed: { max: largestKg },
          message: 'trial mass too large',
        },
      ],
    );
  }
}
