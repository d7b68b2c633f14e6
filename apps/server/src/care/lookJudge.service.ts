import { Injectable } from '@nestjs/common';
import { LIST_MAX, type PropLookDto } from '@zivvo/contract';
import { CoreError, judgePiece, type PropMaterial } from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import type { DbOrTx } from '../database/database.ts';
import { PieceRepository } from '../rack/piece.repository.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { ImpossibleFindingError } from './care.errors.ts';
import { WalkaroundRepository, type SettingRow } from './care.repository.ts';
import type { StoredLook } from './care.table.ts';
import { Conditions } from './conditions.service.ts';

/** Judges what was found on each prop by what it is made of and what it went through. */
@Injectable()
export class LookJudge {
  constructor(
    private readonly pieces: PieceRepository,
    private readonly models: PropModelRepository,
    private readonly walkarounds: WalkaroundRepository,
    private readonly conditions: Conditions,
  ) {}

  /** What a look starts from: the pieces that are on, what they are made of, and when each was looked at last. */
  async seenBefore(tx: DbOrTx, { id, referencePropModelId }: CraftRow) {
    const on = await this.pieces.onCraft(tx, id, LIST_MAX);
    const modelIds = new Set(on.map((p) => p.piece.propModelId).concat(referencePropModelId ?? []));
    const materials = new Map((await this.models.byIds(tx, [...modelIds])).map((m) => [m.id, m.material]));
    return {
      on,
      materials,
      referencePropModelId,
      newest: await this.walkarounds.newestLooks(
        tx,
        on.map((p) => p.piece.id),
      ),
    };
  }

  async judge(
    tx: DbOrTx,
    before: SeenBefore,
    { policy, isFolding }: Pick<SettingRow, 'policy' | 'isFolding'>,
    look: PropLookDto,
  ): Promise<StoredLook> {
    const on = before.on.find((p) => p.life.place === look.place && p.life.level === look.level);
    const material: PropMaterial =
      before.materials.get(on?.piece.propModelId ?? before.referencePropModelId ?? '') ?? 'unknown';
    const strike = on
      ? await this.conditions.strikeAfter(tx, on.piece.id, before.newest.get(on.piece.id)?.sequence ?? 0)
      : 'none';
    try {
      const { outcome, isTruingVoid } = judgePiece({ material, isFolding, strike }, look.findings, policy);
      return {
        place: look.place,
        level: look.level,
        seen: look.seen,
        findings: look.findings,
        photoSha256: look.photoSha256 ?? null,
        pieceId: on?.piece.id ?? null,
        tag: on?.piece.tag ?? null,
        material,
        outcome,
        isTruingVoid,
        strike,
      };
    } catch (error) {
      if (!(error instanceof CoreError) || error.code !== 'noSuchFinding') throw error;
      throw new ImpossibleFindingError(
        String(error.details.place),
        String(error.details.what),
        String(error.details.allowed),
      );
    }
  }
}

type SeenBefore = Awaited<ReturnType<LookJudge['seenBefore']>>;
