import { describe, expect, test } from '@jest/globals';
import { defaultUnits } from '@zivvo/words';
import { parseDelimited } from '../shared/table/parseDelimited.ts';
import {
  doubtsOf,
  freshGrid,
  gridFromSteps,
  gridFromTable,
  readAside,
  readGrid,
  toReadings,
  withAddedColumn,
  withCell,
  withColumn,
  withPasted,
} from './runGrid.ts';

const fill = (rows: string[][]) =>
  rows.reduce((grid, row, r) => row.reduce((g, text, c) => withCell(g, r, c, text), grid), freshGrid());
const good = [
  ['50', '700', '14000', '8', '24'],
  ['100', '2300', '20000', '37', '23.5'],
];

describe('typing', () => {
  test('a full grid reads, in SI', () => {
    const reading = readGrid(fill(good));
    expect(reading.obstacles).toEqual([]);
    expect(reading.steps[1]).toMatchObject({ throttleRatio: 1, thrustN: expect.closeTo(22.555, 2), currentA: 37 });
  });

  test('what keeps it from being kept is said in words', () => {
    expect(readGrid(freshGrid()).obstacles).toEqual(['Nothing is read yet: one row at full throttle is enough.']);
    expect(readGrid(fill([...good, ['70', 'x']])).obstacles).toContain('One cell cannot be taken.');
    expect(readGrid(fill([...good, ['', '900']])).obstacles).toContain('One row has no throttle or no thrust.');
    expect(readGrid(withColumn(fill(good), 2, { quantity: 'thrustN' })).obstacles).toContain(
      'Two columns hold thrust: leave one out.',
    );
    expect(readGrid(withColumn(fill(good), 0, { quantity: null })).obstacles).toContain(
      'Say which column is the throttle.',
    );
  });

  test('typing in the last row adds one; a new column takes the first quantity that is missing', () => {
    expect(withCell(freshGrid(), 6, 0, '9').cells).toHaveLength(8);
    expect(withAddedColumn(freshGrid()).columns.at(-1)).toMatchObject({ quantity: 'powerW', unitSymbol: 'W' });
  });

  test('another quantity brings its own unit', () =>
    expect(withColumn(freshGrid(), 1, { quantity: 'torqueNm' }).columns[1]).toMatchObject({
      quantity: 'torqueNm',
      unitSymbol: 'N·m',
    }));
});

describe('pasting', () => {
  test('a block lands where the cursor is and makes room', () => {
    const { grid } = withPasted(freshGrid(), 1, 1, [
      ['700', '14000'],
      ['2300', '20000'],
    ]);
    expect(grid.cells[1]!.slice(0, 3)).toEqual(['', '700', '14000']);
    expect(grid.cells[2]!.slice(1, 3)).toEqual(['2300', '20000']);
  });

  test('with its header row it maps the columns', () => {
    const { grid } = withPasted(
      freshGrid(),
      0,
      0,
      parseDelimited('Throttle\tCurrent (A)\tThrust (N)\n50\t8,5\t7,1\n100\t37\t22,6\n'),
    );
    expect(grid.columns.slice(0, 3).map((c) => [c.quantity, c.unitSymbol])).toEqual([
      ['throttleRatio', '%'],
      ['currentA', 'A'],
      ['thrustN', 'N'],
    ]);
    const reading = readGrid(grid);
    expect(reading.obstacles).toEqual([]);
    expect(reading.steps[0]).toMatchObject({ throttleRatio: 0.5, currentA: 8.5, thrustN: 7.1 });
  });

  test('what does not fit is counted', () =>
    expect(
      withPasted(
        freshGrid(),
        0,
        0,
        Array.from({ length: 130 }, (_, i) => [String(i)]),
      ).leftOverRows,
    ).toBe(10));
});

describe('files', () => {
  test('semicolons, decimal commas, units in headers', () => {
    const table = gridFromTable(
      parseDelimited(
        '\uFEFFsep=;\nThrottle %;Thrust [g];RPM;Amps;Pack voltage ' +
          'V;Remark\n50;702,5;14010;8,1;24,1;ok\n100;2310;20180;36,9;23,8;\n',
      ),
    );
    expect(table.unknown).toEqual(['Remark']);
    expect(readGrid(table.grid)).toMatchObject({ obstacles: [], errors: [] });
    expect(readGrid(table.grid).steps[0]!.thrustN).toBeCloseTo(6.889, 3);
  });

  test('one bad cell is an error with its place', () => {
    const { errors } = readGrid(gridFromTable(parseDelimited('Throttle,Thrust (g)\n50,700\n75,9oo\n100,2300\n')).grid);
    expect(errors).toEqual([
      expect.objectContaining({
        row: 1,
        column: 1,
        problem: expect.objectContaining({ status: 'unknownUnit', text: '9oo', written: 'oo' }) as object,
      }),
    ]);
  });

  test('a file without headers can be mapped by hand', () => {
    const table = gridFromTable(parseDelimited('50,700\n100,2300\n'));
    expect(table.headers).toEqual(['Column 1', 'Column 2']);
    const mapped = withColumn(withColumn(table.grid, 0, { quantity: 'throttleRatio' }), 1, { quantity: 'thrustN' });
    expect(readGrid(mapped).obstacles).toEqual([]);
  });
});

test('beside the grid: zeroes and resting volts are read and held to their range', () => {
  expect(readAside({ restingCell: '4,12', zeroBefore: '2', zeroAfter: '' }, defaultUnits)).toMatchObject({
    restingCellV: 4.12,
    zeroBeforeN: expect.closeTo(0.0196, 4),
    zeroAfterN: null,
    problems: {},
  });
  expect(
    readAside({ restingCell: '24.6', zeroBefore: '', zeroAfter: '' }, defaultUnits).problems.restingCell,
  ).toContain('out of bounds');
});

test('a kept run opens again as what would be typed', () => {
  const reading = readGrid(fill(good));
  const again = readGrid(gridFromSteps(reading.steps, defaultUnits));
  again.steps.forEach((s, i) => expect(s.thrustN).toBeCloseTo(reading.steps[i]!.thrustN!, 6));
  expect(
    toReadings(reading, readAside({ restingCell: '', zeroBefore: '', zeroAfter: '' }, defaultUnits), null).readingKinds,
  ).toContainEqual({ quantity: 'thrustN', readingKind: 'settledMean' });
});

describe('units that no header names', () => {
  test('are asked for, one by one, and nothing is read before', () => {
    const { grid } = gridFromTable(parseDelimited('throttle,thrust,speed\n50,0.42,380\n100,1.46,460\n'));
    expect(grid.columns.map((c) => c.unitSymbol)).toEqual(['%', '', '']);
    expect(readGrid(grid).obstacles).toContain('Say the unit of thrust, speed: the header does not.');
    const named = withColumn(withColumn(grid, 1, { unitSymbol: 'kg' }), 2, { unitSymbol: 'Hz' });
    expect(readGrid(named).obstacles).toEqual([]);
    expect(readGrid(named).steps[1]).toMatchObject({ thrustN: expect.closeTo(14.3, 1), speedRpm: 27_600 });
  });

  test('a column mapped by hand under a file’s headers has no unit yet; in the typing grid it stands before the eyes', () => {
    const { grid } = gridFromTable(parseDelimited('first,second\n50,700\n100,2300\n'));
    expect(withColumn(grid, 1, { quantity: 'thrustN' }, false).columns[1]!.unitSymbol).toBe('');
    expect(withColumn(freshGrid(), 1, { quantity: 'powerW' }).columns[1]!.unitSymbol).toBe('W');
  });

  test('words count as units: amps, grams, a speed in rpm', () => {
    expect(
      gridFromTable(parseDelimited('ESC %,Thrust grams,RPM (smoothed),Amps\n50,700,14000,8\n')).grid.columns.map(
        (c) => c.unitSymbol,
      ),
    ).toEqual(['%', 'g', 'rpm', 'A']);
  });

  test('a throttle tells its unit by its figures, microseconds do not', () => {
    const unitFor = (rows: string): string =>
      gridFromTable(parseDelimited(`throttle,thrust g\n${rows}`)).grid.columns[0]!.unitSymbol;
    expect([unitFor('0.5,700\n1,2300\n'), unitFor('50,700\n100,2300\n'), unitFor('1500,700\n2000,2300\n')]).toEqual([
      '1',
      '%',
      '',
    ]);
  });
});

describe('readings that cannot be', () => {
  const five = { diameterM: 0.1295, densityKgPerM3: 1.22 };

  test('are named with the units that make sense of them; those that can be are not', () => {
    const { grid } = gridFromTable(parseDelimited('throttle %,thrust g,speed rpm,power W\n100,1.46,460,781\n'));
    expect(doubtsOf(readGrid(grid), grid, five).at(-1)).toBe(
      'It makes sense with thrust in kg, not g and speed in Hz, not rpm.',
    );
    const right = withColumn(withColumn(grid, 1, { unitSymbol: 'kg' }), 2, { unitSymbol: 'Hz' });
    expect(doubtsOf(readGrid(right), right, five)).toEqual([]);
    expect(doubtsOf(readGrid(grid), grid, null)).toEqual([]);
  });

  test('one row at full throttle is a run; one under it is not', () => {
    const oneRow = (throttle: string) =>
      readGrid(gridFromTable(parseDelimited(`throttle %,thrust g\n${throttle},1460\n`)).grid).obstacles;
    expect(oneRow('100')).toEqual([]);
    expect(oneRow('80')).toEqual(['One row alone must be at full throttle; below it two steps are needed at least.']);
  });
});
