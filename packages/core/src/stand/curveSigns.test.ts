import { describe, expect, test } from '@jest/globals';
import { campaignOf, lawSteps, runOf, twiceRun } from '../test/standCampaign.ts';
import { curveSigns, shakePeak, winnersByThrust } from './curveSigns.ts';
import { reduceCampaign } from './reduceCampaign.ts';
import { settleRun } from './settleRun.ts';

const LADDER = [0.3, 0.45, 0.6, 0.75, 0.9, 1];
const signs = (change: (step: ReturnType<typeof lawSteps>[number]) => object) =>
  curveSigns(
    settleRun(
      runOf(
        'p',
        1,
        lawSteps(10, 400, LADDER).map((s) => ({ ...s, ...change(s) })),
      ),
    ),
  );

describe('signs of a curve', () => {
  test('a clean curve has none', () => {
    expect(signs(() => ({}))).toEqual({ bogsFromThrottleRatio: null, flattensFromThrottleRatio: null });
  });

  test('speed that stops while the current climbs is a motor that bogs', () => {
    const bogged = signs((s) => (s.throttleRatio! > 0.75 ? { speedRpm: 20_000 * 0.75 ** 0.9 * 1.01 } : {}));
    expect(bogged.bogsFromThrottleRatio).toBe(0.75);
  });

  test('thrust that stops while the speed climbs is a blade that gives way', () => {
    const flat = signs((s) => (s.throttleRatio! > 0.75 ? { thrustN: 10 * 0.75 ** 1.8 * 1.04 } : {}));
    expect(flat.flattensFromThrottleRatio).toBe(0.75);
    expect(flat.bogsFromThrottleRatio).toBeNull();
  });

  test('runs without speed or current tell nothing of the kind', () => {
    expect(signs(() => ({ speedRpm: null }))).toMatchObject({
      bogsFromThrottleRatio: null,
      flattensFromThrottleRatio: null,
    });
    expect(curveSigns(settleRun(runOf('p', 1, lawSteps(10, 400, [1]))))).toEqual({
      bogsFromThrottleRatio: null,
      flattensFromThrottleRatio: null,
    });
  });
});

describe('a stand that rings', () => {
  const shaking = (id: string, unbalance: number, peakRpm: number | null) =>
    runOf(
      id,
      1,
      lawSteps(10, 400, [0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1]).map((s) => ({
        ...s,
        vibrationMPerS2:
          unbalance * s.speedRpm! ** 2 * (peakRpm !== null && Math.abs(s.speedRpm! / peakRpm - 1) < 0.04 ? 3 : 1),
      })),
    );
  const at60 = 20_000 * 0.6 ** 0.9;

  test('one speed at which all props shake is the arm; unbalance alone is none, nor is one prop’s own', () => {
    const runs = ['a', 'b', 'c', 'd'].map((id, i) => settleRun(shaking(id, (1 + i) * 1e-8, at60)));
    expect(shakePeak(runs)).toMatchObject({ propCount: 4, speedRpm: expect.closeTo(at60, 3) });
    expect(shakePeak(runs)!.timesExpected).toBeCloseTo(3, 1);
    expect(shakePeak(['a', 'b', 'c'].map((id, i) => settleRun(shaking(id, (1 + i) * 1e-8, null))))).toBeNull();
    expect(shakePeak(['a', 'b', 'c'].map((id) => settleRun(shaking(id, 1e-8, id === 'a' ? at60 : null))))).toBeNull();
    expect(shakePeak([settleRun(shaking('a', 1e-8, at60))])).toBeNull();
  });

  test('the results name the band, and whose curve bogs', () => {
    const bogged = runOf(
      'big',
      1,
      lawSteps(14, 600, LADDER).map((s) => ({ ...s, ...(s.throttleRatio! > 0.75 ? { speedRpm: 15_500 } : {}) })),
    );
    const shaken = ['ref', 'big', 'small'].map((id) => shaking(id, 1e-8, at60));
    const results = reduceCampaign(campaignOf([...twiceRun('ref', 10, 400), ...shaken, bogged]));
    const codes = results.reasons.map((r) => r.code);
    expect(codes).toContain('bogs');
    expect(codes).toContain('standRings');
  });
});

describe('who lifts what on least power', () => {
  const line = (propModelId: string, watts: number, exponent: number) => ({
    propModelId,
    line: Array.from({ length: 20 }, (_, i) => ({ thrustN: i + 1, powerW: watts * (i + 1) ** exponent })),
  });

  test('two props that cross share the range at their crossing', () => {
    // 10·T^1.2 against 6·T^1.5: equal where T^0.3 = 10/6.
    const ranges = winnersByThrust([line('low', 6, 1.5), line('high', 10, 1.2)], 0.02);
    expect(ranges.map((r) => r.propModelId)).toEqual(['low', 'high']);
    expect(ranges[0]!.toN).toBeGreaterThan((10 / 6) ** (1 / 0.3) - 1);
    expect(ranges[0]!.toN).toBeLessThan((10 / 6) ** (1 / 0.3) + 1);
    expect(ranges[0]!.toN).toBe(ranges[1]!.fromN);
  });

  test('props that are alike are named beside the winner; one prop alone wins nothing', () => {
    expect(winnersByThrust([line('a', 6, 1.5), line('b', 6.05, 1.5)], 0.02)[0]).toMatchObject({
      propModelId: 'a',
      alikeIds: ['b'],
    });
    expect(winnersByThrust([line('a', 6, 1.5)], 0.02)).toEqual([]);
    expect(winnersByThrust([], 0.02)).toEqual([]);
  });
});
