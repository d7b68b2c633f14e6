import { Injectable } from '@nestjs/common';
import { eq } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { blob } from './blob.table.ts';

export type BlobRow = typeof blob.$inferSelect;

@Injectable()
export class BlobRepository {
  async add(db: DbOrTx, row: BlobRow): Promise<void> {
    await db.insert(blob).values(row).onConflictDoNothing();
  }

  async find(db: DbOrTx, sha256: string): Promise<BlobRow | undefined> {
    const [row] = await db.select().from(blob).where(eq(blob.sha256, sha256)).limit(1);
    return row;
  }
}
