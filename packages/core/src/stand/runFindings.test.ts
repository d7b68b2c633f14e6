import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { recordProgram } from '../simulate/recordProgram.ts';
import { SimulatedStand } from '../simulate/simulatedStand.ts';
import { simulatedMotor } from '../simulate/simulatedRun.ts';
import { simulatedProp } from '../simulate/simulatedProp.ts';
import type { LiveReading } from './liveReading.ts';
import { throttleProgram, usualProtocols, type RunProtocol } from './protocol.ts';
import { inertiaFromCoast, runFindings, type StandSamples } from './runFindings.ts';

const HZ = 100;

/** Readings of a law, a hundred a second. */
const read = (
  durationS: number,
  of: (t: number) => { throttle: number; thrust?: number; rpm?: number },
): StandSamples => {
  const times = Array.from({ length: Math.round(durationS * HZ) }, (_, i) => i / HZ);
  const all = times.map(of);
  return {
    timeS: times,
    throttleRatio: all.map((a) => a.throttle),
    thrustN: all.map((a) => a.thrust ?? 0),
    speedRpm: all.map((a) => a.rpm ?? 0),
  };
};

describe('time to thrust', () => {
  test('a first-order rise takes 2.3 time constants to nine tenths', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.03, max: 0.2, noNaN: true }), (tau) => {
        const samples = read(4, (t) => ({
          throttle: t < 1 ? 0.3 : 1,
          thrust: t < 1 ? 2 : 2 + 8 * (1 - Math.exp(-(t - 1) / tau)),
        }));
        // One reading of the step itself, and what smoothing over five takes.
        expect(runFindings(samples).rise!.riseS).toBeCloseTo(Math.log(10) * tau + 0.01, 1);
        expect(Math.abs(runFindings(samples).rise!.riseS - Math.log(10) * tau)).toBeLessThan(0.016);
      }),
    );
  });

  test('several bursts are pooled; small steps, short ones and falls are none', () => {
    const burst = (t: number) => (t % 2 < 1 ? 0.3 : 1);
    const samples = read(8, (t) => ({ throttle: burst(t), thrust: 10 * burst(t) }));
    expect(runFindings(samples).rise).toMatchObject({ count: 4, fromThrottleRatio: 0.3, toThrottleRatio: 1 });
    const none = read(8, (t) => ({ throttle: t < 4 ? 0.5 : 0.6, thrust: t < 4 ? 3 : 4 }));
    expect(runFindings(none).rise).toBeNull();
    const short = read(8, (t) => ({ throttle: t > 4 && t < 4.3 ? 1 : 0.3, thrust: 1 }));
    expect(runFindings(short).rise).toBeNull();
    expect(runFindings(read(3, () => ({ throttle: 0.5, thrust: 3 })))).toEqual({ rise: null, coast: null });
    expect(runFindings(read(0, () => ({ throttle: 0 })))).toEqual({ rise: null, coast: null });
  });

  test('a scale that stands still, or was not read, has no rise', () => {
    const dead = read(4, (t) => ({ throttle: t < 1 ? 0.3 : 1, thrust: 4 }));
    expect(runFindings(dead).rise).toBeNull();
    const gone = read(4, (t) => ({ throttle: t < 1 ? 0.3 : 1, thrust: NaN }));
    expect(runFindings(gone).rise).toBeNull();
  });
});

describe('run-down', () => {
  /** Telemetry: ten words a second, in steps of 14 rpm. */
  const rundown = (a: number, c: number, startRpm: number): StandSamples => {
    const w0 = (startRpm * 2 * Math.PI) / 60;
    const atan0 = Math.atan(w0 * Math.sqrt(c / a));
    const speed = (t: number): number =>
      Math.sqrt(a / c) * Math.tan(Math.max(0, atan0 - Math.sqrt(a * c) * Math.max(0, t)));
    return read(6, (t) => ({
      throttle: t < 1 ? 0.7 : 0,
      rpm: Math.round((speed(Math.floor(t * 10) / 10 - 1) * 60) / (2 * Math.PI) / 14) * 14,
    }));
  };

  test('drag of the air and of bearings are told apart, from words ten times a second', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 20, max: 300, noNaN: true }),
        fc.double({ min: 0.0006, max: 0.003, noNaN: true }),
        (a, c) => {
          const w0 = (12_000 * 2 * Math.PI) / 60;
          const { coast } = runFindings(rundown(a, c, 12_000));
          const truth = a + c * w0 * w0;
          expect(coast!.decelerationRadPerS2 / truth).toBeGreaterThan(0.9);
          expect(coast!.decelerationRadPerS2 / truth).toBeLessThan(1.1);
          expect(Math.abs(coast!.dryShare - a / truth)).toBeLessThan(0.06);
        },
      ),
    );
  });

  test('a rotor that is braked at once, or never slows, makes no curve', () => {
    expect(runFindings(read(4, (t) => ({ throttle: t < 1 ? 0.7 : 0, rpm: t < 1 ? 9000 : 0 }))).coast).toBeNull();
    expect(runFindings(read(4, (t) => ({ throttle: t < 1 ? 0.7 : 0, rpm: 9000 }))).coast).toBeNull();
  });
});

describe('on a made-up stand', () => {
  const INERTIA = 2.4e-5;
  const told = (protocol: RunProtocol) => {
    const stand = new SimulatedStand({
      prop: simulatedProp(0.178, 0.102, {
        bladeCount: 2,
        tip: 'standard',
        material: 'polycarbonate',
        familySeed: 'findings',
        pieceSeed: 'findings',
      }),
      motor: simulatedMotor(1080, 0.12, 0.7, 'findings'),
      inertiaKgM2: INERTIA,
      motorMassKg: 0.04,
      pack: { cellCount: 4, capacityAh: 4, cellResistanceOhm: 0.0034, stateOfCharge: 0.97 },
      airC: 15,
      densityKgPerM3: 1.225,
      unbalanceKgM: 1e-6,
      seed: 'findings',
    });
    const readings: LiveReading[] = [];
    const points = recordProgram(stand, throttleProgram(protocol), undefined, (r) => readings.push(r));
    return {
      points,
      findings: runFindings({
        timeS: readings.map((r) => r.timeS),
        throttleRatio: readings.map((r) => r.throttleRatio),
        thrustN: readings.map((r) => r.thrustN),
        speedRpm: readings.map((r) => r.speedRpm),
      }),
    };
  };

  test('bursts give a time to thrust, and points at full throttle', () => {
    const { findings, points } = told(usualProtocols.burst);
    expect(points.map((p) => p.values.throttleRatio)).toEqual([1, 1, 1, 1]);
    expect(findings.rise).toMatchObject({ count: 4, fromThrottleRatio: 0.3, toThrottleRatio: 1 });
    expect(findings.rise!.riseS).toBeGreaterThan(0.02);
    expect(findings.rise!.riseS).toBeLessThan(0.4);
    expect(findings.rise!.spreadS).toBeLessThan(0.02);
  });

  test('a run-down and the torque before it give the inertia that turned', () => {
    const { findings, points } = told(usualProtocols.coast);
    expect(points).toHaveLength(3);
    expect(findings.coast!.count).toBe(3);
    const { speedRpm, currentA } = points[0]!.values;
    // Torque by the power that turned, a guess good to the motor's efficiency.
    const { voltageV } = points[0]!.values;
    const torque = (0.85 * voltageV * currentA) / ((speedRpm * 2 * Math.PI) / 60);
    const inertia = inertiaFromCoast(findings.coast!, torque);
    expect(inertia / INERTIA).toBeGreaterThan(0.7);
    expect(inertia / INERTIA).toBeLessThan(1.4);
  });

  test('a ramp keeps points at the same throttles on the way up and down', () => {
    const { points } = told({ ...usualProtocols.ramp, stepCount: 4, holdS: 12 });
    const throttles = points.map((p) => Math.round(p.values.throttleRatio * 1000) / 1000);
    expect(throttles).toEqual([...throttles.slice(0, 4), ...throttles.slice(0, 4).reverse()]);
    expect(points[3]!.values.thrustN).toBeCloseTo(points[4]!.values.thrustN, 0);
  });
});
