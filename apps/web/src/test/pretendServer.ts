import './completeAddresses.ts';

/** Something that was sent to the server. */
export interface Sent {
  method: string;
  path: string;
  body: unknown;
}

type Answer = unknown | ((sent: Sent) => unknown);

/** An answer that refuses, as the server would word it. */
export class Refusal {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly detail: string,
    readonly title = 'It cannot be done',
  ) {}
}

/**
 * Stands in for the server in tests of pages: answers `GET /path` and the like from a table, keeps what was sent, and
 * says 404 to anything else, as the real one would. Answers may be changed in between.
 */
export function pretendServer(answers: Record<string, Answer>): { sent: Sent[]; answers: Record<string, Answer> } {
  // A browser that has kept nothing yet.
  localStorage.clear();
  sessionStorage.clear();
  const sent: Sent[] = [];
  globalThis.fetch = (async (request: Request) => {
    const url = new URL(request.url);
    const text = request.method === 'GET' ? '' : await request.text();
    const one: Sent = {
      method: request.method,
      path: url.pathname.replace(/^\/api/, '') + url.search,
      body: text === '' || !isJson(request) ? null : (JSON.parse(text) as unknown),
    };
    if (request.method !== 'GET') sent.push(one);
    const key = [`${one.method} ${one.path}`, `${one.method} ${url.pathname.replace(/^\/api/, '')}`].find(
      (k) => k in answers,
    );
    if (key === undefined) return problem(new Refusal(404, 'notFound', `nothing at ${one.path}`));
    const known = answers[key];
    const value = typeof known === 'function' ? (known as (sent: Sent) => unknown)(one) : known;
    return value instanceof Refusal ? problem(value) : Response.json(value);
  }) as typeof fetch;
  return { sent, answers };
}

function isJson(request: Request): boolean {
  return request.headers.get('content-type')?.includes('json') ?? false;
}

function problem({ status, code, title, detail }: Refusal): Response {
  return Response.json({ status, code, title, detail, fields: [] }, { status });
}

/** What a list answers that holds all there are. */
export const listed = <T>(items: readonly T[]): { items: readonly T[]; total: number; isCut: boolean } => ({
  items,
  total: items.length,
  isCut: false,
});
