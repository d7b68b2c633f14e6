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

/** An empty database on a real PostgreSQL server, and the way to be rid of it. */
export async function emptyDatabase(url: string): Promise<{ url: string; drop(): Promise<void> }> {
  const name = `zivvo_${randomUUID().replaceAll('-', '')}`;
  await once(url, `create database ${name}`);
  const own = new URL(url);
  own.pathname = `/${name}`;
  return { url: own.href, drop: () => once(url, `drop database ${name} with (force)`) };
}

/** A database of its own on a real PostgreSQL server, gone when it is closed. */
export async function serverDatabase(server: string, config: Config): Promise<Database> {
  const { url, drop } = await emptyDatabase(server);
  const database = await openDatabase({ ...config, databaseUrl: url }, new Date(config.startMs ?? Date.now()));
  const close = async (): Promise<void> => {
    await database.close();
    await drop();
  };
  urls.set(database.db, url);
  return { ...database, close };
}

/** One statement on a connection of its own. */
export async function once(url: string, statement: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    await client.query(statement);
  } finally {
    await client.end();
  }
}
