import type { PieceRefusal, Reason } from '@zivvo/core';
import { defaultUnits, reasonSentence } from '@zivvo/words';
import { FeatureError } from '../common/featureError.ts';

const SENTENCES: Record<PieceRefusal, string> = {
  retired: 'is retired: bring it back first, or take another.',
  notRetired: 'is not retired.',
  notCheckedIn: 'was never checked in: weigh it, measure it, look at it first.',
  alreadyCheckedIn: 'is checked in already.',
  alreadyFitted: 'is on a craft already: take it off first.',
  notFitted: 'is on no craft.',
  boreOpen:
    'has a bore that still needs a ring or reaming. That moves its centre, so it comes before balancing and fitting.',
  unsound: 'was found or struck so that it never flies again. Retire it.',
  fittedInSet: 'is fitted with its set.',
};

/** An action that the life of a piece does not allow. */
export class PieceRefusedError extends FeatureError {
  /** @param reasons - what its condition is, said where that is why */
  constructor(tag: string, refusal: PieceRefusal, reasons: readonly Reason[] = []) {
    const why = refusal === 'unsound' && reasons[0] ? ` ${reasonSentence(reasons[0], defaultUnits)}` : '';
    super(422, `piece.${refusal}`, 'The piece does not allow it', `Piece ${tag} ${SENTENCES[refusal]}${why}`);
  }
}

/** An action without what it needs. */
export class IncompleteActionError extends FeatureError {
  constructor(action: string, field: string) {
    super(422, 'incompleteAction', 'Something is missing', `${action} needs ${field}.`, [
      { path: field, rule: 'isDefined', value: null, allowed: {}, message: `${field} is needed` },
    ]);
  }
}

/** Why a piece does not belong on an arm. */
export type FitRefusal = 'otherHand' | 'otherModel' | 'noSuchArm' | 'armTaken' | 'grounded';

/** A piece that does not belong there; a reason of one's own overrides it and is written down. */
export class FitRefusedError extends FeatureError {
  constructor(refusal: FitRefusal, detail: string) {
    super(422, `fit.${refusal}`, 'Not on this arm', detail, [
      { path: 'tag', rule: refusal, value: null, allowed: {}, message: detail },
    ]);
  }
}
