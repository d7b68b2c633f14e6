import {
  planLimits,
  type CampaignDetailView,
  type EveningPlanDto,
  type PackPieceView,
  type PlannedRunDto,
  type PropModelView,
} from '@zivvo/contract';
import {
  driftBias,
  eveningState,
  gateAnswer,
  planEvening,
  requireProtocol,
  usualProtocols,
  withProtocol,
  type EveningEstimate,
  type EveningState,
  type PlannedRun,
  type ProtocolKind,
  type StandProtocol,
} from '@zivvo/core';
import { formatNumber } from '@zivvo/words';
import { v7 } from 'uuid';
import type { RigChoice } from '../../shared/craft/rigChoices.ts';
import { numberIn } from '../../shared/forms/numberIn.ts';
import { propModelName } from '../../shared/ui/propModelName.ts';

/** A plan as it is put together, text by text. */
export interface PlanDraft {
  propIds: string[];
  /** Motors and cells, by kit; null for the craft as it is described. */
  kitIds: (string | null)[];
  packIds: string[];
  runsPerProp: string;
  runsPerPack: string;
  mostBetween: string;
  kind: ProtocolKind;
  stepCount: string;
  holdS: string;
  /** Of own steps and of a hold, in per cent. */
  throttles: string;
  changeMin: string;
  runs: PlannedRunDto[];
  /** Revision of the plan that it began with; 0 without one. */
  basis: number;
}

const protocolTexts = ({ kind, stepCount, holdS, throttles, changeS }: StandProtocol) => ({
  kind,
  stepCount: String(stepCount),
  holdS: String(holdS),
  throttles: throttlesText(throttles ?? []),
  changeMin: String(changeS / 60),
});

/** Throttles as they are typed: per cent, parted by blanks. */
export const throttlesText = (throttles: readonly number[]): string =>
  throttles.map((u) => String(Math.round(u * 1000) / 10)).join(' ');

/** Another way of running, with its usual numbers. */
export const withKind = (draft: PlanDraft, kind: PlanDraft['kind']): PlanDraft => ({
  ...draft,
  ...protocolTexts(usualProtocols[kind]),
});

/** A prop this much larger or smaller than the reference is hardly meant for the same craft. */
const NEAR_RATIO = 0.15;
const MOST_PROPOSED = 12;

/** Packs that a rig can be run on. */
export const fittingPacks = (
  packs: readonly PackPieceView[],
  rig: Pick<RigChoice, 'seriesCount' | 'chemistry'> | null,
): PackPieceView[] =>
  packs.filter((p) => rig === null || (p.seriesCount === rig.seriesCount && p.chemistry === rig.chemistry));

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
    kitIds: plan && runs.length > 0 ? [...new Set(runs.map((r) => r.kitId ?? null))] : [null],
    packIds: plan ? unique(runs.map((r) => r.packPieceId)) : packs.map((p) => p.id),
    runsPerProp: '2',
    runsPerPack: String(plan?.runsPerPack ?? 3),
    mostBetween: '6',
    ...protocolTexts(plan ?? usualProtocols.full),
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
  if (draft.kind !== 'own') check('stepCount', planLimits.stepCount, true);
  check('holdS', planLimits.holdS, false);
  check('changeMin', changeRange, false);
  const throttles = throttlesOf(draft);
  if (throttles?.some((u) => !(u >= 0.01 && u <= 1)) || throttles?.length === 0)
    faults.throttles = 'per cent, 1 to 100, parted by blanks';
  else if (draft.kind === 'hold' && throttles!.length > 1) faults.throttles = 'one throttle';
  else if (draft.kind === 'own' && throttles!.length > planLimits.stepCount.max)
    faults.throttles = `${planLimits.stepCount.max} at most`;
  if (draft.kitIds.length === 0) faults.kitIds = 'one at least';
  if (Object.keys(faults).length === 0)
    try {
      requireProtocol(protocolOf(draft));
    } catch {
      // The only thing that is left: a ramp has to pass each of its points slowly enough to be read.
      faults.holdS = `${numberOf(draft.stepCount)} at least: a second for each point`;
    }
  return faults;
}

const numberOf = (text: string): number => Number(text.trim().replace(',', '.'));

export const runsPerPackOf = ({ runsPerPack }: PlanDraft): number => numberOf(runsPerPack);

/** Typed throttles; null where the way of running has none of its own. */
function throttlesOf({ kind, throttles }: Pick<PlanDraft, 'kind' | 'throttles'>): number[] | null {
  if (kind !== 'own' && kind !== 'hold') return null;
  return throttles
    .split(/[\s;%]+|,(?=\s)/)
    .filter((t) => t !== '')
    .map((t) => numberOf(t) / 100);
}

export const protocolOf = (draft: PlanDraft): StandProtocol => {
  const throttles = throttlesOf(draft);
  return {
    kind: draft.kind,
    stepCount: draft.kind === 'own' ? throttles!.length : numberOf(draft.stepCount),
    holdS: numberOf(draft.holdS),
    throttles,
    changeS: numberOf(draft.changeMin) * 60,
  };
};

export const plannedOf = ({ propModelId, kitId, packPieceId, isReference }: PlannedRunDto): PlannedRun => ({
  propId: propModelId,
  kitId: kitId ?? null,
  packId: packPieceId,
  isReference,
});

/** The chosen props in an order in which drift favours nobody; none where nothing is chosen. */
export function putInOrder(
  draft: PlanDraft,
  referenceId: string | null,
  rigs: readonly RigChoice[],
  packs: readonly PackPieceView[],
): PlannedRunDto[] {
  if (draft.propIds.length === 0 && referenceId === null) return [];
  return planEvening({
    propIds: draft.propIds,
    referenceId,
    runsPerProp: numberOf(draft.runsPerProp),
    rigs: draft.kitIds.map((kitId) => {
      const fitting = fittingPacks(packs, rigs.find((r) => r.kitId === kitId) ?? null);
      return { kitId, packIds: draft.packIds.filter((id) => fitting.some((p) => p.id === id)) };
    }),
    mostBetween: numberOf(draft.mostBetween),
  })
    .slice(0, planLimits.runCount.max)
    .map(({ propId, kitId, packId, isReference }) => ({
      id: v7(),
      propModelId: propId,
      kitId,
      packPieceId: packId,
      isReference,
      isSkipped: false,
    }));
}

export const planBody = (draft: PlanDraft, revision: number): EveningPlanDto => ({
  ...protocolOf(draft),
  throttles: throttlesOf(draft),
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
  return (
    `This is protocol ${version}: ${runsText(own.length)} of protocol ${protocolVersion} ` +
    `${own.length === 1 ? 'stays' : 'stay'} on record and ${own.length === 1 ? 'is' : 'are'} to be ` +
    `repeated.${again}`
  );
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
    : `Mean places lie up to ${formatNumber(bias, 1)} runs apart: what drifts over the evening favours the one ` +
        'that runs later or earlier.';
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
        kitId: run.kitId,
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
  /** Of a motor with its cells, by kit. */
  rig: (kitId: string | null) => string;
}

export const namesOf = (
  models: readonly PropModelView[],
  packs: readonly PackPieceView[],
  rigs: readonly RigChoice[],
): Names => ({
  rig: (kitId) => rigs.find((r) => r.kitId === kitId)?.name ?? 'a kit that is gone',
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
  const isOtherRig = entries.some((e) => e.entry.kitId !== entry.kitId) && before?.kitId !== entry.kitId;
  const rig = isOtherRig ? ` The rig: ${names.rig(entry.kitId)}.` : '';
  const pack = names.pack(entry.packId);
  const packPart = pack === null ? '' : ` Pack ${pack} in last, when nobody is near.`;
  if (before?.propId === entry.propId && !isOtherRig) return `The prop stays on. Tare, telemetry cleared.${packPart}`;
  const off = before === undefined ? '' : `${names.prop(before.propId)} off, `;
  return `Pack out. ${off}${names.prop(entry.propId)} on.${rig} Tare, telemetry cleared.${packPart}`;
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
        text:
          `${volts(restV!)} is more than a full cell of this pack holds (${volts(fullCellV!)}): do not run it; ` +
          'look at the charger’s setting.',
        severity: 'danger',
      };
    case 'below':
      return {
        text:
          `${volts(restV!)} is under the gate of ${volts(gateCellV!)}: another pack, or the run is kept and does ` +
          'not count.',
        severity: 'caution',
      };
    case 'passes':
      return { text: `${volts(restV!)}${gateCellV === null ? '' : ', over the gate'}`, severity: 'gain' };
  }
}

/** What each way of running is called, and what its numbers are. */
export const kindWords: Record<ProtocolKind, { name: string; steps: string; hold: string; runs: string }> = {
  full: { name: 'full throttle', steps: 'Readings a run', hold: 'Each held, s', runs: 'Run full throttle' },
  ladder: { name: 'a ladder down', steps: 'Steps', hold: 'Each held, s', runs: 'Run the ladder' },
  own: { name: 'steps of my own', steps: 'Steps', hold: 'Each held, s', runs: 'Run the steps' },
  ramp: { name: 'a slow ramp up and down', steps: 'Points on the way up', hold: 'Way up, s', runs: 'Run the ramp' },
  burst: { name: 'bursts to full throttle', steps: 'Bursts', hold: 'Each held, s', runs: 'Run the bursts' },
  coast: { name: 'run-downs', steps: 'Run-downs', hold: 'Turning before, s', runs: 'Run it down' },
  hold: { name: 'one throttle, held', steps: 'Readings on the way', hold: 'Held, s', runs: 'Hold it' },
};

/** What a way of running is good for, and what it needs. */
export const kindNotes: Partial<Record<ProtocolKind, string>> = {
  ramp:
    'A ramp gives a whole curve in a minute; points on the way up and down lie at the same throttles. It needs a ' +
    'stand that reads by itself.',
  burst: 'Bursts tell how soon thrust follows the throttle. They need a stand that reads by itself.',
  coast:
    'A run-down tells the inertia, and whether the bearings are dry. It needs a stand that reads by itself, ' +
    'and a speed controller with its braking switched off.',
  hold:
    'A hold tells what is left of the thrust when pack and motor are warm. Watch the bell: let it cool between ' +
    'runs.',
};
