import { Inject, Injectable } from '@nestjs/common';
import type { FoundView } from '@zivvo/contract';
import { readPropLabel } from '@zivvo/core';
import { and, between, count, desc, eq, ilike, isNull, max, or, type SQL } from 'drizzle-orm';
import { craft } from '../craft/craft.table.ts';
import { flight } from '../care/care.table.ts';
import { flightCard } from '../fly/fly.table.ts';
import { listening, soundTake } from '../listen/listen.table.ts';
import { batch, pieceLife, pieceSet, propPiece } from '../rack/piece.table.ts';
import { DB, type Db } from '../database/database.ts';
import { WORKSHOP, type Workshop } from '../database/workshop.ts';
import { propModelName } from '../rack/propModel.mapper.ts';
import { propModel } from '../rack/propModel.table.ts';
import { campaign, run } from '../stand/stand.table.ts';
import { motorPiece, packPiece } from '../rack/part.table.ts';
import { craftThings } from './craftThings.repository.ts';

const MOST_OF_A_KIND = 8;

/** Looks a few words up in everything that has a name. */
@Injectable()
export class FinderRepository {
  constructor(
    @Inject(DB) private readonly db: Db,
    @Inject(WORKSHOP) private readonly workshop: Workshop,
  ) {}

  async find(words: string): Promise<FoundView[]> {
    const pattern = `%${words.replace(/[\\%_]/g, (c) => `\\${c}`)}%`;
    const isModel = or(ilike(propModel.label, pattern), ilike(propModel.makerName, pattern), ...sizes(words));
    const kinds = [
      this.pieces(pattern),
      this.crafts(pattern),
      this.models(isModel),
      craftThings(this.db, this.workshop.id, pattern, MOST_OF_A_KIND),
      this.runs(isModel),
      this.flights(isModel),
      this.takes(isModel),
      this.packs(pattern),
      this.motors(pattern),
      this.sets(pattern),
      this.deliveries(isModel, pattern),
    ];
    return (await Promise.all(kinds)).flat();
  }

  private async pieces(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select({
        id: propPiece.id,
        tag: propPiece.tag,
        state: pieceLife.state,
        location: pieceLife.location,
        craftId: pieceLife.craftId,
        propModelId: propModel.id,
        label: propModel.label,
        makerName: propModel.makerName,
      })
      .from(propPiece)
      .innerJoin(pieceLife, eq(pieceLife.pieceId, propPiece.id))
      .innerJoin(propModel, eq(propModel.id, propPiece.propModelId))
      .where(
        and(
          eq(propPiece.workshopId, this.workshop.id),
          isNull(propPiece.deletedAt),
          or(ilike(propPiece.tag, pattern), ilike(propPiece.bladeTags, pattern)),
        ),
      )
      .limit(MOST_OF_A_KIND);
    return rows.map((p) => ({
      kind: 'piece',
      id: p.id,
      title: p.tag,
      detail: [propModelName(p), p.location].filter((t) => t !== null).join(', '),
      craftId: p.craftId,
      propModelId: p.propModelId,
    }));
  }

  private async crafts(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(craft)
      .where(
        and(
          eq(craft.workshopId, this.workshop.id),
          isNull(craft.deletedAt),
          or(ilike(craft.name, pattern), ilike(craft.ownerName, pattern), ilike(craft.motorLabel, pattern)),
        ),
      )
      .limit(MOST_OF_A_KIND);
    return rows.map((c) => ({
      kind: 'craft',
      id: c.id,
      title: c.name,
      detail: c.motorLabel,
      craftId: c.id,
      propModelId: null,
    }));
  }

  private async models(isModel: SQL | undefined): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(propModel)
      .where(and(eq(propModel.workshopId, this.workshop.id), isNull(propModel.deletedAt), isModel))
      .limit(MOST_OF_A_KIND);
    return rows.map((p) => ({
      kind: 'propModel',
      id: p.id,
      title: propModelName(p),
      detail: p.material,
      craftId: null,
      propModelId: p.id,
    }));
  }

  private async deliveries(isModel: SQL | undefined, pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select({ id: batch.id, supplierName: batch.supplierName, model: propModel })
      .from(batch)
      .innerJoin(propModel, eq(propModel.id, batch.propModelId))
      .where(
        and(
          eq(batch.workshopId, this.workshop.id),
          isNull(batch.deletedAt),
          or(isModel, ilike(batch.supplierName, pattern)),
        ),
      )
      .orderBy(desc(batch.createdAt))
      .limit(MOST_OF_A_KIND);
    return rows.map(({ id, supplierName, model }) => ({
      kind: 'delivery',
      id,
      title: propModelName(model),
      detail: supplierName ?? 'no supplier noted',
      craftId: null,
      propModelId: null,
    }));
  }

  private async runs(isModel: SQL | undefined): Promise<FoundView[]> {
    const rows = await this.db
      .select({
        id: run.id,
        label: propModel.label,
        makerName: propModel.makerName,
        propModelId: propModel.id,
        campaignName: campaign.name,
        craftId: campaign.craftId,
      })
      .from(run)
      .innerJoin(propModel, eq(propModel.id, run.propModelId))
      .innerJoin(campaign, eq(campaign.id, run.campaignId))
      .where(and(eq(run.workshopId, this.workshop.id), isNull(run.deletedAt), isNull(campaign.deletedAt), isModel))
      .orderBy(desc(run.createdAt))
      .limit(MOST_OF_A_KIND);
    return rows.map((r) => ({
      kind: 'run',
      id: r.id,
      title: propModelName(r),
      detail: r.campaignName,
      craftId: r.craftId,
      propModelId: r.propModelId,
    }));
  }

  /** Props as they flew on a craft: their cards stand side by side on one page. */
  private async flights(isModel: SQL | undefined): Promise<FoundView[]> {
    const rows = await this.db
      .select({ model: propModel, craftId: craft.id, craftName: craft.name, cards: count(), last: max(flight.flownAt) })
      .from(flightCard)
      .innerJoin(flight, eq(flight.id, flightCard.flightId))
      .innerJoin(craft, eq(craft.id, flightCard.craftId))
      .innerJoin(propModel, eq(propModel.id, flightCard.propModelId))
      .where(and(this.lives(flightCard), isNull(flight.deletedAt), isNull(craft.deletedAt), isModel))
      .groupBy(propModel.id, craft.id)
      .orderBy(desc(max(flight.flownAt)))
      .limit(MOST_OF_A_KIND);
    return rows.map(({ model, craftId, craftName, cards }) => ({
      kind: 'flight',
      id: craftId,
      title: propModelName(model),
      detail: `${craftName}, ${cards} ${cards === 1 ? 'card' : 'cards'}`,
      craftId,
      propModelId: model.id,
    }));
  }

  /** Props as they sounded at a place. */
  private async takes(isModel: SQL | undefined): Promise<FoundView[]> {
    const rows = await this.db
      .select({ model: propModel, id: listening.id, place: listening.place, craftId: craft.id, takes: count() })
      .from(soundTake)
      .innerJoin(listening, eq(listening.id, soundTake.listeningId))
      .innerJoin(craft, eq(craft.id, listening.craftId))
      .innerJoin(propModel, eq(propModel.id, soundTake.propModelId))
      .where(and(this.lives(soundTake), isNull(listening.deletedAt), isNull(craft.deletedAt), isModel))
      .groupBy(propModel.id, listening.id, craft.id)
      .orderBy(desc(max(soundTake.createdAt)))
      .limit(MOST_OF_A_KIND);
    return rows.map(({ model, id, place, craftId, takes }) => ({
      kind: 'take',
      id,
      title: propModelName(model),
      detail: `${place}, ${takes} ${takes === 1 ? 'take' : 'takes'}`,
      craftId,
      propModelId: model.id,
    }));
  }

  private lives(table: typeof flightCard | typeof soundTake): SQL | undefined {
    return and(eq(table.workshopId, this.workshop.id), isNull(table.deletedAt));
  }

  private async packs(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(packPiece)
      .where(
        and(eq(packPiece.workshopId, this.workshop.id), isNull(packPiece.deletedAt), ilike(packPiece.tag, pattern)),
      )
      .limit(MOST_OF_A_KIND);
    return rows.map((p) => ({
      kind: 'pack',
      id: p.id,
      title: p.tag,
      detail: `${p.seriesCount}S, ${p.capacityAh} Ah`,
      craftId: null,
      propModelId: null,
    }));
  }

  private async motors(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(motorPiece)
      .where(
        and(eq(motorPiece.workshopId, this.workshop.id), isNull(motorPiece.deletedAt), ilike(motorPiece.tag, pattern)),
      )
      .limit(MOST_OF_A_KIND);
    return rows.map((m) => ({
      kind: 'motor',
      id: m.id,
      title: m.tag,
      detail: `${m.hours.toFixed(1)} h`,
      craftId: m.craftId,
      propModelId: null,
    }));
  }

  private async sets(pattern: string): Promise<FoundView[]> {
    const rows = await this.db
      .select()
      .from(pieceSet)
      .where(and(eq(pieceSet.workshopId, this.workshop.id), isNull(pieceSet.deletedAt), ilike(pieceSet.name, pattern)))
      .limit(MOST_OF_A_KIND);
    return rows.map((x) => ({
      kind: 'set',
      id: x.id,
      title: x.name,
      detail: 'of pieces',
      craftId: x.craftId,
      propModelId: null,
    }));
  }
}

/** Sizes that are the same to whoever looks for them: labels round, makers measure. */
const SAME_RATIO = 0.012;

/** Models of the size that words may be read as: `5143` finds 5.1 by 4.3 inches, however its label is written. */
function sizes(words: string): SQL[] {
  const read = readPropLabel(words);
  if (read.status !== 'read') return [];
  const near = (value: number): [number, number] => [value * (1 - SAME_RATIO), value * (1 + SAME_RATIO)];
  return read.readings.flatMap(({ diameterM, pitchM, bladeCount }) => {
    if (pitchM === null) return [];
    return (
      and(
        between(propModel.diameterM, ...near(diameterM)),
        between(propModel.pitchM, ...near(pitchM)),
        bladeCount === null ? undefined : eq(propModel.bladeCount, bladeCount),
      ) ?? []
    );
  });
}
