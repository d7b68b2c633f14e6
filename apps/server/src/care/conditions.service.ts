import { Injectable } from '@nestjs/common';
import { conditionOf, type CarePolicy, type CareVerdict, type LookedPiece } from '@zivvo/core';
import type { DbOrTx } from '../database/database.ts';
import type { PieceRow } from '../rack/piece.repository.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { PieceJudge } from '../rack/pieceJudge.ts';
import {
  AlertRepository,
  grounds,
  openOutcome,
  SettingRepository,
  StrikeRepository,
  WalkaroundRepository,
} from './care.repository.ts';

/** How pieces are judged while nobody has said. */
export const usualSetting: { policy: CarePolicy; isFolding: boolean } = { policy: 'lenient', isFolding: false };

/** What becomes of a piece, for whoever wants to do something with it. */
@Injectable()
export class Conditions extends PieceJudge {
  constructor(
    private readonly settings: SettingRepository,
    private readonly models: PropModelRepository,
    private readonly walkarounds: WalkaroundRepository,
    private readonly strikes: StrikeRepository,
    private readonly alerts: AlertRepository,
  ) {
    super();
  }

  /** @param craftId - whose policy judges; the lenient one without a craft */
  override async of(
    db: DbOrTx,
    piece: Pick<PieceRow, 'id' | 'propModelId' | 'look'>,
    craftId: string | null,
  ): Promise<CareVerdict> {
    const { policy, isFolding } = await this.settingOf(db, craftId);
    const [model] = await this.models.byIds(db, [piece.propModelId]);
    const looked = (await this.walkarounds.newestLooks(db, [piece.id])).get(piece.id);
    const strike = await this.strikeAfter(db, piece.id, looked?.sequence ?? 0);
    return conditionOf(
      {
        material: model?.material ?? 'unknown',
        isFolding,
        strike,
        look: piece.look,
        openOutcome: openOutcome(looked?.fact.outcome),
      },
      policy,
    );
  }

  override async groundedBy(db: DbOrTx, piece: Pick<PieceRow, 'propModelId' | 'batchId'>): Promise<string | null> {
    return (await this.alerts.inForce(db, [piece.propModelId])).find((a) => grounds(a, piece))?.reason ?? null;
  }

  /** How the pieces of a craft are judged. */
  async settingOf(db: DbOrTx, craftId: string | null): Promise<{ policy: CarePolicy; isFolding: boolean }> {
    return (craftId === null ? null : await this.settings.ofCraft(db, craftId)) ?? usualSetting;
  }

  /** The gravest strike that a piece took after an event. */
  async strikeAfter(db: DbOrTx, pieceId: string, sequence: number): Promise<LookedPiece['strike']> {
    const since = await this.strikes.ofPieceAfter(db, pieceId, sequence);
    if (since.some((s) => s.isCrash || s.severity !== 'light')) return 'hard';
    return since.length > 0 ? 'light' : 'none';
  }
}
