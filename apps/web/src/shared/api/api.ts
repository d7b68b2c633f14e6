import {
  createApi,
  fetchBaseQuery,
  retry,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
} from '@reduxjs/toolkit/query/react';
import type { Problem } from '@zivvo/contract';

/** What every failed request looks like to the pages. */
export type ApiProblem = Problem;

interface StateWithPerson {
  settings: { personId: string | null };
}

const fetchJson = fetchBaseQuery({
  baseUrl: '/api',
  prepareHeaders: (headers, { getState }) => {
    const { personId } = (getState() as StateWithPerson).settings;
    if (personId !== null) headers.set('Zivvo-Person', personId);
  },
});

const baseQuery: BaseQueryFn<string | FetchArgs, unknown, ApiProblem> = async (request, api, extra) => {
  const result = await fetchJson(request, api, extra ?? {});
  if (!result.error) return { data: result.data };
  const problem = toProblem(result.error);
  const isReading = typeof request === 'string' || request.method === undefined;
  // A page that only reads tries again by itself; a change is repeated by whoever made it.
  if (!isReading || problem.status !== 0) retry.fail(problem);
  return { error: problem };
};

function toProblem(error: FetchBaseQueryError): ApiProblem {
  if (typeof error.status === 'number' && isProblem(error.data)) return error.data;
  return error.status === 'FETCH_ERROR' ? UNREACHABLE : UNREADABLE;
}

export const UNREACHABLE: ApiProblem = {
  status: 0,
  code: 'unreachable',
  title: 'Zivvo’s server does not answer',
  detail: 'What you entered stays on this page. Start the server again; the page tries by itself.',
  fields: [],
};

const UNREADABLE: ApiProblem = {
  status: 500,
  code: 'unreadableAnswer',
  title: 'The answer could not be read',
  detail: 'The server answered something that is not meant for this page.',
  fields: [],
};

function isProblem(body: unknown): body is Problem {
  return typeof body === 'object' && body !== null && 'code' in body && 'fields' in body;
}

/** The one way to the server; features inject their endpoints. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: retry(baseQuery, { maxRetries: 2 }),
  tagTypes: [
    'Fly',
    'Listen',
    'Judge',
    'Craft',
    'PropModel',
    'Campaign',
    'Instrument',
    'Run',
    'Air',
    'Person',
    'Pack',
    'Line',
    'Piece',
    'Batch',
    'Set',
    'Part',
    'BalanceJob',
    'Rig',
    'Fitting',
    'Care',
  ],
  refetchOnReconnect: true,
  endpoints: () => ({}),
});

/** The problem behind a failed query or change; null when there is none. */
export function problemOf(error: unknown): ApiProblem | null {
  return isProblem(error) ? error : null;
}

/**
 * The problem behind something that surely failed; one without words of its own is an answer that could not be read.
 */
export function failureOf(error: unknown): ApiProblem {
  return problemOf(error) ?? UNREADABLE;
}
