import { describe, expect, test } from '@jest/globals';
import { evaluateWorking } from '../test/evaluateWorking.ts';
import { preparedOf, inches, mappingPlane, surveyQuad } from '../test/pickCrafts.ts';
import { evaluateCandidate } from './evaluateCandidate.ts';
import type { PickCraft } from './pickCraft.ts';
import { explainedPickFigures, explainPickFigure } from './explainPickFigure.ts';

const settingOf = (craft: PickCraft) => ({ craft, air: preparedOf(craft).tables.air, calibration: null });
const workedOn = (craft: PickCraft, diameterIn: number, pitchIn: number, bladeCount: number) =>
  evaluateCandidate(preparedOf(craft), inches(diameterIn, pitchIn, bladeCount));

describe.each([
  ['a quad', surveyQuad, 7.2, 3.9, 3],
  ['a coaxial quad', { ...surveyQuad, isCoaxial: true, rotorCount: 8 }, 7, 4, 2],
  ['a quad with avionics that draw', { ...surveyQuad, standbyPowerW: 18 }, 7.5, 3.6, 2],
  ['a plane', mappingPlane, 12, 6, 2],
] as const)('%s', (_name, craft, diameterIn, pitchIn, bladeCount) => {
  const worked = workedOn(craft, diameterIn, pitchIn, bladeCount);

  test.each(explainedPickFigures)('%s: the shown formula on the shown inputs gives the shown figure', (figure) => {
    const working = explainPickFigure(settingOf(craft), worked, figure);
    expect(evaluateWorking(working) / worked.figures[figure]).toBeCloseTo(1, 9);
    expect(working.result).toMatchObject({ value: worked.figures[figure], working: figure });
    // Every input is used: nothing stands there for decoration.
    for (const { symbol } of working.inputs)
      expect(working.lines.map((l) => l.formula).join(' ')).toMatch(new RegExp(`\\b${symbol}\\b`));
  });
});

test('the thrust coefficient that is shown is the blade’s own', () => {
  const worked = workedOn(surveyQuad, 7.2, 3.9, 3);
  const shown = explainPickFigure(settingOf(surveyQuad), worked, 'fullThrustN').inputs[0]!.value;
  expect(shown).toBeGreaterThan(0.08);
  expect(shown).toBeLessThan(0.25);
});

test('what has no working, and a figure that a candidate does not have, are refused', () => {
  const worked = workedOn(surveyQuad, 7.2, 3.9, 3);
  expect(() => explainPickFigure(settingOf(surveyQuad), worked, 'levelDb')).toThrow('unknownFigure');
  expect(() => explainPickFigure(settingOf(surveyQuad), worked, 'nonsense')).toThrow('unknownFigure');
  const none = { ...worked, figures: { ...worked.figures, enduranceS: NaN } };
  expect(() => explainPickFigure(settingOf(surveyQuad), none, 'enduranceS')).toThrow('unknownFigure');
});
