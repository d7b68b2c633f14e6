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

/** A run corrects another one of its own evening. */
export class NotItsCorrectionError extends FeatureError {
  constructor() {
    super(
      422,
      'notItsCorrection',
      'This run cannot be corrected by that one',
      'A correction is a new run of the same evening.',
      [
        {
          path: 'replacesRunId',
          rule: 'sameEvening',
          value: null,
          allowed: {},
          message: 'replacesRunId must be another run of the same evening',
        },
      ],
    );
  }
}

/** The import is not under way here: another server took over, or it was given up. */
export class NoImportError extends FeatureError {
  constructor(id: string) {
    super(404, 'notFound', 'This import is not under way', `Nothing of it is kept (${id}). Begin it again.`);
  }
}

export class TooManyImportsError extends FeatureError {
  constructor(most: number) {
    super(409, 'tooManyImports', 'Too many imports at once', `At most ${most} are under way. Let one end first.`);
  }
}

export class SamplesRefusedError extends FeatureError {
  constructor(detail: string) {
    super(422, 'samplesRefused', 'These samples cannot be taken', `${detail} Nothing of the import is kept.`);
  }
}

export class TooManyRunsError extends FeatureError {
  constructor(most: number) {
    super(422, 'tooManyRuns', 'The campaign is full', `A campaign holds at most ${most} runs. Start another one.`);
  }
}
