import { FeatureError } from '../common/featureError.ts';

export class NotPilotError extends FeatureError {
  constructor() {
    super(
      403,
      'notPilot',
      'Another tab flies this run',
      'Watchers see everything and may cut. To fly, wait until the other tab lets go.',
    );
  }
}

export class StandBusyError extends FeatureError {
  constructor() {
    super(
      409,
      'standBusy',
      'The stand is in use',
      'Another run is armed. Cut or finish it first; nothing was changed.',
    );
  }
}

export class StandClosedError extends FeatureError {
  constructor() {
    super(409, 'standClosed', 'This run is not on the stand', 'Open it on the stand again; its points are kept.');
  }
}

export class HardwareStopError extends FeatureError {
  constructor() {
    super(
      400,
      'noHardwareStop',
      'State the hardware stop first',
      'A switch that cuts the power must be within reach before the stand is armed.',
    );
  }
}

export class DeviceNotHereError extends FeatureError {
  constructor(name: string) {
    super(
      409,
      'deviceNotHere',
      `“${name}” is not heard`,
      'Start the program that drives it; it has to name its thrust, the throttle it holds and the order it obeyed.',
    );
  }
}

export class TooManyStandsError extends FeatureError {
  constructor(most: number) {
    super(409, 'tooManyStands', 'Too many stands are speaking', `${most} at a time are heard; nothing was changed.`);
  }
}

export class DeviceLostError extends FeatureError {
  constructor() {
    super(
      503,
      'deviceLost',
      'The device does not answer',
      'It zeroes itself half a second after it was last heard. Its points are kept; put the run on the stand ' +
        'again, or use your switch.',
    );
  }
}

/** Something that was read could not be written to the disk. */
export class NotWrittenError extends FeatureError {
  constructor() {
    super(
      409,
      'notWritten',
      'The disk does not take what was read',
      'Nothing turns. Make room, then write it again; or go on without it.',
    );
  }
}

/** A command that the session refused: the words of its code are the page's. */
export class RefusedCommandError extends FeatureError {
  constructor(code: string, details: Readonly<Record<string, string | number | null>>) {
    super(409, code, 'The stand does not take that now', sentenceOf(code, details));
  }
}

function sentenceOf(code: string, details: Readonly<Record<string, string | number | null>>): string {
  if (code === 'wrongPhase') return `The stand is ${details.phase}; it does not take “${details.command}” then.`;
  if (code === 'tooManyPoints') return `A run holds at most ${details.count} points.`;
  if (code === 'noReadingYet') return 'The device has not read anything yet.';
  if (code === 'outOfRange') return `${details.what} is ${details.value}; ${details.allowed} is allowed.`;
  return 'Nothing was changed.';
}
