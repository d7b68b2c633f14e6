import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { handsNeeded, handsWanted, layoutKind, type DueItem } from '@zivvo/core';
import { handsText } from '@zivvo/words';
import { and, count, desc, eq, exists, gt, isNull, sql } from 'drizzle-orm';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { DueService, type DueSource } from '../line/due.service.ts';
import { batch, pieceLife, propPiece } from './piece.table.ts';
import { writtenModelName } from './propModel.mapper.ts';
import { propModel } from './propModel.table.ts';

/** More is a list of its own. */
const TOLD_MOST = 12;

/** What is to be bought, and which deliveries wait to be checked in. */
@Injectable()
export class RackDue implements DueSource, OnModuleInit {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly dues: DueService,
  ) {}

  onModuleInit(): void {
    this.dues.register(this);
  }

  due: DueSource['due'] = async (crafts) => [...(await this.deliveries()), ...(await this.wanted(crafts))];

  private async wanted(crafts: Parameters<DueSource['due']>[0]): Promise<DueItem[]> {
    const rows = await this.db
      .select()
      .from(propModel)
      .where(and(eq(propModel.workshopId, this.workshop.id), isNull(propModel.deletedAt), gt(propModel.wantedCount, 0)))
      .orderBy(desc(propModel.updatedAt))
      .limit(TOLD_MOST);
    return rows.map((model) => {
      const craft = crafts.find((c) => c.id === model.wantedCraftId);
      const hands = craft
        ? handsText(handsWanted(model.wantedCount, handsNeeded(craft.rotors, layoutKind(craft.layout))))
        : '';
      return {
        reason: {
          code: 'due.buy',
          severity: 'note',
          values: { name: writtenModelName(model), count: model.wantedCount, craft: craft?.name ?? '', hands },
          figure: null,
        },
        path: `/rack/${model.id}`,
        craftId: model.wantedCraftId,
      };
    });
  }

  private async deliveries(): Promise<DueItem[]> {
    const waiting = and(eq(propPiece.batchId, batch.id), isNull(propPiece.deletedAt), eq(pieceLife.state, 'new'));
    const ofBatch = this.db.select({ n: count() }).from(propPiece);
    const counted = ofBatch.innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id)).where(waiting);
    const rows = await this.db
      .select({
        batchId: batch.id,
        supplierName: batch.supplierName,
        model: propModel,
        pieceCount: sql<number>`(${counted})`.mapWith(Number),
      })
      .from(batch)
      .innerJoin(propModel, eq(propModel.id, batch.propModelId))
      .where(
        and(
          eq(batch.workshopId, this.workshop.id),
          isNull(batch.deletedAt),
          exists(
            this.db
              .select({ id: propPiece.id })
              .from(propPiece)
              .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
              .where(waiting),
          ),
        ),
      )
      .orderBy(desc(batch.createdAt))
      .limit(TOLD_MOST);
    return rows.map(({ batchId, supplierName, model, pieceCount }) => ({
      reason: {
        code: 'due.checkIn',
        severity: 'action',
        values: { name: writtenModelName(model), count: pieceCount, supplier: supplierName ?? '' },
        figure: null,
      },
      path: `/rack/deliveries/${batchId}`,
      craftId: null,
    }));
  }
}
