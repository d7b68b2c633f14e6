import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { dueChecks, type DueItem } from '@zivvo/core';
import { and, desc, eq, isNull, sql } from 'drizzle-orm';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { DueService, type DueSource } from '../line/due.service.ts';
import { InstrumentService } from './instrument.service.ts';
import { eveningPlan } from './plan.table.ts';
import { campaign, run } from './stand.table.ts';

const TOLD_MOST = 6;

/** Instruments to check, and evenings that were planned and are not run to their end. */
@Injectable()
export class StandDue implements DueSource, OnModuleInit {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly instruments: InstrumentService,
    private readonly dues: DueService,
  ) {}

  onModuleInit(): void {
    this.dues.register(this);
  }

  due: DueSource['due'] = async () => {
    const { standings } = await this.instruments.all();
    const checks = dueChecks(standings).map((reason) => ({ reason, path: '/stand/instruments', craftId: null }));
    return [...(await this.evenings()), ...checks];
  };

  private async evenings(): Promise<DueItem[]> {
    // Of the evenings that were planned alone, however many runs there are.
    const done = this.db.$count(
      run,
      and(eq(run.campaignId, campaign.id), eq(run.state, 'kept'), isNull(run.deletedAt)),
    );
    const planned = sql<number>`(select count(*)::int from jsonb_array_elements(${eveningPlan.runs}) as r where not (r ->> 'isSkipped')::boolean)`;
    const rows = await this.db
      .select({
        id: campaign.id,
        name: campaign.name,
        craftId: campaign.craftId,
        done: done.mapWith(Number),
        planned,
      })
      .from(eveningPlan)
      .innerJoin(campaign, eq(campaign.id, eveningPlan.campaignId))
      .where(
        and(
          eq(campaign.workshopId, this.workshop.id),
          isNull(campaign.deletedAt),
          isNull(eveningPlan.deletedAt),
          sql`${done} < ${planned}`,
        ),
      )
      .orderBy(desc(eveningPlan.updatedAt))
      .limit(TOLD_MOST);
    return rows.map(({ id, name, craftId, done: doneCount, planned: of }) => ({
      reason: { code: 'due.evening', severity: 'action', values: { name, done: doneCount, of }, figure: null },
      path: `/stand/${id}/evening`,
      craftId,
    }));
  }
}
