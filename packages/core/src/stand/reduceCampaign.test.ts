import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { UnknownFigureError } from '../errors/coreError.ts';
import { evaluateWorking } from '../test/evaluateWorking.ts';
import { campaignOf as input, lawSteps, runOf, twiceRun as twice } from '../test/standCampaign.ts';
import { workingKey, type CampaignInput } from './campaign.ts';
import { explainFigure } from './explainFigure.ts';
import { emptyStep } from './quantities.ts';
import { reduceCampaign } from './reduceCampaign.ts';

const evening = (): CampaignInput =>
  input([...twice('ref', 20, 700), ...twice('big', 24, 900), ...twice('small', 15, 400)]);
const codes = (c: CampaignInput): string[] => reduceCampaign(c).reasons.map((r) => r.code);

describe('figures', () => {
  test('full throttle is the mean of the runs that count', () => {
    const [ref] = reduceCampaign(evening()).props;
    expect(ref!.points.full.thrustN!.figure).toMatchObject({ dimension: 'force', mark: 'measured', origin: 'typed' });
    expect(ref!.points.full.thrustN!.figure.value).toBeCloseTo(20, 9);
    expect(ref!.points.full.thrustPerPowerNPerW!.figure.value).toBeCloseTo(20 / 700, 9);
  });

  test('between two throttle points the local power law is exact for a power law', () => {
    const [ref] = reduceCampaign(input([runOf('ref', 1, lawSteps(20, 700))], { chosenThrottleRatio: 0.5 })).props;
    expect(ref!.points.chosen.thrustN!.figure.value).toBeCloseTo(20 * 0.5 ** 1.8, 9);
    expect(ref!.points.chosen.powerW!.figure.value).toBeCloseTo(700 * 0.5 ** 2.7, 9);
  });

  test('hover is read at the thrust that carries the craft', () => {
    const results = reduceCampaign(input([runOf('ref', 1, lawSteps(20, 700))]));
    const hover = (2 * 9.80665) / 4;
    expect(results.carryThrustN).toBeCloseTo(hover, 9);
    const throttle = (hover / 20) ** (1 / 1.8);
    expect(results.props[0]!.points.hover.throttleRatio!.figure.value).toBeCloseTo(throttle, 9);
    expect(results.props[0]!.points.hover.powerW!.figure.value).toBeCloseTo(700 * throttle ** 2.7, 6);
  });

  test('a ladder that ends at 90 % is extended to full throttle and says so; one that ends at 60 % is not', () => {
    const [ref] = reduceCampaign(input([runOf('ref', 1, lawSteps(20, 700, [0.3, 0.6, 0.9]))])).props;
    expect(ref!.points.full.thrustN!.figure).toMatchObject({ mark: 'extended' });
    expect(ref!.points.full.thrustN!.figure.value).toBeCloseTo(20, 6);
    const [short] = reduceCampaign(input([runOf('ref', 1, lawSteps(20, 700, [0.2, 0.4, 0.6]))])).props;
    expect(short!.points.full.thrustN).toBeUndefined();
  });

  test('power is volts times amps where it was not read; a drifting zero is taken off', () => {
    const steps = lawSteps(20, 700).map((s) => ({ ...s, powerW: null, thrustN: s.thrustN! + 0.1 }));
    const [ref] = reduceCampaign(input([runOf('ref', 1, steps, { zeroBeforeN: 0.1, zeroAfterN: 0.1 })])).props;
    expect(ref!.points.full.powerW!.figure.value).toBeCloseTo(700, 9);
    expect(ref!.points.full.thrustN!.figure.value).toBeCloseTo(20, 9);
  });

  test('standard air scales thrust by density alone', () => {
    const [ref] = reduceCampaign(input([runOf('ref', 1, lawSteps(20, 700), { densityKgPerM3: 1.1 })])).props;
    expect(ref!.standardThrust!.value).toBeCloseTo((20 * 1.225) / 1.1, 9);
  });

  test('a repeated throttle is averaged, rows without thrust are counted as dropped', () => {
    const steps = [
      ...lawSteps(20, 700),
      { ...emptyStep(), throttleRatio: 1, thrustN: 22 },
      { ...emptyStep(), throttleRatio: 0.5 },
    ];
    const results = reduceCampaign(input([runOf('ref', 1, steps)]));
    expect(results.props[0]!.points.full.thrustN!.figure.value).toBeCloseTo(21, 9);
    expect(results.reasons).toContainEqual(
      expect.objectContaining({ code: 'rowsDropped', values: expect.objectContaining({ count: 1 }) }),
    );
  });
});

describe('comparison', () => {
  test('spread is pooled over the campaign and decides what differs', () => {
    const results = reduceCampaign(evening());
    expect(results.degreesOfFreedom).toBe(3);
    const [, big] = results.props;
    expect(big!.points.full.thrustN).toMatchObject({ comparison: 'more', runCount: 2 });
    expect(big!.points.full.thrustN!.differenceRatio).toBeCloseTo(0.2, 9);
    const close = reduceCampaign(input([...twice('ref', 20, 700), ...twice('big', 20.1, 700)]));
    expect(close.props[1]!.points.full.thrustN!.comparison).toBe('same');
    expect(close.reasons.map((r) => r.code)).toContain('sameThrust');
  });

  test('without repeats a difference is shown but not judged', () => {
    const results = reduceCampaign(input([runOf('ref', 1, lawSteps(20, 700)), runOf('big', 1, lawSteps(24, 900))]));
    expect(results.props[1]!.points.full.thrustN).toMatchObject({
      comparison: 'unknown',
      differenceHalfWidthRatio: null,
    });
    expect(results.reasons.map((r) => r.code)).toContain('noRepeats');
  });

  test('figures scale with the readings: doubling every thrust doubles thrust and changes no difference', () =>
    fc.assert(
      fc.property(fc.double({ min: 0.6, max: 2, noNaN: true }), (scale) => {
        const scaled = input([
          ...twice('ref', 20 * scale, 700 * scale ** 1.5),
          ...twice('big', 24 * scale, 900 * scale ** 1.5),
        ]);
        const results = reduceCampaign(scaled);
        expect(results.props[0]!.points.full.thrustN!.figure.value).toBeCloseTo(20 * scale, 6);
        expect(results.props[1]!.points.full.thrustN!.differenceRatio).toBeCloseTo(0.2, 6);
      }),
      { numRuns: 30 },
    ));
});

describe('what counts', () => {
  test('a run below the gate is kept, listed and left out', () => {
    const results = reduceCampaign(
      input([...twice('ref', 20, 700), runOf('ref', 3, lawSteps(10, 700), { restingCellV: 3.9 })]),
    );
    expect(results.props[0]!.leftOut).toEqual([
      expect.objectContaining({ ordinal: 3, code: 'belowGate', value: 3.9, limit: 4.05 }),
    ]);
    expect(results.props[0]!.points.full.thrustN!.figure.value).toBeCloseTo(20, 9);
  });

  test('peak hold is never mixed with settled means', () => {
    const results = reduceCampaign(
      input([
        runOf('ref', 1, lawSteps(20, 700), { readingKinds: { currentA: 'settledMean' } }),
        runOf('big', 1, lawSteps(24, 900), { readingKinds: { currentA: 'peakHold' } }),
      ]),
    );
    expect(results.props[1]!.leftOut[0]).toMatchObject({ code: 'readingKindDiffers' });
    expect(results.props[1]!.points.full).toEqual({});
  });

  test('one step under full throttle is not a curve', () =>
    expect(codes(input([runOf('ref', 1, lawSteps(20, 700, [0.9]))]))).toContain('leftOut.tooFewSteps'));

  test('full throttle alone ranks there, with its spread, and says what it cannot show', () => {
    const once = (id: string, topN: number, topW: number) =>
      [1, 2].map((ordinal) => runOf(id, ordinal, lawSteps(topN * (1 + 0.004 * (1.5 - ordinal)), topW, [1])));
    const results = reduceCampaign(input([...once('ref', 20, 700), ...once('big', 24, 900), ...once('small', 4, 100)]));
    expect(results.headline).toMatchObject({ code: 'strongest' });
    const [ref, big, small] = results.props;
    expect(big!.points.full.thrustN!).toMatchObject({
      figure: { value: expect.closeTo(24, 9), mark: 'measured', uncertainty: expect.any(Number) },
      differenceRatio: expect.closeTo(0.2, 9),
      comparison: 'more',
    });
    expect(ref).toMatchObject({ isFullOnly: true, canHover: true, points: { hover: {}, chosen: {} } });
    // Its full throttle is under what carries the craft: that much is known.
    expect(small!.canHover).toBe(false);
    expect(results.reasons.map((r) => r.code)).toEqual(expect.arrayContaining(['fullOnly', 'cannotHover']));
    expect(results.reasons.some((r) => r.code.startsWith('leftOut'))).toBe(false);
  });

  test('readings that cannot be are kept and do not count, with the figure that gives them away', () => {
    const results = reduceCampaign(input([...twice('ref', 20, 700), runOf('big', 1, lawSteps(24_000, 900))]));
    expect(results.props[1]!).toMatchObject({ countedRunIds: [], leftOut: [{ code: 'doubt.merit', limit: 0.85 }] });
    expect(results.reasons.map((r) => r.code)).toContain('leftOut.doubt.merit');
  });
});

describe('limits and reasons', () => {
  test('a breach is marked with the throttle from which it holds, and never leads', () => {
    const results = reduceCampaign(input([...twice('ref', 20, 700), ...twice('big', 30, 1200)]));
    const [breach] = results.props[1]!.breaches;
    expect(breach).toMatchObject({ limit: 'escCurrent', value: 50, limitValue: 40, mark: 'measured' });
    expect(breach!.fromThrottleRatio).toBeCloseTo((40 / 50) ** (1 / 2.7), 6);
    expect(results.headline.code).toBe('referenceLeadsBoth');
    expect(results.reasons[0]).toMatchObject({ code: 'breach.escCurrent', severity: 'danger' });
  });

  test('several breaches of one limit are one sentence', () => {
    const results = reduceCampaign(
      input([...twice('ref', 20, 700), ...twice('big', 30, 1200), ...twice('small', 28, 1100)]),
    );
    expect(results.reasons.filter((r) => r.severity === 'danger')).toEqual([
      expect.objectContaining({
        code: 'breaches.escCurrent',
        values: expect.objectContaining({ name: 'big', others: 'small' }),
      }),
    ]);
  });

  test('too large for the frame, over the maker’s speed, too weak to hover', () => {
    const base = input([...twice('ref', 20, 700), ...twice('big', 24, 900), ...twice('small', 4, 100)]);
    const props = base.props.map((p) => ({
      ...p,
      diameterM: p.id === 'big' ? 0.21 : 0.18,
      speedLimitRpm: p.id === 'ref' ? 19_000 : null,
    }));
    expect(codes({ ...base, props })).toEqual(
      expect.arrayContaining(['breach.clearance', 'breach.makerSpeed', 'cannotHover']),
    );
  });

  test('danger stands before gain, and a gain names the figure it speaks of', () => {
    const results = reduceCampaign(evening());
    const gain = results.reasons.find((r) => r.code === 'mostThrust')!;
    expect(gain.figure).toBe('big:full:thrustN');
    expect(results.headline).toMatchObject({
      code: 'leadSplitAgainst',
      values: expect.objectContaining({ name: 'big', otherName: 'small' }),
    });
  });

  test('an empty campaign answers plainly', () => {
    const results = reduceCampaign(input([]));
    expect(results.headline.code).toBe('noRuns');
    expect(results.props.every((p) => p.curve.length === 0 && p.canHover === null)).toBe(true);
  });

  test('a run that stands apart is named', () => {
    const runs = [20, 20.01, 20.02, 21.5].map((top, i) => runOf('ref', i + 1, lawSteps(top, 700)));
    expect(reduceCampaign(input(runs)).reasons).toContainEqual(
      expect.objectContaining({ code: 'outlierRun', values: expect.objectContaining({ ordinal: 4 }) }),
    );
  });
});

describe('workings', () => {
  const campaign = evening();
  const keys = reduceCampaign(campaign).props.flatMap((p) => [
    ...Object.values(p.points).flatMap((point) => Object.values(point).map((c) => c.figure.working!)),
    p.standardThrust!.working!,
  ]);

  test.each(keys)('%s: the shown formula on the shown inputs gives the shown figure', (key) => {
    const working = explainFigure(campaign, key);
    expect(evaluateWorking(working) / working.result.value).toBeCloseTo(1, 9);
    expect(working.lines.at(-1)!.value).toBe(working.result.value);
  });

  test('a figure that is not there is refused', () => {
    for (const key of ['ref:full:nothing', 'nobody:full:thrustN', 'ref', ''])
      expect(() => explainFigure(campaign, key)).toThrow(UnknownFigureError);
  });
});

test('a plane is looked at where it cruises: an eighth of its weight, and its sentences say so', () => {
  const plane = input([...twice('ref', 12, 300), ...twice('big', 13, 320)], {
    craft: { ...input([]).craft, kind: 'plane', massKg: 2.1, rotorCount: 1 },
  });
  const results = reduceCampaign(plane);
  expect(results).toMatchObject({ kind: 'plane' });
  expect(results.carryThrustN).toBeCloseTo((2.1 * 9.80665) / 8, 9);
  expect(results.headline.values.kind).toBe('plane');
  const working = explainFigure(plane, workingKey('big', 'hover', 'throttleRatio'));
  expect(working.source).toBe('cruiseBalance');
  expect(evaluateWorking(working) / working.result.value).toBeCloseTo(1, 9);
});
