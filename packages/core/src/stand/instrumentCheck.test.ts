import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { NotEnoughReadingsError, OutOfRangeError } from '../errors/coreError.ts';
import { campaignOf, lawSteps, runOf } from '../test/standCampaign.ts';
import { explainFigure } from './explainFigure.ts';
import {
  correctionOf,
  correctionsAt,
  correctStep,
  dueChecks,
  instrumentStandings,
  type CheckedQuantity,
  type InstrumentCheck,
} from './instrumentCheck.ts';
import { emptyStep } from './quantities.ts';
import { reduceCampaign } from './reduceCampaign.ts';

const DAY = 86_400_000;
let made = 0;
const checkOf = (quantity: CheckedQuantity, atDay: number, factor: number, more: Partial<InstrumentCheck> = {}) =>
  ({
    id: `check-${made++}`,
    quantity,
    method: 'secondMeter',
    atMs: atDay * DAY,
    day: '2026-11-01',
    reachesBack: false,
    armM: null,
    pairs: [
      { shown: 2, actual: 2 * factor },
      { shown: 10, actual: 10 * factor },
    ],
    ...more,
  }) satisfies InstrumentCheck;

describe('the factor of a check', () => {
  test('a scale that shows 490 g for 500 g and 1,960 g for 2 kg reads 2 % too little', () => {
    const pairs = [
      { shown: 4.8053, actual: 4.9033 },
      { shown: 19.221, actual: 19.613 },
    ];
    const { factor, apartRatio } = correctionOf({ quantity: 'thrustN', armM: null, pairs });
    expect(factor).toBeCloseTo(1.0204, 4);
    expect(apartRatio).toBeLessThan(0.001);
  });

  test('a torque arm: 500 g on 200 mm is 0.981 Nm', () => {
    const check = { quantity: 'torqueNm' as const, armM: 0.2, pairs: [{ shown: 0.95, actual: 4.9033 }] };
    expect(correctionOf(check).factor).toBeCloseTo(0.98067 / 0.95, 4);
  });

  test('pairs of the same instrument give its factor back, whatever it is read at', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.8, max: 1.25, noNaN: true }),
        fc.array(fc.double({ min: 0.01, max: 500, noNaN: true }), { minLength: 2, maxLength: 6 }),
        (factor, shown) => {
          const pairs = shown.map((s) => ({ shown: s, actual: s * factor }));
          const found = correctionOf({ quantity: 'thrustN', armM: null, pairs });
          expect(found.factor).toBeCloseTo(factor, 9);
          expect(found.apartRatio).toBeLessThan(1e-9);
        },
      ),
    );
  });

  test.each([
    ['a scale at one point', 'thrustN', [{ shown: 1, actual: 1 }], NotEnoughReadingsError],
    ['no pair', 'currentA', [], NotEnoughReadingsError],
    ['nothing shown', 'currentA', [{ shown: 0, actual: 1 }], OutOfRangeError],
    ['nothing there', 'voltageV', [{ shown: 12, actual: 0 }], OutOfRangeError],
    ['seven pole pairs set as one', 'speedRpm', [{ shown: 70_000, actual: 10_000 }], OutOfRangeError],
    ['an arm without a length', 'torqueNm', [{ shown: 1, actual: 5 }], OutOfRangeError],
    ['not a number', 'currentA', [{ shown: Number.NaN, actual: 1 }], OutOfRangeError],
  ] as const)('%s is refused', (_, quantity, pairs, error) => {
    expect(() => correctionOf({ quantity, armM: null, pairs })).toThrow(error);
  });
});

describe('which check counts', () => {
  const before = checkOf('currentA', 10, 1.02);
  const after = checkOf('currentA', 20, 1.05);
  const factorAt = (checks: InstrumentCheck[], day: number) =>
    correctionsAt(checks, day * DAY).find((c) => c.quantity === 'currentA')?.factor;

  test('the last one before the reading, none before the first', () => {
    expect(factorAt([after, before], 5)).toBeUndefined();
    expect(factorAt([after, before], 15)).toBeCloseTo(1.02, 9);
    expect(factorAt([after, before], 25)).toBeCloseTo(1.05, 9);
  });

  test('one that reaches back counts for what was read since the check before it, no further', () => {
    const back = { ...after, reachesBack: true };
    expect(factorAt([before, back], 15)).toBeCloseTo(1.05, 9);
    expect(factorAt([before, back], 5)).toBeUndefined();
    expect(factorAt([back], 5)).toBeCloseTo(1.05, 9);
  });

  test('an instrument goes stale after its time, and says how old its check is', () => {
    const scale = checkOf('thrustN', 0, 1);
    const of = (day: number) => instrumentStandings([scale], day * DAY).find((s) => s.quantity === 'thrustN')!;
    expect(of(30)).toMatchObject({ state: 'fresh', ageDays: 30 });
    expect(of(31)).toMatchObject({ state: 'stale', ageDays: 31 });
    expect(dueChecks([of(30), of(31), of(-1)])).toEqual([
      { code: 'dueCheck.thrustN', severity: 'action', values: { days: 31 }, figure: null },
    ]);
    expect(of(-1)).toMatchObject({ state: 'unchecked', ageDays: null });
  });
});

describe('applied', () => {
  const corrections = [
    { checkId: 'a', quantity: 'currentA', factor: 1.02, day: '2026-11-01', uncertaintyRatio: 0.005 },
    { checkId: 'b', quantity: 'voltageV', factor: 0.99, day: '2026-11-01', uncertaintyRatio: 0.005 },
  ] as const;

  test('power that was read follows both meters; what is missing stays missing', () => {
    const step = { ...emptyStep(), currentA: 10, powerW: 240 };
    const corrected = correctStep(step, corrections);
    expect(corrected.currentA).toBeCloseTo(10.2, 9);
    expect(corrected.powerW).toBeCloseTo(240 * 1.02 * 0.99, 9);
    expect(corrected.voltageV).toBeNull();
    expect(step.currentA).toBe(10);
  });

  test('a scale that reads 2 % too little: thrust, its working and the reasons follow; raw readings stay', () => {
    const scale = {
      checkId: 'c',
      quantity: 'thrustN',
      factor: 1.02,
      day: '2026-11-01',
      uncertaintyRatio: 0.005,
    } as const;
    const run = runOf('ref', 1, lawSteps(10, 300), { corrections: [scale] });
    const results = reduceCampaign(campaignOf([run]));
    expect(results.props[0]!.points.full.thrustN!.figure.value).toBeCloseTo(10.2, 6);
    expect(results.corrections).toEqual([{ ...scale, runCount: 1 }]);
    expect(results.reasons.find((r) => r.code === 'corrected.thrustN')?.values).toMatchObject({ factor: 1.02 });
    const working = explainFigure(campaignOf([run]), 'ref:full:thrustN');
    expect(working.notes.find((n) => n.code === 'corrected.thrustN')?.values).toMatchObject({ factor: 1.02 });
    expect(run.steps.at(-1)!.thrustN).toBe(10);
  });

  test('a check that had gone stale when the run was made is told, with its days', () => {
    const run = runOf('ref', 1, lawSteps(10, 300), { staleChecks: [{ quantity: 'thrustN', ageDays: 64 }] });
    const { reasons } = reduceCampaign(campaignOf([run]));
    expect(reasons.find((r) => r.code === 'staleCheck.thrustN')).toMatchObject({
      severity: 'caution',
      values: { days: 64 },
    });
  });
});
