import {
  BadRequestException,
  Catch,
  HttpException,
  Logger,
  type ArgumentsHost,
  type ExceptionFilter,
} from '@nestjs/common';
import type { FieldProblem, Problem } from '@zivvo/contract';
import { CoreError, UnknownFigureError } from '@zivvo/core';
import type { Response } from 'express';
import { randomUUID } from 'node:crypto';
import { databaseProblem } from '../database/databaseProblem.ts';
import { FeatureError, NotFoundError } from './featureError.ts';

/** Turns everything that is thrown into the one problem body; what nobody foresaw gets an incident number. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    const problem = this.toProblem(error);
    if (response.headersSent) {
      response.end();
      return;
    }
    response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
  }

  private toProblem(error: unknown): Problem {
    if (error instanceof FeatureError)
      return {
        status: error.status,
        code: error.code,
        title: error.title,
        detail: error.message,
        fields: error.fields,
      };
    if (error instanceof UnknownFigureError)
      return this.toProblem(new NotFoundError('figure', String(error.details.key).slice(0, 120)));
    if (error instanceof CoreError)
      return {
        status: 422,
        code: error.code,
        title: 'The computation refused its input',
        detail: error.message,
        fields: [],
      };
    const known = databaseProblem(error) ?? readerProblem(error) ?? httpProblem(error);
    if (known) return known;
    const incident = randomUUID().slice(0, 8);
    this.logger.error(
      `incident ${incident}: ${error instanceof Error ? (error.stack ?? error.message) : String(error)}`,
    );
    return {
      status: 500,
      code: 'internal',
      title: 'Something went wrong here',
      detail: `Nothing was changed. The fault is logged as incident ${incident}.`,
      fields: [],
      incident,
    };
  }
}

/** Failures of what reads bodies and addresses; the framework wraps two of them in errors that have only a status. */
function readerProblem(error: unknown): Problem | null {
  const field = (path: string, rule: string, message: string): FieldProblem[] => [
    { path, rule, value: null, allowed: {}, message },
  ];
  if (error instanceof BadRequestException)
    return {
      status: 400,
      code: 'unreadableAddress',
      title: 'The address cannot be read',
      detail: 'The address holds an escape that stands for no character.',
      fields: field('address', 'wellFormed', 'address must be written in UTF-8'),
    };
  const type =
    error instanceof HttpException && error.getStatus() === 413
      ? 'entity.too.large'
      : (error as { type?: unknown } | null)?.type;
  if (type === 'entity.too.large')
    return {
      status: 413,
      code: 'bodyTooLarge',
      title: 'The body is too large',
      detail: 'The body is larger than this address takes.',
      fields: field('body', 'maxBytes', 'body is too large'),
    };
  if (type === 'encoding.unsupported' || type === 'charset.unsupported')
    return {
      status: 415,
      code: 'unsupportedEncoding',
      title: 'The encoding is not supported',
      detail: 'Send the body as UTF-8.',
      fields: field('body', 'encoding', 'body must be UTF-8'),
    };
  return null;
}

function httpProblem(error: unknown): Problem | null {
  if (!(error instanceof HttpException)) return null;
  const status = error.getStatus();
  const titles: Record<number, [string, string]> = {
    404: ['notFound', 'There is nothing at this address'],
    405: ['methodNotAllowed', 'This address does not do that'],
  };
  const [code, title] = titles[status] ?? ['refused', 'The request was refused'];
  return status >= 500 ? null : { status, code, title, detail: title, fields: [] };
}
