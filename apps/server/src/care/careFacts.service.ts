import { Inject, Injectable } from '@nestjs/common';
import type { CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { CareSource, type Arrangement, type CareRecord } from '../ready/sources.ts';
import { AlertRepository, grounds, openOutcome, WalkaroundRepository } from './care.repository.ts';
import { CareFactsRepository } from './careFacts.repository.ts';
import { PieceLives } from './pieceLives.service.ts';

/** What care knows of craft, for the one answer to whether they may fly. */
@Injectable()
export class CareFacts extends CareSource {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly facts: CareFactsRepository,
    private readonly lives: PieceLives,
    private readonly walkarounds: WalkaroundRepository,
    private readonly alerts: AlertRepository,
  ) {
    super();
  }

  override async of(
    crafts: readonly CraftRow[],
    arrangements: ReadonlyMap<string, Arrangement>,
  ): Promise<Map<string, CareRecord>> {
    const ids = crafts.map((c) => c.id);
    const on = [...arrangements.values()].flatMap((a) => a.on);
    const models = new Map([...arrangements.values()].flatMap((a) => a.models).map((m) => [m.id, m]));
    const lives = await this.lives.of(on, models, null);
    const looked = await this.walkarounds.newestLooks(
      this.db,
      on.map((p) => p.piece.id),
    );
    const alerts = await this.alerts.inForce(this.db, [...new Set(on.map((p) => p.piece.propModelId))]);
    const looks = await this.facts.lastLooks(this.db, ids);
    const motors = await this.facts.motorsToFeel(this.db, ids);
    const since = await this.facts.happenedAfter(this.db, new Map(ids.map((id) => [id, looks.get(id)?.sequence ?? 0])));
    const found = new Map<string, CareRecord>();
    for (const { id } of crafts) {
      const look = looks.get(id) ?? null;
      const own = arrangements.get(id)!.on.map(
        ({ piece }) =>
          [
            piece.id,
            {
              life: lives.get(piece.id)!,
              openOutcome: openOutcome(looked.get(piece.id)?.fact.outcome),
              alert: alerts.find((a) => grounds(a, piece))?.reason ?? null,
            },
          ] as const,
      );
      found.set(id, {
        look,
        pieces: new Map(own),
        motorsToFeel: motors.filter((m) => m.craftId === id).map((m) => m.tag),
        flightsSinceLook: since.get(id)!.flights,
        strikesSinceLook: since.get(id)!.strikes,
      });
    }
    return found;
  }
}
