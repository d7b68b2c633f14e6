import { Injectable, type OnModuleInit } from '@nestjs/common';
import { fitStop } from '@zivvo/core';
import { LineService, type StopSource } from '../line/line.service.ts';
import { ReadyService } from '../ready/ready.service.ts';

/** How the arrangement of craft stands, by the answer that every station gives. */
@Injectable()
export class FitStop implements StopSource, OnModuleInit {
  readonly station = 'fit';

  constructor(
    private readonly ready: ReadyService,
    private readonly line: LineService,
  ) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = async (crafts) => {
    const answers = await this.ready.of(crafts);
    return new Map(
      [...answers].map(
        ([
          craftId,
          {
            ready,
            arrangement: { arms, takeOff },
          },
        ]) => {
          const misses = new Set(ready.missing.filter((m) => m.where === 'fit').map((m) => m.verdict));
          const stop = fitStop({
            armCount: arms.length,
            unknownCount: arms.filter((a) => a.hand === null).length,
            wrongCount: takeOff.faults.length,
            unseenCount: arms.filter((a) => !a.isSpinSeen).length,
            isWrong: misses.has('wrong'),
            isUnsigned: misses.has('unsigned'),
          });
          return [craftId, stop];
        },
      ),
    );
  };
}
