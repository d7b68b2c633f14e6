import { Injectable } from '@nestjs/common';
import { LIST_MAX } from '@zivvo/contract';
import { modelGeometry } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import type { DbOrTx } from '../database/database.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';

/** What a flight asks of each piece that was on. */
@Injectable()
export class FlightWear {
  constructor(
    private readonly pieces: PieceRepository,
    private readonly models: PropModelRepository,
    private readonly bench: CraftRotors,
  ) {}

  /** Pieces on a craft with the speed that wears them as it is flown. */
  async of(tx: DbOrTx, craft: CraftRow): Promise<{ living: LivingPiece; speedRpm: number }[]> {
    const on = await this.pieces.onCraft(tx, craft.id, LIST_MAX);
    const speeds = new Map<string, number>();
    for (const id of new Set(on.map((p) => p.piece.propModelId)))
      speeds.set(id, this.bench.wearSpeedRpm(craft, modelGeometry(await this.models.find(tx, id))));
    return on.map((living) => ({ living, speedRpm: speeds.get(living.piece.propModelId)! }));
  }
}
