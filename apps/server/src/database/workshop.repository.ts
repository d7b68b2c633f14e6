import { asc, eq } from 'drizzle-orm';
import type { Db } from './database.ts';
import { oneAtATime } from './oneAtATime.ts';
import { person, workshop } from '../workshop/workshop.table.ts';

type WorkshopRow = typeof workshop.$inferSelect;
type PersonRow = typeof person.$inferSelect;

export class WorkshopRepository {
  constructor(private readonly db: Db) {}

  async findOrFound(row: WorkshopRow): Promise<WorkshopRow> {
    return this.db.transaction(async (tx) => {
      await oneAtATime(tx, 'workshop');
      const [found] = await tx.select().from(workshop).limit(1);
      if (found) return found;
      await tx.insert(workshop).values(row);
      return row;
    });
  }

  async listPeople(workshopId: string, limit: number): Promise<{ rows: PersonRow[]; total: number }> {
    const where = eq(person.workshopId, workshopId);
    const rows = await this.db.select().from(person).where(where).orderBy(asc(person.createdAt)).limit(limit);
    return { rows, total: rows.length < limit ? rows.length : await this.db.$count(person, where) };
  }

  async addPerson(row: PersonRow): Promise<void> {
    await this.db.insert(person).values(row).onConflictDoNothing();
  }
}
