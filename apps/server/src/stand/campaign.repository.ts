import { Inject, Injectable } from '@nestjs/common';
import type { ProtocolVersions } from '@zivvo/core';
import { and, count, eq, isNull, max, sql } from 'drizzle-orm';
import type { DbOrTx } from '../database/database.ts';
import { RowRepository } from '../database/row.repository.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { oneOfIds } from '../database/oneOfIds.ts';
import { campaign, run } from './stand.table.ts';

export type CampaignRow = typeof campaign.$inferSelect;

export interface RunTally {
  runCount: number;
  lastKeptAt: Date | null;
}

@Injectable()
export class CampaignRepository extends RowRepository<typeof campaign> {
  constructor(@Inject(WORKSHOP) private readonly workshop: Workshop) {
    super(campaign, 'campaign', workshop.id);
  }

  async listOf(db: DbOrTx, craftId: string | null, limit: number): Promise<{ rows: CampaignRow[]; total: number }> {
    return this.list(db, limit, craftId === null ? undefined : eq(campaign.craftId, craftId));
  }

  /** Kept runs of each campaign and when the last one was kept. */
  async tally(db: DbOrTx, campaignIds: string[]): Promise<Map<string, RunTally>> {
    if (campaignIds.length === 0) return new Map();
    const rows = await db
      .select({ campaignId: run.campaignId, runCount: count(), lastKeptAt: max(run.keptAt) })
      .from(run)
      .where(
        and(
          oneOfIds(run.campaignId, campaignIds),
          isNull(run.deletedAt),
          eq(run.state, 'kept'),
          sql`not exists (select 1 from run later where later.replaces_run_id = ${run.id} and later.state = 'kept' and later.deleted_at is null)`,
        ),
      )
      .groupBy(run.campaignId);
    return new Map(rows.map((r) => [r.campaignId, { runCount: r.runCount, lastKeptAt: r.lastKeptAt }]));
  }

  /** Whether a run of that version of the protocol was begun. */
  async hasRunsOf(db: DbOrTx, campaignId: string, protocolVersion: number): Promise<boolean> {
    const found = await db
      .select({ id: run.id })
      .from(run)
      .where(and(eq(run.campaignId, campaignId), eq(run.protocolVersion, protocolVersion), isNull(run.deletedAt)))
      .limit(1);
    return found.length > 0;
  }

  async setProtocols(db: DbOrTx, campaignId: string, { protocols, version }: ProtocolVersions): Promise<void> {
    await db
      .update(campaign)
      .set({
        protocols: protocols.map(({ kind, stepCount, holdS, throttles }) => ({ kind, stepCount, holdS, throttles })),
        protocolVersion: version,
      })
      .where(and(eq(campaign.id, campaignId), eq(campaign.workshopId, this.workshop.id)));
  }
}
