import { Injectable, type OnModuleInit } from '@nestjs/common';
import { asc, eq } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { Projectors, type Projector } from '../event/projectors.ts';
import { standFact } from './stand.table.ts';

/** Kept runs with what the line needs of them. */
const keptRuns: Projector = {
  name: 'keptRuns',
  apply: {
    runKept: async (tx, { isOtherMotor = false, replacesRunId, ...fact }, { at, workshopId }) => {
      if (!isOtherMotor) await tx.insert(standFact).values({ ...fact, workshopId, keptAt: at, isCurrent: true });
      if (replacesRunId !== null) await setCurrent(tx, replacesRunId, false);
    },
    runRemoved: (tx, { runId }) => setCurrent(tx, runId, false),
    runRestored: (tx, { runId }) => setCurrent(tx, runId, true),
  },
  reset: async (tx) => void (await tx.delete(standFact)),
  rows: (db) => db.select().from(standFact).orderBy(asc(standFact.runId)),
};

async function setCurrent(tx: DbOrTx, runId: string, isCurrent: boolean): Promise<void> {
  await tx.update(standFact).set({ isCurrent }).where(eq(standFact.runId, runId));
}

@Injectable()
export class StandProjector implements OnModuleInit {
  constructor(private readonly projectors: Projectors) {}

  onModuleInit(): void {
    this.projectors.register(keptRuns);
  }
}
