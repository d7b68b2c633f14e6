import type { CareVerdict } from '@zivvo/core';
import type { DbOrTx } from '../database/database.ts';
import type { LivingPiece, PieceRow } from './piece.repository.ts';

/** What becomes of a piece, by looks, strikes and alerts; the feature that keeps those stands behind it. */
export abstract class PieceJudge {
  /** Those of many pieces that are to be retired, by all that is known of them. */
  abstract beyondMending(db: DbOrTx, pieces: readonly LivingPiece[]): Promise<Set<string>>;

  /** @param craftId - whose policy judges; the lenient one without a craft */
  abstract of(
    db: DbOrTx,
    piece: Pick<PieceRow, 'id' | 'propModelId' | 'look'>,
    craftId: string | null,
  ): Promise<CareVerdict>;

  /** Reason of the alert that grounds a piece; null where none does. */
  abstract groundedBy(db: DbOrTx, piece: Pick<PieceRow, 'propModelId' | 'batchId'>): Promise<string | null>;
}
