import 'reflect-metadata';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { Test } from '@nestjs/testing';
import type { Server } from 'node:http';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import request from 'supertest';
import { v7 } from 'uuid';
import { AppModule } from '../app.module.ts';
import { dressApplication } from '../application.ts';
import type { Config } from '../config.ts';
import { DATABASE, openDatabase, type Database } from '../database/database.ts';
import { playIfEmpty } from '../demo/playDemo.ts';
import { inlineStandLink, STAND_LINK } from '../live/standLink.ts';
import { memoryDatabase } from './memoryDatabase.ts';
import { besideDatabase, serverDatabase, testServerUrl } from './serverDatabase.ts';

export interface TestServer {
  app: NestExpressApplication;
  database: Database;
  dataFolder: string;
  /** Requests as the web app sends them. */
  http: ReturnType<typeof request>;
  close(): Promise<void>;
}

const CACHE = fileURLToPath(new URL('../../../../.cache/', import.meta.url));
const TEST_START = Date.parse('2026-11-24T12:00:00Z');

/** The whole server on a database of its own; nothing is mocked but the disk's slowness. */
export function startTestServer(): Promise<TestServer> {
  return startOn('own', (config) =>
    testServerUrl === null ? memoryDatabase() : serverDatabase(testServerUrl, config),
  );
}

/** A second server on the database of another one; only where that is a PostgreSQL server. */
export function startBeside({ database }: TestServer): Promise<TestServer> {
  return startOn('own', (config) => besideDatabase(database, config));
}

/**
 * The demo workshop as `npm run demo` opens it: a copy of the one that the build played, or played here where there is
 * none.
 */
export async function startDemoServer(): Promise<TestServer> {
  const server = await startOn('demo', (config) =>
    openDatabase({ ...config, cacheFolder: CACHE }, new Date(TEST_START)),
  );
  await playIfEmpty(server.app);
  return server;
}

async function startOn(
  workshopKind: Config['workshopKind'],
  open: (config: Config) => Promise<Database>,
): Promise<TestServer> {
  const dataFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-test-'));
  const config: Config = {
    port: 0,
    dataFolder,
    hasDatabaseThread: false,
    databaseUrl: null,
    workshopKind,
    startMs: TEST_START,
    timeFactor: 20,
    webFolder: null,
    endsWithInput: false,
    cacheFolder: dataFolder,
  };
  const database = await open(config);
  const module = await Test.createTestingModule({ imports: [AppModule.with(config)] })
    .overrideProvider(DATABASE)
    .useValue(database)
    .overrideProvider(STAND_LINK)
    .useValue(inlineStandLink())
    .compile()
    .catch(async (error: unknown) => {
      // A server that cannot be put together holds nobody up.
      await database.close();
      throw error;
    });
  const app = module.createNestApplication<NestExpressApplication>({ bodyParser: false, logger: false });
  dressApplication(app, config);
  await app.init();
  const close = async (): Promise<void> => {
    await app.close();
    fs.rmSync(dataFolder, { recursive: true, force: true });
  };
  return { app, database, dataFolder, http: request(app.getHttpServer() as Server), close };
}

/** Writes down somebody who signs; answers the header that goes with what they do. */
export async function aSigner({ http }: TestServer): Promise<Record<string, string>> {
  const id = v7();
  await http.post('/api/people').send({ id, name: 'Irva Solt' }).expect(201);
  return { 'Zivvo-Person': id };
}

/** A craft that breaks no rule. */
export const aCraft = (more: object = {}) => ({
  id: v7(),
  name: 'Petrel',
  ownerName: null,
  layout: 'quadX',
  arms: null,
  groundClearanceM: null,
  boomClearanceM: null,
  shaftDiameterM: null,
  massKg: 1.92,
  diagonalM: 0.294,
  clearanceDiameterM: 0.2,
  motorLabel: '2507 1080 kV',
  statorDiameterM: 0.025,
  statorHeightM: 0.007,
  kvRpmPerV: 1080,
  motorResistanceOhm: 0.136,
  motorNoLoadCurrentA: 0.67,
  motorMassKg: 0.04,
  estimatedFields: ['motorResistanceOhm'],
  motorLimitA: null,
  escLimitA: 40,
  packChemistry: 'lipo',
  packSeriesCount: 6,
  packParallelCount: 1,
  packCapacityAh: 4,
  referencePropModelId: null,
  note: null,
  ...more,
});

/** A prop model that breaks no rule. */
export const aPropModel = (more: object = {}) => ({
  id: v7(),
  label: '7.2x3.9x3',
  makerName: 'Brindlow',
  diameterM: 0.18288,
  pitchM: 0.09906,
  bladeCount: 3,
  tipShape: 'standard',
  material: 'polycarbonate',
  labelHand: null,
  measuredDiameterM: null,
  measuredMassKg: 0.0079,
  speedLimitRpm: null,
  boreDiameterM: null,
  mountKind: null,
  hubThicknessM: null,
  cwLetters: null,
  ccwLetters: null,
  cutFromModelId: null,
  bagPrice: null,
  bagCount: null,
  colour: 'smoke',
  note: null,
  ...more,
});

export const aCampaign = (craftId: string, more: object = {}) => ({
  id: v7(),
  craftId,
  name: 'Evening',
  referencePropModelId: null,
  temperatureC: 15,
  pressurePa: 101_325,
  humidityRatio: 0.5,
  gateCellV: 4.05,
  note: null,
  ...more,
});

export const aDraft = (cells: string[][] = [['50', '700']]) => ({
  columns: [
    { quantity: 'throttleRatio', unitSymbol: '%', readingKind: 'settledMean' },
    { quantity: 'thrustN', unitSymbol: 'g', readingKind: 'settledMean' },
  ],
  cells,
  restingCell: '',
  zeroBefore: '',
  zeroAfter: '',
});

/** Readings of a rotor of exact power laws. */
export const someReadings = (topN = 20, topW = 700) => ({
  steps: [0.2, 0.4, 0.6, 0.8, 1].map((u) => ({
    throttleRatio: u,
    thrustN: topN * u ** 1.8,
    speedRpm: 20_000 * u ** 0.9,
    currentA: (topW * u ** 2.7) / 24,
    voltageV: 24,
    powerW: null,
    torqueNm: null,
    temperatureC: null,
    vibrationMPerS2: null,
    levelDb: null,
  })),
  readingKinds: [{ quantity: 'thrustN', readingKind: 'settledMean' }],
  restingCellV: 4.15,
  zeroBeforeN: null,
  zeroAfterN: null,
  packPieceId: null,
});
