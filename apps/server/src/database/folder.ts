import { openPglite } from './openPglite.ts';
import fs from 'node:fs';
import path from 'node:path';

/** PostgreSQL major of the embedded database; a folder of another one cannot be read. */
const POSTGRES_MAJOR = '18';

/**
 * Makes sure a database folder stands there whole: a new one is built beside its place and renamed, so that a start
 * that is killed half-way leaves nothing that looks like a database.
 *
 * @param templateFile - dump of a database without rows; where it is missing one is made, for the next folder
 */
export async function prepareFolder(folder: string, templateFile: string): Promise<void> {
  if (fs.existsSync(path.join(folder, 'PG_VERSION'))) {
    requireMajor(folder);
    return;
  }
  fs.mkdirSync(path.dirname(folder), { recursive: true });
  for (const name of fs.readdirSync(path.dirname(folder))) {
    if (name.startsWith(`${path.basename(folder)}.init-`)) fs.rmSync(path.join(path.dirname(folder), name), { recursive: true, force: true });
  }
  const beside = `${folder}.init-${process.pid}`;
  const template = fs.existsSync(templateFile) ? new Blob([fs.readFileSync(templateFile)]) : undefined;
  const database = await openPglite(beside, template);
  if (!template) await saveTemplate(database, templateFile);
  await database.close();
  fs.renameSync(beside, folder);
}

/** Dumps a database into a file, whole or not at all. */
export async function saveTemplate(database: Awaited<ReturnType<typeof openPglite>>, templateFile: string): Promise<void> {
  const dump = await database.dumpDataDir('gzip');
  fs.mkdirSync(path.dirname(templateFile), { recursive: true });
  const temporary = `${templateFile}.${process.pid}`;
  fs.writeFileSync(temporary, Buffer.from(await dump.arrayBuffer()));
  fs.renameSync(temporary, templateFile);
}

function requireMajor(folder: string): void {
  const major = fs.readFileSync(path.join(folder, 'PG_VERSION'), 'utf8').trim();
  if (major !== POSTGRES_MAJOR) throw new Error(`The folder ${folder} was written by PostgreSQL ${major}; this Zivvo reads ${POSTGRES_MAJOR}. Open it with the Zivvo that wrote it and export it there.`);
}
