import { describe, expect, test } from '@jest/globals';
import { pullOutHeightM } from '../craft/flightFigures.ts';
import { preparedOf, inches, mappingPlane, surveyQuad } from '../test/pickCrafts.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import { DIVE_M_PER_S, manoeuvresOf } from './manoeuvres.ts';

const of = (craft = surveyQuad, prop = inches(7.2, 3.9, 3)) =>
  manoeuvresOf(preparedOf(craft), evaluateCandidate(preparedOf(craft), prop));

describe('what a craft does beside carrying itself', () => {
  test('payload and a sagged pack cost height in the pull-out, more than the half-full pack would', () => {
    const light = of();
    const half = pullOutHeightM(
      DIVE_M_PER_S,
      evaluateCandidate(preparedOf(surveyQuad), inches(7.2, 3.9, 3)).figures.thrustToWeightRatio,
    )!;
    expect(light.pullOutM!).toBeGreaterThan(half);
    expect(of({ ...surveyQuad, massKg: 2.3 }).pullOutM!).toBeGreaterThan(light.pullOutM!);
    expect(of({ ...surveyQuad, massKg: 20 }).pullOutM).toBeNull();
  });

  test('three blades kick more than two of the same size, for they are heavier', () => {
    expect(of(surveyQuad, inches(7, 4, 3)).yawKickNmS!).toBeGreaterThan(of(surveyQuad, inches(7, 4, 2)).yawKickNmS!);
    expect(of().yawDragRatio!).toBeGreaterThan(0.03);
    expect(of().yawDragRatio!).toBeLessThan(0.3);
  });

  test('a plane is pulled out by its wing and steered by its tail', () => {
    expect(of(mappingPlane, inches(11, 6, 2))).toMatchObject({
      pullOutM: null,
      yawDragRatio: null,
      yawKickNmS: null,
      topSpeedMPerS: expect.any(Number),
    });
  });
});
