import { beforeAll, describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import { fileURLToPath } from 'node:url';
import { STANDARD_ROTOR_AIR } from '../air/rotorAir.ts';
import { OutOfRangeError } from '../errors/coreError.ts';
import { INCH_M, tipShapes, type TipShape } from '../label/propLabel.ts';
import { seededRandom } from '../numerics/seededRandom.ts';
import { usualChord75M } from './bladeShape.ts';
import { bladeElement, prepareProp } from './bladeElement.ts';
import { calibrate } from './calibration.ts';
import { CoefficientTable } from './coefficientTable.ts';
import { CoefficientTables } from './coefficientTables.ts';
import {
  bladeAngle75Rad,
  bladeSections,
  isInsideTables,
  labelGeometry,
  propMaterials,
  type PropGeometry,
  type PropMaterial,
} from './propGeometry.ts';
import { propellerAt, propellerModel, type PropellerModel, type PropellerPoint } from './propellerModel.ts';
import { propFigures } from './propFigures.ts';
import { usualMassKg } from './bladeFlex.ts';

const AIR = STANDARD_ROTOR_AIR;
const GRAM_N = 0.00980665;
const BASELINE = fileURLToPath(new URL('../../fixtures/baseline-27.mjs', import.meta.url));
type Baseline = (geometry: object, rpm: number, V?: number) => { CT: number; CP: number };
const tables = new CoefficientTables(AIR);

const inches = (
  diameter: number,
  pitch: number,
  blades = 2,
  material: PropMaterial = 'glassNylon',
  tip: TipShape = 'standard',
): PropGeometry => labelGeometry(diameter * INCH_M, pitch * INCH_M, blades, tip, material);
const modelOf = (geometry: PropGeometry): PropellerModel => propellerModel(geometry, tables);
const at = (geometry: PropGeometry, rpm: number, axial = 0): PropellerPoint =>
  propellerAt(modelOf(geometry), rpm, axial);

/** The point at which a prop gives a thrust, found by plain bisection. */
function atThrust(geometry: PropGeometry, thrustN: number): PropellerPoint {
  const model = modelOf(geometry);
  let low = 100;
  let high = (200 * 60) / (Math.PI * geometry.diameterM);
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (propellerAt(model, middle).thrustN < thrustN) low = middle;
    else high = middle;
  }
  return propellerAt(model, high);
}
const gramsPerWatt = (p: PropellerPoint): number => p.thrustN / GRAM_N / p.powerW;
/** d ln T / d ln n around a speed. */
const exponent = (geometry: PropGeometry, rpm: number): number =>
  Math.log(at(geometry, rpm * 1.02).thrustN / at(geometry, rpm / 1.02).thrustN) / Math.log(1.02 ** 2);

describe('against the plain algorithm', () => {
  let plain: Baseline;
  beforeAll(async () => {
    expect(createHash('sha256').update(fs.readFileSync(BASELINE)).digest('hex')).toBe(
      '63a798d70c0e85ded34c732812c9e7ee290c4f4365959a2baafa79f9c0f452f9',
    );
    plain = ((await import(BASELINE)) as { ref: Baseline }).ref;
  });

  const PLAIN_NAMES: Partial<Record<PropMaterial, string>> = {
    softPlastic: 'soft',
    polycarbonate: 'polycarbonate',
    glassNylon: 'glass_nylon',
    carbonNylon: 'carbon_nylon',
    carbon: 'carbon',
    wood: 'wood',
  };
  const someProp = fc.record({
    diameter: fc.double({ min: 2, max: 18, noNaN: true }),
    ratio: fc.double({ min: 0.08, max: 1.2, noNaN: true }),
    bladeCount: fc.integer({ min: 1, max: 8 }),
    tipShape: fc.constantFrom(...tipShapes),
    material: fc.constantFrom(...(Object.keys(PLAIN_NAMES) as PropMaterial[])),
    tipSpeed: fc.double({ min: 20, max: 235, noNaN: true }),
  });

  test('half a percent over the whole range at rest, few evaluations', () => {
    fc.assert(
      fc.property(someProp, ({ diameter, ratio, bladeCount, tipShape, material, tipSpeed }) => {
        const rpm = (60 * tipSpeed) / (Math.PI * diameter * INCH_M);
        const own = bladeElement(
          prepareProp(labelGeometry(diameter * INCH_M, ratio * diameter * INCH_M, bladeCount, tipShape, material)),
          AIR,
          rpm,
        );
        const reference = plain(
          {
            diameter_in: diameter,
            pitch_in: ratio * diameter,
            blades: bladeCount,
            tipShape,
            material: PLAIN_NAMES[material],
            mass_g: null,
          },
          rpm,
        );
        expect(Math.abs(own.thrustCoefficient / reference.CT - 1)).toBeLessThan(0.005);
        expect(Math.abs(own.powerCoefficient / reference.CP - 1)).toBeLessThan(0.005);
        expect(own.polarCount).toBeLessThanOrEqual(350);
      }),
      { numRuns: 300, seed: 27 },
    );
  });

  test('in axial flow, up to where thrust fades', () => {
    const random = seededRandom('axial');
    for (let i = 0; i < 60; i++) {
      const diameter = 3 + 12 * random.next();
      const pitch = diameter * (0.3 + 0.7 * random.next());
      const rpm = (60 * (60 + 150 * random.next())) / (Math.PI * diameter * INCH_M);
      const axial = Math.min(110, 0.85 * random.next() * ((rpm / 60) * pitch * INCH_M));
      const own = at(inches(diameter, pitch, 3), rpm, axial);
      const reference = plain(
        {
          diameter_in: diameter,
          pitch_in: pitch,
          blades: 3,
          tipShape: 'standard',
          material: 'glass_nylon',
          mass_g: null,
        },
        rpm,
        axial,
      );
      expect(Math.abs(own.thrustCoefficient - reference.CT)).toBeLessThan(0.0012);
      expect(Math.abs(own.powerCoefficient / reference.CP - 1)).toBeLessThan(0.01);
    }
  });
});

describe('the shared table', () => {
  test.each([
    [3, 'standard', 'polycarbonate'],
    [2, 'pointed', 'carbon'],
    [5, 'square', 'softPlastic'],
  ] as const)('%i blades, %s, %s: 99 %% within 0.5 %%, all within 1 %%', (bladeCount, tipShape, material) => {
    const table = new CoefficientTable({ bladeCount, tipShape, planform: 'usual', section: 'cambered', material }, AIR);
    const random = seededRandom(`${bladeCount}${tipShape}`);
    const offs = Array.from({ length: 600 }, () => {
      const diameterM = 2 * 9 ** random.next() * INCH_M;
      const ratio = 0.08 + 1.12 * random.next();
      const tipSpeed = 20 + 215 * random.next();
      const direct = bladeElement(
        prepareProp(labelGeometry(diameterM, ratio * diameterM, bladeCount, tipShape, material)),
        AIR,
        (60 * tipSpeed) / (Math.PI * diameterM),
      );
      const found = table.at(diameterM, ratio, tipSpeed);
      return Math.max(
        Math.abs(found.thrustCoefficient / direct.thrustCoefficient - 1),
        Math.abs(found.powerCoefficient / direct.powerCoefficient - 1),
      );
    }).sort((a, b) => a - b);
    expect(offs[Math.floor(0.99 * offs.length)]).toBeLessThan(0.005);
    expect(offs.at(-1)).toBeLessThan(0.01);
  });

  test('one family, one table; the one unused for longest goes first', () => {
    const few = new CoefficientTables(AIR);
    const first = few.of(inches(5, 4));
    expect(few.of(inches(9, 5))).toBe(first);
    expect(few.of(inches(5, 4, 3))).not.toBe(first);
  });

  test('a size outside the table is refused', () => {
    expect(() => tables.of(inches(5, 4)).at(30 * INCH_M, 0.5, 100)).toThrow(OutOfRangeError);
    expect(() => tables.of(inches(5, 4)).rowOf(5 * INCH_M, 1.5)).toThrow(OutOfRangeError);
  });
});

describe('plausible figures at standard density', () => {
  test.each([
    [inches(10, 4.5), 6000, { thrustN: [5, 6.2], powerW: [55, 66] }],
    [inches(5, 4.3, 3, 'polycarbonate'), 25_000, { thrustN: [11, 14] }],
    [inches(7, 3.5, 3, 'polycarbonate'), 15_000, { thrustN: [11.5, 16] }],
    [inches(8, 3.8), 8000, { thrustCoefficient: [0.08, 0.14], powerCoefficient: [0.03, 0.07] }],
    [inches(11, 5.5), 6000, { thrustCoefficient: [0.08, 0.14], powerCoefficient: [0.03, 0.07] }],
    [inches(11, 3.8), 6000, { thrustCoefficient: [0.08, 0.14], powerCoefficient: [0.03, 0.07] }],
  ] as const)('%#', (geometry, rpm, bands) => {
    const point = at(geometry, rpm);
    for (const [key, [low, high]] of Object.entries(bands)) {
      expect(point[key as 'thrustN']).toBeGreaterThan(low);
      expect(point[key as 'thrustN']).toBeLessThan(high);
    }
    const { figureOfMerit } = propFigures({
      ...geometry,
      speedRpm: rpm,
      thrustN: point.thrustN,
      shaftPowerW: point.powerW,
      flightSpeedMPerS: 0,
      densityKgPerM3: AIR.densityKgPerM3,
      soundSpeedMPerS: AIR.soundSpeedMPerS,
      bladeAreaM2: 0.001,
    });
    expect(figureOfMerit).toBeGreaterThan(0.4);
    expect(figureOfMerit).toBeLessThan(0.66);
  });
});

describe('trends at equal thrust', () => {
  test('more blades cost thrust per watt where the blades work well', () => {
    const found = [2, 3, 4, 5, 6, 8].map((blades) => gramsPerWatt(atThrust(inches(10, 4.5, blades), 5)));
    for (let i = 1; i < found.length; i++) expect(found[i]!).toBeLessThan(found[i - 1]!);
    expect(found[0]).toBeCloseTo(10.1, 0);
    expect(found.at(-1)).toBeCloseTo(7.6, 0);
  });

  test('but a stalled two-blade prop loses to three blades', () => {
    const two = gramsPerWatt(atThrust(inches(5, 4, 2, 'polycarbonate'), 5));
    const three = gramsPerWatt(atThrust(inches(5, 4, 3, 'polycarbonate'), 5));
    expect(three / two).toBeGreaterThan(1.03);
    expect(three / two).toBeLessThan(1.12);
  });

  test('pitch pays until about half the diameter, then costs', () => {
    const byPitch = [2, 2.5, 3, 4, 5, 6].map((pitch) =>
      gramsPerWatt(atThrust(inches(5, pitch, 2, 'polycarbonate'), 5)),
    );
    expect(byPitch.at(-1)!).toBeLessThan(0.65 * Math.max(...byPitch));
    expect([2, 2.5, 3][byPitch.indexOf(Math.max(...byPitch))]).toBeDefined();
  });

  test('a larger disc carries more per watt', () => {
    const found = [5, 7, 10, 13, 18].map((diameter) => gramsPerWatt(atThrust(inches(diameter, 0.45 * diameter), 5)));
    for (let i = 1; i < found.length; i++) expect(found[i]!).toBeGreaterThan(found[i - 1]!);
    expect(found.at(-1)).toBeCloseTo(17.9, 0);
  });

  test('square tips give more thrust and take more power at one speed', () => {
    const standard = at(inches(5, 4, 3), 20_000);
    const square = at(inches(5, 4, 3, 'glassNylon', 'square'), 20_000);
    expect(square.thrustN).toBeGreaterThan(standard.thrustN);
    expect(square.powerW).toBeGreaterThan(standard.powerW);
  });

  test('thrust at one speed peaks before pitch equals diameter, power keeps rising', () => {
    const ratios = [0.5, 0.6, 0.7, 0.8, 0.86, 0.95, 1.05, 1.15];
    const points = ratios.map((ratio) => at(inches(8, 8 * ratio, 3), 8000));
    const peak = ratios[points.map((p) => p.thrustN).indexOf(Math.max(...points.map((p) => p.thrustN)))]!;
    expect(peak).toBeGreaterThan(0.75);
    expect(peak).toBeLessThan(1);
    for (let i = 1; i < points.length; i++) expect(points[i]!.powerW).toBeGreaterThan(points[i - 1]!.powerW);
  });

  test('soft blades flatten out, stiff ones do not', () => {
    const soft = inches(5, 4.3, 3, 'softPlastic');
    const stiff = inches(5, 4.3, 3, 'carbon');
    expect(exponent(soft, 10_000)).toBeCloseTo(2.02, 1);
    expect(exponent(soft, 34_000)).toBeLessThan(1.93);
    expect(exponent(stiff, 10_000)).toBeGreaterThan(2.06);
    expect(exponent(stiff, 34_000)).toBeGreaterThan(2);
  });

  test('a hollow section lifts more than a flat one', () => {
    const [flat, cambered, hollow] = bladeSections.map((section) => at({ ...inches(9, 4.5), section }, 7000).thrustN);
    expect(flat!).toBeLessThan(cambered!);
    expect(cambered!).toBeLessThan(hollow!);
  });
});

describe('what is known and how well', () => {
  test('a label alone is estimated at ±20 and ±25 %, wider where the model is weaker', () => {
    const plain = modelOf(inches(7, 3.5, 3));
    expect([plain.mark, plain.thrustUncertaintyRatio, plain.powerUncertaintyRatio]).toEqual([
      'estimated',
      expect.closeTo(0.2, 9),
      expect.closeTo(0.25, 9),
    ]);
    for (const harder of [inches(7, 6.5, 3), inches(2.9, 1.5, 3), inches(7, 3.5, 6)])
      expect(modelOf(harder).thrustUncertaintyRatio).toBeCloseTo(0.3, 9);
    expect(modelOf(inches(20, 10)).mark).toBe('extended');
    expect(at(inches(7, 3.5, 3), 26_500).mark).toBe('extended');
  });

  test('each measure of the blade narrows it; the usual width and the usual angle move nothing', () => {
    const plain = inches(7, 3.5, 3);
    const width = { ...plain, chord75M: usualChord75M(plain) };
    const both = { ...width, angle75Rad: bladeAngle75Rad(plain) };
    expect([plain, width, both].map((g) => modelOf(g).thrustUncertaintyRatio)).toEqual(
      [0.2, 0.18, 0.16].map((v) => expect.closeTo(v, 9)),
    );
    for (const measured of [width, both])
      expect(at(measured, 14_000).thrustN / at(plain, 14_000).thrustN).toBeCloseTo(1, 2);
  });

  test('a wider blade lifts more and asks for more, a flatter one less of both', () => {
    const plain = inches(9, 4.5, 2);
    const [thrust, power] = [at(plain, 8000).thrustN, at(plain, 8000).powerW];
    const wide = { ...plain, chord75M: 1.3 * usualChord75M(plain) };
    const flat = { ...plain, angle75Rad: 0.8 * bladeAngle75Rad(plain) };
    expect([
      at(wide, 8000).thrustN > thrust,
      at(wide, 8000).powerW > power,
      at(flat, 8000).thrustN < thrust,
      at(flat, 8000).powerW < power,
    ]).toEqual([true, true, true, true]);
    expect(at({ ...plain, planform: 'slim' }, 8000).powerW).toBeLessThan(power);
    expect(at({ ...plain, planform: 'broad' }, 8000).powerW).toBeGreaterThan(power);
  });

  test('a 31 mm prop of a one-cell craft is inside the tables', () => {
    const tiny = modelOf(inches(1.22, 1, 4));
    expect(isInsideTables(tiny.geometry)).toBe(true);
    expect(propellerAt(tiny, 50_000).thrustN).toBeGreaterThan(0.03);
  });

  test('measured coefficients move the prediction and narrow it', () => {
    const readings = [0.5, 0.54, 0.58, 0.6].map((pitchRatio) => ({ pitchRatio, logRatio: Math.log(1.08) }));
    const calibration = { thrust: calibrate(readings), power: calibrate([]) };
    const geometry = inches(7.2, 3.9, 3);
    const own = propellerModel(geometry, tables, calibration);
    expect(own.mark).toBe('calibrated');
    expect(propellerAt(own, 15_000).thrustN / at(geometry, 15_000).thrustN).toBeCloseTo(1.08, 1);
    expect(own.thrustUncertaintyRatio).toBeLessThan(0.08);
    expect(propellerAt(own, 15_000).powerW).toBeCloseTo(at(geometry, 15_000).powerW, 9);
  });

  test('a heavier piece untwists less; a flex test replaces the class', () => {
    const geometry = inches(5, 4.3, 3, 'polycarbonate');
    const washout = (g: PropGeometry): number => at(g, 28_000).tipWashoutRad;
    expect(washout({ ...geometry, massKg: 1.3 * usualMassKg(geometry) })).toBeLessThan(washout(geometry));
    expect(washout({ ...geometry, droopM: 0.0045 })).toBeCloseTo(washout(geometry), 3);
    expect(washout({ ...geometry, droopM: 0.009 })).toBeGreaterThan(1.5 * washout(geometry));
  });
});

describe('hostile input', () => {
  const good = inches(5, 4, 3);
  test.each([
    ['no diameter', { diameterM: 0 }],
    ['NaN pitch', { pitchM: NaN }],
    ['pitch beyond two and a half times the diameter', { pitchM: 0.35 }],
    ['half a blade', { bladeCount: 2.5 }],
    ['nine blades', { bladeCount: 9 }],
    ['a mass of nothing', { massKg: 0 }],
    ['an endless droop', { droopM: Infinity }],
    ['a root beyond the tip', { rootCutOutRatio: 1 }],
  ])('%s', (_what, change) => {
    expect(() => modelOf({ ...good, ...change })).toThrow(OutOfRangeError);
    expect(() => prepareProp({ ...good, ...change })).toThrow(OutOfRangeError);
  });

  test.each([0, -1, NaN, Infinity, 90_000])('%d rev/min', (rpm) =>
    expect(() => at(good, rpm)).toThrow(OutOfRangeError),
  );
  test.each([-1, NaN, 121])('%d m/s along the axis', (axial) =>
    expect(() => at(good, 20_000, axial)).toThrow(OutOfRangeError),
  );

  test('whatever is valid gives finite figures', () => {
    fc.assert(
      fc.property(
        fc.record({
          diameterM: fc.double({ min: 0.02, max: 0.8, noNaN: true }),
          ratio: fc.double({ min: 0.01, max: 2, noNaN: true }),
          bladeCount: fc.integer({ min: 1, max: 8 }),
          tipShape: fc.constantFrom(...tipShapes),
          section: fc.constantFrom(...bladeSections),
          material: fc.constantFrom(...propMaterials),
          droopM: fc.double({ min: 0.00005, max: 0.2, noNaN: true }),
          tipMach: fc.double({ min: 1e-4, max: 0.94, noNaN: true }),
          axial: fc.double({ min: 0, max: 120, noNaN: true }),
        }),
        ({ ratio, tipMach, axial, ...rest }) => {
          const geometry: PropGeometry = {
            ...rest,
            pitchM: ratio * rest.diameterM,
            massKg: null,
            rootCutOutRatio: null,
            planform: 'usual',
            chord75M: null,
            angle75Rad: null,
          };
          const point = bladeElement(
            prepareProp(geometry),
            AIR,
            (60 * tipMach * AIR.soundSpeedMPerS) / (Math.PI * rest.diameterM),
            axial,
          );
          for (const value of Object.values(point)) expect(Number.isFinite(value)).toBe(true);
        },
      ),
      { numRuns: 1500, seed: 4 },
    );
  });
});
