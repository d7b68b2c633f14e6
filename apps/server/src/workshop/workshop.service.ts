import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type AirView,
  type CreatePersonDto,
  type HealthView,
  type PersonView,
  type ReadAirDto,
  type ListView,
} from '@zivvo/contract';
import { densityAltitudeM, humidAir } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { DATABASE, DB, lastMigration, type Database, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { VERSION } from '../version.ts';
import { AirRepository } from './air.repository.ts';
import { postgresVersion } from './health.repository.ts';
import { WorkshopRepository } from '../database/workshop.repository.ts';

@Injectable()
export class WorkshopService {
  private readonly people: WorkshopRepository;

  constructor(
    @Inject(DATABASE) private readonly database: Database,
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
    private readonly clock: Clock,
    private readonly rows: RowMaker,
    private readonly air: AirRepository,
  ) {
    this.people = new WorkshopRepository(db);
  }

  /** Asks the database something, so that *ok* means it answers. */
  async health(): Promise<HealthView> {
    return {
      status: 'ok',
      version: VERSION,
      database: { kind: this.database.kind, schema: lastMigration().tag, postgres: await postgresVersion(this.db) },
      workshop: { name: this.workshop.name, kind: this.workshop.kind },
      now: this.clock.now().toISOString(),
    };
  }

  async listPeople(): Promise<ListView<PersonView>> {
    return toListView(await this.people.listPeople(this.workshop.id, LIST_MAX), ({ id, name }) => ({ id, name }));
  }

  async addPerson({ id, name }: CreatePersonDto): Promise<PersonView> {
    await this.people.addPerson({ id, workshopId: this.workshop.id, name: name.trim(), createdAt: this.clock.now() });
    return { id, name: name.trim() };
  }

  /** Today's air: the newest reading; null before the first. */
  async currentAir(): Promise<AirView | null> {
    const [row] = (await this.air.list(this.db, 1)).rows;
    if (!row) return null;
    const { temperatureC, pressurePa, humidityRatio } = row;
    const { densityKgPerM3 } = humidAir(temperatureC, pressurePa, humidityRatio);
    return {
      temperatureC,
      pressurePa,
      humidityRatio,
      densityKgPerM3,
      densityAltitudeM: densityAltitudeM(densityKgPerM3),
      readAt: row.createdAt.toISOString(),
    };
  }

  async readAir({ id, temperatureC, pressurePa, humidityRatio }: ReadAirDto): Promise<AirView | null> {
    await this.air.add(this.db, { ...this.rows.newRow(id), temperatureC, pressurePa, humidityRatio });
    return this.currentAir();
  }
}
