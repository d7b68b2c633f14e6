import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../numerics/seededRandom.ts';
import { standQuantityNames, type StandQuantity } from './quantities.ts';
import { readTime, recognizeSampleColumns } from './sampleColumns.ts';
import { findSteps } from './sampleSteps.ts';
import { isGraveFault, sampleFaults, spreadEqualTimes, summarize, type SampleTable } from './sampleTable.ts';

const limits = Object.fromEntries(
  standQuantityNames.map((name) => [name, name === 'throttleRatio' ? { min: 0, max: 1 } : { min: -20, max: 2000 }]),
) as Parameters<typeof sampleFaults>[1];

/** Steps of some seconds each, thrust that follows them with a lag, and noise. */
function logged(
  throttles: readonly number[],
  { rateHz = 100, stepS = 4, lagS = 0.25, noiseN = 0.05, zeroN = 0.3 } = {},
): SampleTable {
  const random = seededRandom('samples');
  const count = Math.round(throttles.length * stepS * rateHz);
  const timesS = Float64Array.from({ length: count }, (_, i) => i / rateHz);
  const throttle = new Float32Array(count);
  const thrust = new Float32Array(count);
  let now = 0;
  for (let i = 0; i < count; i++) {
    throttle[i] = throttles[Math.min(throttles.length - 1, Math.floor(timesS[i]! / stepS))]!;
    now += (20 * throttle[i]! ** 2 - now) / (lagS * rateHz);
    thrust[i] = zeroN + now + noiseN * random.normal();
  }
  return {
    timesS,
    channels: new Map<StandQuantity, Float32Array>([
      ['throttleRatio', throttle],
      ['thrustN', thrust],
    ]),
  };
}

describe('steps in samples', () => {
  test('are found with their settled means, the rests around them as zeroes', () => {
    const { steps, zeroBeforeN, zeroAfterN } = findSteps(logged([0, 0.25, 0.5, 0.75, 1, 0]));
    expect(steps.map((s) => s.step.throttleRatio)).toEqual([0.25, 0.5, 0.75, 1].map((u) => expect.closeTo(u, 6)));
    for (const { step, fromS, settledFromS, toS, thrustErrorN } of steps) {
      expect(Math.abs(step.thrustN! - 0.3 - 20 * step.throttleRatio! ** 2)).toBeLessThan(0.05);
      // The lag of a quarter second is over after a second or so, and is cut off.
      expect(settledFromS - fromS).toBeGreaterThan(0.3);
      expect(settledFromS - fromS).toBeLessThan(2.5);
      expect(toS - fromS).toBeCloseTo(3.99, 6);
      expect(thrustErrorN).toBeLessThan(0.05);
    }
    expect(zeroBeforeN).toBeCloseTo(0.3, 1);
    expect(zeroAfterN).toBeCloseTo(0.3, 1);
    expect(steps[0]!.step.currentA).toBeNull();
  });

  test('whatever the rate, the order and the number of steps, each throttle that stands is one', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 2, max: 20 }), { minLength: 1, maxLength: 8 }),
        fc.constantFrom(20, 50, 400),
        (twentieths, rateHz) => {
          const throttles = twentieths.map((n) => n / 20);
          const { steps } = findSteps(logged(throttles, { rateHz }));
          expect(steps.map((s) => s.step.throttleRatio)).toEqual(throttles.map((u) => expect.closeTo(u, 6)));
        },
      ),
      { numRuns: 40 },
    ));

  test('a ramp has none; a stutter within a step does not cut it; open readings are left out', () => {
    const ramp = logged(
      Array.from({ length: 40 }, (_, i) => i / 40),
      { stepS: 0.1 },
    );
    expect(findSteps(ramp).steps).toEqual([]);
    const stutter = logged([0.5, 0.5]);
    stutter.channels.get('throttleRatio')!.fill(0.2, 390, 400);
    stutter.channels.get('thrustN')!.fill(NaN, 500, 520);
    const { steps } = findSteps(stutter);
    expect(steps).toHaveLength(1);
    expect(steps[0]!.step.thrustN).toBeCloseTo(5.3, 1);
    expect(findSteps({ timesS: stutter.timesS, channels: new Map() }).steps).toEqual([]);
  });
});

describe('what is wrong with samples', () => {
  const codes = (table: SampleTable): string[] => sampleFaults(table, limits).map((f) => f.code);

  test('a good file has nothing', () => expect(codes(logged([0, 0.5, 1]))).toEqual([]));

  test('time that runs back, stands still or is missing is told with its row, and is grave', () => {
    const back = logged([0.5, 1]);
    back.timesS[300] = 1;
    expect(sampleFaults(back, limits)[0]).toMatchObject({ code: 'timeRunsBack', row: 301, toS: 1 });
    const gone = logged([0.5, 1]);
    gone.timesS[7] = NaN;
    expect(sampleFaults(gone, limits)[0]).toEqual({ code: 'noTime', row: 8 });
    const still = logged([0.5, 1]);
    still.timesS.fill(3);
    expect(sampleFaults(still, limits)[0]).toMatchObject({ code: 'timeRunsBack', fromS: 3, toS: 3 });
    for (const table of [back, gone, still]) expect(sampleFaults(table, limits).some(isGraveFault)).toBe(true);
  });

  test('gaps, constant and empty columns are told and may be kept; what cannot be may not', () => {
    const table = logged([0.5, 1]);
    for (let i = 400; i < table.timesS.length; i++) table.timesS[i]! += 5;
    const channels = new Map(table.channels);
    channels.set('voltageV', new Float32Array(table.timesS.length).fill(16));
    channels.set('currentA', new Float32Array(table.timesS.length).fill(NaN));
    const found = sampleFaults({ ...table, channels }, limits);
    expect(found).toEqual([
      { code: 'gaps', count: 1, longestS: expect.closeTo(5.01, 6), atS: expect.closeTo(3.99, 6) },
      { code: 'constant', quantity: 'voltageV', value: 16 },
      { code: 'empty', quantity: 'currentA' },
    ]);
    expect(found.some(isGraveFault)).toBe(false);
    channels.set('throttleRatio', new Float32Array(table.timesS.length).fill(50, 3));
    expect(sampleFaults({ ...table, channels }, limits)).toContainEqual(
      expect.objectContaining({ code: 'outOfLimits', quantity: 'throttleRatio', row: 4, value: 50 }),
    );
    // A stick that reads a percent too much is no slip.
    channels.set(
      'throttleRatio',
      Float32Array.from(table.channels.get('throttleRatio')!, (u) => 1.01 * u),
    );
    expect(codes({ ...table, channels })).not.toContain('outOfLimits');
    expect(codes({ timesS: table.timesS, channels: new Map() })).toEqual(
      expect.arrayContaining(['noThrottle', 'noThrust']),
    );
    expect(codes({ timesS: new Float64Array(3), channels: new Map() })).toEqual(['tooFewRows']);
    channels.set('powerW', new Float32Array(3));
    expect(() => sampleFaults({ ...table, channels }, limits)).toThrow();
  });

  test('rows with one time are spread evenly until the next', () => {
    expect([...spreadEqualTimes(Float64Array.of(0, 0, 1, 1, 1, 2, 3))]).toEqual([
      0,
      0.5,
      1,
      expect.closeTo(4 / 3, 9),
      expect.closeTo(5 / 3, 9),
      2,
      3,
    ]);
    // At the end they go on as fast as before.
    expect([...spreadEqualTimes(Float64Array.of(0, 1, 2, 2))]).toEqual([0, 1, 2, 3]);
    fc.assert(
      fc.property(fc.array(fc.nat({ max: 50 }), { minLength: 2, maxLength: 60 }), (raw) => {
        const sorted = Float64Array.from(raw).sort();
        fc.pre(sorted[0] !== sorted.at(-1));
        const spread = spreadEqualTimes(sorted);
        for (let i = 1; i < spread.length; i++) expect(spread[i]!).toBeGreaterThan(spread[i - 1]!);
      }),
    );
  });

  test('a column in one line', () => {
    expect(summarize('thrustN', Float32Array.of(1, NaN, 3))).toEqual({
      quantity: 'thrustN',
      count: 2,
      least: 1,
      mean: 2,
      most: 3,
    });
    expect(summarize('thrustN', Float32Array.of(NaN)).mean).toBeNaN();
  });
});

describe('columns of a logger', () => {
  test.each([
    ['time (ms)', ['0', '10', '20'], 'ms'],
    ['Time_us', ['0', '10000', '20000'], 'µs'],
    ['t', ['0', '0.01', '0.02'], 's'],
    ['Zeit', ['0', '10', '20'], 'ms'],
    ['elapsed', ['0', '10000', '20000'], 'µs'],
    ['clock', ['12:00:00.0', '12:00:00.1'], 'clock'],
    ['time min', ['0', '1'], 'min'],
  ])('%s is a time in %3$s', (name, cells, unit) =>
    expect(recognizeSampleColumns(['Thrust (g)', name], [[], cells])).toMatchObject({ time: 1, timeUnit: unit }),
  );

  test.each([
    [['Zeit', 'Gas %', 'Schub kg', 'Drehzahl', 'Strom A', 'Spannung V', 'Leistung']],
    [['temps', 'gaz %', 'poussée (g)', 'régime', 'courant', 'tension', 'puissance']],
    [['tiempo', 'acelerador', 'empuje', 'revoluciones', 'corriente', 'voltaje', 'potencia']],
    [['tempo', 'acceleratore', 'spinta', 'giri', 'corrente', 'tensione', 'potenza']],
    [['tempo', 'acelerador', 'empuxo', 'rotação', 'corrente', 'tensão', 'potência']],
    [['tijd', 'gas', 'stuwkracht', 'toerental', 'stroom', 'spanning', 'vermogen']],
    [['czas', 'gaz', 'ciąg', 'obroty', 'prąd', 'napięcie', 'moc']],
    [['time', 'thr', 'Thrust', 'RPM', 'Amps', 'Volts', 'Watts']],
  ])('%j are read', (names) => {
    const found = recognizeSampleColumns(names, []);
    expect(found.time).toBe(0);
    expect(found.columns.slice(1).map((c) => c.quantity)).toEqual([
      'throttleRatio',
      'thrustN',
      'speedRpm',
      'currentA',
      'voltageV',
      'powerW',
    ]);
  });

  test('the time is nothing else beside; a table may have none', () => {
    const found = recognizeSampleColumns(['Time', 'Throttle %', 'Thrust [kg]'], [['0', '1'], [], []]);
    expect(found.columns.map((c) => c.quantity)).toEqual([null, 'throttleRatio', 'thrustN']);
    expect(recognizeSampleColumns(['Throttle', 'Thrust'], []).time).toBeNull();
  });

  test.each([
    ['1.5', 's', 1.5],
    ['1,5', 's', 1.5],
    ['250', 'ms', 0.25],
    ['2', 'min', 120],
    ['01:02:03.5', 'clock', 3723.5],
    ['02:03', 'clock', 7380],
    ['1970-01-02 00:00:01', 'clock', 86_401],
    ['', 's', NaN],
    ['x', 'clock', NaN],
  ] as const)('%s in %s', (cell, unit, seconds) => {
    if (Number.isNaN(seconds)) expect(readTime(cell, unit)).toBeNaN();
    else expect(readTime(cell, unit)).toBeCloseTo(seconds, 9);
  });
});
