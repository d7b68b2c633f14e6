import fs from 'node:fs';

interface Owner {
  pid: number;
  /** Kernel start time of the process: tells it from a later one with the same number. */
  start: string | null;
  at: string;
}

/** The folder belongs to a Zivvo that is still running. */
export class FolderInUseError extends Error {
  constructor(owner: Owner) {
    super(
      `Another Zivvo (process ${owner.pid}, since ${owner.at}) has this folder open. Stop it, or choose ` +
        'another folder with ZIVVO_DATA.',
    );
  }
}

/**
 * Takes the lock of a data folder: two processes on one embedded database destroy it.
 *
 * The full content is written first and published by an atomic link; a lock left by a dead process is broken by one
 * contender only.
 *
 * @returns a function that gives the lock back
 * @throws {FolderInUseError} if a living process holds it
 */
export function acquireFolderLock(file: string): () => void {
  const me: Owner = { pid: process.pid, start: startOf(process.pid), at: new Date().toISOString() };
  const draft = `${file}.${process.pid}`;
  fs.writeFileSync(draft, JSON.stringify(me));
  try {
    for (let attempt = 0; attempt < 50; attempt++) {
      if (publish(draft, file)) return () => fs.rmSync(file, { force: true });
      const owner = readOwner(file);
      if (owner && isAlive(owner)) throw new FolderInUseError(owner);
      if (owner !== null) breakStale(file);
    }
    throw new Error(`The lock ${file} could not be taken: too many starters at once.`);
  } finally {
    fs.rmSync(draft, { force: true });
  }
}

function publish(draft: string, file: string): boolean {
  try {
    fs.linkSync(draft, file);
    return true;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
    throw error;
  }
}

/** Who holds the lock: null for nobody, undefined where it is damaged, which that of a living Zivvo never is. */
function readOwner(file: string): Owner | null | undefined {
  try {
    const owner = JSON.parse(fs.readFileSync(file, 'utf8')) as Partial<Owner> | null;
    return typeof owner?.pid === 'number' && owner.pid > 0 ? (owner as Owner) : undefined;
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    if (code === 'ENOENT') return null;
    if (error instanceof SyntaxError) return undefined;
    if (code === 'EISDIR')
      throw new Error(`${file} is a folder, where the lock of the database belongs. Remove it and start again.`);
    throw error;
  }
}

/** Removes a stale lock under a lock of its own, after looking once more. */
function breakStale(file: string): void {
  const breaker = `${file}.break`;
  let handle: number;
  try {
    handle = fs.openSync(breaker, 'wx');
  } catch {
    if (ageMs(breaker) > 5000) fs.rmSync(breaker, { force: true });
    Atomics.wait(new Int32Array(new SharedArrayBuffer(4)), 0, 0, 20);
    return;
  }
  try {
    const owner = readOwner(file);
    if (owner === undefined || (owner && !isAlive(owner))) fs.rmSync(file, { force: true });
  } finally {
    fs.closeSync(handle);
    fs.rmSync(breaker, { force: true });
  }
}

function ageMs(file: string): number {
  try {
    return Date.now() - fs.statSync(file).mtimeMs;
  } catch {
    return 0;
  }
}

function startOf(pid: number): string | null {
  try {
    const stat = fs.readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}

function isAlive(owner: Owner): boolean {
  try {
    process.kill(owner.pid, 0);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EPERM') return false;
  }
  const start = startOf(owner.pid);
  return start === null || owner.start === null || start === owner.start;
}
