import type { PieceRefusal } from '@zivvo/core';
import { FeatureError } from '../common/featureError.ts';

const SENTENCES: Record<PieceRefusal, string> = {
  retired: 'is retired: bring it back first, or take another.',
  notRetired: 'is not retired.',
  notCheckedIn: 'was never checked in: weigh it, measure it, look at it first.',
  alreadyCheckedIn: 'is checked in already.',
  alreadyFitted: 'is on a craft already: take it off first.',
  notFitted: 'is on no craft.',
  boreOpen: 'has a bore that still needs a ring or reaming. That moves its centre, so it comes before balancing and fitting.',
  badLook: 'has a crack or a void: it never flies. Retire it.',
  fittedInSet: 'is fitted with its set.',
};

/** An action that the life of a piece does not allow. */
export class PieceRefusedError extends FeatureError {
  constructor(tag: string, refusal: PieceRefusal) {
    super(422, `piece.${refusal}`, 'The piece does not allow it', `Piece ${tag} ${SENTENCES[refusal]}`);
  }
}

/** An action without what it needs. */
export class IncompleteActionError extends FeatureError {
  constructor(action: string, field: string) {
    super(422, 'incompleteAction', 'Something is missing', `${action} needs ${field}.`, [{ path: field, rule: 'isDefined', value: null, allowed: {}, message: `${field} is needed` }]);
  }
}
