import type { Reason } from '../figure/reason.ts';
import type { Look } from '../rack/pieceLife.ts';
import {
  careOutcomes,
  judgePiece,
  worstOutcome,
  type CareOutcome,
  type CarePolicy,
  type CareVerdict,
  type Finding,
  type LookedPiece,
} from './findings.ts';

/** Everything that is known of the soundness of a piece, wherever it was seen. */
export interface PieceCondition extends LookedPiece {
  /** What check-in saw and felt; null before it. */
  look: Look | null;
  /** What the newest walkaround asked for and nobody has done; null where nothing is open. */
  openOutcome: CareOutcome | null;
}

/**
 * What a look at check-in would be called on a walkaround. A moulding fault has no name there: it is judged by itself.
 */
const FOUND: Record<Look, Finding | null> = {
  good: null,
  flash: null,
  void: null,
  warped: { place: 'tip', what: 'bend' },
  nick: { place: 'leadingEdge', what: 'nick' },
  crack: { place: 'topFace', what: 'crack' },
};

/**
 * What becomes of a piece from all that is known of it: check-in, balancing, fitting and walkaround ask here, so that
 * what is retired at one bench is not balanced at another.
 *
 * @example conditionOf({ material: 'carbon', isFolding: false, strike: 'none', look: 'nick', openOutcome: null }, 'lenient').outcome // => 'retire'
 */
export function conditionOf({ look, openOutcome, ...piece }: PieceCondition, policy: CarePolicy): CareVerdict {
  const finding = look === null ? null : FOUND[look];
  const judged = judgePiece(piece, finding ? [finding] : [], policy);
  const isVoid = look === 'void';
  const reasons: Reason[] = isVoid
    ? [{ code: 'care.void', severity: 'danger', values: { material: piece.material }, figure: null }, ...judged.reasons]
    : judged.reasons;
  return {
    ...judged,
    outcome: worstOutcome([judged.outcome, openOutcome ?? 'fly', isVoid ? 'retire' : 'fly']),
    reasons,
  };
}

/** Whether a piece with this outcome is beyond mending: nobody trues or fits it any more. */
export function isRetiring(outcome: CareOutcome): boolean {
  return careOutcomes.indexOf(outcome) >= careOutcomes.indexOf('retire');
}
