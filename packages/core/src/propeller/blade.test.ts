import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { INCH_M, tipShapes } from '../label/propLabel.ts';
import { calibrate, calibrationFactor, pitchRatioOf } from './calibration.ts';
import { bladeAreaM2, bladeVolumeM3, shapeBlade, STATION_COUNT } from './bladeShape.ts';
import { untwistDegrees, usualMassKg } from './bladeFlex.ts';
import { labelGeometry, propMaterials } from './propGeometry.ts';
import { propInertiaKgM2, rootForceN, spinUpTimeS, usualBlade } from './propFigures.ts';
import { SectionPolar } from './sectionPolar.ts';

const geometry = labelGeometry(7.2 * INCH_M, 3.9 * INCH_M, 3, 'standard', 'polycarbonate');

describe('shape', () => {
  test('stations run from the root to the tip without a gap', () => {
    for (const tip of tipShapes) {
      const { positions, widths } = shapeBlade({ ...geometry, tipShape: tip });
      expect(positions).toHaveLength(STATION_COUNT);
      expect(widths.reduce((sum, w) => sum + w, 0)).toBeCloseTo(0.86, 12);
      for (let k = 1; k < STATION_COUNT; k++)
        expect(positions[k]! - positions[k - 1]!).toBeCloseTo((widths[k]! + widths[k - 1]!) / 2, 12);
    }
  });

  test('the blade twists: steep at the root, flat at the tip, never beyond 40°', () => {
    const { anglesRad } = shapeBlade(labelGeometry(0.1, 0.12, 2, 'standard', 'carbon'));
    for (let k = 1; k < STATION_COUNT; k++) expect(anglesRad[k]!).toBeLessThanOrEqual(anglesRad[k - 1]!);
    expect(anglesRad[0]! * (180 / Math.PI)).toBeCloseTo(40, 9);
  });

  test('a square tip has more blade, a pointed one less', () => {
    const [pointed, standard, square] = tipShapes.map((tipShape) => bladeAreaM2(shapeBlade({ ...geometry, tipShape })));
    expect(pointed!).toBeLessThan(standard!);
    expect(standard!).toBeLessThan(square!);
  });

  test('area grows with the square of the size and volume with the cube, but for the weak chord term', () => {
    const of = (scale: number) => shapeBlade(labelGeometry(scale * 0.15, scale * 0.08, 2, 'standard', 'carbon'));
    expect(Math.log2(bladeAreaM2(of(2)) / bladeAreaM2(of(1)))).toBeCloseTo(1.85, 2);
    expect(Math.log2(bladeVolumeM3(of(2)) / bladeVolumeM3(of(1)))).toBeCloseTo(2.7, 2);
  });
});

describe('stiffness and mass', () => {
  test('five inches of polycarbonate weigh what such pieces weigh', () => {
    expect(usualMassKg(labelGeometry(5 * INCH_M, 4.3 * INCH_M, 3, 'standard', 'polycarbonate')) * 1000).toBeCloseTo(
      4.7,
      1,
    );
  });

  test('more blades and larger discs weigh more, whatever they are made of', () => {
    for (const material of propMaterials) {
      const mass = (inches: number, bladeCount: number): number =>
        usualMassKg({ diameterM: inches * INCH_M, bladeCount, material });
      expect(mass(5, 3)).toBeGreaterThan(mass(5, 2));
      expect(mass(7, 2)).toBeGreaterThan(mass(5, 2));
    }
  });

  test('soft, polycarbonate, nylon, carbon: in this order they untwist', () => {
    const order = (['softPlastic', 'polycarbonate', 'glassNylon', 'carbonNylon', 'carbon'] as const).map((material) =>
      untwistDegrees({ ...geometry, material }),
    );
    for (let i = 1; i < order.length; i++) expect(order[i]!).toBeLessThan(order[i - 1]!);
  });

  test('a weighed mass corrects the class, but not beyond reason', () => {
    const at = (factor: number): number => untwistDegrees({ ...geometry, massKg: factor * usualMassKg(geometry) });
    expect(at(1)).toBeCloseTo(untwistDegrees(geometry), 12);
    expect(at(1.2)).toBeLessThan(at(1));
    expect(at(0.2)).toBeCloseTo(1.6 * at(1), 12);
    expect(at(5)).toBeCloseTo(0.6 * at(1), 12);
  });

  test('inertia, root pull and spin-up follow their laws', () => {
    expect(propInertiaKgM2(0.008, 0.2, 0.25) / propInertiaKgM2(0.004, 0.2, 0.25)).toBeCloseTo(2, 12);
    expect(rootForceN(0.002, 0.04, 20_000) / rootForceN(0.002, 0.04, 10_000)).toBeCloseTo(4, 12);
    expect(usualBlade(0.008, 0.2, 4).massKg * 4).toBeCloseTo(0.006, 12);
    expect(spinUpTimeS(2e-5, 0.1, 1500, 0.0055, 0.1)).toBeGreaterThan(spinUpTimeS(1e-5, 0.1, 1500, 0.0055, 0.1));
  });
});

describe('section', () => {
  const polar = new SectionPolar();
  const at = (degrees: number, reynolds = 1e5, mach = 0.3): { lift: number; drag: number; separation: number } => {
    polar.enter('cambered', { dragFactor: 1, mostLiftFactor: 1 }, reynolds, mach, 0.1);
    polar.loosen(0);
    polar.at((degrees * Math.PI) / 180);
    return { lift: polar.lift, drag: polar.drag, separation: polar.separation };
  };

  test('lifts nothing at its zero-lift angle, more with every degree, and stalls', () => {
    expect(at(-4.5).lift).toBeCloseTo(0, 9);
    for (let degrees = -4; degrees < 6; degrees++) expect(at(degrees + 1).lift).toBeGreaterThan(at(degrees).lift);
    expect(at(40).separation).toBeGreaterThan(0.99);
    expect(at(25).lift).toBeLessThan(at(9).lift * 1.3);
  });

  test('always drags, more at low Reynolds numbers and above the drag rise', () => {
    for (let degrees = -30; degrees <= 60; degrees += 5) expect(at(degrees).drag).toBeGreaterThan(0);
    expect(at(2, 2e4).drag).toBeGreaterThan(at(2, 2e5).drag);
    expect(at(2, 1e5, 0.85).drag).toBeGreaterThan(at(2, 1e5, 0.6).drag);
  });

  test('a soft blade stalls earlier', () => {
    const stiff = at(9).separation;
    polar.loosen(6);
    polar.at((9 * Math.PI) / 180);
    expect(polar.separation).toBeGreaterThan(stiff);
  });
});

describe('calibration', () => {
  test('readings pull the factor toward themselves, more of them nearer', () => {
    const of = (count: number): number =>
      calibrationFactor(
        calibrate(Array.from({ length: count }, () => ({ pitchRatio: 0.5, logRatio: Math.log(1.1) }))),
        0.5,
      ).factor;
    expect(of(0)).toBe(1);
    let before = 1;
    for (const count of [1, 2, 5, 20]) {
      expect(of(count)).toBeGreaterThan(before);
      before = of(count);
    }
    expect(before).toBeCloseTo(1.1, 2);
  });

  test('the uncertainty shrinks with readings and grows away from them', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.1, max: 0.1, noNaN: true }), (logRatio) => {
        const few = calibrate([{ pitchRatio: 0.5, logRatio }]);
        const many = calibrate(Array.from({ length: 10 }, () => ({ pitchRatio: 0.5, logRatio })));
        expect(calibrationFactor(many, 0.5).deviationLog).toBeLessThan(calibrationFactor(few, 0.5).deviationLog);
        expect(calibrationFactor(many, 1.1).deviationLog).toBeGreaterThan(calibrationFactor(many, 0.5).deviationLog);
      }),
      { numRuns: 50, seed: 9 },
    );
  });

  test('a pitch ratio and its scaled form are each other’s inverse', () =>
    expect([pitchRatioOf(0), pitchRatioOf(1), pitchRatioOf(-1)]).toEqual([0.5, 0.7, 0.3]));

  test.each([[[{ pitchRatio: NaN, logRatio: 0 }]], [[{ pitchRatio: 0.5, logRatio: Infinity }]]])(
    '%j is no reading',
    (readings) => expect(() => calibrate(readings)).toThrow(),
  );
});
