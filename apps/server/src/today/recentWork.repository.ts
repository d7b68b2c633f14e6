import { Inject, Injectable } from '@nestjs/common';
import type { FoundView } from '@zivvo/contract';
import { and, desc, eq, isNull, type SQL } from 'drizzle-orm';
import type { AnyPgColumn, PgTable } from 'drizzle-orm/pg-core';
import { craft } from '../craft/craft.table.ts';
import type { DbOrTx } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { craftThings, type DatedFound } from '../finder/craftThings.repository.ts';
import { batch } from '../rack/piece.table.ts';
import { writtenModelName } from '../rack/propModel.mapper.ts';
import { propModel } from '../rack/propModel.table.ts';

type RowTable = PgTable & Record<'id' | 'workshopId' | 'updatedAt' | 'deletedAt', AnyPgColumn>;

/** What was worked on last, of every kind that somebody goes on with. */
@Injectable()
export class RecentWork {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {}

  async newest(db: DbOrTx, limit: number): Promise<DatedFound[]> {
    const found = await Promise.all([
      this.crafts(db, limit),
      this.deliveries(db, limit),
      craftThings(db, this.workshop.id, null, limit),
    ]);
    return found
      .flat()
      .sort((a, b) => b.at.localeCompare(a.at))
      .slice(0, limit);
  }

  private async crafts(db: DbOrTx, limit: number): Promise<DatedFound[]> {
    const rows = await db
      .select({ id: craft.id, name: craft.name, motorLabel: craft.motorLabel, at: craft.updatedAt })
      .from(craft)
      .where(this.live(craft))
      .orderBy(desc(craft.updatedAt))
      .limit(limit);
    return rows.map(({ id, name, motorLabel, at }) => recent('craft', id, name, motorLabel, id, at));
  }

  private async deliveries(db: DbOrTx, limit: number): Promise<DatedFound[]> {
    const rows = await db
      .select({ id: batch.id, supplierName: batch.supplierName, model: propModel, at: batch.updatedAt })
      .from(batch)
      .innerJoin(propModel, eq(propModel.id, batch.propModelId))
      .where(this.live(batch))
      .orderBy(desc(batch.updatedAt))
      .limit(limit);
    return rows.map(({ id, supplierName, model, at }) =>
      recent('delivery', id, writtenModelName(model), supplierName ?? 'no supplier noted', null, at),
    );
  }

  private live(table: RowTable): SQL | undefined {
    return and(eq(table.workshopId, this.workshop.id), isNull(table.deletedAt));
  }
}

const recent = (
  kind: FoundView['kind'],
  id: string,
  title: string,
  detail: string,
  craftId: string | null,
  at: Date,
): DatedFound => ({ kind, id, title, detail, craftId, propModelId: null, at: at.toISOString() });
