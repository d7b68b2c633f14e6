import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { add, amountOf, fromPolar } from '../numerics/complex.ts';
import { schoolPlan, schools, type School } from './schoolPlan.ts';
import { singleBladeState } from './singleBladeState.ts';
import { tapeSpot, USUAL_TAPE } from './tapePlan.ts';
import { tapePlaces } from './tapeTrials.ts';

const DIAMETER_M = 0.2286;
const spots = { blade: tapeSpot('blade', DIAMETER_M, USUAL_TAPE), hub: tapeSpot('hub', DIAMETER_M, USUAL_TAPE) };
const TARGET_KG_M = 1e-7;
const planOf = (school: School, kgM: number, degrees: number, bladeCount: number) =>
  schoolPlan(school, fromPolar(kgM, degrees), bladeCount, spots, 'wood', TARGET_KG_M);

describe('the other schools', () => {
  test('all of a plan done leaves no more than may stay, whatever the school, the blades and the heavy side', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...schools),
        fc.integer({ min: 2, max: 6 }),
        fc.double({ min: 2e-7, max: 2e-5, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (school, bladeCount, kgM, degrees) => {
          const plan = planOf(school, kgM, degrees, bladeCount);
          const places = tapePlaces({ bladeCount, firstBladeDegrees: 0, mostOnBladeKgM: 1, mostOnHubKgM: 1 });
          const sign = school === 'lacquer' ? 1 : -1;
          const done = plan.steps.reduce(
            (sum, step) =>
              add(
                sum,
                fromPolar(sign * step.momentKgM, school === 'drill' ? plan.drillDegrees! : places[step.place]!.degrees),
              ),
            fromPolar(kgM, degrees),
          );
          // Sanding leaves to the hub what lies across two blades.
          const across = Math.abs(kgM * Math.sin((degrees * Math.PI) / 180));
          expect(amountOf(done)).toBeLessThan(TARGET_KG_M + (school === 'sand' && bladeCount === 2 ? across : 0));
          for (const step of plan.steps) expect(step.massKg).toBeCloseTo(step.momentKgM / spots[step.kind].radiusM, 12);
        },
      ),
      { numRuns: 400, seed: 11 },
    );
  });

  test('sanding takes from the heavy side, lacquer goes on the light one; only sanding has a depth', () => {
    expect(planOf('sand', 2e-6, 180, 2).steps).toMatchObject([{ kind: 'blade', place: 1 }]);
    expect(planOf('lacquer', 2e-6, 180, 2).steps).toMatchObject([{ kind: 'blade', place: 0, depthM: null }]);
    // 2 g·mm at 85.7 mm is 23.3 mg; beech over 40 by 12 mm: 0.07 mm.
    const [step] = planOf('sand', 2e-6, 180, 2).steps;
    expect(step!.massKg).toBeCloseTo(2e-6 / (0.75 * 0.1143), 12);
    expect(step!.depthM).toBeCloseTo(step!.massKg / (700 * 0.04 * 0.012), 9);
  });

  test('a heavy hub on two blades: sanding says what stays across them, lacquer and drilling go to the hub', () => {
    expect(planOf('sand', 3e-6, 90, 2)).toMatchObject({ steps: [], acrossKgM: expect.closeTo(3e-6, 12) });
    expect(planOf('lacquer', 3e-6, 90, 2).steps).toMatchObject([{ kind: 'hub', place: 3 }]);
    expect(planOf('drill', 3e-6, 90, 2)).toMatchObject({
      drillDegrees: expect.closeTo(90, 9),
      steps: [{ kind: 'hub' }],
    });
  });
});

describe('a single blade', () => {
  const setting = {
    diameterM: 0.14,
    thrustN: 1.2,
    craft: { massKg: 0.5, hoverSpeedRpm: 9000 },
    rig: { frictionKgM: 2e-8, borePlayM: 0, largestM: 0.4, inertiaKgM2: 0 },
    target: 'good' as const,
  };
  const entries = { bladeMassKg: 0.004, centreOfMassM: 0.05, washerMassKg: 0.0008, washerRadiusM: 0.02 };

  test('too few washers: the count that leaves least; the thrust is the danger, whatever is left', () => {
    const state = singleBladeState(setting, { ...entries, washerCount: 9 });
    expect(state).toMatchObject({
      verdict: 'open',
      reasons: [
        { code: 'balance.single.thrust', severity: 'danger' },
        { code: 'balance.single.washers', severity: 'action' },
      ],
    });
    expect(state.thrustMomentNm).toBeCloseTo(1.2 * 0.7 * 0.07, 12);
  });

  test('half a washer that no count takes away is said, and fine washers end true', () => {
    expect(singleBladeState(setting, { ...entries, washerCount: 13 })).toMatchObject({
      verdict: 'finest',
      reasons: [{}, { code: 'balance.single.finest' }],
    });
    const fine = { ...entries, washerMassKg: 0.00001 };
    expect(singleBladeState(setting, { ...fine, washerCount: 1000 })).toMatchObject({
      verdict: 'trued',
      residual: { isBelowRig: true },
    });
    expect(() => singleBladeState(setting, { ...fine, washerMassKg: 0, washerCount: 1 })).toThrow(/washerMassKg/);
  });
});
