import type { PieceHand } from '../rack/setNeeds.ts';

/** What can be seen on a piece that tells its hand, the label facing you. */
export interface HandSigns {
  /** Letters moulded on it, as they stand there. */
  letters: string | null;
  /** Way that an arrow on it points round. */
  arrow: 'cw' | 'ccw' | null;
  /** Marks near the screws that bend like those on an arm of known spin. */
  matchesArm: 'cw' | 'ccw' | null;
  /** With a blade pointing up: the side on which its higher, leading edge is. */
  leadingEdge: 'left' | 'right' | null;
  /** Whether the hollow side looks away from you; if it looks at you, you see the back. */
  hollow: 'away' | 'toward' | null;
}

/** Letters that mean a hand on one model's pieces. */
export interface HandLetters {
  cwLetters: string | null;
  ccwLetters: string | null;
}

export interface HandFound {
  hand: Exclude<PieceHand, 'either'> | null;
  /** What each sign says, the surest first. */
  votes: { sign: HandSign; hand: 'cw' | 'ccw' }[];
  /** True where signs contradict each other: then none is believed. */
  isContradicting: boolean;
  /** What to look at next; null when it is known. */
  ask: HandSign | null;
}

export type HandSign = keyof HandSigns;

/** Signs in the order in which they are asked for: the surest and quickest to see first. */
const ORDER: readonly HandSign[] = ['letters', 'arrow', 'matchesArm', 'leadingEdge'];

/**
 * The hand of a piece from as few signs as possible. The leading edge is the higher one and goes first: with a blade
 * up and the label facing you, an edge on the right means that the piece turns clockwise. Seen from the back it is the
 * other way round. Letters count only as their model's maker means them.
 *
 * @param absent - signs that this piece does not have, or that cannot be made out
 */
export function findHand(signs: HandSigns, letters: HandLetters, absent: readonly HandSign[] = []): HandFound {
  const votes: HandFound['votes'] = [];
  const written = signs.letters?.trim().toUpperCase() ?? '';
  if (written !== '') {
    const byLetters = lettersHand(written, letters);
    if (byLetters) votes.push({ sign: 'letters', hand: byLetters });
  }
  if (signs.arrow) votes.push({ sign: 'arrow', hand: signs.arrow });
  if (signs.matchesArm) votes.push({ sign: 'matchesArm', hand: signs.matchesArm });
  if (signs.leadingEdge) {
    const seen = signs.leadingEdge === 'right' ? 'cw' : 'ccw';
    votes.push({ sign: 'leadingEdge', hand: signs.hollow === 'toward' ? (seen === 'cw' ? 'ccw' : 'cw') : seen });
  }
  const hands = new Set(votes.map((v) => v.hand));
  const isContradicting = hands.size > 1;
  const hand = hands.size === 1 ? votes[0]!.hand : null;
  const unseen = ORDER.find((sign) => signs[sign] === null && !absent.includes(sign)) ?? null;
  return { hand, votes, isContradicting, ask: hand !== null ? null : unseen };
}

/** `R` and `P` mean clockwise where the maker says nothing else; other letters only by the model. */
function lettersHand(written: string, { cwLetters, ccwLetters }: HandLetters): 'cw' | 'ccw' | null {
  if (cwLetters !== null && written === cwLetters.toUpperCase()) return 'cw';
  if (ccwLetters !== null && written === ccwLetters.toUpperCase()) return 'ccw';
  if (cwLetters !== null || ccwLetters !== null) return null;
  return written === 'R' || written === 'P' || written === 'CW' ? 'cw' : written === 'CCW' ? 'ccw' : null;
}
