/** What every failure of the core carries: a stable code and the values that explain it (SI). */
export class CoreError extends Error {
  constructor(
    readonly code: string,
    readonly details: Readonly<Record<string, string | number | null>>,
  ) {
    super(`${code}: ${JSON.stringify(details)}`);
    this.name = new.target.name;
  }
}

/** A number that is missing, not finite or outside the range in which the computation means anything. */
export class OutOfRangeError extends CoreError {
  constructor(what: string, value: number, allowed: string) {
    super('outOfRange', { what, value: Number.isFinite(value) ? value : String(value), allowed });
  }
}

/** Too few readings, or readings that cannot be told apart, for the figure asked for. */
export class NotEnoughReadingsError extends CoreError {
  constructor(what: string, count: number, needed: number) {
    super('notEnoughReadings', { what, count, needed });
  }
}

/** A working was asked for that there is not. */
export class UnknownFigureError extends CoreError {
  constructor(key: string) {
    super('unknownFigure', { key });
  }
}

/** Something is said to be found where it cannot be. */
export class NoSuchFindingError extends CoreError {
  constructor(place: string, what: string, allowed: string) {
    super('noSuchFinding', { place, what, allowed });
  }
}
