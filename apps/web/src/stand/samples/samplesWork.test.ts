import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import { SAMPLES_AT_ONCE } from '@zivvo/contract';
import { workProblemOf } from '../../shared/worker/workProblem.ts';
import {
  holdsOf,
  lacksOf,
  mappingOf,
  readingsOf,
  recipeColumns,
  rememberedMapping,
  samplesProblem,
  withHolds,
  withUnit,
} from './samplesView.ts';
import { SamplesWork, type SamplesPreview, type SamplesReport } from './samplesWork.ts';

const nobody = (): void => undefined;
const fileOf = (text: string): Blob => new Blob([text]);

/** Half throttle, then full, ten seconds at a hundred a second; `cell` writes a row. */
function file(header: string, cell: (timeS: number, throttle: number) => string, count = 1000): Blob {
  const rows = Array.from({ length: count }, (_, i) => cell(i / 100, i < count / 2 ? 0.5 : 1));
  return fileOf(`${header}\n${rows.join('\n')}\n`);
}
const plain = (): Blob =>
  file('Time (ms),Throttle %,Thrust (g),eRPM,Note', (t, u) => `${1000 * t},${100 * u},${1000 * u},${140_000 * u},ok`);

const read = async (
  blob: Blob,
  change = (m: ReturnType<typeof mappingOf>) => m,
): Promise<{ preview: SamplesPreview; report: SamplesReport; work: SamplesWork }> => {
  const work = new SamplesWork();
  const preview = await work.preview(blob);
  return { preview, report: await work.read(blob, change(mappingOf(preview)), nobody), work };
};

describe('a logger’s file', () => {
  test('is looked at first: headers, cells, what its columns seem to be', async () => {
    const preview = await new SamplesWork().preview(plain());
    expect(preview).toMatchObject({
      hasHeader: true,
      names: ['Time (ms)', 'Throttle %', 'Thrust (g)', 'eRPM', 'Note'],
    });
    const mapping = mappingOf(preview);
    expect(preview.names.map((_, i) => holdsOf(mapping, i))).toEqual(['time', 'throttleRatio', 'thrustN', '', '']);
    expect(mapping.timeUnit).toBe('ms');
    expect(lacksOf(mapping)).toEqual([]);
  });

  test('is read whole: steps, ranges, turns by pole pairs', async () => {
    const { report } = await read(plain(), (m) => ({ ...withHolds(m, 3, 'speedRpm'), polePairs: 7 }));
    expect(report).toMatchObject({ rowCount: 1000, durationS: expect.closeTo(9.99, 6), faults: [], unreadable: null });
    expect(report.steps.map((s) => [s.step.throttleRatio, s.step.speedRpm])).toEqual([
      [0.5, 10_000],
      [1, 20_000],
    ]);
    expect(report.columns.map((c) => c.quantity)).toEqual(['throttleRatio', 'thrustN', 'speedRpm']);
    const readings = readingsOf(report, mappingOf(await new SamplesWork().preview(plain())), 4.1, null);
    expect(readings).toMatchObject({ restingCellV: 4.1, zeroBeforeN: null, packPieceId: null });
    expect(readings.steps).toHaveLength(2);
  });

  test.each([
    [
      'decimal commas and semicolons',
      file('t;Gas;Schub kg', (t, u) => `${t.toFixed(2)};${u};${u}`.replace(/(\d)\.(\d)/g, '$1,$2')),
    ],
    ['throttle in microseconds', file('time s,throttle us,thrust kg', (t, u) => `${t},${1000 + 1000 * u},${u}`)],
    [
      'a clock',
      file('clock,throttle %,thrust kg', (t, u) => `12:00:${(t % 60).toFixed(2).padStart(5, '0')},${100 * u},${u}`),
    ],
    [
      'seconds alone, a hundred rows each',
      file('time s,throttle %,thrust kg', (t, u) => `${Math.floor(t)},${100 * u},${u}`),
    ],
  ])('with %s', async (_what, blob) => {
    const { report } = await read(blob);
    expect(report.faults).toEqual([]);
    expect(report.steps.map((s) => s.step.throttleRatio)).toEqual([0.5, 1].map((u) => expect.closeTo(u, 3)));
    expect(report.steps[1]!.step.thrustN).toBeCloseTo(9.80665, 3);
  });

  test('that cannot be read so says why, and keeps nothing in hand', async () => {
    const mixed = file(
      'time s,throttle %,thrust g',
      (t, u) => `${t === 3 ? 1 : t},${100 * u},${t === 5 ? 'ovl' : 1000 * u}`,
    );
    const { report, work } = await read(mixed);
    expect(report.faults).toEqual([{ code: 'timeRunsBack', row: 301, fromS: 2.99, toS: 1 }]);
    expect(report.unreadable).toEqual({ count: 1, row: 501, text: 'ovl' });
    expect(report.steps).toEqual([]);
    await expect(work.save('/nowhere', nobody)).rejects.toThrow();
    const ramp = await read(file('time s,throttle %,thrust g', (t) => `${t},${10 * t},${100 * t}`));
    expect(ramp.report.faults.map((f) => f.code)).toEqual(['noSteps']);
  });

  test.each([
    ['nothing', '', 'notEnoughReadings'],
    ['bytes', 'PK\u0003\u0004\u0000\u0000', 'notText'],
    ['301 columns', `${Array.from({ length: 301 }, (_, i) => `c${i}`).join(',')}\n`, 'tooManyColumns'],
  ])('of %s is refused with a sentence', async (_what, text, code) => {
    const refused = await new SamplesWork().preview(fileOf(text)).catch((error: unknown) => workProblemOf(error));
    expect(refused).toMatchObject({ code });
    expect(samplesProblem(refused as ReturnType<typeof workProblemOf>)).toMatch(/[.]$/);
  });

  test('three hundred columns are read by those that are mapped', async () => {
    const wide = file(
      ['time s', 'throttle %', 'thrust g', ...Array.from({ length: 297 }, (_, i) => `x${i}`)].join(','),
      (t, u) => [t, 100 * u, 1000 * u, ...Array.from({ length: 297 }, () => 0)].join(','),
      200,
    );
    const { preview, report } = await read(wide);
    expect(preview.names).toHaveLength(300);
    expect(report.columns).toHaveLength(2);
  });
});

describe('the mapping', () => {
  test('gives a quantity to one column alone, and a unit to each', async () => {
    const mapping = mappingOf(await new SamplesWork().preview(plain()));
    const moved = withHolds(mapping, 3, 'thrustN');
    expect([2, 3].map((at) => holdsOf(moved, at))).toEqual(['', 'thrustN']);
    expect(lacksOf(withHolds(moved, 0, ''))).toEqual(['Say which column is the time.']);
    expect(holdsOf(withHolds(mapping, 1, 'time'), 0)).toBe('');
    expect(lacksOf(withUnit(mapping, 2, 'furlong'))).toEqual(['Say the unit of thrust.']);
    expect(withUnit(mapping, 0, 's').timeUnit).toBe('s');
  });

  test('is remembered by its headers, the time with its unit', async () => {
    const preview = await new SamplesWork().preview(plain());
    const mapping = withHolds(mappingOf(preview), 3, 'speedRpm');
    const recipe = { header: 'time (ms)\tthrottle %\tthrust (g)\terpm\tnote', columns: recipeColumns(mapping) };
    const known = rememberedMapping(preview, [recipe], mappingOf(preview))!;
    expect(preview.names.map((_, i) => holdsOf(known, i))).toEqual([
      'time',
      'throttleRatio',
      'thrustN',
      'speedRpm',
      '',
    ]);
    expect(known.timeUnit).toBe('ms');
    expect(rememberedMapping(preview, [{ ...recipe, header: 'other' }], mapping)).toBeNull();
    // A table of steps with the same headers has no time.
    const steps = recipe.columns.map((c) => ({ ...c, unitSymbol: c.quantity === null ? '' : c.unitSymbol }));
    expect(rememberedMapping(preview, [{ ...recipe, columns: steps }], mapping)).toBeNull();
  });
});

describe('saving', () => {
  let parts: { first: number; bytes: number }[] = [];
  let answers: (() => Response)[] = [];
  beforeEach(() => {
    parts = [];
    answers = [];
    globalThis.fetch = jest.fn(async (address: string, { body }: { body: ArrayBuffer }) => {
      const first = Number(new URL(address, 'http://x').searchParams.get('first'));
      const answer = answers.shift();
      if (answer) return answer();
      parts.push({ first, bytes: body.byteLength });
      return Response.json({ id: 'r', count: first + body.byteLength / 16 });
    }) as unknown as typeof fetch;
  });
  const many = (): Blob =>
    file('time s,throttle %,thrust g', (t, u) => `${t},${100 * u},${1000 * u}`, 2 * SAMPLES_AT_ONCE + 100);

  test('sends parts in order, and again what the server did not take', async () => {
    const { work } = await read(many());
    answers = [() => new Response('', { status: 503 })];
    const shares: number[] = [];
    await work.save('http://x/samples', (share) => void shares.push(share));
    expect(parts).toEqual([
      { first: 0, bytes: 16 * SAMPLES_AT_ONCE },
      { first: SAMPLES_AT_ONCE, bytes: 16 * SAMPLES_AT_ONCE },
      { first: 2 * SAMPLES_AT_ONCE, bytes: 1600 },
    ]);
    expect(shares.at(-1)).toBe(1);
  });

  test('ends with what the server says', async () => {
    const { work } = await read(plain());
    answers = [() => Response.json({ detail: 'Time does not go on.' }, { status: 422 })];
    const refused = await work.save('http://x/samples', nobody).catch((error: unknown) => workProblemOf(error));
    expect(samplesProblem(refused as ReturnType<typeof workProblemOf>)).toBe(
      'Time does not go on. What was read stays on the page: keep it again.',
    );
  });
});
