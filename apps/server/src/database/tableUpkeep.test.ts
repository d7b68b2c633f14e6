import { expect, test } from '@jest/globals';
import { sql } from 'drizzle-orm';
import { connect } from './database.ts';
import { memoryPglite } from '../test/memoryDatabase.ts';
import { linkTo } from './pgliteLink.ts';
import { TableUpkeep } from './tableUpkeep.ts';

const INSERT = 'insert into "event" ("id") values ($1)';

test('a table is due once it has changed by a good part, and then not before it has again', () => {
  const upkeep = new TableUpkeep();
  expect(upkeep.note(INSERT, 199)).toBe(false);
  expect(upkeep.take()).toEqual([]);
  expect(upkeep.note('update "event" set "id" = $1', 1)).toBe(true);
  expect(upkeep.take()).toEqual(['event']);
  expect(upkeep.take()).toEqual([]);
  upkeep.count('event', 10_000);
  expect(upkeep.note(INSERT, 1999)).toBe(false);
  expect(upkeep.note('delete from "event" where "id" = $1', 1)).toBe(true);
});

test('what changes nothing, or no one table, is nothing', () => {
  const upkeep = new TableUpkeep();
  for (const text of ['select * from "event"', 'begin', 'insert into "drizzle"."migrations" values ($1)', ''])
    expect(upkeep.note(text, 1000)).toBe(false);
  expect(upkeep.note(INSERT, null)).toBe(false);
  expect(upkeep.take()).toEqual([]);
});

test('the database is told how large its tables are as they grow', async () => {
  const pglite = await memoryPglite();
  const { db, pool } = await connect(linkTo(pglite));
  const rowsOf = async (): Promise<number> =>
    Number(
      (await db.execute<{ n: number }>(sql`select reltuples::int as n from pg_class where relname = 'stock_note'`))
        .rows[0]!.n,
    );
  await db.execute(sql`create table "stock_note" (id int primary key, text text)`);
  for (let i = 0; i < 3; i++)
    await db.execute(sql`insert into "stock_note" select ${i} * 100 + n, 'x' from generate_series(1, 100) as n`);
  const counted = await (async () => {
    for (;;) {
      const rows = await rowsOf();
      if (rows > 0) return rows;
      await new Promise((resolve) => setTimeout(resolve, 20));
    }
  })();
  expect(counted).toBe(300);
  await pool.end();
  await pglite.close();
}, 60_000);
