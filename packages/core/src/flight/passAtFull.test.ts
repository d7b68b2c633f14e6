import { describe, expect, test } from '@jest/globals';
import { evaluateCandidate } from '../pick/evaluateCandidate.ts';
import { inches, mappingPlane, preparedOf, surveyQuad } from '../test/pickCrafts.ts';
import { currentInAir, passAtFull } from './passAtFull.ts';

const plane = preparedOf(mappingPlane);
const planeProp = evaluateCandidate(plane, inches(11, 7, 2)).prop;
const quad = preparedOf(surveyQuad);
const quadProp = evaluateCandidate(quad, inches(7, 4, 3)).prop;

describe('a pass at full throttle', () => {
  test('slowly flown it is the stand; the faster, the less current and the more speed of the rotor', () => {
    const passes = [1, 8, 14, 20].map((speed) => passAtFull(plane, planeProp, speed)!);
    expect(passes[0]!.currentRatio).toBeCloseTo(1, 1);
    for (let i = 1; i < passes.length; i++) {
      expect(passes[i]!.currentRatio).toBeLessThan(passes[i - 1]!.currentRatio + 1e-9);
      expect(passes[i]!.speedRpm).toBeGreaterThan(passes[i - 1]!.speedRpm - 1e-6);
      expect(passes[i]!.advanceRatio).toBeGreaterThan(passes[i - 1]!.advanceRatio);
    }
  });

  test('falls with the advance ratio as props do in a tunnel: little to 0.35, a tenth or two near 0.65', () => {
    const at = (advance: number): number => {
      const speed = [...Array(60).keys()]
        .map((k) => 1 + k * 0.6)
        .map((v) => passAtFull(plane, planeProp, v))
        .find((p) => p !== null && p.advanceRatio >= advance);
      return speed!.currentRatio;
    };
    expect(at(0.2)).toBeGreaterThan(0.93);
    expect(at(0.2)).toBeLessThanOrEqual(1.03);
    expect(at(0.5)).toBeGreaterThan(0.7);
    expect(at(0.5)).toBeLessThan(at(0.3));
  });

  test('a quad leans into it, and only the part of the air along its shafts counts', () => {
    const pass = passAtFull(quad, quadProp, 18)!;
    const alongRatio = (pass.advanceRatio * pass.speedRpm * quadProp.geometry.diameterM) / 60 / 18;
    expect(alongRatio).toBeGreaterThan(0.5);
    expect(alongRatio).toBeLessThan(1);
    expect(pass.pitchSpeedRatio).toBeCloseTo((18 * 60) / (pass.speedRpm * quadProp.geometry.pitchM), 9);
  });

  test('a fresh pack on the stand asks more there, so less is to be expected in the air', () => {
    const of = (standV: number | null): number => passAtFull(quad, quadProp, 18, standV)!.currentRatio;
    expect(of(25)).toBeLessThan(of(22));
    expect(of(25)).toBeLessThan(of(null));
  });

  test('faster than it can be driven there is no such pass, and no speed is no pass', () => {
    expect(passAtFull(plane, planeProp, 110)).toBeNull();
    expect(() => passAtFull(plane, planeProp, 0)).toThrow(/airspeedMPerS/);
  });
});

describe('current in the air', () => {
  const pass = { currentRatio: 0.9, advanceRatio: 0.45, speedRpm: 9000, pitchSpeedRatio: 0.7 };

  test('as the advance ratio lets expect, nothing is said; else by how much, and of what', () => {
    expect(currentInAir('Orle 9×5', 36, 40, pass)).toBeNull();
    expect(currentInAir('Orle 9×5', 40, 40, pass)).toBeNull();
    expect(currentInAir('Orle 9×5', 45, 40, pass)).toMatchObject({
      code: 'fly.drawsMore',
      values: { name: 'Orle 9×5', ratio: 0.25, advanceRatio: 0.45, expectedA: 36 },
    });
    expect(currentInAir('Orle 9×5', 27, 40, pass)).toMatchObject({ code: 'fly.drawsLess' });
    expect(() => currentInAir('Orle 9×5', 27, 0, pass)).toThrow(/standA/);
  });
});
