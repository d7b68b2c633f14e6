import { Injectable } from '@nestjs/common';
import { conditionOf, type CarePolicy, type CareVerdict, type LookedPiece } from '@zivvo/core';
import type { DbOrTx } from '../database/database.ts';
import type { PieceRow } from '../piece/piece.repository.ts';
import { PropModelRepository } from '../propModel/propModel.repository.ts';
import { openOutcome, SettingRepository, StrikeRepository, WalkaroundRepository } from './care.repository.ts';

const USUAL: { policy: CarePolicy; isFolding: boolean } = { policy: 'lenient', isFolding: false };

/** What becomes of a piece, for whoever wants to do something with it. */
@Injectable()
export class Conditions {
  constructor(
    private readonly settings: SettingRepository,
    private readonly models: PropModelRepository,
    private readonly walkarounds: WalkaroundRepository,
    private readonly strikes: StrikeRepository,
  ) {}

  /** @param craftId - whose policy judges; the lenient one without a craft */
  async of(db: DbOrTx, piece: Pick<PieceRow, 'id' | 'propModelId' | 'look'>, craftId: string | null): Promise<CareVerdict> {
    const { policy, isFolding } = await this.settingOf(db, craftId);
    const [model] = await this.models.byIds(db, [piece.propModelId]);
    const looked = (await this.walkarounds.newestLooks(db, [piece.id])).get(piece.id);
    const strike = await this.strikeAfter(db, piece.id, looked?.sequence ?? 0);
    return conditionOf({ material: model?.material ?? 'unknown', isFolding, strike, look: piece.look, openOutcome: openOutcome(looked?.fact.outcome) }, policy);
  }

  /** How the pieces of a craft are judged. */
  async settingOf(db: DbOrTx, craftId: string | null): Promise<{ policy: CarePolicy; isFolding: boolean }> {
    return (craftId === null ? null : await this.settings.ofCraft(db, craftId)) ?? USUAL;
  }

  /** The gravest strike that a piece took after an event. */
  async strikeAfter(db: DbOrTx, pieceId: string, sequence: number): Promise<LookedPiece['strike']> {
    const since = await this.strikes.ofPieceAfter(db, pieceId, sequence);
    if (since.some((s) => s.isCrash || s.severity !== 'light')) return 'hard';
    return since.length > 0 ? 'light' : 'none';
  }
}
