import path from 'node:path';
import { fileURLToPath } from 'node:url';

/** Everything the server takes from its surroundings, read once. */
export interface Config {
  port: number;
  /** Folder that holds the database, the blobs and the lock. */
  dataFolder: string;
  /** Whether the embedded database has a thread of its own; it needs none where nobody is served meanwhile. */
  hasDatabaseThread: boolean;
  /** A PostgreSQL server instead of the embedded one. */
  databaseUrl: string | null;
  workshopKind: 'own' | 'demo';
  /** Fixed start of the clock, for tests and pictures [ms since 1970]. */
  startMs: number | null;
  /** How much faster than the clock simulated devices live; 1 but in tests. */
  timeFactor: number;
  /** Built web app to serve; null in development. */
  webFolder: string | null;
  /** Whether it ends when whoever started it does. */
  endsWithInput: boolean;
  /** Things that may be made again: databases to copy new ones from. */
  cacheFolder: string;
}

const root = fileURLToPath(new URL('../../../', import.meta.url));

/** Reads the configuration; a value that cannot be meant is refused with a sentence. */
export function readConfig(env: NodeJS.ProcessEnv): Config {
  const port = Number(env.PORT ?? 4600);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Error(`PORT is ${env.PORT}; a whole number from 0 to 65535 is allowed.`);
  const startMs = env.ZIVVO_NOW === undefined ? null : Date.parse(env.ZIVVO_NOW);
  if (startMs !== null && Number.isNaN(startMs))
    throw new Error(`ZIVVO_NOW is ${env.ZIVVO_NOW}; an ISO 8601 date is allowed.`);
  const workshopKind = env.ZIVVO_WORKSHOP ?? 'own';
  if (workshopKind !== 'own' && workshopKind !== 'demo')
    throw new Error(`ZIVVO_WORKSHOP is ${workshopKind}; own or demo is allowed.`);
  const timeFactor = Number(env.ZIVVO_TIME_FACTOR ?? 1);
  if (!(timeFactor >= 1 && timeFactor <= 50))
    throw new Error(`ZIVVO_TIME_FACTOR is ${env.ZIVVO_TIME_FACTOR}; 1 to 50 is allowed.`);
  return {
    port,
    dataFolder: path.resolve(env.ZIVVO_DATA ?? path.join(root, 'data')),
    hasDatabaseThread: true,
    databaseUrl: env.DATABASE_URL ?? null,
    workshopKind,
    startMs,
    timeFactor,
    webFolder: env.ZIVVO_WEB === undefined ? null : path.resolve(env.ZIVVO_WEB),
    endsWithInput: env.ZIVVO_ENDS_WITH_INPUT === '1',
    cacheFolder: path.resolve(env.ZIVVO_CACHE ?? path.join(root, '.cache')),
  };
}

export const CONFIG = Symbol('CONFIG');
