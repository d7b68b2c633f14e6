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

/** Refuses addresses with the one character that no database keeps. */
export const readableAddress: RequestHandler = (request: Request, _response: Response, next: NextFunction) => {
  const fault = (path: string): FieldError =>
    new FieldError(path, 'noNul', `${path} must not hold the character U+0000`, null, {}, 400);
  if (/%00/.test(request.path)) return next(fault('address'));
  const named = Object.entries(request.query).find(([, value]) => JSON.stringify(value).includes('\\u0000'));
  next(named ? fault(named[0]) : undefined);
};

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
