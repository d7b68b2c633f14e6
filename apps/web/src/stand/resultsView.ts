import type { CampaignResultsView, CraftView, PropModelView } from '@zivvo/contract';
import type { ComparedFigure, PointFigure, PointName, PropResult } from '@zivvo/core';
import { carryNames } from '@zivvo/words';
import { propModelName } from '../shared/ui/propModelName.ts';

/** A prop of a campaign as its row and its line show it. */
export interface ResultRow {
  id: string;
  name: string;
  model: PropModelView | null;
  seriesIndex: number;
  isReference: boolean;
  result: PropResult;
  figures: Partial<Record<PointFigure, ComparedFigure>>;
  /** Throttle at this craft's hover, whatever point is looked at. */
  hover: ComparedFigure | null;
  /** What it passes, in short words; empty when it passes nothing. */
  breaches: string[];
}

const BREACH_NAMES = {
  escCurrent: 'ESC',
  motorCurrent: 'motor',
  makerSpeed: 'maker’s rpm',
  clearance: 'frame',
} as const;

/** Rows of the table at one point, the reference first, then by thrust. */
export function resultRows(
  results: CampaignResultsView,
  models: readonly PropModelView[],
  point: PointName,
): ResultRow[] {
  const byId = new Map(models.map((m) => [m.id, m]));
  const rows = results.props.map((result): ResultRow => {
    const model = byId.get(result.propModelId) ?? null;
    return {
      id: result.propModelId,
      name: model ? propModelName(model) : 'deleted model',
      model,
      seriesIndex: model?.seriesIndex ?? 0,
      isReference: result.isReference,
      result,
      figures: result.points[point],
      hover: result.points.hover.throttleRatio ?? null,
      breaches: result.breaches.map((b) => BREACH_NAMES[b.limit]),
    };
  });
  const thrust = (r: ResultRow): number => r.result.points.full.thrustN?.figure.value ?? -1;
  return rows.sort((a, b) => Number(b.isReference) - Number(a.isReference) || thrust(b) - thrust(a));
}

/** What the thrust that carries a craft is called on charts. */
export function carryName(craft: Pick<CraftView, 'name' | 'kind'> | undefined): string {
  return craft ? `${carryNames[craft.kind]} of ${craft.name}` : 'what carries it';
}

/**
 * Which figure orders the difference column at each point: thrust, except at hover, where thrust is given, and beside
 * the curve.
 */
export function comparedFigureName(point: PointName): PointFigure {
  if (point === 'response') return 'riseS';
  return point === 'hover' ? 'powerW' : 'thrustN';
}

/** A chart in one sentence, for those who do not see it. */
export function chartSentence(rows: readonly ResultRow[], show: (thrustN: number) => string): string {
  const parts = rows.flatMap((r) => {
    const top = r.result.curve.at(-1);
    return top ? [`${r.name} up to ${show(top.thrustN)}`] : [];
  });
  return `Thrust against electrical power: ${parts.join(', ')}.`;
}
