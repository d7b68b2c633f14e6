import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { seededRandom } from '../numerics/seededRandom.ts';
import { campaignOf, lawSteps, runOf } from '../test/standCampaign.ts';
import { explainFigure } from './explainFigure.ts';
import { planEvening } from './eveningPlan.ts';
import { reduceCampaign } from './reduceCampaign.ts';
import { commonRatio, differenceOf, figureSpread, settledValue } from './uncertainty.ts';

/** An evening of nine props, three runs each, with a drift from first to last and a scatter of each run. */
const evening = (driftRatio: number, scatter: number, seed: string) => {
  const random = seededRandom(seed);
  const order = planEvening({
    propIds: Array.from({ length: 8 }, (_, i) => `p${i}`),
    referenceId: 'ref',
    runsPerProp: 3,
    rigs: [{ kitId: null, packIds: [] }],
    mostBetween: 6,
  });
  const groups = new Map<string, { value: number; place: number }[]>();
  order.forEach(({ propId }, place) => {
    const value = 10 * Math.exp((driftRatio * place) / (order.length - 1)) * (1 + scatter * random.normal());
    groups.set(propId, [...(groups.get(propId) ?? []), { value, place }]);
  });
  return groups;
};

describe('drift', () => {
  test('one that shows is found and taken out, and the spread is that of the runs again', () => {
    const groups = evening(0.03, 0.003, 'drift');
    const spread = figureSpread([...groups.values()])!;
    expect(spread.drift!.perPlace * 27).toBeGreaterThan(0.02);
    expect(spread.drift!.perPlace * 27).toBeLessThan(0.04);
    expect(spread.spreadRatio).toBeLessThan(0.0045);
    const settled = [...groups.values()].flat().map((r) => settledValue(r, spread.drift));
    expect(Math.max(...settled) / Math.min(...settled)).toBeLessThan(1.02);
  });

  test('without one it is seldom claimed, and then it is small', () => {
    const claimed = Array.from({ length: 200 }, (_, i) => figureSpread([...evening(0, 0.004, `none ${i}`).values()])!);
    expect(claimed.filter((s) => s.drift !== null).length).toBeLessThan(25);
    for (const { drift } of claimed) if (drift) expect(Math.abs(drift.perPlace * 27)).toBeLessThan(0.02);
  });

  test('props run twice in a row tell how a second run differs, not how the evening drifts', () => {
    const inARow = Array.from({ length: 8 }, (_, i) => [
      { value: 10 + i, place: 2 * i },
      { value: (10 + i) * 0.99, place: 2 * i + 1 },
    ]);
    expect(figureSpread(inARow)!.drift).toBeNull();
    const thereAndBack = Array.from({ length: 8 }, (_, i) => [
      { value: 10 + i, place: i },
      { value: (10 + i) * (1 - 0.001 * (15 - 2 * i)), place: 15 - i },
    ]);
    expect(figureSpread(thereAndBack)!.drift!.perPlace).toBeCloseTo(-0.001, 4);
  });

  test('too few repeats, one place for all, or a figure that is nothing tell no drift', () => {
    const at = (value: number, place: number) => ({ value, place });
    expect(
      figureSpread([
        [at(1, 0), at(2, 9)],
        [at(1, 1), at(2, 8)],
      ])!.drift,
    ).toBeNull();
    expect(figureSpread(Array.from({ length: 6 }, () => [at(1, 3), at(1.01, 3)]))!.drift).toBeNull();
    expect(figureSpread(Array.from({ length: 6 }, () => [at(0, 0), at(0.1, 5)]))?.drift ?? null).toBeNull();
    expect(figureSpread([[at(1, 0)], [at(2, 1)]])).toBeNull();
  });

  test('a difference between props that ran at other times is less sure once a drift was taken out', () => {
    const spread = figureSpread([...evening(0.03, 0.003, 'apart').values()])!;
    const at = (...places: number[]) => places.map((place) => ({ value: 1, place }));
    const half = (own: number[], other: number[], confidence?: number): number =>
      differenceOf(spread, at(...own), at(...other), confidence).halfWidth;
    expect(half([0, 1, 2], [25, 26, 27])).toBeGreaterThan(half([0, 13, 27], [1, 13, 26]));
    expect(half([1], [2], 0.9)).toBeLessThan(half([1], [2]));
  });

  test('the interval is relative to what is compared: a prop with half as much again has one half as wide again', () => {
    const spread = figureSpread([...evening(0, 0.004, 'wide').values()])!;
    const at = (value: number) => [0, 1, 2].map((place) => ({ value, place }));
    const [same, more] = [differenceOf(spread, at(10), at(10)), differenceOf(spread, at(15), at(10))];
    expect(more.ratio).toBeCloseTo(0.5, 12);
    expect(more.halfWidth / same.halfWidth).toBeCloseTo(1.5, 12);
  });
});

describe('in the results', () => {
  const runs = ['ref', 'big', 'small'].flatMap((id, i) =>
    [0, 1, 2].map((k) => {
      const place = 3 * k + (k % 2 === 0 ? i : 2 - i);
      return runOf(id, k + 1, lawSteps(10 * 1.005 ** place * (1 + 0.0004 * ((k * 7 + i) % 3)), 400), { place });
    }),
  );

  test('what drifts is said, taken out of the differences, and stands in the working', () => {
    const campaign = campaignOf(runs);
    const results = reduceCampaign(campaign);
    expect(results.driftRatio).toBeCloseTo(1.005 ** 8 - 1, 2);
    expect(results.reasons.map((r) => r.code)).toContain('drifted');
    for (const prop of results.props)
      if (!prop.isReference) expect(Math.abs(prop.points.full.thrustN!.differenceRatio!)).toBeLessThan(0.002);
    const { figure } = results.props[0]!.points.full.thrustN!;
    const working = explainFigure(campaign, figure.working!);
    expect(working.inputs.filter((i) => i.what === 'driftFactor')).toHaveLength(3);
    expect(working.lines.at(-1)!.formula).toMatch(/T1 \* d1/);
    expect(working.result.value).toBe(figure.value);
  });

  test('a gain that is common to the evening changes no difference, and widens what a figure is by itself', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.9, max: 1.1, noNaN: true }), (gain) => {
        const scaled = runs.map((run) => ({
          ...run,
          steps: run.steps.map((s) => ({ ...s, thrustN: s.thrustN! * gain })),
        }));
        const [a, b] = [reduceCampaign(campaignOf(runs)), reduceCampaign(campaignOf(scaled))];
        a.props.forEach((prop, i) => {
          const own = prop.points.full.thrustN!;
          const other = b.props[i]!.points.full.thrustN!;
          if (own.differenceRatio !== null) expect(other.differenceRatio).toBeCloseTo(own.differenceRatio, 9);
          expect(own.figure.uncertainty! / own.figure.value).toBeGreaterThanOrEqual(own.repeatHalfWidthRatio!);
        });
      }),
      { numRuns: 10 },
    );
    expect(commonRatio('thrustN', [])).toBe(0.01);
    expect(
      commonRatio('thrustN', [{ checkId: 'c', quantity: 'thrustN', factor: 1, day: '', uncertaintyRatio: 0.002 }]),
    ).toBe(0.002);
    expect(commonRatio('thrustPerPowerNPerW', [])).toBeCloseTo(Math.hypot(0.01, 0.02, 0.005), 12);
    expect(commonRatio('riseS', [])).toBe(0);
  });
});
