import { Inject, Injectable } from '@nestjs/common';
import type { FoundView } from '@zivvo/contract';
import { and, desc, eq, ilike, isNull, or } from 'drizzle-orm';
import { craft } from '../craft/craft.table.ts';
import { pieceLife } from '../event/event.table.ts';
import { propPiece } from '../piece/piece.table.ts';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { propModelName } from '../propModel/propModel.mapper.ts';
import { propModel } from '../propModel/propModel.table.ts';
import { campaign, run } from '../stand/stand.table.ts';

const MOST_OF_A_KIND = 8;

/** Looks a few words up in everything that has a name. */
@Injectable()
export class FinderRepository {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
  ) {}

  async find(words: string): Promise<FoundView[]> {
    const pattern = `%${words.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
    return [...(await this.pieces(pattern)), ...(await this.crafts(pattern)), ...(await this.models(pattern)), ...(await this.campaigns(pattern)), ...(await this.runs(pattern))];
  }

  private async pieces(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select({ id: propPiece.id, tag: propPiece.tag, state: pieceLife.state, location: pieceLife.location, craftId: pieceLife.craftId, propModelId: propModel.id, label: propModel.label, makerName: propModel.makerName })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .innerJoin(propModel, eq(propModel.id, propPiece.propModelId))
      .where(and(eq(propPiece.workshopId, this.workshop.id), isNull(propPiece.deletedAt), ilike(propPiece.tag, pattern)))
      .limit(MOST_OF_A_KIND);
    return rows.map((p) => ({ kind: 'piece', id: p.id, title: p.tag, detail: [propModelName(p), p.location].filter((t) => t !== null).join(', '), craftId: p.craftId, propModelId: p.propModelId }));
  }

  private async crafts(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(craft)
      .where(and(eq(craft.workshopId, this.workshop.id), isNull(craft.deletedAt), or(ilike(craft.name, pattern), ilike(craft.ownerName, pattern), ilike(craft.motorLabel, pattern))))
      .limit(MOST_OF_A_KIND);
    return rows.map((c) => ({ kind: 'craft', id: c.id, title: c.name, detail: c.motorLabel, craftId: c.id, propModelId: null }));
  }

  private async models(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(propModel)
      .where(and(eq(propModel.workshopId, this.workshop.id), isNull(propModel.deletedAt), or(ilike(propModel.label, pattern), ilike(propModel.makerName, pattern))))
      .limit(MOST_OF_A_KIND);
    return rows.map((p) => ({ kind: 'propModel', id: p.id, title: propModelName(p), detail: p.material, craftId: null, propModelId: p.id }));
  }

  private async campaigns(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select({ id: campaign.id, name: campaign.name, craftId: craft.id, craftName: craft.name })
      .from(campaign)
      .innerJoin(craft, eq(craft.id, campaign.craftId))
      .where(and(eq(campaign.workshopId, this.workshop.id), isNull(campaign.deletedAt), isNull(craft.deletedAt), or(ilike(campaign.name, pattern), ilike(craft.name, pattern))))
      .orderBy(desc(campaign.createdAt))
      .limit(MOST_OF_A_KIND);
    return rows.map((c) => ({ kind: 'campaign', id: c.id, title: c.name, detail: c.craftName, craftId: c.craftId, propModelId: null }));
  }

  private async runs(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select({ id: run.id, label: propModel.label, makerName: propModel.makerName, propModelId: propModel.id, campaignName: campaign.name, craftId: campaign.craftId })
      .from(run)
      .innerJoin(propModel, eq(propModel.id, run.propModelId))
      .innerJoin(campaign, eq(campaign.id, run.campaignId))
      .where(and(eq(run.workshopId, this.workshop.id), isNull(run.deletedAt), isNull(campaign.deletedAt), or(ilike(propModel.label, pattern), ilike(propModel.makerName, pattern))))
      .orderBy(desc(run.createdAt))
      .limit(MOST_OF_A_KIND);
    return rows.map((r) => ({ kind: 'run', id: r.id, title: propModelName(r), detail: r.campaignName, craftId: r.craftId, propModelId: r.propModelId }));
  }
}
