import { FeatureError } from '../common/featureError.ts';

export class DemoFailedError extends FeatureError {
  constructor(said: string) {
    super(
      500,
      'demoFailed',
      'The demo workshop did not start',
      `Nothing here was changed. It said: ${said === '' ? 'nothing' : said}`,
    );
  }
}
