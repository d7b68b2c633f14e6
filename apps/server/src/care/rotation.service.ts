import { Inject, Injectable } from '@nestjs/common';
import type { RotationView } from '@zivvo/contract';
import { rotation } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { PieceRepository } from '../rack/piece.repository.ts';
import { SetService } from '../rack/set.service.ts';
import { PropModelRepository } from '../rack/propModel.repository.ts';
import { PieceLives } from './pieceLives.service.ts';

/** Pieces of all the sets of a craft that are looked at. */
const MOST_PIECES = 400;

/** Whose turn it is among the sets of a craft. */
@Injectable()
export class RotationService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly sets: SetService,
    private readonly pieces: PieceRepository,
    private readonly models: PropModelRepository,
    private readonly lives: PieceLives,
  ) {}

  async ofCraft(craftId: string): Promise<RotationView> {
    const own = (await this.sets.ofCraft(craftId)).filter((s) => s.pieces.length > 0);
    const living = await this.pieces.ofSets(
      this.db,
      own.map((s) => s.id),
      MOST_PIECES,
    );
    const models = await this.models.byIds(this.db, [...new Set(living.map((p) => p.piece.propModelId))]);
    const lives = await this.lives.of(living, new Map(models.map((m) => [m.id, m])), craftId);
    const rows = own.map((set) => {
      const pieces = set.pieces.filter((p) => p.state !== 'retired');
      const used = pieces.flatMap((p) => lives.get(p.id) ?? []);
      return {
        id: set.id,
        name: set.name,
        revision: set.revision,
        restedAt: set.restedAt,
        usedRatio: Math.max(0, ...used.map((l) => l.usedRatio)),
        flownS: Math.max(0, ...used.map((l) => l.durationS)),
        isOn: pieces.some((p) => p.state === 'fitted' && p.craftId === craftId),
        isComplete: set.needs?.isComplete ?? false,
      };
    });
    const { order, nextId } = rotation(rows.map((r) => ({ ...r, isResting: r.restedAt !== null })));
    const turn = (id: string): number => (order.includes(id) ? order.indexOf(id) : order.length);
    return { sets: rows.sort((a, b) => turn(a.id) - turn(b.id)), nextSetId: nextId };
  }
}
