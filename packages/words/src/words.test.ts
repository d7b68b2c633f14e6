import { describe, expect, test } from '@jest/globals';
import type { FieldProblem } from '@zivvo/contract';
import {
  defaultUnits,
  fieldDimension,
  fieldSentence,
  formatDifference,
  formatNumber,
  formatQuantity,
  hasSentence,
  inputName,
  reasonSentence,
  sourceSentence,
  unreadableSentence,
  workingTitle,
  writeLabel,
  type UnitChoices,
} from './index.ts';

const metric: UnitChoices = { length: 'mm', mass: 'g', force: 'N', temperature: '°F' };
const text = (value: number, dimension: Parameters<typeof formatQuantity>[1], units = defaultUnits): string =>
  formatQuantity(value, dimension, units).text.replace(/\u202f/g, ' ');

describe('quantities in the reader’s units', () => {
  test.each([
    [19.0837, 'force', defaultUnits, '1,946 g'],
    [19.0837, 'force', metric, '19.08 N'],
    [0.18288, 'length', defaultUnits, '7.2 in'],
    [0.18288, 'length', metric, '182.9 mm'],
    [1.92, 'mass', defaultUnits, '1.92 kg'],
    [0.0079, 'mass', defaultUnits, '7.9 g'],
    [4, 'temperature', defaultUnits, '4 °C'],
    [4, 'temperature', metric, '39 °F'],
    [-3, 'temperature', defaultUnits, '−3 °C'],
    [13_420, 'rotation', defaultUnits, '13,420 rpm'],
    [40, 'current', defaultUnits, '40 A'],
    [46.5, 'current', defaultUnits, '46.5 A'],
    [23.31, 'voltage', defaultUnits, '23.31 V'],
    [0.0255, 'thrustPerPower', defaultUnits, '2.60 g/W'],
    [100_900, 'pressure', defaultUnits, '1,009 hPa'],
    [1.266, 'density', defaultUnits, '1.266 kg/m³'],
    [79.6, 'power', defaultUnits, '79.6 W'],
    [879, 'power', defaultUnits, '879 W'],
  ] as const)('%p as %s', (value, dimension, units, shown) => expect(text(value, dimension, units)).toBe(shown));

  test('differences carry their sign, and nothing is not minus nothing', () => {
    expect([0.06, -0.173, -0.0002, 0.18].map((d) => formatDifference(d).replace(/\u202f/g, ' '))).toEqual([
      '+6.0 %',
      '−17 %',
      '0.0 %',
      '+18 %',
    ]);
    expect(formatNumber(-0.001, 1)).toBe('0.0');
  });

  test('labels are written as on a drawing', () =>
    expect(['7.2x3.9x3', '6852BN x3', 'Brindlow 9x5'].map(writeLabel)).toEqual([
      '7.2×3.9×3',
      '6852BN x3',
      'Brindlow 9×5',
    ]));
});

describe('reasons', () => {
  test('a code that is newer than the words is shown, not hidden', () => {
    expect([hasSentence('care.crack'), hasSentence('care.polished')]).toEqual([true, false]);
    expect(reasonSentence({ code: 'care.polished', values: {} }, defaultUnits)).toBe('care.polished');
  });

  test('one and several are told apart', () => {
    expect(
      reasonSentence(
        { code: 'care.grounded', values: { tags: 'AB12', count: 1, alert: 'root cracked' } },
        defaultUnits,
      ),
    ).toBe('AB12 is grounded: root cracked.');
    expect(
      reasonSentence(
        { code: 'care.soon', values: { tags: 'AB12, CD34', count: 2, usedRatio: 0.9 } },
        defaultUnits,
      ).replace(/\u202f/g, ' '),
    ).toBe('AB12, CD34 have used 90 % of their life.');
  });

  test('a sentence carries the craft’s own numbers in the reader’s units', () => {
    const reason = {
      code: 'breach.escCurrent',
      values: { name: 'Tamsk 7.7x4x3', value: 46.5, limit: 40, throttleRatio: 0.94 },
    };
    expect(reasonSentence(reason, defaultUnits).replace(/\u202f/g, ' ')).toBe(
      'Tamsk 7.7×4×3 draws 46.5 A; the ESC’s limit is 40 A, passed from 94 % throttle.',
    );
  });

  test('an unknown code is shown, not hidden', () =>
    expect(reasonSentence({ code: 'newer', values: {} }, defaultUnits)).toBe('newer'));
});

describe('errors', () => {
  const problem = (more: Partial<FieldProblem>): FieldProblem => ({
    path: 'massKg',
    rule: 'max',
    value: '61',
    allowed: { min: 0.01, max: 60 },
    message: 'm',
    ...more,
  });

  test('a field says its name and what is allowed, in the reader’s units', () => {
    expect(fieldSentence(problem({}), defaultUnits).replace(/\u202f/g, ' ')).toBe(
      'Take-off weight: 10.0 g to 60 kg is allowed.',
    );
    expect(
      fieldSentence(problem({ path: 'diameterM', allowed: { min: 0.02, max: 1.1 } }), metric).replace(/\u202f/g, ' '),
    ).toBe('Diameter: 20.0 mm to 1,100.0 mm is allowed.');
    expect(
      fieldSentence(problem({ path: 'name', rule: 'minLength', allowed: { min: 1, max: 80 } }), defaultUnits),
    ).toBe('Name: enter something, up to 80 characters.');
    expect(
      fieldSentence(
        problem({ path: 'pitchM', rule: 'atMostTimes', allowed: { times: 2, other: 'diameterM' } }),
        defaultUnits,
      ),
    ).toBe('Pitch: at most 2 times the diameter.');
    expect(
      fieldSentence(problem({ path: 'referencePropModelId', rule: 'exists', allowed: {} }), defaultUnits),
    ).toContain('does not exist any more');
  });

  test('the dimension of a field follows from its suffix', () =>
    expect(['massKg', 'escLimitA', 'kvRpmPerV', 'packCapacityAh', 'note'].map(fieldDimension)).toEqual([
      'mass',
      'current',
      'motorConstant',
      'charge',
      null,
    ]));

  test('a cell says what was wrong, with which value, and what is allowed', () => {
    const shown = (p: Parameters<typeof unreadableSentence>[0]): string =>
      unreadableSentence(p, 'ratio', defaultUnits).replace(/\u202f/g, ' ');
    expect(shown({ status: 'outOfLimits', text: '120', valueSi: 1.2, min: 0, max: 1 })).toBe(
      '“120” is out of bounds: 0 % to 100 % is allowed.',
    );
    expect(shown({ status: 'notANumber', text: '7oo' })).toBe('“7oo” is not a number.');
    expect(shown({ status: 'ambiguous', text: '1,946', asDecimal: 1.946, asThousands: 1946 })).toContain(
      'may be 1.946 or 1946',
    );
    expect(shown({ status: 'unknownUnit', text: '5 x', written: 'x', allowed: ['%', '1'] })).toContain('%, 1 are');
  });
});

test('workings are named', () => {
  expect(workingTitle({ title: 'hover.powerW' })).toBe('Power at hover');
  expect(workingTitle({ title: 'standard.thrustN' })).toBe('Thrust at full throttle, in standard air');
  expect([inputName('massKg'), inputName('run.2.thrustN')]).toEqual(['take-off mass', 'thrust read in run 2']);
  expect(sourceSentence('similarity')).toContain('1.225');
});

test('an ounce shows the weight of a prop: one gram is not nothing', () => {
  const choices: UnitChoices = { ...defaultUnits, mass: 'oz' };
  expect(formatQuantity(0.001, 'mass', choices).number).toBe('0.035');
  expect(formatQuantity(0.0042, 'mass', choices).number).toBe('0.148');
  expect(formatQuantity(0.68, 'mass', choices).number).toBe('24.0');
});
