import pg from 'pg';

/** So many questions of a connection are prepared; what is asked beyond them is read anew each time. */
const PREPARED_MOST = 400;
/** Lists of different lengths make different questions: longer ones are not worth a place. */
const TEXT_MOST = 8000;

/** A connection that lets the database read each question once, and from then on only asks it with other values. */
export class PreparingClient extends pg.Client {
  private static count = 0;
  /** Names are the connection's own: behind several may be one session. */
  private readonly prefix = `q${PreparingClient.count++}_`;
  private readonly names = new Map<string, string>();

  /** The driver's own has a dozen forms; the one that the query builder uses is the one that can be prepared. */
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  override query(...asked: any[]): any {
    const [question, ...rest] = asked as unknown[];
    return super.query.apply(this, [isQuestion(question) ? this.prepared(question) : question, ...rest] as never);
  }

  private prepared(question: pg.QueryConfig): pg.QueryConfig {
    const known = this.names.get(question.text);
    if (known !== undefined) return { ...question, name: known };
    if (this.names.size >= PREPARED_MOST || question.text.length > TEXT_MOST) return question;
    const name = `${this.prefix}${this.names.size}`;
    this.names.set(question.text, name);
    return { ...question, name };
  }
}

/** Only reading is prepared: it is what is asked again and again. */
function isQuestion(question: unknown): question is pg.QueryConfig {
  const { text, name } = (question ?? {}) as Partial<pg.QueryConfig>;
  return typeof text === 'string' && !name && /^\s*(?:select|with)\b/i.test(text);
}
