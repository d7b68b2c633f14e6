import type { Reason } from '../figure/reason.ts';
import { add, amountOf, fromPolar, type Complex } from '../numerics/complex.ts';
import { inertiaFactors, propInertiaKgM2 } from '../propeller/propFigures.ts';
import type { PropGeometry } from '../propeller/propGeometry.ts';
import { HUB_SHARE, mostTapeKgM, TAPE_RADIUS_RATIO, tapePieces, type TapePiece, type TapeRoll } from './corrections.ts';
import { combinedUnbalance } from './staticUnbalance.ts';
import { bestOfSwings, oneSwing, swingPeriod, twoSwings, type SwingResult, type SwingTaps, type TwoSwingResult } from './swingTiming.ts';
import { nextTape, tapePlaces, tapeState, type TapeJob, type TapeLook, type TapePlace, type TapeState } from './tapeTrials.ts';
import { residualOf, unbalanceTarget, type BalancingRig, type Residual, type ShakenCraft, type ShakeTarget } from './targets.ts';

/** A swing that was tapped, bare or with a known moment of tape. */
export interface TappedSwing extends SwingTaps {
  /** Moment of the tape that was on [kg·m]; 0 for the bare prop. */
  tapeKgM: number;
  side: 'light' | 'heavy';
}

/** Everything that was seen of one piece while it was balanced. */
export interface TrueUpEvidence {
  looks: readonly TapeLook[];
  swings: readonly TappedSwing[];
  /** Where the heavy side hangs, seen when it was swung [degrees]; null where nobody looked. */
  heavyDegrees: number | null;
  /** Moment of each blade where blades or tips were weighed [kg·m]; empty where they were not. */
  bladeMomentsKgM: readonly number[];
}

export interface TrueUpSetting {
  geometry: PropGeometry;
  massKg: number;
  craft: ShakenCraft;
  /** Mass of the motor's bell, which turns with the prop [kg]. */
  bellMassKg: number;
  rig: BalancingRig;
  target: ShakeTarget;
  roll: TapeRoll;
}

/** Where a true-up stands, and what to do next. */
export interface TrueUpState {
  job: TapeJob;
  places: TapePlace[];
  targetKgM: number;
  floorKgM: number;
  isRigLimited: boolean;
  tape: TapeState | null;
  swing: ({ kind: 'one' } & SwingResult) | ({ kind: 'two'; answer: TwoSwingResult } & SwingResult) | null;
  /** What the evidence says of the bare piece, before any look with tape; null where nothing says. */
  measured: { unbalanceKgM: number; degrees: number | null } | null;
  /** Tape that should be on next, by place; null where the job is done or nothing is known. */
  next: number[] | null;
  strips: TapePiece[];
  residual: Residual | null;
  verdict: 'open' | 'trued' | 'sendBack' | 'contradiction';
  reasons: Reason[];
}

/** A strip reaches at most this share of the radius along a blade. */
const LONGEST_STRIP_RATIO = 0.35;
/** Tape at the hub sits at this share of the radius. */
const HUB_RADIUS_RATIO = 0.12;
const TOLD_FACTOR = 4;

/**
 * Where a true-up stands from everything that was seen, timed and weighed: what is left, what to put where, whether
 * more work is worth it.
 *
 * @throws {OutOfRangeError} if a mass, a speed or a swing makes no sense
 */
export function trueUpState(setting: TrueUpSetting, evidence: TrueUpEvidence): TrueUpState {
  const { geometry, massKg, craft, rig, target, roll } = setting;
  const radiusM = geometry.diameterM / 2;
  const aim = unbalanceTarget(craft, target, rig, massKg);
  const estimateKgM2 = propInertiaKgM2(massKg, geometry.diameterM, inertiaFactors[geometry.tipShape]) + rig.inertiaKgM2;
  const mostOnBladeKgM = mostTapeKgM(TAPE_RADIUS_RATIO * radiusM, roll, LONGEST_STRIP_RATIO * radiusM);
  const job: TapeJob = { bladeCount: geometry.bladeCount, firstBladeDegrees: 0, frictionKgM: Math.max(rig.frictionKgM, 1e-10), inertiaKgM2: estimateKgM2, targetKgM: aim.unbalanceKgM, mostOnBladeKgM, mostOnHubKgM: HUB_SHARE * mostOnBladeKgM };
  const swing = swingOf(evidence.swings, TAPE_RADIUS_RATIO * radiusM, estimateKgM2);
  const measured = measuredOf(evidence, swing);
  const tape = evidence.looks.length === 0 ? null : tapeState(job, evidence.looks);
  const next = tape ? tape.next : measured && measured.degrees !== null ? nextTape(job, fromPolar(measured.unbalanceKgM, measured.degrees)) : null;
  const places = tapePlaces(job);
  const strips = next ? next.flatMap((moment, i) => stripFor(places[i]!, i, moment, radiusM, roll) ?? []) : [];
  // While the possible still reaches far, nothing is told of what is left.
  const isTold = tape?.left && (tape.verdict === 'trued' || tape.left.mostKgM < TOLD_FACTOR * tape.left.middleKgM);
  const leftKgM = isTold ? tape.left!.middleKgM : null;
  const isMeasuredTrue = tape === null && measured !== null && measured.unbalanceKgM <= aim.unbalanceKgM;
  const verdict = tape ? (tape.verdict === 'goOn' ? 'open' : tape.verdict) : isMeasuredTrue ? 'trued' : 'open';
  const told = leftKgM ?? (measured ? measured.unbalanceKgM : null);
  const residual = told === null ? null : residualOf(told, craft, massKg + setting.bellMassKg, aim.floorKgM);
  const state = { job, places, targetKgM: aim.unbalanceKgM, floorKgM: aim.floorKgM, isRigLimited: aim.isRigLimited, tape, swing, measured, next: verdict === 'open' ? next : null, strips: verdict === 'open' ? strips : [], residual, verdict } satisfies Omit<TrueUpState, 'reasons'>;
  return { ...state, reasons: reasonsOf(state, setting) };
}

function stripFor(place: TapePlace, index: number, momentKgM: number, radiusM: number, roll: TapeRoll): TapePiece | null {
  const at = place.kind === 'hub' ? HUB_RADIUS_RATIO : TAPE_RADIUS_RATIO;
  return momentKgM <= 0 ? null : (tapePieces(momentKgM, index, at * radiusM, roll, LONGEST_STRIP_RATIO * radiusM) ?? { blade: index, lengthM: LONGEST_STRIP_RATIO * radiusM, layerCount: 3, momentKgM });
}

function swingOf(swings: readonly TappedSwing[], tapeRadiusM: number, estimateKgM2: number): TrueUpState['swing'] {
  const bare = swings.find((s) => s.tapeKgM === 0);
  if (!bare) return null;
  const period = swingPeriod(bare);
  const taped = swings.find((s) => s.tapeKgM > 0);
  if (!taped) return { kind: 'one', ...oneSwing(period, estimateKgM2) };
  const answer = twoSwings(period, swingPeriod(taped), taped.tapeKgM, tapeRadiusM, taped.side, estimateKgM2);
  return { kind: 'two', answer, ...bestOfSwings(period, answer, estimateKgM2) };
}

function measuredOf({ bladeMomentsKgM, heavyDegrees }: TrueUpEvidence, swing: TrueUpState['swing']): TrueUpState['measured'] {
  if (bladeMomentsKgM.length >= 2) {
    const { unbalanceKgM, degrees } = combinedUnbalance(bladeMomentsKgM);
    return { unbalanceKgM, degrees };
  }
  return swing ? { unbalanceKgM: swing.unbalanceKgM, degrees: heavyDegrees } : null;
}

function reasonsOf(state: Omit<TrueUpState, 'reasons'>, { craft, target }: TrueUpSetting): Reason[] {
  const reasons: Reason[] = [];
  const { residual, verdict, tape, targetKgM, floorKgM, isRigLimited, swing } = state;
  const say = (code: string, severity: Reason['severity'], values: Reason['values'], figure: string | null = null): void => void reasons.push({ code, severity, values, figure });
  if (verdict === 'sendBack') say('true.sendBack', 'danger', { unbalanceKgM: tape!.unbalance!.amountKgM, mostKgM: state.job.mostOnBladeKgM, targetKgM });
  if (verdict === 'contradiction') say('true.contradiction', 'caution', { look: tape!.contradicting! + 1 });
  if (swing?.kind === 'two' && swing.answer.status === 'inconclusive') say(`true.swing.${swing.answer.reason}`, 'caution', { unbalanceKgM: swing.unbalanceKgM });
  if (verdict === 'open' && state.measured && state.measured.degrees === null) say('true.whereIsHeavy', 'action', { unbalanceKgM: state.measured.unbalanceKgM });
  if (verdict === 'open' && state.next) say('true.putTape', 'action', { count: state.strips.length, unbalanceKgM: amountOf(vectorOf(state)) });
  if (verdict === 'trued') say(residual!.isBelowRig ? 'true.belowRig' : 'true.done', 'gain', { unbalanceKgM: residual!.unbalanceKgM, shakeG: residual!.shakeG, forceN: residual!.forceN });
  else if (residual) say('true.left', 'note', { unbalanceKgM: residual.unbalanceKgM, shakeG: residual.shakeG, forceN: residual.forceN, targetKgM });
  if (swing) say('true.swing', 'note', { unbalanceKgM: swing.unbalanceKgM, uncertaintyRatio: swing.uncertaintyRatio });
  say(isRigLimited ? 'true.aim.rig' : `true.aim.${target}`, 'note', { targetKgM, floorKgM, speedRpm: craft.hoverSpeedRpm });
  if (verdict === 'trued') say('true.enough', 'note', { targetKgM });
  return reasons;
}

function vectorOf({ places, next }: Omit<TrueUpState, 'reasons'>): Complex {
  return places.reduce<Complex>((sum, { degrees }, i) => add(sum, fromPolar(next?.[i] ?? 0, degrees)), { re: 0, im: 0 });
}
