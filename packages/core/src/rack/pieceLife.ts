import type { RotorPlace } from '../craft/layouts.ts';

/** Where a propeller stands in its life. */
export const pieceStates = ['new', 'checkedIn', 'trued', 'fitted', 'resting', 'retired'] as const;
export type PieceState = (typeof pieceStates)[number];

/** What becomes of a retired piece. */
export const retirements = ['display', 'benchOnly', 'scrapped'] as const;
export type Retirement = (typeof retirements)[number];

/** How the bore suits the shaft: nothing to do, or what must be done and then was done before balancing. */
export const boreFits = ['fits', 'needsRing', 'needsReaming', 'ringFitted', 'reamed'] as const;
export type BoreFit = (typeof boreFits)[number];

/** What looking and feeling found. */
export const looks = ['good', 'flash', 'warped', 'nick', 'crack', 'void'] as const;
export type Look = (typeof looks)[number];

/** Everything that happens to a piece. */
export type PieceAction =
  | { action: 'checkIn' }
  | { action: 'true'; isDynamic: boolean }
  | { action: 'fit'; craftId: string; place: RotorPlace; level: number }
  | { action: 'remove' }
  | { action: 'dress' }
  | { action: 'retire'; as: Retirement }
  | { action: 'unretire' }
  | { action: 'move'; location: string }
  | { action: 'joinSet'; setId: string }
  | { action: 'leaveSet' };
export type PieceActionName = PieceAction['action'];

/** What is known of a piece from everything that happened to it. */
export interface PieceLife {
  state: PieceState;
  /** The state before it was retired, for taking that back; null unless retired. */
  stateBefore: PieceState | null;
  retiredAs: Retirement | null;
  craftId: string | null;
  place: RotorPlace | null;
  level: number;
  setId: string | null;
  location: string | null;
  /** Static balancing travels with the piece; a dynamic one holds for that motor alone and ends when it comes off. */
  isTruedStatic: boolean;
  isTruedDynamic: boolean;
}

export const newPiece: PieceLife = {
  state: 'new',
  stateBefore: null,
  retiredAs: null,
  craftId: null,
  place: null,
  level: 0,
  setId: null,
  location: null,
  isTruedStatic: false,
  isTruedDynamic: false,
};

/** Why an action is refused. */
export type PieceRefusal =
  | 'retired'
  | 'notRetired'
  | 'notCheckedIn'
  | 'alreadyCheckedIn'
  | 'alreadyFitted'
  | 'notFitted'
  | 'boreOpen'
  | 'unsound'
  | 'fittedInSet';

/** What else must be known before an action: the bore's fit, and whether its condition retires it. */
export interface PieceFacts {
  boreFit: BoreFit | null;
  isUnsound: boolean;
}

/**
 * Whether an action is allowed, and if not, why.
 *
 * A retired piece can only be brought back. Nothing is balanced or fitted before it was checked in, nor with a bore
 * that still needs a ring or reaming (that moves the centre), nor what was found or struck so that it is to be retired.
 *
 * @returns null where it is allowed
 */
export function refusalOf(
  life: PieceLife,
  { action }: Pick<PieceAction, 'action'>,
  { boreFit, isUnsound }: PieceFacts,
): PieceRefusal | null {
  if (action === 'unretire') return life.state === 'retired' ? null : 'notRetired';
  if (life.state === 'retired') return 'retired';
  switch (action) {
    case 'checkIn':
      return life.state === 'new' ? null : 'alreadyCheckedIn';
    case 'true':
    case 'fit':
      if (life.state === 'new') return 'notCheckedIn';
      if (isUnsound) return 'unsound';
      if (boreFit === 'needsRing' || boreFit === 'needsReaming') return 'boreOpen';
      return action === 'fit' && life.state === 'fitted' ? 'alreadyFitted' : null;
    case 'remove':
      return life.state === 'fitted' ? null : 'notFitted';
    case 'dress':
      return life.state === 'new' ? 'notCheckedIn' : null;
    case 'leaveSet':
    case 'joinSet':
    case 'move':
    case 'retire':
      return null;
  }
}

/**
 * The life of a piece after an action; what is not allowed must be refused before.
 *
 * Fitting takes the location with it; coming off ends a dynamic balancing; dressing an edge makes its balancing void;
 * retiring takes it off the craft and out of its set; bringing back restores the state before, but never onto a craft.
 */
export function lived(life: PieceLife, act: PieceAction): PieceLife {
  switch (act.action) {
    case 'checkIn':
      return { ...life, state: 'checkedIn' };
    case 'true':
      return {
        ...life,
        state: life.state === 'fitted' ? 'fitted' : 'trued',
        isTruedStatic: act.isDynamic ? life.isTruedStatic : true,
        isTruedDynamic: act.isDynamic && life.state === 'fitted' ? true : life.isTruedDynamic,
      };
    case 'fit':
      return {
        ...life,
        state: 'fitted',
        craftId: act.craftId,
        place: act.place,
        level: act.level,
        isTruedDynamic: false,
      };
    case 'remove':
      return { ...life, state: 'resting', craftId: null, place: null, level: 0, isTruedDynamic: false };
    case 'dress':
      return {
        ...life,
        state: life.state === 'trued' ? 'checkedIn' : life.state,
        isTruedStatic: false,
        isTruedDynamic: false,
      };
    case 'retire':
      return {
        ...life,
        state: 'retired',
        stateBefore: life.state === 'fitted' ? 'resting' : life.state,
        retiredAs: act.as,
        craftId: null,
        place: null,
        level: 0,
        setId: null,
        isTruedDynamic: false,
      };
    case 'unretire':
      return { ...life, state: life.stateBefore ?? 'resting', stateBefore: null, retiredAs: null };
    case 'move':
      return { ...life, location: act.location };
    case 'joinSet':
      return { ...life, setId: act.setId };
    case 'leaveSet':
      return { ...life, setId: null };
  }
}
