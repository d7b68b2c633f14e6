import { describe, expect, test } from '@jest/globals';
import { plainToInstance } from 'class-transformer';
import { validateSync } from 'class-validator';
import {
  CampaignDto,
  CraftDto,
  CreateFlightCardDto,
  fieldProblems,
  ImportRunsDto,
  PropModelDto,
  RunDraftDto,
} from './index.ts';

const rulesBroken = (Dto: new () => object, body: object): string[] =>
  fieldProblems(validateSync(plainToInstance(Dto, body), { whitelist: true, forbidNonWhitelisted: true })).map(
    (f) => `${f.path}:${f.rule}`,
  );

const step = {
  throttleRatio: 0.5,
  thrustN: 5,
  speedRpm: null,
  currentA: null,
  voltageV: null,
  powerW: null,
  torqueNm: null,
  temperatureC: null,
  vibrationMPerS2: null,
  levelDb: null,
};
const run = {
  id: '01922904-1a0d-72b8-80eb-3103f832088a',
  propModelId: '01922904-1a0d-72b8-80eb-3103f832088b',
  steps: [step, { ...step, throttleRatio: 1 }],
  readingKinds: [],
  restingCellV: null,
  zeroBeforeN: null,
  zeroAfterN: null,
  packPieceId: null,
};

describe('rules shared by forms and server', () => {
  test('paths lead into lists', () => {
    expect(rulesBroken(ImportRunsDto, { runs: [run], blobSha256: null })).toEqual([]);
    expect(
      rulesBroken(ImportRunsDto, {
        runs: [{ ...run, steps: [step, { ...step, throttleRatio: 2 }] }],
        blobSha256: null,
      }),
    ).toEqual(['runs.0.steps.1.throttleRatio:max']);
  });

  test.each([NaN, Infinity, '5', null])('%p is no thrust', (thrustN) =>
    expect(
      rulesBroken(ImportRunsDto, { runs: [{ ...run, steps: [{ ...step, thrustN }, step] }], blobSha256: null }).some(
        (r) => r.startsWith('runs.0.steps.0.thrustN'),
      ),
    ).toBe(true),
  );

  const named = (name: string): string[] => rulesBroken(CraftDto, { name }).filter((r) => r.startsWith('name:'));

  test.each([' ', '\t\n', 'Petrel\u202elive', 'a\u0000b', 'half \ud83d', '\u2066x', '\u007f'])(
    '%j is no name',
    (name) => expect(named(name)).toEqual(['name:readable']),
  );

  test.each(['Petrel', 'Größe 5″ ✈', 'two\nlines', '\u{1f6e9} plane', '鳥'])('%j is a name', (name) =>
    expect(named(name)).toEqual([]),
  );

  test('a stored file is named by its digest and by nothing else', () => {
    const of = (photoSha256: unknown): boolean =>
      rulesBroken(CreateFlightCardDto, { logSha256: photoSha256 }).includes('logSha256:matches');
    expect(['z'.repeat(64), 'A'.repeat(64), 'a'.repeat(63), ''].map(of)).toEqual([true, true, true, true]);
    expect([of('0af'.repeat(22).slice(0, 64)), of(null)]).toEqual([false, false]);
  });

  test('every limit is told with the rule', () => {
    const [first] = fieldProblems(
      validateSync(
        plainToInstance(CampaignDto, {
          name: 'x',
          referencePropModelId: null,
          temperatureC: 99,
          pressurePa: 1e5,
          humidityRatio: 0.5,
          gateCellV: null,
          note: null,
        }),
      ),
    );
    expect(first).toMatchObject({ path: 'temperatureC', rule: 'max', value: '99', allowed: { min: -40, max: 55 } });
  });

  test('a draft holds any text but is bounded', () => {
    const draft = {
      columns: [{ quantity: null, unitSymbol: '', readingKind: 'settledMean' }],
      cells: [['anything at all']],
      restingCell: '',
      zeroBefore: '',
      zeroAfter: '',
    };
    expect(rulesBroken(RunDraftDto, draft)).toEqual([]);
    expect(rulesBroken(RunDraftDto, { ...draft, cells: [[5]] })).toEqual(['cells:draftCells']);
    expect(rulesBroken(RunDraftDto, { ...draft, columns: Array.from({ length: 17 }, () => draft.columns[0]) })).toEqual(
      ['columns:arrayMaxSize'],
    );
  });

  test('nothing is required that may be unknown', () => {
    const required = (Dto: new () => object): string[] => [
      ...new Set(rulesBroken(Dto, {}).map((r) => r.split(':')[0]!)),
    ];
    expect(required(PropModelDto)).toEqual(['label', 'diameterM', 'pitchM', 'bladeCount', 'tipShape', 'material']);
    expect(required(CraftDto)).not.toEqual(expect.arrayContaining(['escLimitA', 'clearanceDiameterM', 'note']));
  });
});
