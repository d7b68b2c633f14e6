import type { PGlite } from '@electric-sql/pglite';
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { connect, openDatabase } from './database.ts';
import { prepareFolder } from './folder.ts';
import { acquireFolderLock, FolderInUseError } from './folderLock.ts';
import { moveDays } from './moveDays.ts';
import { openPglite } from './openPglite.ts';
import { memoryDatabase, memoryPglite } from '../test/memoryDatabase.ts';
import { linkTo } from './pgliteLink.ts';

let folder: string;
beforeEach(() => void (folder = fs.mkdtempSync(path.join(os.tmpdir(), 'zivvo-database-'))));
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

describe('the folder', () => {
  test('is built beside its place and renamed; leftovers of a killed start are cleared; writes reach the disk', async () => {
    const place = path.join(folder, 'database');
    fs.mkdirSync(`${place}.init-1`);
    await prepareFolder(place, { folder: path.join(folder, 'template') });
    expect(fs.readdirSync(folder).sort()).toEqual(['database', 'template']);
    const synced = jest.spyOn(fs, 'fsyncSync');
    const pglite = await openPglite(place);
    await pglite.exec('create table kept (id int)');
    synced.mockClear();
    for (let i = 0; i < 5; i++) await pglite.exec(`insert into kept values (${i})`);
    expect(synced.mock.calls.length).toBeGreaterThanOrEqual(5);
    synced.mockRestore();
    await pglite.close();
    const second = path.join(folder, 'second');
    const freshen = jest.fn(async (copy: PGlite) => void (await copy.exec('create table freshened (id int)')));
    const files = { from: path.join(folder, 'files'), to: path.join(folder, 'blobs') };
    fs.mkdirSync(files.from);
    fs.writeFileSync(path.join(files.from, 'take.wav'), 'RIFF');
    await prepareFolder(second, { folder: path.join(folder, 'template'), freshen, files });
    expect(fs.readFileSync(path.join(files.to, 'take.wav'), 'utf8')).toBe('RIFF');
    expect(fs.existsSync(path.join(second, 'PG_VERSION'))).toBe(true);
    await prepareFolder(second, { folder: path.join(folder, 'template'), freshen });
    expect(freshen).toHaveBeenCalledTimes(1);
  }, 60_000);

  test('of another PostgreSQL major is refused with a sentence', async () => {
    const place = path.join(folder, 'database');
    fs.mkdirSync(place);
    fs.writeFileSync(path.join(place, 'PG_VERSION'), '15\n');
    await expect(prepareFolder(place, { folder: path.join(folder, 'template') })).rejects.toThrow(
      /written by PostgreSQL 15/,
    );
  });

  test('that is damaged is refused with what to do, and another start finds it as it was', async () => {
    const place = path.join(folder, 'database');
    const pglite = await openPglite(place);
    await pglite.close();
    const control = path.join(place, 'global', 'pg_control');
    fs.writeFileSync(control, Buffer.alloc(64, 7));
    const config = {
      dataFolder: folder,
      hasDatabaseThread: false,
      databaseUrl: null,
      cacheFolder: folder,
      workshopKind: 'own' as const,
    };
    for (let i = 0; i < 2; i++)
      await expect(openDatabase(config, new Date())).rejects.toThrow(/damaged.*Put a copy of this folder back/);
    expect(fs.readFileSync(control)).toEqual(Buffer.alloc(64, 7));
  }, 60_000);

  test('of a newer schema is refused and left as it was', async () => {
    const pglite = await memoryPglite();
    const link = linkTo(pglite);
    const { db: fresh, pool } = await connect(link);
    await fresh.execute(`update drizzle.__drizzle_migrations set created_at = created_at + 1000000`);
    await pool.end();
    await expect(connect(link)).rejects.toThrow(/newer Zivvo/);
    await pglite.close();
  }, 60_000);
});

describe('a workshop that is copied on another day', () => {
  test('keeps the hours of its days where the clocks changed between, leaves nothing ahead, and what is empty empty', async () => {
    const pglite = await memoryPglite();
    await pglite.exec(
      `create table done (id int, at timestamptz not null, ended timestamptz); create table named (id int)`,
    );
    // Nine in the morning of a winter's day, and an hour before midnight of the last one.
    await pglite.exec(
      `insert into done values (1, '2026-03-01T09:00-05', null), (2, '2026-06-15T23:00-04', '2026-06-15T07:30-04')`,
    );
    const copied = new Date(2026, 6, 1, 8, 0);
    await moveDays(pglite, new Date(2026, 5, 15, 23, 59), copied, 'EST5EDT');
    const { rows } = await pglite.query<{ at: Date; ended: Date | null }>('select at, ended from done order by id');
    expect(rows[0]).toEqual({ at: new Date('2026-03-17T09:00-04:00'), ended: null });
    expect(rows[1]!.at).toEqual(new Date(copied.getTime() - 60_000));
    await pglite.close();
  }, 60_000);
});

describe('the lock', () => {
  const file = (): string => path.join(folder, 'database.lock');

  test('belongs to one process; a second is told which', () => {
    const release = acquireFolderLock(file());
    expect(() => acquireFolderLock(file())).toThrow(FolderInUseError);
    expect(() => acquireFolderLock(file())).toThrow(new RegExp(`process ${process.pid}`));
    release();
    acquireFolderLock(file())();
    expect(fs.readdirSync(folder)).toEqual([]);
  });

  test.each(['', '{"pid":12', '[]', 'null', '{"pid":"x"}', '{"pid":-1}'])('damaged (%j) keeps nobody out', (text) => {
    fs.writeFileSync(file(), text);
    acquireFolderLock(file())();
    expect(fs.existsSync(file())).toBe(false);
  });

  test('a folder in its place is named', () => {
    fs.mkdirSync(file());
    expect(() => acquireFolderLock(file())).toThrow(/is a folder.*Remove it/);
  });

  test('left by a dead process is broken at once', () => {
    fs.writeFileSync(file(), JSON.stringify({ pid: 2 ** 22 + 12_345, start: '1', at: 'once' }));
    acquireFolderLock(file())();
    fs.writeFileSync(file(), JSON.stringify({ pid: process.pid, start: 'another life', at: 'once' }));
    acquireFolderLock(file())();
  });
});

describe('the wire', () => {
  test('an error inside a batch leaves the connection usable, a dropped client leaves no open transaction', async () => {
    const { db, close } = await memoryDatabase();
    await expect(db.execute('select * from nothing_here')).rejects.toThrow();
    await expect(
      db.transaction(async (tx) => {
        await tx.execute(
          `insert into workshop (id, name, kind, created_at) values ('01922904-1a0d-72b8-80eb-3103f832088a', ` +
            `'x', 'own', now())`,
        );
        throw new Error('changed my mind');
      }),
    ).rejects.toThrow('changed my mind');
    const { rows } = await db.execute<{ n: number }>('select count(*)::int as n from workshop');
    expect(rows[0]!.n).toBe(0);
    await close();
  });

  test('closing while a transaction is under way waits for it, keeps what it wrote, and then ends', async () => {
    const pglite = await memoryPglite();
    const { db, pool } = await connect(linkTo(pglite));
    let ended: Promise<void> | undefined;
    await db.transaction(async (tx) => {
      await tx.execute('create table kept (id int)');
      // Ended in the middle, as by Ctrl+C while a page is loading.
      ended = pool.end();
      await tx.execute('insert into kept values (1)');
    });
    await ended;
    expect((await pglite.query('select id from kept')).rows).toEqual([{ id: 1 }]);
    await pglite.close();
  }, 30_000);

  test('a question that is asked again is read once; other values get other answers, and a lost connection prepares anew', async () => {
    const pglite = await memoryPglite();
    const { pool } = await connect(linkTo(pglite));
    const ask = async (n: number): Promise<number> =>
      (await pool.query<{ twice: number }>({ text: 'select 2 * $1::int as twice', values: [n] })).rows[0]!.twice;
    const prepared = async (): Promise<number> =>
      (
        await pglite.query<{ n: number }>(
          `select count(*)::int as n from pg_prepared_statements where statement like 'select 2 * %'`,
        )
      ).rows[0]!.n;
    expect([await ask(1), await ask(2), await ask(21)]).toEqual([2, 4, 42]);
    expect(await prepared()).toBe(1);
    // A question that fails leaves those before it as they were.
    await expect(pool.query({ text: 'select nothing from nowhere', values: [] })).rejects.toThrow();
    expect(await ask(5)).toBe(10);
    const client = await pool.connect();
    client.release(new Error('gone'));
    expect(await ask(6)).toBe(12);
    await pool.end();
    await pglite.close();
  }, 30_000);

  test('bounds hold in the database too: NaN and what is out of range are refused', async () => {
    const { db, close } = await memoryDatabase();
    await db.execute(
      `insert into workshop (id, name, kind, created_at) values ('01922904-1a0d-72b8-80eb-3103f832088a', 'x', ` +
        `'own', now())`,
    );
    const air = (temperature: string) =>
      db.execute(
        'insert into air_reading (id, workshop_id, created_at, updated_at, temperature_c, pressure_pa, ' +
          `humidity_ratio) values (gen_random_uuid(), '01922904-1a0d-72b8-80eb-3103f832088a', now(), now(), ` +
          `${temperature}, 101325, 0.5)`,
      );
    await air('20');
    await expect(air(`'NaN'`)).rejects.toThrow();
    await expect(air('80')).rejects.toThrow();
    await close();
  });
});
