import { count } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { craft } from '../craft/craft.table.ts';
import { propModel } from '../propModel/propModel.table.ts';
import { campaign, run } from '../stand/stand.table.ts';
import { airReading } from '../workshop/air.table.ts';
import { packPiece } from '../workshop/pieces.table.ts';
import { person } from '../workshop/workshop.table.ts';

export interface DemoRows {
  people: (typeof person.$inferInsert)[];
  propModels: (typeof propModel.$inferInsert)[];
  crafts: (typeof craft.$inferInsert)[];
  packs: (typeof packPiece.$inferInsert)[];
  air: (typeof airReading.$inferInsert)[];
  campaigns: (typeof campaign.$inferInsert)[];
  runs: (typeof run.$inferInsert)[];
}

export class DemoRepository {
  async isEmpty(db: DbOrTx): Promise<boolean> {
    const [row] = await db.select({ people: count() }).from(person);
    return (row?.people ?? 0) === 0;
  }

  async insert(tx: DbOrTx, rows: DemoRows): Promise<void> {
    await tx.insert(person).values(rows.people);
    await tx.insert(propModel).values(rows.propModels);
    await tx.insert(craft).values(rows.crafts);
    await tx.insert(packPiece).values(rows.packs);
    await tx.insert(airReading).values(rows.air);
    await tx.insert(campaign).values(rows.campaigns);
    await tx.insert(run).values(rows.runs);
  }
}
