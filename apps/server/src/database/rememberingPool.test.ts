import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { eq, sql } from 'drizzle-orm';
import fc from 'fast-check';
import { v7 } from 'uuid';
import { AnswerMemory } from './answerMemory.ts';
import type { Db, DbOrTx } from './database.ts';
import { person, workshop } from './schema.ts';
import { memoryDatabase } from '../test/memoryDatabase.ts';

describe('what is kept in memory', () => {
  const asked = 'select "id" from "craft" where "id" = $1';
  const answer = () => ({ rows: [['c1', { arms: [1, 2] }]] });
  const kept = (text = asked): AnswerMemory => {
    const memory = new AnswerMemory();
    const sources = memory.sourcesOf(text);
    if (sources !== null) memory.keep(text, ['c1'], sources, answer());
    return memory;
  };

  test('an answer is found for the same question with the same values, and cannot be changed', () => {
    const memory = kept();
    const found = memory.find(asked, ['c1']) as { rows: [string, { arms: number[] }][] };
    expect(found.rows).toEqual(answer().rows);
    expect(() => found.rows[0]![1].arms.push(3)).toThrow(TypeError);
    expect(memory.find(asked, ['c2'])).toBeUndefined();
  });

  test.each([
    ['insert into "craft" ("id") values ($1)', false],
    ['update "craft" set "name" = $1', false],
    ['delete from "motor" where "id" = $1', false],
    ['rollback', false],
    ['rollback to savepoint sp1', false],
    ['truncate motor', false],
    ['update craft set name = $1', false],
    ['with x as (insert into "craft" ("id") values ($1) returning "id") select "id" from x', false],
    ["select nextval('numbers')", false],
    ['insert into "motor" ("id") values ($1)', true],
    ['update "motor" set "craft" = $1', true],
    ['select "id" from "motor" for update', true],
    ['begin', true],
    ['commit', true],
  ])('after %s it still holds: %s', (statement, holds) => {
    const memory = kept();
    memory.hear(statement);
    expect(memory.find(asked, ['c1']) !== undefined).toBe(holds);
  });

  test('what changed while the answer was on its way is not found', () => {
    const memory = new AnswerMemory();
    const sources = memory.sourcesOf(asked)!;
    memory.hear('update "craft" set "name" = $1');
    memory.keep(asked, ['c1'], sources, answer());
    expect(memory.find(asked, ['c1'])).toBeUndefined();
  });

  test.each([
    'select now(), "id" from "craft"',
    'select "id" from "craft" order by random()',
    'select "id" from craft',
    'select "id" from "craft" join motor on true',
    'select "id" from "craft" for update',
    'insert into "craft" ("id") values ($1) returning "id"',
  ])('%s is asked anew each time', (text) => expect(new AnswerMemory().sourcesOf(text)).toBeNull());

  test('long answers and bytes are not kept, and many push out those that are used least', () => {
    const memory = new AnswerMemory();
    const sources = memory.sourcesOf(asked)!;
    memory.keep(asked, [0], sources, { rows: [['x'.repeat(2 ** 18)]] });
    memory.keep(asked, [1], sources, { rows: [[Buffer.from('x')]] });
    expect([0, 1].map((value) => memory.find(asked, [value]))).toEqual([undefined, undefined]);
    for (let i = 2; i < 600; i++) {
      memory.keep(asked, [i], sources, { rows: [['x'.repeat(2 ** 16)]] });
      memory.find(asked, [2]);
    }
    expect(memory.find(asked, [2])).toBeDefined();
    expect(memory.find(asked, [3])).toBeUndefined();
    expect(memory.find(asked, [599])).toBeDefined();
  });
});

describe('a database that remembers', () => {
  let db: Db;
  let close: () => Promise<void>;
  const workshopId = v7();
  beforeAll(async () => {
    ({ db, close } = await memoryDatabase());
    await db.insert(workshop).values({ id: workshopId, name: 'x', kind: 'own', createdAt: new Date() });
  });
  afterAll(() => close());

  const at = new Date(2026, 0, 1);
  const add = (on: DbOrTx, name: string) => on.insert(person).values({ id: v7(), workshopId, name, createdAt: at });
  const names = async (on: DbOrTx): Promise<string[]> =>
    (await on.select({ name: person.name }).from(person).orderBy(person.name)).map((p) => p.name);
  /** The same past the memory: it is asked in words that it does not keep. */
  const truly = async (): Promise<string[]> =>
    (await db.execute<{ name: string }>(sql`select name from person order by name`)).rows.map((p) => p.name);

  test('who asks the same at once gets the one answer; who asks after a writing gets what is written', async () => {
    await db.delete(person);
    await add(db, 'first');
    const [one, two] = [names(db), names(db)];
    const written = add(db, 'second');
    const three = written.then(() => names(db));
    expect(await one).toEqual(await two);
    expect(await three).toEqual(['first', 'second']);
  });

  test('answers as the database does, through any order of reading, writing, and taking back', () =>
    fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom('add', 'rename', 'delete', 'kept', 'takenBack', 'half'), { maxLength: 8 }),
        async (deeds) => {
          await db.delete(person);
          for (const [i, deed] of deeds.entries()) {
            await names(db);
            if (deed === 'add') await add(db, `p${i}`);
            else if (deed === 'rename') await db.update(person).set({ name: `r${i}` });
            else if (deed === 'delete') await db.delete(person).where(eq(person.name, `p${i - 1}`));
            else
              await db
                .transaction(async (tx) => {
                  await add(tx, `t${i}`);
                  expect(await names(tx)).toContain(`t${i}`);
                  if (deed === 'half')
                    await tx
                      .transaction(async (inner) => {
                        await add(inner, `h${i}`);
                        throw new Error('half');
                      })
                      .catch(() => undefined);
                  if (deed === 'takenBack') throw new Error('taken back');
                })
                .catch(() => undefined);
            expect(await names(db)).toEqual(await truly());
            expect(await names(db)).toEqual(await truly());
          }
        },
      ),
      { numRuns: 30 },
    ));

  test('nobody sees what a transaction wrote before it is kept', async () => {
    await db.delete(person);
    expect(await names(db)).toEqual([]);
    let during: Promise<string[]> | null = null;
    await db.transaction(async (tx) => {
      await add(tx, 'within');
      expect(await names(tx)).toEqual(['within']);
      during = names(db);
    });
    expect(await during).toEqual(['within']);
    await db
      .transaction(async (tx) => {
        await add(tx, 'gone');
        expect(await names(tx)).toEqual(['gone', 'within']);
        throw new Error('taken back');
      })
      .catch(() => undefined);
    expect(await names(db)).toEqual(['within']);
  });
});
