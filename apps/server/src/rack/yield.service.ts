import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type YieldView } from '@zivvo/contract';
import {
  conditionOf,
  isRetiring,
  judgeFate,
  sumOfYields,
  yieldOf,
  type PropMaterial,
  type YieldCounts,
} from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { BatchRepository, PieceRepository, type FateRow } from './piece.repository.ts';
import { PropModelRepository } from './propModel.repository.ts';

/** How pieces turned out, by who made and who brought them. */
@Injectable()
export class YieldService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly pieces: PieceRepository,
    private readonly batches: BatchRepository,
    private readonly models: PropModelRepository,
  ) {}

  /** How the pieces of each model, maker and delivery turned out. */
  async find(): Promise<YieldView> {
    const rows = await this.pieces.fates(this.db);
    const models = new Map(
      (await this.models.byIds(this.db, [...new Set(rows.map((r) => r.propModelId))])).map((m) => [m.id, m]),
    );
    const judged = rows.map((row) => ({
      row,
      makerName: models.get(row.propModelId)?.makerName ?? null,
      counts: countsOf(row, models.get(row.propModelId)?.material ?? 'unknown'),
    }));
    const by = (key: (j: (typeof judged)[number]) => string | null) => {
      const names = new Set(judged.flatMap((j) => key(j) ?? []));
      return [...names].map((name) => ({
        name,
        ...yieldOf(sumOfYields(judged.filter((j) => key(j) === name).map((j) => j.counts))),
      }));
    };
    const { rows: batches } = await this.batches.list(this.db, LIST_MAX);
    const deliveries = by((j) => j.row.batchId);
    return {
      models: by((j) => j.row.propModelId).map(({ name, ...y }) => ({ propModelId: name, ...y })),
      makers: by((j) => j.makerName).map(({ name, ...y }) => ({ makerName: name, ...y })),
      deliveries: batches
        .flatMap((b) => {
          const found = deliveries.find((d) => d.name === b.id);
          if (!found) return [];
          const { name: batchId, ...y } = found;
          return [
            {
              batchId,
              propModelId: b.propModelId,
              cameAt: b.createdAt.toISOString(),
              supplierName: b.supplierName,
              location: b.location,
              ...y,
            },
          ];
        })
        .sort((a, b) => b.cameAt.localeCompare(a.cameAt)),
    };
  }
}

/** Pieces that turned out alike, under the one word for it. */
function countsOf({ look, pieceCount, ...fate }: FateRow, material: PropMaterial): YieldCounts {
  const isUnsound = isRetiring(
    conditionOf({ material, isFolding: false, strike: 'none', look, openOutcome: null }, 'lenient').outcome,
  );
  const judgement = judgeFate({ ...fate, isUnsound });
  return {
    goodFromBagCount: 0,
    goodCorrectedCount: 0,
    rejectedCount: 0,
    notJudgedCount: 0,
    [`${judgement}Count`]: pieceCount,
  };
}
