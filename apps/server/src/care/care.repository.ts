import { Inject, Injectable } from '@nestjs/common';
import { and, asc, count, desc, eq, gt, gte, inArray, isNull, lte, ne, or, sql, sum } from 'drizzle-orm';
import { WEAR_POWER, type CareOutcome, type DrillKind } from '@zivvo/core';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import type { Fact } from '../event/facts.ts';
import { event } from '../event/event.table.ts';
import type { PieceRow } from '../rack/piece.repository.ts';
import { propPiece } from '../rack/piece.table.ts';
import { person } from '../workshop/workshop.table.ts';
import {
  careSetting,
  drillAnswer,
  flight,
  flightPiece,
  gainSheet,
  jobTicket,
  modelAlert,
  strike,
  strikePiece,
  symptomCase,
  walkaround,
} from './care.table.ts';

export type SettingRow = typeof careSetting.$inferSelect;
export type WalkaroundRow = typeof walkaround.$inferSelect;
export type FlightRow = typeof flight.$inferSelect;
export type StrikeRow = typeof strike.$inferSelect;
export type AlertRow = typeof modelAlert.$inferSelect;
export type GainSheetRow = typeof gainSheet.$inferSelect;
export type TicketRow = typeof jobTicket.$inferSelect;
export type SymptomCaseRow = typeof symptomCase.$inferSelect;

@Injectable()
export class SettingRepository extends RowRepository<typeof careSetting> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(careSetting, 'care setting', workshop.id);
  }

  async ofCraft(db: DbOrTx, craftId: string): Promise<SettingRow | null> {
    return (await this.list(db, 1, eq(careSetting.craftId, craftId))).rows[0] ?? null;
  }
}

/** A look with who made it. */
export interface SignedWalkaround {
  row: WalkaroundRow;
  personName: string | null;
}
/** What the newest look said of a piece, and its number in the ledger. */
export interface NewestLook {
  sequence: number;
  fact: Fact<'pieceLooked'>;
}

@Injectable()
export class WalkaroundRepository extends RowRepository<typeof walkaround> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(walkaround, 'walkaround', workshop.id);
  }

  /** The last look over a craft, and who made it: the last in the ledger, whatever the clock said. */
  async last(db: DbOrTx, craftId: string): Promise<SignedWalkaround | null> {
    const [newest] = await db
      .select({ id: sql<string>`${event.fact} ->> 'walkaroundId'` })
      .from(event)
      .where(and(eq(event.subjectId, craftId), eq(event.kind, 'walkedRound')))
      .orderBy(desc(event.sequence))
      .limit(1);
    return newest ? this.byId(db, newest.id) : null;
  }

  async byId(db: DbOrTx, id: string): Promise<SignedWalkaround | null> {
    const [found] = await db
      .select({ row: walkaround, personName: person.name })
      .from(walkaround)
      .leftJoin(person, eq(person.id, walkaround.personId))
      .where(and(eq(walkaround.workshopId, this.workshop.id), eq(walkaround.id, id), isNull(walkaround.deletedAt)))
      .limit(1);
    return found ?? null;
  }

  /** What the newest look said of each piece, on whatever craft it was made. */
  async newestLooks(db: DbOrTx, pieceIds: string[]): Promise<Map<string, NewestLook>> {
    if (pieceIds.length === 0) return new Map();
    const rows = await db
      .selectDistinctOn([event.subjectId], { id: event.subjectId, sequence: event.sequence, fact: event.fact })
      .from(event)
      .where(and(oneOfIds(event.subjectId, pieceIds), eq(event.kind, 'pieceLooked')))
      .orderBy(event.subjectId, desc(event.sequence));
    return new Map(rows.map(({ id, sequence, fact }) => [id, { sequence, fact: fact as Fact<'pieceLooked'> }]));
  }

  /** Pieces in which a nick was ever found. */
  async nicked(db: DbOrTx, pieceIds: string[]): Promise<Set<string>> {
    if (pieceIds.length === 0) return new Set();
    const rows = await db
      .selectDistinct({ id: event.subjectId })
      .from(event)
      .where(
        and(
          oneOfIds(event.subjectId, pieceIds),
          eq(event.kind, 'pieceLooked'),
          sql`(${event.fact} ->> 'hasNick')::boolean`,
        ),
      );
    return new Set(rows.map((r) => r.id));
  }
}

/** What the newest look asked for; nothing where it let the piece fly. */
export function openOutcome(outcome: CareOutcome | undefined): Exclude<CareOutcome, 'fly'> | null {
  return outcome === undefined || outcome === 'fly' ? null : outcome;
}

/** All that a piece has flown. */
export interface PieceFlown {
  pieceId: string;
  flightCount: number;
  durationS: number;
  /** The one speed that wears as much as all that were flown. */
  speedRpm: number;
}

@Injectable()
export class FlightRepository extends RowRepository<typeof flight> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(flight, 'flight', workshop.id);
  }

  async ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<FlightRow[]> {
    return (await this.list(db, limit, eq(flight.craftId, craftId), desc(flight.flownAt))).rows;
  }

  /** Whether a flight counts; one that was taken out does not. */
  async isThere(db: DbOrTx, id: string): Promise<boolean> {
    return (await this.list(db, 1, eq(flight.id, id))).rows.length > 0;
  }

  async addPieces(db: DbOrTx, rows: (typeof flightPiece.$inferInsert)[]): Promise<void> {
    if (rows.length > 0) await db.insert(flightPiece).values(rows).onConflictDoNothing();
  }

  /** Seconds flown by a craft since a moment, and in all. */
  async flownS(
    db: DbOrTx,
    craftId: string,
    since: Date,
  ): Promise<{ recentS: number; allS: number; recentCount: number; firstAt: Date | null }> {
    const [row] = await db
      .select({
        allS: sql<number>`coalesce(sum(${flight.durationS}), 0)`.mapWith(Number),
        recentS:
          sql<number>`coalesce(sum(${flight.durationS}) filter (where ${gte(flight.flownAt, since)}), 0)`.mapWith(
            Number,
          ),
        recentCount: sql<number>`count(*) filter (where ${gte(flight.flownAt, since)})`.mapWith(Number),
        firstAt: sql<string | null>`min(${flight.flownAt})`,
      })
      .from(flight)
      .where(and(eq(flight.workshopId, this.workshop.id), eq(flight.craftId, craftId), isNull(flight.deletedAt)));
    return {
      recentS: row?.recentS ?? 0,
      allS: row?.allS ?? 0,
      recentCount: row?.recentCount ?? 0,
      firstAt: row?.firstAt ? new Date(row.firstAt) : null,
    };
  }

  /** Flights of a craft between two moments that count, and how long they were. */
  async between(db: DbOrTx, craftId: string, from: Date, to: Date): Promise<{ flightCount: number; flownS: number }> {
    const flownS = sql<number>`coalesce(sum(${flight.durationS}), 0)`.mapWith(Number);
    const [row] = await db
      .select({ flightCount: count(), flownS })
      .from(flight)
      .where(
        and(
          eq(flight.workshopId, this.workshop.id),
          eq(flight.craftId, craftId),
          isNull(flight.deletedAt),
          gte(flight.flownAt, from),
          lte(flight.flownAt, to),
        ),
      );
    return row ?? { flightCount: 0, flownS: 0 };
  }

  /**
   * What pieces have flown, one line each however often they flew: the core's `alikeSpeed`, summed where the rows
   * are.
   */
  async ofPieces(db: DbOrTx, pieceIds: string[]): Promise<PieceFlown[]> {
    if (pieceIds.length === 0) return [];
    const wear = sql`sum(${flight.durationS} * power(${flightPiece.speedRpm}, ${WEAR_POWER}::float8))`;
    const alike = sql`power(${wear} / sum(${flight.durationS}), 1 / ${WEAR_POWER}::float8)`;
    return db
      .select({
        pieceId: flightPiece.pieceId,
        flightCount: count(),
        durationS: sum(flight.durationS).mapWith(Number),
        speedRpm: alike.mapWith(Number),
      })
      .from(flightPiece)
      .innerJoin(flight, eq(flight.id, flightPiece.flightId))
      .where(and(oneOfIds(flightPiece.pieceId, pieceIds), isNull(flight.deletedAt)))
      .groupBy(flightPiece.pieceId);
  }
}

@Injectable()
export class StrikeRepository extends RowRepository<typeof strike> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(strike, 'strike', workshop.id);
  }

  async ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<StrikeRow[]> {
    return (await this.list(db, limit, eq(strike.craftId, craftId), desc(strike.struckAt))).rows;
  }

  /** Strikes that a piece took after an event. */
  async ofPieceAfter(
    db: DbOrTx,
    pieceId: string,
    sequence: number,
  ): Promise<Pick<StrikeRow, 'severity' | 'isCrash' | 'thing'>[]> {
    return db
      .select({ severity: strike.severity, isCrash: strike.isCrash, thing: strike.thing })
      .from(strikePiece)
      .innerJoin(strike, eq(strike.id, strikePiece.strikeId))
      .innerJoin(
        event,
        and(
          eq(event.subjectId, strike.craftId),
          eq(event.kind, 'struck'),
          sql`(${event.fact} ->> 'strikeId')::uuid = ${strike.id}`,
        ),
      )
      .where(and(eq(strikePiece.pieceId, pieceId), isNull(strike.deletedAt), gt(event.sequence, sequence)));
  }

  /** Strikes of pieces with their numbers in the ledger. */
  async numbered(
    db: DbOrTx,
    pieceIds: string[],
  ): Promise<{ pieceId: string; severity: StrikeRow['severity']; isCrash: boolean; sequence: number }[]> {
    if (pieceIds.length === 0) return [];
    const { severity, isCrash } = strike;
    return db
      .select({ pieceId: strikePiece.pieceId, severity, isCrash, sequence: event.sequence })
      .from(strikePiece)
      .innerJoin(strike, eq(strike.id, strikePiece.strikeId))
      .innerJoin(
        event,
        and(
          eq(event.subjectId, strike.craftId),
          eq(event.kind, 'struck'),
          sql`(${event.fact} ->> 'strikeId')::uuid = ${strike.id}`,
        ),
      )
      .where(and(oneOfIds(strikePiece.pieceId, pieceIds), isNull(strike.deletedAt)));
  }

  /** Strikes that were told with a flight, those that were taken out too. */
  async ofFlight(db: DbOrTx, flightId: string): Promise<StrikeRow[]> {
    return db
      .select()
      .from(strike)
      .where(and(eq(strike.workshopId, this.workshop.id), eq(strike.flightId, flightId)));
  }

  /** Takes the strikes of a flight out, or back in with null. */
  async markOfFlight(db: DbOrTx, flightId: string, deletedAt: Date | null): Promise<void> {
    await db
      .update(strike)
      .set({ deletedAt })
      .where(and(eq(strike.workshopId, this.workshop.id), eq(strike.flightId, flightId)));
  }

  async addPieces(db: DbOrTx, rows: (typeof strikePiece.$inferInsert)[]): Promise<void> {
    if (rows.length > 0) await db.insert(strikePiece).values(rows).onConflictDoNothing();
  }

  async ofPieces(
    db: DbOrTx,
    pieceIds: string[],
  ): Promise<{ pieceId: string; severity: StrikeRow['severity']; isCrash: boolean; struckAt: Date }[]> {
    if (pieceIds.length === 0) return [];
    return db
      .select({
        pieceId: strikePiece.pieceId,
        severity: strike.severity,
        isCrash: strike.isCrash,
        struckAt: strike.struckAt,
      })
      .from(strikePiece)
      .innerJoin(strike, eq(strike.id, strikePiece.strikeId))
      .where(and(oneOfIds(strikePiece.pieceId, pieceIds), isNull(strike.deletedAt)));
  }
}

@Injectable()
export class AlertRepository extends RowRepository<typeof modelAlert> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(modelAlert, 'alert', workshop.id);
  }

  /** Alerts in force on any of these models. */
  async inForce(db: DbOrTx, propModelIds: string[]): Promise<AlertRow[]> {
    if (propModelIds.length === 0) return [];
    return (
      await this.list(db, 100, and(oneOfIds(modelAlert.propModelId, propModelIds), isNull(modelAlert.releasedAt)))
    ).rows;
  }
}

@Injectable()
export class GainSheetRepository extends RowRepository<typeof gainSheet> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(gainSheet, 'gain sheet', workshop.id);
  }

  async ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<{ rows: GainSheetRow[]; total: number }> {
    return this.list(db, limit, eq(gainSheet.craftId, craftId));
  }
}

@Injectable()
export class TicketRepository extends RowRepository<typeof jobTicket> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(jobTicket, 'job ticket', workshop.id);
  }

  /** Those that nobody has closed, the newest first. */
  async open(db: DbOrTx, limit: number): Promise<TicketRow[]> {
    return (await this.list(db, limit, isNull(jobTicket.closedAt))).rows;
  }

  async ofCraft(db: DbOrTx, craftId: string | null, limit: number): Promise<{ rows: TicketRow[]; total: number }> {
    return this.list(db, limit, craftId === null ? undefined : eq(jobTicket.craftId, craftId));
  }
}

@Injectable()
export class SymptomCaseRepository extends RowRepository<typeof symptomCase> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(symptomCase, 'case', workshop.id);
  }

  async ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<SymptomCaseRow[]> {
    return (await this.list(db, limit, eq(symptomCase.craftId, craftId))).rows;
  }
}

@Injectable()
export class DrillRepository extends RowRepository<typeof drillAnswer> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(drillAnswer, 'answer', workshop.id);
  }

  async scores(
    db: DbOrTx,
  ): Promise<
    { personId: string | null; personName: string | null; kind: DrillKind; askedCount: number; rightCount: number }[]
  > {
    return db
      .select({
        personId: drillAnswer.personId,
        personName: person.name,
        kind: drillAnswer.kind,
        askedCount: count(),
        rightCount: sql<number>`count(*) filter (where ${drillAnswer.isRight})`.mapWith(Number),
      })
      .from(drillAnswer)
      .leftJoin(person, eq(person.id, drillAnswer.personId))
      .where(and(eq(drillAnswer.workshopId, this.workshop.id), isNull(drillAnswer.deletedAt)))
      .groupBy(drillAnswer.personId, person.name, drillAnswer.kind)
      .orderBy(asc(person.name), asc(drillAnswer.kind));
  }
}

export interface LogRow {
  sequence: number;
  at: Date;
  personName: string | null;
  fact: Fact;
  tag: string | null;
}

/** What the ledger tells of the care of a craft. */
@Injectable()
export class LogRepository {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {}

  /**
   * Events of a craft and of the pieces that ever sat on it, but not what those did on other craft; the newest first.
   */
  async ofCraft(db: DbOrTx, craftId: string, from: Date, to: Date, limit: number): Promise<LogRow[]> {
    return db
      .select({ sequence: event.sequence, at: event.at, personName: person.name, fact: event.fact, tag: propPiece.tag })
      .from(event)
      .leftJoin(person, eq(person.id, event.personId))
      .leftJoin(propPiece, eq(propPiece.id, event.subjectId))
      .where(this.concerns(db, craftId, from, to))
      .orderBy(desc(event.sequence))
      .limit(limit);
  }

  async countOfCraft(db: DbOrTx, craftId: string, from: Date, to: Date): Promise<number> {
    const [row] = await db
      .select({ total: count() })
      .from(event)
      .where(this.concerns(db, craftId, from, to));
    return row?.total ?? 0;
  }

  private concerns(db: DbOrTx, craftId: string, from: Date, to: Date) {
    const factCraft = sql`${event.fact} ->> 'craftId'`;
    const sat = db
      .selectDistinct({ id: event.subjectId })
      .from(event)
      .where(and(eq(event.workshopId, this.workshop.id), sql`${factCraft} = ${craftId}`));
    return and(
      eq(event.workshopId, this.workshop.id),
      gte(event.at, from),
      lte(event.at, to),
      or(
        eq(event.subjectId, craftId),
        and(inArray(event.subjectId, sat), or(isNull(factCraft), sql`${factCraft} = ${craftId}`)),
      ),
      ne(event.kind, 'runKept'),
      sql`not (${event.kind} = 'armChanged' and ${event.fact} ->> 'what' = 'piece')`,
    );
  }

  /** Pieces of a model that were retired since a moment, by hand. */
  async retiredSince(db: DbOrTx, propModelId: string, since: Date): Promise<Map<string, number>> {
    const rows = await db
      .select({ hand: propPiece.hand, total: count() })
      .from(event)
      .innerJoin(propPiece, eq(propPiece.id, event.subjectId))
      .where(
        and(
          eq(event.workshopId, this.workshop.id),
          eq(event.kind, 'pieceRetired'),
          gte(event.at, since),
          eq(propPiece.propModelId, propModelId),
        ),
      )
      .groupBy(propPiece.hand);
    return new Map(rows.map((r) => [r.hand, r.total]));
  }
}

/** Whether an alert speaks of a piece. */
export function grounds(
  alert: Pick<AlertRow, 'propModelId' | 'batchId'>,
  piece: Pick<PieceRow, 'propModelId' | 'batchId'>,
): boolean {
  return alert.propModelId === piece.propModelId && (alert.batchId === null || alert.batchId === piece.batchId);
}
