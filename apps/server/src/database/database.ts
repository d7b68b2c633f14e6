import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { AnswerMemory } from './answerMemory.ts';
import { PreparingClient } from './preparingClient.ts';
import { RememberingPool } from './rememberingPool.ts';
import pg from 'pg';
import type { Config } from '../config.ts';
import { prepareFolder, type FolderTemplate } from './folder.ts';
import { acquireFolderLock } from './folderLock.ts';
import { moveDays, PLAYED_DAY } from './moveDays.ts';
import { openPglite } from './openPglite.ts';
import { linkTo } from './pgliteLink.ts';
import { PgliteStream, type WireLink } from './pgliteStream.ts';
import * as schema from './schema.ts';
import { TableUpkeep } from './tableUpkeep.ts';
import { startWorkerLink } from './workerLink.ts';

export type Db = NodePgDatabase<typeof schema>;
/** The database or an open transaction on it. */
export type DbOrTx = Db | Parameters<Parameters<Db['transaction']>[0]>[0];

export interface Database {
  db: Db;
  kind: 'embedded' | 'server';
  close(): Promise<void>;
}

export const DB = Symbol('DB');
export const DATABASE = Symbol('DATABASE');

const migrationsFolder = fileURLToPath(new URL('../../drizzle', import.meta.url));

/** The files of a database are not what one wrote. */
export class DamagedDatabaseError extends Error {
  constructor(folder: string, cause: unknown) {
    super(
      `The database in ${folder} cannot be opened: its files are damaged, or something else has written to them. ` +
        'Nothing was changed. Put a copy of this folder back, or choose another with ZIVVO_DATA.',
      { cause },
    );
  }
}

/** Opens the database that the configuration names and brings its schema up to date. */
export async function openDatabase(
  config: Pick<Config, 'dataFolder' | 'hasDatabaseThread' | 'databaseUrl' | 'cacheFolder' | 'workshopKind'>,
  now: Date,
): Promise<Database> {
  if (config.databaseUrl !== null) return openServer(config.databaseUrl);
  fs.mkdirSync(config.dataFolder, { recursive: true });
  const release = acquireFolderLock(path.join(config.dataFolder, 'database.lock'));
  try {
    const folder = path.join(config.dataFolder, 'database');
    await prepareFolder(folder, templateOf(config, now));
    const link = await (config.hasDatabaseThread ? startWorkerLink(folder) : openPglite(folder).then(linkTo)).catch(
      (error: unknown) => {
        throw new DamagedDatabaseError(folder, error);
      },
    );
    link.onFault((error) => {
      console.error(`The database stopped: ${error.message}. What was shown as kept is kept; start Zivvo again.`);
      process.exit(1);
    });
    const { db, pool } = await connect(link);
    const close = async (): Promise<void> => {
      await pool.end();
      await link.close();
      release();
    };
    return { db, kind: 'embedded', close };
  } catch (error) {
    release();
    throw error;
  }
}

/** An own workshop starts empty, the demo with its past where that was played before. */
function templateOf(
  { cacheFolder, workshopKind, dataFolder }: Pick<Config, 'cacheFolder' | 'workshopKind' | 'dataFolder'>,
  now: Date,
): FolderTemplate {
  const demo = path.join(cacheFolder, 'demo-database');
  if (workshopKind === 'demo' && fs.existsSync(demo))
    return {
      folder: demo,
      freshen: (database) => moveDays(database, PLAYED_DAY, now),
      files: { from: `${demo}-blobs`, to: path.join(dataFolder, 'blobs') },
    };
  return { folder: path.join(cacheFolder, 'empty-database') };
}

/** One connection over a wire; the embedded database has no second one, so a transaction owns it. */
export async function connect(link: WireLink): Promise<{ db: Db; pool: pg.Pool }> {
  const pool = new RememberingPool(
    {
      max: 1,
      idleTimeoutMillis: 0,
      user: 'postgres',
      database: 'postgres',
      stream: () => new PgliteStream(link),
    },
    new AnswerMemory(),
    new TableUpkeep(),
  );
  const db = drizzle(pool, { schema, casing: 'snake_case' });
  await migrateForward(db, pool);
  await pool.beginUpkeep();
  return { db, pool };
}

async function openServer(url: string): Promise<Database> {
  const pool = new pg.Pool({ connectionString: url, Client: PreparingClient });
  // A connection that ends while nobody uses it is no fault of anybody's: the next question opens another.
  pool.on('error', (error) => console.error(`A resting connection to the database ended: ${error.message}`));
  const db = drizzle(pool, { schema, casing: 'snake_case' });
  await whileAlone(pool, () => migrateForward(db, pool));
  return { db, kind: 'server', close: () => pool.end() };
}

/** Two that start on one database at once bring its schema up to date one after the other. */
async function whileAlone(pool: pg.Pool, work: () => Promise<void>): Promise<void> {
  const client = await pool.connect();
  try {
    await client.query("select pg_advisory_lock(hashtext('zivvo.schema'))");
    await work();
  } finally {
    await client.query("select pg_advisory_unlock(hashtext('zivvo.schema'))").catch(() => undefined);
    client.release();
  }
}

/** Runs the migrations that are missing, and refuses a database that a newer Zivvo has already changed. */
async function migrateForward(db: Db, pool: pg.Pool): Promise<void> {
  const known = lastMigration();
  const asked = pool.query<{ latest: string | null }>(
    'select max(created_at)::text as latest from drizzle.__drizzle_migrations',
  );
  const found = await asked.then(
    (r) => Number(r.rows[0]?.latest ?? 0),
    () => 0,
  );
  if (found > known.when)
    throw new Error(
      `This folder has the schema of a newer Zivvo (this one knows ${known.tag}). Update Zivvo; nothing was changed.`,
    );
  await migrate(db, { migrationsFolder });
}

/** Name and time of the newest migration that this Zivvo brings. */
export function lastMigration(): { tag: string; when: number } {
  const journal = JSON.parse(fs.readFileSync(path.join(migrationsFolder, 'meta', '_journal.json'), 'utf8')) as {
    entries: { tag: string; when: number }[];
  };
  return journal.entries.at(-1)!;
}
