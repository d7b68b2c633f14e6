import { PGlite } from '@electric-sql/pglite';
import fs from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { connect, lastMigration, type Database } from '../database/database.ts';
import { linkTo } from '../database/pgliteLink.ts';

const cache = fileURLToPath(new URL('../../../../.cache/', import.meta.url));

/** The migrated template, opened in memory: copying it takes a second, making a new one five. */
export async function memoryPglite(): Promise<PGlite> {
  return PGlite.create({ dataDir: 'memory://', loadDataDir: await template() });
}

/** A real database in memory, copied from one migrated template; spoken to over the same wire as in the product. */
export async function memoryDatabase(): Promise<Database> {
  const pglite = await memoryPglite();
  const { db, pool } = await connect(linkTo(pglite));
  const close = async (): Promise<void> => {
    await pool.end();
    await pglite.close();
  };
  return { db, kind: 'embedded', close };
}

async function template(): Promise<Blob> {
  const file = path.join(cache, `tests-${lastMigration().tag}-${lastMigration().when}.tar`);
  if (!fs.existsSync(file)) {
    const pglite = await PGlite.create();
    const { pool } = await connect(linkTo(pglite));
    await pool.end();
    const dump = await pglite.dumpDataDir('none');
    await pglite.close();
    fs.mkdirSync(cache, { recursive: true });
    fs.writeFileSync(`${file}.${process.pid}`, Buffer.from(await dump.arrayBuffer()));
    fs.renameSync(`${file}.${process.pid}`, file);
  }
  return new Blob([fs.readFileSync(file)]);
}
