import { Inject, Injectable } from '@nestjs/common';
import { eq } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { eveningPlan } from './plan.table.ts';

export type EveningPlanRow = typeof eveningPlan.$inferSelect;

@Injectable()
export class PlanRepository extends RowRepository<typeof eveningPlan> {
  constructor(@Inject(WORKSHOP) workshop: Workshop) {
    super(eveningPlan, 'plan', workshop.id);
  }

  /** The plan of an evening; null where it has none. */
  async ofCampaign(db: DbOrTx, campaignId: string): Promise<EveningPlanRow | null> {
    const { rows } = await this.list(db, 1, eq(eveningPlan.campaignId, campaignId));
    return rows[0] ?? null;
  }
}
