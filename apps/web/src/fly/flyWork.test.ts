import { beforeAll, describe, expect, test } from '@jest/globals';
import {
  flightCsv,
  flightGpx,
  flightUlog,
  simulateFlight,
  usualFlightPlan,
  type LogReport,
  type SimulatedFlight,
} from '@zivvo/core';
import { workProblemOf } from '../shared/worker/workProblem.ts';
import { FlyWork, type OpenedFile } from './flyWork.ts';
import { guessColumns } from './logFiles.ts';
import { logProblem } from './logView.ts';

const START = Date.parse('2026-11-20T11:00:00Z');
let flight: SimulatedFlight;
beforeAll(() => {
  flight = simulateFlight(usualFlightPlan('log', { shaker: { rotor: 1, shakeMPerS2: 2.4 }, accelerationHz: 420 }));
});

const nobody = (): void => undefined;
/** As a browser hands it over: jsdom's own files cannot be read in pieces. */
const fileOf = (parts: BlobPart[], name: string): File => Object.assign(new Blob(parts), { name }) as unknown as File;
const open = (parts: BlobPart[], name = 'flight', work = new FlyWork()): Promise<OpenedFile> =>
  work.openFile(fileOf(parts, name), nobody);
const reportOf = (opened: OpenedFile): LogReport => {
  if (opened.kind !== 'log') throw new Error(opened.kind);
  return opened.report;
};
const kinds = (report: LogReport): string[] => report.segments.map((s) => s.kind);
const flown = ['hover', 'climb', 'pass', 'pass', 'pass', 'hover'];

describe('a flight read from', () => {
  test('a table: its columns are guessed, and read as a person leaves them', async () => {
    const work = new FlyWork();
    const opened = await open([flightCsv(flight)], 'flight.csv', work);
    if (opened.kind !== 'table') throw new Error('a table is asked about');
    expect(opened.guess).toMatchObject({
      columns: { time: 0, latitude: 1, longitude: 2, height: 3, voltage: 4, current: 5 },
      motors: [6, 7, 8, 9],
      timeStepS: 1,
    });
    const report = reportOf(work.read(opened.guess));
    expect(kinds(report)).toEqual(flown);
    expect(report.segments[0]!.currentA).toBeGreaterThan(10);
    expect(report.wind!.airspeedMPerS).toBeCloseTo(14, -0.5);
    expect(report.battery!.usedAh).toBeGreaterThan(0.2);
    expect(report.shake).toBeNull();
  });

  test('a table with decimal commas and milliseconds', async () => {
    const rows = flightCsv(flight).split('\n').slice(0, -1);
    const german = rows.map((row, i) =>
      i === 0
        ? 'Zeit ms;Breite;Länge;Höhe m;Spannung V;Strom A;M1 rpm;M2 rpm;M3 rpm;M4 rpm'
        : row
            .split(',')
            .map((c, k) => (k === 0 ? String(Math.round(Number(c) * 1000)) : c.replace('.', ',')))
            .join(';'),
    );
    const work = new FlyWork();
    const opened = await open([german.join('\n')], 'flug.csv', work);
    if (opened.kind !== 'table') throw new Error('a table is asked about');
    expect(opened.guess.timeStepS).toBe(0.001);
    expect(kinds(reportOf(work.read(opened.guess)))).toEqual(flown);
  });

  test('a GPX track, without a battery', async () => {
    const report = reportOf(await open([flightGpx(flight, START)], 'flight.gpx'));
    expect(kinds(report)).toEqual(flown);
    expect([report.battery, report.shake]).toEqual([null, null]);
  });

  test('a ULog, with the motor that shakes', async () => {
    const report = reportOf(await open([flightUlog(flight)], 'flight.ulg'));
    expect(kinds(report)).toEqual(flown);
    expect(report.shake).toMatchObject({ shaker: 1 });
    expect(report.segments.every((s) => s.currentA !== null)).toBe(true);
  });

  test('a stretch marked anew says what was flown there; one of a moment is refused', async () => {
    const work = new FlyWork();
    const [, climb] = reportOf(await open([flightGpx(flight, START)], 'flight.gpx', work)).segments;
    expect(work.mark('climb', climb!.fromS + 0.5, climb!.toS - 0.5).climbRateMPerS).toBeCloseTo(
      climb!.climbRateMPerS,
      0,
    );
    expect(() => work.mark('climb', 3, 3.1)).toThrow(/fixes/);
  });
});

describe('what is no flight is refused with a sentence', () => {
  const refusal = async (parts: BlobPart[], name: string): Promise<string> => {
    try {
      const work = new FlyWork();
      const opened = await open(parts, name, work);
      if (opened.kind === 'table') work.read(opened.guess);
    } catch (error) {
      return logProblem(workProblemOf(error));
    }
    throw new Error('was read');
  };
  const rows = (): string[] => flightCsv(flight).split('\n');
  test.each<[string, () => BlobPart[], string, RegExp]>([
    ['GPX without times', () => [flightGpx(flight, START, false)], 'a.gpx', /has no times/],
    ['GPX cut in the middle', () => [flightGpx(flight, START).slice(0, 5000)], 'a.gpx', /broken in the middle/],
    [
      'time running backwards',
      () => [[...rows().slice(0, 300), ...rows().slice(100, 400)].join('\n')],
      'a.csv',
      /backwards/,
    ],
    ['a ULog that breaks off', () => [flightUlog(flight).slice(0, 300)], 'a.ulg', /breaks off/],
    ['five rows', () => [rows().slice(0, 5).join('\n')], 'a.csv', /fewer than ten/],
    [
      'a table without places',
      () => [
        rows()
          .map((r) => r.split(',').slice(3).join(','))
          .join('\n'),
      ],
      'a.csv',
      /which column is the/,
    ],
    [
      'columns the wrong way round',
      () => [
        rows()
          .map((r) =>
            r
              .split(',')
              .map((c, i) => (i === 1 && c !== 'Latitude' ? '310.5' : c))
              .join(','),
          )
          .join('\n'),
      ],
      'a.csv',
      /right way round/,
    ],
    ['a picture', () => [new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0, 0, 0, 1])], 'a.csv', /no table, no GPX/],
  ])('%s', async (_name, parts, name, sentence) => expect(await refusal(parts(), name)).toMatch(sentence));

  test('a ULog cut in the air is read as far as it goes', async () => {
    const whole = flightUlog(flight);
    const report = reportOf(await open([whole.slice(0, Math.round(0.6 * whole.length))], 'a.ulg'));
    expect(kinds(report).slice(0, 2)).toEqual(['hover', 'climb']);
  });
});

test.each([
  [['timestamp_us', 'lat', 'lon', 'alt'], [0, 200_000, 400_000], 1e-6],
  [['time', 'lat', 'lon', 'alt'], [0, 200, 400], 1e-3],
  [['time', 'lat', 'lon', 'alt'], [0, 0.2, 0.4], 1],
])('times under %j are told apart', (names, times, step) => expect(guessColumns(names, times).timeStepS).toBe(step));
