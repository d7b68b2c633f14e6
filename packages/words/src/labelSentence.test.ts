import { describe, expect, test } from '@jest/globals';
import {
  LABEL_MAX_LENGTH,
  readMotorLabel,
  readPropLabel,
  type LabelProblem,
  type LabelReason,
  type MotorLabelReason,
} from '@zivvo/core';
import { labelProblemSentence, labelReasonSentence } from './index.ts';

/** What the readings of a label say for themselves, all of them. */
function saidOf(label: string, read: typeof readPropLabel | typeof readMotorLabel = readPropLabel): string[] {
  const result = read(label);
  if (result.status !== 'read') throw new Error(`${label}: ${result.problem}`);
  const reasons = result.readings.flatMap((reading): (LabelReason | MotorLabelReason)[] => reading.reasons);
  return [...new Set(reasons.map(labelReasonSentence))];
}

describe('a reading of a label says how it came about', () => {
  test.each([
    ['7.2x3.9x3', 'written out'],
    ['7.2x3.9x3', 'blade count written'],
    ['7.2x3.9', 'blade count not on the label'],
    ['5136', '51 hides a point in the diameter'],
    ['5136', '36 hides a point in the pitch'],
    ['9x5R', 'R means clockwise seen from the label'],
    ['9x5', 'no hand letter: counter-clockwise, or both in a mixed bag'],
    ['7.2x3.9x3 CCW', 'CCW written'],
    ['40mm-4', 'in millimetres'],
    ['40mm-4', 'pitch not on the label'],
    ['10 1/2x5', 'written as a fraction'],
    ['6852BN x3', 'BN tells the tip'],
    ['9x5SF', 'SF tells the purpose'],
  ])('%s: %s', (label, sentence) => expect(saidOf(label)).toContain(sentence));

  test.each([
    ['2406 2350', '2406 is stator width and height'],
    ['2406 2350', 'second number taken as kV'],
    ['2207-1750KV', 'kV written'],
    ['2814/9', '9 turns'],
    ['2814/9', 'kV not on the label'],
    ['22x8 2450', 'stator written out'],
    ['2830 1000kv', '2830 taken as the can, stator estimated'],
  ])('motor %s: %s', (label, sentence) => expect(saidOf(label, readMotorLabel)).toContain(sentence));

  test('whatever is read, no reason stays without words', () => {
    const labels = [
      'Brindlow 7.2x3.9x3 R',
      '5x4x3',
      '51466',
      '7239x3',
      '1045',
      '127x96mm',
      '6.1-3',
      '9x4.7SF',
      '10x4.5MR',
      '6852BN x3',
      '8x4.5 pusher',
      '5.1x3.6x3 CW',
      '11x5.5E',
      '3.5 x 2.8 x 4',
      '16x5.4 carbon',
      '12x6L',
      '7½x4',
      '5040C',
      '6.1x3.1x4 L',
      '13x8.5 wood',
    ];
    const read = labels.map((label) => readPropLabel(label)).flatMap((r) => (r.status === 'read' ? r.readings : []));
    expect(read.length).toBeGreaterThanOrEqual(labels.length);
    const sentences = read.flatMap((r) => r.reasons.map(labelReasonSentence));
    expect(sentences.filter((s) => typeof s !== 'string' || s === '' || s.includes('undefined'))).toEqual([]);
  });
});

test('a label that cannot be read says what would be', () => {
  const problemOf = (label: string): LabelProblem | null => {
    const result = readPropLabel(label);
    return result.status === 'read' ? null : result.problem;
  };
  const asked = {
    '': 'empty',
    [`7x4${'x'.repeat(LABEL_MAX_LENGTH)}`]: 'tooLong',
    'no size at all': 'noDigits',
    '0.1x0.1': 'noSensibleSize',
  } as const;
  expect(Object.keys(asked).map(problemOf)).toEqual(Object.values(asked));
  expect(Object.values(asked).map((p) => labelProblemSentence(p))).toEqual([
    expect.stringContaining('moulded on the hub'),
    expect.stringContaining(`at most ${LABEL_MAX_LENGTH} characters`),
    expect.stringMatching(/no number in it: .* would do/),
    expect.stringMatching(/20 mm and 1\.1 m/),
  ]);
});
