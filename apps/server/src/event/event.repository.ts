import { and, asc, desc, eq, gt, inArray, sql } from 'drizzle-orm';
import { person } from '../workshop/workshop.table.ts';
import type { DbOrTx } from '../database/database.ts';
import type { PieceActionFact, StoredFact } from './event.facts.ts';
import { event, pieceLife, standFact, stockLevel } from './event.table.ts';
import { lived, newPiece, type PieceAction } from '@zivvo/core';

type EventRow = typeof event.$inferInsert;
export type StockRow = typeof stockLevel.$inferSelect;
export type StandFactRow = typeof standFact.$inferSelect;

export type LifeRow = typeof pieceLife.$inferSelect;

const REPLAY_BATCH = 500;

/** An event as whoever asks for the last of its kind needs it. */
export interface NewestEvent {
  sequence: number;
  at: Date;
  personName: string | null;
  fact: StoredFact;
}

export class EventRepository {
  /** Writes an event and its projection; the caller's transaction holds both. */
  async append(tx: DbOrTx, row: EventRow): Promise<void> {
    await tx.insert(event).values(row);
    await this.project(tx, row.fact, row.at);
  }

  /** Empties the projections and replays every event in order. */
  async rebuild(tx: DbOrTx): Promise<number> {
    await tx.delete(stockLevel);
    await tx.delete(standFact);
    await tx.delete(pieceLife);
    let last = 0;
    let replayed = 0;
    for (;;) {
      const rows = await tx.select().from(event).where(gt(event.sequence, last)).orderBy(asc(event.sequence)).limit(REPLAY_BATCH);
      for (const row of rows) await this.project(tx, row.fact, row.at);
      replayed += rows.length;
      if (rows.length < REPLAY_BATCH) return replayed;
      last = rows.at(-1)!.sequence;
    }
  }

  private async project(tx: DbOrTx, fact: StoredFact, at: Date): Promise<void> {
    switch (fact.kind) {
      case 'stockCounted': {
        const row = { propModelId: fact.propModelId, cwCount: fact.cwCount, ccwCount: fact.ccwCount, countedAt: at };
        await tx.insert(stockLevel).values(row).onConflictDoUpdate({ target: stockLevel.propModelId, set: row });
        return;
      }
      case 'runKept': {
        const { runId, craftId, propModelId, maxCurrentA, maxSpeedRpm, replacesRunId } = fact;
        await tx.insert(standFact).values({ runId, craftId, propModelId, keptAt: at, maxCurrentA, maxSpeedRpm, isCurrent: true });
        if (replacesRunId !== null) await this.setCurrent(tx, replacesRunId, false);
        return;
      }
      case 'runRemoved':
        return this.setCurrent(tx, fact.runId, false);
      case 'runRestored':
        return this.setCurrent(tx, fact.runId, true);
      case 'pieceAdded':
        await tx.insert(pieceLife).values({ ...newPiece, pieceId: fact.pieceId, location: fact.location, touchedAt: at });
        return;
      case 'pieceMeasured':
      case 'pieceDescribed':
      case 'pieceLooked':
      case 'pieceStruck':
      case 'pieceSentBack':
        await tx.update(pieceLife).set({ touchedAt: at }).where(eq(pieceLife.pieceId, fact.pieceId));
        return;
      case 'partChanged':
      case 'armChanged':
      case 'fittingConfirmed':
      case 'walkedRound':
      case 'flown':
      case 'flightRemoved':
      case 'flightRestored':
      case 'struck':
      case 'alertRaised':
      case 'alertReleased':
      case 'gainsFlown':
      case 'gainSheetOpened':
      case 'ticketOpened':
      case 'ticketClosed':
      case 'faultFound':
        return;
      default:
        return this.live(tx, fact, at);
    }
  }

  /** One step in the life of a piece, by the same rule that the rest of Zivvo reads. */
  private async live(tx: DbOrTx, fact: PieceActionFact, at: Date): Promise<void> {
    const [life] = await tx.select().from(pieceLife).where(eq(pieceLife.pieceId, fact.pieceId));
    if (!life) throw new Error(`The ledger speaks of a piece that was never added: ${fact.pieceId}.`);
    await tx.update(pieceLife).set({ ...lived(life, actionOf(fact)), touchedAt: at }).where(eq(pieceLife.pieceId, fact.pieceId));
  }

  private async setCurrent(tx: DbOrTx, runId: string, isCurrent: boolean): Promise<void> {
    await tx.update(standFact).set({ isCurrent }).where(eq(standFact.runId, runId));
  }

  /** What happened to one subject, the newest first. */
  async ofSubject(db: DbOrTx, subjectId: string, limit: number): Promise<{ sequence: number; at: Date; personId: string | null; personName: string | null; fact: StoredFact }[]> {
    return db.select({ sequence: event.sequence, at: event.at, personId: event.personId, personName: person.name, fact: event.fact }).from(event).leftJoin(person, eq(person.id, event.personId)).where(eq(event.subjectId, subjectId)).orderBy(desc(event.sequence)).limit(limit);
  }

  /** The newest event of a kind for each of some subjects. */
  async newestOf(db: DbOrTx, subjectIds: string[], kind: StoredFact['kind']): Promise<Map<string, NewestEvent>> {
    if (subjectIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([event.subjectId], { subjectId: event.subjectId, sequence: event.sequence, at: event.at, personName: person.name, fact: event.fact })
      .from(event)
      .leftJoin(person, eq(person.id, event.personId))
      .where(and(inArray(event.subjectId, subjectIds), eq(event.kind, kind)))
      .orderBy(event.subjectId, desc(event.sequence));
    return new Map(rows.map(({ subjectId, ...newest }) => [subjectId, newest]));
  }

  async stockOf(db: DbOrTx, propModelIds: string[]): Promise<StockRow[]> {
    return propModelIds.length === 0 ? [] : db.select().from(stockLevel).where(inArray(stockLevel.propModelId, propModelIds));
  }

  async standFactsOf(db: DbOrTx, craftIds: string[]): Promise<StandFactRow[]> {
    if (craftIds.length === 0) return [];
    return db.select().from(standFact).where(sql`${inArray(standFact.craftId, craftIds)} and ${standFact.isCurrent}`);
  }

  async allProjections(db: DbOrTx): Promise<{ stock: StockRow[]; stand: StandFactRow[]; lives: LifeRow[] }> {
    return { stock: await db.select().from(stockLevel).orderBy(asc(stockLevel.propModelId)), stand: await db.select().from(standFact).orderBy(asc(standFact.runId)), lives: await db.select().from(pieceLife).orderBy(asc(pieceLife.pieceId)) };
  }
}

function actionOf(fact: PieceActionFact): PieceAction {
  switch (fact.kind) {
    case 'pieceCheckedIn':
      return { action: 'checkIn' };
    case 'pieceTrued':
      return { action: 'true', isDynamic: fact.isDynamic };
    case 'pieceFitted':
      return { action: 'fit', craftId: fact.craftId, place: fact.place, level: fact.level };
    case 'pieceRemoved':
      return { action: 'remove' };
    case 'pieceDressed':
      return { action: 'dress' };
    case 'pieceRetired':
      return { action: 'retire', as: fact.as };
    case 'pieceUnretired':
      return { action: 'unretire' };
    case 'pieceMoved':
      return { action: 'move', location: fact.location };
    case 'pieceJoinedSet':
      return { action: 'joinSet', setId: fact.setId };
    case 'pieceLeftSet':
      return { action: 'leaveSet' };
  }
}
