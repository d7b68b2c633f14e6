import type { FieldProblem } from '@zivvo/contract';

/** An error that a person or a client is meant to read: it has a stable code and no inner details. */
export class FeatureError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    readonly title: string,
    detail: string,
    readonly fields: FieldProblem[] = [],
  ) {
    super(detail);
    this.name = new.target.name;
  }
}

export class NotFoundError extends FeatureError {
  constructor(what: string, id: string) {
    super(404, 'notFound', `No such ${what}`, `There is no ${what} with the id ${id}, or it was deleted.`);
  }
}

export class RevisionConflictError extends FeatureError {
  constructor(what: string, seen: number, current: number) {
    super(
      409,
      'revisionConflict',
      `The ${what} was changed meanwhile`,
      `This change was made on revision ${seen}; the ${what} is at revision ${current}. Load it again, nothing ` +
        'was overwritten.',
    );
  }
}

/** A field that is well formed but cannot be accepted. */
export class FieldError extends FeatureError {
  constructor(
    path: string,
    rule: string,
    message: string,
    value: string | null = null,
    allowed: FieldProblem['allowed'] = {},
    status = 422,
  ) {
    super(status, 'invalidField', 'A field cannot be accepted', message, [{ path, rule, value, allowed, message }]);
  }
}
