import { Inject, Injectable } from '@nestjs/common';
import {
  judgeLimits,
  type CampaignResultsView,
  type FlyView,
  type JudgedPropView,
  type ListeningView,
} from '@zivvo/contract';
import {
  evidenceSources,
  weighEvidence,
  type JudgeContender,
  type JudgedProp,
  type KnownFigure,
  type WishName,
} from '@zivvo/core';
import type { CraftRow } from '../craft/craft.repository.ts';
import { DB, type Db } from '../database/database.ts';
import { FlyService } from '../fly/fly.service.ts';
import { ListenService } from '../listen/listen.service.ts';
import { writtenModelName } from '../rack/propModel.mapper.ts';
import { PropModelRepository, type PropModelRow } from '../rack/propModel.repository.ts';
import { YieldService } from '../rack/yield.service.ts';
import { CampaignRepository } from '../stand/campaign.repository.ts';
import { CampaignService } from '../stand/campaign.service.ts';
import { airEvidence, earEvidence, opinionsOf, rackEvidence, standEvidence } from './judge.mapper.ts';
import { PredictedEvidence } from './predictedEvidence.service.ts';

/** Evenings that are looked at, the newest first: each prop is taken from the last one that it ran on. */
const EVENINGS_MOST = 6;
const ANY_THROTTLE = 0.5;

export interface Evidence {
  referenceId: string | null;
  contenders: JudgeContender[];
  props: JudgedPropView[];
  leftOutCount: number;
  isSimulated: boolean;
}

/** Everything that is known of the props of a craft, from every station. */
@Injectable()
export class JudgedEvidence {
  constructor(
    @Inject(DB) private readonly db: Db,
    private readonly evenings: CampaignRepository,
    private readonly campaigns: CampaignService,
    private readonly fly: FlyService,
    private readonly listen: ListenService,
    private readonly models: PropModelRepository,
    private readonly yields: YieldService,
    private readonly predicted: PredictedEvidence,
  ) {}

  /** @param addedIds - props that are judged though nothing was measured of them */
  async of(craft: CraftRow, addedIds: readonly string[]): Promise<Evidence> {
    const results = await this.resultsOf(craft.id);
    const fly = await this.fly.ofCraft(craft.id);
    const { open: listening } = await this.listen.ofCraft(craft.id, null, null);
    const measured = measuredIds(results, fly, listening);
    const first = craft.referencePropModelId ?? measured[0] ?? addedIds[0] ?? null;
    if (first === null) return { referenceId: null, contenders: [], props: [], leftOutCount: 0, isSimulated: false };
    const ids = [...new Set([first, ...measured, ...addedIds])];
    const asked = await this.models.byIds(this.db, ids.slice(0, judgeLimits.contendersMost));
    // What was measured stays, whatever became of the model; one that was only added goes with it.
    const models = asked.filter((m) => m.deletedAt === null || m.id === first || measured.includes(m.id));
    const predicted = await this.predicted.of(craft, models);
    const { models: yields } = await this.yields.find();
    const known = models.map((model) => {
      const { known: predictions, bars } = predicted.get(model.id)!;
      const evening = results.find((r) => r.props.some((p) => ran(p, model.id)));
      const stand =
        evening &&
        standEvidence(
          evening,
          evening.props.find((p) => ran(p, model.id))!,
          first,
        );
      const readLimits = new Set(stand?.readLimits ?? []);
      return {
        model,
        known: merged([
          stand?.known ?? {},
          airEvidence(fly, model.id),
          listening ? earEvidence(listening, model.id) : {},
          rackEvidence(
            model,
            yields.find((y) => y.propModelId === model.id),
          ),
          predictions,
        ]),
        bars: [...(stand?.bars ?? []), ...bars.filter((b) => !readLimits.has(b.limit))],
      };
    });
    const rows = weighEvidence(
      known.map(({ model, known: figures }): JudgedProp => ({ id: model.id, known: figures })),
      first,
    );
    const added = new Set(addedIds.filter((id) => !measured.includes(id)));
    return {
      referenceId: first,
      contenders: known.map(({ model, bars }) => ({
        id: model.id,
        name: writtenModelName(model),
        row: rows.get(model.id)!,
        bars,
      })),
      props: models.map((m) => propView(m, results, fly, listening, added.has(m.id))),
      leftOutCount: Math.max(0, ids.length - judgeLimits.contendersMost),
      isSimulated: results.some((r) => r.props.some((p) => p.origin === 'simulated')),
    };
  }

  /** What the motor of the craft did; what other motors did says nothing of the one that flies. */
  private async resultsOf(craftId: string): Promise<CampaignResultsView[]> {
    const { rows } = await this.evenings.listOf(this.db, craftId, EVENINGS_MOST);
    const results = await Promise.all(rows.map(({ id }) => this.campaigns.results(id, ANY_THROTTLE, null)));
    return results.filter((r) => r.kitId === null);
  }
}

const ran = (prop: CampaignResultsView['props'][number], id: string): boolean =>
  prop.propModelId === id && prop.countedRunIds.length > 0;

/** Props of which something was measured, those of the newest evening first. */
function measuredIds(results: readonly CampaignResultsView[], fly: FlyView, listening: ListeningView | null): string[] {
  return [
    ...new Set([
      ...results.flatMap((r) => r.props.filter((p) => ran(p, p.propModelId)).map((p) => p.propModelId)),
      ...fly.comparison.props.filter((p) => p.flightCount > 0).map((p) => p.propId),
      ...(listening?.props ?? []).map((p) => p.propModelId),
    ]),
  ];
}

/** What several sources know, the best first. */
function merged(all: readonly Partial<Record<WishName, KnownFigure>>[]): JudgedProp['known'] {
  const found: Partial<Record<WishName, KnownFigure[]>> = {};
  for (const known of all)
    for (const [name, figure] of Object.entries(known) as [WishName, KnownFigure][])
      found[name] = [...(found[name] ?? []), figure].sort(
        (a, b) => evidenceSources.indexOf(a.source) - evidenceSources.indexOf(b.source),
      );
  return found;
}

function propView(
  { id }: PropModelRow,
  results: readonly CampaignResultsView[],
  fly: FlyView,
  listening: ListeningView | null,
  isAdded: boolean,
): JudgedPropView {
  const runs = results.flatMap((r) => r.props.filter((p) => p.propModelId === id).flatMap((p) => p.countedRunIds));
  return {
    propModelId: id,
    ...opinionsOf(fly, listening, id),
    runCount: runs.length,
    flightCount: fly.comparison.props.find((p) => p.propId === id)?.flightCount ?? 0,
    takeCount: (listening?.takes ?? []).filter((t) => t.propModelId === id).length,
    isAdded,
  };
}
