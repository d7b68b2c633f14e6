import { Inject, Injectable } from '@nestjs/common';
import { TRAY_MAX_COUNT, type TraysView } from '@zivvo/contract';
import { CraftRepository } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { toPieceView } from '../rack/piece.mapper.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { PieceJudge } from '../rack/pieceJudge.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { BalanceJobRepository } from './balance.repository.ts';

/** What lies in which tray: to be balanced, good, sent back, not worth it. */
@Injectable()
export class TraysService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly crafts: CraftRepository,
    private readonly bench: CraftRotors,
    private readonly pieces: PieceRepository,
    private readonly judge: PieceJudge,
    private readonly models: PropModelRepository,
    private readonly balanceJobs: BalanceJobRepository,
  ) {}

  /** Pieces of a prop model, of the model a craft flies, or all of them, by what is to be done. */
  async find(craftId: string | null, propModelId: string | null): Promise<TraysView> {
    const craft = craftId === null ? null : await this.crafts.find(this.db, craftId);
    const modelId = propModelId ?? craft?.referencePropModelId ?? null;
    const { rows, isCut } = await this.pieces.onShelf(this.db, modelId, TRAY_MAX_COUNT);
    const elsewhereCount = modelId === null ? 0 : await this.waitingBeside(modelId);
    const trays: TraysView = { toDo: [], good: [], back: [], notNeeded: [], elsewhereCount, isCut };
    const found = await this.models.byIds(this.db, [...new Set(rows.map(({ piece }) => piece.propModelId))]);
    const models = new Map(found.map((m) => [m.id, m]));
    for (const { living, tray } of await this.sorted(rows)) {
      const model = models.get(living.piece.propModelId)!;
      const isNeeded = craft === null || this.bench.isBalancingNeeded(craft, model, living.piece);
      trays[tray === 'toDo' && !isNeeded ? 'notNeeded' : tray].push(toPieceView(living));
    }
    return trays;
  }

  /** How many pieces of other models wait; only what something is known of is judged one by one. */
  private async waitingBeside(propModelId: string): Promise<number> {
    const { count, doubtful } = await this.balanceJobs.waitingBeside(this.db, propModelId, TRAY_MAX_COUNT);
    return count - (await this.judge.beyondMending(this.db, doubtful)).size;
  }

  /** Pieces with the tray that they lie in; one that is to be retired is never offered for balancing. */
  private async sorted(
    rows: readonly LivingPiece[],
  ): Promise<{ living: LivingPiece; tray: 'toDo' | 'good' | 'back' }[]> {
    const last = await this.balanceJobs.lastOf(
      this.db,
      rows.map((r) => r.piece.id),
    );
    const beyond = await this.judge.beyondMending(this.db, rows);
    return rows.map((living) => {
      const { piece, life } = living;
      const isGood = life.isTruedStatic || life.isTruedDynamic;
      const isBack = last.get(piece.id)?.state === 'sentBack' || (!isGood && beyond.has(piece.id));
      return { living, tray: isBack ? 'back' : isGood ? 'good' : 'toDo' };
    });
  }
}
