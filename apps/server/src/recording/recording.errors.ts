import { SAMPLES_FILE_MAX_COUNT, SEGMENT_MAX_COUNT } from '@zivvo/contract';
import { FeatureError, FieldError } from '../common/featureError.ts';

export class TooManySegmentsError extends FeatureError {
  constructor() {
    super(
      409,
      'tooManySegments',
      'This recording went on often enough',
      `A recording goes on at most ${SEGMENT_MAX_COUNT} times. Start a new one; what is recorded stays.`,
    );
  }
}

export class TooLongStretchError extends FeatureError {
  constructor(sampleCount: number) {
    super(
      422,
      'tooLongStretch',
      'The stretch is too long for a file',
      `It holds about ${sampleCount} samples of each channel; a file takes ${SAMPLES_FILE_MAX_COUNT}. Choose a ` +
        'shorter stretch.',
    );
  }
}

export class UnknownChannelError extends FieldError {
  constructor(field: 'track' | 'channels', value: number) {
    super(field, 'isIn', `${field} names something that the recording does not have`, String(value), {}, 400);
  }
}
