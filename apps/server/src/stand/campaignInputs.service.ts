import { Inject, Injectable } from '@nestjs/common';
import { CAMPAIGN_RUN_MAX_COUNT } from '@zivvo/contract';
import {
  correctionsAt,
  instrumentStandings,
  layoutKind,
  type CampaignInput,
  type InstrumentCheck,
  type RunRecord,
} from '@zivvo/core';
import { CraftRepository } from '../craft/craft.repository.ts';
import { CraftRotors } from '../craft/craftRotors.ts';
import { DB, type Db } from '../database/database.ts';
import { propModelName } from '../rack/propModel.mapper.ts';
import { PropModelRepository, type PropModelRow } from '../rack/propModel.repository.ts';
import { CampaignRepository, type CampaignRow } from './campaign.repository.ts';
import { InstrumentCheckRepository } from './instrument.repository.ts';
import { RunRepository, type ChannelRow, type RunRow } from './run.repository.ts';
import { rigOf, type RigInput, type StandRig } from './standRigs.ts';
import { densityOf, toRunRecord, toRunSummaries } from './stand.mapper.ts';

/**
 * Puts together what the core reduces: a campaign's craft, its props, its runs and the instruments they were read
 * with.
 */
@Injectable()
export class CampaignInputs {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly campaigns: CampaignRepository,
    private readonly runs: RunRepository,
    private readonly crafts: CraftRepository,
    private readonly propModels: PropModelRepository,
    private readonly bench: CraftRotors,
    private readonly checks: InstrumentCheckRepository,
  ) {}

  /**
   * A campaign as it is reduced, rig by rig: the craft as it is described first, then its kits; only rigs with runs, or
   * the described one where there is none.
   */
  async of(id: string, chosenThrottleRatio: number): Promise<{ row: CampaignRow; rigs: RigInput[] }> {
    const row = await this.campaigns.find(this.db, id);
    const craft = await this.crafts.find(this.db, row.craftId);
    const all = await this.runs.ofCampaign(this.db, id, CAMPAIGN_RUN_MAX_COUNT);
    const summaries = new Map(toRunSummaries(all).map((s) => [s.id, s]));
    const counted = all.filter((r) => r.state === 'kept' && summaries.get(r.id)!.replacedByRunId === null);
    const channels = new Map<string, ChannelRow[]>(counted.map((r) => [r.id, []]));
    for (const channel of await this.runs.channelsOf(this.db, [...channels.keys()]))
      channels.get(channel.runId)!.push(channel);
    const densityKgPerM3 = densityOf(row);
    const propIds = [...new Set([row.referencePropModelId, ...counted.map((r) => r.propModelId)])].filter(
      (propId) => propId !== null,
    );
    const models = new Map((await this.propModels.byIds(this.db, propIds)).map((m) => [m.id, m]));
    const checks = await this.checks.checks(this.db);
    const readAt = timesOfReading(all);
    const placeOf = placesOf(all);
    const kitIds = [null, ...craft.kits.map((k) => k.id), ...counted.map((r) => r.kitId)];
    const used = [...new Set(kitIds)].filter((kitId) => counted.some((r) => r.kitId === kitId));
    const rigs = (used.length === 0 ? [null] : used).map((kitId): RigInput => {
      const rig = rigOf(craft, kitId);
      const own = counted.filter((r) => r.kitId === kitId);
      const records = own.map((r) =>
        toRunRecord(summaries.get(r.id)!, r, channels.get(r.id)!, densityKgPerM3, {
          place: placeOf.get(r.id)!,
          ...checksOf(r, checks, readAt.get(r.id)!),
        }),
      );
      return { rig, runCount: own.length, input: this.inputOf(row, rig, models, records, chosenThrottleRatio) };
    });
    return { row, rigs };
  }

  private inputOf(
    row: CampaignRow,
    { craft, isGone }: StandRig,
    models: ReadonlyMap<string, PropModelRow>,
    runs: RunRecord[],
    chosenThrottleRatio: number,
  ): CampaignInput {
    const bench = this.bench.of(craft);
    const ran = new Set(runs.map((r) => r.propModelId));
    return {
      craft: {
        name: craft.name,
        kind: layoutKind(craft.layout),
        massKg: craft.massKg,
        rotorCount: craft.rotors.length,
        escLimitA: craft.escLimitA,
        motorLimitA: craft.motorLimitA,
        clearanceDiameterM: craft.clearanceDiameterM,
        drive: isGone ? null : bench.drive,
        gearRatio: bench.craft.gearRatio,
      },
      props: [...models.values()]
        .filter(({ id }) => id === row.referencePropModelId || ran.has(id))
        .map((model) => ({
          id: model.id,
          name: propModelName(model),
          diameterM: model.measuredDiameterM ?? model.diameterM,
          speedLimitRpm: model.speedLimitRpm,
        })),
      referencePropId: row.referencePropModelId,
      gateCellV: row.gateCellV,
      protocolVersion: row.protocolVersion,
      protocol: row.protocols[row.protocolVersion - 1] ?? null,
      runs,
      chosenThrottleRatio,
    };
  }
}

/** When the readings of each run were taken; a run that corrects another one holds the readings of that one's time. */
function timesOfReading(rows: readonly RunRow[]): Map<string, number> {
  const times = new Map<string, number>();
  for (const { id, createdAt, replacesRunId } of rows)
    times.set(id, (replacesRunId === null ? undefined : times.get(replacesRunId)) ?? createdAt.getTime());
  return times;
}

/** The place of each run in the order of the evening; a correction has that of the run that it corrects. */
function placesOf(rows: readonly RunRow[]): Map<string, number> {
  const places = new Map<string, number>();
  for (const [i, { id, replacesRunId }] of rows.entries())
    places.set(id, (replacesRunId === null ? undefined : places.get(replacesRunId)) ?? i);
  return places;
}

/** What the checks of the instruments say of a run; a simulated one was read with none. */
function checksOf(
  { origin }: RunRow,
  checks: readonly InstrumentCheck[],
  readAtMs: number,
): Pick<RunRecord, 'corrections' | 'staleChecks'> {
  if (origin === 'simulated') return { corrections: [], staleChecks: [] };
  const stale = instrumentStandings(checks, readAtMs).filter((s) => s.state === 'stale');
  return {
    corrections: correctionsAt(checks, readAtMs),
    staleChecks: stale.map(({ quantity, ageDays }) => ({ quantity, ageDays: ageDays! })),
  };
}
