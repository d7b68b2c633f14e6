import { Inject, Injectable } from '@nestjs/common';
import { DB, type Db } from '../database/database.ts';
import { PartService } from '../rack/part.service.ts';
import { RunService } from '../stand/run.service.ts';
import { FlightRepository } from './care.repository.ts';

const RECENT_FLIGHTS = 10;

/** What the stand says of the packs that a craft flies. */
@Injectable()
export class PackUse {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly flights: FlightRepository,
    private readonly runs: RunService,
    private readonly parts: PartService,
  ) {}

  /** A pack of its last flights was over-drawn on the stand. */
  async isOverDrawn(craftId: string): Promise<boolean> {
    const ids = new Set(
      (await this.flights.ofCraft(this.db, craftId, RECENT_FLIGHTS)).flatMap((f) => f.packPieceId ?? []),
    );
    for (const id of ids)
      if ((await this.runs.ofPack(await this.parts.findPack(id))).record.overDrawnCount > 0) return true;
    return false;
  }
}
