import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { campaignOf, lawSteps, runOf, twiceRun } from '../test/standCampaign.ts';
import { explainFigure } from './explainFigure.ts';
import { overlapSteps, type ThrottleCurve } from './overlapSteps.ts';
import { reduceCampaign, reduceRigs } from './reduceCampaign.ts';
import type { RunFindings } from './runFindings.ts';

describe('several rigs', () => {
  const four = campaignOf([...twiceRun('ref', 10, 400, 0.01), ...twiceRun('big', 12, 500, 0.01)]);
  const six = campaignOf([...twiceRun('ref', 15, 700, 0.002), runOf('big', 1, lawSteps(18, 900))]);

  test('each is compared with its own reference; how well a run repeats is pooled over all', () => {
    const [a, b] = reduceRigs([four, six]);
    expect(a!.props.find((p) => p.propModelId === 'big')!.points.full.thrustN!.differenceRatio).toBeCloseTo(0.2, 9);
    expect(b!.props.find((p) => p.propModelId === 'big')!.points.full.thrustN!.differenceRatio).toBeCloseTo(0.2, 9);
    expect([a!.degreesOfFreedom, b!.degreesOfFreedom]).toEqual([3, 3]);
    expect(a!.spreadRatio).toBeCloseTo(b!.spreadRatio!, 12);
    // One alone would know less.
    expect(reduceCampaign(six).degreesOfFreedom).toBe(1);
  });

  test('a working says what the results say, spread and all', () => {
    const shown = reduceRigs([four, six])[1]!.props.find((p) => p.propModelId === 'big')!.points.full.thrustN!.figure;
    expect(explainFigure(six, shown.working!, [four, six]).result).toEqual(shown);
  });
});

describe('beside the curve', () => {
  const told = (riseS: number, halfS: number): RunFindings => ({
    rise: { count: 3, fromThrottleRatio: 0.3, toThrottleRatio: 1, riseS, spreadS: 0.001 },
    coast: { count: 3, speedRpm: 14_000, decelerationRadPerS2: 900, halfS, dryShare: 0.4 },
  });
  const burst = (id: string, riseS: number, topN: number) =>
    [1, 2].map((ordinal) =>
      runOf(id, ordinal, lawSteps(topN, 400), { findings: told(riseS * (ordinal === 1 ? 1.01 : 0.99), 0.3) }),
    );

  test('the quicker prop is named with its difference, a dry bearing once, and each figure explains itself', () => {
    const campaign = campaignOf([...burst('ref', 0.1, 10), ...burst('big', 0.08, 10)]);
    const { reasons, props } = reduceCampaign(campaign);
    const quick = reasons.find((r) => r.code === 'quickest');
    expect(quick!.values).toMatchObject({ name: expect.stringMatching(/big/i), riseS: expect.closeTo(0.08, 9) });
    expect(reasons.filter((r) => r.code === 'dryBearing')).toHaveLength(1);
    const figure = props.find((p) => p.propModelId === 'big')!.points.response.riseS!;
    expect(figure.comparison).toBe('less');
    const working = explainFigure(campaign, figure.figure.working!);
    expect(working.inputs.map((i) => i.value)).toEqual([expect.closeTo(0.0808, 9), expect.closeTo(0.0792, 9)]);
    expect(working.result).toEqual(figure.figure);
  });

  test('holds count with one throttle, tell what is kept, and lead by it; without a protocol they are too few steps', () => {
    const held = (id: string, kept: number) =>
      [1, 2].map((ordinal) =>
        runOf(
          id,
          ordinal,
          [1, (1 + kept) / 2, kept].map((share) => ({ ...lawSteps(10, 400, [0.6])[0]!, thrustN: 4 * share })),
        ),
      );
    const runs = [...held('ref', 0.9), ...held('big', 0.98)];
    const protocol = { kind: 'hold', stepCount: 3, holdS: 60, throttles: [0.6] } as const;
    const results = reduceCampaign(campaignOf(runs, { protocol }));
    expect(results.headline).toMatchObject({ code: 'keepsMost', values: { keptRatio: expect.closeTo(0.98, 9) } });
    expect(results.reasons.find((r) => r.code === 'fades')!.values).toMatchObject({
      lossRatio: expect.closeTo(0.1, 9),
    });
    expect(results.props.every((p) => !p.isFullOnly)).toBe(true);
    expect(reduceCampaign(campaignOf(runs)).props[0]!.leftOut.map((l) => l.code)).toEqual([
      'tooFewSteps',
      'tooFewSteps',
    ]);
  });
});

describe('steps whose thrusts overlap', () => {
  const curve = (topN: number): ThrottleCurve =>
    Array.from({ length: 20 }, (_, i) => ({ throttleRatio: (i + 1) / 20, thrustN: topN * ((i + 1) / 20) ** 1.8 }));

  test('a strong and a weak prop share most of the weak one’s range', () => {
    const { throttles, shared } = overlapSteps([curve(10), curve(20)], 5, 7);
    expect(throttles[0]).toBe(1);
    expect(throttles).toHaveLength(7);
    expect(shared!.mostN).toBe(10);
    expect(shared!.leastN).toBeLessThanOrEqual(0.7 * 5 + 0.2);
    for (const topN of [10, 20]) {
      const inside = throttles.map((u) => topN * u ** 1.8).filter((n) => n >= shared!.leastN - 0.1 && n <= 10.01);
      expect(inside.length).toBeGreaterThanOrEqual(3);
    }
  });

  test('whatever the props: steps fall from full throttle, lie apart, and what is shared lies under every top', () => {
    const top = fc.double({ min: 0.2, max: 300, noNaN: true });
    fc.assert(
      fc.property(
        fc.array(top, { minLength: 1, maxLength: 9 }),
        fc.option(top),
        fc.integer({ min: 2, max: 40 }),
        (tops, carryN, count) => {
          const found = overlapSteps(tops.map(curve), carryN, count);
          expect(found.throttles[0]).toBe(1);
          expect(found.throttles.length).toBeLessThanOrEqual(count);
          found.throttles.slice(1).forEach((u, i) => expect(found.throttles[i]! - u).toBeGreaterThan(0.039));
          expect(Math.min(...found.throttles)).toBeGreaterThanOrEqual(0.1);
          if (found.shared) expect(found.shared.mostN).toBeCloseTo(Math.min(...tops), 9);
        },
      ),
    );
  });

  test('props that are worlds apart share nothing, and it is said', () => {
    expect(overlapSteps([curve(0.2), curve(200)], null, 7).shared).toBeNull();
  });
});
