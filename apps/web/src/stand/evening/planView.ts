import {
  planLimits,
  type CampaignDetailView,
  type CraftView,
  type EveningPlanDto,
  type PackPieceView,
  type PlannedRunDto,
  type PropModelView,
} from '@zivvo/contract';
import {
  driftBias,
  eveningState,
  FULL_READING,
  gateAnswer,
  LADDER,
  planEvening,
  withProtocol,
  type EveningEstimate,
  type EveningState,
  type PlannedRun,
  type StandProtocol,
} from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { v7 } from 'uuid';
import { numberIn } from '../../shared/forms/numberIn.ts';
import { propModelName } from '../../shared/ui/propModelName.ts';

/** A plan as it is put together, text by text. */
export interface PlanDraft {
  propIds: string[];
  packIds: string[];
  runsPerProp: string;
  runsPerPack: string;
  mostBetween: string;
  kind: StandProtocol['kind'];
  stepCount: string;
  holdS: string;
  changeMin: string;
  runs: PlannedRunDto[];
  /** Revision of the plan that it began with; 0 without one. */
  basis: number;
}

const protocolTexts = ({ kind, stepCount, holdS, changeS }: StandProtocol) => ({
  kind,
  stepCount: String(stepCount),
  holdS: String(holdS),
  changeMin: String(changeS / 60),
});

/** The other way of running, with its usual numbers. */
export const withKind = (draft: PlanDraft, kind: PlanDraft['kind']): PlanDraft => ({
  ...draft,
  ...protocolTexts(kind === 'full' ? FULL_READING : LADDER),
});

/** A prop this much larger or smaller than the reference is hardly meant for the same craft. */
const NEAR_RATIO = 0.15;
const MOST_PROPOSED = 12;

/** Packs that this craft can be run on. */
export const fittingPacks = (packs: readonly PackPieceView[], craft: CraftView | null): PackPieceView[] =>
  packs.filter(
    (p) => craft === null || (p.seriesCount === craft.packSeriesCount && p.chemistry === craft.packChemistry),
  );

/** What stands on the page at first: the plan that is kept, or what lies near the reference, read at full throttle. */
export function draftOf(
  plan: EveningPlanDto | null,
  { referencePropModelId: referenceId }: Pick<CampaignDetailView, 'referencePropModelId'>,
  models: readonly PropModelView[],
  packs: readonly PackPieceView[],
): PlanDraft {
  const reference = models.find((m) => m.id === referenceId);
  const near = models.filter((m) => !reference || Math.abs(m.diameterM / reference.diameterM - 1) <= NEAR_RATIO);
  const unique = (ids: (string | null)[]): string[] => [...new Set(ids.filter((id) => id !== null))];
  const runs = plan?.runs ?? [];
  return {
    propIds: (plan ? unique(runs.map((r) => r.propModelId)) : near.slice(0, MOST_PROPOSED).map((m) => m.id)).filter(
      (id) => id !== referenceId,
    ),
    packIds: plan ? unique(runs.map((r) => r.packPieceId)) : packs.map((p) => p.id),
    runsPerProp: '2',
    runsPerPack: String(plan?.runsPerPack ?? 3),
    mostBetween: '6',
    ...protocolTexts(plan ?? FULL_READING),
    runs,
    basis: plan?.revision ?? 0,
  };
}

const changeRange = { min: planLimits.changeS.min / 60, max: planLimits.changeS.max / 60 };

/** Every number of a draft that cannot be read, with what is allowed. */
export function draftFaults(draft: PlanDraft): Partial<Record<keyof PlanDraft, string>> {
  const faults: Partial<Record<keyof PlanDraft, string>> = {};
  const check = (name: keyof PlanDraft, range: { min: number; max: number }, isWhole: boolean): void => {
    const { value, error } = numberIn(draft[name] as string, range);
    if (error !== undefined) faults[name] = error;
    else if (value === null) faults[name] = 'a number';
    else if (isWhole && !Number.isInteger(value)) faults[name] = 'a whole number';
  };
  check('runsPerProp', planLimits.runsPerProp, true);
  check('runsPerPack', planLimits.runsPerPack, true);
  check('mostBetween', planLimits.mostBetween, true);
  check('stepCount', planLimits.stepCount, true);
  check('holdS', planLimits.holdS, false);
  check('changeMin', changeRange, false);
  return faults;
}

const numberOf = (text: string): number => Number(text.trim().replace(',', '.'));

export const runsPerPackOf = ({ runsPerPack }: PlanDraft): number => numberOf(runsPerPack);

export const protocolOf = ({ kind, stepCount, holdS, changeMin }: PlanDraft): StandProtocol => ({
  kind,
  stepCount: numberOf(stepCount),
  holdS: numberOf(holdS),
  changeS: numberOf(changeMin) * 60,
});

export const plannedOf = ({ propModelId, packPieceId, isReference }: PlannedRunDto): PlannedRun => ({
  propId: propModelId,
  packId: packPieceId,
  isReference,
});

/** The chosen props in an order in which drift favours nobody; none where nothing is chosen. */
export function putInOrder(draft: PlanDraft, referenceId: string | null): PlannedRunDto[] {
  if (draft.propIds.length === 0 && referenceId === null) return [];
  return planEvening({
    propIds: draft.propIds,
    referenceId,
    runsPerProp: numberOf(draft.runsPerProp),
    packIds: draft.packIds,
    mostBetween: numberOf(draft.mostBetween),
  })
    .slice(0, planLimits.runCount.max)
    .map(({ propId, packId, isReference }) => ({
      id: v7(),
      propModelId: propId,
      packPieceId: packId,
      isReference,
      isSkipped: false,
    }));
}

export const planBody = (draft: PlanDraft, revision: number): EveningPlanDto => ({
  ...protocolOf(draft),
  runsPerPack: runsPerPackOf(draft),
  runs: draft.runs,
  revision,
});

/** What keeping the plan does to the runs that are there; null where they go on counting. */
export function protocolText(
  draft: PlanDraft,
  { protocols, protocolVersion, runs }: Pick<CampaignDetailView, 'protocols' | 'protocolVersion' | 'runs'>,
): string | null {
  const own = runs.filter((r) => r.protocolVersion === protocolVersion);
  const { version } = withProtocol({ protocols, version: protocolVersion }, protocolOf(draft), own.length > 0);
  if (version === protocolVersion) return null;
  const back = runs.filter((r) => r.protocolVersion === version).length;
  const again = back === 0 ? '' : ` ${runsText(back)} of protocol ${version} ${back === 1 ? 'counts' : 'count'} again.`;
  return `This is protocol ${version}: ${runsText(own.length)} of protocol ${protocolVersion} ${own.length === 1 ? 'stays' : 'stay'} on record and ${own.length === 1 ? 'is' : 'are'} to be repeated.${again}`;
}

/** Props that are chosen and not in the order yet, or in it and no longer chosen; null where both agree. */
export function outOfOrderText({ propIds, runs }: PlanDraft, names: Names): string | null {
  if (runs.length === 0) return null;
  const inOrder = new Set(runs.filter((r) => !r.isReference).map((r) => r.propModelId));
  const missing = propIds.filter((id) => !inOrder.has(id)).map(names.prop);
  const left = [...inOrder].filter((id) => !propIds.includes(id)).map(names.prop);
  const said = [
    missing.length === 0 ? null : `Not in the order yet: ${missing.join(', ')}.`,
    left.length === 0 ? null : `Still in the order: ${left.join(', ')}.`,
  ].filter((text) => text !== null);
  return said.length === 0 ? null : `${said.join(' ')} Put it in order again, or take the runs out by hand.`;
}

/** A list with one entry taken to another place. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const out = [...list];
  out.splice(Math.max(0, Math.min(list.length - 1, to)), 0, ...out.splice(from, 1));
  return out;
}

/** Hours and minutes, as a clock on the wall tells them. */
export function durationText(durationS: number): string {
  const minutes = Math.round(durationS / 60);
  return minutes < 60 ? `${minutes} min` : `${Math.floor(minutes / 60)} h ${String(minutes % 60).padStart(2, '0')} min`;
}

export const runsText = (count: number): string => `${count} ${count === 1 ? 'run' : 'runs'}`;

/** What the evening takes, in a line. */
export function planHeadline(count: number, estimate: EveningEstimate | null): string {
  if (count === 0) return 'Which props, on which packs?';
  const runs = runsText(count);
  if (estimate === null) return runs;
  const { durationS, chargeCount } = estimate;
  const charges = chargeCount === 0 ? 'no charging between' : chargeCount === 1 ? '1 charge' : `${chargeCount} charges`;
  return `${runs}, ${durationText(durationS)}, ${charges}`;
}

/** Whether the order is fair, in words. */
export function orderText(runs: readonly PlannedRunDto[]): string {
  const bias = driftBias(runs.map(plannedOf));
  return bias < 0.01
    ? 'Whatever drifts steadily over the evening moves every prop alike.'
    : `Mean places lie up to ${formatNumber(bias, 1)} runs apart: what drifts over the evening favours the one that runs later or earlier.`;
}

/** Where the evening stands. */
export function stateOf(plan: EveningPlanDto, { runs, gateCellV, protocolVersion }: CampaignDetailView): EveningState {
  return eveningState(
    plan.runs.map((run) => ({ ...plannedOf(run), id: run.id, isSkipped: run.isSkipped })),
    [...runs]
      .sort((a, b) => a.createdAt.localeCompare(b.createdAt))
      .map((run) => ({
        id: run.id,
        propId: run.propModelId,
        packId: run.packPieceId,
        isKept: run.state === 'kept',
        restingCellV: run.restingCellV,
        isPast: run.replacedByRunId !== null || run.protocolVersion !== protocolVersion,
      })),
    gateCellV,
  );
}

export interface Names {
  prop: (id: string) => string;
  pack: (id: string | null) => string | null;
}

export const namesOf = (models: readonly PropModelView[], packs: readonly PackPieceView[]): Names => ({
  prop: (id) => {
    const model = models.find((m) => m.id === id);
    return model ? propModelName(model) : 'a prop that left the rack';
  },
  pack: (id) => (id === null ? null : (packs.find((p) => p.id === id)?.tag ?? 'a pack that left the shelf')),
});

/** What is next, as it is called across the bench. */
export function nextText({ entries, next }: EveningState, names: Names): string {
  if (next === null) return entries.length === 0 ? 'Nothing is planned yet' : 'The evening is run';
  const { entry } = entries[next]!;
  const pack = names.pack(entry.packId);
  return `Next: ${names.prop(entry.propId)}${pack === null ? '' : ` on ${pack}`}`;
}

/** What to change on the rig between the last run and the next. */
export function rigText({ entries, next }: EveningState, names: Names): string {
  if (next === null) return '';
  const { entry } = entries[next]!;
  const before = entries.slice(0, next).findLast((e) => e.state === 'done')?.entry;
  const pack = names.pack(entry.packId);
  const packPart = pack === null ? '' : ` Pack ${pack} in last, when nobody is near.`;
  if (before?.propId === entry.propId) return `The prop stays on. Tare, telemetry cleared.${packPart}`;
  const off = before === undefined ? '' : `${names.prop(before.propId)} off, `;
  return `Pack out. ${off}${names.prop(entry.propId)} on. Tare, telemetry cleared.${packPart}`;
}

/** Volts of a cell as they are typed in a hurry: 412 is 4.12. */
export function cellVolts(text: string): number | null {
  const trimmed = text.trim().replace(',', '.');
  if (trimmed === '') return null;
  const value = Number(trimmed);
  if (!Number.isFinite(value)) return Number.NaN;
  return /^\d{3}$/.test(trimmed) ? value / 100 : value;
}

/** What the resting voltage means, before the run. */
export function gateText(
  text: string,
  gateCellV: number | null,
  fullCellV: number | null,
): { text: string; severity: 'danger' | 'caution' | 'gain' | null } | null {
  const restV = cellVolts(text);
  const volts = (value: number): string => `${formatNumber(value, 2)} V`;
  switch (gateAnswer(restV, gateCellV, fullCellV)) {
    case 'unknown':
      return null;
    case 'impossible':
      return { text: 'volts of one cell at rest: 2.5 to 4.45', severity: null };
    case 'overfull':
      return {
        text: `${volts(restV!)} is more than a full cell of this pack holds (${volts(fullCellV!)}): do not run it; look at the charger’s setting.`,
        severity: 'danger',
      };
    case 'below':
      return {
        text: `${volts(restV!)} is under the gate of ${volts(gateCellV!)}: another pack, or the run is kept and does not count.`,
        severity: 'caution',
      };
    case 'passes':
      return { text: `${volts(restV!)}${gateCellV === null ? '' : ', over the gate'}`, severity: 'gain' };
  }
}
