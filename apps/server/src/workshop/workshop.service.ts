import { Inject, Injectable } from '@nestjs/common';
import { LIST_MAX, type AirView, type CreatePackPieceDto, type CreatePersonDto, type HealthView, type PackPieceView, type PersonView, type ReadAirDto } from '@zivvo/contract';
import { densityAltitudeM, humidAir } from '@zivvo/core';
import { Clock } from '../common/clock.ts';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { DATABASE, DB, lastMigration, type Database, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { VERSION } from '../version.ts';
import { AirRepository } from './air.repository.ts';
import { PackPieceRepository, type PackPieceRow } from './packPiece.repository.ts';
import { postgresVersion } from './health.repository.ts';
import { WorkshopRepository } from './workshop.repository.ts';

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
    private readonly packs: PackPieceRepository,
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

  async listPeople(): Promise<PersonView[]> {
    return (await this.people.listPeople(this.workshop.id, LIST_MAX)).map(({ id, name }) => ({ id, name }));
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
    return { temperatureC, pressurePa, humidityRatio, densityKgPerM3, densityAltitudeM: densityAltitudeM(densityKgPerM3), readAt: row.createdAt.toISOString() };
  }

  async readAir({ id, temperatureC, pressurePa, humidityRatio }: ReadAirDto): Promise<AirView | null> {
    await this.air.add(this.db, { ...this.rows.newRow(id), temperatureC, pressurePa, humidityRatio });
    return this.currentAir();
  }

  async listPacks(): Promise<PackPieceView[]> {
    return (await this.packs.byTag(this.db, LIST_MAX)).map(toPackView);
  }

  async addPack({ id, ...dto }: CreatePackPieceDto): Promise<PackPieceView> {
    await this.packs.add(this.db, { ...this.rows.newRow(id), ...dto, cellResistanceOhm: dto.cellResistanceOhm ?? null });
    return toPackView(await this.packs.find(this.db, id));
  }

  async removePack(id: string): Promise<void> {
    await this.packs.remove(this.db, id, this.clock.now());
  }

  async restorePack(id: string): Promise<PackPieceView> {
    await this.packs.restore(this.db, id);
    return toPackView(await this.packs.find(this.db, id));
  }
}

function toPackView(row: PackPieceRow): PackPieceView {
  const { tag, chemistry, seriesCount, parallelCount, capacityAh, cellResistanceOhm } = row;
  return { ...toRowView(row), tag, chemistry, seriesCount, parallelCount, capacityAh, cellResistanceOhm };
}
