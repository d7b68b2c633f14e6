import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type FitPieceDto, type SwapArmsDto } from '@zivvo/contract';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db, type DbOrTx } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { requireArm, requireHand, requireReleased } from '../rack/fitRules.ts';
import { FitRefusedError } from '../rack/piece.errors.ts';
import { PieceRepository, type LivingPiece } from '../rack/piece.repository.ts';
import { NO_ACTION, PieceService } from '../rack/piece.service.ts';
import { PieceJudge } from '../rack/pieceJudge.ts';
import { propModelName } from '../rack/propModel.mapper.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { OldTagError } from './fit.errors.ts';
import { isSameArm, touchedStates, withHandsSwapped } from './fit.mapper.ts';
import { FittingStore } from './fittingStore.service.ts';

/** Pieces that go onto arms and from one to another. */
@Injectable()
export class FitMoves {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly crafts: CraftRepository,
    private readonly store: FittingStore,
    private readonly pieces: PieceRepository,
    private readonly lives: PieceService,
    private readonly models: PropModelRepository,
    private readonly judge: PieceJudge,
    private readonly ledger: EventLedger,
  ) {}

  /** Puts a tagged piece onto an arm: right hand, one model, the old mark read before it comes off. */
  async fit(craftId: string, dto: FitPieceDto): Promise<void> {
    const craft = await this.crafts.find(this.db, craftId);
    requireArm(craft, dto);
    await this.db.transaction(async (tx) => {
      const next = await this.byTag(tx, dto.tag);
      const on = await this.pieces.onCraft(tx, craftId, LIST_MAX);
      const old = on.find((p) => isSameArm(p.life, dto));
      const markSha256 = dto.oldMarkSha256 ?? null;
      if (old && (markSha256 === null || dto.oldTag)) requireOldTag(old.piece.tag, dto.oldTag ?? null);
      await this.lives.requireAllowed(tx, next, 'fit', craftId);
      requireReleased(next.piece.tag, await this.judge.groundedBy(tx, next.piece));
      if (!dto.overrideReason)
        await this.requireFits(
          tx,
          craft,
          next,
          on.filter((p) => p !== old),
          dto,
        );
      if (old)
        await this.lives.record(tx, old, {
          ...NO_ACTION,
          action: 'remove',
          reason: dto.overrideReason ?? null,
          markSha256,
        });
      await this.lives.record(tx, next, {
        ...NO_ACTION,
        action: 'fit',
        craftId,
        place: dto.place,
        level: dto.level,
        reason: dto.overrideReason ?? null,
      });
      await this.store.reviseStates(tx, craft, (states) => touchedStates(states, [dto]));
    });
  }

  private async requireFits(
    tx: DbOrTx,
    craft: CraftRow,
    next: LivingPiece,
    others: readonly LivingPiece[],
    arm: FitPieceDto,
  ): Promise<void> {
    requireHand(craft, next.piece, arm);
    const { tag, propModelId } = next.piece;
    const stranger = others.find((p) => p.piece.propModelId !== propModelId);
    if (!stranger) return;
    const [own, other] = [
      await this.models.find(tx, propModelId),
      await this.models.find(tx, stranger.piece.propModelId),
    ];
    throw new FitRefusedError(
      'otherModel',
      `No: ${tag} is a ${propModelName(own)}, the others are ${propModelName(other)}. One model on every arm; ` +
        'a new model means new pieces everywhere.',
    );
  }

  /** What sits on two arms changes places, tagged or not, and is put on with its label forward. */
  async swap(craftId: string, dto: SwapArmsDto): Promise<void> {
    const craft = await this.crafts.find(this.db, craftId);
    const { first, second } = dto;
    for (const arm of [first, second]) requireArm(craft, arm);
    await this.db.transaction(async (tx) => {
      const on = await this.pieces.onCraft(tx, craftId, LIST_MAX);
      const moves = [
        { piece: on.find((p) => isSameArm(p.life, first)), to: second },
        { piece: on.find((p) => isSameArm(p.life, second)), to: first },
      ].flatMap(({ piece, to }) => (piece ? [{ id: piece.piece.id, piece, to }] : []));
      for (const { piece } of moves) await this.lives.record(tx, piece, { ...NO_ACTION, action: 'remove' });
      for (const { id, to } of moves)
        await this.lives.record(tx, await this.pieces.findLiving(tx, id), {
          ...NO_ACTION,
          action: 'fit',
          craftId,
          place: to.place,
          level: to.level,
        });
      await this.store.reviseStates(tx, craft, (states) =>
        touchedStates(withHandsSwapped(states, dto), [first, second]),
      );
      for (const { place, level } of [first, second])
        await this.ledger.record(tx, craftId, { kind: 'armChanged', craftId, place, level, what: 'piece' });
    });
  }

  private async byTag(tx: DbOrTx, tag: string): Promise<LivingPiece> {
    const { piece } = await this.pieces.findByTag(tx, tag.trim().toUpperCase());
    return this.pieces.hold(tx, piece.id);
  }
}

function requireOldTag(expected: string, read: string | null): void {
  if (read?.trim().toUpperCase() !== expected) throw new OldTagError(expected, read);
}
