import { Inject, Injectable } from '@nestjs/common';
import { pieceLifeLeft, type PieceLifeLeft } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { DB, type Db } from '../database/database.ts';
import type { LivingPiece } from '../rack/piece.repository.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import { FlightRepository, StrikeRepository, WalkaroundRepository } from './care.repository.ts';

const DAY_MS = 86_400_000;
/** The pace of a craft is that of its last month; a younger one is taken over a week at least. */
const PACE_DAYS = 30;
const LEAST_PACE_DAYS = 7;

/** What pieces have done, and what is left of them. */
@Injectable()
export class PieceLives {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly flights: FlightRepository,
    private readonly strikes: StrikeRepository,
    private readonly walkarounds: WalkaroundRepository,
  ) {}

  /**
   * What is left of the life of pieces, by piece.
   *
   * @param models - those of all the pieces, by id
   * @param craftId - the craft whose pace sets the dates; null where no date is asked for
   */
  async of(
    pieces: readonly LivingPiece[],
    models: ReadonlyMap<string, PropModelRow>,
    craftId: string | null,
  ): Promise<Map<string, PieceLifeLeft>> {
    const ids = pieces.map((p) => p.piece.id);
    const [flown, struck, nicked] = [
      await this.flights.ofPieces(this.db, ids),
      await this.strikes.ofPieces(this.db, ids),
      await this.walkarounds.nicked(this.db, ids),
    ];
    const secondsPerDay = craftId === null ? 0 : await this.paceOf(craftId);
    return new Map(
      pieces.map(({ piece }) => {
        const model = models.get(piece.propModelId)!;
        const own = flown.find((f) => f.pieceId === piece.id);
        const strikes = struck.filter((s) => s.pieceId === piece.id).map((s) => s.severity);
        return [
          piece.id,
          pieceLifeLeft({
            diameterM: piece.diameterM ?? model.measuredDiameterM ?? model.diameterM,
            material: model.material,
            flown: own ? [own] : [],
            strikes,
            hasNick: nicked.has(piece.id),
            flightCount: own?.flightCount ?? 0,
            secondsPerDay,
          }),
        ];
      }),
    );
  }

  /** How much a craft flies a day now [s]. */
  private async paceOf(craftId: string): Promise<number> {
    const nowMs = this.clock.nowMs();
    const { recentS, firstAt } = await this.flights.flownS(this.db, craftId, new Date(nowMs - PACE_DAYS * DAY_MS));
    return (
      recentS /
      (firstAt === null
        ? PACE_DAYS
        : Math.min(PACE_DAYS, Math.max(LEAST_PACE_DAYS, (nowMs - firstAt.getTime()) / DAY_MS)))
    );
  }
}
