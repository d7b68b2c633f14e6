import { Inject, Injectable } from '@nestjs/common';
import type { PieceQueryDto } from '@zivvo/contract';
import type { Look, PieceFate, PieceState } from '@zivvo/core';
import { and, asc, count, desc, eq, ilike, inArray, isNull, like, lt, or, sql, type SQL } from 'drizzle-orm';
import { NotFoundError } from '../common/featureError.ts';
import type { DbOrTx } from '../database/database.ts';
import { oneAtATime } from '../database/oneAtATime.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { craft } from '../craft/craft.table.ts';
import { event } from '../event/event.table.ts';
import type { ArmedCraft } from './fitRules.ts';
import { batch, pieceLife, pieceSet, propPiece } from './piece.table.ts';
import { propModel } from './propModel.table.ts';

export type PieceRow = typeof propPiece.$inferSelect;
export type BatchRow = typeof batch.$inferSelect;
export type PieceSetRow = typeof pieceSet.$inferSelect;
export type LifeRow = typeof pieceLife.$inferSelect;
export interface LivingPiece {
  piece: PieceRow;
  life: LifeRow;
}

@Injectable()
export class PieceRepository extends RowRepository<typeof propPiece> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(propPiece, 'piece', workshop.id);
  }

  private live(...more: (SQL | undefined)[]): SQL | undefined {
    return and(eq(propPiece.workshopId, this.workshop.id), isNull(propPiece.deletedAt), ...more);
  }

  /** @throws {NotFoundError} if there is no such piece */
  async findLiving(db: DbOrTx, id: string): Promise<LivingPiece> {
    const [found] = await this.living(db, eq(propPiece.id, id), 1);
    if (!found) throw new NotFoundError('piece', id);
    return found;
  }

  /** The same, and nobody else does anything to the piece until the transaction ends. */
  async hold(tx: DbOrTx, id: string): Promise<LivingPiece> {
    await this.lock(tx, [id]);
    return this.findLiving(tx, id);
  }

  /**
   * Keeps others from pieces until the transaction ends; in one order, so that two who want many do not wait for
   * ever.
   */
  private async lock(tx: DbOrTx, ids: string[]): Promise<void> {
    await tx
      .select({ id: pieceLife.pieceId })
      .from(pieceLife)
      .where(oneOfIds(pieceLife.pieceId, ids))
      .orderBy(asc(pieceLife.pieceId))
      .for('update');
  }

  /** @throws {NotFoundError} if no piece carries this tag */
  async findByTag(db: DbOrTx, tag: string): Promise<LivingPiece> {
    const [found] = await this.living(db, eq(propPiece.tag, tag), 1);
    if (!found) throw new NotFoundError('piece', tag);
    return found;
  }

  /** Those that there are of some pieces, held until the transaction ends. */
  async holdMany(tx: DbOrTx, ids: string[]): Promise<LivingPiece[]> {
    await this.lock(tx, ids);
    return this.livingByIds(tx, ids);
  }

  async livingByIds(db: DbOrTx, ids: string[]): Promise<LivingPiece[]> {
    return ids.length === 0 ? [] : this.living(db, oneOfIds(propPiece.id, ids), ids.length);
  }

  async living(db: DbOrTx, where: SQL | undefined, limit: number): Promise<LivingPiece[]> {
    return db
      .select({ piece: propPiece, life: pieceLife })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .where(this.live(where))
      .orderBy(asc(propPiece.serialNumber))
      .limit(limit);
  }

  async ofBatch(db: DbOrTx, batchId: string, limit: number): Promise<LivingPiece[]> {
    return this.living(db, eq(propPiece.batchId, batchId), limit);
  }

  async ofSets(db: DbOrTx, setIds: string[], limit: number): Promise<LivingPiece[]> {
    return setIds.length === 0 ? [] : this.living(db, oneOfIds(pieceLife.setId, setIds), limit);
  }

  async onCraft(db: DbOrTx, craftId: string, limit: number): Promise<LivingPiece[]> {
    return this.living(db, eq(pieceLife.craftId, craftId), limit);
  }

  /**
   * What of a craft decides which piece goes where.
   *
   * @throws {NotFoundError} if there is no such craft, or it was deleted
   */
  async craftOf(db: DbOrTx, id: string): Promise<ArmedCraft> {
    const [row] = await db
      .select({ name: craft.name, layout: craft.layout, rotors: craft.rotors })
      .from(craft)
      .where(and(eq(craft.id, id), eq(craft.workshopId, this.workshop.id), isNull(craft.deletedAt)))
      .limit(1);
    if (!row) throw new NotFoundError('craft', id);
    return row;
  }

  /** @throws {NotFoundError} if there is no such set, or it was deleted */
  async requireSet(db: DbOrTx, id: string): Promise<void> {
    const [row] = await db
      .select({ id: pieceSet.id })
      .from(pieceSet)
      .where(and(eq(pieceSet.id, id), eq(pieceSet.workshopId, this.workshop.id), isNull(pieceSet.deletedAt)))
      .limit(1);
    if (!row) throw new NotFoundError('set', id);
  }

  async onCrafts(db: DbOrTx, craftIds: string[], limit: number): Promise<LivingPiece[]> {
    return craftIds.length === 0 ? [] : this.living(db, oneOfIds(pieceLife.craftId, craftIds), limit * craftIds.length);
  }

  /**
   * Pieces that were checked in and not retired, the newest first; whether there are more than were asked for.
   *
   * @param propModelId - of this model alone; null for all
   */
  async onShelf(
    db: DbOrTx,
    propModelId: string | null,
    limit: number,
  ): Promise<{ rows: LivingPiece[]; isCut: boolean }> {
    const rows = await db
      .select({ piece: propPiece, life: pieceLife })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .where(
        this.live(
          propModelId === null ? undefined : eq(propPiece.propModelId, propModelId),
          sql`${pieceLife.state} not in ('new', 'retired')`,
        ),
      )
      .orderBy(desc(propPiece.serialNumber))
      .limit(limit + 1);
    return { rows: rows.slice(0, limit), isCut: rows.length > limit };
  }

  /** Pieces on each craft, and those of them that are balanced. */
  async balancedOn(db: DbOrTx, craftIds: string[]): Promise<Map<string, { fittedCount: number; truedCount: number }>> {
    if (craftIds.length === 0) return new Map();
    const rows = await db
      .select({
        craftId: pieceLife.craftId,
        fittedCount: count(),
        truedCount:
          sql<number>`count(*) filter (where ${pieceLife.isTruedStatic} or ${pieceLife.isTruedDynamic})`.mapWith(
            Number,
          ),
      })
      .from(pieceLife)
      .where(oneOfIds(pieceLife.craftId, craftIds))
      .groupBy(pieceLife.craftId);
    return new Map(rows.map(({ craftId, ...counts }) => [craftId!, counts]));
  }

  /** A page of pieces, how many there are, and how many in each state when the state is left open. */
  async page(
    db: DbOrTx,
    query: PieceQueryDto,
    untouchedBefore: Date,
    limit: number,
  ): Promise<{ rows: LivingPiece[]; total: number; states: Partial<Record<PieceState, number>> }> {
    const pattern = query.words ? `%${query.words.replace(/[\\%_]/g, (c) => `\\${c}`)}%` : null;
    const open = this.live(
      query.propModelId ? eq(propPiece.propModelId, query.propModelId) : undefined,
      query.batchId ? eq(propPiece.batchId, query.batchId) : undefined,
      query.craftId ? eq(pieceLife.craftId, query.craftId) : undefined,
      query.setId ? eq(pieceLife.setId, query.setId) : undefined,
      query.untouched ? and(lt(pieceLife.touchedAt, untouchedBefore), sql`${pieceLife.state} <> 'retired'`) : undefined,
      pattern
        ? or(
            like(propPiece.tag, pattern.toUpperCase()),
            ilike(pieceLife.location, pattern),
            inArray(propPiece.propModelId, this.modelsLike(db, pattern)),
            ilike(propPiece.colour, pattern),
          )
        : undefined,
    );
    const where = query.state ? and(open, eq(pieceLife.state, query.state)) : open;
    const rows = await db
      .select({ piece: propPiece, life: pieceLife })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .where(where)
      .orderBy(desc(propPiece.serialNumber))
      .offset(query.offset ?? 0)
      .limit(limit);
    const isWhole = !query.state && !query.offset && rows.length < limit;
    const counted = isWhole
      ? tallyStates(rows)
      : await db
          .select({ state: pieceLife.state, total: count() })
          .from(propPiece)
          .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
          .where(open)
          .groupBy(pieceLife.state);
    const states = Object.fromEntries(counted.map((c) => [c.state, c.total])) as Partial<Record<PieceState, number>>;
    const total = query.state ? (states[query.state] ?? 0) : counted.reduce((sum, c) => sum + c.total, 0);
    return { rows, total, states };
  }

  /** Models whose label or maker is like the words: few, so they are asked once and not piece by piece. */
  private modelsLike(db: DbOrTx, pattern: string) {
    return db
      .select({ id: propModel.id })
      .from(propModel)
      .where(
        and(
          eq(propModel.workshopId, this.workshop.id),
          or(ilike(propModel.label, pattern), ilike(propModel.makerName, pattern)),
        ),
      );
  }

  /** The next running number of the workshop; deleted pieces keep theirs. */
  async nextSerial(tx: DbOrTx): Promise<number> {
    await oneAtATime(tx, 'prop_piece.serial_number');
    const [row] = await tx
      .select({ last: sql<number | null>`max(${propPiece.serialNumber})` })
      .from(propPiece)
      .where(eq(propPiece.workshopId, this.workshop.id));
    return (row?.last ?? -1) + 1;
  }

  /** Pieces of each hand that could be fitted now, by model; of one model where one is named. */
  async available(
    db: DbOrTx,
    propModelId: string | null = null,
  ): Promise<{ propModelId: string; cwCount: number; ccwCount: number; eitherCount: number }[]> {
    const tally = (hand: string): SQL<number> =>
      sql<number>`count(*) filter (where ${propPiece.hand} = ${hand})`.mapWith(Number);
    return db
      .select({
        propModelId: propPiece.propModelId,
        cwCount: tally('cw'),
        ccwCount: tally('ccw'),
        eitherCount: tally('either'),
      })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .where(
        this.live(
          propModelId === null ? undefined : eq(propPiece.propModelId, propModelId),
          inArray(pieceLife.state, ['checkedIn', 'trued', 'resting']),
        ),
      )
      .groupBy(propPiece.propModelId);
  }

  /** How pieces turned out, counted by model, delivery and fate. */
  async fates(db: DbOrTx): Promise<FateRow[]> {
    const happened = (kinds: SQL): SQL =>
      sql`exists (select 1 from ${event} e where e.subject_id = ${propPiece.id} and ${kinds})`;
    const flag = (condition: SQL) => sql<boolean>`(${condition})`.mapWith(Boolean);
    const facts = db
      .select({
        propModelId: propPiece.propModelId,
        batchId: propPiece.batchId,
        look: propPiece.look,
        isCheckedIn: flag(sql`${pieceLife.state} <> 'new'`).as('is_checked_in'),
        isRetired: flag(sql`${pieceLife.state} = 'retired'`).as('is_retired'),
        hasFlown: flag(happened(sql`e.kind = 'pieceFitted'`)).as('has_flown'),
        isTrued: flag(happened(sql`e.kind = 'pieceTrued'`)).as('is_trued'),
        isCorrected: flag(happened(sql`e.kind = 'pieceTrued' and (e.fact ->> 'isCorrected')::boolean`)).as(
          'is_corrected',
        ),
        isSentBack: flag(
          sql`coalesce((select e.kind from ${event} e where e.subject_id = ${propPiece.id} and e.kind in ('pieceTrued', 'pieceSentBack') order by e.at desc, e.sequence desc limit 1) = 'pieceSentBack', false)`,
        ).as('is_sent_back'),
      })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .where(this.live())
      .as('facts');
    const kinds = [
      facts.propModelId,
      facts.batchId,
      facts.look,
      facts.isCheckedIn,
      facts.isRetired,
      facts.hasFlown,
      facts.isTrued,
      facts.isCorrected,
      facts.isSentBack,
    ] as const;
    return db
      .select({
        propModelId: facts.propModelId,
        batchId: facts.batchId,
        look: facts.look,
        isCheckedIn: facts.isCheckedIn,
        isRetired: facts.isRetired,
        hasFlown: facts.hasFlown,
        isTrued: facts.isTrued,
        isCorrected: facts.isCorrected,
        isSentBack: facts.isSentBack,
        pieceCount: count(),
      })
      .from(facts)
      .groupBy(...kinds);
  }
}

/** A craft as its sets see it. */
export type SetCraft = Pick<typeof craft.$inferSelect, 'id' | 'rotors' | 'layout'>;

/** So many pieces of one kind that turned out alike. */
export interface FateRow extends Omit<PieceFate, 'isUnsound'> {
  propModelId: string;
  batchId: string | null;
  look: Look | null;
  pieceCount: number;
}

/** States of pieces that are all at hand. */
function tallyStates(rows: readonly LivingPiece[]): { state: PieceState; total: number }[] {
  const states = new Map<PieceState, number>();
  for (const { life } of rows) states.set(life.state, (states.get(life.state) ?? 0) + 1);
  return [...states].map(([state, total]) => ({ state, total }));
}

@Injectable()
export class BatchRepository extends RowRepository<typeof batch> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(batch, 'delivery', workshop.id);
  }

  /** Pieces of each batch, and those that are no longer new. */
  async counts(db: DbOrTx, ids: string[]): Promise<Map<string, { pieceCount: number; checkedInCount: number }>> {
    if (ids.length === 0) return new Map();
    const rows = await db
      .select({
        id: propPiece.batchId,
        pieceCount: count(),
        checkedInCount: sql<number>`count(*) filter (where ${pieceLife.state} <> 'new')`.mapWith(Number),
      })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .where(and(oneOfIds(propPiece.batchId, ids), isNull(propPiece.deletedAt)))
      .groupBy(propPiece.batchId);
    return new Map(rows.map(({ id, ...counts }) => [id!, counts]));
  }
}

@Injectable()
export class PieceSetRepository extends RowRepository<typeof pieceSet> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(pieceSet, 'set', workshop.id);
  }

  async ofCraft(db: DbOrTx, craftId: string, limit: number): Promise<{ rows: PieceSetRow[]; total: number }> {
    return this.list(db, limit, eq(pieceSet.craftId, craftId));
  }

  /** What of their craft sets need: its rotors. */
  async craftsOf(db: DbOrTx, ids: string[]): Promise<Map<string, SetCraft>> {
    const rows =
      ids.length === 0
        ? []
        : await db
            .select({ id: craft.id, rotors: craft.rotors, layout: craft.layout })
            .from(craft)
            .where(and(oneOfIds(craft.id, ids), isNull(craft.deletedAt)));
    return new Map(rows.map((row) => [row.id, row]));
  }
}
