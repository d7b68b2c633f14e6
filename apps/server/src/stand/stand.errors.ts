import { FeatureError } from '../common/featureError.ts';

export class AlreadyKeptError extends FeatureError {
  constructor() {
    super(
      409,
      'alreadyKept',
      'This run is kept',
      'A kept run is never changed. Correct it with a new run that replaces it.',
    );
  }
}

export class TooManyRunsError extends FeatureError {
  constructor(most: number) {
    super(422, 'tooManyRuns', 'The campaign is full', `A campaign holds at most ${most} runs. Start another one.`);
  }
}
