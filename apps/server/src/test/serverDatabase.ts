import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { openDatabase, type Database } from '../database/database.ts';
import type { Config } from '../config.ts';

/** A PostgreSQL server that the tests may make databases on; null where none is named. */
export const testServerUrl = process.env.ZIVVO_TEST_DATABASE_URL ?? null;

const urls = new WeakMap<Database['db'], string>();

/** Another connection to the database of a server, as a second server process would have it. */
export function besideDatabase(first: Database, config: Config): Promise<Database> {
  return openDatabase({ ...config, databaseUrl: urls.get(first.db)! }, new Date(config.startMs ?? Date.now()));
}

/** A database of its own on a real PostgreSQL server, gone when it is closed. */
export async function serverDatabase(url: string, config: Config): Promise<Database> {
  const name = `zivvo_${randomUUID().replaceAll('-', '')}`;
  await once(url, `create database ${name}`);
  const own = new URL(url);
  own.pathname = `/${name}`;
  const database = await openDatabase({ ...config, databaseUrl: own.href }, new Date(config.startMs ?? Date.now()));
  const close = async (): Promise<void> => {
    await database.close();
    await once(url, `drop database ${name} with (force)`);
  };
  urls.set(database.db, own.href);
  return { ...database, close };
}

async function once(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query(statement);
  } finally {
    await client.end();
  }
}
