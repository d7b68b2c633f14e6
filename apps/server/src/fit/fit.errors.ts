import { FeatureError } from '../common/featureError.ts';

/** The old piece was not read before it came off, or it was another than is written down. */
export class OldTagError extends FeatureError {
  constructor(expected: string, read: string | null) {
    super(
      422,
      'fit.oldTag',
      'Read the old mark first',
      read === null
        ? `${expected} is on this arm: read its tag, or photograph its mark, before it comes off.`
        : `${read} was read, but ${expected} is written down for this arm. Look again, or correct the record first.`,
      [{ path: 'oldTag', rule: 'matches', value: read, allowed: { expected }, message: 'the old tag' }],
    );
  }
}

/** A craft that nobody may sign for yet: something is wrong, unseen or not looked at. */
export class NotSignableError extends FeatureError {
  constructor(reason: 'noPerson' | 'wrong' | 'mixed' | 'unseen' | 'notLooked', detail: string) {
    super(422, `fit.${reason}`, 'Not signed', `${detail} Nothing was lost.`);
  }
}
