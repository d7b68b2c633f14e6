import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import fs from 'node:fs';
import { MOST_PITCH_RATIO } from '../propeller/propGeometry.ts';
import { INCH_M, type PropLabelReading } from './propLabel.ts';
import { readPropLabel } from './readPropLabel.ts';

const read = (label: string): PropLabelReading[] => {
  const result = readPropLabel(label);
  return result.status === 'read' ? result.readings : [];
};
const shape = (r: PropLabelReading | undefined): [number | null, number | null, number | null] => [
  r ? round(r.diameterM) : null,
  r?.pitchM == null ? null : round(r.pitchM),
  r?.bladeCount ?? null,
];
const round = (m: number): number => Math.round((m / INCH_M) * 100) / 100;
const codes = (r: PropLabelReading | undefined): string[] => r?.reasons.map((x) => x.code) ?? [];

describe('labels as they are moulded', () => {
  test.each([
    ['5.5x4x3', 5.5, 4, 3],
    ['5.5 x 4 x 3', 5.5, 4, 3],
    ['5136', 5.1, 3.6, null],
    ['3x35', 3, 3.5, null],
    ['51477', 5.1, 4.77, null],
    ['1147', 11, 4.7, null],
    ['9x5R', 9, 5, null],
    ['14x7E', 14, 7, null],
    ['6538-2', 6.5, 3.8, 2],
    ['7239x3 CW', 7.2, 3.9, 3],
    ['12548', 12.5, 4.8, null],
    ['1206', 12, 6, null],
    ['5,5x4x3', 5.5, 4, 3],
    ['Brindlow 7.2×3.9×3', 7.2, 3.9, 3],
    ['tri-blade 5x4', 5, 4, 3],
    ['5 1/2 x 4 1/4', 5.5, 4.25, null],
    ['9½x4½', 9.5, 4.5, null],
    ['40mm x 4', 1.57, null, 4],
    ['129.54mm x 4in', 5.1, 4, null],
    ['127x96mm', 5, 3.78, null],
    ['148109x5 CW', 14.8, 10.9, 5],
  ])('%s', (label, diameter, pitch, blades) => expect(shape(read(label)[0])).toEqual([diameter, pitch, blades]));

  test('tiny ones are in millimetres and may lack a pitch', () => {
    const [reading] = read('40mm-4');
    expect(reading!.diameterM).toBeCloseTo(0.04, 9);
    expect(reading!.pitchM).toBeNull();
    expect(reading!.bladeCount).toBe(4);
    expect(codes(reading)).toContain('pitchMissing');
  });

  test('40-25 has two sensible readings and both are offered', () => {
    const found = read('40-25');
    expect(found.map((r) => round(r.diameterM))).toEqual([4, 1.57]);
    expect(codes(found[1])).toContain('millimetres');
  });

  test('51433 may be three blades or a pitch in hundredths', () => {
    expect(read('51433').map(shape)).toEqual(
      expect.arrayContaining([
        [5.1, 4.33, null],
        [5.1, 4.3, 3],
      ]),
    );
  });

  test('letters tell hand, tip and purpose; A and B tell nothing by themselves', () => {
    expect(read('9x5R')[0]).toMatchObject({ hand: 'cw' });
    expect(read('13x4.4 CCW')[0]).toMatchObject({ hand: 'ccw' });
    expect(read('4838BN')[0]).toMatchObject({ tipShape: 'square' });
    expect(codes(read('14x7SF')[0])).toContain('purposeLetters');
    expect(read('14x7SF')[0]).toMatchObject({ planform: null });
    expect(codes(read('14x7E')[0])).toContain('slimFromLetters');
    expect(read('14x7E')[0]).toMatchObject({ planform: 'slim' });
    const [marked] = read('5.1x4.5x3 A');
    expect(marked!.hand).toBeNull();
    expect(codes(marked)).toContain('perModelMark');
  });

  test('a missing blade count is said, never guessed', () => {
    expect(read('5136')[0]!.bladeCount).toBeNull();
    expect(codes(read('5136')[0])).toEqual(expect.arrayContaining(['bladesMissing', 'handNotWritten']));
  });

  test.each([
    ['', 'empty'],
    ['   ', 'empty'],
    ['carbon', 'noDigits'],
    ['1'.repeat(61), 'tooLong'],
    ['5x4x3x2', 'noSensibleSize'],
    ['0x0x0', 'noSensibleSize'],
  ])('%j is refused: %s', (label, problem) =>
    expect(readPropLabel(label)).toMatchObject({ status: 'unreadable', problem }),
  );
});

interface LabelForm {
  label: string;
  diameterM: number;
  pitchM: number | null;
  bladeCount: number | null;
  hand: 'cw' | 'ccw' | null;
}
const FORMS = JSON.parse(fs.readFileSync(new URL('./labelForms.json', import.meta.url), 'utf8')) as LabelForm[];

describe('sixty forms as they are met on hubs and bags', () => {
  test.each(FORMS.map((f) => [f.label, f] as const))('%s', (label, { diameterM, pitchM, bladeCount, hand }) => {
    const [first] = read(label);
    expect(first).toMatchObject({
      diameterM: expect.closeTo(diameterM, 6),
      pitchM: pitchM === null ? null : expect.closeTo(pitchM, 6),
      bladeCount,
      hand,
    });
  });

  test('a word for the hand is never among what is left out; all else that is not read is', () => {
    for (const { label, hand } of FORMS) {
      const left = read(label)[0]!.reasons.flatMap((r) => (r.code === 'wordsLeftOut' ? [r.text] : []));
      expect(left.filter((t) => /^(LEFT|RIGHT|LH|RH|CW|CCW|REVERSE|PUSHER)/.test(t))).toEqual([]);
      if (/left|right|\blh|rh\b/i.test(label)) expect(hand).not.toBeNull();
    }
    expect(read('T5146.5')[0]!.reasons).toContainEqual({ code: 'wordsLeftOut', text: 'T' });
    expect(read('4x4.3x3V1S')[0]!.reasons).toContainEqual({ code: 'wordsLeftOut', text: 'V1S' });
  });
});

describe('properties', () => {
  const prop = fc
    .record({
      tenths: fc.integer({ min: 20, max: 180 }),
      ratio: fc.double({ min: 0.35, max: 0.95, noNaN: true }),
      blades: fc.integer({ min: 2, max: 6 }),
    })
    .map(({ tenths, ratio, blades }) => ({
      diameter: tenths / 10,
      pitch: Math.max(1, Math.round(tenths * ratio)) / 10,
      blades,
    }));
  const has = (readings: PropLabelReading[], diameter: number, pitch: number): boolean =>
    readings.some(
      (r) =>
        Math.abs(r.diameterM / INCH_M - diameter) < 1e-6 &&
        r.pitchM !== null &&
        Math.abs(r.pitchM / INCH_M - pitch) < 1e-6,
    );

  test('a label written out with points reads as itself, first', () =>
    fc.assert(
      fc.property(prop, fc.constantFrom('x', ' x ', '×', 'X'), ({ diameter, pitch, blades }, by) => {
        const [first] = read([diameter.toFixed(1), pitch.toFixed(1), blades].join(by));
        expect(shape(first)).toEqual([diameter, pitch, blades]);
      }),
    ));

  test('a run of digits offers the sizes that were moulded', () =>
    fc.assert(
      fc.property(prop, ({ diameter, pitch }) => {
        const digits = (v: number): string => String(Math.round(v * 10)).padStart(2, '0');
        expect(has(read(digits(diameter) + digits(pitch)), diameter, pitch)).toBe(true);
      }),
    ));

  test('whatever is typed: no exception, sizes in range, likelihoods that add up', () =>
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 70 }), fc.stringMatching(/^[0-9xX.,\-/ mRBN"]{1,30}$/)), (label) => {
        const result = readPropLabel(label);
        if (result.status === 'unreadable') return;
        expect(result.readings.length).toBeGreaterThan(0);
        expect(result.readings.reduce((sum, r) => sum + r.likelihoodRatio, 0)).toBeCloseTo(1, 9);
        for (const r of result.readings) {
          expect(r.diameterM).toBeGreaterThanOrEqual(0.02);
          expect(r.diameterM).toBeLessThanOrEqual(1.1);
          if (r.pitchM !== null) expect(r.pitchM / r.diameterM).toBeLessThanOrEqual(MOST_PITCH_RATIO + 1e-6);
          if (r.bladeCount !== null) expect(r.bladeCount).toBeGreaterThanOrEqual(1);
        }
      }),
      { numRuns: 600 },
    ));
});

test.each([
  ['65mmS', 65, null, null],
  ['45mmx2', 45, null, 2],
  ['31mm4', 31, null, null],
  ['76mmx45mmx3', 76, 45, 3],
  ['40 mm x 4', 40, null, 4],
  ['230mmx120mm', 230, 120, null],
])('an explicit mm is never ignored: %s', (label, diameter, pitch, blades) => {
  const read = readPropLabel(label);
  const first = read.status === 'read' ? read.readings[0]! : null;
  expect(first?.diameterM).toBeCloseTo(diameter / 1000, 9);
  if (pitch !== null) expect(first?.pitchM).toBeCloseTo(pitch / 1000, 9);
  if (blades !== null) expect(first?.bladeCount).toBe(blades);
});
