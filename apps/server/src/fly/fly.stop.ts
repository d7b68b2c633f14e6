import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { LIST_MAX } from '@zivvo/contract';
import { flyStop, reflyReasons, USUAL_PROTOCOL } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { toFlownCard } from './fly.mapper.ts';
import { FlightCardRepository, FlightProtocolRepository } from './fly.repository.ts';

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
      LIST_MAX,
    );
    const stops = crafts.map(async (craft) => {
      const own = rows.filter((r) => r.card.craftId === craft.id);
      const version =
        own.length === 0 ? 1 : ((await this.protocols.inForce(this.db, craft.id)) ?? USUAL_PROTOCOL).version;
      const counting = own.filter((r) => reflyReasons(toFlownCard(r, craft), version).length === 0);
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
    return new Map(await Promise.all(stops));
  };
}
