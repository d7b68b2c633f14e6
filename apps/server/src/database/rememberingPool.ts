import pg from 'pg';
import type { AnswerMemory } from './answerMemory.ts';
import { PreparingClient } from './preparingClient.ts';

/**
 * Connections that answer from memory what was asked before and has not changed since. Only what is asked outside of a
 * transaction is: within one, a question may see what is not yet so for anybody else.
 */
export class RememberingPool extends pg.Pool {
  constructor(
    options: pg.PoolConfig,
    private readonly memory: AnswerMemory,
  ) {
    super({
      ...options,
      Client: class extends PreparingClient {
        // eslint-disable-next-line @typescript-eslint/no-explicit-any
        override query(...asked: any[]): any {
          memory.hear(textOf(asked[0]));
          return super.query.apply(this, asked as never);
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
    return found === undefined ? this.ask(question, values ?? []) : Promise.resolve(found);
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
