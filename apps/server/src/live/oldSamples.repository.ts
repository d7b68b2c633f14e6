import { Inject, Injectable } from '@nestjs/common';
import { sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';

/** Seconds of all channels, and channels on end. */
export type OldTable = 'live_chunk' | 'run_samples';
/** A run whose samples lie in an old table, and when it was begun. */
export type OldRun = { id: string; createdAt: Date };

/** The tables of samples that earlier versions had; no schema names them any more. */
@Injectable()
export class OldSamplesRepository {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {}

  async isThere(db: DbOrTx, table: OldTable): Promise<boolean> {
    const { rows } = await db.execute<{ isThere: boolean }>(sql`select to_regclass(${table}) is not null as "isThere"`);
    return rows[0]!.isThere;
  }

  async runsIn(db: DbOrTx, table: OldTable): Promise<OldRun[]> {
    const { rows } = await db.execute<{ id: string; createdAt: string }>(
      sql`select id, created_at as "createdAt" from run
          where workshop_id = ${this.workshop.id} and id in (select run_id from ${sql.identifier(table)}) order by id`,
    );
    return rows.map(({ id, createdAt }) => ({ id, createdAt: new Date(createdAt) }));
  }

  async channelsOf(db: DbOrTx, runId: string): Promise<{ channel: string; samples: Buffer }[]> {
    return (
      await db.execute<{ channel: string; samples: Buffer }>(
        sql`select channel, samples from run_samples where run_id = ${runId}`,
      )
    ).rows;
  }

  async secondsOf(db: DbOrTx, runId: string): Promise<{ startS: number; samples: Buffer }[]> {
    return (
      await db.execute<{ startS: number; samples: Buffer }>(
        sql`select start_s as "startS", samples from live_chunk where run_id = ${runId} order by ordinal`,
      )
    ).rows;
  }

  async forget(db: DbOrTx, table: OldTable, runId: string): Promise<void> {
    await db.execute(sql`delete from ${sql.identifier(table)} where run_id = ${runId}`);
  }

  async dropIfEmpty(db: DbOrTx, table: OldTable): Promise<void> {
    const name = sql.identifier(table);
    const { rows } = await db.execute(sql`select from ${name} limit 1`);
    if (rows.length === 0) await db.execute(sql`drop table ${name}`);
  }
}
