import { describe, expect, test } from '@jest/globals';
import { fromPolar, wrapDegrees } from '../numerics/complex.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { recordShake, type ShakenStand, type SimulatedWeight } from '../simulate/simulatedVibration.ts';
import { planeCorrections } from './influence.ts';
import { onceAround } from './onceAround.ts';
import { shakeRecording } from './shakeRecording.ts';
import { clockwiseOf, vibrationState, type VibrationRun } from './vibrationRuns.ts';

const RADIUS_M = 0.068;
const stand: ShakenStand = {
  turn: 'cw',
  speedRpm: 5820,
  sensorDegrees: 70,
  gainPerKg: 3,
  lagDegrees: 140,
  rateHz: 4000,
  durationS: 1.5,
  noiseMPerS2: 0.02,
};
const heavy: SimulatedWeight = { momentKgM: 1.4e-6, clockDegrees: 208 };

/** Edges of the tacho by hand, for the meter that a person reads. */
function edges(rows: readonly (readonly number[])[]): number[] {
  const lit = rows.flatMap(([t, , on]) => (on! > 2 ? [t!] : []));
  return lit.filter((t, i) => i === 0 || t - lit[i - 1]! > 0.002);
}

/** One run: recorded, then read from the file, or written down by hand as a meter with a mark shows it. */
function runWith(
  setting: ShakenStand,
  weights: SimulatedWeight[],
  way: 'file' | 'hand',
  seed: string,
): VibrationRun['readings'][number] {
  const rows = recordShake(setting, weights, seededRandom(seed));
  if (way === 'file') {
    const found = onceAround(
      shakeRecording(
        rows.map((r) => r[0]),
        rows.map((r) => r[1]),
        rows.map((r) => r[2]),
        null,
      ),
    );
    return { amplitude: found.amplitudeMPerS2, phaseDegrees: found.phaseDegrees };
  }
  // A meter shows how long after the mark the shake peaks: mean over turns of the time from edge to the highest value.
  const turnS = 60 / setting.speedRpm;
  const smooth = (at: number): number =>
    Array.from(
      { length: 9 },
      (_, k) => rows[Math.min(rows.length - 1, Math.max(0, Math.round(at * setting.rateHz) + k - 4))]![1],
    ).reduce((a, b) => a + b, 0) / 9;
  const turns = edges(rows).slice(1, -2);
  const steps = Array.from(
    { length: 72 },
    (_, k) => turns.reduce((sum, t) => sum + smooth(t + (k * turnS) / 72), 0) / turns.length,
  );
  const [re, im] = [0, 1].map(
    (q) => steps.reduce((sum, a, k) => sum + a * Math.cos((2 * Math.PI * k) / 72 - (q * Math.PI) / 2), 0) / 36,
  ) as [number, number];
  return { amplitude: Math.hypot(re, im), phaseDegrees: wrapDegrees((Math.atan2(im, re) * 180) / Math.PI) };
}

describe('balancing from a recording, and from phases typed by hand', () => {
  const cases = (['cw', 'ccw'] as const).flatMap((turn) =>
    (['file', 'hand'] as const).flatMap((way) => [40, 140, 250].map((lagDegrees) => ({ turn, way, lagDegrees }))),
  );
  test.each(cases)(
    '$turn, $way, lag $lagDegrees°: the proposed mass takes the shake out',
    ({ turn, way, lagDegrees }) => {
      const setting = { ...stand, turn, lagDegrees };
      const trial = { massKg: 4e-6 * 5, degrees: 100 };
      const on = (massKg: number, degrees: number): SimulatedWeight => ({
        momentKgM: massKg * RADIUS_M,
        clockDegrees: clockwiseOf(degrees, turn),
      });
      const runs: VibrationRun[] = [
        { massKg: 0, degrees: 0, isCheck: false, readings: [runWith(setting, [heavy], way, 'bare')] },
        {
          ...trial,
          isCheck: false,
          readings: [runWith(setting, [heavy, on(trial.massKg, trial.degrees)], way, 'trial')],
        },
      ];
      const { correction } = vibrationState(runs, 20, RADIUS_M, setting.speedRpm);
      const after = runWith(setting, [heavy, on(correction!.massKg, correction!.degrees)], way, 'after');
      expect(runs[0]!.readings[0]!.amplitude / after.amplitude).toBeGreaterThan(12);
    },
  );

  test('two planes read the same way: each sensor hears both', () => {
    const turn = 'ccw' as const;
    const planes = [
      { ...stand, turn, gainPerKg: 3, lagDegrees: 150, sensorDegrees: 0 },
      { ...stand, turn, gainPerKg: 1, lagDegrees: 110, sensorDegrees: 0 },
    ];
    const truth = [heavy, { momentKgM: 0.9e-6, clockDegrees: 40 }];
    // The far plane is heard at a third, and later.
    const read = (sensor: number, weights: (SimulatedWeight | null)[], seed: string) => {
      const near = recordShake(planes[0]!, weights[sensor] ? [weights[sensor]] : [], seededRandom(seed));
      const far = recordShake(planes[1]!, weights[1 - sensor] ? [weights[1 - sensor]!] : [], seededRandom(seed));
      const found = onceAround({
        samples: near.map((r, i) => r[1] + far[i]![1]),
        rateHz: stand.rateHz,
        marksS: edges(near),
        speedRpm: null,
      });
      return fromPolar(found.amplitudeMPerS2, found.phaseDegrees!);
    };
    const trial = { massKg: 2e-5, degrees: 60 };
    const put = (w: SimulatedWeight, massKg: number, degrees: number): SimulatedWeight => {
      const [a, b] = [fromPolar(w.momentKgM, w.clockDegrees), fromPolar(massKg * RADIUS_M, clockwiseOf(degrees, turn))];
      return {
        momentKgM: Math.hypot(a.re + b.re, a.im + b.im),
        clockDegrees: (Math.atan2(a.im + b.im, a.re + b.re) * 180) / Math.PI,
      };
    };
    const both = (weights: (SimulatedWeight | null)[], seed: string) => [0, 1].map((s) => read(s, weights, seed));
    const { corrections } = planeCorrections({
      before: both(truth, 'a'),
      trials: [0, 1].map((k) => ({
        mass: fromPolar(trial.massKg, trial.degrees),
        readings: both(
          truth.map((w, i) => (i === k ? put(w, trial.massKg, trial.degrees) : w)),
          'b',
        ),
      })),
    });
    const after = both(
      truth.map((w, i) =>
        put(
          w,
          Math.hypot(corrections[i]!.re, corrections[i]!.im),
          (Math.atan2(corrections[i]!.im, corrections[i]!.re) * 180) / Math.PI,
        ),
      ),
      'c',
    );
    for (const [i, before] of both(truth, 'a').entries())
      expect(Math.hypot(before.re, before.im) / Math.hypot(after[i]!.re, after[i]!.im)).toBeGreaterThan(12);
  });
});
