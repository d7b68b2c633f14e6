import { Inject, Injectable } from '@nestjs/common';
import {
  LIST_MAX,
  type CreateGainSheetDto,
  type TestFlightDto,
  type GainSheetView,
  type UpdateGainSheetDto,
  type ListView,
} from '@zivvo/contract';
import { gainAdvice, gainAxes, gainPreconditions, type GainAdvice, type GainAxis, type GainScale } from '@zivvo/core';
import { toRowView } from '../common/rowMapper.ts';
import { RowMaker } from '../common/rowMaker.ts';
import { toListView } from '../common/listView.ts';
import { CraftRepository, type CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { EventLedger } from '../event/event.ledger.ts';
import { PieceRepository } from '../rack/piece.repository.ts';
import { ChecksFirstError, GainStepError } from './care.errors.ts';
import { GainSheetRepository, type GainSheetRow } from './care.repository.ts';
import { HoverPlants } from './hoverPlants.service.ts';

/** Where no estimate can be made, nothing is expected to change. */
const NO_CHANGE = { floorRatio: 0.6, proportionalRatio: 1 };

/** Gains after a change of props: estimated only downward, flown by single percents. */
@Injectable()
export class GainService {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly rows: RowMaker,
    private readonly sheets: GainSheetRepository,
    private readonly crafts: CraftRepository,
    private readonly plant: HoverPlants,
    private readonly pieces: PieceRepository,
    private readonly ledger: EventLedger,
  ) {}

  async list(craftId: string): Promise<ListView<GainSheetView>> {
    const craft = await this.crafts.find(this.db, craftId);
    const { rows, total } = await this.sheets.ofCraft(this.db, craftId, LIST_MAX);
    const views = await Promise.all(rows.map((row) => this.toView(craft, row)));
    return toListView({ rows: views, total }, (view) => view);
  }

  async open({ id, craftId, ...dto }: CreateGainSheetDto): Promise<GainSheetView> {
    const craft = await this.crafts.find(this.db, craftId);
    await this.db.transaction(async (tx) => {
      await this.plant.requireModels(tx, dto);
      const isNew = await this.sheets.add(tx, {
        ...this.rows.newRow(id),
        craftId,
        ...dto,
        checks: [],
        testFlights: [],
        note: null,
      });
      if (isNew)
        await this.ledger.record(tx, craftId, {
          kind: 'gainSheetOpened',
          craftId,
          sheetId: id,
          propModelId: dto.newPropModelId,
        });
    });
    return this.toView(craft, await this.sheets.find(this.db, id));
  }

  /**
   * The whole sheet is sent at each step, so that every step can be undone; steps that were not proposed are refused.
   */
  async change(id: string, { revision, checks, testFlights, note }: UpdateGainSheetDto): Promise<GainSheetView> {
    const row = await this.sheets.find(this.db, id);
    const craft = await this.crafts.find(this.db, row.craftId);
    const missing = gainPreconditions.filter((c) => !checks.includes(c));
    if (testFlights.length > 0 && missing.length > 0) throw new ChecksFirstError(missing);
    const scale = await this.plant.scaleOf(craft, row);
    requireSteps(row, testFlights, scale);
    const flown = testFlights.length > row.testFlights.length ? testFlights.at(-1)! : null;
    await this.db.transaction(async (tx) => {
      await this.sheets.revise(
        tx,
        id,
        revision,
        {
          checks,
          testFlights: testFlights.map((l) => ({ ...l, doesReturn: l.doesReturn ?? null })),
          note: note ?? null,
        },
        this.rows.now(),
      );
      if (flown)
        await this.ledger.record(tx, row.craftId, {
          kind: 'gainsFlown',
          craftId: row.craftId,
          sheetId: id,
          axis: flown.axis,
          percent: flown.percent,
          doesFlutter: flown.doesFlutter,
          doesReturn: flown.doesReturn ?? null,
        });
    });
    return this.toView(craft, await this.sheets.find(this.db, id));
  }

  async remove(id: string): Promise<void> {
    await this.sheets.remove(this.db, id, this.rows.now());
  }

  async restore(id: string): Promise<GainSheetView> {
    await this.sheets.restore(this.db, id);
    const row = await this.sheets.find(this.db, id);
    return this.toView(await this.crafts.find(this.db, row.craftId), row);
  }

  private async toView(craft: CraftRow, row: GainSheetRow): Promise<GainSheetView> {
    const {
      workshopId: _workshop,
      personId: _person,
      deletedAt: _deleted,
      createdAt: _created,
      updatedAt: _updated,
      ...own
    } = row;
    const scale = await this.plant.scaleOf(craft, row);
    const on = await this.pieces.onCraft(this.db, craft.id, 1);
    const modelId = on[0]?.piece.propModelId ?? craft.referencePropModelId;
    const advice = Object.fromEntries(
      gainAxes.map((axis) => [
        axis,
        gainAdvice(axis, row.testFlights as never, startOf(row, axis), scale ?? NO_CHANGE),
      ]),
    ) as Record<GainAxis, GainAdvice>;
    return {
      ...own,
      ...toRowView(row),
      scale,
      missingChecks: gainPreconditions.filter((c) => !row.checks.includes(c)),
      advice,
      fitted: modelId === row.newPropModelId ? 'new' : modelId === row.oldPropModelId ? 'old' : 'other',
    };
  }
}

function startOf(row: GainSheetRow, axis: GainAxis): number {
  return row[`${axis}Percent`];
}

/**
 * Each look must be at the value that was proposed after those before it; the first may also be the present value of
 * any axis.
 */
function requireSteps(row: GainSheetRow, testFlights: readonly TestFlightDto[], scale: GainScale | null): void {
  testFlights.forEach((look, i) => {
    const before = testFlights.slice(0, i).filter((l) => l.axis === look.axis);
    const start = startOf(row, look.axis);
    const advice = gainAdvice(look.axis, before, start, scale ?? NO_CHANGE);
    const allowed = before.length === 0 ? start : advice.status === 'try' ? advice.percent : null;
    if (allowed === null) throw new GainStepError(`${look.axis} is done: nothing more is flown on it.`);
    if (look.percent !== allowed)
      throw new GainStepError(
        `${look.axis} is flown at ${allowed} % next, not at ${look.percent} %: single percents, downward.`,
      );
  });
}
