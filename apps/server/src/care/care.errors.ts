import { FeatureError } from '../common/featureError.ts';

/** An alert that was released already. */
export class AlertReleasedError extends FeatureError {
  constructor() {
    super(
      409,
      'alert.released',
      'It was released already',
      'Somebody released this alert already; the craft may be looked over.',
    );
  }
}

/** A prop looked over on an arm that the craft does not have. */
export class NoSuchArmError extends FeatureError {
  constructor(craft: string, place: string) {
    super(422, 'care.noSuchArm', 'No such arm', `${craft} has no arm ${place}.`, [
      { path: 'looks', rule: 'exists', value: place, allowed: {}, message: 'an arm of the craft' },
    ]);
  }
}

/** A look that left out an arm or a side: half a look grounds nothing and frees nothing. */
export class HalfLookError extends FeatureError {
  constructor(craft: string, unseenCount: number) {
    super(
      422,
      'care.halfLook',
      'Half a look',
      `${unseenCount === 0 ? 'An arm stands there twice' : `${unseenCount} ${unseenCount === 1 ? 'prop' : 'props'} of ${craft} ${unseenCount === 1 ? 'was' : 'were'} not seen on every side`}: ` +
        'top, underside, edges and root of each, then write it down.',
      [{ path: 'looks', rule: 'whole', value: null, allowed: {}, message: 'every prop on every side' }],
    );
  }
}

/** Something found where it cannot be. */
export class ImpossibleFindingError extends FeatureError {
  constructor(place: string, what: string, allowed: string) {
    super(
      422,
      'care.noSuchFinding',
      'That cannot be there',
      `${what} cannot be found at ${place}; possible are ${allowed}.`,
      [{ path: 'looks', rule: 'isIn', value: what, allowed: { allowed }, message: 'a finding of that place' }],
    );
  }
}

/** A gain is touched before its other causes were excluded. */
export class ChecksFirstError extends FeatureError {
  constructor(missing: readonly string[]) {
    super(
      422,
      'gains.checksFirst',
      'Exclude the rest first',
      'Unbalance, looseness and a bent shaft come first: a fluttering craft with one of them is not mended by ' +
        'its gains.',
      [{ path: 'checks', rule: 'isDefined', value: missing.join(', '), allowed: {}, message: 'everything excluded' }],
    );
  }
}

/** A step that is not the next one: gains go down by single percents, and never up by formula. */
export class GainStepError extends FeatureError {
  constructor(detail: string) {
    super(422, 'gains.step', 'Not that step', detail, [
      { path: 'looks', rule: 'step', value: null, allowed: {}, message: detail },
    ]);
  }
}
