import { describe, expect, test } from '@jest/globals';
import { INCH_M } from '../label/propLabel.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { simulatedProp } from '../simulate/simulatedProp.ts';
import { simulatedMotor } from '../simulate/simulatedRun.ts';
import { SimulatedStand } from '../simulate/simulatedStand.ts';
import { NO_LIMITS, type LiveReading } from './liveReading.ts';
import { StandSession } from './standSession.ts';
import { SteadyWatch } from './steadyWatch.ts';

interface Rig {
  diameterIn: number;
  pitchIn: number;
  kvRpmPerV: number;
  resistanceOhm: number;
  cellCount: number;
  capacityAh: number;
  inertiaKgM2: number;
  motorMassKg: number;
  unbalanceKgM: number;
}

const FIVE_INCH: Rig = {
  diameterIn: 5.1,
  pitchIn: 4.3,
  kvRpmPerV: 1950,
  resistanceOhm: 0.06,
  cellCount: 6,
  capacityAh: 1.3,
  inertiaKgM2: 6e-6,
  motorMassKg: 0.033,
  unbalanceKgM: 1.2e-6,
};
const RIGS: [string, Rig][] = [
  [
    'a tiny ducted one',
    {
      diameterIn: 1.22,
      pitchIn: 0.9,
      kvRpmPerV: 19_000,
      resistanceOhm: 0.25,
      cellCount: 1,
      capacityAh: 0.45,
      inertiaKgM2: 3e-8,
      motorMassKg: 0.0025,
      unbalanceKgM: 2e-8,
    },
  ],
  ['a five-inch', FIVE_INCH],
  [
    'a survey quad',
    {
      diameterIn: 15,
      pitchIn: 5,
      kvRpmPerV: 380,
      resistanceOhm: 0.09,
      cellCount: 6,
      capacityAh: 10,
      inertiaKgM2: 3e-4,
      motorMassKg: 0.11,
      unbalanceKgM: 8e-6,
    },
  ],
  [
    'a park plane',
    {
      diameterIn: 9,
      pitchIn: 4.7,
      kvRpmPerV: 1000,
      resistanceOhm: 0.12,
      cellCount: 3,
      capacityAh: 2.2,
      inertiaKgM2: 5e-5,
      motorMassKg: 0.055,
      unbalanceKgM: 3e-6,
    },
  ],
];

/** A tared and armed session on a made-up stand. */
function armed(rig: Rig, seed: string, stateOfCharge = 0.98) {
  const motor = simulatedMotor(rig.kvRpmPerV, rig.resistanceOhm, 0.6, seed);
  const prop = simulatedProp(rig.diameterIn * INCH_M, rig.pitchIn * INCH_M, {
    bladeCount: 3,
    tip: 'standard',
    material: 'polycarbonate',
    familySeed: seed,
    pieceSeed: seed,
  });
  const stand = new SimulatedStand({
    prop,
    motor,
    inertiaKgM2: rig.inertiaKgM2,
    motorMassKg: rig.motorMassKg,
    pack: { cellCount: rig.cellCount, capacityAh: rig.capacityAh, cellResistanceOhm: 0.005, stateOfCharge },
    airC: 15,
    densityKgPerM3: 1.22,
    unbalanceKgM: rig.unbalanceKgM,
    seed,
  });
  const session = new StandSession(NO_LIMITS);
  session.connect();
  const hold = (seconds: number): void => {
    for (let i = 0; i < seconds * 100 && session.cut === null; i++)
      session.onReading(stand.exchange(session.throttleRatio), stand.timeS, 0);
  };
  hold(1.2);
  session.tare();
  session.arm(0);
  return { session, stand, hold };
}

describe('a nut that backs off', () => {
  test.each([1, 2, 3, 4, 5, 6])('is cut within four seconds, with the figure that left its place (seed %i)', (seed) => {
    const { session, stand, hold } = armed(FIVE_INCH, `nut${seed}`);
    session.setThrottle(0.6);
    hold(4);
    expect(session.cut).toBeNull();
    stand.break('nutLoosening');
    const atS = stand.timeS;
    hold(10);
    expect(session).toMatchObject({ phase: 'held', throttleRatio: 0, cut: { reason: 'trend' } });
    expect(session.cut!.atS - atS).toBeLessThan(4);
  });
});

describe('what is no trend', () => {
  test.each(RIGS)(
    '%s: steps up and down in any order, and a minute at full throttle on a pack that empties',
    (_name, rig) => {
      const { session, hold } = armed(rig, _name);
      const random = seededRandom(`steps/${_name}`);
      for (let i = 0; i < 20; i++) {
        session.setThrottle(Math.round(100 * (0.05 + 0.95 * random.next())) / 100);
        hold(0.3 + 3.7 * random.next());
        expect(session.cut).toBeNull();
      }
      session.setThrottle(1);
      hold(60);
      expect(session.cut).toBeNull();
    },
  );
});

test('thrust without a figure is no answer: the device counts as silent', () => {
  const { session, stand } = armed(FIVE_INCH, 'blind');
  session.setThrottle(0.4);
  for (let i = 0; i < 60; i++) {
    const reading = stand.exchange(session.throttleRatio)!;
    session.onReading({ ...reading, thrustN: NaN }, stand.timeS, 0);
  }
  expect(session.cut).toMatchObject({ reason: 'deviceSilent' });
});

test('a moved throttle begins anew: what was settled before is not held against it', () => {
  const watch = new SteadyWatch();
  const take = (thrustN: number, vibrationMPerS2: number, seconds: number) => {
    let said = null;
    for (let i = 0; i < seconds * 100; i++)
      said ??= watch.take(
        {
          timeS: i / 100,
          throttleRatio: 0.5,
          thrustN,
          speedRpm: 9000,
          currentA: 8,
          voltageV: 15,
          powerW: 120,
          temperatureC: 30,
          vibrationMPerS2,
        } satisfies LiveReading,
        0,
      );
    return said;
  };
  expect(take(8, 2, 3)).toBeNull();
  watch.restart();
  expect(take(3, 9, 3)).toBeNull();
  expect(take(3, 28, 2)).toMatchObject({ channel: 'vibrationMPerS2', from: expect.closeTo(9, 0) });
  watch.restart();
  expect(take(3, 9, 3)).toBeNull();
  expect(take(2, 9, 2)).toMatchObject({ channel: 'thrustN', from: expect.closeTo(3, 0) });
});
