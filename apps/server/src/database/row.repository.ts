import { and, count, desc, eq, isNull, sql, type InferInsertModel, type InferSelectModel, type SQL } from 'drizzle-orm';
import type { AnyPgColumn, PgTable } from 'drizzle-orm/pg-core';
import { NotFoundError, RevisionConflictError } from '../common/featureError.ts';
import type { DbOrTx } from './database.ts';

type RowTable = PgTable &
  Record<'id' | 'workshopId' | 'revision' | 'updatedAt' | 'createdAt' | 'deletedAt', AnyPgColumn>;

/** What every table of rows can do: list, find, add, revise, delete and bring back. */
export class RowRepository<T extends RowTable> {
  /** The same table without its columns' types, which a generic query cannot carry. */
  private readonly anyTable: PgTable;

  constructor(
    private readonly table: T,
    /** What a row is called in sentences. */
    private readonly what: string,
    private readonly workshopId: string,
  ) {
    this.anyTable = table;
  }

  private whereLive(...more: (SQL | undefined)[]): SQL | undefined {
    return and(eq(this.table.workshopId, this.workshopId), isNull(this.table.deletedAt), ...more);
  }

  async list(
    db: DbOrTx,
    limit: number,
    where?: SQL,
    order: SQL = desc(this.table.createdAt),
  ): Promise<{ rows: InferSelectModel<T>[]; total: number }> {
    const rows = await db.select().from(this.anyTable).where(this.whereLive(where)).orderBy(order).limit(limit);
    const found = rows as unknown as InferSelectModel<T>[];
    if (rows.length < limit) return { rows: found, total: rows.length };
    const [counted] = await db.select({ total: count() }).from(this.anyTable).where(this.whereLive(where));
    return { rows: found, total: counted?.total ?? 0 };
  }

  /** @throws {NotFoundError} if there is no such row or it was deleted */
  async find(db: DbOrTx, id: string): Promise<InferSelectModel<T>> {
    const [row] = await db
      .select()
      .from(this.anyTable)
      .where(this.whereLive(eq(this.table.id, id)))
      .limit(1);
    if (!row) throw new NotFoundError(this.what, id);
    return row as unknown as InferSelectModel<T>;
  }

  /** Adds a row; sending the same row again, as after a lost answer, changes nothing. */
  async add(db: DbOrTx, row: InferInsertModel<T>): Promise<boolean> {
    const added = await db
      .insert(this.table)
      .values(row as never)
      .onConflictDoNothing({ target: this.table.id as never })
      .returning({ id: this.table.id });
    return added.length > 0;
  }

  /**
   * Changes a row on top of the revision that the sender saw.
   * @throws {RevisionConflictError} if it has moved on, {NotFoundError} if it is gone
   */
  async revise(
    db: DbOrTx,
    id: string,
    seen: number,
    values: Partial<InferInsertModel<T>>,
    at: Date,
    where?: SQL,
  ): Promise<number> {
    const changed = await db
      .update(this.table)
      .set({ ...values, revision: sql`${this.table.revision} + 1`, updatedAt: at })
      .where(this.whereLive(eq(this.table.id, id), eq(this.table.revision, seen), where))
      .returning({ id: this.table.id });
    if (changed.length > 0) return seen + 1;
    const { revision } = (await this.find(db, id)) as unknown as { revision: number };
    throw new RevisionConflictError(this.what, seen, revision);
  }

  /** Marks a row as deleted; deleting twice is the same as once. */
  async remove(db: DbOrTx, id: string, at: Date): Promise<void> {
    await this.mark(db, id, at);
  }

  /** Brings a deleted row back. */
  async restore(db: DbOrTx, id: string): Promise<void> {
    await this.mark(db, id, null);
  }

  private async mark(db: DbOrTx, id: string, deletedAt: Date | null): Promise<void> {
    const marked = await db
      .update(this.table)
      .set({ deletedAt, revision: sql`${this.table.revision} + 1` } as never)
      .where(and(eq(this.table.workshopId, this.workshopId), eq(this.table.id, id)))
      .returning({ id: this.table.id });
    if (marked.length === 0) throw new NotFoundError(this.what, id);
  }
}
