// Made-up flights: are climbs, passes and hovers found, do the figures hold, is the shaking rotor named?
import * as core from '../packages/core/dist/index.js';

const FLIGHTS = 200;
/** An end within this of the true one is right [s]. */
const END_S = 1;

/** A flight of any craft: three to five headings, gusts of 1 m/s over 30 m, passes of twelve seconds or more. */
export function flightPlan(seed, accelerationHz = 1000) {
  const random = core.seededRandom(seed);
  const between = (low, high) => low + (high - low) * random.next();
  const passes = 3 + Math.floor(3 * random.next());
  const first = 360 * random.next();
  return {
    seed,
    airspeedMPerS: between(9, 22),
    headingsDegrees: Array.from({ length: passes }, (_, i) => (first + (i * 360) / passes + between(-10, 10)) % 360),
    passS: between(12, 20),
    climb: { angleDegrees: between(35, 75), pathSpeedMPerS: between(5, 11), heightM: between(30, 60) },
    hoverS: between(12, 25),
    wind: { fromDegrees: 360 * random.next(), speedMPerS: between(0, 6) },
    gust: { deviationMPerS: 1, lengthM: 30 },
    rateHz: 5,
    rotors: { count: 4, hoverRpm: between(5000, 12_000), bladeCount: 3 },
    shaker: { rotor: Math.floor(4 * random.next()), shakeMPerS2: between(1.2, 3) },
    accelerationHz,
    battery: { cellCount: 6, capacityAh: 4, hoverCurrentA: 12 },
  };
}

export function flightStudy(seed) {
  let [found, wanted, wrong, told, named] = [0, 0, 0, 0, 0];
  const climbErrors = [];
  const airspeedErrors = [];
  for (let k = 0; k < FLIGHTS; k++) {
    const { track, acceleration, speeds, truth } = core.simulateFlight(flightPlan(`${seed}/flight/${k}`));
    const segments = core.findSegments(core.flightTrack(track));
    const overlaps = (s, t) => s.kind === t.kind && s.toS > t.fromS && s.fromS < t.toS;
    const isRight = (s, t) =>
      overlaps(s, t) && Math.abs(s.fromS - t.fromS) <= END_S && Math.abs(s.toS - t.toS) <= END_S;
    wanted += truth.segments.length;
    found += truth.segments.filter((t) => segments.some((s) => isRight(s, t))).length;
    told += segments.length;
    wrong += segments.filter((s) => !truth.segments.some((t) => overlaps(s, t))).length;
    const climb = segments.find((s) => s.kind === 'climb');
    climbErrors.push(climb ? Math.abs(climb.climbRateMPerS / truth.climbRateMPerS - 1) : 1);
    const passes = segments.filter((s) => s.kind === 'pass').map(core.passOf);
    airspeedErrors.push(
      passes.length >= 3 ? Math.abs(core.windByTracks(passes).airspeedMPerS / truth.airspeedMPerS - 1) : 1,
    );
    const { shaker } = core.shakingRotors({ ...acceleration, startS: 0 }, speeds);
    if (shaker === truth.shaker) named++;
  }
  const figure = (id, value, target) => ({ id, value, unit: '1', baseline: null, target });
  return [
    figure('flight.segments.found', found / wanted, 0.95),
    figure('flight.segments.false', wrong / told, 0.02),
    figure('flight.climb.error.median', core.median(climbErrors), 0.03),
    figure('flight.airspeed.error.median', core.median(airspeedErrors), 0.02),
    figure('flight.shaker.named', named / FLIGHTS, 0.95),
  ];
}
