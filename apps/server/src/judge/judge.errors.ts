import { FeatureError } from '../common/featureError.ts';

export class NothingToJudgeError extends FeatureError {
  constructor() {
    super(
      409,
      'judge.nothing',
      'There is nothing to judge',
      'No prop of this craft is known: say which one it flies, measure one, or add one to be judged. Nothing was kept.',
    );
  }
}

export class WeightlessError extends FeatureError {
  constructor() {
    super(
      422,
      'judge.weightless',
      'Nothing counts',
      'Every weight is 0: give at least one wish more than that. Nothing was changed.',
    );
  }
}
