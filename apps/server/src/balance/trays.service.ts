import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type TraysView } from '@zivvo/contract';
import { Clock } from '../common/clock.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { RotorBench } from '../craft/rotorBench.ts';
import { DB, type Db } from '../database/database.ts';
import { toPieceView } from '../rack/piece.mapper.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { PieceService } from '../rack/piece.service.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { BalanceJobRepository } from './balance.repository.ts';

/** What lies in which tray: to be balanced, good, sent back, not worth it. */
@Injectable()
export class TraysService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly crafts: CraftRepository,
    private readonly bench: RotorBench,
    private readonly pieces: PieceRepository,
    private readonly lives: PieceService,
    private readonly models: PropModelRepository,
    private readonly balanceJobs: BalanceJobRepository,
  ) {}

  /** Pieces of a prop model, of the model a craft flies, or all of them, by what is to be done. */
  async find(craftId: string | null, propModelId: string | null): Promise<TraysView> {
    const craft = craftId === null ? null : await this.crafts.find(this.db, craftId);
    const modelId = propModelId ?? craft?.referencePropModelId ?? null;
    const trays: TraysView = { toDo: [], good: [], back: [], notNeeded: [], elsewhereCount: 0 };
    for (const { living, tray } of await this.sorted(modelId)) {
      const isLeftAlone = tray === 'toDo' && craft !== null && !(await this.isNeeded(craft, living));
      trays[isLeftAlone ? 'notNeeded' : tray].push(toPieceView(living));
    }
    const others = modelId === null ? [] : await this.sorted(null);
    trays.elsewhereCount = others.filter(
      ({ living, tray }) => tray === 'toDo' && living.piece.propModelId !== modelId,
    ).length;
    return trays;
  }

  /** Living pieces with the tray that they lie in; one that is to be retired is never offered for balancing. */
  private async sorted(propModelId: string | null): Promise<{ living: LivingPiece; tray: 'toDo' | 'good' | 'back' }[]> {
    const { rows } = await this.pieces.page(this.db, { propModelId }, this.clock.now(), LIST_MAX);
    const last = await this.balanceJobs.lastOf(
      this.db,
      rows.map((r) => r.piece.id),
    );
    const living = rows.filter(({ life }) => life.state !== 'retired' && life.state !== 'new');
    return Promise.all(
      living.map(async (one) => {
        const isGood = one.life.isTruedStatic || one.life.isTruedDynamic;
        const isBack =
          last.get(one.piece.id)?.state === 'sentBack' || (!isGood && (await this.lives.isBeyondMending(this.db, one)));
        return { living: one, tray: isBack ? ('back' as const) : isGood ? ('good' as const) : ('toDo' as const) };
      }),
    );
  }

  private async isNeeded(craft: CraftRow, { piece }: LivingPiece): Promise<boolean> {
    const model = await this.models.find(this.db, piece.propModelId);
    return this.bench.isBalancingNeeded(craft, model, piece);
  }
}
