import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { balanceStop } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { PieceRepository } from '../rack/piece.repository.ts';

/** Whether the pieces on craft are balanced. */
@Injectable()
export class BalanceStop implements StopSource, OnModuleInit {
  readonly station = 'balance';

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly pieces: PieceRepository,
    private readonly line: LineService,
  ) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = async (crafts) => {
    const counts = await this.pieces.balancedOn(
      this.db,
      crafts.map((c) => c.id),
    );
    return new Map(crafts.map(({ id }) => [id, balanceStop(counts.get(id) ?? { fittedCount: 0, truedCount: 0 })]));
  };
}
