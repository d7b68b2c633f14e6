import { Inject, Injectable } from '@nestjs/common';
import type { CareView } from '@zivvo/contract';
import { changesLeft, handsNeeded, layoutKind, seasonSpares, temperatureAdvice } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import type { CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { PieceRepository } from '../rack/piece.repository.ts';
import type { PropModelRow } from '../rack/propModel.repository.ts';
import { WorkshopService } from '../workshop/workshop.service.ts';
import { FlightRepository, LogRepository } from './care.repository.ts';

const DAY_MS = 86_400_000;
/** What the log of the last quarter used up is laid over the next one. */
const SEASON_DAYS = 90;

/** What lies ahead of a craft: spares, changes and today's cold. */
@Injectable()
export class OutlookService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly clock: Clock,
    private readonly pieces: PieceRepository,
    private readonly flights: FlightRepository,
    private readonly log: LogRepository,
    private readonly workshop: WorkshopService,
  ) {}

  async changesLeft(
    craft: CraftRow,
    model: PropModelRow | null,
  ): Promise<{ count: number; firstOut: 'cw' | 'ccw' | null } | null> {
    if (!model) return null;
    const stock = (await this.pieces.available(this.db)).find((a) => a.propModelId === model.id) ?? {
      cwCount: 0,
      ccwCount: 0,
      eitherCount: 0,
    };
    return changesLeft(stock, handsNeeded(craft.rotors, layoutKind(craft.layout)));
  }

  async temperature(model: PropModelRow | null) {
    const air = await this.workshop.currentAir();
    return model && air ? temperatureAdvice(model.material, air.temperatureC) : [];
  }

  async season(craft: CraftRow, model: PropModelRow | null): Promise<CareView['season']> {
    if (!model) return { days: SEASON_DAYS, flightCount: 0, logDays: 0, hands: [] };
    const since = new Date(this.clock.nowMs() - SEASON_DAYS * DAY_MS);
    const retired = await this.log.retiredSince(this.db, model.id, since);
    const stock = (await this.pieces.available(this.db)).find((a) => a.propModelId === model.id);
    const { firstAt, recentCount: flightCount } = await this.flights.flownS(this.db, craft.id, since);
    const daysCount =
      firstAt === null ? 1 : Math.min(SEASON_DAYS, Math.max(1, (this.clock.nowMs() - firstAt.getTime()) / DAY_MS));
    const needed = handsNeeded(craft.rotors, layoutKind(craft.layout));
    const hands = (['cw', 'ccw'] as const)
      .filter((hand) => needed[`${hand}Count`] > 0)
      .map((hand) => ({
        hand,
        spares: seasonSpares(
          { daysCount, flightCount, usedUpCount: retired.get(hand) ?? 0, onRackCount: stock?.[`${hand}Count`] ?? 0 },
          SEASON_DAYS,
        ),
      }));
    return { days: SEASON_DAYS, flightCount, logDays: firstAt === null ? 0 : Math.floor(daysCount), hands };
  }
}
