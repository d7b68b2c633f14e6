import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { simulateFlight, usualFlightPlan, type FlightPlan } from '../simulate/simulatedFlight.ts';
import { climbFigures, climbRate, pitchSpeed } from './climb.ts';
import { energyBetween, timeToGateS } from './flightEnergy.ts';
import { flightTrack, type LoggedTrack } from './flightTrack.ts';
import { findSegments, passOf, segmentOf } from './segments.ts';
import { shakingRotors } from './shaker.ts';
import { spreadOf, timedCourse, twoPasses, windByHeadings, windByTracks, type Pass } from './windAndSpeed.ts';

const plan = (more: Partial<FlightPlan> = {}): FlightPlan => usualFlightPlan('flight/test', more);
/** The pass that a craft makes at an airspeed and heading in a wind that blows to the east and north. */
const flown = (airspeed: number, heading: number, east: number, north: number): Pass => {
  const [e, n] = [
    airspeed * Math.sin((heading * Math.PI) / 180) + east,
    airspeed * Math.cos((heading * Math.PI) / 180) + north,
  ];
  return { groundSpeedMPerS: Math.hypot(e, n), trackDegrees: (Math.atan2(e, n) * 180) / Math.PI };
};

describe('airspeed and wind', () => {
  test('two passes: speeds are averaged and the crosswind put back', () => {
    expect(twoPasses(22, 18)).toEqual({ airspeedMPerS: 20, headwindMPerS: -2 });
    expect(twoPasses(12, 21, 5).airspeedMPerS).toBeCloseTo(Math.hypot(16.5, 5), 12);
    expect(() => twoPasses(0, 18)).toThrow(/firstMPerS/);
  });
  test('a timed course averages speeds, not times', () => {
    expect(timedCourse(100, [5, 10])).toBeCloseTo(15, 12);
    expect(timedCourse(100, [5, 10])).not.toBeCloseTo(200 / 15, 1);
    expect(() => timedCourse(100, [])).toThrow(/notEnoughReadings/);
  });
  test('whatever the wind, three headings give it back, with headings and without', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 6, max: 40, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: -5, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (airspeed, east, north, first) => {
          const headings = [first, first + 120, first + 240];
          const passes = headings.map((h) => flown(airspeed, h, east, north));
          for (const found of [windByHeadings(passes, headings), windByTracks(passes)]) {
            expect(found.airspeedMPerS).toBeCloseTo(airspeed, 5);
            expect(found.wind.eastMPerS).toBeCloseTo(east, 5);
            expect(found.wind.northMPerS).toBeCloseTo(north, 5);
          }
        },
      ),
    ));
  test('tracks within 120° are said to tell little, tracks all alike nothing', () => {
    const near = [0, 40, 80].map((h) => flown(15, h, 1, 0));
    expect(windByTracks(near).isIllConditioned).toBe(true);
    expect(windByTracks([0, 120, 240].map((h) => flown(15, h, 1, 0))).isIllConditioned).toBe(false);
    expect(() => windByTracks([10, 10, 10].map((h) => flown(15, h, 1, 0)))).toThrow(/passesAlike/);
    expect(() => windByTracks(near.slice(0, 2))).toThrow(/notEnoughReadings/);
    expect([spreadOf([350, 10]), spreadOf([0, 90, 180, 270])]).toEqual([20, 270]);
  });
  test('with a pass more than unknowns the scatter is told', () => {
    const passes = [0, 90, 180, 270].map((h) => flown(15, h, 2, 1));
    passes[0]!.groundSpeedMPerS += 0.8;
    const { scatterMPerS, standardErrorMPerS } = windByTracks(passes);
    expect(scatterMPerS).toBeGreaterThan(0.1);
    expect(standardErrorMPerS).toBeCloseTo(scatterMPerS! / 2, 12);
    expect(windByTracks(passes.slice(1)).scatterMPerS).toBeNull();
  });
});

describe('climb and pitch', () => {
  test('a climb straight up is all rate, a level one none', () => {
    expect(climbFigures({ pathSpeedMPerS: 10, angleDegrees: 90 }, 0.5)).toMatchObject({
      climbRateMPerS: 10,
      horizontalMPerS: 0,
    });
    expect(climbFigures({ pathSpeedMPerS: 20, angleDegrees: 0 }, 1.2)).toMatchObject({
      climbRateMPerS: 0,
      excessThrustN: 0,
    });
    expect(climbRate(10, 50, 5)).toBe(8);
    expect(() => climbRate(50, 10, 5)).toThrow(/upperM/);
  });
  test('airspeed is held against what the pitch would screw', () =>
    expect(pitchSpeed(0.1524, 9000, 20).airspeedRatio).toBeCloseTo(0.8749, 4));
});

describe('energy', () => {
  const battery = { timeS: [0, 1, 2, 20, 21], voltageV: [24, 24, 24, 23, 23], currentA: [10, 10, 10, 20, 20] };
  test('is summed over what was read; a gap counts nothing', () =>
    expect(energyBetween(battery, 0, 30)).toEqual({ energyJ: 240 + 240 + 460, chargeC: 40, coveredS: 3 }));
  test('no readings are not an energy of nothing', () =>
    expect(() => energyBetween(battery, 100, 200)).toThrow(/notEnoughReadings/));
  test('time left ends at the gate', () => {
    expect(timeToGateS(4, 1, 12, 0.2)).toBeCloseTo((4 * 0.8 - 1) * 300, 9);
    expect(timeToGateS(4, 3.9, 12, 0.2)).toBe(0);
  });
});

describe('a logged flight', () => {
  const flight = simulateFlight(plan());
  const track = flightTrack(flight.track);
  const segments = findSegments(track);

  test('its climb, passes and hovers are found within a second, and nothing else', () => {
    expect(segments.map((s) => s.kind)).toEqual(flight.truth.segments.map((t) => t.kind));
    segments.forEach((s, i) => {
      expect(Math.abs(s.fromS - flight.truth.segments[i]!.fromS)).toBeLessThan(1);
      expect(Math.abs(s.toS - flight.truth.segments[i]!.toS)).toBeLessThan(1);
      expect(s.confidence).toBeGreaterThan(0.5);
    });
  });
  test('its figures are those that were flown', () => {
    const climb = segments.find((s) => s.kind === 'climb')!;
    expect(climb.climbRateMPerS / flight.truth.climbRateMPerS).toBeCloseTo(1, 1);
    expect(Math.abs(climb.angleDegrees - 55)).toBeLessThan(4);
    const wind = windByTracks(segments.filter((s) => s.kind === 'pass').map(passOf));
    expect(Math.abs(wind.airspeedMPerS - 14)).toBeLessThan(1);
    expect(Math.abs(wind.windMPerS - 3)).toBeLessThan(1.2);
  });
  test('a stretch marked by hand says what was flown there; one of two fixes nothing', () => {
    const [pass] = segments.filter((s) => s.kind === 'pass');
    const inner = segmentOf(track, 'pass', pass!.fromS + 2, pass!.toS - 2);
    expect(Math.abs(inner.groundSpeedMPerS - pass!.groundSpeedMPerS)).toBeLessThan(1);
    expect(() => segmentOf(track, 'pass', 10, 10.3)).toThrow(/fixes/);
  });
  test('the rotor that shakes is named; a craft on which none does, is not blamed', () => {
    const samples = { ...flight.acceleration!, startS: 0 };
    expect(shakingRotors(samples, flight.speeds).shaker).toBe(2);
    const calm = simulateFlight(plan({ shaker: null, seed: 'calm' }));
    expect(shakingRotors({ ...calm.acceleration!, startS: 0 }, calm.speeds).shaker).toBeNull();
  });
  test('a sensor too slow for the speed is refused, not read as an alias', () => {
    const slow = simulateFlight(plan({ accelerationHz: 200 }));
    expect(() => shakingRotors({ ...slow.acceleration!, startS: 0 }, slow.speeds)).toThrow(/aliased/);
  });

  const broken = (change: (track: { [K in keyof LoggedTrack]: number[] }) => void): LoggedTrack => {
    const copy = Object.fromEntries(
      Object.entries(flight.track).map(([k, v]) => [k, Array.from(v as ArrayLike<number>).slice(0, 100)]),
    ) as { [K in keyof LoggedTrack]: number[] };
    change(copy);
    return copy;
  };
  test.each<[string, LoggedTrack, RegExp]>([
    ['time running backwards', broken((t) => (t.timeS[40] = 1)), /timeBackwards.*"row":41/],
    ['a time that is none', broken((t) => (t.timeS[0] = NaN)), /timeBackwards.*"row":1\b/],
    ['a latitude beyond the pole', broken((t) => (t.latitudeDegrees[9] = 95)), /noSuchPlace.*"row":10/],
    ['a handful of fixes', broken((t) => Object.values(t).forEach((list) => list.splice(5))), /notEnoughReadings/],
  ])('%s is refused with its row', (_name, log, error) => expect(() => flightTrack(log)).toThrow(error));
});
