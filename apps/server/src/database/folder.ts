import type { PGlite } from '@electric-sql/pglite';
import fs from 'node:fs';
import path from 'node:path';
import { openPglite } from './openPglite.ts';

/** PostgreSQL major of the embedded database; a folder of another one cannot be read. */
const POSTGRES_MAJOR = '18';

/** What a new database folder is copied from. */
export interface FolderTemplate {
  /** A closed database; where it is missing an empty one is made, for the next folder. */
  folder: string;
  /** Makes a fresh copy fit for its day. */
  freshen?: (database: PGlite) => Promise<void>;
  /** Files that its rows name, and where they go. */
  files?: { from: string; to: string };
}

/**
 * Makes sure a database folder stands there whole: a new one is built beside its place and renamed, so that a start
 * that is killed half-way leaves nothing that looks like a database.
 */
export async function prepareFolder(folder: string, template: FolderTemplate): Promise<void> {
  if (isDatabase(folder)) {
    requireMajor(folder);
    return;
  }
  fs.mkdirSync(path.dirname(folder), { recursive: true });
  for (const name of fs.readdirSync(path.dirname(folder))) {
    if (name.startsWith(`${path.basename(folder)}.init-`))
      fs.rmSync(path.join(path.dirname(folder), name), { recursive: true, force: true });
  }
  if (!isDatabase(template.folder)) await makeEmpty(template.folder);
  const beside = `${folder}.init-${process.pid}`;
  copyFolder(template.folder, beside);
  if (template.freshen) {
    const database = await openPglite(beside);
    await template.freshen(database);
    await database.close();
  }
  // Before the rows that name them stand in their place.
  if (template.files && fs.existsSync(template.files.from)) copyFolder(template.files.from, template.files.to);
  fs.renameSync(beside, folder);
}

/** Copies a closed database to a place where none is, whole or not at all. */
export function copyWhole(from: string, to: string): void {
  const temporary = `${to}.${process.pid}`;
  copyFolder(from, temporary);
  fs.renameSync(temporary, to);
}

async function makeEmpty(folder: string): Promise<void> {
  const temporary = `${folder}.${process.pid}`;
  fs.mkdirSync(path.dirname(folder), { recursive: true });
  const database = await openPglite(temporary);
  await database.close();
  fs.renameSync(temporary, folder);
}

/** Copies files and sees that they reach the disk: what is written on top of them later counts on them. */
function copyFolder(from: string, to: string): void {
  fs.cpSync(from, to, { recursive: true });
  for (const entry of fs.readdirSync(to, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile()) continue;
    const file = fs.openSync(path.join(entry.parentPath, entry.name), 'r');
    fs.fsyncSync(file);
    fs.closeSync(file);
  }
}

function isDatabase(folder: string): boolean {
  return fs.existsSync(path.join(folder, 'PG_VERSION'));
}

function requireMajor(folder: string): void {
  const major = fs.readFileSync(path.join(folder, 'PG_VERSION'), 'utf8').trim();
  if (major !== POSTGRES_MAJOR)
    throw new Error(
      `The folder ${folder} was written by PostgreSQL ${major}; this Zivvo reads ${POSTGRES_MAJOR}. Open it ` +
        'with the Zivvo that wrote it and export it there.',
    );
}
