import { Inject, Injectable, type OnModuleInit } from '@nestjs/common';
import { hearTakes, listenStop } from '@zivvo/core';
import { DB, type Db } from '../database/database.ts';
import { LineService, type StopSource } from '../line/line.service.ts';
import { toSoundTake } from './listen.mapper.ts';
import { ListeningRepository, SoundTakeRepository } from './listen.repository.ts';

/** Whether craft were listened to. */
@Injectable()
export class ListenStop implements StopSource, OnModuleInit {
  readonly station = 'listen';

  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly listenings: ListeningRepository,
    private readonly takes: SoundTakeRepository,
    private readonly line: LineService,
  ) {}

  onModuleInit(): void {
    this.line.register(this);
  }

  of: StopSource['of'] = async (crafts) => {
    const newest = await this.listenings.newestOf(
      this.db,
      crafts.map((c) => c.id),
    );
    const takes = await this.takes.ofListenings(
      this.db,
      newest.map((l) => l.id),
    );
    return new Map(
      crafts.map((craft) => {
        const listening = newest.find((l) => l.craftId === craft.id);
        const own = listening ? takes.filter((t) => t.listeningId === listening.id) : [];
        const sounds = listening ? own.map((t) => toSoundTake(t, listening)) : [];
        const counting = listening ? hearTakes(sounds, listening.distanceM).filter((t) => t.fault === null) : [];
        const keys = new Set(counting.map((t) => t.soundKey));
        return [
          craft.id,
          listenStop({
            takeCount: counting.length,
            propCount: keys.size,
            // Whoever walks away until nothing is heard has the place in the distance already.
            hasBackground: listening?.method === 'walkAway' || sounds.some((t) => t.soundKey === null),
            hasReference: craft.referencePropModelId !== null && keys.has(craft.referencePropModelId),
          }),
        ] as const;
      }),
    );
  };
}
