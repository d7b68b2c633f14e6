import { asc, eq } from 'drizzle-orm';
import type { Db } from './database.ts';
import { person, workshop } from '../workshop/workshop.table.ts';

type WorkshopRow = typeof workshop.$inferSelect;
type PersonRow = typeof person.$inferSelect;

export class WorkshopRepository {
  constructor(private readonly db: Db) {}

  async findOrFound(row: WorkshopRow): Promise<WorkshopRow> {
    const [found] = await this.db.select().from(workshop).limit(1);
    if (found) return found;
    await this.db.insert(workshop).values(row);
    return row;
  }

  async listPeople(workshopId: string, limit: number): Promise<PersonRow[]> {
    return this.db
      .select()
      .from(person)
      .where(eq(person.workshopId, workshopId))
      .orderBy(asc(person.createdAt))
      .limit(limit);
  }

  async addPerson(row: PersonRow): Promise<void> {
    await this.db.insert(person).values(row).onConflictDoNothing();
  }
}
