import { JSON_MAX_DEPTH, JSON_NODE_MAX_COUNT } from '@zivvo/contract';
import type { NextFunction, Request, RequestHandler, Response } from 'express';
import { validate } from 'uuid';
import { FeatureError, FieldError } from './featureError.ts';
import { runAsPerson } from './requestContext.ts';

const LOCAL_NAMES = new Set(['127.0.0.1', 'localhost', '[::1]']);

/** Zivvo answers this machine only: a foreign Host (a rebound name) or Origin (another site's page) is refused. */
export const localOnly: RequestHandler = (request: Request, _response: Response, next: NextFunction) => {
  const name = (request.headers.host ?? '').replace(/:\d+$/, '');
  if (!LOCAL_NAMES.has(name))
    return next(
      new FeatureError(
        403,
        'foreignHost',
        'Zivvo answers this machine only',
        'The Host header does not name this machine.',
      ),
    );
  const { origin } = request.headers;
  if (origin !== undefined && !isLocalOrigin(origin))
    return next(
      new FeatureError(
        403,
        'foreignOrigin',
        'Zivvo answers its own pages only',
        'The request comes from a page of another site.',
      ),
    );
  next();
};

function isLocalOrigin(origin: string): boolean {
  return /^http:\/\/(?:127\.0\.0\.1|localhost|\[::1\])(?::\d+)?$/.test(origin);
}

type Fault = 'depth' | 'nul' | 'nodes';

const faultProblems: Record<Fault, () => FieldError> = {
  depth: () =>
    new FieldError(
      'body',
      'maxDepth',
      `body must not be nested deeper than ${JSON_MAX_DEPTH}`,
      null,
      { max: JSON_MAX_DEPTH },
      400,
    ),
  nodes: () =>
    new FieldError(
      'body',
      'maxNodes',
      `body must not hold more than ${JSON_NODE_MAX_COUNT} values`,
      null,
      { max: JSON_NODE_MAX_COUNT },
      400,
    ),
  nul: () => new FieldError('body', 'noNul', 'body must not hold the character U+0000', null, {}, 400),
};

/** Refuses bodies deeper or larger than any form of ours, and texts with the one character no database keeps. */
export const boundedBody: RequestHandler = (request: Request, _response: Response, next: NextFunction) => {
  const fault = faultOf(request.body, JSON_MAX_DEPTH, { nodesLeft: JSON_NODE_MAX_COUNT });
  next(fault ? faultProblems[fault]() : undefined);
};

function faultOf(value: unknown, depthLeft: number, count: { nodesLeft: number }): Fault | null {
  if (count.nodesLeft-- === 0) return 'nodes';
  if (typeof value === 'string') return value.includes('\u0000') ? 'nul' : null;
  if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) return null;
  if (depthLeft === 0) return 'depth';
  for (const inner of Object.values(value)) {
    const fault = faultOf(inner, depthLeft - 1, count);
    if (fault) return fault;
  }
  return null;
}

/** Carries the person named in the header through the request. */
export const asPerson: RequestHandler = (request: Request, _response: Response, next: NextFunction) => {
  const person = request.headers['zivvo-person'];
  const isReading = request.method === 'GET';
  if (person === undefined || person === '') return runAsPerson(null, next, isReading);
  if (typeof person !== 'string' || !validate(person))
    return next(
      new FieldError('Zivvo-Person', 'isUuid', 'Zivvo-Person must be a UUID', null, { allowed: 'UUID' }, 400),
    );
  runAsPerson(person, next, isReading);
};
