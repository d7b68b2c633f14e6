import pg from 'pg';
import type { AnswerMemory } from './answerMemory.ts';
import { PreparingClient } from './preparingClient.ts';
import type { TableUpkeep } from './tableUpkeep.ts';

/** Upkeep waits so long for more of the same, so that one import is counted once. */
const UPKEEP_MS = 300;

/**
 * Connections to the embedded database, which nobody else writes to: they answer from memory what was asked before and
 * has not changed since. Only what is asked outside of a transaction is: within one, a question may see what is not yet
 * so for anybody else. They count its tables as these grow.
 */
export class RememberingPool extends pg.Pool {
  private upkeepTimer: NodeJS.Timeout | null = null;
  /** Questions that are on their way, by what they ask and of what they ask it. */
  private readonly asked = new Map<string, Promise<pg.QueryArrayResult>>();

  constructor(
    options: pg.PoolConfig,
    private readonly memory: AnswerMemory,
    private readonly upkeep: TableUpkeep,
  ) {
    const written = (text: string, rowCount: number | null): void => {
      if (upkeep.note(text, rowCount)) this.keepUp();
    };
    super({
      ...options,
      Client: class extends PreparingClient {
        // eslint-disable-next-line @typescript-eslint/no-explicit-any
        override query(...asked: any[]): any {
          const text = textOf(asked[0]);
          memory.hear(text);
          // The pool asks with a callback, whoever holds a connection gets a promise.
          const tell: unknown = asked.at(-1);
          if (typeof tell === 'function')
            asked[asked.length - 1] = (error: unknown, result?: pg.QueryResult): void => {
              if (result) written(text, result.rowCount);
              (tell as (error: unknown, result?: pg.QueryResult) => void)(error, result);
            };
          const answer: unknown = super.query.apply(this, asked as never);
          if (answer instanceof Promise)
            void answer.then(
              ({ rowCount }: pg.QueryResult) => written(text, rowCount),
              () => undefined,
            );
          return answer;
        }
      },
    });
  }

  // The driver's own has a dozen forms; the query builder asks in one, and gets a promise.
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  override query(...asked: any[]): any {
    const [question, values] = asked as [pg.QueryArrayConfig | string, unknown[]?];
    if (typeof question === 'string' || question.rowMode !== 'array') return super.query(...(asked as [string]));
    const found = this.memory.find(question.text, values ?? []);
    return found === undefined ? this.askOnce(question, values ?? []) : Promise.resolve(found);
  }

  /** Two who ask the same before it is answered wait for the one answer, as long as nothing was written in between. */
  private askOnce(question: pg.QueryArrayConfig, values: unknown[]): Promise<pg.QueryArrayResult> {
    const sources = this.memory.sourcesOf(question.text);
    if (sources === null) return this.ask(question, values);
    const key = this.memory.keyOf(question.text, values, sources);
    const asked = this.asked.get(key);
    if (asked) return asked;
    const answer = this.ask(question, values).finally(() => this.asked.delete(key));
    this.asked.set(key, answer);
    return answer;
  }

  /** Looks which tables were counted when somebody had the database before; those that never were are due. */
  async beginUpkeep(): Promise<void> {
    const { rows } = await super.query<{ table: string; n: number; isEmpty: boolean }>(
      'select relname as "table", reltuples as n, pg_relation_size(oid) = 0 as "isEmpty" from pg_class ' +
        "where relkind = 'r' and relnamespace = 'public'::regnamespace",
    );
    for (const { table, n, isEmpty } of rows)
      if (n >= 0) this.upkeep.count(table, n);
      else if (!isEmpty) this.upkeep.demand(table);
    this.keepUp();
  }

  /** Tidies and counts the tables that are due, when nobody has asked for it a moment ago. */
  private keepUp(): void {
    if (this.upkeepTimer !== null) return;
    this.upkeepTimer = setTimeout(() => {
      this.upkeepTimer = null;
      // What fails here is done when the table has changed as much again; nobody waits for it.
      this.tidy().catch(() => undefined);
    }, UPKEEP_MS).unref();
  }

  private async tidy(): Promise<void> {
    for (const table of this.upkeep.take()) {
      if (this.ending) return;
      await super.query(`vacuum (analyze) "${table}"`);
      if (this.ending) return;
      const { rows } = await super.query<{ n: number }>('select reltuples as n from pg_class where relname = $1', [
        table,
      ]);
      this.upkeep.count(table, rows[0]?.n ?? 0);
    }
  }

  private async ask(question: pg.QueryArrayConfig, values: unknown[]): Promise<pg.QueryArrayResult> {
    const client = await this.connect();
    try {
      const sources = this.memory.sourcesOf(question.text);
      const result = await client.query(question, values);
      if (sources !== null) this.memory.keep(question.text, values, sources, result);
      return result;
    } finally {
      client.release();
    }
  }
}

const textOf = (question: unknown): string =>
  typeof question === 'string' ? question : ((question as { text?: string } | null)?.text ?? '');
