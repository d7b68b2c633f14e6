import { Injectable, type OnModuleInit } from '@nestjs/common';
import { lived, newPiece, type PieceAction } from '@zivvo/core';
import { asc, eq } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import type { Fact } from '../event/facts.ts';
import { Projectors, type Occasion, type Projector } from '../event/projectors.ts';
import { pieceLife } from './piece.table.ts';
import { stockLevel } from './propModel.table.ts';
import type { PieceActionFacts } from './rack.facts.ts';

/** Pieces of each hand, as last counted. */
const stock: Projector = {
  name: 'stock',
  apply: {
    stockCounted: async (tx, { propModelId, cwCount, ccwCount }, { at, workshopId }) => {
      const row = { propModelId, workshopId, cwCount, ccwCount, countedAt: at };
      await tx.insert(stockLevel).values(row).onConflictDoUpdate({ target: stockLevel.propModelId, set: row });
    },
  },
  reset: async (tx) => void (await tx.delete(stockLevel)),
  rows: (db) => db.select().from(stockLevel).orderBy(asc(stockLevel.propModelId)),
};

/** Where each piece stands. */
const lives: Projector = {
  name: 'lives',
  apply: {
    pieceAdded: async (tx, { pieceId, location }, { at, workshopId }) =>
      void (await tx.insert(pieceLife).values({ ...newPiece, pieceId, workshopId, location, touchedAt: at })),
    pieceMeasured: touch,
    pieceDescribed: touch,
    pieceLooked: touch,
    pieceStruck: touch,
    pieceSentBack: touch,
    pieceCheckedIn: step(() => ({ action: 'checkIn' })),
    pieceTrued: step(({ isDynamic }) => ({ action: 'true', isDynamic })),
    pieceFitted: step(({ craftId, place, level }) => ({ action: 'fit', craftId, place, level })),
    pieceRemoved: step(() => ({ action: 'remove' })),
    pieceDressed: step(() => ({ action: 'dress' })),
    pieceRetired: step(({ as }) => ({ action: 'retire', as })),
    pieceUnretired: step(() => ({ action: 'unretire' })),
    pieceMoved: step(({ location }) => ({ action: 'move', location })),
    pieceJoinedSet: step(({ setId }) => ({ action: 'joinSet', setId })),
    pieceLeftSet: step(() => ({ action: 'leaveSet' })),
  },
  reset: async (tx) => void (await tx.delete(pieceLife)),
  rows: (db) => db.select().from(pieceLife).orderBy(asc(pieceLife.pieceId)),
};

async function touch(tx: DbOrTx, { pieceId }: { pieceId: string }, { at }: Occasion): Promise<void> {
  await tx.update(pieceLife).set({ touchedAt: at }).where(eq(pieceLife.pieceId, pieceId));
}

/** One step in the life of a piece, by the same rule that the rest of Zivvo reads. */
function step<K extends keyof PieceActionFacts>(actionOf: (fact: Fact<K>) => PieceAction) {
  return async (tx: DbOrTx, fact: Fact<K>, { at }: Occasion): Promise<void> => {
    const { pieceId } = fact as { pieceId: string };
    const [life] = await tx.select().from(pieceLife).where(eq(pieceLife.pieceId, pieceId)).for('update');
    if (!life) throw new Error(`The ledger speaks of a piece that was never added: ${pieceId}.`);
    await tx
      .update(pieceLife)
      .set({ ...lived(life, actionOf(fact)), touchedAt: at })
      .where(eq(pieceLife.pieceId, pieceId));
  };
}

@Injectable()
export class RackProjectors implements OnModuleInit {
  constructor(private readonly projectors: Projectors) {}

  onModuleInit(): void {
    this.projectors.register(stock);
    this.projectors.register(lives);
  }
}
