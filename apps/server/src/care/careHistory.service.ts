import { Inject, Injectable } from '@nestjs/common';
import type { CareView, MotorPieceView } from '@zivvo/contract';
import { DB, type Db } from '../database/database.ts';
import { PartService } from '../rack/part.service.ts';
import type { LivingPiece } from '../rack/piece.repository.ts';
import { toAlertView, toFlightView, toStrikeView, toWalkaroundView } from './care.mapper.ts';
import {
  AlertRepository,
  FlightRepository,
  grounds,
  StrikeRepository,
  WalkaroundRepository,
} from './care.repository.ts';

const RECENT_FLIGHTS = 20;

/** What happened to a craft lately, as its page lists it. */
@Injectable()
export class CareHistory {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly walkarounds: WalkaroundRepository,
    private readonly flights: FlightRepository,
    private readonly strikes: StrikeRepository,
    private readonly alerts: AlertRepository,
    private readonly parts: PartService,
  ) {}

  async of(craftId: string): Promise<Pick<CareView, 'lastWalkaround' | 'flights' | 'strikes' | 'flownS'>> {
    const last = await this.walkarounds.last(this.db, craftId);
    const flights = await this.flights.ofCraft(this.db, craftId, RECENT_FLIGHTS);
    const strikes = await this.strikes.ofCraft(this.db, craftId, RECENT_FLIGHTS);
    const { allS } = await this.flights.flownS(this.db, craftId, new Date(0));
    return {
      lastWalkaround: last && toWalkaroundView(last),
      flights: flights.map(toFlightView),
      strikes: strikes.map(toStrikeView),
      flownS: allS,
    };
  }

  /** Alerts that ground a piece that is on. */
  async alertsOn(on: readonly LivingPiece[]): Promise<CareView['alerts']> {
    const alerts = await this.alerts.inForce(this.db, [...new Set(on.map((p) => p.piece.propModelId))]);
    return alerts.filter((a) => on.some(({ piece }) => grounds(a, piece))).map(toAlertView);
  }

  /** Struck motors of a craft that nobody has felt since. */
  async motorsToFeel(craftId: string): Promise<MotorPieceView[]> {
    return (await this.parts.motorsOn(craftId)).filter((m) => m.strikeCount > 0 && m.bearing === null);
  }
}
