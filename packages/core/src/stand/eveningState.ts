import { bySeverity, type Reason, type ReasonCode, type ReasonValues, type Severity } from '../figure/reason.ts';
import type { CampaignResults, PropResult } from './campaign.ts';
import type { PlannedRun } from './eveningPlan.ts';

/** A run of the plan as it stands on the evening's sheet. */
export interface EveningEntry extends PlannedRun {
  id: string;
  /** Left out on purpose; it may be taken up again. */
  isSkipped: boolean;
}

/** A run that was begun or kept on the evening, in the order in which it was. */
export interface EveningRun {
  id: string;
  propId: string;
  kitId: string | null;
  packId: string | null;
  isKept: boolean;
  /** Null where nobody looked. */
  restingCellV: number | null;
  /** Another run stands in its place, or it was made another way than is planned now. */
  isPast: boolean;
}

export type EntryState = 'open' | 'typing' | 'done' | 'skipped';

export interface EveningState {
  entries: { entry: EveningEntry; state: EntryState; runId: string | null }[];
  /** Place of the run that is next; null when all are done or skipped. */
  next: number | null;
  doneCount: number;
  openCount: number;
  /** Kept under the gate: each is to be run again. */
  belowGateIds: string[];
  /** Kept and not in the plan. */
  extraIds: string[];
  /** Runs on each pack, counting or not. */
  packRuns: ReadonlyMap<string, number>;
}

/**
 * Where an evening stands: its plan beside what was kept. A prop's runs fill its places one after another, whoever
 * began them and from which page; so an interrupted evening goes on where it was, on another day too. A run that
 * started under the gate fills no place.
 *
 * @param gateCellV - resting volts per cell under which a run does not count; null for no gate
 */
export function eveningState(
  entries: readonly EveningEntry[],
  runs: readonly EveningRun[],
  gateCellV: number | null,
): EveningState {
  const isBelow = ({ restingCellV }: EveningRun): boolean =>
    gateCellV !== null && restingCellV !== null && restingCellV < gateCellV;
  const standing = runs.filter((r) => !r.isPast);
  // The same prop on another motor is another contender.
  const placeOf = ({ propId, kitId }: { propId: string; kitId: string | null }): string => `${kitId ?? ''}/${propId}`;
  const filling = (isKept: boolean): Map<string, EveningRun[]> => {
    const byPlace = new Map<string, EveningRun[]>();
    for (const run of standing)
      if (run.isKept === isKept && !isBelow(run))
        byPlace.set(placeOf(run), [...(byPlace.get(placeOf(run)) ?? []), run]);
    return byPlace;
  };
  const [kept, begun] = [filling(true), filling(false)];
  const filled = entries.map((entry): EveningState['entries'][number] => {
    const run = kept.get(placeOf(entry))?.shift();
    return { entry, state: run ? 'done' : entry.isSkipped ? 'skipped' : 'open', runId: run?.id ?? null };
  });
  for (const place of filled) {
    const run = place.state === 'open' ? begun.get(placeOf(place.entry))?.shift() : undefined;
    if (run) Object.assign(place, { state: 'typing', runId: run.id });
  }
  const next = filled.findIndex((p) => p.state === 'open' || p.state === 'typing');
  const packRuns = new Map<string, number>();
  for (const { packId, isKept } of runs)
    if (packId !== null && isKept) packRuns.set(packId, (packRuns.get(packId) ?? 0) + 1);
  return {
    entries: filled,
    next: next < 0 ? null : next,
    doneCount: filled.filter((p) => p.state === 'done').length,
    openCount: filled.filter((p) => p.state === 'open' || p.state === 'typing').length,
    belowGateIds: standing.filter((r) => r.isKept && isBelow(r)).map((r) => r.id),
    extraIds: [...kept.values()].flat().map((r) => r.id),
    packRuns,
  };
}

/** What a pack's resting voltage says before a run. */
export type GateAnswer = 'passes' | 'below' | 'overfull' | 'impossible' | 'unknown';

/** Above what any cell rests at, and below what one lives at, is a slip of the finger [V]. */
const CELL_V = { least: 2.5, most: 4.45 };
/** A charger and a meter may differ by so much [V]. */
const METER_V = 0.03;

/**
 * Whether a pack may start: the gate is asked before the run, not after it.
 *
 * @param fullCellV - of the pack's chemistry; null where nobody said which pack
 */
export function gateAnswer(
  restingCellV: number | null,
  gateCellV: number | null,
  fullCellV: number | null = null,
): GateAnswer {
  if (restingCellV === null) return 'unknown';
  if (!(restingCellV >= CELL_V.least && restingCellV <= CELL_V.most)) return 'impossible';
  if (fullCellV !== null && restingCellV > fullCellV + METER_V) return 'overfull';
  return gateCellV === null || restingCellV >= gateCellV ? 'passes' : 'below';
}

/** How the race for full-throttle thrust stands. */
export interface EveningRace {
  leaderId: string | null;
  /** Whose every reading of the interval lies under all of the leader's: more runs will not change it. */
  beatenIds: string[];
}

/** The leader so far at full throttle, and who can no longer catch it. */
export function eveningRace({ props }: Pick<CampaignResults, 'props'>): EveningRace {
  const thrustOf = (p: PropResult) => p.points.full.thrustN?.figure ?? null;
  const ranked = props.filter((p) => thrustOf(p) !== null).sort((a, b) => thrustOf(b)!.value - thrustOf(a)!.value);
  const leader = ranked[0];
  // Whoever runs alone leads nobody.
  if (!leader || ranked.length < 2) return { leaderId: null, beatenIds: [] };
  // Instruments are the same for all: only how runs repeat may part them.
  const rangeOf = (p: PropResult): { low: number; high: number } | null => {
    const { figure, repeatHalfWidthRatio } = p.points.full.thrustN!;
    if (repeatHalfWidthRatio === null) return null;
    const half = Math.abs(figure.value) * repeatHalfWidthRatio;
    return { low: figure.value - half, high: figure.value + half };
  };
  const best = rangeOf(leader);
  return {
    leaderId: leader.propModelId,
    beatenIds: ranked.slice(1).flatMap((p) => {
      const own = rangeOf(p);
      const isBeaten = best !== null && own !== null && own.high < best.low;
      return isBeaten ? [p.propModelId] : [];
    }),
  };
}

/**
 * What an evening under way says: what is to be repeated, which pack is to be charged, who leads, who is beaten.
 *
 * @param runsPerPack - that a pack serves before it is charged
 * @param nameOf - of a prop or a pack, for sentences
 */
export function eveningReasons(
  { belowGateIds, packRuns }: EveningState,
  { leaderId, beatenIds }: EveningRace,
  runsPerPack: number,
  nameOf: (id: string) => string,
): Reason[] {
  const reasons: Reason[] = [];
  const say = <C extends ReasonCode>(severity: Severity, code: C, values: ReasonValues<C>): void => {
    reasons.push({ code, severity, values: values as Reason['values'], figure: null });
  };
  if (belowGateIds.length > 0) say('caution', 'evening.belowGate', { count: belowGateIds.length });
  const spent = [...packRuns].filter(([, count]) => count % runsPerPack === 0).map(([id]) => nameOf(id));
  if (spent.length > 0) say('action', 'evening.charge', { packs: spent.join(', ') });
  if (leaderId !== null) say('gain', 'evening.leads', { name: nameOf(leaderId) });
  for (const id of beatenIds) say('note', 'evening.beaten', { name: nameOf(id) });
  const served = [...packRuns].map(([id, count]) => `${nameOf(id)} ${count}`);
  if (served.length > 0) say('note', 'evening.packs', { packs: served.join(', ') });
  return bySeverity(reasons);
}
