import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { flightRule, flyStop, reflyReasons, USUAL_PROTOCOL } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { toFlownCard } from './fly.mapper.ts';
import { FlightCardRepository, FlightProtocolRepository } from './fly.repository.ts';

/** The newest of each craft tell how it stands. */
const CARDS_OF_A_CRAFT = 60;

/** Whether craft were flown by protocol. */
@Injectable()
export class FlyStop implements StopSource, OnModuleInit {
  readonly station = 'fly';

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly cards: FlightCardRepository,
    private readonly protocols: FlightProtocolRepository,
    private readonly line: LineService,
  ) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = async (crafts) => {
    const { rows } = await this.cards.ofCrafts(
      this.db,
      crafts.map((c) => c.id),
      CARDS_OF_A_CRAFT,
    );
    const protocols = await this.protocols.ofCrafts(
      this.db,
      rows.map((r) => r.card.craftId),
    );
    const stops = crafts.map((craft) => {
      const own = rows.filter((r) => r.card.craftId === craft.id);
      const { version } = protocols.get(craft.id) ?? USUAL_PROTOCOL;
      const flown = own.map((r) => toFlownCard(r, craft));
      const rule = flightRule(flown, version);
      const counting = own.filter((_, i) => reflyReasons(flown[i]!, rule).length === 0);
      const times = new Map<string, number>();
      for (const { card } of counting) times.set(card.propModelId, (times.get(card.propModelId) ?? 0) + 1);
      return [
        craft.id,
        flyStop({
          countingCount: counting.length,
          reflyCount: own.length - counting.length,
          repeatedPropCount: [...times.values()].filter((n) => n > 1).length,
        }),
      ] as const;
    });
    return new Map(stops);
  };
}
