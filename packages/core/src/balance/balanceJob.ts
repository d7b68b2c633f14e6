import type { Reason, ReasonCode, ReasonValues } from '../figure/reason.ts';
import { SHAKE_FIGURE } from './explainShake.ts';
import { add, amountOf, fromPolar, type Complex } from '../numerics/complex.ts';
import { inertiaFactors, propInertiaKgM2 } from '../propeller/propFigures.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { schoolPlan, schools, type SchoolPlan } from './schoolPlan.ts';
import { combinedUnbalance } from './staticUnbalance.ts';
import {
  bestOfSwings,
  oneSwing,
  swingPeriod,
  twoSwings,
  type SwingResult,
  type SwingTaps,
  type TwoSwingResult,
} from './swingTiming.ts';
import { mostTapeKgM, tapePlan, tapeSpot, type TapeRoll, type TapeSpot, type TapeStep } from './tapePlan.ts';
import {
  isBeyond,
  nextTape,
  tapePlaces,
  tapeState,
  tapeVector,
  type TapeJob,
  type LevelObservation,
  type TapePlace,
  type TapeState,
} from './tapeTrials.ts';
import {
  residualOf,
  unbalanceTarget,
  type BalancingRig,
  type Residual,
  type ShakenCraft,
  type ShakeTarget,
} from './targets.ts';

/** A swing that was tapped, bare or with a known moment of tape. */
export interface TappedSwing extends SwingTaps {
  /** Moment of the tape that was on [kg·m]; 0 for the bare prop. */
  tapeKgM: number;
  side: 'light' | 'heavy';
}

/** Everything that was seen of one piece while it was balanced. */
export interface BalanceJobEvidence {
  observations: readonly LevelObservation[];
  swings: readonly TappedSwing[];
  /** Where the heavy side hangs, seen when it was swung [degrees]; null where nobody looked. */
  heavyDegrees: number | null;
  /** Moment of each blade where blades or tips were weighed [kg·m]; empty where they were not. */
  bladeMomentsKgM: readonly number[];
  /** Tape that is on now, by place [kg·m]. */
  onKgM: readonly number[];
}

export interface BalanceJobSetting {
  geometry: PropGeometry;
  massKg: number;
  craft: ShakenCraft;
  /** Mass of the motor's bell, which turns with the prop [kg]. */
  bellMassKg: number;
  rig: BalancingRig;
  target: ShakeTarget;
  roll: TapeRoll;
}

/** Where a balancing job stands, and what to do next. */
export interface BalanceJobState {
  job: TapeJob;
  places: (TapePlace & TapeSpot)[];
  targetKgM: number;
  floorKgM: number;
  isRigLimited: boolean;
  tape: TapeState | null;
  swing: ({ kind: 'one' } & SwingResult) | ({ kind: 'two'; answer: TwoSwingResult } & SwingResult) | null;
  /** What the evidence says of the bare piece; null where nothing says. */
  measured: { unbalanceKgM: number; degrees: number | null } | null;
  /** Tape that should be on next, by place; null where the job is done or nothing is known. */
  next: number[] | null;
  /** The same as strips, beside what is on. */
  plan: TapeStep[];
  /** What the other schools would ask for; empty while nothing is known or nothing is to be done. */
  schools: SchoolPlan[];
  residual: Residual | null;
  verdict: 'open' | 'trued' | 'sendBack' | 'contradiction';
  reasons: Reason[];
}

const TOLD_FACTOR = 4;

/**
 * Where a balancing job stands from everything that was seen, timed and weighed: what is left, what to put where,
 * whether more work is worth it.
 *
 * @throws {OutOfRangeError} if a mass, a speed or a swing makes no sense
 */
export function balanceJobState(setting: BalanceJobSetting, evidence: BalanceJobEvidence): BalanceJobState {
  const { geometry, massKg, craft, rig, target, roll } = setting;
  const spots = { blade: tapeSpot('blade', geometry.diameterM, roll), hub: tapeSpot('hub', geometry.diameterM, roll) };
  const aim = unbalanceTarget(craft, target, rig, massKg);
  const estimateKgM2 = propInertiaKgM2(massKg, geometry.diameterM, inertiaFactors[geometry.tipShape]) + rig.inertiaKgM2;
  const job: TapeJob = {
    bladeCount: geometry.bladeCount,
    firstBladeDegrees: 0,
    frictionKgM: Math.max(rig.frictionKgM, 1e-10),
    inertiaKgM2: estimateKgM2,
    targetKgM: aim.unbalanceKgM,
    mostOnBladeKgM: mostTapeKgM(spots.blade, roll),
    mostOnHubKgM: mostTapeKgM(spots.hub, roll),
  };
  const swing = swingOf(evidence.swings, spots.blade.radiusM, estimateKgM2);
  const measured = measuredOf(evidence, swing);
  const tape = evidence.observations.length === 0 ? null : tapeState(job, evidence.observations);
  const bare = tape
    ? (tape.unbalance?.vector ?? null)
    : measured && measured.degrees !== null
      ? fromPolar(measured.unbalanceKgM, measured.degrees)
      : null;
  const verdict = verdictOf(job, tape, measured, bare);
  const isWorkedOn = verdict === 'open' || verdict === 'sendBack';
  const now = bare && add(bare, tapeVector(evidence.onKgM, job));
  const wanted = verdict === 'open' && bare ? (tape ? tape.next : nextTape(job, bare)) : null;
  const places = tapePlaces(job).map((place) => ({ ...place, ...spots[place.kind] }));
  const plan = wanted ? tapePlan(places, evidence.onKgM, wanted, roll) : [];
  const told = toldLeftKgM(tape) ?? (measured ? measured.unbalanceKgM : null);
  const state = {
    job,
    places,
    targetKgM: aim.unbalanceKgM,
    floorKgM: aim.floorKgM,
    isRigLimited: aim.isRigLimited,
    tape,
    swing,
    measured,
    verdict,
    plan,
    next: wanted && places.map((_, i) => plan.find((s) => s.place === i)?.want?.momentKgM ?? 0),
    schools:
      isWorkedOn && now
        ? schools.map((school) => schoolPlan(school, now, job.bladeCount, spots, geometry.material, aim.unbalanceKgM))
        : [],
    residual: told === null ? null : residualOf(told, craft, massKg + setting.bellMassKg, aim.floorKgM),
  } satisfies Omit<BalanceJobState, 'reasons'>;
  return { ...state, reasons: reasonsOf(state, setting) };
}

/** What the observations say; without any, what was timed or weighed. */
function verdictOf(
  job: TapeJob,
  tape: TapeState | null,
  measured: BalanceJobState['measured'],
  bare: Complex | null,
): BalanceJobState['verdict'] {
  if (tape) return tape.verdict === 'goOn' ? 'open' : tape.verdict;
  if (measured && measured.unbalanceKgM <= job.targetKgM) return 'trued';
  return bare && isBeyond(job, bare) ? 'sendBack' : 'open';
}

/** What is left by the observations; while the possible still reaches far, nothing is told. */
function toldLeftKgM(tape: TapeState | null): number | null {
  if (!tape?.left) return null;
  return tape.verdict === 'trued' || tape.left.mostKgM < TOLD_FACTOR * tape.left.middleKgM ? tape.left.middleKgM : null;
}

function swingOf(swings: readonly TappedSwing[], tapeRadiusM: number, estimateKgM2: number): BalanceJobState['swing'] {
  const bare = swings.find((s) => s.tapeKgM === 0);
  if (!bare) return null;
  const period = swingPeriod(bare);
  const taped = swings.find((s) => s.tapeKgM > 0);
  if (!taped) return { kind: 'one', ...oneSwing(period, estimateKgM2) };
  const answer = twoSwings(period, swingPeriod(taped), taped.tapeKgM, tapeRadiusM, taped.side, estimateKgM2);
  return { kind: 'two', answer, ...bestOfSwings(period, answer, estimateKgM2) };
}

function measuredOf(
  { bladeMomentsKgM, heavyDegrees }: BalanceJobEvidence,
  swing: BalanceJobState['swing'],
): BalanceJobState['measured'] {
  if (bladeMomentsKgM.length >= 2) {
    const { unbalanceKgM, degrees } = combinedUnbalance(bladeMomentsKgM);
    return { unbalanceKgM, degrees };
  }
  return swing ? { unbalanceKgM: swing.unbalanceKgM, degrees: heavyDegrees } : null;
}

function reasonsOf(state: Omit<BalanceJobState, 'reasons'>, { craft, target }: BalanceJobSetting): Reason[] {
  const reasons: Reason[] = [];
  const { residual, verdict, tape, targetKgM, floorKgM, isRigLimited, swing } = state;
  const say = <C extends ReasonCode>(
    code: C,
    severity: Reason['severity'],
    values: ReasonValues<C>,
    figure: string | null = null,
  ): void => void reasons.push({ code, severity, values: values as Reason['values'], figure });
  if (verdict === 'sendBack')
    say('balance.sendBack', 'danger', {
      unbalanceKgM: tape?.unbalance?.amountKgM ?? state.measured!.unbalanceKgM,
      mostKgM: state.job.mostOnBladeKgM,
    });
  if (verdict === 'contradiction') say('balance.contradiction', 'caution', { look: tape!.contradicting! + 1 });
  if (swing?.kind === 'two' && swing.answer.status === 'inconclusive')
    say(`balance.swing.${swing.answer.reason}`, 'caution', { unbalanceKgM: swing.unbalanceKgM });
  if (verdict === 'open' && state.measured && state.measured.degrees === null)
    say('balance.whereIsHeavy', 'action', { unbalanceKgM: state.measured.unbalanceKgM });
  if (state.plan.some((s) => s.want?.isTrial))
    say('balance.trialTape', 'caution', { mostKgM: state.job.mostOnBladeKgM });
  if (verdict === 'open' && state.next)
    say('balance.putTape', 'action', {
      count: state.plan.filter((s) => s.want !== null).length,
      unbalanceKgM: amountOf(vectorOf(state)),
    });
  if (verdict === 'trued')
    say(
      residual!.isBelowRig ? 'balance.belowRig' : 'balance.done',
      'gain',
      {
        unbalanceKgM: residual!.unbalanceKgM,
        shakeG: residual!.shakeG,
        forceN: residual!.forceN,
      },
      SHAKE_FIGURE,
    );
  else if (residual)
    say(
      'balance.left',
      'note',
      {
        unbalanceKgM: residual.unbalanceKgM,
        shakeG: residual.shakeG,
        forceN: residual.forceN,
        targetKgM,
      },
      SHAKE_FIGURE,
    );
  if (swing)
    say('balance.swing', 'note', { unbalanceKgM: swing.unbalanceKgM, uncertaintyRatio: swing.uncertaintyRatio });
  say(isRigLimited ? 'balance.aim.rig' : `balance.aim.${target}`, 'note', {
    targetKgM,
    floorKgM,
    speedRpm: craft.hoverSpeedRpm,
  });
  if (verdict === 'trued') say('balance.enough', 'note', { targetKgM });
  return reasons;
}

function vectorOf({ places, next }: Omit<BalanceJobState, 'reasons'>): Complex {
  return places.reduce<Complex>((sum, { degrees }, i) => add(sum, fromPolar(next?.[i] ?? 0, degrees)), {
    re: 0,
    im: 0,
  });
}
