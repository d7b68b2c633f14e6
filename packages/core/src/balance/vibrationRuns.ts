import type { Reason, ReasonCode, ReasonValues } from '../figure/reason.ts';
import type { Spin } from '../craft/layouts.ts';
import { amountOf, degreesOf, fromPolar, wrapDegrees, type Complex } from '../numerics/complex.ts';
import { largestTrialKg, meanReading, onePlaneCorrection, trialVerdict, type Reading } from './influence.ts';
import { refineWithoutPhase } from './withoutPhase.ts';

/**
 * One run on the stand: what mass was on where, and what the sensor read, once or several times.
 *
 * One convention for all angles, phase, trial and answer alike: degrees count *what comes after the mark*. A mass at
 * 90° passes the tacho a quarter turn after the mark; a phase of 90° says that the shake peaks a quarter turn after it.
 * So
 * V = α·U holds for complex V and U, whatever the lag of the stand, for either hand.
 */
export interface VibrationRun {
  /** 0 for the run without a mass. */
  massKg: number;
  /** After the mark. */
  degrees: number;
  readings: readonly { amplitude: number; phaseDegrees: number | null }[];
  /** A run after the correction, to see what is left. */
  isCheck: boolean;
}

export interface VibrationState {
  status: 'needsFirst' | 'needsTrial' | 'needsMoreTrials' | 'inconclusive' | 'found';
  method: 'phase' | 'amplitudes' | null;
  /** Where to put what, at the trial's radius; null until it is found. */
  correction: { massKg: number; degrees: number } | null;
  /** Amplitude after over before; null without a check run. */
  leftRatio: number | null;
  /** Where the next trial goes, for runs without phase. */
  nextTrialDegrees: number | null;
  largestTrialKg: number;
  reasons: Reason[];
}

/**
 * Where a direction *after the mark* lies on the label's face, clockwise from the mark: what comes after it lies
 * against the turn.
 *
 * @param turn - of the piece, seen from the label
 * @example clockwiseOf(90, 'cw') // => 270
 */
export function clockwiseOf(degrees: number, turn: Spin): number {
  return wrapDegrees(turn === 'cw' ? -degrees : degrees);
}

/** Trials without phase go a third of a turn apart. */
const TRIAL_STEP = 120;
const TRIALS_NEEDED = 3;

/**
 * What runs on the stand say: with phase one trial mass is enough, without it three places are needed.
 *
 * @param craftWeightN - weight of the craft or rig that shakes, for the largest safe trial
 * @param radiusM - where the masses go
 */
export function vibrationState(
  runs: readonly VibrationRun[],
  craftWeightN: number,
  radiusM: number,
  speedRpm: number,
): VibrationState {
  const most = largestTrialKg(craftWeightN, radiusM, speedRpm);
  const base: VibrationState = {
    status: 'needsFirst',
    method: null,
    correction: null,
    leftRatio: null,
    nextTrialDegrees: null,
    largestTrialKg: most,
    reasons: [],
  };
  const say = <C extends ReasonCode>(
    state: VibrationState,
    code: C,
    severity: Reason['severity'],
    values: ReasonValues<C>,
  ): VibrationState => ({
    ...state,
    reasons: [...state.reasons, { code, severity, values: values as Reason['values'], figure: null }],
  });
  const first = runs.find((r) => r.massKg === 0 && !r.isCheck);
  if (!first) return say(base, 'balance.vibration.first', 'action', { largestKg: most });
  const trials = runs.filter((r) => r.massKg > 0 && !r.isCheck);
  if (trials.length === 0)
    return say({ ...base, status: 'needsTrial', nextTrialDegrees: 0 }, 'balance.vibration.trial', 'action', {
      largestKg: most,
    });
  const hasPhase = [first, ...trials].every((r) => r.readings.every((x) => x.phaseDegrees !== null));
  const found = hasPhase ? withPhase(first, trials[0]!) : withoutPhase(first, trials);
  if (found === 'more') {
    const nextTrialDegrees = (trials.at(-1)!.degrees + TRIAL_STEP) % 360;
    return say(
      { ...base, status: 'needsMoreTrials', method: 'amplitudes', nextTrialDegrees },
      'balance.vibration.more',
      'action',
      { degrees: nextTrialDegrees, count: TRIALS_NEEDED - trials.length },
    );
  }
  if ('changeRatio' in found)
    return say(
      { ...base, status: 'inconclusive', method: hasPhase ? 'phase' : 'amplitudes' },
      'balance.vibration.inconclusive',
      'caution',
      { changeRatio: found.changeRatio, largestKg: most },
    );
  const check = runs.find((r) => r.isCheck);
  const leftRatio = check ? amplitudeOf(check) / amplitudeOf(first) : null;
  const state: VibrationState = {
    ...base,
    status: 'found',
    method: hasPhase ? 'phase' : 'amplitudes',
    correction: found,
    leftRatio,
  };
  return leftRatio === null
    ? say(state, 'balance.vibration.put', 'action', { massKg: found.massKg, degrees: found.degrees })
    : say(state, 'balance.vibration.left', leftRatio < 0.5 ? 'gain' : 'caution', { leftRatio });
}

function vectors(run: VibrationRun): Reading[] {
  return run.readings.map((r): Complex => fromPolar(r.amplitude, r.phaseDegrees ?? 0));
}

function amplitudeOf(run: VibrationRun): number {
  return run.readings.every((r) => r.phaseDegrees !== null)
    ? amountOf(meanReading(vectors(run)).mean)
    : run.readings.reduce((sum, r) => sum + r.amplitude, 0) / run.readings.length;
}

type Found = { massKg: number; degrees: number } | { changeRatio: number } | 'more';

function withPhase(first: VibrationRun, trial: VibrationRun): Found {
  const verdict = trialVerdict(vectors(first), vectors(trial));
  if (verdict.status === 'inconclusive') return { changeRatio: verdict.changeRatio };
  const { correction } = onePlaneCorrection(
    meanReading(vectors(first)).mean,
    fromPolar(trial.massKg, trial.degrees),
    meanReading(vectors(trial)).mean,
  );
  return { massKg: amountOf(correction), degrees: degreesOf(correction) };
}

/** Amplitudes must differ by this share before three trials tell anything. */
const LEAST_CHANGE_RATIO = 0.15;

function withoutPhase(first: VibrationRun, trials: readonly VibrationRun[]): Found {
  if (trials.length < TRIALS_NEEDED) return 'more';
  const original = amplitudeOf(first);
  const amplitudes = trials.map(amplitudeOf);
  const change = Math.max(...amplitudes.map((a) => Math.abs(a / original - 1)));
  if (change < LEAST_CHANGE_RATIO) return { changeRatio: change };
  const { correctionKg, correctionDegrees } = refineWithoutPhase({
    originalAmplitude: original,
    trialKg: trials[0]!.massKg,
    trialDegrees: trials.map((t) => t.degrees),
    trialAmplitudes: amplitudes,
  });
  return { massKg: correctionKg, degrees: correctionDegrees };
}
