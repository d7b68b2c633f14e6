import { FeatureError } from '../common/featureError.ts';

export class HeightsCrossedError extends FeatureError {
  constructor(lowerM: number, upperM: number) {
    super(
      422,
      'fly.heightsCrossed',
      'The heights are crossed',
      `A climb goes from the lower height up: ${lowerM} m is not below ${upperM} m. Nothing was changed.`,
    );
  }
}
