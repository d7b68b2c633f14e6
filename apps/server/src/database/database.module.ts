import { Global, Inject, Module, type OnApplicationShutdown } from '@nestjs/common';
import { CONFIG, type Config } from '../config.ts';
import { Clock } from '../common/clock.ts';
import { DATABASE, DB, openDatabase, type Database } from './database.ts';
import { Workshop, WORKSHOP } from './workshop.ts';

/** The database, the clock and the workshop that every feature stands on. */
@Global()
@Module({
  providers: [
    {
      provide: DATABASE,
      useFactory: (config: Config, clock: Clock) => openDatabase(config, clock.now()),
      inject: [CONFIG, Clock],
    },
    { provide: DB, useFactory: (database: Database) => database.db, inject: [DATABASE] },
    { provide: Clock, useFactory: (config: Config) => new Clock(config.startMs), inject: [CONFIG] },
    { provide: WORKSHOP, useFactory: Workshop.open, inject: [DB, CONFIG, Clock] },
  ],
  exports: [DATABASE, DB, Clock, WORKSHOP],
})
export class DatabaseModule implements OnApplicationShutdown {
  constructor(@Inject(DATABASE) private readonly database: Database) {}

  async onApplicationShutdown(): Promise<void> {
    await this.database.close();
  }
}
