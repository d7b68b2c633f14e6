import { expect, test } from '@jest/globals';
import { screen } from '@testing-library/react';
import {
  CoefficientTables,
  emptyPickMap,
  prepareCraft,
  pickFigureNames,
  pickGrid,
  refineMap,
  scaleOf,
  STANDARD_ROTOR_AIR,
  useWeights,
  type PickFigure,
} from '@zivvo/core';
import { renderInApp } from '../test/renderInApp.tsx';
import type { MapColour } from './mapView.ts';
import { craftForPick } from './pick.fixtures.ts';
import { pickSettingOf } from './pickCraftOf.ts';
import { usePickFormat, type PickFormat } from './usePickFormat.ts';

/** What is written, without the thin spaces between numbers and units. */
function written(write: (format: PickFormat) => string[]): string[] {
  const Written = () => (
    <ul>
      {write(usePickFormat()).map((line, i) => (
        <li key={i}>{line}</li>
      ))}
    </ul>
  );
  const { unmount } = renderInApp(<Written />);
  const lines = screen.getAllByRole('listitem').map((li) => li.textContent.replace(/\u202f/g, ' '));
  unmount();
  return lines;
}

test('each figure is written as the bench says it', () => {
  const cases: [PickFigure, number, string][] = [
    ['enduranceS', 1062, '17.7 min'],
    ['riseTimeS', 0.0234, '23 ms'],
    ['tipSpeedMPerS', 181.4, '181 m/s'],
    ['pitchSpeedMPerS', 9.44, '9.4 m/s'],
    ['thrustToWeightRatio', 3.456, '3.46'],
    ['toughnessRatio', 0.5, '0.50'],
    ['inertiaKgM2', 7.3e-6, '73.0 g·cm²'],
    ['inertiaKgM2', 4.21e-5, '421 g·cm²'],
    ['carryThrottleRatio', 0.384, '38 %'],
    ['fullThrustN', 19.0837, '1,946 g'],
    ['levelDb', 71.6, '71.6 dB(A)'],
  ];
  expect(written((f) => cases.map(([figure, value]) => f.figure(figure, value)))).toEqual(
    cases.map(([, , text]) => text),
  );
});

test('a figure that a candidate does not have is a dash, whatever it is', () => {
  expect(
    new Set(written((f) => pickFigureNames.flatMap((figure) => [f.figure(figure, NaN), f.figure(figure, Infinity)]))),
  ).toEqual(new Set(['–']));
});

test('a place of the map says its size, its score or what bars it, and the figure that colours the map once', () => {
  const setting = pickSettingOf(craftForPick(), null);
  const map = emptyPickMap(
    { bladeCount: 3, tipShape: 'standard', material: 'polycarbonate' },
    pickGrid(setting.craft, null),
  );
  for (const _ of refineMap(prepareCraft(setting.craft, new CoefficientTables(STANDARD_ROTOR_AIR)), map));
  const scale = scaleOf([map.values])!;
  const columns = map.grid.diametersM.length;
  const at = (inches: number, pitch: number): number =>
    map.grid.pitchesM.findIndex((p) => p >= pitch * 0.0254) * columns +
    map.grid.diametersM.findIndex((d) => d >= inches * 0.0254);
  const place = (index: number, colour: MapColour): string =>
    written((f) => [f.place(map, index, colour, scale, useWeights.longEndurance)])[0]!;
  expect(place(at(7.2, 3.9), 'score')).toMatch(
    /^7\.2\d in × \d\.\d+ in: score \d+, \d+\.\d min, \d+ % throttle, [\d,]+ g a rotor, \d+\.\d dB\(A\)$/,
  );
  expect(place(at(7.2, 3.9), 'enduranceS')).toBe(place(at(7.2, 3.9), 'score'));
  expect(place(at(7.2, 3.9), 'riseTimeS')).toMatch(/ dB\(A\), \d+ ms$/);
  expect(place(columns - 1 + columns * Math.floor(map.grid.pitchesM.length / 3), 'score')).toContain(': barred, ');
  expect(place(columns * (map.grid.pitchesM.length - 1), 'score')).toMatch(/: nobody moulds such a blade$/);
});
