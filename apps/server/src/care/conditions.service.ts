import { Injectable } from '@nestjs/common';
import {
  conditionOf,
  isRetiring,
  type CarePolicy,
  type CareVerdict,
  type LookedPiece,
  type StrikeSeverity,
} from '@zivvo/core';
import type { DbOrTx } from '../database/database.ts';
import type { LivingPiece, PieceRow } from '../rack/piece.repository.ts';
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

  override async beyondMending(db: DbOrTx, pieces: readonly LivingPiece[]): Promise<Set<string>> {
    const ids = pieces.map(({ piece }) => piece.id);
    const models = await this.models.byIds(db, [...new Set(pieces.map(({ piece }) => piece.propModelId))]);
    const materials = new Map(models.map((m) => [m.id, m.material]));
    const looks = await this.walkarounds.newestLooks(db, ids);
    const strikes = await this.strikes.numbered(db, ids);
    const settings = new Map<string | null, typeof usualSetting>();
    for (const craftId of new Set(pieces.map(({ life }) => life.craftId)))
      settings.set(craftId, await this.settingOf(db, craftId));
    const beyond = pieces.filter(({ piece, life }) => {
      const { policy, isFolding } = settings.get(life.craftId)!;
      const look = looks.get(piece.id);
      const since = strikes.filter((s) => s.pieceId === piece.id && s.sequence > (look?.sequence ?? 0));
      const condition = {
        material: materials.get(piece.propModelId) ?? 'unknown',
        isFolding,
        look: piece.look,
      } as const;
      const openLook = openOutcome(look?.fact.outcome);
      return isRetiring(conditionOf({ ...condition, strike: gravest(since), openOutcome: openLook }, policy).outcome);
    });
    return new Set(beyond.map(({ piece }) => piece.id));
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
    return gravest(await this.strikes.ofPieceAfter(db, pieceId, sequence));
  }
}

/** What strikes come to, taken together. */
function gravest(strikes: readonly { severity: StrikeSeverity; isCrash: boolean }[]): LookedPiece['strike'] {
  if (strikes.some((s) => s.isCrash || s.severity !== 'light')) return 'hard';
  return strikes.length > 0 ? 'light' : 'none';
}
