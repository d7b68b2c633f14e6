import type { Reason, ReasonCode } from '../figure/reason.ts';
import { workingKey, type CampaignInput, type CampaignResults, type PropResult } from './campaign.ts';
import type { PointFigure, PointName } from './pointOfRun.ts';

/** A figure of a prop at a point; null where it has none. */
export const valueOf = (prop: PropResult, point: PointName, figure: PointFigure): number | null =>
  prop.points[point][figure]?.figure.value ?? null;

/** The prop with the largest value of a figure, among those that pass no limit if any such is left. */
export function leader(results: CampaignResults, point: PointName, figure: PointFigure): PropResult | null {
  const measured = results.props.filter((p) => valueOf(p, point, figure) !== null);
  const allowed = measured.filter((p) => p.breaches.length === 0);
  return largest(allowed.length > 0 ? allowed : measured, point, figure);
}

function largest(props: readonly PropResult[], point: PointName, figure: PointFigure): PropResult | null {
  return props.reduce<PropResult | null>(
    (best, p) =>
      best && (valueOf(best, point, figure) ?? -Infinity) >= (valueOf(p, point, figure) ?? -Infinity) ? best : p,
    null,
  );
}

/** Props that would lead if they passed no limit: whoever reads of leaders must know why these are none. */
function barredLeaders(results: CampaignResults, leaders: readonly (PropResult | null)[]): PropResult[] {
  const first = [largest(results.props, 'full', 'thrustN'), largest(results.props, 'hover', 'thrustPerPowerNPerW')];
  return [...new Set(first)].filter((p) => p !== null && p.breaches.length > 0 && !leaders.includes(p)) as PropResult[];
}

const BOTH = { more: 'leadsBothAgainst', same: 'sameBothAgainst', less: 'lessBothAgainst' } as const;
const SPLIT = { more: 'leadSplitAgainst', same: 'sameSplitAgainst', less: 'lessSplitAgainst' } as const;

/**
 * The answer of a campaign in one coded sentence: who leads in thrust, who in thrust per watt at hover, and how far
 * from the reference, with its sign. Props that pass a limit do not lead while another stays within all; those that
 * would have led are named as `barred`; where every prop passes one, that is the answer.
 */
export function campaignHeadline(input: CampaignInput, results: CampaignResults): Reason {
  const say = (code: ReasonCode, values: Reason['values'] = {}, figure: string | null = null): Reason => ({
    code,
    severity: 'note',
    values: { ...values, kind: input.craft.kind },
    figure,
  });
  const nameOf = (p: PropResult): string => input.props.find((prop) => prop.id === p.propModelId)!.name;
  const measured = results.props.filter((p) => p.countedRunIds.length > 0);
  if (measured.length === 0)
    return say(input.runs.length === 0 ? 'noRuns' : 'noCountedRuns', { count: input.runs.length });
  const strongest = leader(results, 'full', 'thrustN');
  const thriftiest = leader(results, 'hover', 'thrustPerPowerNPerW');
  if (measured.length === 1) {
    const only = measured[0]!;
    const hover = only.points.hover.throttleRatio;
    if (hover)
      return say('onlyOneHovers', { name: nameOf(only), throttleRatio: hover.figure.value }, hover.figure.working);
    return say('onlyOne', { name: nameOf(only) });
  }
  if (!strongest)
    return thriftiest
      ? say('thriftiest', { name: nameOf(thriftiest) })
      : (responseHeadline(measured, nameOf, say) ?? say('nothingComparable', { count: measured.length }));
  const gain = strongest.points.full.thrustN!;
  const key = workingKey(strongest.propModelId, 'full', 'thrustN');
  const reference = results.props.find((p) => p.isReference && p.countedRunIds.length > 0);
  const values: Record<string, string | number> = {
    name: nameOf(strongest),
    thrustN: gain.figure.value,
    barred: barredLeaders(results, [strongest, thriftiest]).map(nameOf).join(', '),
  };
  if (measured.every((p) => p.breaches.length > 0)) return say('allBarred', values, key);
  if (!thriftiest) return say('strongest', values, key);
  values.otherName = nameOf(thriftiest);
  const isSame = strongest === thriftiest;
  if (strongest.isReference) return say(isSame ? 'referenceLeadsBoth' : 'referenceStrongest', values, key);
  if (!reference || gain.differenceRatio === null) return say(isSame ? 'leadsBoth' : 'leadSplit', values, key);
  const pull = gain.comparison === 'same' ? 'same' : gain.differenceRatio < 0 ? 'less' : 'more';
  return say(
    isSame ? BOTH[pull] : SPLIT[pull],
    { ...values, differenceRatio: gain.differenceRatio, reference: nameOf(reference) },
    key,
  );
}

/** The answer of an evening of holds or run-downs, which have no full throttle. */
function responseHeadline(
  measured: readonly PropResult[],
  nameOf: (p: PropResult) => string,
  say: (code: ReasonCode, values: Reason['values'], figure: string | null) => Reason,
): Reason | null {
  const kept = largest(measured, 'response', 'keptThrustRatio');
  const keptRatio = kept?.points.response.keptThrustRatio?.figure;
  if (kept && keptRatio) return say('keepsMost', { name: nameOf(kept), keptRatio: keptRatio.value }, keptRatio.working);
  const inertias = measured.filter((p) => p.points.response.inertiaKgM2);
  const lightest = inertias.sort(
    (a, b) => valueOf(a, 'response', 'inertiaKgM2')! - valueOf(b, 'response', 'inertiaKgM2')!,
  )[0];
  const inertia = lightest?.points.response.inertiaKgM2?.figure;
  return lightest && inertia
    ? say('leastInertia', { name: nameOf(lightest), inertiaKgM2: inertia.value }, inertia.working)
    : null;
}
