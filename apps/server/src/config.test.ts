import { describe, expect, test } from '@jest/globals';
import path from 'node:path';
import { readConfig } from './config.ts';

describe('the surroundings', () => {
  test('empty surroundings give a workshop of one’s own on the usual port', () => {
    expect(readConfig({})).toEqual({
      port: 4600,
      dataFolder: expect.stringMatching(/\/data$/),
      hasDatabaseThread: true,
      databaseUrl: null,
      workshopKind: 'own',
      startMs: null,
      timeFactor: 1,
      webFolder: null,
      endsWithInput: false,
      cacheFolder: expect.stringMatching(/\/\.cache$/),
    });
  });

  test('everything may be set', () => {
    const env = {
      PORT: '0',
      ZIVVO_DATA: 'mine',
      DATABASE_URL: 'postgres://bench/zivvo',
      ZIVVO_WORKSHOP: 'demo',
      ZIVVO_NOW: '2026-11-24T19:00:00Z',
      ZIVVO_TIME_FACTOR: '20',
      ZIVVO_WEB: 'web',
      ZIVVO_CACHE: 'kept',
      ZIVVO_ENDS_WITH_INPUT: '1',
    };
    expect(readConfig(env)).toEqual({
      port: 0,
      dataFolder: path.resolve('mine'),
      hasDatabaseThread: true,
      databaseUrl: 'postgres://bench/zivvo',
      workshopKind: 'demo',
      startMs: Date.UTC(2026, 10, 24, 19),
      timeFactor: 20,
      webFolder: path.resolve('web'),
      endsWithInput: true,
      cacheFolder: path.resolve('kept'),
    });
  });

  test.each([
    [{ PORT: 'http' }, 'PORT is http; a whole number from 0 to 65535 is allowed.'],
    [{ PORT: '-1' }, /0 to 65535/],
    [{ PORT: '65536' }, /0 to 65535/],
    [{ PORT: '80.5' }, /0 to 65535/],
    [{ ZIVVO_NOW: 'tomorrow' }, 'ZIVVO_NOW is tomorrow; an ISO 8601 date is allowed.'],
    [{ ZIVVO_WORKSHOP: 'ours' }, 'ZIVVO_WORKSHOP is ours; own or demo is allowed.'],
    [{ ZIVVO_TIME_FACTOR: '0' }, 'ZIVVO_TIME_FACTOR is 0; 1 to 50 is allowed.'],
    [{ ZIVVO_TIME_FACTOR: 'fast' }, /1 to 50/],
  ])('%j is refused', (env, sentence) => expect(() => readConfig(env)).toThrow(sentence));
});
