import { describe, expect, test } from '@jest/globals';
import fc from 'fast-check';
import { dimensions, findUnit, type Dimension } from './dimensions.ts';
import { readNumber } from './readNumber.ts';
import { readQuantity } from './readQuantity.ts';
import { fromSi, toSi } from './unit.ts';

const unit = (dimension: Dimension, symbol: string) => findUnit(dimension, symbol)!;

describe('numbers as people type them', () => {
  test.each([
    ['5.1', 5.1],
    ['5,1', 5.1],
    ['0,125', 0.125],
    ['-0.5', -0.5],
    ['.5', 0.5],
    ['5 1/2', 5.5],
    ['5-1/2', 5.5],
    ['3/4', 0.75],
    ['1 950', 1950],
    ['1,234,567', 1_234_567],
    ['1,946.5', 1946.5],
    ['1.946,5', 1946.5],
    ['2e3', 2000],
  ])('%s', (text, value) => expect(readNumber(text)).toEqual({ status: 'read', value }));

  test('one comma before three digits is not guessed', () => {
    expect(readNumber('1,946')).toEqual({ status: 'ambiguous', asDecimal: 1.946, asThousands: 1946 });
    expect(readNumber('1,946', 'comma')).toEqual({ status: 'read', value: 1.946 });
    expect(readNumber('1,946', 'point')).toEqual({ status: 'read', value: 1946 });
  });

  test.each(['', 'abc', '1.2.3', '1/0', '--5', '5 g', 'NaN', 'Infinity', '1e999', '1,2,3'])(
    '%j is not a number',
    (text) => expect(readNumber(text).status).toBe('notANumber'),
  );
});

describe('quantities', () => {
  test.each<[string, Dimension, string, number]>([
    ['5.1in', 'length', 'mm', 0.12954],
    ['129.5 mm', 'length', 'in', 0.1295],
    ['5 1/2"', 'length', 'mm', 0.1397],
    ['1.92 kg', 'mass', 'g', 1.92],
    ['1946 g', 'force', 'N', 19.083741],
    ['39 °F', 'temperature', '°C', 3.888889],
    ['60', 'ratio', '%', 0.6],
    ['60 %', 'ratio', '%', 0.6],
    ['1009 hPa', 'pressure', 'hPa', 100_900],
    ['27,2', 'current', 'A', 27.2],
    ['4000 mAh', 'charge', 'Ah', 4],
  ])('%s as %s', (text, dimension, bare, si) => {
    const read = readQuantity(text, dimension, unit(dimension, bare));
    expect(read.status === 'read' && read.valueSi).toBeCloseTo(si, 5);
  });

  test('what cannot be read says why and keeps the text', () => {
    expect(readQuantity('5 bananas', 'mass', unit('mass', 'g'))).toMatchObject({
      status: 'unknownUnit',
      text: '5 bananas',
      written: 'bananas',
      allowed: ['g', 'kg', 'oz', 'lb'],
    });
    expect(readQuantity('heavy', 'mass', unit('mass', 'g'))).toEqual({ status: 'notANumber', text: 'heavy' });
    expect(readQuantity('  ', 'mass', unit('mass', 'g'))).toEqual({ status: 'empty' });
    expect(readQuantity('1,946', 'force', unit('force', 'g'))).toMatchObject({ status: 'ambiguous' });
  });

  // Exact by definition, or from the standards that define them.
  test.each<[string, Dimension, number]>([
    ['1 lb', 'mass', 0.45359237],
    ['1 oz', 'mass', 0.028349523125],
    ['1 in', 'length', 0.0254],
    ['1 kgf', 'force', 9.80665],
    ['1 lbf', 'force', 4.4482216152605],
    ['1 ozf', 'force', 0.27801385095378],
    ['1 kg·cm', 'torque', 0.0980665],
    ['10 Hz', 'rotation', 600],
    ['2 krpm', 'rotation', 2000],
    ['29.92 inHg', 'pressure', 101_320.76],
    ['212 °F', 'temperature', 100],
    ['-40 °F', 'temperature', -40],
    ['90 °', 'angle', Math.PI / 2],
    ['3 min', 'time', 180],
    ['34 mohm', 'resistance', 0.034],
    ['1 g/W', 'thrustPerPower', 0.00980665],
    ['1.5 g', 'acceleration', 14.709975],
  ])('%s of %s', (text, dimension, si) => {
    const read = readQuantity(text, dimension, dimensions[dimension].units[0]!);
    expect(read.status).toBe('read');
    expect(read.status === 'read' && Math.abs(read.valueSi / si - 1)).toBeLessThan(1e-7);
  });

  test('every way of writing a unit leads to one unit of its dimension, however it is capitalised and spaced', () => {
    for (const dimension of Object.keys(dimensions) as Dimension[]) {
      const owners = new Map<string, string>();
      for (const u of dimensions[dimension].units) {
        for (const written of [u.symbol, ...u.aliases].filter((w) => w !== '')) {
          expect([dimension, written, findUnit(dimension, written)?.symbol]).toEqual([dimension, written, u.symbol]);
          expect([written, owners.get(written) ?? u.symbol]).toEqual([written, u.symbol]);
          owners.set(written, u.symbol);
          // A bare 1 beside a number is no unit.
          if (/^\d/.test(written)) continue;
          for (const text of [`7${written}`, `7 ${written}`, `  7  ${written} `])
            expect([text, dimension, readQuantity(text, dimension, u).status]).toEqual([text, dimension, 'read']);
        }
      }
    }
  });

  test('whatever is typed is answered, never thrown, and what is read is finite', () =>
    fc.assert(
      fc.property(
        fc.string({ maxLength: 30 }),
        fc.constantFrom(...(Object.keys(dimensions) as Dimension[])),
        (text, dimension) => {
          const read = readQuantity(text, dimension, dimensions[dimension].units[0]!);
          if (read.status === 'read') expect(Number.isFinite(read.valueSi)).toBe(true);
          else if (read.status !== 'empty') expect(read.text).toBe(text.trim());
        },
      ),
    ));

  test('every unit turns there and back', () =>
    fc.assert(
      fc.property(
        fc.constantFrom(...(Object.keys(dimensions) as Dimension[])),
        fc.double({ min: -1e6, max: 1e6, noNaN: true }),
        (dimension, value) => {
          for (const u of dimensions[dimension].units) expect(fromSi(u, toSi(u, value))).toBeCloseTo(value, 6);
        },
      ),
    ));
});
